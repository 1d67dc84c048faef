import { expect, it } from 'vitest';
import { materialsFindingWords } from './index.ts';

it('every finding is one sentence that says what to do', () => {
  for (const [finding, words] of [
    [{ code: 'foil-too-narrow', overlapMm: 1.1 }, /1\.1 mm; wind it twice/],
    [{ code: 'overlap-too-small', overlapMm: 0.35 }, /0\.35 mm will not hold/],
    [{ code: 'heavy', totalG: 5230 }, /5\.2 kg; hang it by a frame/],
    [{ code: 'flat-spread', spreadDeg: 20 }, /^At 20° .*steeper\.$/],
  ] as const)
    expect(materialsFindingWords(finding, 'mm')).toMatch(words);
});
