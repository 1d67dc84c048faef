import { describe, expect, it } from 'vitest';
import { editCartoon, pieceRings, readCartoon, type Cartoon } from '../cartoon/index.ts';
import { areaOfRings, contains, insetRegion, perimeter, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { cutOutlines, DEFAULT_ALLOWANCE, type CutPiece } from '../sizing/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { doc } from '../test/panels.ts';
import { narrowestNeck } from './ringShape.ts';
import { cuttability, panelFindings, proposeLine, type Proposal } from './index.ts';

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
/** 60 wide with a round bite of the given depth out of its upper side, 30 mm wide. */
const bitten = (depth: number): Point[] => {
  const bite: Point[] = [];
  for (let k = 0; k <= 30; k++) {
    const t = (k / 30) * Math.PI;
    bite.push([30 - 15 * Math.cos(t), depth * Math.sin(t)]);
  }
  return [[0, 0], ...bite, [60, 0], [60, 30 + depth], [0, 30 + depth]];
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
    [9, 'fussy', 2],
    [20, 'hard', 3],
    [44, 'hard', 3],
    [46, 'beyond', 5],
  ])('an inside curve %d deep over 30', (depth, grade, difficulty) => {
    const { findings, difficulty: found } = judge(bitten(depth));
    const curve = findings.find((f) => f.kind === 'inside-curve');
    expect(curve?.kind === 'inside-curve' ? curve.grade : null).toBe(grade);
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

describe('what decides', () => {
  const arc = (r: number, from: number, to: number, n = 48): Point[] =>
    Array.from({ length: n + 1 }, (_, k) => {
      const t = ((from + ((to - from) * k) / n) * Math.PI) / 180;
      return [r * Math.cos(t), r * Math.sin(t)];
    });
  /** A square of 80 with a round bay of radius 10, its mouth so wide at the upper side. */
  const keyhole = (mouth: number): Point[] => {
    const half = (Math.asin(mouth / 20) * 180) / Math.PI;
    const bulb = arc(10, 270 - half, half - 90).map(([x, y]): Point => [
      x,
      y - 40 + 10 * Math.cos((half * Math.PI) / 180),
    ]);
    return [[-40, -40], [-mouth / 2, -40], ...bulb, [mouth / 2, -40], [40, -40], [40, 40], [-40, 40]];
  };
  // What is wider than the way out does not come out; by how much it may be wider is from memory.
  it.each([
    [2, ['keyhole'], 5],
    [14, ['keyhole'], 5],
    [18, ['inside-curve'], 3],
  ])('a bay 20 across behind a mouth of %d', (mouth, expected, difficulty) => {
    const found = judge(keyhole(mouth));
    expect(found.findings.filter((f) => f.kind === 'keyhole' || f.kind === 'inside-curve').map((f) => f.kind)).toEqual(
      expected,
    );
    if (expected[0] === 'keyhole')
      expect(found.findings.find((f) => f.kind === 'keyhole')).toMatchObject({
        mouthMm: expect.closeTo(mouth, 1) as number,
        bulbMm: expect.closeTo(10 + Math.sqrt(100 - (mouth / 2) ** 2), 0) as number,
      });
    expect(found.difficulty).toBe(difficulty);
  });
  it('a waist of 0.3 mm cannot be cut as one', () => {
    const waist: Point[] = [
      [0, 0],
      [30, 19.85],
      [60, 0],
      [60, 40],
      [30, 20.15],
      [0, 40],
    ];
    expect(judge(waist).difficulty).toBe(5);
    expect(kinds(box(60, 1.5))).toContain('narrow');
    expect(judge(box(60, 1.5)).difficulty).toBe(5);
  });
  it('a deep bite and a shallow corner elsewhere do not add up', () => {
    // The notch turns by 90° but is only 2 deep over 10; the bite is round and 14 over 30.
    const both: Point[] = [...bitten(14).slice(0, -1), [60, 44], [0, 44]].slice(0, -2) as Point[];
    const ring: Point[] = [...both, [60, 60], [35, 60], [30, 58], [25, 60], [0, 60]];
    const found = judge(ring);
    expect(found.findings.find((f) => f.kind === 'inside-corner')).toMatchObject({ deep: false });
    expect(found.difficulty).toBeLessThan(5);
  });
  it('a wedge of 20° that ends 0.5 mm wide is a point all the same', () => {
    const slope = Math.tan((10 * Math.PI) / 180);
    const wedge: Point[] = [
      [0, -0.25],
      [70, -0.25 - 70 * slope],
      [70, 0.25 + 70 * slope],
      [0, 0.25],
    ];
    const point = judge(wedge).findings.find((f) => f.kind === 'sharp-point');
    expect(point?.kind === 'sharp-point' && point.degrees).toBeCloseTo(20, 0);
    expect(kinds(box(60, 8))).not.toContain('sharp-point');
  });
  it.each([
    // Length ÷ width by exact formulas: a triangle by its height, an ellipse by its axes, a lens by its thickest.
    [
      'triangle 10 × 100',
      [
        [0, 0],
        [100, 5],
        [0, 10],
      ] as Point[],
      10,
    ],
    ['ellipse 10 × 130', circle(1, 200).map(([x, y]): Point => [65 * x, 5 * y]), 13],
    ['ellipse 12 × 130', circle(1, 200).map(([x, y]): Point => [65 * x, 6 * y]), 130 / 12],
    ['strip 10 × 125', box(125, 10), 12.5],
  ])('%s', (_, ring, ratio) => {
    const slender = judge(ring).findings.find((f) => f.kind === 'slender');
    if (ratio > 12) expect(slender?.kind === 'slender' && slender.ratio).toBeCloseTo(ratio, 0);
    else expect(slender).toBeUndefined();
    expect(kinds(ring)).not.toContain('narrow');
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
      const proposal = proposeLine(now, hard.number, judged(now, hard.number), DEFAULT_ALLOWANCE.foil);
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
    const proposal = proposeLine(cartoon, ell.number, judged(cartoon, ell.number), DEFAULT_ALLOWANCE.foil);
    expect(proposal?.lines[0]?.[0]).toEqual([25, 35]);
    expect(proposal?.lengthMm).toBeCloseTo(25, 6);
  });
  it.each([
    ['an L', '<path d="M0 0H80V60H0Z"/><path d="M25 0V35H80"/>'],
    ['a slanted U', '<path d="M0 0H90V60H0Z"/><path d="M28 0L34 40L55 36L60 0"/>'],
    ['a waist', '<path d="M0 0H100V40H0Z"/><path d="M35 0L48 17L60 0M35 40L48 22L60 40"/>'],
    ['a boomerang', '<path d="M0 0H90V70H0Z"/><path d="M0 0L40 52L90 0"/>'],
  ])('%s: no chord from border to border is shorter and cures it', (_, body) => {
    const cartoon = read(doc(100, 80, body));
    const isFine = ({ difficulty, findings }: ReturnType<typeof judge>) =>
      difficulty <= 3 && !findings.some((f) => f.kind === 'neck');
    const [hard] = cartoon.pieces.filter((p) => !isFine(judged(cartoon, p.number)));
    if (!hard) throw new Error('nothing is hard');
    const proposal = proposeLine(cartoon, hard.number, judged(cartoon, hard.number), DEFAULT_ALLOWANCE.foil);
    if (!proposal) throw new Error('nothing proposed');
    const after = (lines: Proposal['lines']) => {
      const edited = editCartoon(cartoon, { kind: 'add-lines', lines });
      if ('refusal' in edited || edited.cartoon.pieces.length !== cartoon.pieces.length + lines.length) return null;
      const known = new Set(cartoon.pieces.filter((p) => p.number !== hard.number).map((p) => p.id));
      return edited.cartoon.pieces.filter((p) => !known.has(p.id)).map((p) => judged(edited.cartoon, p.number));
    };
    // What was told of the parts holds once the line is there.
    expect(
      after(proposal.lines)
        ?.map((j) => j.difficulty)
        .sort((a, b) => b - a),
    ).toEqual(proposal.parts);
    const border: Point[] = [];
    const [ring] = pieceRings(cartoon, hard);
    ring?.forEach(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length] as Point;
      const steps = Math.max(1, Math.round(Math.hypot(bx - ax, by - ay) / 3));
      for (let k = 0; k < steps; k++) border.push([ax + ((bx - ax) * k) / steps, ay + ((by - ay) * k) / steps]);
    });
    const shorter = border.flatMap((a) =>
      border.flatMap((b) => {
        const mm = Math.hypot(a[0] - b[0], a[1] - b[1]);
        const half: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
        if (mm < 1.5 || mm > proposal.lengthMm - 0.5 || !ring || !contains(ring, half)) return [];
        const parts = after([[a, b]]);
        return parts?.every(isFine) ? [`${a.join()} to ${b.join()}: ${mm}`] : [];
      }),
    );
    expect(shorter).toEqual([]);
  });
  it('a piece that one line does not cure gets several, and each part is told', () => {
    const cartoon = read(
      doc(200, 80, '<path d="M0 0H200V60H0Z"/><path d="M30 0V45H60V0M90 0V45H120V0M150 0V45H175V0"/>'),
    );
    const [comb] = [...cartoon.pieces].sort((a, b) => b.perimeterMm - a.perimeterMm);
    const proposal = proposeLine(
      cartoon,
      comb?.number ?? 0,
      judged(cartoon, comb?.number ?? 0),
      DEFAULT_ALLOWANCE.foil,
    );
    expect(proposal?.lines.length).toBeGreaterThan(1);
    expect(proposal?.parts).toHaveLength((proposal?.lines.length ?? 0) + 1);
    expect(Math.max(...(proposal?.parts ?? [5]))).toBeLessThanOrEqual(3);
  });
  it('nothing is proposed for a piece that can be cut', () => {
    const cartoon = read(doc(80, 60, '<path d="M0 0H80V60H0Z"/>'));
    expect(proposeLine(cartoon, 1, judged(cartoon, 1), DEFAULT_ALLOWANCE.foil)).toBeNull();
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
