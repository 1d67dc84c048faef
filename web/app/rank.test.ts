import { expect, it } from 'vitest';
import { rankOf } from './rank.ts';

const rank = (typed: string) =>
  (
    [
      ['Piece 12', 'R-118 ripple water'],
      ['Piece 112', 'S-14 sky'],
      ['R-118 ripple water', 'rippled'],
      ['Bench', 'cut, ground, foiled, in place'],
      ['Heron at low water', 'the tide mill'],
    ] as const
  )
    .map(([name, more]) => ({ name, score: rankOf(name, more, typed) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .map(({ name }) => name);

it.each([
  ['12', ['Piece 12', 'Piece 112']],
  ['ripp', ['R-118 ripple water', 'Piece 12']],
  ['r-118', ['R-118 ripple water', 'Piece 12']],
  ['piece ripple', ['Piece 12']],
  ['low water', ['Heron at low water']],
  ['bench', ['Bench']],
  ['mill', ['Heron at low water']],
  ['zzz', []],
])('“%s”', (typed, names) => expect(rank(typed)).toEqual(names));

it('nothing typed shows everything', () => expect(rankOf('Rack', '', ' ')).toBe(1));
