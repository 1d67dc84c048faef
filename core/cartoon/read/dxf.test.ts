import { describe, expect, it } from 'vitest';
import { readCartoon, type CartoonReading } from '../index.ts';
import { signedArea } from '../../geometry/index.ts';
import { isSound, splineAt, splineChords } from './spline.ts';

/** Group codes and values by turns, as a DXF writes them. */
const groups = (...values: (string | number)[]): string => `${values.join('\n')}\n`;
const entity = (type: string, ...values: (string | number)[]) => groups(0, type, 8, '0', ...values);
const polyline = (closed: boolean, ...points: [number, number, number?][]) =>
  entity(
    'LWPOLYLINE',
    90,
    points.length,
    70,
    closed ? 1 : 0,
    ...points.flatMap(([x, y, bulge]) => (bulge ? [10, x, 20, y, 42, bulge] : [10, x, 20, y])),
  );
interface Parts {
  units?: number;
  tables?: string;
  blocks?: string;
}
const dxf = (entities: string, { units = 4, tables = '', blocks = '' }: Parts = {}) =>
  groups(0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, units, 0, 'ENDSEC') +
  (tables ? groups(0, 'SECTION', 2, 'TABLES') + tables + groups(0, 'ENDSEC') : '') +
  (blocks ? groups(0, 'SECTION', 2, 'BLOCKS') + blocks + groups(0, 'ENDSEC') : '') +
  groups(0, 'SECTION', 2, 'ENTITIES') +
  entities +
  groups(0, 'ENDSEC', 0, 'EOF');
const read = (source: string, layersIn: string[] = []): CartoonReading => {
  const reading = readCartoon(source, { layersIn });
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading;
};
const area = (source: string) => read(source).cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0);
const square = polyline(true, [0, 0], [100, 0], [100, 80], [0, 80]);

/** A circle as nine weighted control points of degree 2 (Piegl and Tiller, The NURBS Book, section 7.5). */
const circleSpline = (r: number, weight: number = Math.SQRT1_2): string =>
  entity(
    'SPLINE',
    ...[70, 13, 71, 2],
    ...[0, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 4].flatMap((k) => [40, k]),
    ...Array.from({ length: 9 }, (_, i) => [41, i % 2 === 0 ? 1 : weight]).flat(),
    ...[
      [1, 0],
      [1, 1],
      [0, 1],
      [-1, 1],
      [-1, 0],
      [-1, -1],
      [0, -1],
      [1, -1],
      [1, 0],
    ].flatMap(([x, y]) => [10, (x as number) * r, 20, (y as number) * r]),
  );

describe('DXF', () => {
  // Areas by elementary geometry; 0.02 mm of flatness along the outline is the most that may be missing.
  it.each([
    ['a closed polyline', square, 8000, 0.01],
    [
      'four lines',
      [
        [0, 0, 9, 0],
        [9, 0, 9, 9],
        [9, 9, 0, 9],
        [0, 9, 0, 0],
      ]
        .map(([a, b, c, d]) => entity('LINE', 10, a as number, 20, b as number, 11, c as number, 21, d as number))
        .join(''),
      81,
      0.01,
    ],
    ['a circle', entity('CIRCLE', 10, 5, 20, 5, 40, 50), Math.PI * 2500, 7],
    ['bulges of 1: two half circles', polyline(true, [0, 0, 1], [100, 0, 1]), Math.PI * 2500, 7],
    [
      'a bulge of tan 22.5°: a quarter circle outwards',
      polyline(true, [0, 0], [10, 0, Math.tan(Math.PI / 8)], [0, 10]),
      (Math.PI * 100) / 4,
      0.4,
    ],
    [
      'a negative bulge cuts in',
      polyline(true, [0, 0], [10, 0, -Math.tan(Math.PI / 8)], [0, 10]),
      100 - (Math.PI * 100) / 4,
      0.4,
    ],
    [
      'an arc across 0° and its chord',
      entity('ARC', 10, 0, 20, 0, 40, 10, 50, 270, 51, 90) + entity('LINE', 10, 0, 20, -10, 11, 0, 21, 10),
      (Math.PI * 100) / 2,
      0.6,
    ],
    ['a circle as a weighted spline', circleSpline(50), Math.PI * 2500, 7],
    ['an ellipse', entity('ELLIPSE', 10, 0, 20, 0, 11, 30, 21, 0, 40, 0.5, 41, 0, 42, 2 * Math.PI), Math.PI * 450, 3],
  ])('%s', (_, entities, expected, within) => {
    expect(Math.abs(area(dxf(entities)) - expected)).toBeLessThan(within);
  });
  // $INSUNITS of the DXF reference: 1 inches, 4 millimetres, 5 centimetres, 6 metres.
  it.each([
    [1, 25.4],
    [4, 1],
    [5, 10],
  ])('$INSUNITS %d is %d mm', (units, mm) => {
    const { box } = read(dxf(square, { units })).cartoon;
    expect(box.maxX - box.minX).toBeCloseTo(100 * mm, 3);
  });
  it('names no unit: read as millimetres and said so', () => {
    const reading = read(dxf(square, { units: 0 }));
    expect(reading.physical).toBe(false);
    expect(reading.findings.map((f) => f.kind)).toContain('assumed-mm');
  });
  it('y grows upwards in the file and downwards on the page', () => {
    const reading = read(
      dxf(square + entity('TEXT', 10, 50, 20, 70, 40, 3, 1, '7') + entity('LINE', 10, 0, 20, 40, 11, 100, 21, 40)),
    );
    expect(reading.cartoon.pieces.find((p) => p.number === 7)?.centroid[1]).toBeCloseTo(20, 3);
  });
  describe('a spline is a line of its layer, like any other', () => {
    // A straight spline across a square of two layers; what is said of it beside its points decides whether it counts.
    const across = (...more: (string | number)[]) =>
      groups(0, 'SPLINE', 5, 'A1', ...more, 70, 8, 71, 1, 40, 0, 40, 0, 40, 1, 40, 1, 10, 0, 20, 40, 10, 100, 20, 40);
    const layer = (name: string, colour: number) => groups(0, 'LAYER', 2, name, 70, 0, 62, colour);
    const tables = groups(0, 'TABLE', 2, 'LAYER', 70, 2) + layer('glass', 7) + layer('old', -7) + groups(0, 'ENDTAB');
    const panes = (...more: (string | number)[]) => {
      const reading = read(dxf(square + across(...more), { tables }));
      return [reading.cartoon.pieces.length, reading.findings.map((f) => f.kind).join()] as const;
    };
    it.each<[string, (string | number)[], number]>([
      ['on a layer that is shown', [8, 'glass'], 2],
      ['on one that is switched off', [8, 'old'], 1],
      ['drawn through', [8, 'glass', 6, 'CONTINUOUS'], 2],
      ['dashed', [8, 'glass', 6, 'DASHED'], 1],
      ['seen', [8, 'glass', 60, 0], 2],
      ['not seen', [8, 'glass', 60, 1], 1],
      ['in the drawing', [8, 'glass', 67, 0], 2],
      ['on a sheet of paper', [8, 'glass', 67, 1], 1],
    ])('%s', (_, more, pieces) => expect(panes(...more)[0]).toBe(pieces));
    it('and its layer is listed', () => {
      expect(read(dxf(square + across(8, 'old'), { tables })).layers).toContainEqual({
        name: 'old',
        hidden: true,
        shapes: 1,
      });
      expect(readCartoon(dxf(square + across(8, 'old'), { tables }), { layersIn: ['old'] })).toMatchObject({
        cartoon: { pieces: [{}, {}] },
      });
    });
  });
  it('says when the weights of a spline cannot be used', () => {
    const kinds = (source: string) => read(source).findings.map((f) => f.kind);
    expect(kinds(dxf(circleSpline(50)))).not.toContain('weights-ignored');
    expect(kinds(dxf(circleSpline(50, -1)))).toContain('weights-ignored');
  });
  it('lays out blocks: moved, turned in degrees, scaled, repeated; loops are not followed', () => {
    const blocks =
      groups(0, 'BLOCK', 2, 'pane', 10, 0, 20, 0) +
      polyline(true, [0, 0], [10, 0], [10, 10], [0, 10]) +
      entity('INSERT', 2, 'pane', 10, 0, 20, 0) +
      groups(0, 'ENDBLK');
    const reading = read(
      dxf(
        entity('INSERT', 2, 'pane', 10, 0, 20, 0, 50, 90) +
          entity('INSERT', 2, 'pane', 10, 30, 20, 0, 41, 2, 42, 2) +
          entity('INSERT', 2, 'pane', 10, 100, 20, 0, 70, 3, 71, 2, 44, 10, 45, 10),
        { blocks },
      ),
    );
    expect(reading.cartoon.pieces.map((p) => Math.round(p.areaMm2)).sort((a, b) => a - b)).toEqual([
      100, 100, 100, 100, 100, 100, 100, 400,
    ]);
    expect(reading.findings.some((f) => f.kind === 'left-out' && /nowhere/.test(f.what))).toBe(true);
  });
  it('leaves out and lists switched-off layers, dimensions, dashes; a layer can be switched in', () => {
    const tables =
      groups(0, 'TABLE', 2, 'LAYER', 70, 2) +
      groups(0, 'LAYER', 2, '0', 70, 0, 62, 7, 6, 'CONTINUOUS') +
      groups(0, 'LAYER', 2, 'old', 70, 0, 62, -7, 6, 'CONTINUOUS') +
      groups(0, 'ENDTAB');
    const cross = groups(0, 'LINE', 8, 'old', 10, 0, 20, 40, 11, 100, 21, 40);
    const dashed = entity('LINE', 6, 'DASHED', 10, 50, 20, 0, 11, 50, 21, 80);
    const source = dxf(square + cross + dashed + entity('DIMENSION', 10, 0, 20, 0, 11, 5, 21, 5), { tables });
    expect(read(source).cartoon.pieces).toHaveLength(1);
    expect(read(source).layers.find((l) => l.name === 'old')).toMatchObject({ hidden: true, shapes: 1 });
    const left = read(source).findings.flatMap((f) => (f.kind === 'left-out' ? [f.what] : []));
    expect(left).toEqual(expect.arrayContaining(['hidden shapes', 'dashed lines', 'arrows and dimension lines']));
    expect(read(source, ['old']).cartoon.pieces).toHaveLength(2);
  });
  it.each(['', '0\nSECTION\n2\nENTITIES\n', '0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nfrog\n20\n', dxf('')])(
    'a broken or empty file is refused, never a crash (%#)',
    (source) => {
      expect(readCartoon(source)).toHaveProperty('refusal');
    },
  );
});

describe('splines', () => {
  it('a cubic with clamped knots is the Bézier curve of its control points', () => {
    const spline = {
      degree: 3,
      knots: [0, 0, 0, 0, 1, 1, 1, 1],
      controls: [
        [0, 0],
        [0, 10],
        [10, 10],
        [10, 0],
      ] as const,
    };
    expect(isSound(spline)).toBe(true);
    // B(½) = (P0 + 3 P1 + 3 P2 + P3) / 8.
    expect(splineAt(spline, 0.5)).toEqual([5, 7.5]);
    const chords = splineChords(spline, 0.01);
    expect([chords[0], chords.at(-1)]).toEqual([
      [0, 0],
      [10, 0],
    ]);
  });
  it('weights make a quarter of a circle of three control points (Piegl and Tiller, The NURBS Book, section 7.3)', () => {
    const quarter = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      controls: [
        [10, 0],
        [10, 10],
        [0, 10],
      ] as const,
      weights: [1, Math.SQRT1_2, 1],
    };
    for (const t of [0, 0.1, 0.5, 0.8, 1]) expect(Math.hypot(...splineAt(quarter, t))).toBeCloseTo(10, 9);
    // However coarse, the chords hold the area to a thousandth: a quarter of a circle is π r²/4.
    for (const tolerance of [0.2, 0.05, 0.01, 0.001]) {
      const chords = splineChords(quarter, tolerance);
      for (const [x, y] of chords) expect(Math.abs(Math.hypot(x, y) - 10)).toBeLessThanOrEqual(tolerance);
      expect(Math.abs(signedArea([[0, 0], ...chords]) / (25 * Math.PI) - 1)).toBeLessThan(0.001);
    }
  });
  it('a degree 1 spline runs through its points; knots that do not fit are told', () => {
    const straight = {
      degree: 1,
      knots: [0, 0, 1, 2, 2],
      controls: [
        [0, 0],
        [5, 5],
        [9, 5],
      ] as const,
    };
    expect(splineChords(straight, 0.01)).toEqual([
      [0, 0],
      [5, 5],
      [9, 5],
    ]);
    expect(isSound({ ...straight, knots: [0, 1] })).toBe(false);
    expect(isSound({ ...straight, knots: [0, 0, 2, 1, 1] })).toBe(false);
  });
});
