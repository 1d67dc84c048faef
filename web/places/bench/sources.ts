import { z } from 'zod';
import { wantedBy, type SourceQuestion } from '#core/bench';
import { laidOutBy, sheetOf, takersOfPiece, type LaidOutBy } from '#core/layout';
import { bySize, takingOf, upright, type Left, type StockItem, type Taking, type Wanted } from '#core/stock';
import { lengthToMm, type DisplayUnit } from '#core/units';
import { stockFor } from '../../panel/stockFor.ts';
import type { PanelView } from '../../panel/view.ts';

const LEFTS = ['stays', 'offcuts', 'waste'] as const;
export type LeftKind = (typeof LEFTS)[number];

/** What somebody says of the source of each glass while the question stands; out comes what is left, in millimetres. */
export const sourcesSchema = (unit: DisplayUnit) =>
  z.object({
    answers: z.array(
      z
        .object({
          stockId: z.string().min(1, 'Choose what it is cut from.'),
          left: z.enum(LEFTS),
          width: z.string(),
          height: z.string(),
        })
        .transform(({ stockId, ...said }, ctx): { stockId: string; left: Left } => {
          const left = leftOf(said, unit);
          if (left !== null) return { stockId, left };
          for (const side of ['width', 'height'] as const)
            if ((lengthToMm(said[side], unit) ?? 0) <= 0)
              ctx.addIssue({ code: 'custom', path: [side], message: 'A length, please.' });
          return z.NEVER;
        }),
    ),
  });
export type SourceSaid = z.input<ReturnType<typeof sourcesSchema>>['answers'][number];

export interface Candidate {
  readonly item: StockItem;
  /** Too small one way or the other by its measures, though it holds enough glass. */
  readonly tooSmall: boolean;
}

/** Where its true outline is known an item takes a piece by that, else by its measures. */
function takingByShape(wanted: readonly Wanted[], item: StockItem, by: LaidOutBy): Taking {
  const byMeasures = takingOf(wanted, item, by.edgeMm);
  if (byMeasures !== 'fits' || item.outline === null) return byMeasures;
  const { flowToleranceDeg } = by;
  const isTaken = ({ ring, widthMm, heightMm, flowDeg }: Wanted): boolean => {
    const outline = ring ?? upright(widthMm, heightMm);
    const piece = { id: item.id, outline, flowDeg, flowToleranceDeg, turnOver: false };
    // The outline tells which way the flow runs: along its height.
    return takersOfPiece(piece, [sheetOf(item, { flow: flowDeg !== null })], by).length > 0;
  };
  return wanted.every(isTaken) ? 'fits' : 'too-small';
}

/** What could give the glass: what takes every piece first, then what only holds enough. */
export function candidates(
  view: Pick<PanelView, 'panel' | 'pieces' | 'answer' | 'glasses' | 'limits' | 'reader'>,
  { glassId, numbers }: SourceQuestion,
): { items: Candidate[]; needMm2: number } {
  const { pieces, answer, glasses, limits } = view;
  const cutOf = new Map((answer?.cuts ?? []).map((cut) => [cut.number, cut]));
  const wanted = pieces
    .filter((p) => numbers.includes(p.number))
    .map((p) => wantedBy(p, cutOf.get(p.number), glasses.get(glassId)));
  // What is laid out is spoken for: it comes last.
  const stock = bySize(stockFor(view, glassId));
  const inOrder = [...stock.filter((s) => s.breaks === null), ...stock.filter((s) => s.breaks !== null)];
  const judged = inOrder.map((item) => ({
    item,
    taking: takingByShape(wanted, item, laidOutBy(limits)),
  }));
  const of = (taking: Taking) =>
    judged.filter((j) => j.taking === taking).map(({ item }) => ({ item, tooSmall: taking !== 'fits' }));
  return { needMm2: wanted.reduce((sum, w) => sum + w.areaMm2, 0), items: [...of('fits'), ...of('too-small')] };
}

/** What is left of a source as it was said; null while a measure is missing or is none. */
export function leftOf({ left, width, height }: Omit<SourceSaid, 'stockId'>, unit: DisplayUnit): Left | null {
  if (left === 'waste') return { kind: 'waste' };
  if (left === 'stays' && width.trim() === '' && height.trim() === '') return { kind: 'stays' };
  const widthMm = lengthToMm(width, unit);
  const heightMm = lengthToMm(height, unit);
  if (widthMm === null || heightMm === null || widthMm <= 0 || heightMm <= 0) return null;
  return left === 'stays'
    ? { kind: 'stays', widthMm, heightMm }
    : { kind: 'offcuts', offcuts: [{ widthMm, heightMm }] };
}
