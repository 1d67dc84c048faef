import { expect, it } from 'vitest';
import { isKeyOf, isOneOf, keysOf, recordOf } from './index.ts';

const GLASS = { clear: 1, opal: 2 } as const;

it('keys of a closed table, in its own order', () => {
  expect(keysOf(GLASS)).toEqual(['clear', 'opal']);
});

it('a word is a key only where the table itself has it', () => {
  expect(isKeyOf(GLASS, 'opal')).toBe(true);
  expect(isKeyOf(GLASS, 'amber')).toBe(false);
  // What every object inherits is no key of a table.
  expect(isKeyOf(GLASS, 'toString')).toBe(false);
  expect(isOneOf(['front', 'back'], 'back')).toBe(true);
  expect(isOneOf(['front', 'back'], 'side')).toBe(false);
});

it('a table with an entry for each key', () => {
  expect(recordOf(['a', 'b'], (key) => key + key)).toEqual({ a: 'aa', b: 'bb' });
});
