import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { ActKind, RowInverse } from '#core/bench';

/** Entries that took a sheet off the rack without cutting it. */
export const OFF_THE_RACK = "kind in ('withdraw-stock', 'write-off')";

/** The log: append only. Everything else can be made again from it and the files. */
export const log = sqliteTable(
  'log',
  {
    seq: integer('seq').primaryKey(),
    commandId: text('command_id').notNull().unique(),
    at: integer('at').notNull(),
    personId: text('person_id'),
    bench: text('bench').notNull(),
    kind: text('kind').$type<ActKind>().notNull(),
    version: integer('version').notNull(),
    panelId: text('panel_id'),
    fact: text('fact', { mode: 'json' }).notNull(),
    inverse: text('inverse', { mode: 'json' }).$type<readonly RowInverse[]>().notNull(),
  },
  (t) => [index('log_by_panel').on(t.panelId, t.seq), index('log_off_the_rack').on(t.seq).where(sql.raw(OFF_THE_RACK))],
);

/** Facts as they were first written, where they have been brought up to date since. */
export const logOriginals = sqliteTable('log_originals', {
  seq: integer('seq').primaryKey(),
  kind: text('kind').notNull(),
  version: integer('version').notNull(),
  fact: text('fact').notNull(),
});

/** Which entries tell of a piece. */
export const pieceLog = sqliteTable(
  'piece_log',
  { pieceId: text('piece_id').notNull(), seq: integer('seq').notNull() },
  (t) => [primaryKey({ columns: [t.pieceId, t.seq] })],
);

/** What the database says of itself: its id, and the version its data is in. */
export const meta = sqliteTable('meta', { key: text('key').primaryKey(), value: text('value').notNull() });
