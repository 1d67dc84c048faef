import { describe, expect, it } from 'vitest';
import { nearestNode, lineSearch, readCartoon } from './index.ts';
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
    const points = line === null ? [] : (cartoon.map.lines[line]?.points ?? []);
    expect(points.every(([x]) => x === 50)).toBe(true);
    expect(nearestLine([75, 40], 2)).toBeNull();
    expect(nearestLine([75, 40], 30)).not.toBeNull();
  });
  it('a curve is met where it runs, not on its chord', () => {
    const onCurve = cartoon.map.lines.findIndex(
      ({ points }) => points.length > 4 && points.some(([x, y]) => x > 5 && x < 45 && y > 30 && y < 50),
    );
    const [x, y] = cartoon.map.lines[onCurve]?.points[8] as [number, number];
    expect(nearestLine([x, y], 0.1)).toBe(onCurve);
  });
  it('the nearest joint within reach', () => {
    const node = nearestNode(cartoon.map, [49, 41], 3);
    expect(node === null ? null : cartoon.map.nodes[node]).toEqual([50, 40]);
    expect(nearestNode(cartoon.map, [25, 60], 3)).toBeNull();
  });
});
