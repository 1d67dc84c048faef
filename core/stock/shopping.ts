import type { Glass, StockItem } from './types.ts';

/** So much of the glass that is bought ends as pieces, in a studio that knows nothing better yet. From memory. */
export const USUAL_USE = 0.65;
/** Less than this share of a sheet as sold is little. From memory. */
const LITTLE = 0.5;

export interface ToBuy {
  readonly glass: Glass;
  /** What panels in hand have still to be cut from it, mm². */
  readonly neededMm2: number;
  readonly thereMm2: number;
  /** How much the rack lacks for that, with what is lost in cutting, mm². */
  readonly shortMm2: number;
  /** The size in which it is sold, and how many sheets that takes; null where no sheet of it ever came. */
  readonly size: { readonly widthMm: number; readonly heightMm: number } | null;
  readonly sheets: number;
  readonly costCents: number;
  /** Short for what is in hand, or only little left. */
  readonly why: 'short' | 'low';
}

interface Asked {
  readonly glasses: readonly Glass[];
  readonly stock: readonly Pick<StockItem, 'glassId' | 'areaMm2'>[];
  readonly needs: readonly { readonly glassId: string; readonly mm2: number }[];
  readonly soldAs: readonly { readonly glassId: string; readonly widthMm: number; readonly heightMm: number }[];
  readonly use?: number;
}

/**
 * What to buy, in whole sheets as sold: glass of which the rack has less than what is in hand takes, and glass of which
 * only little is left.
 * @returns what is short first, the dearest first; then what is low
 */
export function shoppingList({ glasses, stock, needs, soldAs, use = USUAL_USE }: Asked): ToBuy[] {
  const there = new Map<string, number>();
  for (const { glassId, areaMm2 } of stock) there.set(glassId, (there.get(glassId) ?? 0) + areaMm2);
  const need = new Map(needs.map(({ glassId, mm2 }) => [glassId, mm2]));
  const sizes = new Map(soldAs.map(({ glassId, widthMm, heightMm }) => [glassId, { widthMm, heightMm }]));
  const list = glasses.flatMap((glass): ToBuy[] => {
    const [neededMm2, thereMm2, size] = [
      need.get(glass.id) ?? 0,
      there.get(glass.id) ?? 0,
      sizes.get(glass.id) ?? null,
    ];
    const shortMm2 = Math.max(0, Math.round(neededMm2 / use) - thereMm2);
    const sheetMm2 = size === null ? 0 : size.widthMm * size.heightMm;
    const isLow = size !== null && thereMm2 - neededMm2 / use < LITTLE * sheetMm2;
    if (shortMm2 === 0 && !isLow) return [];
    const sheets = size === null ? 0 : Math.max(1, Math.ceil(shortMm2 / sheetMm2));
    const boughtMm2 = size === null ? shortMm2 : sheets * sheetMm2;
    const costCents = Math.round((boughtMm2 * glass.priceCentsPerM2) / 1e6);
    const why = shortMm2 > 0 ? 'short' : 'low';
    return [{ glass, neededMm2, thereMm2, shortMm2, size, sheets, costCents, why }];
  });
  return list.sort((a, b) => b.shortMm2 - a.shortMm2 || b.costCents - a.costCents);
}
