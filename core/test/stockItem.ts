import type { StockItem } from '../stock/index.ts';

/** An offcut of glass `g`, whole as it came. */
export const stockItem = (id: string, widthMm: number, heightMm: number, more: Partial<StockItem> = {}): StockItem => ({
  id,
  glassId: 'g',
  kind: 'offcut',
  widthMm,
  heightMm,
  areaMm2: widthMm * heightMm,
  outline: null,
  flaws: [],
  rootId: id,
  breaks: null,
  place: '',
  costCents: 0,
  parentId: null,
  keptFor: null,
  gone: null,
  ...more,
});
