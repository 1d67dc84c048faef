import { describe, expect, it } from 'vitest';
import { asPlanned, measureProblem, sizeWonder, snapProblem } from './importEntries.ts';

describe('what is typed beside a drawing', () => {
  it.each(['', '  ', '420', '16 1/2 in', '3200', '0.01'])('%j is a measure, or none', (text) => {
    expect(measureProblem(text, 'mm')).toBeNull();
  });
  it.each(['0', '-4', 'wide', '3201', '126 in'])('%j is none', (text) => {
    expect(measureProblem(text, 'mm')).toMatch(/above 0/);
  });
  it('a measure without a unit is in the studio’s', () => {
    expect(measureProblem('120', 'in')).toBeNull();
    expect(measureProblem('127', 'in')).not.toBeNull();
  });
  it('ends are joined up to 20 mm, and not at all at 0', () => {
    expect(['', '0', '20', '0.8'].map((text) => snapProblem(text, 'mm'))).toEqual([null, null, null, null]);
    for (const text of ['20.1', '-0.1', 'x']) expect(snapProblem(text, 'mm')).toBe('A length from 0 to 20 mm.');
  });
});

describe('the size of a drawing', () => {
  const planned = { widthMm: 420, heightMm: 560 };
  const sized = (k: number) => ({ widthMm: 420 * k, heightMm: 560 * k });
  it.each([
    [sized(1), true, null],
    [sized(2.4), true, null],
    [sized(2.6), true, 'far-off'],
    [sized(0.39), true, 'far-off'],
    [sized(1), false, 'none'],
  ])('%j, with a unit %s', (drawn, physical, wonder) => {
    expect(sizeWonder(drawn, planned, { physical })).toBe(wonder);
    // A drawing that was changed here has the size that was said of it.
    expect(sizeWonder(drawn, planned, undefined)).toBeNull();
  });
  it('what was planned is offered by the side that keeps within it, and the other side told where it differs', () => {
    expect(asPlanned({ widthMm: 3, heightMm: 4 }, planned)).toEqual({ side: 'width', mm: 420, other: null });
    expect(asPlanned({ widthMm: 3, heightMm: 3 }, planned)).toEqual({
      side: 'width',
      mm: 420,
      other: { isMm: 420, plannedMm: 560 },
    });
    expect(asPlanned({ widthMm: 1, heightMm: 4 }, planned)).toEqual({
      side: 'height',
      mm: 560,
      other: { isMm: 140, plannedMm: 420 },
    });
    expect(asPlanned(null, planned)).toMatchObject({ side: 'width', mm: 420 });
  });
});
