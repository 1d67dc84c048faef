import { expect, it } from 'vitest';
import { routeOf, Studio, type Hours } from '../bench/index.ts';
import { costOf, minutesByPiece, minutesOf, panelSum, sharedByLength, sumByStage } from './index.ts';

const FOIL = routeOf(new Studio(), { routeId: 'foil@1' });

const entry = (minutes: number | null, more: Partial<Hours> = {}): Hours => ({
  personId: 'a',
  panelId: 'p',
  stage: 'cutting',
  startedAt: 0,
  endedAt: minutes === null ? null : minutes * 60_000,
  byHand: false,
  note: '',
  rateCentsPerHour: 4200,
  removed: false,
  ...more,
});

it('a clock counts up to now, a removed entry nothing', () => {
  expect([
    minutesOf(entry(90), 0),
    minutesOf(entry(null), 600_000),
    minutesOf(entry(90, { removed: true }), 0),
  ]).toEqual([90, 10, 0]);
});
it('money is minutes at the rate of the person', () => expect(costOf(entry(90), 0)).toBe(6300));
it('sums by stage', () => {
  const sums = sumByStage([entry(60), entry(30), entry(20, { stage: 'grinding' }), entry(500, { removed: true })], 0);
  expect([...sums]).toEqual([
    ['cutting', { minutes: 90, cents: 6300 }],
    ['grinding', { minutes: 20, cents: 1400 }],
  ]);
});
it('shares time over pieces by their length of edge; the shares add up', () => {
  const shares = sharedByLength(60, [
    { number: 1, perimeterMm: 100 },
    { number: 2, perimeterMm: 200 },
  ]);
  expect([...shares.values()]).toEqual([20, 40]);
  expect([
    ...sharedByLength(10, [
      { number: 1, perimeterMm: 0 },
      { number: 2, perimeterMm: 0 },
    ]).values(),
  ]).toEqual([5, 5]);
});

it('time by piece: each stage over the pieces that went through it, drawing over all; nothing is lost', () => {
  const pieces = [
    { number: 1, perimeterMm: 100, stage: 'ground' as const, recuts: 0 },
    { number: 2, perimeterMm: 300, stage: 'cut' as const, recuts: 0 },
    { number: 3, perimeterMm: 100, stage: 'to-cut' as const, recuts: 0 },
    { number: 4, perimeterMm: 100, stage: 'to-cut' as const, recuts: 1 },
  ];
  const hours = [entry(50), entry(7, { stage: 'grinding' }), entry(60, { stage: 'design' })];
  const by = minutesByPiece(hours, FOIL, pieces, 0);
  expect([...by.values()]).toEqual([10 + 7 + 10, 30 + 30, 10, 10 + 10]);
  expect([...by.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(117, 9);
});

it('what a panel took: hours at their rate, glass by its price, the glass in hand where it is smaller, breaks apart', () => {
  const piece = (stage: string, areaMm2: number, glassId: string | null, glassMm2: number | null = null) => ({
    stage,
    areaMm2,
    glassId,
    glassMm2,
    backGlassId: null,
    backFrom: null,
  });
  const pieces = [
    piece('to-cut', 90_000, 'g'),
    piece('cut', 100_000, 'g'),
    piece('foiled', 50_000, 'h'),
    piece('cut', 200_000, 'g', 150_000),
    piece('cut', 10_000, null),
  ];
  const hours = [entry(90), entry(null, { startedAt: 0 }), entry(600, { removed: true })];
  // 1.5 h and 0.5 h at 42.00; 0.25 m² at 100.00 and 0.05 m² at 60.00.
  expect(
    panelSum(
      hours,
      [{ glassCents: 120 }, { glassCents: 80 }],
      pieces,
      (id) => (id === 'g' ? 10_000 : 6000),
      30 * 60_000,
    ),
  ).toEqual({ minutes: 120, labourCents: 8400, begun: 4, glassCents: 2800, breaks: 2, lostCents: 200 });
  // Of two glasses that behind counts once it is cut: 0.1 m² at 60.00; one like the front, 0.05 m² at 60.00.
  const pressed = [
    { ...piece('both-cut', 100_000, 'g'), backGlassId: 'h', backFrom: 'S2' },
    { ...piece('to-cut', 50_000, 'h'), backFrom: 'S2' },
    { ...piece('cut', 80_000, null), backGlassId: 'h' },
  ];
  expect(panelSum([], [], pressed, (id) => (id === 'g' ? 10_000 : 6000), 0).glassCents).toBe(1000 + 600 + 300);
});
