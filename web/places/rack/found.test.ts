import { describe, expect, it } from 'vitest';
import type { Glass } from '#core/stock';
import type { StockRow } from '../../state/studio.ts';
import { answersTo, wishOf } from './found.ts';

describe('what is looked for on the rack', () => {
  it.each([
    ['150 x 200', 'mm', 150, 200],
    ['150×200 mm', 'in', 150, 200],
    ['6 x 8', 'in', 152.4, 203.2],
    ['6 1/2 x 8 in', 'mm', 165.1, 203.2],
  ] as const)('%s in %s is a size', (text, unit, widthMm, heightMm) => {
    const wish = wishOf(text, unit);
    if ('words' in wish) throw new Error('words');
    expect([wish.widthMm, wish.heightMm]).toEqual([expect.closeTo(widthMm, 6), expect.closeTo(heightMm, 6)]);
  });

  it.each(['sky', 'S-14', 'x', '0 x 20', '20 x'])('%s is words', (text) => {
    expect(wishOf(text, 'mm')).toEqual({ words: text.toLowerCase() });
  });

  const glass = { code: 'S-1', name: 'sky', texture: 'streaky', hiding: 'opal', flow: true } as Glass;
  const item = (id: string, widthMm: number, heightMm: number, more: Partial<StockRow> = {}) =>
    ({
      id,
      kind: 'offcut',
      widthMm,
      heightMm,
      areaMm2: widthMm * heightMm,
      outline: null,
      flaws: [],
      place: 'slot 3',
      breaks: null,
      gone: null,
      ...more,
    }) as StockRow;
  const items = [item('K1', 80, 80), item('K2', 170, 230), item('K3', 230, 170), item('K4', 400, 400, { breaks: [] })];
  const ids = (text: string) => answersTo(wishOf(text, 'mm'), glass, items, {}).map((one) => one.id);

  it('by its words all of a glass, by its label or place what stands there', () => {
    expect(ids('sky')).toHaveLength(4);
    expect(ids('flow')).toHaveLength(4);
    expect(ids('k2')).toEqual(['K2']);
    expect(ids('slot 3')).toHaveLength(4);
    expect(ids('green')).toEqual([]);
  });

  it('by a size what takes it, either way round, off its rough edge; not what is laid out', () => {
    expect(ids('150 x 210').sort()).toEqual(['K2', 'K3']);
    expect(ids('165 x 225')).toEqual([]);
  });
});
