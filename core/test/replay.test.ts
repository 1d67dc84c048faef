import { expect, it } from 'vitest';
import { checkCounts, differences, replay, type Command, type PanelRow } from '../bench/index.ts';
import { checkLedger } from '../stock/index.ts';
import { seededRandom } from '../units/index.ts';
import { smallStudio } from './smallStudio.ts';

/** A thousand acts at random, refused ones and undo among them: what is folded step by step equals what a replay gives. */
it.each([1, 2, 3, 4])('random work, seed %d: replay equals state, the ledger balances at every entry', (seed) => {
  const s = smallStudio(seed % 2 ? 'foil' : 'lead');
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const some = () =>
    Array.from(new Set(Array.from({ length: 1 + Math.floor(random() * 4) }, () => 1 + Math.floor(random() * 20))));
  let refused = 0;
  for (let i = 0; i < 1000; i++) {
    const bench = pick(['bench-1', 'bench-2']);
    const stock = pick([...s.studio.all('stock')].map((item) => item.id));
    const left = pick([
      { kind: 'stays' as const },
      { kind: 'waste' as const },
      { kind: 'offcuts' as const, offcuts: [{ widthMm: 30 * random() + 5, heightMm: 30 }] },
    ]);
    const direction = pick(['undo', 'redo'] as const);
    const acts: Command[] = [
      { kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: stock, numbers: some(), left }] } },
      { kind: 'advance', ask: { panelId: 'p', numbers: some(), to: pick(['ground', 'foiled', 'leaded', 'in-place']) } },
      {
        kind: 'break',
        ask: {
          panelId: 'p',
          numbers: some(),
          reason: 'dropped',
          minutes: 5,
          recut: random() < 0.5 ? { stockId: stock, left } : null,
        },
      },
      { kind: 'send-back', ask: { panelId: 'p', numbers: some(), reason: 'other' } },
      {
        kind: 'receive',
        ask: {
          label: `N${i}`,
          glassId: pick(['blue', 'red']),
          kind: 'offcut',
          widthMm: 60,
          heightMm: 60,
          place: '',
          costCents: 5,
        },
      },
      { kind: 'write-off', ask: { stockId: stock, reason: 'test' } },
      s.putBack(direction, bench),
      s.putBack('undo', bench),
    ];
    if (s.try(pick(acts), { bench })) refused++;
    if (i % 100 !== 99) continue;
    expect(checkLedger(s.studio.all('stock'), s.studio.all('moves'))).toEqual([]);
    expect(checkCounts(s.studio, s.studio.get('panels', 'p') as PanelRow)).toEqual([]);
  }
  expect(refused).toBeGreaterThan(50);
  expect(s.log.length).toBeGreaterThan(300);
  // The log crosses a file on its way: JSON must not lose anything.
  expect(differences(s.studio, replay(JSON.parse(JSON.stringify(s.log)) as typeof s.log))).toEqual([]);
});
