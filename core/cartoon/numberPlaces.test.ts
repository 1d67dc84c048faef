import { describe, expect, it } from 'vitest';
import { seededRandom } from '#core/units';
import { numberPlaces, type Numbered, type NumberPlace } from './numberPlaces.ts';

const SIZES = { least: 12, most: 16 };

/** The box of a number's ink: what must not be covered. */
const inkOf = ({ number, at: [x, y], size }: NumberPlace) => {
  const [w, h] = [(String(number).length * 0.5 * size) / 2, (0.66 * size) / 2];
  return { x0: x - w, y0: y - h, x1: x + w, y1: y + h };
};

describe('where numbers are written', () => {
  it('in the middle of a piece where they fit in, as large as is of use', () => {
    const [place] = numberPlaces([{ number: 7, at: [50, 60], radius: 40 }], SIZES);
    expect(place).toEqual({ number: 7, at: [50, 60], size: 16, from: null });
  });
  it('smaller where there is less room, but never too small to read', () => {
    const [place] = numberPlaces([{ number: 107, at: [0, 0], radius: 12.5 }], SIZES);
    expect(place?.size).toBeGreaterThanOrEqual(12);
    expect(place?.size).toBeLessThan(16);
  });
  it('a piece that is too small is led to from a larger one beside it', () => {
    const pieces: Numbered[] = [
      { number: 1, at: [100, 100], radius: 60 },
      { number: 2, at: [170, 100], radius: 5 },
    ];
    const [, led] = numberPlaces(pieces, SIZES);
    expect(led?.from).toEqual([170, 100]);
    expect(Math.hypot((led?.at[0] ?? 0) - 100, (led?.at[1] ?? 0) - 100)).toBeLessThan(66);
  });
  it('where everything is small nothing is written on another: it comes when one looks closer', () => {
    const crowd = Array.from({ length: 400 }, (_, i): Numbered => ({
      number: i + 1000,
      at: [(i % 20) * 9, Math.floor(i / 20) * 9],
      radius: 4,
    }));
    expect(numberPlaces(crowd, SIZES)).toEqual([]);
    const closer = crowd.map((one): Numbered => ({
      ...one,
      at: [one.at[0] * 6, one.at[1] * 6],
      radius: one.radius * 6,
    }));
    expect(numberPlaces(closer, SIZES)).toHaveLength(400);
  });
  it.each([1, 2, 3, 4, 5])('no two lie on each other, and each size can be read (a thrown panel, seed %i)', (seed) => {
    const random = seededRandom(seed);
    const pieces: Numbered[] = [];
    for (let n = 1; pieces.length < 160 && n < 4000; n++) {
      const one = { number: n, at: [random() * 900, random() * 700] as const, radius: 2 + 50 * random() ** 3 };
      const isFree = pieces.every((p) => Math.hypot(p.at[0] - one.at[0], p.at[1] - one.at[1]) > p.radius + one.radius);
      if (isFree) pieces.push(one);
    }
    const places = numberPlaces(pieces, SIZES);
    expect(places.some((place) => place.from !== null)).toBe(true);
    for (const [i, a] of places.entries()) {
      expect(a.size).toBeGreaterThanOrEqual(12);
      expect(a.size).toBeLessThanOrEqual(16);
      const one = inkOf(a);
      for (const b of places.slice(i + 1)) {
        const two = inkOf(b);
        const covers = one.x0 < two.x1 && two.x0 < one.x1 && one.y0 < two.y1 && two.y0 < one.y1;
        expect(covers).toBe(false);
      }
    }
  });
});
