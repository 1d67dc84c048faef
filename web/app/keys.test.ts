import { expect, it } from 'vitest';
import { keysAt } from './keys.ts';

const titles = (path: string) => keysAt(path).map((group) => group.title);

it('each place has its own keys, and those of everywhere', () => {
  expect(titles('/rack')).toEqual(['Everywhere']);
  expect(titles('/panels/p/bench')).toEqual(['On the board', 'The tally line', 'Everywhere']);
  expect(titles('/panels/p/cartoon')).toEqual(['On the drawing', 'The tally line', 'Everywhere']);
  expect(titles('/panels/p/hours')).toEqual(['The tally line', 'Everywhere']);
});

it('no key is said twice in one group', () => {
  for (const path of ['/', '/panels/p/bench', '/panels/p/cartoon'])
    for (const { keys } of keysAt(path)) expect(new Set(keys.map(([k]) => k)).size).toBe(keys.length);
});
