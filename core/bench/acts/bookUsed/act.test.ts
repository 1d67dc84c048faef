import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';

const SPOOL = {
  ...{ name: 'Solder 60/40', sort: '60/40', code: '', packAmount: 500, packCents: 2000 },
  ...{ low: 100, place: '' },
} as const;
function shelf(): SmallStudio {
  const s = smallStudio();
  for (const id of ['spool', 'roll']) {
    s.do({ kind: 'save-supply', ask: { ...SPOOL, kind: 'solder', id, name: `Of ${id}` } });
    const ask = { id: `b-${id}`, supplyId: id, kind: 'bought', amount: 100, panelId: null, reckoned: null } as const;
    s.do({ kind: 'move-supply', ask });
  }
  return s;
}
let made = 0;
const item = (supplyId: string, amount: number, panelId = 'p') => ({ id: `m${++made}`, supplyId, panelId, amount });
const book = (s: SmallStudio, ...items: ReturnType<typeof item>[]) => s.try({ kind: 'book-used', ask: { items } });
const left = (s: SmallStudio) => ['spool', 'roll'].map((id) => s.studio.get('supplies', id)?.amount);

describe('what work is reckoned to have taken', () => {
  it('goes into the book as an entry each, and goes back together', () => {
    const s = shelf();
    expect(book(s, item('spool', 30), item('spool', 12.5), item('roll', 8))).toBeNull();
    expect(left(s)).toEqual([57.5, 92]);
    expect([...s.studio.ask('supplyMovesOfPanel', 'p')]).toMatchObject([
      { delta: -30, balance: 70, cents: 120 },
      { delta: -12.5, balance: 57.5, cents: 50 },
      { delta: -8, balance: 92, cents: 32 },
    ]);
    expect(told(s)).toMatch(/^What .* took of 2 supplies booked$/);
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(left(s)).toEqual([100, 100]);
    expect([...s.studio.ask('supplyMovesOfPanel', 'p')]).toEqual([]);
  });
  it('of what is not there only the rest goes; teaches nothing', () => {
    const s = shelf();
    expect(book(s, item('spool', 70), item('spool', 70), item('spool', 70))).toBeNull();
    expect(left(s)).toEqual([0, 100]);
    expect([...s.studio.ask('supplyMovesOfPanel', 'p')].map((one) => one.delta)).toEqual([-70, -30]);
    expect(s.studio.get('supplies', 'spool')?.learnt).toEqual({});
    expect(book(s, item('spool', 1))?.code).toBe('nothing-changes');
  });
  it('nothing is booked on a panel that is not there, of a supply that is gone, or twice', () => {
    const s = shelf();
    expect(book(s, item('spool', 1, 'nowhere'))?.code).toBe('unknown-panel');
    expect(book(s, item('elsewhere', 1))?.code).toBe('nothing-changes');
    const one = item('spool', 1);
    expect(book(s, one)).toBeNull();
    expect(book(s, one)?.code).toBe('entry-taken');
    s.do({ kind: 'put-away', ask: { table: 'supplies', id: 'spool', as: 'deleted' } });
    expect(book(s, item('spool', 1))?.code).toBe('nothing-changes');
  });
});
