import { describe, expect, it } from 'vitest';
import { editCartoon, readCartoon, type Cartoon } from '../cartoon/index.ts';
import { areaOfRings, insetRegion, perimeter, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { cutOutlines, DEFAULT_ALLOWANCE, type CutPiece } from '../sizing/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { doc } from '../test/panels.ts';
import { narrowestNeck } from './ringShape.ts';
import { cuttability, panelFindings, proposeLine, scoreOrder } from './index.ts';

const piece = (...rings: Ring[]): CutPiece => ({
  number: 1,
  rings,
  areaMm2: areaOfRings(rings),
  perimeterMm: rings.reduce((sum, ring) => sum + perimeter(ring), 0),
  widthMm: 0,
  heightMm: 0,
  daylightMm2: areaOfRings(rings),
});
const judge = (...rings: Ring[]) => cuttability(piece(...rings));
const kinds = (...rings: Ring[]) => judge(...rings).findings.map((f) => f.kind);
const box = (w: number, h: number, x = 0, y = 0): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const circle = (r: number, n = 90): Point[] =>
  Array.from({ length: n }, (_, k) => [r * Math.cos((k * 2 * Math.PI) / n), r * Math.sin((k * 2 * Math.PI) / n)]);
/** 60 × 40 with a round bite of the given depth out of its upper side, 30 mm wide. */
const bitten = (depth: number): Point[] => {
  const bite: Point[] = [];
  for (let k = 0; k <= 30; k++) {
    const t = (k / 30) * Math.PI;
    bite.push([30 - 15 * Math.cos(t), depth * Math.sin(t)]);
  }
  return [[0, 0], ...bite, [60, 0], [60, 40], [0, 40]];
};
const read = (source: string): Cartoon => {
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
};

describe('what is hard to cut', () => {
  it('a plain pane is steady', () => expect(judge(box(50, 40))).toEqual({ number: 1, difficulty: 1, findings: [] }));
  // Depth ÷ opening: steady under 0.25, fussy to 0.5, hard above (common practice, limits from memory).
  it.each([
    [5, null, 1],
    [9, false, 2],
    [20, true, 3],
  ])('an inside curve %d deep over 30', (depth, hard, difficulty) => {
    const { findings, difficulty: found } = judge(bitten(depth));
    const curve = findings.find((f) => f.kind === 'inside-curve');
    expect(curve?.kind === 'inside-curve' ? curve.hard : null).toBe(hard);
    expect(found).toBe(difficulty);
  });
  it('a right-angled inside corner is tight; at the bottom of a deep notch it cannot be cut', () => {
    const shallow: Point[] = [
      [0, 0],
      [90, 0],
      [60, 45],
      [45, 39],
      [30, 45],
    ];
    expect(kinds(shallow)).toEqual(['inside-corner']);
    expect(judge(shallow).difficulty).toBe(2);
    const ell: Point[] = [
      [0, 0],
      [20, 0],
      [20, 40],
      [60, 40],
      [60, 60],
      [0, 60],
    ];
    expect(judge(ell).difficulty).toBe(5);
    expect(kinds(ell)).toEqual(['inside-curve', 'inside-corner']);
  });
  it('a point of 20°, a strip 15 times as long as wide, a speck', () => {
    const deg20 = (20 * Math.PI) / 180;
    expect(
      kinds([
        [0, 0],
        [60 * Math.cos(deg20), 60 * Math.sin(deg20)],
        [0, 22],
      ]),
    ).not.toContain('inside-curve');
    expect(
      kinds([
        [0, 0],
        [60, 0],
        [60 * Math.cos(deg20), 60 * Math.sin(deg20)],
      ]),
    ).toEqual(['sharp-point']);
    expect(kinds(box(120, 8))).toEqual(['slender']);
    expect(kinds(box(60, 5))).toEqual(['narrow']);
    expect(kinds(box(6.1, 6.1))).toEqual(['little-light']);
  });
  it('a hole, and a piece that the lines split or eat', () => {
    expect(judge(box(60, 60), [...box(10, 10, 20, 20)].reverse()).difficulty).toBe(5);
    expect(kinds(box(20, 20), box(20, 20, 40, 0))).toContain('split');
    expect(kinds()).toEqual(['gone']);
  });
});

describe('necks', () => {
  /** Two squares joined by a bar. */
  const bar = (width: number): Point[] => [
    [0, 0],
    [20, 0],
    [20, 10 - width / 2],
    [40, 10 - width / 2],
    [40, 0],
    [60, 0],
    [60, 20],
    [40, 20],
    [40, 10 + width / 2],
    [20, 10 + width / 2],
    [20, 20],
    [0, 20],
  ];
  it.each([2, 4, 5.9])('a bar %d mm wide between two squares', (width) => {
    expect(narrowestNeck(bar(width), 6)?.widthMm).toBeCloseTo(width, 6);
    // Beside it: drawn in by a little more than half its width the shape falls apart, by a little less it does not.
    expect(insetRegion([bar(width)], width / 2 + 0.05)).toHaveLength(2);
    expect(insetRegion([bar(width)], width / 2 - 0.05)).toHaveLength(1);
  });
  it.each([
    ['a wide bar', bar(9)],
    [
      'a tapering point',
      [
        [0, 0],
        [80, 4],
        [80, -4],
      ] as Point[],
    ],
    ['a strip', box(80, 5)],
    ['a circle', circle(20)],
    ['a leaf', [...circle(30).filter(([, y]) => y <= 0), [0, 18]] as Point[]],
  ])('%s has none', (_, ring) => {
    const clockwise = signedArea(ring) > 0 ? ring : [...ring].reverse();
    expect(narrowestNeck(clockwise, 6)).toBeNull();
  });
});

describe('proposed lines', () => {
  const judged = (cartoon: Cartoon, number: number) =>
    cuttability(cutOutlines(cartoon, DEFAULT_ALLOWANCE.foil).find((c) => c.number === number) as CutPiece);
  it.each([
    ['an L', '<path d="M0 0H80V60H0Z"/><path d="M25 0V35H80"/>'],
    ['a U', '<path d="M0 0H90V60H0Z"/><path d="M30 0V40H60V0"/>'],
    ['a hole', '<path d="M0 0H80V80H0Z"/><circle cx="40" cy="40" r="12"/>'],
    ['a neck', '<path d="M0 0H100V40H0Z"/><path d="M35 0V18H60V0M35 40V22H60V40"/>'],
  ])('%s: added as proposed, every piece can be cut', (_, body) => {
    const cartoon = read(doc(100, 80, body));
    const isHard = (c: Cartoon, n: number) => {
      const { difficulty, findings } = judged(c, n);
      return difficulty >= 4 || findings.some((f) => f.kind === 'neck');
    };
    let now = cartoon;
    for (let round = 0; round < 3; round++) {
      const hard = now.pieces.find((p) => isHard(now, p.number));
      if (!hard) break;
      const proposal = proposeLine(now, hard.number, judged(now, hard.number), 0.4);
      if (!proposal) break;
      const edited = editCartoon(now, { kind: 'add-lines', lines: proposal.lines });
      if ('refusal' in edited) throw new Error(edited.refusal);
      now = edited.cartoon;
    }
    expect(now.pieces.length).toBeGreaterThan(cartoon.pieces.length);
    expect(now.pieces.filter((p) => isHard(now, p.number))).toEqual([]);
  });
  it('the line of an L runs from its inside corner over the shorter way', () => {
    const cartoon = read(doc(80, 60, '<path d="M0 0H80V60H0Z"/><path d="M25 0V35H80"/>'));
    const ell = cartoon.pieces.find((p) => judged(cartoon, p.number).difficulty === 5) as Cartoon['pieces'][number];
    const proposal = proposeLine(cartoon, ell.number, judged(cartoon, ell.number), 0.4);
    expect(proposal?.lines[0]?.[0]).toEqual([25, 35]);
    expect(proposal?.lengthMm).toBeCloseTo(25, 6);
  });
  it('nothing is proposed for a piece that can be cut', () => {
    const cartoon = read(doc(80, 60, '<path d="M0 0H80V60H0Z"/>'));
    expect(proposeLine(cartoon, 1, judged(cartoon, 1), 0.4)).toBeNull();
  });
});

describe('the order of scores', () => {
  it('inside curves first, then straight sides by length, and deep ones in runs', () => {
    const scores = scoreOrder(bitten(13), DEFAULT_LIMITS);
    expect(scores[0]?.kind).toBe('inside');
    expect(scores[0]?.passes).toBe(Math.ceil(13 / 4));
    expect(scores[0]?.reliefs).toHaveLength(3);
    expect(scores.slice(1).every((s) => s.kind === 'straight')).toBe(true);
    const lengths = scores.slice(1).map((s) => perimeter(s.points) / 2);
    expect([...lengths].sort((a, b) => b - a)).toEqual(lengths);
  });
  it('slices are as deep as the studio runs them', () => {
    const passes = (sliceMm: number) => scoreOrder(bitten(12), { sliceMm })[0]?.passes;
    expect([passes(12.01), passes(11.99), passes(4.01), passes(3.99)]).toEqual([1, 2, 3, 4]);
  });
  it('together the scores go once round the piece', () => {
    for (const ring of [bitten(13), box(50, 40), circle(20), circle(30).filter(([, y]) => y <= 0.01)]) {
      const walked = scoreOrder(ring, DEFAULT_LIMITS).reduce((sum, s) => {
        let mm = 0;
        for (let i = 1; i < s.points.length; i++) {
          const [a, b] = [s.points[i - 1] as Point, s.points[i] as Point];
          mm += Math.hypot(a[0] - b[0], a[1] - b[1]);
        }
        return sum + mm;
      }, 0);
      expect(walked).toBeCloseTo(perimeter(ring), 6);
    }
  });
  it('a circle is one score with reliefs; a half circle a straight side and an outside curve', () => {
    expect(scoreOrder(circle(20), DEFAULT_LIMITS)).toMatchObject([{ kind: 'round', passes: 1 }]);
    expect(scoreOrder(circle(20), DEFAULT_LIMITS)[0]?.reliefs).toHaveLength(6);
    const half = circle(20).filter(([, y]) => y >= -0.01);
    expect(scoreOrder(half, DEFAULT_LIMITS).map((s) => s.kind)).toEqual(['straight', 'outside']);
  });
});

describe('the panel as a whole', () => {
  const size = { widthMm: 200, heightMm: 100, areaMm2: 20_000 };
  it('a line straight from edge to edge is a hinge, also through joints; one that jogs is none', () => {
    const straight = read(
      doc(200, 100, '<path d="M0 0H200V100H0Z"/><path d="M0 50H200"/><path d="M90 0V50M120 50V100"/>'),
    );
    expect(panelFindings(straight, size)).toMatchObject([{ kind: 'hinge', at: [100, 50] }]);
    const jog = read(doc(200, 100, '<path d="M0 0H200V100H0Z"/><path d="M0 50H100V60H200"/>'));
    expect(panelFindings(jog, size)).toEqual([]);
  });
  it('a run shorter than the studio minds is no hinge', () => {
    const narrow = read(doc(200, 100, '<path d="M0 0H200V100H0Z"/><path d="M90 0V100"/>'));
    const found = (hingeMm: number) => panelFindings(narrow, size, { ...DEFAULT_LIMITS, hingeMm }).length;
    expect([found(99.9), found(100.1)]).toEqual([1, 0]);
  });
  it('more than 0.28 m² or 600 mm wants bars', () => {
    const plain = read(doc(200, 100, '<path d="M0 0H200V100H0Z"/>'));
    expect(panelFindings(plain, { widthMm: 610, heightMm: 100, areaMm2: 61_000 })).toMatchObject([
      { kind: 'wants-bars' },
    ]);
    expect(panelFindings(plain, { widthMm: 590, heightMm: 590, areaMm2: 348_100 })).toMatchObject([
      { kind: 'wants-bars' },
    ]);
    expect(panelFindings(plain, { widthMm: 500, heightMm: 500, areaMm2: 250_000 })).toEqual([]);
  });
});
