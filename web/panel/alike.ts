import type { PieceRow } from '../state/studio.ts';

/** All pieces of the same glass; of one that has none yet, its section. */
export function alikeOf(pieces: readonly PieceRow[]): (number: number) => number[] {
  return (number) => {
    const one = pieces.find((p) => p.number === number);
    if (!one) return [];
    const isAlike = (p: PieceRow): boolean =>
      one.glassId !== null ? p.glassId === one.glassId : p.glassId === null && p.section === one.section;
    return pieces.filter(isAlike).map((p) => p.number);
  };
}
