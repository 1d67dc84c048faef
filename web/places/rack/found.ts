import type { Settings } from '#core/bench';
import { laidOutBy, sheetOf, takersOfPiece } from '#core/layout';
import { limitsWith } from '#core/limits';
import { upright, type Glass } from '#core/stock';
import { lengthToMm } from '#core/units';
import { textureWords } from '#core/words';
import type { StockRow } from '../../state/studio.ts';

/** What somebody looks for on the rack: words, or a size that it has to take. */
export type Wish = { readonly words: string } | { readonly widthMm: number; readonly heightMm: number };

/** `150 x 200`, `6 x 8 in`, `150 × 200 mm`: a size; all else is words. */
export function wishOf(text: string, unit: Settings['unit']): Wish {
  const [, one, two, named] = /^\s*([\d.,/ ]+?)\s*[x×*]\s*([\d.,/ ]+?)\s*(mm|cm|in|")?\s*$/i.exec(text) ?? [];
  if (one !== undefined && two !== undefined) {
    const mm = (length: string) => lengthToMm(`${length}${named ?? ''}`, unit);
    const [widthMm, heightMm] = [mm(one), mm(two)];
    if (widthMm !== null && heightMm !== null && widthMm > 0 && heightMm > 0) return { widthMm, heightMm };
  }
  return { words: text.trim().toLowerCase() };
}

const said = (glass: Glass): string =>
  `${glass.code} ${glass.name} ${textureWords(glass.texture)} ${glass.hiding}${glass.flow ? ' flow' : ''}`.toLowerCase();

/** Whether a glass itself is meant, also where none of it is left. */
export const isNamed = (wish: Wish, glass: Glass): boolean => 'words' in wish && said(glass).includes(wish.words);

/** What of a glass answers to a wish: all of it where its words do, the sheets that take the size, or one by its label. */
export function answersTo(
  wish: Wish,
  glass: Glass,
  items: readonly StockRow[],
  limits: Settings['limits'],
): readonly StockRow[] {
  if (!('words' in wish)) return takersOfSize(wish, glass, items, limits);
  const { words } = wish;
  if (words === '' || isNamed(wish, glass)) return items;
  return items.filter((item) => item.id.toLowerCase() === words || item.place.toLowerCase() === words);
}

function takersOfSize(
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  glass: Glass,
  items: readonly StockRow[],
  limits: Settings['limits'],
): StockRow[] {
  const piece = {
    id: 'asked',
    outline: upright(widthMm, heightMm),
    flowDeg: null,
    flowToleranceDeg: 0,
    turnOver: false,
  };
  const byId = new Map(items.map((item) => [item.id, item]));
  return takersOfPiece(
    piece,
    items.filter((item) => item.breaks === null).map((item) => sheetOf(item, glass)),
    laidOutBy(limitsWith(limits)),
  ).flatMap((sheet) => byId.get(sheet.id) ?? []);
}
