import { describe, expect, it } from 'vitest';
import { measureProblem, snapProblem } from './importEntries.ts';

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
