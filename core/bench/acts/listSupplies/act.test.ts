import { describe, expect, it } from 'vitest';
import { readSupplies } from '../../../stock/index.ts';
import { told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const ROWS = [
  ['Name', 'Kind', 'Which', 'There', 'One holds', 'One costs', 'Supplier’s code', 'Place', 'Little under'],
  ['Foil', 'Copper foil', '7/32 in', '12,5', '33', '9.50', 'F 32', 'drawer', '5'],
  ['Spool', 'solder', '60/40', '', '500', '19', '', '', ''],
];
const listed = () => {
  const read = readSupplies(ROWS);
  if ('faults' in read) throw new Error(JSON.stringify(read.faults));
  return read.supplies;
};

describe('a list of supplies', () => {
  it('is read with amounts as they are written down: metres of foil, grams of solder', () => {
    expect(listed()).toEqual([
      {
        kind: 'foil',
        name: 'Foil',
        sort: '7/32 in',
        code: 'F 32',
        packAmount: 33_000,
        packCents: 950,
        low: 5000,
        place: 'drawer',
        amount: 12_500,
      },
      expect.objectContaining({ kind: 'solder', packAmount: 500, packCents: 1900, low: 0, amount: null }),
    ]);
  });
  it.each([
    [[], [{ code: 'empty' }]],
    [[ROWS[0]], [{ code: 'empty' }]],
    [
      [
        ['Name', 'Which'],
        ['a', 'b'],
      ],
      [
        { code: 'no-column', column: 'Kind' },
        { code: 'no-column', column: 'One holds' },
      ],
    ],
    [
      [ROWS[0], ['A', 'paint', '', '', '1', '', '', '', '']],
      [{ code: 'wrong', line: 2, column: 'Kind', text: 'paint' }],
    ],
    [
      [ROWS[0], ['A', 'wax', '', '', '0', '', '', '', '']],
      [{ code: 'wrong', line: 2, column: 'One holds', text: '0' }],
    ],
    [[ROWS[0], ['A', 'wax', '', '-4', '1', '', '', '', '']], [{ code: 'wrong', line: 2, column: 'There', text: '-4' }]],
    [
      [ROWS[0], ['A', 'wax', '', '', '1', 'x', '', '', '']],
      [{ code: 'wrong', line: 2, column: 'One costs', text: 'x' }],
    ],
    [[ROWS[0], ROWS[2], ROWS[2]], [{ code: 'twice', line: 3, text: 'Spool' }]],
  ])('with a fault is not taken: %#', (rows, faults) => {
    expect(readSupplies(rows as string[][])).toEqual({ faults });
  });
  it('is taken in as a whole; what is known keeps its book, and one step takes it back', () => {
    const s = smallStudio();
    const items = (suffix: string) => listed().map((one, i) => ({ ...one, id: `s${i}`, moveId: `m${i}${suffix}` }));
    s.do({ kind: 'list-supplies', ask: { items: items('a') } });
    expect(told(s)).toBe('2 supplies taken in from a list');
    expect(s.studio.get('supplies', 's0')?.amount).toBe(12_500);
    s.do({
      kind: 'move-supply',
      ask: { id: 'x', supplyId: 's1', kind: 'bought', amount: 500, panelId: null, reckoned: null },
    });
    s.do({ kind: 'list-supplies', ask: { items: items('b').map((one) => ({ ...one, packCents: 2100 })) } });
    expect(s.studio.get('supplies', 's1')).toMatchObject({ amount: 500, packCents: 2100 });
    const wrong = items('c').map((one) => ({ ...one, kind: 'wax' as const }));
    expect(s.try({ kind: 'list-supplies', ask: { items: wrong } })?.code).toBe('supply-kind');
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('supplies', 's1')).toMatchObject({ amount: 500, packCents: 1900 });
  });
});
