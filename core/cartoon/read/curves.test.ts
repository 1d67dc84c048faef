import { describe, expect, it } from 'vitest';
import { readCartoon } from '../readCartoon.ts';

const areas = (body: string, size = 400): number[] => {
  const source = `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" viewBox="0 0 ${size} ${size}"><g fill="none" stroke="#000" stroke-width="0.3">${body}</g></svg>`;
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon.pieces.map((p) => p.areaMm2);
};
/** Within a thousandth. */
const expectArea = (mm2: number, exact: number) => expect(Math.abs(mm2 / exact - 1)).toBeLessThan(0.001);

// Areas by their formulas: πr², πab, and of a region bounded by Béziers by Green's theorem.
describe('curves hold their area to a thousandth, at every size', () => {
  it.each([2, 3, 5, 8, 13, 21, 34, 55, 89, 144])('a circle of radius %d mm', (r) => {
    expectArea(areas(`<circle cx="200" cy="200" r="${r}"/>`)[0] ?? 0, Math.PI * r * r);
  });
  it.each([
    [4, 2],
    [9, 3],
    [30, 8],
    [120, 40],
  ])('an ellipse of %d by %d', (a, b) => {
    expectArea(
      areas(`<ellipse cx="200" cy="200" rx="${a}" ry="${b}" transform="rotate(23 200 200)"/>`)[0] ?? 0,
      Math.PI * a * b,
    );
  });
  it.each([3, 10, 40, 150])('half a disc of radius %d mm, and its other half', (r) => {
    const [one = 0, two = 0] = areas(
      `<path d="M${200 - r} 200A${r} ${r} 0 0 1 ${200 + r} 200A${r} ${r} 0 0 1 ${200 - r} 200ZM${200 - r} 200H${200 + r}"/>`,
    );
    expectArea(one, (Math.PI * r * r) / 2);
    expectArea(two, (Math.PI * r * r) / 2);
  });
  it.each([0.02, 0.1, 0.5, 1, 2])('a leaf of two Béziers, %d times its size', (k) => {
    // x = 100(3s²t·0 + …): each side bulges by control points 60 mm off the axis; area 2 · 3/20 · (100·60·2 + …) = 2 · 0.75 · 60 · 100 · …
    const d = `M200 200C${200 + 33 * k} ${200 - 60 * k} ${200 + 66 * k} ${200 - 60 * k} ${200 + 99 * k} 200C${200 + 66 * k} ${200 + 60 * k} ${200 + 33 * k} ${200 + 60 * k} 200 200Z`;
    // ∫ y dx of one side: y = 180k·t(1−t), x = 99k·t, so 99·180·k²/6; twice.
    expectArea(areas(`<path d="${d}"/>`)[0] ?? 0, (2 * 99 * 180 * k * k) / 6);
  });
  it('what is left of a square round a disc is as right as the disc', () => {
    const all = areas('<rect x="100" y="100" width="60" height="60"/><circle cx="130" cy="130" r="20"/>');
    expectArea(Math.min(...all), Math.PI * 400);
    expectArea(Math.max(...all), 3600 - Math.PI * 400);
  });
  it('a disc that touches its frame on all four sides makes four corners and itself, and no slivers', () => {
    const all = areas('<rect x="100" y="100" width="60" height="60"/><circle cx="130" cy="130" r="30"/>').sort(
      (a, b) => a - b,
    );
    expect(all).toHaveLength(5);
    for (const corner of all.slice(0, 4)) expectArea(corner, (3600 - Math.PI * 900) / 4);
    expectArea(all[4] ?? 0, Math.PI * 900);
  });
  it.each([
    [0.4, 1],
    [4, 1],
    [40_000, 100],
  ])('drawn %d mm wide and really 400: the circle is as round as if it had been drawn so', (size, view) => {
    const source = `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" viewBox="0 0 ${view} ${view}"><g fill="none" stroke="#000"><rect width="${view}" height="${view}"/><circle cx="${view / 2}" cy="${view / 2}" r="${view / 20}"/></g></svg>`;
    const reading = readCartoon(source, { widthMm: 400 });
    if ('refusal' in reading) throw new Error(reading.refusal);
    const [disc = 0] = reading.cartoon.pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
    expectArea(disc, Math.PI * 20 * 20);
    expect(reading.scale).toBeCloseTo(400 / size, 3);
    const plain = readCartoon(source);
    expect('refusal' in plain && plain.refusal).toBe(size < 1 ? 'too-small' : size > 3200 ? 'too-wide' : false);
  });
});
