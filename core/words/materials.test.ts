import { describe, expect, it } from 'vitest';
import { backingWords, holdingWords, materialsFindingWords, solderRateWords } from './index.ts';

it('every finding is one sentence that says what to do', () => {
  for (const [finding, words] of [
    [{ code: 'foil-too-narrow', overlapMm: 1.1 }, /1\.1 mm; wind it twice/],
    [{ code: 'overlap-too-small', overlapMm: 0.35 }, /0\.35 mm will not hold/],
    [{ code: 'heavy', totalG: 5230 }, /5\.2 kg; hang it by a frame/],
    [{ code: 'flat-spread', spreadDeg: 20 }, /^At 20° .*steeper\.$/],
  ] as const)
    expect(materialsFindingWords(finding, 'mm')).toMatch(words);
});

it('strips, pins and diagonals are told as they are set', () => {
  const strip = (lengthMm: number) => ({ from: [0, 0], to: [lengthMm, 0], lengthMm }) as const;
  const none = { first: [], last: [], pinned: 3, cornerDeg: null, diagonalsMm: null };
  expect(holdingWords(none, 'mm')).toEqual([
    'No two straight sides meet here: pin its edge to the drawing as it grows.',
  ]);
  const first = [strip(300), strip(400)];
  expect(
    holdingWords({ first, last: [strip(400)], pinned: 1, cornerDeg: 90.05, diagonalsMm: [500, 500.2] }, 'mm'),
  ).toEqual([
    'Nail two strips first, along 300 mm and 400 mm, square to each other.',
    'When all lies, push 1 strip against it along 400 mm and nail it.',
    '1 side takes no strip: pin it.',
    'Before tacking measure both diagonals: 500 mm each.',
  ]);
  const skew = holdingWords({ first, last: [], pinned: 0, cornerDeg: 59, diagonalsMm: [410, 520] }, 'mm');
  expect(skew[0]).toContain('at 59.0°');
  expect(skew[1]).toContain('410 mm and 520 mm');
});

describe('foil and solder in words', () => {
  it('its back is looked at through each glass', () => {
    const [clear, opal] = [{ hiding: 'clear' }, { hiding: 'opal' }] as const;
    expect(backingWords([])).toMatch(/^Behind opal glass copper-backed/);
    expect(backingWords([null, opal, opal])).toBe(
      'Copper-backed foil will do: its back is seen through no glass of this panel.',
    );
    expect(backingWords([clear])).toBe(
      'Black or silver-backed foil, as the solder will be: its back is seen through the glass.',
    );
    expect(backingWords([clear, { hiding: 'veiled' }, opal])).toBe(
      'Black or silver-backed foil, as the solder will be, for 2 pieces through which its back is seen; copper-backed will do for 1 of opal.',
    );
  });
  it('solder by the metre of seam, or by the joint', () => {
    const edge = { thicknessMm: 3, textureMm: 0, layers: 1 };
    const foil = { stock: '', widthMm: 5, overlapMm: 1, lengthMm: 1, edge, perPiece: [], others: [] };
    const solder = { massG: 63, volumeMm3: 1 };
    expect(solderRateWords({ foil, solder, seamMm: 3000 })).toBe('about 21 g of solder a metre of seam');
    expect(solderRateWords({ foil, solder, seamMm: 0 })).toBe('no seam to solder');
    expect(solderRateWords({ foil: null, solder, seamMm: 3000 })).toMatch(/^about [\d.]+ g of solder a joint$/);
  });
});
