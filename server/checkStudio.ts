import { ROWS } from '#contract';
import { checkCounts, checkInHand, checkLaid, disagreements, TABLE_NAMES } from '#core/bench';
import { checkMap, facesOf } from '#core/geometry';
import { checkLedger } from '#core/stock';
import { hashOf, unpack } from './store/packing.ts';
import type { Store } from './store/store.ts';

/** More wrongs than these say nothing new. */
const MOST_TOLD = 40;

/**
 * Holds everything that is stored against what it must agree with: the file itself, every row's form, the rows against a
 * replay of the log, the ledger, the counts that lists show, every drawing and every file by its content.
 * @returns what is wrong, in plain sentences; empty when all is well
 */
export function checkStudio(store: Store): string[] {
  const { rows, book, drawings, close } = store.snapshot();
  const wrong: string[] = [];
  const part = (name: string, find: () => Iterable<string>) => {
    try {
      for (const one of find()) if (wrong.length < MOST_TOLD) wrong.push(one);
    } catch (error) {
      wrong.push(`${name} could not be checked: ${error instanceof Error ? error.message : String(error)}`);
    }
  };
  try {
    part('the file', () => integrity(store));
    part('the rows', () => formOf(rows));
    part('the log', () =>
      book.isUpToDate() ? disagreements(book.happenings(), rows, lastSeqOf(book)) : ['the log is of another version'],
    );
    part('the ledger', () => checkLedger(rows.all('stock'), rows.all('moves', 'seq, rowid')));
    part('the counts', () => countsOf(rows));
    part('the drawings', () => drawingsOf(drawings, rows));
    part('the files', () => filesOf(drawings));
  } finally {
    close();
  }
  return wrong;
}

function* integrity(store: Store): Generator<string> {
  for (const { integrity_check: found } of store.sqlite
    .prepare<[], { integrity_check: string }>('pragma integrity_check')
    .all())
    if (found !== 'ok') yield `the file is damaged: ${found}`;
  for (const { table, rowid } of store.sqlite
    .prepare<[], { table: string; rowid: number }>('pragma foreign_key_check')
    .all())
    yield `row ${rowid} of ${table} names something that is not there`;
}

function lastSeqOf(book: Snapshot['book']): (panelId: string) => number | undefined {
  const last = book.lastSeqs();
  return (panelId) => last.get(panelId);
}

type Snapshot = ReturnType<Store['snapshot']>;

function* formOf(rows: Snapshot['rows']): Generator<string> {
  for (const table of TABLE_NAMES)
    for (const row of rows.all(table)) {
      const parsed = ROWS[table].safeParse(row);
      const issue = parsed.error?.issues[0];
      if (issue) yield `${table} ${row.id}: ${issue.path.join('.')} ${issue.message}`;
    }
}

function* countsOf(rows: Snapshot['rows']): Generator<string> {
  for (const panel of rows.all('panels')) {
    yield* checkCounts(rows, panel);
    yield* checkLaid(rows, panel);
  }
  for (const commission of rows.all('commissions')) yield* checkInHand(rows, commission);
}

function* drawingsOf(drawings: Snapshot['drawings'], rows: Snapshot['rows']): Generator<string> {
  for (const id of drawings.ids()) {
    const reading = drawings.reading(id);
    if (!reading) {
      yield `the drawing ${id} cannot be read`;
      continue;
    }
    const { cartoon } = reading;
    for (const problem of checkMap(cartoon.map, facesOf(cartoon.map))) yield `drawing ${id}: ${problem}`;
    const ids = [...cartoon.pieces.map((p) => p.id), ...cartoon.joints.map((j) => j.id), ...cartoon.lineIds];
    if (new Set<number>(ids).size !== ids.length) yield `drawing ${id} names two parts alike`;
    if (ids.some((given) => given >= cartoon.freeId)) yield `drawing ${id} has an id that is said to be free`;
  }
  for (const panel of rows.all('panels')) {
    const reading = panel.cartoonId === null ? null : drawings.reading(panel.cartoonId);
    if (!reading) continue;
    const drawn = new Set(reading.cartoon.pieces.map((p) => `${panel.id}/${p.id} ${p.number}`));
    const told = [...rows.ask('piecesOfPanel', panel.id)].map((p) => `${p.id} ${p.number}`);
    if (told.length !== drawn.size || told.some((key) => !drawn.has(key)))
      yield `panel ${panel.id} has other pieces than its drawing`;
  }
}

function* filesOf(drawings: Snapshot['drawings']): Generator<string> {
  for (const hash of drawings.fileHashes()) {
    const file = drawings.file(hash);
    if (file && hashOf(unpack(file.packed)) !== hash)
      yield `the file ${hash.slice(0, 12)} has another content than it had`;
  }
}
