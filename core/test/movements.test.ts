import { expect, it } from 'vitest';
import { differences, replay, type ActKind } from '../bench/index.ts';
import { checkLedger } from '../stock/index.ts';
import { randomWork } from './randomWork.ts';
import { smallStudio } from './smallStudio.ts';

const MOVEMENTS = 10_000;
/** All that moves glass, and what lays it out in between. */
const OF_STOCK: ReadonlySet<ActKind> = new Set([
  'receive',
  'cut',
  'break',
  'lay-out',
  'choose-glass',
  'count-stock',
  'shape-stock',
  'correct-stock',
  'write-off',
  'withdraw-stock',
  'put-back',
]);

it('ten thousand random movements of the rack balance to the square millimetre, and replay to the same rack', () => {
  const s = smallStudio();
  const work = randomWork(s, 'foil', 11);
  const seen = new Set<string>();
  const isEnough = () => [...s.studio.all('moves')].length >= MOVEMENTS;
  for (let i = 0; i < 200_000 && (i % 500 !== 0 || !isEnough()); i++) {
    const command = work.command();
    // Undo reads the whole log here; a few of them are enough.
    if (!OF_STOCK.has(command.kind) || (command.kind === 'put-back' && i % 20 !== 0)) continue;
    if (s.try(command, { bench: work.bench() }) === null) seen.add(command.kind);
  }
  expect(isEnough()).toBe(true);
  expect([...seen].sort()).toEqual([...OF_STOCK].sort());
  expect(checkLedger(s.studio.all('stock'), s.studio.all('moves'))).toEqual([]);
  expect(differences(s.studio, replay(s.log))).toEqual([]);
}, 120_000);
