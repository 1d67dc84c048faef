import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  count,
  lengthToMm,
  mmToInchFraction,
  priceOfArea,
  readLength,
  readMinutes,
  seededRandom,
  showArea,
  showClock,
  showLength,
  showMinutes,
  showMoney,
  showNumbers,
} from './index.ts';

describe('lengths', () => {
  // 1 in = 25.4 mm exactly: international yard and pound agreement of 1959; CSS Values 4 for px, pt, pc, Q.
  it.each([
    ['1in', 25.4],
    ['72pt', 25.4],
    ['96px', 25.4],
    ['6pc', 25.4],
    ['2.54cm', 25.4],
    ['101.6Q', 25.4],
    ['1ft', 304.8],
    ['420mm', 420],
    ['1.5e2px', 39.6875],
  ])('%s is %d mm', (text, mm) => {
    expect(lengthToMm(text)).toBeCloseTo(mm, 9);
  });
  it.each([
    ['16 1/2 in', 419.1],
    ['23-5/8"', 600.075],
    ['7/32 in', 5.55625],
    ['1/8', 3.175],
  ])('reads the fraction %s', (text, mm) => {
    expect(lengthToMm(text)).toBeCloseTo(mm, 9);
  });
  // Everyday spellings: common practice.
  it.each([
    ['0,5', 0.5],
    [',5 mm', 0.5],
    ['23,5 mm', 23.5],
    ['0,125', 0.125],
    ['23⅝', 600.075],
    ['½"', 12.7],
    ['½', 12.7],
    ['3”', 76.2],
    ['3″', 76.2],
    ["3''", 76.2],
    ['16 1/2 in.', 419.1],
    ['16-1/2"', 419.1],
    ['-5/8', -15.875],
    ['−5⁄8 in', -15.875],
    ['- 5/8', -15.875],
    ['−1 1⁄2 in', -38.1],
    ['1 ft', 304.8],
    ["1'", 304.8],
    ['1’', 304.8],
    ['1\' 2 1/2"', 368.3],
    ['1\'-2 1/2"', 368.3],
    ["1'2½", 368.3],
    ['1 ft 2 in', 355.6],
    ['1 foot 2,5 inches', 368.3],
    ['2 m', 2000],
    ['60cm', 600],
    ['60 Centimetres', 600],
    ['1,5 m', 1500],
    ['420\u00a0mm', 420],
    ['1/2 mm', 0.5],
    ['3 /4 in', 19.05],
    ['12.', 12],
  ])('reads %s', (text, mm) => expect(lengthToMm(text)).toBeCloseTo(mm, 9));
  it.each([
    '1,250',
    '12,345 mm',
    '1.000,5',
    '1,2,3',
    "1' 2 mm",
    "1' 2' 3",
    '1/2/3',
    '1 2',
    '½½',
    '5 °',
    'constructor',
    "''",
    "-'",
  ])('does not guess at “%s”', (text) => expect(readLength(text)).toBeNull());
  it.each(['mm', 'in'] as const)('what is shown in %s and typed again is itself', (unit) => {
    fc.assert(
      fc.property(fc.double({ min: -4000, max: 4000, noNaN: true }), fc.constantFrom(0, 1, 2), (mm, digits) => {
        const shown = showLength(mm, unit, digits);
        const typed = lengthToMm(shown, unit);
        return typed !== null && showLength(typed, unit, digits) === shown;
      }),
    );
    // Where one way to say it gives way to another, chance seldom falls.
    for (let mm = -1.7; mm < 1.7; mm += 0.0005)
      for (const digits of [0, 1, 2]) {
        const shown = showLength(mm, unit, digits);
        expect(showLength(lengthToMm(shown, unit) ?? NaN, unit, digits)).toBe(shown);
      }
  });
  it('no text takes long or throws', () => {
    fc.assert(fc.property(fc.string({ maxLength: 60 }), (text) => [null, 'object'].includes(typeof readLength(text))));
    const begun = performance.now();
    for (const text of [
      '1'.repeat(50_000),
      ' '.repeat(50_000),
      `1${' '.repeat(50_000)}x`,
      "'".repeat(50_000),
      '-'.repeat(50_000),
    ])
      readLength(text);
    expect(performance.now() - begun).toBeLessThan(500);
  });
  it.each(['', 'abc', '12furlongs', '1/0', 'NaN', '--3', '1e999mm', '12 mm mm'])('refuses “%s”', (text) => {
    expect(readLength(text)).toBeNull();
  });
  it('takes a bare number in the unit it is told', () => {
    expect(lengthToMm('10', 'in')).toBe(254);
    expect(lengthToMm('10', 'mm')).toBe(10);
  });
  it('sets 420 mm as 16 9⁄16 in, and whole inches without a fraction', () => {
    expect(mmToInchFraction(420)).toEqual({ negative: false, whole: 16, top: 9, bottom: 16 });
    expect(showLength(420, 'in')).toBe('16 9⁄16 in');
    expect(showLength(254, 'in')).toBe('10 in');
    expect(showLength(3.175, 'in')).toBe('1⁄8 in');
    expect(showLength(419.6, 'mm')).toBe('420 mm');
  });
  it('carries a fraction that rounds up into the next inch', () => {
    expect(showLength(25.39, 'in')).toBe('1 in');
  });
  it('never errs by more than half a part', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 4000, noNaN: true }), (mm) => {
        const f = mmToInchFraction(mm);
        expect(Math.abs((f.whole + f.top / f.bottom) * 25.4 - mm)).toBeLessThanOrEqual(25.4 / 32 + 1e-9);
      }),
    );
  });
});

describe('areas, money and time', () => {
  it('shows small and large areas in fitting units', () => {
    expect(showArea(2640, 'mm')).toBe('26.4 cm²');
    expect(showArea(1_250_000, 'mm')).toBe('1.25 m²');
    expect(showArea(645.16, 'in')).toBe('1 sq in');
    expect(showArea(92_903.04, 'in')).toBe('1 sq ft');
  });
  it('prices an area to the cent', () => {
    expect(priceOfArea(250_000, 9800)).toBe(2450);
    expect(showMoney(123_456, 'GBP', 'en-GB')).toBe('£1,234.56');
  });
  it.each([
    ['90', 90],
    ['1:30', 90],
    ['1h30', 90],
    ['1 h 30', 90],
    ['1.5 h', 90],
    ['45 min', 45],
    ['2h', 120],
  ])('reads %s', (text, minutes) => {
    expect(readMinutes(text)).toBe(minutes);
  });
  it.each(['', 'soon', '1:75', '-5'])('refuses the duration “%s”', (text) => expect(readMinutes(text)).toBeNull());
  it('shows clocks and durations', () => {
    expect(showClock(42.9)).toBe('0:42');
    expect(showClock(725)).toBe('12:05');
    expect(showMinutes(135)).toBe('2 h 15');
    expect(showMinutes(60)).toBe('1 h');
  });
});

describe('numbers of pieces', () => {
  it('folds three in a row into a range and leaves two apart', () => {
    expect(showNumbers([18, 12, 13, 14, 31, 32])).toBe('12–14, 18, 31, 32');
    expect(showNumbers([])).toBe('');
    expect(showNumbers([1, 3, 5, 7], 2)).toBe('1, 3 and 2 more');
  });
  it('counts', () => expect([count(1, 'piece'), count(0, 'piece')]).toEqual(['1 piece', '0 pieces']));
});

it('the seeded row is the same every time and spreads evenly', () => {
  const a = seededRandom(7);
  const b = seededRandom(7);
  const row = Array.from({ length: 4000 }, () => a());
  expect(row.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => b()));
  expect(row.reduce((s, v) => s + v, 0) / row.length).toBeCloseTo(0.5, 1);
});
