import { describe, expect, it } from 'vitest';
import { CHECK_BAR_MM, paperPages, type PaperKind, type PaperOptions } from '#core/papers';
import { boxOf } from '#core/geometry';
import { doc } from '../../core/test/panels.ts';
import { paperPanel } from '../../core/test/paperPanel.ts';
import { readPdf } from '../test/readPdf.ts';
import { pdfOf } from './pdf.ts';

const PLAIN: PaperOptions = { paper: 'A4', isMirrored: false, isColoured: false, isByGlass: false };
const pdf = async (kind: PaperKind, panel: ReturnType<typeof paperPanel>, options: Partial<PaperOptions> = {}) =>
  readPdf(await pdfOf(paperPages(kind, panel, { ...PLAIN, ...options }), 'test'));
/** Longest way of a line, mm. */
const length = (line: readonly (readonly [number, number])[]) => {
  const { minX, minY, maxX, maxY } = boxOf(line as [number, number][]);
  return Math.hypot(maxX - minX, maxY - minY);
};
const TENTH = 0.1;

/** Two panes beside each other, 120 and 60 mm wide, 150 high. */
const PANES = paperPanel(doc(180, 150, '<rect width="180" height="150"/><path d="M120 0V150"/>'));

describe('a PDF read back by another program', () => {
  it.each([
    ['A4', 210, 297],
    ['A3', 297, 420],
    ['Letter', 215.9, 279.4],
    ['Tabloid', 279.4, 431.8],
  ] as const)(
    'on %s the page, the bar of 100 mm and a known line are true to a tenth of a millimetre',
    async (paper, w, h) => {
      const pages = await pdf('cartoon', PANES, { paper });
      expect(pages).toHaveLength(1);
      const [page] = pages;
      if (!page) throw new Error('no page');
      expect([page.widthMm, page.heightMm].sort((a, b) => a - b)).toEqual([expect.closeTo(w, 1), expect.closeTo(h, 1)]);
      const bars = page.lines.filter((line) => line.length === 2 && Math.abs(length(line) - CHECK_BAR_MM) < TENTH);
      expect(bars).toHaveLength(1);
      const inner = page.lines.filter((line) => line.length === 2 && Math.abs(length(line) - 150) < TENTH);
      expect(inner.length).toBeGreaterThan(0);
      expect(page.words.map(({ words }) => words).join(' ')).toContain('Chapel, Light');
    },
  );

  it('over several pages a line goes on where the page before ends, in the overlap of both', async () => {
    const wide = paperPanel(doc(700, 100, '<rect width="700" height="100"/><path d="M350 0V100"/>'));
    const pages = await pdf('cartoon', wide);
    expect(pages.length).toBeGreaterThan(1);
    // Every page holds the whole line, moved: the same line between two pages is moved by a page less its overlap.
    const middles = pages.flatMap(({ lines }) =>
      lines.filter((l) => l.length === 2 && Math.abs(length(l) - 100) < TENTH && l[0]?.[0] === l[1]?.[0]),
    );
    expect(middles.length).toBeGreaterThan(0);
    for (const page of pages)
      expect(
        page.lines.filter((line) => Math.abs(length(line) - CHECK_BAR_MM) < TENTH && line[0]?.[1] === line[1]?.[1]),
      ).not.toEqual([]);
  });

  it('patterns have the size to which the glass is cut', async () => {
    const pages = await pdf('patterns', PANES);
    const closed = pages.flatMap(({ lines }) => lines).filter((line) => line.length > 4);
    const sizes = closed.map((line) => {
      const { minX, minY, maxX, maxY } = boxOf(line as [number, number][]);
      return [maxX - minX, maxY - minY];
    });
    const cuts = [...PANES.cuts].sort((a, b) => b.areaMm2 - a.areaMm2);
    for (const { widthMm, heightMm } of cuts)
      expect(sizes.some(([w = 0, h = 0]) => Math.abs(w - widthMm) < TENTH && Math.abs(h - heightMm) < TENTH)).toBe(
        true,
      );
  });

  it('every kind of paper is a sound PDF with its words in it', async () => {
    const leaded = paperPanel(doc(180, 150, '<rect width="180" height="150"/><path d="M120 0V150"/>'), 'lead');
    for (const [kind, said] of [
      ['lead', 'Leading plan'],
      ['list', 'S-1 sky'],
      ['bench', 'Bench card'],
      ['labels', 'R-2'],
      ['care', 'Dust it'],
      ['job', 'Bench card'],
    ] as const)
      expect((await pdf(kind, leaded)).flatMap(({ words }) => words.map((one) => one.words)).join(' ')).toContain(said);
  });
});
