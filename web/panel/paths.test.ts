import { expect, it } from 'vitest';
import type { CartoonAnswer } from '#contract';
import { readDrawing } from '#core/cutting';
import { DEFAULT_LIMITS } from '#core/limits';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { doc } from '../../core/test/panels.ts';
import { sketchOf } from '#core/cartoon';
import { panelPaths, sketchPaths } from './paths.ts';

function answer(source: string): CartoonAnswer {
  const result = readDrawing({
    kind: 'read',
    source,
    options: {},
    allowance: DEFAULT_ALLOWANCE.foil,
    limits: DEFAULT_LIMITS,
  });
  if ('refusal' in result) throw new Error(result.refusal);
  return { id: 'x', ...result };
}

const PANES = answer(doc(100, 100, '<rect width="100" height="100"/><path d="M50 0V100M0 50H100"/>'));

it('has a closed path for every piece and an open one for every line', () => {
  const paths = panelPaths(PANES);
  for (const { number } of PANES.cartoon.pieces) expect(paths.region.get(number)).toMatch(/^M[^M]*Z$/);
  expect(paths.region.get(1)).toBe('M0 50L0 0L50 0L50 50Z');
  expect(paths.lines).toHaveLength(PANES.cartoon.map.lines.length);
  expect(paths.lines.every((d) => d.startsWith('M') && !d.includes('Z'))).toBe(true);
  expect(paths.box).toEqual({ x: 0, y: 0, width: 100, height: 100 });
});

it('knows the pieces on both sides of a line, and the joints of a piece', () => {
  const paths = panelPaths(PANES);
  expect(paths.sides.filter((s) => s.length === 2)).toHaveLength(4);
  expect(paths.sides.filter((s) => s.length === 1)).toHaveLength(4);
  // A quarter pane meets two T joints at the rim, the X in the middle, and its L corner.
  expect(paths.jointsOf.get(1)).toHaveLength(4);
});

it('is worked out once for each drawing', () => {
  expect(panelPaths(PANES)).toBe(panelPaths(PANES));
  expect(panelPaths({ ...PANES })).not.toBe(panelPaths(PANES));
});

it('a ring piece is drawn with its hole', () => {
  const ring = panelPaths(
    answer(doc(90, 90, '<rect width="90" height="90"/><rect x="30" y="30" width="30" height="30"/>')),
  );
  expect([1, 2].map((n) => ring.region.get(n)?.split('M').length).sort()).toEqual([2, 3]);
});

it('a sketch is drawn like the drawing itself, to a tenth of a millimetre', () => {
  const [paths, small] = [panelPaths(PANES), sketchPaths(JSON.parse(JSON.stringify(sketchOf(PANES.cartoon))))];
  expect(small.box).toEqual(paths.box);
  for (const n of paths.pieces.keys()) expect(small.region.ringsOf(n)).toEqual(paths.region.ringsOf(n));
  expect(small.sides).toEqual(paths.sides);
  expect(small.joints.map((j) => [j.number, j.at])).toEqual(paths.joints.map((j) => [j.number, j.at]));
});
