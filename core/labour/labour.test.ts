import { expect, it } from 'vitest';
import { routeOf, Studio, type Hours } from '../bench/index.ts';
import { costOf, minutesByPiece, minutesOf, sharedByLength, sumByStage } from './index.ts';

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
