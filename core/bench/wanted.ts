import { signedArea } from '../geometry/index.ts';
import type { CutPiece } from '../sizing/index.ts';
import { fitsOn, wantedFlow, type Glass, type StockItem, type Wanted } from '../stock/index.ts';
import { BEGINS, wantsBack, type Route } from './routes/route.ts';
import { backGlassOf, type Piece } from './tables.ts';

type Wanting = Pick<Piece, 'number' | 'glassId' | 'stage' | 'flowDeg' | 'widthMm' | 'heightMm' | 'areaMm2'>;

/** How much of each glass pieces still want from the rack, mm²: of those to cut, and of those that lie behind. */
export function glassStillToCut(
  route: Route,
  pieces: readonly Pick<Piece, 'stage' | 'asks' | 'from' | 'glassId' | 'backGlassId' | 'backFrom' | 'areaMm2'>[],
): ReadonlyMap<string, number> {
  const mm2 = new Map<string, number>();
  const add = (glassId: string | null, areaMm2: number) => {
    if (glassId !== null) mm2.set(glassId, (mm2.get(glassId) ?? 0) + areaMm2);
  };
  for (const piece of pieces) {
    if (piece.stage === BEGINS) add(piece.glassId, piece.areaMm2);
    if (wantsBack(route, piece)) add(backGlassOf(piece), piece.areaMm2);
  }
  return mm2;
}

/** What a piece wants of a sheet: its cut outline where there is one, lying the way its flow runs. */
export function wantedBy(
  piece: Omit<Wanting, 'number' | 'glassId' | 'stage'>,
  cut: Pick<CutPiece, 'rings'> | undefined,
  glass: Pick<Glass, 'flow'> | undefined,
): Wanted {
  const { widthMm, heightMm, areaMm2 } = piece;
  const ring = cut?.rings.find((r) => signedArea(r) > 0) ?? null;
  return { ring, widthMm, heightMm, areaMm2, flowDeg: wantedFlow(glass, piece.flowDeg) };
}

/**
 * Numbers of pieces still to be cut that nothing on the rack is large enough for, the way their flow runs. A glass of
 * which there is nothing at all is told as running short, not here.
 */
export function tooLargeForRack(
  pieces: readonly Wanting[],
  cuts: readonly CutPiece[],
  glasses: ReadonlyMap<string, Glass>,
  stockOf: (glassId: string) => Iterable<StockItem>,
  edgeMm: number,
): number[] {
  const cutOf = new Map(cuts.map((cut) => [cut.number, cut]));
  return pieces.flatMap((piece) => {
    const glass = piece.glassId === null ? undefined : glasses.get(piece.glassId);
    if (piece.stage !== BEGINS || !glass) return [];
    const sheets = [...stockOf(glass.id)];
    const wanted = wantedBy(piece, cutOf.get(piece.number), glass);
    return sheets.length === 0 || sheets.some((s) => fitsOn(wanted, s, edgeMm)) ? [] : [piece.number];
  });
}
