import { expect, it } from 'vitest';
import { ACT_KINDS, checkCounts, checkLaid, type ActKind, differences, replay, type PanelRow } from '../bench/index.ts';
import { checkLedger } from '../stock/index.ts';
import { randomWork } from './randomWork.ts';
import { smallStudio } from './smallStudio.ts';

/** Twenty-five hundred acts of all kinds at random, refused ones and undo among them: what is folded step by step equals what a replay gives. */
it.each([1, 2, 3, 4])('random work, seed %d: replay equals state, the ledger balances at every entry', (seed) => {
  const technique = seed % 2 ? 'foil' : 'lead';
  const s = smallStudio(technique);
  const work = randomWork(s, technique, seed);
  let refused = 0;
  const taken = new Set<ActKind>();
  const untried = () => ACT_KINDS.filter((kind) => !taken.has(kind));
  for (let i = 0; i < 4000; i++) {
    const before = s.studio.seq;
    // Left to chance alone no panel would ever come to its joints: for a while everybody works towards them.
    const command = i % 250 < 140 ? work.command(untried()) : work.onwards();
    // One bench in some has not yet heard of what the other did last.
    const basis = s.studio.seq - (i % 4);
    const refusal = s.try(command, { bench: work.bench(), basis });
    // What is refused leaves nothing behind, what is taken is one entry.
    expect(s.studio.seq - before).toBe(refusal ? 0 : 1);
    if (refusal) refused++;
    else taken.add(command.kind);
    if (i % 100 !== 99) continue;
    expect(checkLedger(s.studio.all('stock'), s.studio.all('moves'))).toEqual([]);
    const panel = s.studio.get('panels', 'p') as PanelRow;
    expect([...checkCounts(s.studio, panel), ...checkLaid(s.studio, panel)]).toEqual([]);
  }
  expect(refused).toBeGreaterThan(50);
  // No act is without its share in this: what is never taken proves nothing.
  expect(untried()).toEqual([]);
  // The log crosses a file on its way: JSON must not lose anything.
  expect(differences(s.studio, replay(JSON.parse(JSON.stringify(s.log)) as typeof s.log))).toEqual([]);
});
