import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { areaBeyond, areaOf, clip, flatOf, holdsSquare, hullOf, leastWidth, shrunk, type Flat } from './convex.ts';
import { largestRectangle } from './rectangle.ts';

const regular = (sides: number, radius: number, turn = 0): Flat =>
  Array.from({ length: sides }, (_, k) => {
    const t = turn + (2 * Math.PI * k) / sides;
    return [radius * Math.cos(t), radius * Math.sin(t)];
  }).flat();
const areaIn = (poly: Flat) => {
  const { width, height } = largestRectangle(poly);
  return width * height;
};

describe('largest rectangle, any angle', () => {
  it('is half of a triangle (Euclid VI 27 gives the same for its base)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 })), {
          minLength: 3,
          maxLength: 3,
        }),
        (points) => {
          const hull = hullOf(points);
          fc.pre(hull.length === 6 && leastWidth(hull) > 5);
          expect(areaIn(hull) / (areaOf(hull) / 2)).toBeGreaterThan(0.985);
          expect(areaIn(hull) / (areaOf(hull) / 2)).toBeLessThan(1.0001);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is √3 in a hexagon of side 1, and 2r² in a circle, however they are turned', () => {
    for (const turn of [0, 0.3, 1]) {
      expect(areaIn(regular(6, 100, turn)) / (Math.sqrt(3) * 1e4)).toBeCloseTo(1, 2);
      // A polygon of 32 corners holds the square between four of them.
      expect(areaIn(regular(32, 100, turn)) / 2e4).toBeCloseTo(1, 1);
    }
  });

  it('is the rectangle itself, with its angle', () => {
    const [cos, sin] = [Math.cos(0.4), Math.sin(0.4)];
    const poly = hullOf([
      [0, 0],
      [200 * cos, 200 * sin],
      [200 * cos - 90 * sin, 200 * sin + 90 * cos],
      [-90 * sin, 90 * cos],
    ]);
    const found = largestRectangle(poly);
    expect(found.width).toBeCloseTo(200, 0);
    expect(found.height).toBeCloseTo(90, 0);
    expect(found.angleDeg).toBeCloseTo((0.4 * 180) / Math.PI, 1);
  });
});

describe('squares', () => {
  it('a square holds itself at any turn, and none that is larger', () => {
    for (const turn of [0, 0.2, 0.7]) {
      const square = regular(4, 60 / Math.SQRT2, turn);
      expect(holdsSquare(square, 59.999)).toBe(true);
      expect(holdsSquare(square, 60.01, 180)).toBe(false);
    }
  });

  it('the largest in an equilateral triangle of side a is a·√3/(2+√3)', () => {
    const triangle = regular(3, 100);
    const side = 100 * Math.sqrt(3);
    const most = (side * Math.sqrt(3)) / (2 + Math.sqrt(3));
    expect(holdsSquare(triangle, most - 0.01)).toBe(true);
    expect(holdsSquare(triangle, most + 0.05, 180)).toBe(false);
  });
});

describe('half planes', () => {
  it('both sides of a line make the whole, and the area beyond is that of the clipped', () => {
    const points = fc.array(fc.tuple(fc.integer({ min: -300, max: 300 }), fc.integer({ min: -300, max: 300 })), {
      minLength: 3,
      maxLength: 12,
    });
    fc.assert(
      fc.property(
        points,
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        fc.integer({ min: -300, max: 300 }),
        (ring, rad, c) => {
          const poly = hullOf(ring);
          const [nx, ny] = [Math.cos(rad), Math.sin(rad)];
          const [near, far] = [areaOf(clip(poly, nx, ny, c)), areaOf(clip(poly, -nx, -ny, -c))];
          expect(near + far).toBeCloseTo(areaOf(poly), 4);
          expect(areaBeyond(poly, nx, ny, c)).toBeCloseTo(far, 4);
        },
      ),
    );
  });

  it('a rectangle drawn in by a strip', () => {
    expect(
      areaOf(
        shrunk(
          flatOf([
            [0, 0],
            [100, 0],
            [100, 50],
            [0, 50],
          ]),
          6,
        ),
      ),
    ).toBeCloseTo(88 * 38, 6);
    expect(
      shrunk(
        flatOf([
          [0, 0],
          [100, 0],
          [100, 50],
          [0, 50],
        ]),
        25.1,
      ),
    ).toEqual([]);
  });
});
