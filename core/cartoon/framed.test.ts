import { describe, expect, it } from 'vitest';
import { seededRandom } from '../units/index.ts';
import { readCartoon } from './index.ts';

const read = (body: string) => {
  const source = `<svg xmlns="http://www.w3.org/2000/svg" width="320mm" height="260mm" viewBox="0 0 320 260"><g fill="none" stroke="#000" stroke-width="0.3">${body}</g></svg>`;
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
};
const box = (x: number, y: number, w: number, h: number) => `<rect x="${x}" y="${y}" width="${w}" height="${h}"/>`;
/** Four by three cells of 60 mm, each drawn by itself. */
const cells = (gapMm: number) =>
  Array.from({ length: 12 }, (_, k) =>
    box(40 + (k % 4) * 60 + gapMm / 2, 40 + Math.floor(k / 4) * 60 + gapMm / 2, 60 - gapMm, 60 - gapMm),
  ).join('');
const neighbours = (body: string) =>
  read(body)
    .pieces.map((p) => p.neighbours.length)
    .sort((a, b) => a - b);
/** Of four by three: four corners with two, six sides with three, two in the middle with four. */
const FOUR_BY_THREE = [2, 2, 2, 2, 3, 3, 3, 3, 3, 3, 4, 4];

describe('cells drawn one by one with a frame round them', () => {
  it.each([-1.8, -0.6, -0.2, -0.05, 0, 0.2, 0.6, 1.2, 1.8])(
    'a gap of %d mm between them: each has its neighbours',
    (gapMm) => {
      expect(neighbours(cells(gapMm) + box(40, 40, 240, 180))).toEqual(FOUR_BY_THREE);
      const { pieces, joints } = read(cells(gapMm) + box(40, 40, 240, 180));
      for (const { areaMm2 } of pieces) expect(Math.abs(areaMm2 / 3600 - 1)).toBeLessThan(0.035);
      expect(joints.length).toBe(20);
    },
  );
  it.each([-1.2, -0.2, 0.2, 1.2])('a frame that the cells reach over, %d mm between them, is no border', (gapMm) => {
    expect(neighbours(cells(gapMm) + box(40.6, 40.6, 238.8, 178.8))).toEqual(FOUR_BY_THREE);
  });
  it('a frame further out is a piece of its own round them', () => {
    const { pieces } = read(cells(0.6) + box(30, 30, 260, 200));
    expect(pieces).toHaveLength(13);
    expect(Math.max(...pieces.map((p) => p.neighbours.length))).toBeGreaterThanOrEqual(10);
  });
  it('a frame of two lines', () => {
    expect(read(cells(0.6) + box(40, 40, 240, 180) + box(30, 30, 260, 200)).pieces).toHaveLength(13);
  });
  it('cells of any four corners, each a little smaller than its share', () => {
    const random = seededRandom(4);
    const node = Array.from({ length: 5 }, (_, i) =>
      Array.from({ length: 4 }, (__, j) => {
        const isRim = i === 0 || i === 4 || j === 0 || j === 3;
        return [40 + i * 60 + (isRim ? 0 : 16 * random() - 8), 40 + j * 60 + (isRim ? 0 : 16 * random() - 8)] as const;
      }),
    );
    const cell = (i: number, j: number) => {
      const corners = [node[i]?.[j], node[i + 1]?.[j], node[i + 1]?.[j + 1], node[i]?.[j + 1]].map((p) => p ?? [0, 0]);
      const [mx, my] = [0, 1].map((k) => corners.reduce((sum, p) => sum + (p[k] ?? 0), 0) / 4);
      return `<path d="M${corners.map(([x = 0, y = 0]) => `${(x + ((mx ?? 0) - x) * 0.01).toFixed(3)} ${(y + ((my ?? 0) - y) * 0.01).toFixed(3)}`).join('L')}Z"/>`;
    };
    const all = Array.from({ length: 12 }, (_, k) => cell(k % 4, Math.floor(k / 4))).join('');
    expect(neighbours(all + box(40, 40, 240, 180))).toEqual(FOUR_BY_THREE);
  });
  it('islands in a frame are islands still', () => {
    const discs = [0, 1, 2, 3].map((k) => `<circle cx="${80 + 50 * k}" cy="120" r="15"/>`).join('');
    expect(read(discs + box(40, 40, 240, 180)).pieces).toHaveLength(5);
  });
});
