import { describe, expect, it } from 'vitest';
import { boxOf, signedArea, type Point } from '../geometry/index.ts';
import type { Texture } from '../stock/index.ts';
import { seededRandom } from '../units/index.ts';
import { doc, paneNet } from '../test/panels.ts';
import { fittingSteps, USUAL_FINISH } from '../finish/index.ts';
import { foilFor, materialsOf } from '../materials/index.ts';
import { DEFAULT_ALLOWANCE } from '../sizing/index.ts';
import { paperPanel, RIPPLE, SKY } from '../test/paperPanel.ts';
import {
  MARGIN_MM,
  materialsWish,
  outlineLayers,
  OVERLAP_MM,
  PAPER_NAMES,
  PAPER_SIZES,
  paperPages,
  paperTable,
  type GroupMark,
  type Mark,
  type Page,
  type PaperOptions,
} from './index.ts';
import { nested } from './nest.ts';
import { wrapped } from './page.ts';

const PLAIN: PaperOptions = { paper: 'A4', isMirrored: false, isColoured: false, isByGlass: false };
const wordsOf = (marks: readonly Mark[]): string[] =>
  marks.flatMap((mark) => (mark.kind === 'text' ? [mark.words] : mark.kind === 'group' ? wordsOf(mark.marks) : []));
/** The corners of a small square. */
const isBox = (ring: readonly Point[]): boolean => {
  const { minX, minY, maxX, maxY } = boxOf(ring);
  return ring.length === 4 && Math.abs(maxX - minX - 4) < 0.01 && Math.abs(maxY - minY - 4) < 0.01;
};
const clip = ({ marks }: Page): GroupMark => {
  const group = marks.find((mark): mark is GroupMark => mark.kind === 'group');
  if (!group) throw new Error('no clip');
  return group;
};
/** What of the drawing a page shows, in the drawing's own coordinates. */
const shows = (page: Page) => {
  const { by, clip: w } = clip(page);
  return { minX: w.minX - by[0], minY: w.minY - by[1], maxX: w.maxX - by[0], maxY: w.maxY - by[1] };
};

describe('a drawing over several pages', () => {
  it.each(PAPER_NAMES)('on %s each spot of it is on a page, and neighbours overlap', (paper) => {
    const random = seededRandom(4);
    for (let k = 0; k < 12; k++) {
      const [w, h] = [60 + Math.round(random() * 1600), 60 + Math.round(random() * 1600)];
      const pages = paperPages('cartoon', paperPanel(doc(w, h, `<rect width="${w}" height="${h}"/>`)), {
        ...PLAIN,
        paper,
      });
      const seen = pages.map(shows);
      for (let i = 0; i <= 20; i++)
        for (let j = 0; j <= 20; j++) {
          const [x, y] = [(w * i) / 20, (h * j) / 20];
          const on = seen.filter(
            (s) => x >= s.minX - 1e-6 && x <= s.maxX + 1e-6 && y >= s.minY - 1e-6 && y <= s.maxY + 1e-6,
          );
          expect(on.length, `${w} × ${h}: ${x}, ${y}`).toBeGreaterThan(0);
        }
      const columns = [...new Set(seen.map(({ minX }) => minX))].sort((a, b) => a - b);
      const wide = (seen[0]?.maxX ?? 0) - (seen[0]?.minX ?? 0);
      columns.slice(1).forEach((x, i) => expect((columns[i] ?? 0) + wide - x).toBeCloseTo(OVERLAP_MM, 6));
      for (const { widthMm, heightMm } of pages) {
        const size: { widthMm: number; heightMm: number | null } = PAPER_SIZES[paper];
        expect([widthMm, heightMm]).toContain(size.widthMm);
        if (size.heightMm !== null) expect([widthMm, heightMm]).toContain(size.heightMm);
      }
    }
  });

  it('of a piece of two glasses there are two patterns and two labels: 1a and 1b, each with its glass', () => {
    const panel = paperPanel(paneNet(2, 2, 60));
    const two = { ...panel, pieces: panel.pieces.map((piece) => ({ ...piece, glass: SKY, back: RIPPLE })) };
    for (const kind of ['patterns', 'labels'] as const) {
      const said = paperPages(kind, two, PLAIN).flatMap(({ marks }) => wordsOf(marks));
      for (const name of ['1a', '1b', '4a', '4b']) expect(said.filter((one) => one === name)).toHaveLength(1);
      expect(said).not.toContain('1');
    }
  });

  it('no more pages than either way of turning the paper asks for', () => {
    // 400 × 150 on A4 on its side: 277 mm wide, so two pages; upright it would take three.
    const pages = paperPages('cartoon', paperPanel(doc(400, 150, '<rect width="400" height="150"/>')), PLAIN);
    expect(pages.map(({ name }) => name)).toEqual(['A1', 'B1']);
    expect(pages[0]).toMatchObject({ widthMm: 297, heightMm: 210 });
  });

  it('seen from the back it is mirrored, and its numbers are not', () => {
    const panel = paperPanel(doc(100, 60, '<rect width="100" height="60"/><path d="M30 0V60"/>'));
    const at = (isMirrored: boolean, number: string): Point => {
      const [page] = paperPages('cartoon', panel, { ...PLAIN, isMirrored });
      const mark = page && clip(page).marks.find((one) => one.kind === 'text' && one.words === number);
      if (mark?.kind !== 'text') throw new Error('no number');
      return mark.at;
    };
    expect(at(false, '1')[0] + at(true, '1')[0]).toBeCloseTo(100, 6);
    expect(at(false, '1')[1]).toBeCloseTo(at(true, '1')[1], 6);
  });
});

describe('patterns', () => {
  const net = paperPanel(paneNet(6, 7, 40, { curved: true, jitterMm: 4 }));
  const outlines = (pages: readonly Page[]) =>
    pages.flatMap(({ marks }) =>
      marks.flatMap((m) => (m.kind === 'path' && m.isClosed && m.fill === null ? [m.rings] : [])),
    );

  it.each([false, true])('each piece once, at its cut size, within the page (each glass alone: %s)', (isByGlass) => {
    const pages = paperPages('patterns', net, { ...PLAIN, isByGlass });
    const drawn = outlines(pages).map((rings) => Math.abs(rings.reduce((sum, ring) => sum + signedArea(ring), 0)));
    const cut = net.cuts.map(({ areaMm2 }) => areaMm2);
    const sorted = (list: number[]) => [...list].sort((a, b) => a - b);
    expect(drawn).toHaveLength(cut.length);
    sorted(drawn).forEach((mm2, i) => expect(mm2).toBeCloseTo(sorted(cut)[i] ?? 0, 4));
    for (const { widthMm, heightMm, marks } of pages)
      for (const mark of marks)
        if (mark.kind === 'path') {
          const { minX, minY, maxX, maxY } = boxOf(mark.rings.flat());
          expect(Math.min(minX, minY)).toBeGreaterThanOrEqual(MARGIN_MM - 1e-6);
          expect(maxX).toBeLessThanOrEqual(widthMm - MARGIN_MM + 1e-6);
          expect(maxY).toBeLessThanOrEqual(heightMm - MARGIN_MM + 1e-6);
        }
    if (isByGlass) expect(wordsOf(pages.flatMap(({ marks }) => marks)).filter((w) => w === 'S-1  sky')).not.toEqual([]);
  });

  it('only of rough glass turned over, and it says so', () => {
    const even = paperPanel(paneNet(4, 4, 40));
    const count = (isMirrored: boolean) =>
      wordsOf(paperPages('patterns', even, { ...PLAIN, isMirrored }).flatMap(({ marks }) => marks)).filter((w) =>
        w.endsWith('-2 turned over'),
      ).length;
    expect(count(false)).toBe(0);
    expect(count(true)).toBe(even.pieces.filter(({ glass }) => glass?.texture !== null && glass !== null).length);
  });

  it('a piece larger than the page has pages of its own, with its number in the head', () => {
    const large = paperPanel(doc(500, 500, '<rect width="500" height="500"/><path d="M400 0V500"/>'));
    const pages = paperPages('patterns', large, PLAIN);
    expect(pages.length).toBeGreaterThan(4);
    expect(wordsOf(pages[0]?.marks ?? [])).toContain('Pattern of 1');
  });
});

describe('rectangles on pages', () => {
  it('lie beside each other within their page, on few more pages than their area asks for', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const page = { wide: 100, high: 150 };
      const sizes = Array.from({ length: 80 }, () => ({ wide: 4 + random() * 40, high: 4 + random() * 60 }));
      const places = nested(sizes, page);
      const boxes = places.map(({ page: on, x, y }, i) => ({ on, x, y, ...(sizes[i] ?? { wide: 0, high: 0 }) }));
      for (const [i, a] of boxes.entries()) {
        expect(a.x + a.wide).toBeLessThanOrEqual(page.wide + 1e-6);
        expect(a.y + a.high).toBeLessThanOrEqual(page.high + 1e-6);
        for (const b of boxes.slice(i + 1)) {
          const isApart =
            a.on !== b.on ||
            a.x + a.wide <= b.x + 1e-6 ||
            b.x + b.wide <= a.x + 1e-6 ||
            a.y + a.high <= b.y + 1e-6 ||
            b.y + b.high <= a.y + 1e-6;
          expect(isApart).toBe(true);
        }
      }
      const least = sizes.reduce((sum, { wide, high }) => sum + wide * high, 0) / (page.wide * page.high);
      expect(Math.max(...places.map((p) => p.page)) + 1).toBeLessThanOrEqual(Math.ceil(least * 1.35));
    }
    expect(() => nested([{ wide: 200, high: 1 }], { wide: 100, high: 100 })).toThrow('larger than a page');
  });
});

describe('the other papers', () => {
  const leaded = paperPanel(paneNet(4, 5, 40), 'lead');
  it('the leading plan lists every came once, in the order of the steps', () => {
    const words = wordsOf(paperPages('lead', leaded, PLAIN).flatMap(({ marks }) => marks));
    const { plan } = leaded.lead ?? { plan: null };
    expect(words.filter((w) => /^\d+(\.\d)? mm$/.test(w)).length).toBeGreaterThanOrEqual(plan?.runs.length ?? Infinity);
    expect(paperPages('lead', paperPanel(paneNet(2, 2, 40)), PLAIN)).toEqual([]);
  });
  it('as tables: every came with its length, every piece with its cut size', () => {
    const { lead } = leaded;
    const cames = paperTable('lead', leaded).rows;
    expect(cames.map((row) => row[3])).toEqual(
      lead?.plan.order.flatMap(({ runs }) =>
        runs.map((run) => Number((lead.plan.runs[run]?.lengthMm ?? 0).toFixed(2))),
      ),
    );
    const pieces = paperTable('labels', leaded).rows;
    expect(pieces.map((row) => [row[0], row[6]])).toEqual(
      leaded.pieces.map(({ number }) => [
        number,
        Number((leaded.cuts.find((cut) => cut.number === number)?.areaMm2 ?? 0).toFixed(2)),
      ]),
    );
    expect(paperTable('list', leaded).rows[0]).toEqual(['S-1 sky', '0.2 m²', '1 m²', '', '']);
  });
  it('the fitting sheet has a box for each step, the play, and what to take along; long ones go over pages', () => {
    const panel = paperPanel(paneNet(4, 5, 60), 'lead');
    const finish = {
      ...USUAL_FINISH,
      hold: 'fitted' as const,
      place: 'door' as const,
      bars: [150],
      hasOuterGlass: true,
    };
    const opening = { widthMm: 260, heightMm: 320, clearanceMm: 2, coverMm: 8 };
    const pages = paperPages('fitting', { ...panel, finish, opening }, PLAIN);
    const words = wordsOf(pages.flatMap(({ marks }) => marks)).join(' ');
    const steps = fittingSteps(finish);
    for (const [i, step] of steps.entries())
      expect(words).toContain(`${i + 1}  ${step.says.split(' ').slice(0, 4).join(' ')}`);
    expect(words).toMatch(/Opening 260 mm × 320 mm: .* left and right/);
    expect(words).toContain('safety-glazing rules');
    expect(words).toContain('150 mm from the top');
    const boxes = pages
      .flatMap(({ marks }) => marks)
      .filter((mark) => mark.kind === 'path' && isBox(mark.rings[0] ?? []));
    expect(boxes).toHaveLength(steps.length);
    const small = paperPages('fitting', { ...panel, finish, opening }, { ...PLAIN, paper: 'Letter' });
    for (const { marks, heightMm } of [...pages, ...small])
      for (const mark of marks) if (mark.kind === 'text') expect(mark.at[1]).toBeLessThan(heightMm);
  });
  it('each glass is told with the pieces that are of it; a heavier texture stands out, a plate doubles', () => {
    const glass = (thicknessMm: number, texture: Texture) => ({ thicknessMm, texture });
    const pieces = [glass(3, 'smooth'), glass(3, 'drapery'), null, glass(2, 'smooth'), glass(3, 'drapery')];
    const wish = (more = {}) =>
      materialsWish(
        DEFAULT_ALLOWANCE.foil,
        pieces.map((one, i) => ({ number: i + 1, glass: one })),
        more,
      );
    expect(wish().thicknessMm).toBe(3);
    expect(wish().kinds).toEqual([
      { thicknessMm: 3, textureMm: 0.6, layers: 1, numbers: [2, 5] },
      { thicknessMm: 2, textureMm: 0, layers: 1, numbers: [4] },
    ]);
    expect(wish({ plated: [1] }).kinds?.[0]).toEqual({ thicknessMm: 3, textureMm: 0, layers: 2, numbers: [1] });
    expect(wish({ layers: 2 }).kinds?.every(({ layers }) => layers === 2)).toBe(true);
    // A foil one step wider goes round it: 1/4 in instead of 7/32 in (common practice).
    expect([foilFor(3, 1.2).stock, foilFor(3.6, 1.2).stock]).toEqual(['7/32 in', '1/4 in']);
    expect(materialsWish(DEFAULT_ALLOWANCE.foil, []).thicknessMm).toBe(3);
  });
  it('what the shelf holds stands in the list, with what to buy of it', () => {
    const spool = { id: 's', kind: 'solder', name: 'Spool', sort: '60/40', code: 'T 4' } as const;
    const supplies = [{ ...spool, packAmount: 5, packCents: 100, amount: 1, low: 0, place: '', learnt: {} }];
    const wish = materialsWish(leaded.allowance, []);
    const rows = paperTable('list', { ...leaded, supplies, materials: materialsOf(leaded.cartoon, wish) }).rows;
    const row = rows.find(([what]) => String(what).startsWith('Spool (T 4)'));
    expect(row?.[2]).toBe('1 g');
    expect(row?.[3]).toMatch(/^\d+ × 5 g$/);
  });
  it('the bench card has a code for each clock, apart from each other and inside the page, with its word below', () => {
    const [page] = paperPages('bench', leaded, PLAIN);
    const codes = (page?.marks ?? []).flatMap((mark) => (mark.kind === 'code' ? [mark] : []));
    expect(codes.map((mark) => mark.text)).toEqual([leaded.code, ...leaded.clocks.map(({ code }) => code)]);
    codes.forEach(({ at: [x, y], sizeMm }, i) => {
      expect(x + sizeMm).toBeLessThan(page?.widthMm ?? 0);
      // A scanner needs white between two codes: 3 mm at the least.
      for (const other of codes.slice(i + 1)) {
        const apart = Math.max(other.at[0] - x - sizeMm, x - other.at[0] - other.sizeMm, other.at[1] - y - sizeMm);
        expect(apart).toBeGreaterThanOrEqual(3);
      }
    });
    for (const { word } of leaded.clocks) expect(wordsOf(page?.marks ?? [])).toContain(word);
  });
  it('a label for every tray, sheet and piece', () => {
    const trays = { ...leaded, pieces: leaded.pieces.map((piece, i) => ({ ...piece, section: i < 3 ? 'B' : null })) };
    const said = wordsOf(paperPages('labels', trays, PLAIN).flatMap(({ marks }) => marks));
    expect(said).toContain('Tray B');
    expect(said).toContain('3 pieces');
    const words = wordsOf(paperPages('labels', leaded, PLAIN).flatMap(({ marks }) => marks));
    for (const { number } of leaded.pieces) expect(words).toContain(String(number));
  });
  it('the care card of leaded work warns of lead, that of foil of its rings', () => {
    const said = (technique: 'foil' | 'lead') =>
      wordsOf(paperPages('care', paperPanel(paneNet(2, 2, 40), technique), PLAIN).flatMap(({ marks }) => marks)).join(
        ' ',
      );
    expect(said('lead')).toMatch(/Wash your hands .* local rules/);
    expect(said('foil')).toContain('hangs from its rings');
  });
  it('long words are broken into lines, each within its room as far as letters go', () => {
    const lines = wrapped('one two three four five six seven', 4, 30);
    expect(lines.length).toBeGreaterThan(1);
    expect(lines.join(' ')).toBe('one two three four five six seven');
    expect(wrapped('', 4, 30)).toEqual(['']);
  });
});

describe('outlines for a plotter', () => {
  const panel = paperPanel(doc(200, 100, '<rect width="200" height="100"/><path d="M80 0V100"/>'));
  it('one layer a glass; a kerf makes each larger by half of it on every side', () => {
    const plain = outlineLayers(panel, { kerfMm: 0, arranged: 'panel' });
    const grown = outlineLayers(panel, { kerfMm: 1, arranged: 'panel' });
    expect(plain.map(({ name }) => name)).toEqual(['R-2', 'no glass']);
    const sizes = (layers: typeof plain) =>
      layers
        .flatMap(({ pieces }) => pieces.map(({ rings }) => boxOf(rings.flat())))
        .map((b) => [b.maxX - b.minX, b.maxY - b.minY]);
    sizes(plain).forEach(([w = 0, h = 0], i) => {
      expect(sizes(grown)[i]?.[0]).toBeCloseTo(w + 1, 3);
      expect(sizes(grown)[i]?.[1]).toBeCloseTo(h + 1, 3);
    });
  });
  it('in rows none lies on another', () => {
    const layers = outlineLayers(paperPanel(paneNet(6, 6, 90)), { kerfMm: 0.5, arranged: 'rows' });
    const boxes = layers.flatMap(({ pieces }) => pieces.map(({ rings }) => boxOf(rings.flat())));
    expect(boxes).toHaveLength(36);
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        expect(a.maxX <= b.minX || b.maxX <= a.minX || a.maxY <= b.minY || b.maxY <= a.minY).toBe(true);
      }),
    );
  });
});
