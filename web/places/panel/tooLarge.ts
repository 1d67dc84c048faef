import type { CartoonAnswer } from '#contract';
import { fitsSheet } from '#core/cutting';
import { signedArea } from '#core/geometry';
import type { PanelView } from './panelView.ts';

/** Pieces still to be cut that no sheet or offcut of their glass in the rack takes, the way their flow runs. */
export function tooLargePieces({ pieces, glasses, reader }: PanelView, answer: CartoonAnswer): number[] {
  const stock = [...reader.all('stock')].filter((s) => s.gone === null);
  const cuts = new Map(answer.cuts.map((cut) => [cut.number, cut]));
  return pieces.flatMap((piece) => {
    const glass = piece.glassId === null ? undefined : glasses.get(piece.glassId);
    const ring = cuts.get(piece.number)?.rings.find((r) => signedArea(r) > 0);
    if (piece.stage !== 'to-cut' || !glass || !ring) return [];
    const flowDeg = glass.flow ? (piece.flowDeg ?? null) : null;
    const sheets = stock.filter((s) => s.glassId === glass.id);
    return sheets.length === 0 || sheets.some((s) => fitsSheet(ring, flowDeg, s)) ? [] : [piece.number];
  });
}
