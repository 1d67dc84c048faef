import { describe, expect, it } from 'vitest';
import { catcher, nearestNode, lineSearch, readCartoon } from './index.ts';
import { doc } from '../test/panels.ts';

const reading = readCartoon(
  doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M50 0V80"/><path d="M0 40C20 30 40 50 50 40"/>'),
);
if ('refusal' in reading) throw new Error(reading.refusal);
const { cartoon } = reading;
const nearestLine = lineSearch(cartoon.map);

describe('what a tap means', () => {
  it('the nearest line within reach', () => {
    const line = nearestLine([51, 20], 2);
    const points = line === null ? [] : (cartoon.map.lines[line.line]?.points ?? []);
    expect(line?.at).toEqual([50, 20]);
    expect(points.every(([x]) => x === 50)).toBe(true);
    expect(nearestLine([75, 40], 2)).toBeNull();
    expect(nearestLine([75, 40], 30)).not.toBeNull();
  });
  it('a curve is met where it runs, not on its chord', () => {
    const onCurve = cartoon.map.lines.findIndex(
      ({ points }) => points.length > 4 && points.some(([x, y]) => x > 5 && x < 45 && y > 30 && y < 50),
    );
    const [x, y] = cartoon.map.lines[onCurve]?.points[8] as [number, number];
    expect(nearestLine([x, y], 0.1)?.line).toBe(onCurve);
  });
  it('the nearest joint within reach', () => {
    const node = nearestNode(cartoon.map, [49, 41], 3);
    expect(node === null ? null : cartoon.map.nodes[node]).toEqual([50, 40]);
    expect(nearestNode(cartoon.map, [25, 60], 3)).toBeNull();
  });
  it('a finger catches a joint before the line that runs through it, and nothing in the open', () => {
    const caught = catcher(cartoon.map);
    expect(caught([52, 38], 5)).toMatchObject({ node: expect.any(Number) as number, line: null, at: [50, 40] });
    expect(caught([50.5, 43.6], 5)).toMatchObject({ node: null, at: [50, 43.6] });
    expect(caught([52, 20], 4)).toMatchObject({ node: null, at: [50, 20] });
    expect(caught([75, 60], 4)).toBeNull();
  });
});
