import { wantedBy, type SourceQuestion } from '#core/bench';
import { bySize, takingOf, type Left, type StockItem, type Taking } from '#core/stock';
import { lengthToMm, type DisplayUnit } from '#core/units';
import type { PanelView } from '../../panel/view.ts';

export type LeftKind = 'stays' | 'offcuts' | 'waste';
/** What somebody says of one source while the question stands. */
export interface SourceAnswer {
  readonly stockId: string;
  readonly left: LeftKind;
  readonly width: string;
  readonly height: string;
}

export interface Candidate {
  readonly item: StockItem;
  /** Too small one way or the other by its measures, though it holds enough glass. */
  readonly tooSmall: boolean;
}

/** What could give the glass: what takes every piece first, then what only holds enough. */
export function candidates(
  view: Pick<PanelView, 'pieces' | 'answer' | 'glasses' | 'limits' | 'reader'>,
  { glassId, numbers }: SourceQuestion,
): { items: Candidate[]; needMm2: number } {
  const { pieces, answer, glasses, limits } = view;
  const cutOf = new Map((answer?.cuts ?? []).map((cut) => [cut.number, cut]));
  const wanted = pieces
    .filter((p) => numbers.includes(p.number))
    .map((p) => wantedBy(p, cutOf.get(p.number), glasses.get(glassId)));
  const judged = bySize([...view.reader.ask('stockOfGlass', glassId)]).map((item) => ({
    item,
    taking: takingOf(wanted, item, limits.sheetEdgeMm),
  }));
  const of = (taking: Taking) =>
    judged.filter((j) => j.taking === taking).map(({ item }) => ({ item, tooSmall: taking !== 'fits' }));
  return { needMm2: wanted.reduce((sum, w) => sum + w.areaMm2, 0), items: [...of('fits'), ...of('too-small')] };
}

/** What is left of a source as it was said; null while a measure is missing or is none. */
export function leftOf({ left, width, height }: Omit<SourceAnswer, 'stockId'>, unit: DisplayUnit): Left | null {
  if (left === 'waste') return { kind: 'waste' };
  if (left === 'stays' && width.trim() === '' && height.trim() === '') return { kind: 'stays' };
  const widthMm = lengthToMm(width, unit);
  const heightMm = lengthToMm(height, unit);
  if (widthMm === null || heightMm === null || widthMm <= 0 || heightMm <= 0) return null;
  return left === 'stays'
    ? { kind: 'stays', widthMm, heightMm }
    : { kind: 'offcuts', offcuts: [{ widthMm, heightMm }] };
}
