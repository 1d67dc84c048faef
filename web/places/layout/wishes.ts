import { BEGINS, isLaidToCut } from '#core/bench';
import { signedArea, type Ring } from '#core/geometry';
import {
  glassJob,
  keptLayout,
  LAID_OUT_BY,
  sheetOf,
  type GlassPiece,
  type KeptSheet,
  type SheetSize,
} from '#core/layout';
import { outlineWhereItLies, type Glass } from '#core/stock';
import type { PanelView } from '../../panel/view.ts';
import type { PieceRow, StockRow } from '../../state/studio.ts';
import type { LayoutWish } from '../../worker/layout.worker.ts';
import type { SheetLaid } from '../../panel/sheetLaid.ts';

/** One glass of the panel: what is to be cut from it, on what, and what is laid out to stay. */
export interface GlassWish extends LayoutWish {
  readonly glass: Glass;
  readonly stock: readonly StockRow[];
  /** Sheets as they are laid out and kept. */
  readonly kept: readonly SheetLaid[];
  /** Sheets and offcuts that another panel is laid out on. */
  readonly taken: readonly string[];
}

export interface HowLaid {
  readonly prefersUse: boolean;
  readonly isTurnedOver: boolean;
  /** How long it is looked for: 1 as a rule. */
  readonly effort: number;
  /** What was kept is lifted off and laid out with the rest. */
  readonly isAnew: boolean;
}

/** So many steps, and so many more for each piece, are enough for most; more are for whoever asks. */
const STEPS = 600;
const STEPS_A_PIECE = 40;

interface Waiting {
  readonly row: PieceRow;
  readonly outline: Ring;
}

/** What is to be laid out of a panel: its pieces that are not cut yet, by glass, those with most pieces first. */
export function wishesOf(view: PanelView, { prefersUse, isTurnedOver, effort, isAnew }: HowLaid): GlassWish[] {
  const { glasses, reader, limits } = view;
  return [...waitingByGlass(view)]
    .flatMap(([glassId, list]): GlassWish[] => {
      const glass = glasses.get(glassId);
      if (glass === undefined) return [];
      const all = [...reader.all('stock')].filter((item) => item.glassId === glassId);
      const stock = all.filter((item) => item.gone === null);
      const stays = isAnew ? [] : list.filter(({ row }) => isLaidToCut(reader, row));
      const own = new Set(list.map(({ row }) => row.spot?.stockId));
      const keeping = new Set(stays.map(({ row }) => row.spot?.stockId));
      const taken = stock.filter((item) => item.breaks !== null && !own.has(item.id));
      const free = stock.filter((item) => !keeping.has(item.id) && !taken.includes(item));
      const open = list.filter((one) => !stays.includes(one));
      const pieces = open.map(({ row, outline }): GlassPiece => ({
        number: row.number,
        outline,
        flowDeg: row.flowDeg,
      }));
      const job = glassJob(pieces, glass, free, limits.sheetEdgeMm, isTurnedOver);
      const steps = (STEPS + STEPS_A_PIECE * pieces.length) * effort;
      const size = largest(all);
      const key = JSON.stringify([job, size, prefersUse, steps]);
      const kept = stock.filter((item) => keeping.has(item.id)).map((item) => keptOn(item, glass, stays));
      return [{ key, job, size, prefersUse, steps, glass, stock, kept, taken: taken.map((item) => item.id) }];
    })
    .sort((a, b) => countOf(b) - countOf(a) || a.glass.code.localeCompare(b.glass.code));
}

const countOf = ({ job, kept }: GlassWish): number =>
  job.pieces.length + kept.reduce((sum, { layout }) => sum + layout.placements.length, 0);

function waitingByGlass({ pieces, answer }: PanelView): Map<string, Waiting[]> {
  const cuts = new Map(answer?.cuts.map((cut) => [cut.number, cut]));
  const byGlass = new Map<string, Waiting[]>();
  for (const row of pieces) {
    const outline = cuts.get(row.number)?.rings.find((ring) => signedArea(ring) > 0);
    if (row.stage !== BEGINS || row.glassId === null || outline === undefined) continue;
    byGlass.set(row.glassId, [...(byGlass.get(row.glassId) ?? []), { row, outline }]);
  }
  return byGlass;
}

/** A sheet with what lies on it, as its layout was kept. */
function keptOn(item: StockRow, glass: Glass, laid: readonly Waiting[]): SheetLaid {
  const sheet = sheetOf(item, glass);
  const here = laid.flatMap(({ row, outline }) => {
    const { spot, number } = row;
    if (spot?.stockId !== item.id) return [];
    const placement = {
      pieceId: String(number),
      sheetId: item.id,
      rotationDeg: spot.rotationDeg,
      turnedOver: spot.turnedOver,
      outline: outlineWhereItLies(outline, spot),
    };
    return [{ placement, inside: { id: String(number), at: spot.at } }];
  });
  const kept: KeptSheet = {
    sheet,
    breaks: item.breaks ?? [],
    placements: here.map((one) => one.placement),
    insides: here.map((one) => one.inside),
  };
  return { sheet, rootId: item.rootId, layout: keptLayout([kept], LAID_OUT_BY.keepMm), kept };
}

/** The largest sheet of a glass that was ever on the rack: so large it is sold. */
function largest(stock: readonly StockRow[]): SheetSize | null {
  const sheets = stock.filter((item) => item.kind === 'sheet');
  const [first] = sheets.sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
  return first === undefined ? null : { widthMm: first.widthMm, heightMm: first.heightMm };
}
