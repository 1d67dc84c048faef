import { expect, it } from 'vitest';
import { readDrawing } from '#core/cutting';
import type { Cartoon } from '#core/cartoon';
import { DEFAULT_LIMITS } from '#core/limits';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { doc, paneNet } from '../../core/test/panels.ts';
import { pieceAt } from './pieceAt.ts';

function drawn(source: string): Cartoon {
  const { foil: allowance } = DEFAULT_ALLOWANCE;
  const result = readDrawing({ kind: 'read', source, options: {}, allowance, limits: DEFAULT_LIMITS });
  if ('refusal' in result) throw new Error(result.refusal);
  return result.cartoon;
}

it('finds each piece of a large net under its own number, and none beside the panel', () => {
  const cartoon = drawn(paneNet(22, 24, 20, { curved: true }));
  expect(cartoon.pieces.map((piece) => pieceAt(cartoon, piece.labelAt))).toEqual(cartoon.pieces.map((p) => p.number));
  expect(pieceAt(cartoon, [-30, 100])).toBeNull();
});

it('a piece in the hollow of another is the one that is meant there', () => {
  const cartoon = drawn(doc(100, 100, '<rect width="100" height="100"/><circle cx="50" cy="50" r="20"/>'));
  const [ring, disc] = [pieceAt(cartoon, [5, 5]), pieceAt(cartoon, [50, 50])];
  expect([ring, disc].sort()).toEqual([1, 2]);
  expect(pieceAt(cartoon, [50, 75])).toBe(ring);
  expect(pieceAt(cartoon, [50, 65])).toBe(disc);
});
