import { expect, it } from 'vitest';
import { hangingFindingWords, playWords, stiffeningWords } from './index.ts';

it('every finding of a hanging says what cures it', () => {
  for (const [finding, words] of [
    [{ code: 'ring-on-nothing', at: [0, 0] }, /Move it to where a seam ends/],
    [{ code: 'one-sided' }, /beyond the middle/],
    [{ code: 'rings-low' }, /Set them higher/],
    [{ code: 'hangs-askew', tiltDeg: 2.34, leftDown: false }, /2\.3° askew, the right side low/],
    [{ code: 'seams-few', perRingN: 24.6, wanted: 3, there: 1 }, /25 N, and one seam ends there; run wire .* 3 seams/],
    [{ code: 'wire-thin', pullN: 300 }, /frame/],
  ] as const)
    expect(hangingFindingWords(finding)).toMatch(words);
});
it('what keeps it flat is said in sentences', () => {
  const words = stiffeningWords(
    {
      isFramed: true,
      bars: [{ y: 400, overLinesMm: 300, lengthMm: 400, crosses: [3, 4] }],
      hinges: [{ from: [0, 0], to: [400, 0], lengthMm: 400, isHeld: false }],
    },
    'mm',
  );
  expect(words).toHaveLength(3);
  expect(words[1]).toMatch(/75 % of it lies over lines, and it shows over 3, ?4\./);
  expect(words[2]).toMatch(/^One straight line runs right across/);
});
it('a panel too large says by how much', () => {
  expect(playWords({ leftMm: -0.5, rightMm: -0.5, topMm: 1, bottomMm: 1 }, 'mm')).toMatch(/too wide by 1/);
  expect(playWords({ leftMm: 3, rightMm: 3, topMm: 5, bottomMm: 3 }, 'mm')).toMatch(
    /^It has 3 mm of play left and right/,
  );
});
