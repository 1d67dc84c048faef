import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { seededRandom } from '#core/units';
import { drawDiamonds, drawTideLight } from '../demo/drawings/others.ts';
import { GLASSES, SHEETS } from '../demo/rack.ts';
import { DAY, Works } from '../demo/works.ts';
import { Desk } from '../server/desk.ts';
import { Store } from '../server/store/store.ts';

const PANELS_A_YEAR = 60;
/** On the bench at any time. */
const IN_HAND = 8;
const REASONS = ['score-ran-off', 'inside-curve', 'dropped', 'chipped', 'too-small'] as const;

/** Of about 170 pieces each. */
const drawings = (): readonly string[] => [
  drawDiamonds(640, 900, 9),
  drawDiamonds(600, 860, 10),
  drawTideLight(520, 900, 3, 30),
];

/**
 * A studio at the end of so many years of work, made by real commands: 60 panels a year of about 170 pieces, each with
 * its glass, breaks, hours and steps; the last few are in hand.
 * @returns how many panels, pieces and entries of the log it has
 */
export function makeYears(
  folder: string,
  root: string,
  years: number,
  now: number,
): { panels: number; entries: number } {
  mkdirSync(folder, { recursive: true });
  const isNew = !existsSync(join(folder, 'nelvik.sqlite'));
  const store = new Store(folder, join(root, 'server/store/migrations'));
  // The disk is not waited for here: what is timed later waits for it.
  store.sqlite.pragma('synchronous = OFF');
  const desk = new Desk(store);
  const panels = PANELS_A_YEAR * years;
  if (isNew) fill(new Works(desk, now - years * 365 * DAY, seededRandom(years)), panels, now);
  const entries = store.book.lastSeq();
  store.sqlite.pragma('wal_checkpoint(TRUNCATE)');
  store.close();
  return { panels, entries };
}

function fill(works: Works, panels: number, now: number): void {
  works.do({ kind: 'change-settings', ask: { studio: 'Years of work' } });
  for (const [id, name] of [
    ['kesta', 'Kesta'],
    ['morven', 'Morven'],
  ] as const)
    works.do({ kind: 'save-person', ask: { id, name, initial: name[0] ?? '', rateCentsPerHour: 4000, active: true } });
  for (const glass of GLASSES) works.do({ kind: 'save-glass', ask: glass });
  const sources = drawings();
  const step = (now - works.at) / panels;
  const start = works.at;
  for (let i = 0; i < panels; i++) {
    works.at = Math.max(works.at, start + i * step);
    receive(works, i);
    const [id, person] = [`panel-${i}`, i % 2 ? 'kesta' : 'morven'] as const;
    const due = new Date(works.at + 20 * DAY).toISOString().slice(0, 10);
    works.do({ kind: 'save-commission', ask: { id: `job-${i}`, title: `Light ${i}`, client: '', due, note: '' } });
    const glasses = GLASSES.map((g) => g.id);
    const technique = i % 3 === 0 ? 'foil' : 'lead';
    works.panel(
      id,
      `job-${i}`,
      `Light ${i}`,
      technique,
      sources[i % sources.length] ?? '',
      (_, n) => glasses[(n + i) % 6] ?? null,
    );
    works.work(id, person, 'design', 90);
    if (i < panels - IN_HAND) works.finish(id, person, REASONS.slice(0, 1 + (i % 4)));
    else
      works.cut(
        id,
        Array.from({ length: 60 }, (_, n) => n + 1),
        person,
      );
  }
}

/** Sheets arrive as they are used up, and each year's last ones are written off. */
function receive(works: Works, panel: number): void {
  if (panel % 4 !== 0) return;
  for (const [i, sheet] of SHEETS.entries()) {
    if (i >= 6) break;
    const glassId = GLASSES[i]?.id ?? sheet.glassId;
    const size = { widthMm: 1200, heightMm: 900 };
    works.do({
      kind: 'receive',
      ask: { label: `Y${panel}-${i}`, glassId, kind: 'sheet', ...size, place: 'slot', costCents: 9000 },
    });
    const old = works.desk.state.get('stock', `Y${panel - 12}-${i}`);
    if (old && old.gone === null) works.do({ kind: 'write-off', ask: { stockId: old.id, reason: 'the last of it' } });
  }
}
