import { stepOf, type Piece, type Route } from '../bench/index.ts';
import type { Glass } from '../stock/index.ts';

/** A piece as it is called out: its number, its glass, how far it is. */
export function pieceSaid(
  { number, stage, broken }: Pick<Piece, 'number' | 'stage' | 'broken'>,
  glass: Pick<Glass, 'code' | 'name'> | undefined,
  route: Route,
): string {
  const stands = broken === null ? (stepOf(route, stage)?.word ?? stage) : 'broken, to cut again';
  return `Piece ${number}, ${glass ? `${glass.code} ${glass.name}` : 'no glass'}, ${stands}`;
}
