import { describe, expect, it } from 'vitest';
import { nth } from '../units/index.ts';
import { lessInWork, notBooked, supplyNeeds, type Supply } from './index.ts';

const roll = (id: string, amount: number, more: Partial<Supply> = {}): Supply & { id: string } => ({
  ...{ id, kind: 'foil', name: id, sort: '7/32 in', code: '', packAmount: 33_000, packCents: 900, amount },
  ...{ low: 0, place: '', learnt: {}, ...more },
});
const FOIL = [{ kind: 'foil', sort: '7/32 in', amount: 10_000 }] as const;
const half = () => 0.5;

describe('what went into work and is not booked', () => {
  it('is the share of the work that is done, less what was booked', () => {
    expect(notBooked(FOIL, [roll('a', 33_000)], 'foil', half, new Map())).toEqual([{ supplyId: 'a', amount: 5000 }]);
    const booked = new Map([['a', 3500.5]]);
    expect(notBooked(FOIL, [roll('a', 33_000)], 'foil', half, booked)).toEqual([{ supplyId: 'a', amount: 1499.5 }]);
    expect(notBooked(FOIL, [roll('a', 33_000)], 'foil', half, new Map([['a', 5000]]))).toEqual([]);
    expect(notBooked(FOIL, [roll('a', 33_000)], 'foil', () => 0, new Map())).toEqual([]);
  });
  it('goes on from a roll that does not reach to the next; of nothing nothing goes', () => {
    const rolls = [roll('a', 4000), roll('b', 3000, { sort: '' }), roll('c', 99_000, { sort: '1/4 in' })];
    expect(notBooked(FOIL, rolls, 'foil', () => 0.6, new Map())).toEqual([
      { supplyId: 'a', amount: 4000 },
      { supplyId: 'b', amount: 2000 },
    ]);
    const [a, b, c] = lessInWork(rolls, [
      { supplyId: 'a', panelId: 'p', amount: 4000 },
      { supplyId: 'b', panelId: 'p', amount: 2000 },
      { supplyId: 'b', panelId: 'q', amount: 2000 },
    ]);
    expect([a?.amount, b?.amount, c?.amount]).toEqual([0, 0, 99_000]);
    expect(notBooked(FOIL, [], 'foil', half, new Map())).toEqual([]);
  });
  it('what was booked of another roll of the sort counts as well', () => {
    const rolls = [roll('a', 9000), roll('b', 3000)];
    expect(notBooked(FOIL, rolls, 'foil', half, new Map([['b', 2000]]))).toEqual([{ supplyId: 'a', amount: 3000 }]);
  });
  it('goes by the studio’s own figure', () => {
    const taught = roll('a', 33_000, { learnt: { foil: { used: 44_000, reckoned: 40_000 } } });
    expect(notBooked(FOIL, [taught], 'foil', half, new Map())).toEqual([{ supplyId: 'a', amount: 5500 }]);
  });
  it('two kinds of work off one roll do not take more than it holds', () => {
    const two = [...FOIL, { kind: 'foil', sort: '1/4 in', amount: 10_000 }] as const;
    const any = [roll('a', 8000, { sort: '' })];
    expect(notBooked(two, any, 'foil', half, new Map())).toEqual([{ supplyId: 'a', amount: 8000 }]);
    expect(notBooked(two, any, 'foil', half, new Map([['a', 6000]]))).toEqual([{ supplyId: 'a', amount: 4000 }]);
  });
  it('what is in the work already has not to be bought again', () => {
    const shelf = [roll('a', 2000)];
    const need = (used: number) => nth(supplyNeeds(FOIL, shelf, 'foil', new Map([['a', used]])), 0);
    expect(need(0)).toMatchObject({ gone: 0, packs: 1 });
    expect(need(7999)).toMatchObject({ gone: 7999, packs: 1 });
    expect(need(8000)).toMatchObject({ gone: 8000, packs: 0 });
    expect(need(99_000)).toMatchObject({ gone: 10_000, packs: 0 });
  });
});
