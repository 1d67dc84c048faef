import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  areaOfRings,
  centroid,
  checkMap,
  compose,
  contains,
  cutAway,
  facesOf,
  insetRegion,
  largestStretch,
  nearestOnSegment,
  perimeter,
  signedArea,
  splitAtMeetings,
  thinLine,
  thinRing,
  VertexGrid,
  type Matrix,
  type PlanarMap,
  type Point,
  type Ring,
} from './index.ts';

const square = (x: number, y: number, s: number): Point[] => [
  [x, y],
  [x + s, y],
  [x + s, y + s],
  [x, y + s],
];
const regular = (n: number, r: number): Point[] =>
  Array.from({ length: n }, (_, i): Point => [
    r * Math.cos((2 * Math.PI * i) / n),
    r * Math.sin((2 * Math.PI * i) / n),
  ]);

describe('rings', () => {
  it('a clockwise ring (y down) has a positive area', () => {
    expect(signedArea(square(3, 4, 10))).toBe(100);
    expect(signedArea([...square(3, 4, 10)].reverse())).toBe(-100);
  });
  // Regular n-gon: A = n r² sin(2π/n) / 2, P = 2 n r sin(π/n) (any table of mensuration).
  it.each([3, 5, 6, 12, 40])('measures the regular %d-gon', (n) => {
    expect(signedArea(regular(n, 10))).toBeCloseTo((n * 100 * Math.sin((2 * Math.PI) / n)) / 2, 9);
    expect(perimeter(regular(n, 10))).toBeCloseTo(2 * n * 10 * Math.sin(Math.PI / n), 9);
  });
  it('the centroid of a triangle is the mean of its corners, of a framed square its middle', () => {
    const [x, y] = centroid([
      [
        [0, 0],
        [9, 0],
        [0, 6],
      ],
    ]);
    expect([x, y]).toEqual([3, 2]);
    expect(centroid([square(0, 0, 10), [...square(6, 2, 2)].reverse()])[0]).toBeLessThan(5);
  });
  it('tells inside from outside', () => {
    const ring: Ring = [
      [0, 0],
      [10, 0],
      [10, 10],
      [5, 4],
      [0, 10],
    ];
    expect(contains(ring, [5, 2])).toBe(true);
    expect(contains(ring, [5, 8])).toBe(false);
  });
  it('finds the foot on a segment and stops at its ends', () => {
    expect(nearestOnSegment(5, 5, 0, 0, 10, 0)).toMatchObject({ x: 5, y: 0, distSq: 25 });
    expect(nearestOnSegment(15, 0, 0, 0, 10, 0)).toMatchObject({ x: 10, t: 1 });
  });
});

describe('matrices', () => {
  it('composes in order: first inner, then outer', () => {
    const turn: Matrix = [0, 1, -1, 0, 0, 0];
    const shift: Matrix = [1, 0, 0, 1, 5, 0];
    const [a, b, c, d, e, f] = compose(shift, turn);
    expect([a * 1 + e, b * 1 + f]).toEqual([5, 1]);
    expect([c, d]).toEqual([-1, 0]);
  });
  it('the largest stretch of a rotation with scales is the larger scale', () => {
    const angle = 0.7;
    const rotation: Matrix = [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 3, 4];
    expect(largestStretch(compose(rotation, [3, 0, 0, 0.5, 0, 0]))).toBeCloseTo(3, 12);
  });
});

describe('offsets', () => {
  // Inset of a convex polygon with inradius r: linear measures scale by (r − d)/r.
  it.each([
    [square(0, 0, 50), 25, 0.4],
    [regular(6, 30), 30 * Math.cos(Math.PI / 6), 0.4],
    [regular(3, 60), 30, 3],
  ] as [Point[], number, number][])('insets exactly with mitred corners', (ring, inradius, d) => {
    const inset = insetRegion([ring], d);
    // Clipper's grid is 0.1 µm, so an edge may lie half of that off along its whole length.
    expect(Math.abs(areaOfRings(inset) - signedArea(ring) * ((inradius - d) / inradius) ** 2)).toBeLessThan(
      perimeter(ring) * 1e-4,
    );
  });
  it('moves a hole outwards while the rim moves in', () => {
    const inset = insetRegion([square(0, 0, 50), [...square(20, 20, 10)].reverse()], 1);
    expect(areaOfRings(inset)).toBeCloseTo(48 * 48 - 12 * 12, 3);
  });
  it('takes the winding it is given and never eats a hole the wrong way', () => {
    expect(areaOfRings(insetRegion([[...square(0, 0, 50)].reverse(), square(20, 20, 10)], 1))).toBeCloseTo(
      48 * 48 - 12 * 12,
      3,
    );
  });
  it('leaves nothing of a strip thinner than both offsets, and splits a waist', () => {
    expect(insetRegion([square(0, 0, 1.5)], 0.8)).toEqual([]);
    const waist: Ring = [
      [0, 0],
      [20, 0],
      [20, 9.6],
      [40, 9.6],
      [40, 0],
      [60, 0],
      [60, 20],
      [40, 20],
      [40, 10.4],
      [20, 10.4],
      [20, 20],
      [0, 20],
    ];
    expect(insetRegion([waist], 0.5).length).toBe(2);
  });
  it('cuts edges away by different amounts', () => {
    const ring = square(0, 0, 50);
    const edge = (i: number): Ring => [ring[i] as Point, ring[(i + 1) % 4] as Point];
    const left = cutAway(
      [ring],
      [
        { points: edge(0), halfMm: 1 },
        { points: edge(1), halfMm: 2 },
        { points: edge(2), halfMm: 0 },
        { points: edge(3), halfMm: 0.5 },
      ],
    );
    expect(areaOfRings(left)).toBeCloseTo((50 - 2 - 0.5) * (50 - 1), 2);
  });
});

/** A map of straight lines between numbered nodes. */
const mapOf = (nodes: Point[], lines: [number, number][]): PlanarMap => ({
  nodes,
  lines: lines.map(([from, to]) => ({ from, to, points: [nodes[from] as Point, nodes[to] as Point] })),
});

describe('planar map', () => {
  it('finds the faces of a window of four panes', () => {
    const nodes: Point[] = [
      [0, 0],
      [5, 0],
      [10, 0],
      [0, 5],
      [5, 5],
      [10, 5],
      [0, 10],
      [5, 10],
      [10, 10],
    ];
    const map = mapOf(nodes, [
      [0, 1],
      [1, 2],
      [3, 4],
      [4, 5],
      [6, 7],
      [7, 8],
      [0, 3],
      [3, 6],
      [1, 4],
      [4, 7],
      [2, 5],
      [5, 8],
    ]);
    const traced = facesOf(map);
    expect(traced.faces.map((f) => f.areaMm2)).toEqual([25, 25, 25, 25]);
    expect(traced.outsides).toHaveLength(1);
    expect(checkMap(map, traced)).toEqual([]);
  });
  it('puts a ring that lies inside into its face as a hole', () => {
    const map = mapOf(
      [...square(0, 0, 10), ...square(3, 3, 4)],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
        [4, 5],
        [5, 6],
        [6, 7],
        [7, 4],
      ],
    );
    const traced = facesOf(map);
    expect(traced.faces.map((f) => f.areaMm2).sort((a, b) => a - b)).toEqual([16, 84]);
    expect(checkMap(map, traced)).toEqual([]);
  });
  it('tells when a map does not hold', () => {
    const crossed = mapOf(
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
      ],
    );
    expect(checkMap(crossed)).not.toEqual([]);
  });

  describe('a trace that was broken is told, each in its own way', () => {
    // Two squares side by side: three lines, two faces, one outside.
    const map = mapOf(
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
        [20, 0],
        [20, 10],
      ],
      [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
        [1, 4],
        [4, 5],
        [5, 2],
      ],
    );
    const sound = facesOf(map);
    const face = (k: number) => sound.faces[k] as (typeof sound.faces)[number];
    const outside = sound.outsides[0] as (typeof sound.outsides)[number];
    it.each<[string, () => Parameters<typeof checkMap>[1], RegExp]>([
      ['a face is missing', () => ({ ...sound, faces: [face(0)] }), /V − E \+ F is \d, not 2/],
      [
        'a face stands twice',
        () => ({ ...sound, faces: [face(0), face(0)] }),
        /line \d does not have exactly one side/,
      ],
      [
        'a ring goes along a line twice',
        () => ({
          ...sound,
          faces: [{ ...face(0), rings: [[...(face(0).rings[0] ?? []), face(0).rings[0]?.[0] ?? 0]] }, face(1)],
        }),
        /line \d does not have exactly one side/,
      ],
      [
        'a line is walked the wrong way',
        () => ({ ...sound, outsides: [{ ...outside, ring: outside.ring.map((ref) => ~ref) }] }),
        /line \d does not have exactly one side/,
      ],
      [
        'one side of one line is left out',
        () => ({ ...sound, outsides: [{ ...outside, ring: outside.ring.slice(1) }] }),
        /line \d does not have exactly one side/,
      ],
      [
        'an area is wrong',
        () => ({ ...sound, faces: [{ ...face(0), areaMm2: face(0).areaMm2 + 0.01 }, face(1)] }),
        /pieces add up to 200.01 mm², the outline encloses 200 mm²/,
      ],
    ])('%s', (_, broken, words) => {
      expect(checkMap(map, sound)).toEqual([]);
      expect(checkMap(map, broken()).join(' · ')).toMatch(words);
    });
  });
});

describe('splitting', () => {
  const split = (segments: readonly (readonly [Point, Point])[]) => {
    const grid = new VertexGrid();
    const ends = segments.flatMap(([a, b]) => [grid.at(a[0] * 1e4, a[1] * 1e4), grid.at(b[0] * 1e4, b[1] * 1e4)]);
    return { grid, ...splitAtMeetings(grid, ends) };
  };
  it('splits a cross, a touch and an overlap, and drops doubles', () => {
    expect(
      split([
        [
          [0, 0],
          [10, 10],
        ],
        [
          [0, 10],
          [10, 0],
        ],
      ]).ends.length / 2,
    ).toBe(4);
    expect(
      split([
        [
          [0, 0],
          [10, 0],
        ],
        [
          [5, 0],
          [5, 5],
        ],
      ]).ends.length / 2,
    ).toBe(3);
    expect(
      split([
        [
          [0, 0],
          [10, 0],
        ],
        [
          [4, 0],
          [14, 0],
        ],
      ]).ends.length / 2,
    ).toBe(3);
    expect(
      split([
        [
          [0, 0],
          [10, 0],
        ],
        [
          [10, 0],
          [0, 0],
        ],
      ]),
    ).toMatchObject({ doubled: [1, 0] });
  });
  /** Slow and obvious: every two segments that share no end are held against each other. */
  const crossings = (sticks: readonly (readonly [Point, Point])[]): number => {
    const { grid, ends } = split(sticks);
    const at = (v: number): Point => [grid.xy[2 * v] as number, grid.xy[2 * v + 1] as number];
    const side = (a: Point, b: Point, c: Point) =>
      Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
    let found = 0;
    for (let i = 0; i < ends.length; i += 2)
      for (let j = i + 2; j < ends.length; j += 2) {
        const [a, b, c, d] = [ends[i], ends[i + 1], ends[j], ends[j + 1]] as [number, number, number, number];
        if (new Set([a, b, c, d]).size < 4) continue;
        const crosses =
          side(at(a), at(b), at(c)) * side(at(a), at(b), at(d)) < 0 &&
          side(at(c), at(d), at(a)) * side(at(c), at(d), at(b)) < 0;
        if (crosses) found++;
      }
    return found;
  };
  const place = fc
    .tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }))
    .map(([x, y]): Point => [x / 4, y / 4]);
  it('leaves no two segments crossing (random sticks)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(place, place), { minLength: 2, maxLength: 24 }), (sticks) => {
        expect(crossings(sticks)).toBe(0);
      }),
      { numRuns: 150 },
    );
  });
  it('nor those of long lines, whose segments are held against each other by runs', () => {
    // Some go on their way, some curl back over themselves within a few steps.
    const onwards = fc.tuple(fc.integer({ min: -3, max: 9 }), fc.integer({ min: -5, max: 5 }));
    const curling = fc.tuple(fc.integer({ min: -6, max: 6 }), fc.integer({ min: -6, max: 6 }));
    const steps = fc.oneof(
      fc.array(onwards, { minLength: 6, maxLength: 50 }),
      fc.array(curling, { minLength: 4, maxLength: 50 }),
    );
    const line = fc.tuple(place, steps).map(([from, steps]) => {
      const points = [from];
      for (const [dx, dy] of steps) {
        const [x, y] = points.at(-1) as Point;
        points.push([x + dx, y + dy]);
      }
      return points.slice(1).map((to, i) => [points[i] as Point, to] as const);
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), (lines) => {
        expect(crossings(lines.flat())).toBe(0);
      }),
      { numRuns: 150 },
    );
  });
  it.each<[string, (along: number) => Point]>([
    ['level', (along) => [along, 3]],
    ['upright', (along) => [3, along]],
  ])('a line that goes back over itself is split where it turned: %s', (_, at) => {
    const there: [Point, Point] = [at(0), at(10)];
    const back: [Point, Point] = [at(10), at(4)];
    const { ends, doubled } = split([there, back]);
    expect([ends.length / 2, doubled.length / 2]).toEqual([2, 1]);
  });
  it('comes to an end where vertices lie a micrometre apart', () => {
    // The first vertex lies within a micrometre of the line of the others: that segment is the other two.
    const [a, b, c] = [
      [0, 0],
      [0.002, 0],
      [0.0001, 0.0009],
    ] as const;
    expect(
      split([
        [a, b],
        [c, b],
        [a, c],
      ]).ends,
    ).toHaveLength(4);
  });
});

it('a dense line is thinned to what it says: ends stay, nothing moves further than told', () => {
  const wave = Array.from({ length: 4001 }, (_, i): Point => [i / 10, 3 * Math.sin(i / 400)]);
  const thin = thinLine(wave, 0.002);
  expect(thin.length).toBeLessThan(wave.length / 8);
  expect([thin[0], thin.at(-1)]).toEqual([wave[0], wave.at(-1)]);
  let k = 0;
  for (const [x, y] of wave) {
    while ((thin[k + 1] as Point)[0] < x && k + 2 < thin.length) k++;
    const [a, b] = [thin[k] as Point, thin[k + 1] as Point];
    expect(nearestOnSegment(x, y, a[0], a[1], b[0], b[1]).distSq).toBeLessThanOrEqual(0.002 ** 2 + 1e-12);
  }
});

describe('thinning', () => {
  const circle = (count: number): Point[] =>
    Array.from({ length: count }, (_, i) => [
      50 * Math.cos((2 * Math.PI * i) / count),
      50 * Math.sin((2 * Math.PI * i) / count),
    ]);
  it('leaves a ring that is small enough as it is', () => {
    const ring = circle(40);
    expect(thinRing(ring, 40, 0.01, 1)).toBe(ring);
  });
  it('takes no more than it must: chords of a circle stay within the least measure that is enough', () => {
    // A chord of n sides lies r(1 − cos(π/n)) off its circle: 63 sides are within 0.0625 mm of one of 50 mm.
    const thinned = thinRing(circle(5000), 200, 0.01, 1);
    expect(thinned.length).toBeLessThanOrEqual(200);
    expect(thinned.length).toBeGreaterThan(60);
    expect(Math.abs(signedArea(thinned)) / (Math.PI * 2500)).toBeGreaterThan(0.998);
  });
  it('goes no further than it may', () => {
    const zigzag = Array.from({ length: 400 }, (_, i): Point => [i, i % 2]);
    expect(thinRing([...zigzag, [400, 90]], 10, 0.01, 0.1).length).toBeGreaterThan(390);
  });
});
