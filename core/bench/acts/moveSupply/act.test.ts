import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { amountWords } from '../../../stock/index.ts';

const SPOOL = {
  id: 'spool',
  kind: 'solder',
  name: 'Solder 60/40',
  sort: '60/40',
  code: 'T 4',
  packAmount: 500,
  packCents: 2000,
  low: 100,
  place: 'drawer',
} as const;
let made = 0;
const move = (s: SmallStudio, kind: 'bought' | 'used' | 'counted', amount: number, more: object = {}) =>
  s.try({
    kind: 'move-supply',
    ask: { id: `m${++made}`, supplyId: 'spool', kind, amount, panelId: null, reckoned: null, ...more },
  });
const spool = (s: SmallStudio) => s.studio.get('supplies', 'spool');
function withSpool(): SmallStudio {
  const s = smallStudio();
  s.do({ kind: 'save-supply', ask: SPOOL });
  expect(move(s, 'bought', 500)).toBeNull();
  return s;
}

describe('supplies come, go and are counted', () => {
  it('each is an entry with what was there after, and what it cost', () => {
    const s = withSpool();
    expect(move(s, 'used', 125, { panelId: 'p' })).toBeNull();
    expect(told(s)).toBe('125 g of Solder 60/40 used');
    expect(spool(s)?.amount).toBe(375);
    expect([...s.studio.ask('supplyMovesOfPanel', 'p')]).toMatchObject([{ delta: -125, balance: 375, cents: 500 }]);
    expect(move(s, 'counted', 360.5)).toBeNull();
    expect(spool(s)?.amount).toBe(360.5);
    expect(told(s)).toBe('Solder 60/40: 361 g found to be there');
    const sum = [...s.studio.all('supplyMoves')].reduce((all, one) => all + one.delta, 0);
    expect(sum).toBeCloseTo(360.5, 9);
    expect(sound(s)).toEqual([]);
  });
  it('never more goes than is there, and a slip is taken back', () => {
    const s = withSpool();
    expect(move(s, 'used', 501)).toMatchObject({ code: 'supply-short', name: 'Solder 60/40', more: '500 g' });
    expect(spool(s)?.amount).toBe(500);
    expect(move(s, 'used', 100)).toBeNull();
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(spool(s)?.amount).toBe(500);
    expect([...s.studio.all('supplyMoves')]).toHaveLength(1);
  });
  it('weighed before and after a job it teaches; changing how it is bought does not make it forget', () => {
    const s = withSpool();
    move(s, 'used', 96, { panelId: 'p', reckoned: 80 });
    move(s, 'used', 24, { panelId: 'p', reckoned: 20 });
    expect(spool(s)?.learnt).toEqual({ foil: { used: 120, reckoned: 100 } });
    s.do({ kind: 'save-supply', ask: { ...SPOOL, packCents: 2200 } });
    expect(spool(s)).toMatchObject({ amount: 380, packCents: 2200, learnt: { foil: { used: 120, reckoned: 100 } } });
    expect(s.try({ kind: 'save-supply', ask: { ...SPOOL, kind: 'flux' } })?.code).toBe('supply-kind');
  });
  it('of what is not there, or away, nothing is booked', () => {
    const s = withSpool();
    expect(move(s, 'used', 1, { supplyId: 'other' })?.code).toBe('unknown-supply');
    expect(move(s, 'used', 1, { panelId: 'nowhere' })?.code).toBe('unknown-panel');
    expect(move(s, 'used', 0)?.code).toBe('nothing-changes');
    s.do({ kind: 'put-away', ask: { table: 'supplies', id: 'spool', as: 'deleted' } });
    expect(move(s, 'used', 1)?.code).toBe('unknown-supply');
  });
  it('is said in what matters at the bench', () => {
    expect(amountWords('foil', 33_000)).toBe('33.0 m');
    expect(amountWords('came', 1830)).toBe('1.83 m');
    expect(amountWords('solder', 1250)).toBe('1.25 kg');
    expect(amountWords('flux', 250)).toBe('250 ml');
    expect(amountWords('other', 12)).toBe('12');
  });
});
