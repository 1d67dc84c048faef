import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { JSONParser } from '@streamparser/json-node';
import { z } from 'zod';
import { firstProblem } from '#contract';
import { ACTS } from '#core/bench';
import { isKeyOf } from '#core/units';
import { EXPORT_VERSION } from '../export.ts';
import { ROWS_TO_BE_MADE } from '../store/bringUp.ts';
import { Store } from '../store/store.ts';
import { StudioFileError } from '../store/studioFile.ts';

const text = z.string();
const whole = z.number().int().min(0);
const hash = text.regex(/^[0-9a-f]{64}$/);
const entry = z.strictObject({
  seq: whole.min(1),
  commandId: text,
  at: z.number().int(),
  personId: text.nullable(),
  bench: text,
  happening: z.strictObject({ kind: text, version: whole, fact: z.unknown() }),
  inverse: z.array(z.unknown()),
});
const original = z.strictObject({ seq: whole.min(1), kind: text, version: whole, fact: text });
const drawing = z.strictObject({
  told: z.strictObject({
    id: text,
    panelId: text,
    at: z.number().int(),
    sourceName: text,
    sourceHash: hash,
    allowance: z.record(text, z.unknown()),
  }),
  reading: z.record(text, z.unknown()),
});
const use = z.strictObject({
  hash,
  ofTable: text,
  ofId: text,
  role: text,
  name: text,
  at: z.number().int(),
});
const file = z.union([
  z.strictObject({ hash, mediaType: text, text }),
  z.strictObject({ hash, mediaType: text, base64: z.base64() }),
]);

/** The lists that a studio is made of again; its rows follow from the log. */
const LISTS = ['log', 'originals', 'drawings', 'fileUses', 'files'] as const;
type List = (typeof LISTS)[number];

/**
 * Makes a studio in an empty folder from a readable export: the log, the drawings and the files as they stand in it, one
 * at a time. When the store is opened next, the rows are made from the log.
 * @throws StudioFileError where the text is none of ours, of a newer Nelvik, cut off, or says what cannot be
 */
export async function readIn(path: string, folder: string, migrations: string): Promise<void> {
  const store = new Store(folder, migrations);
  const { sqlite } = store;
  try {
    sqlite.exec('begin; pragma defer_foreign_keys = on');
    await eachPart(path, (list, item) => keep(store, list, item));
    sqlite.prepare(`update meta set value = ? where key = 'data-version'`).run(ROWS_TO_BE_MADE);
    sqlite.exec('commit');
  } catch (error) {
    throw error instanceof StudioFileError ? error : new StudioFileError('damaged', firstLine(error));
  } finally {
    store.close();
  }
}

const firstLine = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).split('\n')[0]?.slice(0, 200) ?? '';

interface Found {
  readonly value: unknown;
  readonly key: string | number | undefined;
  readonly stack: readonly { readonly key: string | number | undefined }[];
}

async function eachPart(path: string, take: (list: List, item: unknown) => void): Promise<void> {
  const parser = new JSONParser({ paths: ['$.nelvik', ...LISTS.map((list) => `$.${list}.*`)], keepStack: false });
  let version: unknown = null;
  let refused: unknown = null;
  const seen = ({ value, key, stack }: Found) => {
    if (stack.length === 1) {
      if (key === 'nelvik') mustBeReadable((version = value));
      return;
    }
    if (version === null) throw new StudioFileError('foreign');
    const list = LISTS.find((one) => one === stack.at(-1)?.key);
    if (list) take(list, value);
  };
  const all = async (found: AsyncIterable<Found>) => {
    try {
      for await (const part of found) seen(part);
    } catch (error) {
      // What ends the reading here is said, not what the streams make of it.
      refused = error;
      throw error;
    }
  };
  try {
    await pipeline(createReadStream(path), parser, all);
  } catch (error) {
    if (refused instanceof StudioFileError) throw refused;
    if (refused instanceof z.ZodError) throw new StudioFileError('damaged', firstProblem(refused));
    throw new StudioFileError(version === null ? 'foreign' : 'cut', firstLine(error));
  }
  if (version === null) throw new StudioFileError('foreign');
}

function mustBeReadable(version: unknown): void {
  if (typeof version !== 'number') throw new StudioFileError('foreign');
  if (version > EXPORT_VERSION) throw new StudioFileError('newer');
  if (version < EXPORT_VERSION) throw new StudioFileError('part-missing', 'exports of this age did not hold it all');
}

function keep(store: Store, list: List, item: unknown): void {
  switch (list) {
    case 'log':
      return keepEntry(store, entry.parse(item));
    case 'originals': {
      const { seq, kind, version, fact } = original.parse(item);
      return void store.sqlite
        .prepare('insert into log_originals (seq, kind, version, fact) values (?, ?, ?, ?)')
        .run(seq, kind, version, fact);
    }
    case 'drawings': {
      const { told, reading } = drawing.parse(item);
      return store.drawings.keepTold({ ...told, allowance: told.allowance as never, reading });
    }
    case 'fileUses':
      return store.drawings.keepUse(use.parse(item));
    case 'files': {
      const given = file.parse(item);
      const content = 'text' in given ? given.text : Buffer.from(given.base64, 'base64');
      if (store.drawings.keepFile(content, given.mediaType) !== given.hash)
        throw new StudioFileError('damaged', `the file ${given.hash.slice(0, 12)} has another content than it had`);
    }
  }
}

function keepEntry(store: Store, { happening, ...facts }: z.output<typeof entry>): void {
  const { kind, version, fact } = happening;
  if (!isKeyOf(ACTS, kind) || version > ACTS[kind].version) throw new StudioFileError('newer', kind);
  const panelId = version === ACTS[kind].version ? ACTS[kind].panelOf(fact as never) : null;
  const { seq, commandId, at, personId, bench, inverse } = facts;
  const columns = 'seq, command_id, at, person_id, bench, kind, version, panel_id, fact, inverse';
  store.sqlite
    .prepare(`insert into log (${columns}) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`)
    .run(
      seq,
      commandId,
      at,
      personId,
      bench,
      kind,
      version,
      panelId,
      JSON.stringify(fact ?? {}),
      JSON.stringify(inverse),
    );
}
