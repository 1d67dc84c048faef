import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { cuttability } from '../cutting/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { doc } from '../test/panels.ts';
import { pointAt, seededRandom } from '../units/index.ts';
import type { Point } from '../geometry/index.ts';
import {
  borderEdges,
  cameBands,
  misfitOf,
  drawnSize,
  innerKeeps,
  outerLines,
  outsideOf,
  rimCode,
  rimKeeps,
  sightLine,
  cutOutlines,
  DEFAULT_ALLOWANCE,
  outsideOfOutline,
  panelInOpening,
  readProfile,
  worstGrowth,
  type LineAllowance,
  finishedSize,
  fitsInto,
} from './index.ts';

function cuts(source: string, allowance: LineAllowance) {
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return cutOutlines(reading.cartoon, allowance);
}
const minus = ([ax, ay]: Point, [bx, by]: Point): Point => [ax - bx, ay - by];
/** Nine panes of 100 mm: one in the middle, four at the sides, four in the corners. */
const NINE = doc(300, 300, '<rect width="300" height="300"/><path d="M100 0V300M200 0V300M0 100H300M0 200H300"/>');

describe('cut outlines', () => {
  // Foil: half of the 0.8 mm gap off each inner side; the rim is the edge of the glass and stays.
  it('foil: inner sides move in by half the gap, the rim does not', () => {
    const areas = cuts(NINE, DEFAULT_ALLOWANCE.foil).map((c) => c.areaMm2);
    expect(areas[4]).toBeCloseTo(99.2 * 99.2, 2);
    expect(areas[0]).toBeCloseTo(99.6 * 99.6, 2);
    expect(areas[1]).toBeCloseTo(99.2 * 99.6, 2);
  });
  it('lead: half the heart and the play on each came', () => {
    const each = 1.6 / 2 + 0.25;
    expect(cuts(NINE, DEFAULT_ALLOWANCE.lead)[4]?.areaMm2).toBeCloseTo((100 - 2 * each) ** 2, 2);
  });
  it('an outline that is the outside of the border came costs (face + heart)/2 and the play', () => {
    const rim = (6 + 1.6) / 2 + 0.25;
    const corner = cuts(NINE, { ...DEFAULT_ALLOWANCE.lead, outline: 'came-outside' })[0];
    expect(corner?.areaMm2).toBeCloseTo((100 - rim - 1.05) ** 2, 2);
    expect(corner?.widthMm).toBeCloseTo(100 - rim - 1.05, 3);
  });
  // A triangle drawn in by d keeps its shape: A·(1 − d/r)² is left of it, r the radius of its incircle; nothing from d = r on.
  it('300 small triangles in a panel: cut and daylight are what is left of them, eaten whole they are gone', () => {
    const random = seededRandom(11);
    const lead = DEFAULT_ALLOWANCE.lead;
    const left = (area: number, r: number, d: number) => (d < r ? area * (1 - d / r) ** 2 : 0);
    let [gone, dark] = [0, 0];
    for (let i = 0; i < 300; i++) {
      const sizeMm = 2 + 14 * random();
      const turn = 2 * Math.PI * random();
      const corner = (angle: number): Point => {
        const mm = sizeMm * (0.4 + 0.6 * random());
        return [Number((50 + mm * Math.cos(angle)).toFixed(4)), Number((50 + mm * Math.sin(angle)).toFixed(4))];
      };
      const [a, b, c] = [corner(turn), corner(turn + 1.6 + random()), corner(turn + 3.6 + random())];
      const corners = [a, b, c];
      const area = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) / 2;
      const sides = corners.map((p, k) => Math.hypot(...minus(p, pointAt(corners, (k + 1) % 3))));
      const r = (2 * area) / sides.reduce((sum, mm) => sum + mm, 0);
      // Next to nothing drawn, the reader heals it away: another matter.
      if (area < 2) continue;
      const drawn = corners.map((p) => p.join(' ')).join('L');
      const all = cuts(doc(100, 100, `<rect width="100" height="100"/><path d="M${drawn}Z"/>`), lead);
      const cut = all.find((one) => one.areaMm2 < 5000);
      expect(all).toHaveLength(2);
      expect(Math.abs((cut?.areaMm2 ?? NaN) - left(area, r, 1.05))).toBeLessThan(0.02);
      expect(Math.abs((cut?.daylightMm2 ?? NaN) - left(area, r, 3))).toBeLessThan(0.02);
      const kinds = cut ? cuttability(cut).findings.map((f) => f.kind) : [];
      expect(kinds.includes('gone')).toBe(r <= 1.05);
      expect(kinds.includes('little-light')).toBe(r > 1.05 && left(area, r, 3) < DEFAULT_LIMITS.leastDaylightMm2);
      if (r <= 1.05) gone++;
      else if (r <= 3) dark++;
    }
    expect(gone).toBeGreaterThan(20);
    expect(dark).toBeGreaterThan(60);
  });
  it('what the lines eat is told, not dropped', () => {
    const sliver = cuts(
      doc(100, 100, '<rect width="100" height="100"/><path d="M0 50H100M0 51.5H100"/>'),
      DEFAULT_ALLOWANCE.lead,
    );
    expect(sliver).toHaveLength(3);
    expect(cuttability(sliver[1] as (typeof sliver)[number])).toMatchObject({
      difficulty: 5,
      findings: [{ kind: 'gone' }],
    });
  });
});

describe('what is hard to cut', () => {
  const judge = (body: string, index = 0) =>
    cuttability(
      cuts(doc(200, 200, body), { ...DEFAULT_ALLOWANCE.foil, gapMm: 0 })[index] as ReturnType<typeof cuts>[number],
    );
  it('a square is steady', () =>
    expect(judge('<rect width="60" height="60"/>')).toEqual({ number: 1, difficulty: 1, findings: [] }));
  it('a point of 20° is measured as such', () => {
    const x = 100 / (2 * Math.tan((10 * Math.PI) / 180));
    const [finding] = judge(`<path d="M0 0L${x / 2} 25L0 50Z" transform="translate(5 5)"/>`).findings;
    expect(finding).toMatchObject({ kind: 'sharp-point' });
    expect(finding?.kind === 'sharp-point' && finding.degrees).toBeCloseTo(20, 0);
  });
  it('an inside curve: depth ÷ the opening over its mouth; a flat one is steady, a deep one hard', () => {
    const bite = (depth: number) =>
      judge(
        `<path d="M0 0H100V60H0V55A1 1 0 0 0 0 5Z" transform="translate(20 0)"/>`.replace(
          'A1 1 0 0 0 0 5',
          `Q${2 * depth} 30 0 5`,
        ),
      ).findings.find((f) => f.kind === 'inside-curve');
    expect(bite(20)).toMatchObject({ grade: 'fussy' });
    expect(bite(20)?.kind === 'inside-curve' && (bite(20) as { bite: number }).bite).toBeCloseTo(20 / 50, 1);
    expect(bite(35)).toMatchObject({ grade: 'hard' });
    expect(bite(8)).toBeUndefined();
  });
  it('a strip, a speck and a ring', () => {
    expect(judge('<rect width="190" height="8"/>').findings.map((f) => f.kind)).toEqual(['slender']);
    expect(judge('<rect width="6.2" height="6.2"/>').findings.map((f) => f.kind)).toEqual(['little-light']);
    expect(judge('<rect width="90" height="90"/><rect x="30" y="30" width="30" height="30"/>').difficulty).toBe(5);
  });
});

describe('profiles of single lines', () => {
  it.each([
    ['h8', { kind: 'H', faceMm: 8, metal: 'lead', isRound: false }],
    ['U6', { kind: 'U', faceMm: 6, metal: 'lead', isRound: false }],
    ['u10 zinc', { kind: 'U', faceMm: 10, metal: 'zinc', isRound: false }],
    [' H6.5  Brass Round ', { kind: 'H', faceMm: 6.5, metal: 'brass', isRound: true }],
    ['h10 round', { kind: 'H', faceMm: 10, metal: 'lead', isRound: true }],
    ['h6 round zinc', null],
    ['u6 tin', null],
    ['f1.2 zinc', null],
    ['f1.2', { kind: 'foil', gapMm: 1.2 }],
    ['h99', null],
    ['x3', null],
    ['', null],
  ])('%s', (code, profile) => expect(readProfile(code)).toEqual(profile));
  it('edges of one piece move in by different amounts', () => {
    const reading = readCartoon(NINE);
    if ('refusal' in reading) throw new Error(reading.refusal);
    const { cartoon } = reading;
    const middle = cartoon.pieces[4] as (typeof cartoon.pieces)[number];
    const [line] = middle.rings[0] as readonly number[];
    const profiles = cartoon.map.lines.map((_, i) => (i === (line as number) || i === ~(line as number) ? 'f3' : null));
    const cut = cutOutlines({ ...cartoon, profiles }, DEFAULT_ALLOWANCE.foil)[4];
    expect(cut?.areaMm2).toBeCloseTo((100 - 0.4 - 1.5) * 99.2, 1);
  });
  it('daylight is what half a seam leaves on each side', () => {
    expect(cuts(NINE, DEFAULT_ALLOWANCE.foil)[4]?.daylightMm2).toBeCloseTo(95 * 95, 1);
    expect(cuts(NINE, DEFAULT_ALLOWANCE.lead)[4]?.daylightMm2).toBeCloseTo(94 * 94, 1);
  });
});

describe('borders', () => {
  const lead: LineAllowance = { ...DEFAULT_ALLOWANCE.lead, outline: 'came-outside' };
  const opening = { widthMm: 500, heightMm: 800, clearanceMm: 3, coverMm: 8 };
  it('panel = opening − 2 × clearance', () => {
    expect(panelInOpening(opening)).toEqual({ widthMm: 494, heightMm: 794 });
  });
  // H border: glass edge = outside − (w + h)/2 = (6 + 1.6)/2; cut a play of 0.25 further in.
  it('names every edge one behind the other', () => {
    const edges = borderEdges(lead, opening);
    expect(edges).toMatchObject({ openingMm: 0, panelMm: 3, sightMm: 8 });
    expect(edges.glassMm).toBeCloseTo(3 + 3.8, 9);
    expect(edges.cutMm).toBeCloseTo(3 + 4.05, 9);
    expect(edges.daylightMm).toBeCloseTo(3 + 6, 9);
    expect(edges.hiddenMm).toBeCloseTo(-1, 9);
  });
  it('a U border: glass edge = outside − base thickness', () => {
    expect(borderEdges(lead, null, 'u8').glassMm).toBeCloseTo(1.6, 9);
    expect(borderEdges(lead, null, 'u8').daylightMm).toBeCloseTo(8, 9);
  });
  it('a drawing to the glass edge grows by the came outside of it', () => {
    expect(outsideOfOutline(DEFAULT_ALLOWANCE.lead)).toBeCloseTo(3.8, 9);
    expect(outsideOfOutline(lead)).toBe(0);
    expect(outsideOfOutline(DEFAULT_ALLOWANCE.foil)).toBe(0);
  });
});

describe('growth', () => {
  it('lines crossed by the worst scan × what each takes up', () => {
    const reading = readCartoon(
      doc(200, 100, '<rect width="200" height="100"/><path d="M0 60H200"/><path d="M50 0V100M100 0V60M150 0V60"/>'),
    );
    if ('refusal' in reading) throw new Error(reading.refusal);
    const { across, down } = worstGrowth(reading.cartoon, DEFAULT_ALLOWANCE.foil);
    expect(across).toMatchObject({ crossed: 3 });
    expect(across?.growthMm).toBeCloseTo(3 * 0.8, 9);
    expect(across?.from[1]).toBeLessThan(60);
    expect(down).toMatchObject({ crossed: 1 });
    expect(worstGrowth(reading.cartoon, DEFAULT_ALLOWANCE.foil, 0.8).across).toBeNull();
  });
  it.each([0.5, 1.2, 3])('a row only %d mm high in a panel of 1200 is seen', (high) => {
    const inRow = Array.from({ length: 9 }, (_, k) => `<path d="M${20 * (k + 1)} 700V${700 + high}"/>`).join('');
    const reading = readCartoon(
      doc(200, 1200, `<rect width="200" height="1200"/><path d="M0 700H200M0 ${700 + high}H200"/>${inRow}`),
      { snapMm: 0.1 },
    );
    if ('refusal' in reading) throw new Error(reading.refusal);
    const { across } = worstGrowth(reading.cartoon, DEFAULT_ALLOWANCE.foil);
    expect(across?.crossed).toBe(9);
    expect(across?.growthMm).toBeCloseTo(9 * 0.8, 9);
    expect(across?.from[1]).toBeGreaterThan(700);
    expect(across?.from[1]).toBeLessThan(700 + high);
  });
});

describe('a finished panel and its opening', () => {
  const drawn = { widthMm: 400, heightMm: 300 };
  // Glass edge = outside − (w + h)/2 for an H, − base thickness for a U: the border grows by that beyond it.
  const PANE = doc(400, 300, '<rect width="400" height="300"/><path d="M150 0V300"/>');
  const drawing = (rim: string | null, side: string | null = rim) => {
    const reading = readCartoon(PANE);
    if ('refusal' in reading) throw new Error(reading.refusal);
    const { cartoon } = reading;
    const outer = outerLines(cartoon);
    const profiles = cartoon.map.lines.map(({ points }, i) => {
      if (!outer.has(i)) return null;
      return points.some(([x]) => x < 0.01) ? side : rim;
    });
    return { ...cartoon, profiles };
  };
  const { lead, foil } = DEFAULT_ALLOWANCE;
  it.each([
    ['to the outside of its came', { ...lead, outline: 'came-outside' as const }, drawing(null), [0, 0]],
    ['to the glass, H of 6', lead, drawing(null), [7.6, 7.6]],
    ['to the glass, H of 12 all round', lead, drawing('h12'), [13.6, 13.6]],
    ['to the glass, U of 8: its base', lead, drawing('u8'), [3.2, 3.2]],
    ['to the glass, H of 12 and round its left half H of 6', lead, drawing('h12', 'h6'), [10.6, 13.6]],
    ['of foil', foil, drawing(null), [0, 0]],
    ['of foil in a U of 6', foil, drawing('u6'), [3.2, 3.2]],
  ] as const)('a panel drawn %s', (_, allowance, cartoon, [wide, high]) => {
    const beyond = outsideOf(cartoon, allowance);
    const finished = finishedSize(drawn, beyond);
    expect(finished.widthMm - 400).toBeCloseTo(wide, 6);
    expect(finished.heightMm - 300).toBeCloseTo(high, 6);
    const back = drawnSize(finished, beyond);
    expect([back.widthMm, back.heightMm]).toEqual([expect.closeTo(400, 9), expect.closeTo(300, 9)]);
  });
  it('outline, section and cut outline give one answer', () => {
    for (const outline of ['glass-edge', 'came-outside'] as const)
      for (const technique of ['foil', 'lead'] as const)
        for (const code of [null, 'h6', 'h12', 'u8', 'f1.2']) {
          const allowance = { ...DEFAULT_ALLOWANCE[technique], outline };
          const edges = borderEdges(allowance, null, code);
          const beyond = outsideOfOutline(allowance, code);
          const keeps = rimKeeps(allowance, code);
          expect(edges.cutMm - beyond, `${outline} ${technique} ${code}`).toBeCloseTo(keeps.cutMm, 9);
          expect(edges.daylightMm - beyond).toBeCloseTo(Math.max(keeps.daylightMm, keeps.cutMm), 9);
        }
  });
  it('the section is of what goes round most of it', () => {
    expect(rimCode(drawing('h12', 'h6'))).toBe('h12');
    expect(rimCode(drawing(null))).toBeNull();
  });
  it('in a panel of foil a came brings its own heart and play', () => {
    expect(innerKeeps(foil, 'h6')).toEqual(innerKeeps(lead, 'h6'));
    expect(innerKeeps(foil, 'h6').cutMm).toBeCloseTo(1.05, 9);
    expect(rimKeeps({ ...foil, outline: 'came-outside' }, 'u6').cutMm).toBeCloseTo(1.6 + 0.25, 9);
  });
  it('goes in when neither way is larger, but for a rounding', () => {
    expect(fitsInto(drawn, drawn)).toBe(true);
    expect(fitsInto(drawn, { widthMm: 399.951, heightMm: 300 })).toBe(true);
    expect(fitsInto(drawn, { widthMm: 399.949, heightMm: 300 })).toBe(false);
    expect(fitsInto(drawn, { widthMm: 400, heightMm: 299.949 })).toBe(false);
    expect(fitsInto(drawn, { widthMm: 900, heightMm: 299 })).toBe(false);
  });
});

describe('a border came of its own', () => {
  const lead = DEFAULT_ALLOWANCE.lead;
  const cartoonOf = (source: string) => {
    const reading = readCartoon(source);
    if ('refusal' in reading) throw new Error(reading.refusal);
    return reading.cartoon;
  };
  const square = (outline: LineAllowance['outline'], border?: string) =>
    cameBands(cartoonOf(NINE), { ...lead, outline, ...(border ? { border } : {}) }).filter((band) => band.isBorder);
  const box = (bands: ReturnType<typeof cameBands>) => {
    const all = bands.flatMap((band) => band.points);
    return [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))];
  };

  it('says what the rim takes up, unless a line says it for itself', () => {
    const a = { ...lead, border: 'u10', outline: 'came-outside' as const };
    expect(rimKeeps(a)).toEqual(rimKeeps({ ...lead, outline: 'came-outside' }, 'u10'));
    expect(rimKeeps(a, 'h5')).toEqual(rimKeeps({ ...lead, outline: 'came-outside' }, 'h5'));
    expect(innerKeeps(a)).toEqual(innerKeeps(lead));
  });
  // By hand: a U of 10 mm with 1.6 mm base round a glass edge lies from 1.6 mm outside to 8.4 mm inside: its middle 3.4 mm in.
  // What is seen is the opening less the cover on both sides, whatever goes round the glass (common practice).
  it.each([
    ['glass-edge', 'u10'],
    ['came-outside', 'u10'],
    ['glass-edge', undefined],
    ['came-outside', undefined],
  ] as const)('%s, border %s: the sight line leaves the opening less its cover', (outline, border) => {
    const cartoon = cartoonOf(NINE);
    const allowance = { ...lead, outline, ...(border ? { border } : {}) };
    const outside = outsideOf(cartoon, allowance);
    const opening = {
      widthMm: 300 + outside.leftMm + outside.rightMm + 2 * 1.5,
      heightMm: 300 + outside.topMm + outside.bottomMm + 2 * 1.5,
      clearanceMm: 1.5,
      coverMm: 9,
    };
    const [ring = [], ...more] = sightLine(cartoon, allowance, opening);
    expect(more).toEqual([]);
    const across = (i: 0 | 1) => Math.max(...ring.map((p) => p[i])) - Math.min(...ring.map((p) => p[i]));
    expect(across(0)).toBeCloseTo(opening.widthMm - 18, 2);
    expect(across(1)).toBeCloseTo(opening.heightMm - 18, 2);
  });
  it('nothing is seen where the cover meets in the middle; beside a shallow cover the play is seen', () => {
    const cartoon = cartoonOf(NINE);
    const opening = { widthMm: 300, heightMm: 300, clearanceMm: 4, coverMm: 1 };
    expect(sightLine(cartoon, lead, { ...opening, coverMm: 200 })).toEqual([]);
    const [ring = []] = sightLine(cartoon, { ...lead, outline: 'came-outside' }, opening);
    expect(Math.min(...ring.map(([x]) => x))).toBeCloseTo(-3, 2);
  });
  it('lies beside the outline, mitred at the corners, as far out or in as the outline means', () => {
    expect(box(square('glass-edge', 'u10'))).toEqual([expect.closeTo(3.4, 9), expect.closeTo(296.6, 9)]);
    expect(box(square('came-outside', 'u10'))).toEqual([expect.closeTo(5, 9), expect.closeTo(295, 9)]);
    // An H of 6 mm face: its heart's middle lies half a heart outside of the glass.
    expect(box(square('glass-edge'))).toEqual([expect.closeTo(-0.8, 9), expect.closeTo(300.8, 9)]);
    expect(square('glass-edge', 'u10')).toHaveLength(8);
    const [corner] = square('came-outside', 'u10').flatMap((b) => b.points.filter(([x, y]) => x < 6 && y < 6));
    expect(corner).toEqual([expect.closeTo(5, 9), expect.closeTo(5, 9)]);
  });
  it('foil has none but what is given one', () => {
    const cartoon = cartoonOf(NINE);
    expect(cameBands(cartoon, DEFAULT_ALLOWANCE.foil)).toEqual([]);
    expect(cameBands(cartoon, { ...DEFAULT_ALLOWANCE.foil, border: 'u6' }).every((b) => b.isBorder)).toBe(true);
  });
});

describe('a panel too large for its opening', () => {
  const lead = { ...DEFAULT_ALLOWANCE.lead, border: 'h12' };
  const opening = (widthMm: number, heightMm: number) => ({ widthMm, heightMm, clearanceMm: 3, coverMm: 8 });
  const drawn = { widthMm: 300, heightMm: 400 };
  // An H of 12 mm adds (12 + 1.6)/2 = 6.8 mm on each side: 313.6 × 413.6 mm.
  it('says which side, by how much, and what would cure it', () => {
    expect(misfitOf(drawn, null, lead, opening(319.6, 419.6))).toBeNull();
    expect(misfitOf(drawn, null, lead, opening(316, 419.6))).toEqual({
      overWideMm: expect.closeTo(3.6, 9) as number,
      overHighMm: 0,
      playMm: expect.closeTo(1.2, 9) as number,
      // Of 8 mm: (8 + 1.6)/2 on each side makes 309.6, within 310.
      border: 'h8',
    });
  });
  it('knows where neither play nor another came is enough', () => {
    expect(misfitOf(drawn, null, lead, opening(280, 500))).toMatchObject({ overHighMm: 0, playMm: null, border: null });
  });
});
