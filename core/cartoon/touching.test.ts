import { describe, expect, it } from 'vitest';
import { readCartoon } from './index.ts';

const read = (body: string) => {
  const source = `<svg xmlns="http://www.w3.org/2000/svg" width="400mm" height="400mm" viewBox="0 0 400 400"><g fill="none" stroke="#000" stroke-width="0.3">${body}</g></svg>`;
  const reading = readCartoon(source);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
};
const FRAME = '<rect width="400" height="400"/>';
const at = (r: number, a: number): [number, number] => [200 + r * Math.cos(a), 200 + r * Math.sin(a)];
const circle = ([x, y]: readonly number[], r: number, digits = 3) =>
  `<circle cx="${x?.toFixed(digits)}" cy="${y?.toFixed(digits)}" r="${r.toFixed(digits)}"/>`;

// Discs that touch at a point bound what lies between them: areas by formula.
describe('bulges that touch', () => {
  it.each([0, 0.1, 0.37, 0.7, 1])('six discs round a seventh, turned by %d: thirteen pieces and the ground', (turn) => {
    const r = 40;
    const ring = Array.from({ length: 6 }, (_, k) => circle(at(2 * r, turn + (k * Math.PI) / 3), r)).join('');
    const { pieces, joints } = read(FRAME + circle([200, 200], r) + ring);
    const areas = pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
    expect(areas).toHaveLength(14);
    // Between three discs: √3 r² − πr²/2.
    const between = (Math.sqrt(3) - Math.PI / 2) * r * r;
    for (const area of areas.slice(0, 6)) expect(Math.abs(area / between - 1)).toBeLessThan(0.02);
    for (const area of areas.slice(6, 13)) expect(Math.abs(area / (Math.PI * r * r) - 1)).toBeLessThan(0.001);
    expect(joints.length).toBeGreaterThanOrEqual(12);
  });
  it.each([5, 8, 15, 60])('rows of discs of radius %d mm touch each other and the lines between them', (r) => {
    const lines = `<path d="M0 ${200 - r}H400M0 ${200 + r}H400"/>`;
    const discs = [0, 1, 2].map((k) => circle([200 + (k - 1) * 2 * r, 200], r)).join('');
    const { pieces } = read(FRAME + lines + discs);
    // Above, below, three discs, two ends of the row, and four corners between the discs.
    expect(pieces).toHaveLength(11);
    const slivers = pieces.filter((p) => p.areaMm2 < 0.1 * r * r * (1 - Math.PI / 4));
    expect(slivers).toEqual([]);
  });
  it('discs that are a tenth apart do not touch; ones that overlap by a fifth have no glass between them', () => {
    expect(read(FRAME + circle([150, 200], 50) + circle([250.1, 200], 50)).joints.length).toBeLessThan(6);
    expect(read(FRAME + circle([150, 200], 50) + circle([249.8, 200], 50)).pieces).toHaveLength(3);
  });
  it('a line drawn twice over stays one line', () => {
    const wave = 'M0 200C100 100 300 300 400 200';
    expect(read(`${FRAME}<path d="${wave}"/><path d="${wave}"/>`).pieces).toHaveLength(2);
    expect(read(`${FRAME}<path d="${wave}"/><path transform="translate(0 0.03)" d="${wave}"/>`).pieces).toHaveLength(2);
  });
});
