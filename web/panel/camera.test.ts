import { describe, expect, it } from 'vitest';
import { seededRandom } from '#core/units';
import { fitted, inView, moved, rest, STILL, type Move } from './camera.ts';

const area = { x: -20, y: 10, width: 400, height: 200 };

describe('the camera of a board', () => {
  it('shows an area in the middle, as large as it goes', () => {
    const placed = fitted(area, 800, 800);
    expect(placed.pxPerMm).toBe(2);
    // Left edge of the area at the left edge of the board, its middle half way down.
    expect(placed.x + placed.pxPerMm * area.x).toBeCloseTo(0);
    expect(placed.y + placed.pxPerMm * (area.y + area.height / 2)).toBeCloseTo(400);
  });
  it('a board without a size shows nothing, and nothing breaks', () => {
    expect(fitted(area, 0, 0).pxPerMm).toBe(0);
  });
  it('what is in view is what was fitted, and less the closer a hand comes', () => {
    expect(inView(fitted(area, 800, 400))).toMatchObject({ x: -20, y: 10, width: 400, height: 200 });
    const closer = inView(moved(fitted(area, 800, 400), { k: 4, x: -1200, y: -600 }));
    expect(closer).toMatchObject({ x: 130, y: 85, width: 100, height: 50 });
  });
  it('a move in two parts ends where one does: what is moved as a picture lies where it is placed anew', () => {
    const random = seededRandom(3);
    const anyMove = (): Move => ({ k: 1 + 8 * random(), x: 900 * (random() - 0.5), y: 900 * (random() - 0.5) });
    for (let i = 0; i < 200; i++) {
      const [made, wanted] = [anyMove(), anyMove()];
      const left = rest(made, wanted);
      const [px, py] = [1000 * random(), 700 * random()];
      expect(left.k * (made.k * px + made.x) + left.x).toBeCloseTo(wanted.k * px + wanted.x, 6);
      expect(left.k * (made.k * py + made.y) + left.y).toBeCloseTo(wanted.k * py + wanted.y, 6);
    }
    expect(rest(STILL, { k: 2, x: 3, y: 4 })).toEqual({ k: 2, x: 3, y: 4 });
  });
});
