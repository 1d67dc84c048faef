import { expect, it } from 'vitest';
import { DEFAULT_ALLOWANCE, borderEdges } from '../sizing/index.ts';
import { borderMarks, hiddenWords, lineWords } from './index.ts';

const opening = { widthMm: 300, heightMm: 400, clearanceMm: 3, coverMm: 8 };

it('names a leaded border from the opening inwards', () => {
  const edges = borderEdges({ ...DEFAULT_ALLOWANCE.lead, outline: 'came-outside' }, opening);
  const marks = borderMarks(edges);
  expect(marks.map((m) => m.name)).toEqual([
    'opening',
    'panel, outside of the came',
    'glass edge at most',
    'glass as cut',
    'sight line',
    'daylight',
  ]);
  expect(marks.map((m) => m.mm)).toEqual([...marks.map((m) => m.mm)].sort((a, b) => a - b));
});

it('a drawing to the edge of the glass has no other edge to be cut to', () => {
  expect(borderMarks(borderEdges(DEFAULT_ALLOWANCE.lead, null)).map((m) => m.name)).toEqual([
    'panel, outside of the came',
    'glass edge',
    'daylight',
  ]);
});

it('without an opening there is no sight line, and nothing is hidden', () => {
  const edges = borderEdges(DEFAULT_ALLOWANCE.foil, null);
  expect(borderMarks(edges).map((m) => m.name)).toEqual(['panel', 'daylight']);
  expect(hiddenWords(edges, 'mm')).toBeNull();
});

it('tells whether the frame hides the border', () => {
  const edges = borderEdges(DEFAULT_ALLOWANCE.lead, opening);
  const at = (hiddenMm: number) => hiddenWords({ ...edges, hiddenMm }, 'mm');
  expect(at(1.25)).toBe('The frame hides the border and 1.25 mm of clear glass.');
  expect(at(0)).toBe('The frame hides the border and 0 mm of clear glass.');
  expect(at(-2)).toBe('2 mm of the border shows beside the frame.');
});

it('what fills a line is said with its fine measures, beside inches in millimetres too', () => {
  expect(lineWords('foil', 5, 0.8, 'mm')).toBe('foil and solder fill a gap of 0.8 mm');
  expect(lineWords('lead', 6, 1.6, 'in')).toBe('came of 1⁄4 in (6 mm) face, 1⁄16 in (1.6 mm) heart');
});
