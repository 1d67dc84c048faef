import { applied, Studio } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import type { SmallStudio } from '../../core/test/smallStudio.ts';
import type { Store } from '../store/store.ts';

/** A drawing without pieces, for rows that name one. */
export function keepEmptyDrawing(store: Store, id = 'k'): void {
  store.drawings.keep({
    id,
    panelId: 'p',
    at: 0,
    sourceName: 'test.svg',
    source: '<svg/>',
    allowance: DEFAULT_ALLOWANCE.foil,
    reading: { cartoon: { pieces: [] } as never, findings: [], repairs: [], toleranceMm: 0 },
    study: { cuts: [], cuttability: [] },
    rules: '1',
    sketch: {},
  });
}

/** What has happened in a studio of the rules' tests, written to a store. */
export function writeStudio(store: Store, { log }: Pick<SmallStudio, 'log'>): void {
  keepEmptyDrawing(store);
  const studio = new Studio();
  for (const entry of log) {
    const changes = applied(studio, entry.happening, entry);
    store.atOnce(() => store.record(entry, changes, 'p'));
    studio.absorb(changes, entry.seq);
  }
}
