import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaOfRings, cutAway, insetRegion, mitredInset, signedArea, type Point } from './index.ts';

const same = (ring: readonly Point[], d: number) => ring.map(() => d);
const box: Point[] = [
  [0, 0],
  [50, 0],
  [50, 30],
  [0, 30],
];

describe('the quick inset', () => {
  it('of a box, evenly and edge by edge', () => {
    expect(signedArea(mitredInset(box, same(box, 2)) as Point[])).toBeCloseTo(46 * 26, 9);
    const uneven = mitredInset(box, [1, 2, 3, 0]) as Point[];
    expect(uneven).toEqual([
      [0, 1],
      [48, 1],
      [48, 27],
      [0, 27],
    ]);
  });
  it('an edge that is eaten lets its neighbours meet', () => {
    const bevelled: Point[] = [
      [0, 0],
      [50, 0],
      [50, 29],
      [49, 30],
      [0, 30],
    ];
    expect(signedArea(mitredInset(bevelled, same(bevelled, 5)) as Point[])).toBeCloseTo(40 * 20, 6);
  });
  it('takes a ring either way round', () => {
    const back = [...box].reverse();
    expect(Math.abs(signedArea(mitredInset(back, same(back, 2)) as Point[]))).toBeCloseTo(46 * 26, 9);
  });
  it.each([
    [
      'a waist closes',
      [
        [0, 0],
        [20, 9],
        [40, 0],
        [40, 20],
        [20, 11],
        [0, 20],
      ],
      1.5,
    ],
    ['nothing is left', box, 16],
    [
      'a point is a needle',
      [
        [0, 0],
        [60, 0.5],
        [0, 1],
      ],
      0.1,
    ],
  ] as [string, Point[], number][])('leaves it to the general offset where %s', (_, ring, d) => {
    expect(mitredInset(ring, same(ring, d))).toBeNull();
  });
  it('agrees with the general offset wherever it answers (random stars)', () => {
    let answered = 0;
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 8, max: 40, noNaN: true }), { minLength: 5, maxLength: 30 }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        (radii, d) => {
          const ring = radii.map((r, k): Point => {
            const a = (2 * Math.PI * k) / radii.length;
            return [r * Math.cos(a), r * Math.sin(a)];
          });
          const quick = mitredInset(ring, same(ring, d));
          if (!quick) return;
          answered++;
          // Long mitres at inside corners stay within the limit of both; grid of 0.1 µm along the border.
          expect(Math.abs(signedArea(quick) - areaOfRings(insetRegion([ring], d)))).toBeLessThan(0.2);
        },
      ),
      { numRuns: 400, seed: 7 },
    );
    expect(answered).toBeGreaterThan(80);
  });
  it('edge by edge it agrees with cutting strips away (convex rings)', () => {
    const ring: Point[] = [
      [0, 0],
      [40, -8],
      [70, 20],
      [50, 55],
      [10, 50],
    ];
    const by = [0, 1, 0.4, 2, 0.7];
    const strips = by.map((halfMm, i) => ({ points: [ring[i] as Point, ring[(i + 1) % 5] as Point], halfMm }));
    expect(signedArea(mitredInset(ring, by) as Point[])).toBeCloseTo(areaOfRings(cutAway([ring], strips)), 1);
  });
});
