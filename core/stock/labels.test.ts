import { expect, it } from 'vitest';
import { labelsFrom } from './index.ts';

it.each([
  ['B7', 3, [], ['B7', 'B8', 'B9']],
  ['B9', 3, ['b10'], ['B9', 'B11', 'B12']],
  ['S-01', 2, [], ['S-01', 'S-02']],
  ['S-99', 2, [], ['S-99', 'S-100']],
  ['sky', 3, ['sky-2'], ['sky', 'sky-3', 'sky-4']],
  ['7', 2, [], ['7', '8']],
  ['B7-1', 2, [], ['B7-1', 'B7-2']],
  ['B7', 1, [], ['B7']],
  ['B7', 0, [], []],
])('%s, %d of them beside %j', (first, howMany, taken, labels) =>
  expect(labelsFrom(first, howMany, (label) => new Set<string>(taken).has(label.toLowerCase()))).toEqual(labels),
);
