import type { PieceRow } from '#core/bench';
import type { Glance } from './answers.ts';

type Seen = Pick<PieceRow, 'number' | 'stage' | 'glassId' | 'broken' | 'tooSmall' | 'asks'>;

/** Pieces in columns: a list of panels in hand is a tenth of the size so. */
export function packPieces(rows: readonly Seen[]): Glance['pieces'] {
  const stageCodes = [...new Set(rows.map((p) => p.stage))];
  const glassIds = [...new Set(rows.flatMap((p) => p.glassId ?? []))];
  return {
    numbers: rows.map((p) => p.number),
    stageCodes,
    stages: rows.map((p) => stageCodes.indexOf(p.stage)),
    glassIds,
    glasses: rows.map((p) => (p.glassId === null ? -1 : glassIds.indexOf(p.glassId))),
    broken: rows.filter((p) => p.broken !== null).map((p) => p.number),
    tooSmall: rows.filter((p) => p.tooSmall).map((p) => p.number),
    asks: Object.fromEntries(rows.flatMap((p) => (p.asks.length > 0 ? [[String(p.number), [...p.asks]]] : []))),
  };
}

/** Why a piece broke is not told here, only that it did. */
export interface SeenPiece {
  readonly number: number;
  readonly stage: string;
  readonly glassId: string | null;
  readonly broken: 'broken' | null;
  readonly tooSmall: boolean;
  readonly asks: readonly string[];
}

export function unpackPieces(pieces: Glance['pieces']): SeenPiece[] {
  const broken = new Set(pieces.broken);
  const tooSmall = new Set(pieces.tooSmall);
  return pieces.numbers.map((number, i) => ({
    number,
    stage: pieces.stageCodes[pieces.stages[i] ?? 0] ?? '',
    glassId: pieces.glassIds[pieces.glasses[i] ?? -1] ?? null,
    broken: broken.has(number) ? 'broken' : null,
    tooSmall: tooSmall.has(number),
    asks: pieces.asks[String(number)] ?? [],
  }));
}
