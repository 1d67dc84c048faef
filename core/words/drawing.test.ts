import { describe, expect, it } from 'vitest';
import type { CuttingFinding, PanelFinding } from '../cutting/index.ts';
import {
  cartoonFindingWords,
  crossingsFolded,
  cuttingFindingWords,
  drawingRefusalWords,
  editRefusalWords,
  panelFindingWords,
  scoreWords,
} from './index.ts';

const isSentence = (words: string) => {
  expect(words).toMatch(/^[A-Z0-9“]/);
  expect(words).toMatch(/[.]$/);
  expect(words).not.toMatch(/undefined|NaN|null|\[object/);
};

describe('what was noticed in a drawing', () => {
  it.each([
    [{ kind: 'assumed-mm', count: 1 }, 'millimetres'],
    [{ kind: 'weights-ignored', count: 1 }, '1 weighted curve was'],
    [{ kind: 'weights-ignored', count: 3 }, '3 weighted curves were'],
    [{ kind: 'inked', widthMm: 2.04, count: 12 }, 'about 2 mm wide'],
    [{ kind: 'one-by-one', widthMm: 0.4, count: 36 }, '36 regions'],
    [{ kind: 'shaky', count: 90, toleranceMm: 1.2 }, 'up to 1.2 mm'],
    [{ kind: 'left-out', what: 'dashed lines', count: 4 }, '4 × dashed lines'],
  ] as const)('%j', (finding, part) => {
    const words = cartoonFindingWords(finding, 'mm');
    isSentence(words);
    expect(words).toContain(part);
  });
});

describe('what is hard to cut, each with its remedy', () => {
  const at = [0, 0] as const;
  const FINDINGS: CuttingFinding[] = [
    { kind: 'gone', number: 1 },
    { kind: 'split', number: 1 },
    { kind: 'hole', number: 1, at },
    { kind: 'sharp-point', number: 1, at, degrees: 17.4 },
    { kind: 'inside-curve', number: 1, at, bite: 0.3, grade: 'fussy' },
    { kind: 'inside-curve', number: 1, at, bite: 0.8, grade: 'hard' },
    { kind: 'inside-curve', number: 1, at, bite: 1.8, grade: 'beyond' },
    { kind: 'keyhole', number: 1, at, mouthMm: 2, bulbMm: 20 },
    { kind: 'inside-corner', number: 1, at, radiusMm: 0.6, deep: false },
    { kind: 'inside-corner', number: 1, at, radiusMm: 0.6, deep: true },
    { kind: 'neck', number: 1, at, from: at, to: at, widthMm: 3.2, beyond: false },
    { kind: 'neck', number: 1, at, from: at, to: at, widthMm: 0.3, beyond: true },
    { kind: 'slender', number: 1, ratio: 14.2 },
    { kind: 'narrow', number: 1, widthMm: 4.5, beyond: false },
    { kind: 'narrow', number: 1, widthMm: 1.5, beyond: true },
    { kind: 'little-light', number: 1, daylightMm2: 22 },
  ];
  it.each(FINDINGS)('$kind', (finding) => {
    for (const unit of ['mm', 'in'] as const) isSentence(cuttingFindingWords(finding, unit));
  });
  it('no two of them say the same', () => {
    expect(new Set(FINDINGS.map((f) => cuttingFindingWords(f, 'mm'))).size).toBe(FINDINGS.length);
  });
  it.each<PanelFinding>([
    { kind: 'hinge', at, from: [0, 50], to: [300, 50], lines: [1, 2] },
    { kind: 'wants-bars', at, areaMm2: 350_000, longestMm: 700 },
    { kind: 'too-large', at, number: 12 },
  ])('the panel: $kind', (finding) => {
    isSentence(panelFindingWords(finding, 'mm'));
    isSentence(panelFindingWords(finding, 'in'));
  });
  it('measures are in the words', () => {
    expect(panelFindingWords({ kind: 'hinge', at, from: [0, 50], to: [300, 50], lines: [] }, 'mm')).toContain('300 mm');
    expect(panelFindingWords({ kind: 'too-large', at, number: 12 }, 'mm')).toContain('Piece 12');
    expect(
      cuttingFindingWords({ kind: 'neck', number: 1, at, from: at, to: at, widthMm: 3.2, beyond: false }, 'mm'),
    ).toContain('3.2 mm');
  });
});

describe('why a drawing or a change was not taken', () => {
  const EDITS = [
    'no-such-line',
    'no-such-node',
    'no-such-piece',
    'off-the-panel',
    'splits-nothing',
    'rim-stays',
    'lines-would-cross',
    'number-taken',
    'number-kept',
    'bad-measure',
  ] as const;
  const DRAWINGS = [
    'not-a-drawing',
    'too-large',
    'no-numbers',
    'no-size',
    'nothing-drawn',
    'nothing-closed',
    'too-wide',
    'scribble',
    'tangle',
    'too-many',
    'bad-size',
  ] as const;
  it.each(EDITS)('%s is one plain sentence', (code) => isSentence(editRefusalWords(code)));
  it.each(DRAWINGS)('%s is one plain sentence', (code) => {
    isSentence(drawingRefusalWords(code));
    expect(drawingRefusalWords(code)).toMatch(/^(This|The|No) /);
  });
});

describe('scores', () => {
  it.each([
    [{ kind: 'inside', passes: 1 }, 'inside curve, one run'],
    [{ kind: 'inside', passes: 3 }, 'inside curve in 3 runs, shallow first'],
    [{ kind: 'straight', passes: 1 }, 'straight'],
    [{ kind: 'outside', passes: 1 }, 'outside curve'],
  ] as const)('%j', (score, words) => expect(scoreWords(score)).toBe(words));
});

it('ordinary crossings are one note; a lump of more lines, and a single crossing, are told by themselves', () => {
  const crossing = (...pieces: number[]) => ({ kind: 'many-lines' as const, at: [pieces.length, 1] as const, pieces });
  const [a, b, lump] = [crossing(1, 2, 3, 4), crossing(3, 4, 5), crossing(1, 2, 3, 4, 5, 6)];
  const loose = { kind: 'assumed-mm' as const, count: 1 };
  const { rest, crossings } = crossingsFolded([a, loose, b, lump]);
  expect(rest).toEqual([loose, lump]);
  expect(crossings).toEqual({ words: expect.stringContaining('At 2 joints two lines cross') as string, at: [4, 1] });
  expect(crossingsFolded([a, lump])).toEqual({ rest: [a, lump], crossings: null });
});
