import { describe, expect, it } from 'vitest';
import { finished, stepThrough } from './pastLines.ts';

describe('lines before', () => {
  const lines = ['1 cut', '2 cut', '3 cut'];
  it('arrow up goes back and stays at the first; down comes back to what is being written', () => {
    expect(stepThrough(lines, null, -1)).toBe(2);
    expect(stepThrough(lines, 2, -1)).toBe(1);
    expect(stepThrough(lines, 0, -1)).toBe(0);
    expect(stepThrough(lines, 1, 1)).toBe(2);
    expect(stepThrough(lines, 2, 1)).toBeNull();
    expect(stepThrough([], null, -1)).toBeNull();
  });
});
describe('what is typed is finished', () => {
  const offered = ['cut', 'ground', 'foiled', 'broke', 'recut', 'return', 'glass'];
  it.each([
    ['12 gro', '12 ground '],
    ['12 g', null],
    ['12 re', null],
    ['12 ret', '12 return '],
    ['12 FOI', '12 foiled '],
    ['12 ', null],
    ['12 x', null],
  ])('%s', (line, end) => expect(finished(line, offered)).toBe(end));
  it('as far as all of them are alike', () => expect(finished('12 s', ['slate-1', 'slate-2'])).toBe('12 slate-'));
});
