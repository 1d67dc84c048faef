import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { withTold, type PanelAnswer } from '#contract';
import { applied, Studio } from '#core/bench';
import { randomWork } from '../../core/test/randomWork.ts';
import { smallStudio } from '../../core/test/smallStudio.ts';
import type { Desk } from '../desk.ts';
import { panelAnswer } from '../queries/panel.ts';
import { Store } from '../store/store.ts';
import { keepEmptyDrawing } from '../test/writeStudio.ts';
import { MIGRATIONS } from '../testServer.ts';
import { toldRows } from './told.ts';

/** A screen that takes in what it is told, and fetches where nothing is told, knows what one that fetches knows. */
it.each([5, 6])('random work, seed %d: what a screen is told is what it would be answered', (seed) => {
  const technique = seed % 2 ? 'foil' : 'lead';
  const s = smallStudio(technique);
  const work = randomWork(s, technique, seed);
  for (let i = 0; i < 500; i++) s.try(i % 250 < 120 ? work.command() : work.onwards(), { bench: work.bench() });
  const store = new Store(mkdtempSync(join(tmpdir(), 'nelvik-told-')), MIGRATIONS);
  keepEmptyDrawing(store);
  const studio = new Studio();
  let screen: PanelAnswer | null = null;
  const [taken, fetched] = [new Set<string>(), new Set<string>()];
  for (const entry of s.log) {
    const { happening } = entry;
    const { kind } = happening;
    if (happening.kind === 'accept-drawing' && happening.fact.cartoonId !== 'k')
      keepEmptyDrawing(store, happening.fact.cartoonId);
    const changes = applied(studio, happening, entry);
    store.atOnce(() => store.record(entry, changes, 'p'));
    studio.absorb(changes, entry.seq);
    const answer = panelAnswer({ state: store.rows, seq: entry.seq } as Desk, 'p');
    const told = toldRows(changes, store.rows);
    // Where no row of a panel is touched, nothing is told and nothing fetched.
    const isTouched = changes.some(({ table }) =>
      ['panels', 'sections', 'steps', 'joints', 'pieces', 'choices', 'photos'].includes(table),
    );
    (told ? taken : fetched).add(kind);
    if (screen && told?.panelId === 'p') screen = withTold(screen, told, entry.seq);
    else if (isTouched || kind === 'save-commission' || kind === 'put-away' || kind === 'put-back') screen = answer;
    const known = screen && answer ? { ...screen, seq: answer.seq, commission: answer.commission } : screen;
    expect(known, `${entry.seq} ${kind}`).toEqual(answer);
  }
  store.close();
  // Marks on pieces are told; drawings are fetched.
  expect([...taken]).toEqual(expect.arrayContaining(['advance', 'cut', 'choose-glass']));
  expect([...fetched]).toContain('accept-drawing');
});
