import { BEGINS } from '#core/bench';
import { signedArea } from '#core/geometry';
import { glassJob, type GlassPiece, type SheetSize } from '#core/layout';
import type { Glass } from '#core/stock';
import type { PanelView } from '../../panel/view.ts';
import type { StockRow } from '../../state/studio.ts';
import type { LayoutWish } from '../../worker/layout.worker.ts';

/** One glass of the panel: what is to be cut from it, on what. */
export interface GlassWish extends LayoutWish {
  readonly glass: Glass;
  readonly stock: readonly StockRow[];
}

export interface HowLaid {
  readonly prefersUse: boolean;
  readonly isTurnedOver: boolean;
  /** How long it is looked for: 1 as a rule. */
  readonly effort: number;
}

/** So many steps, and so many more for each piece, are enough for most; more are for whoever asks. */
const STEPS = 600;
const STEPS_A_PIECE = 40;

/** What is to be laid out of a panel: its pieces that are not cut yet, by glass, those with most pieces first. */
export function wishesOf(
  { pieces, answer, glasses, reader, limits }: PanelView,
  { prefersUse, isTurnedOver, effort }: HowLaid,
): GlassWish[] {
  const cuts = new Map(answer?.cuts.map((cut) => [cut.number, cut]));
  const byGlass = new Map<string, GlassPiece[]>();
  for (const { number, glassId, stage, flowDeg } of pieces) {
    const outline = cuts.get(number)?.rings.find((ring) => signedArea(ring) > 0);
    if (stage !== BEGINS || glassId === null || outline === undefined) continue;
    const piece = { number, outline, flowDeg };
    const known = byGlass.get(glassId);
    if (known) known.push(piece);
    else byGlass.set(glassId, [piece]);
  }
  return [...byGlass]
    .flatMap(([glassId, list]): GlassWish[] => {
      const glass = glasses.get(glassId);
      if (glass === undefined) return [];
      const all = [...reader.all('stock')].filter((item) => item.glassId === glassId);
      const stock = all.filter((item) => item.gone === null);
      const job = glassJob(list, glass, stock, limits.sheetEdgeMm, isTurnedOver);
      const steps = (STEPS + STEPS_A_PIECE * list.length) * effort;
      const size = largest(all);
      const key = JSON.stringify([job, size, prefersUse, steps]);
      return [{ key, job, size, prefersUse, steps, glass, stock }];
    })
    .sort((a, b) => b.job.pieces.length - a.job.pieces.length || a.glass.code.localeCompare(b.glass.code));
}

/** The largest sheet of a glass that was ever on the rack: so large it is sold. */
function largest(stock: readonly StockRow[]): SheetSize | null {
  const sheets = stock.filter((item) => item.kind === 'sheet');
  const [first] = sheets.sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
  return first === undefined ? null : { widthMm: first.widthMm, heightMm: first.heightMm };
}
