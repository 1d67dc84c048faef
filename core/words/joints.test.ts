import { expect, it } from 'vitest';
import { jointName, jointsWords } from './index.ts';

const joints = [
  { number: 1, pieces: [7, 4, 5] },
  { number: 2, pieces: [4, 5] },
  { number: 3, pieces: [9] },
  { number: 4, pieces: [1, 2, 3, 4] },
  { number: 5, pieces: [] },
];

it('a joint is named by the pieces that meet there, in the order of their numbers', () =>
  expect(joints.map(jointName)).toEqual([
    'the one by 4, 5 and 7',
    'the one by 4 and 5',
    'the one at piece 9',
    'the one by 1, 2, 3 and 4',
    'joint 5',
  ]));

it.each([
  [[], '0 of 5 joints soldered on the back.'],
  [[1, 2, 3, 4, 5], '5 of 5 joints soldered on the back.'],
  [[2, 3, 4, 5], '4 of 5 joints soldered on the back: the one by 4, 5 and 7 is open.'],
  [[2, 4, 5], '3 of 5 joints soldered on the back: the one by 4, 5 and 7; the one at piece 9 are open.'],
  [[5], '1 of 5 joints soldered on the back; open: 1–4.'],
])('with %j ticked', (soldered, words) => expect(jointsWords(joints, soldered, 'back')).toBe(words));
