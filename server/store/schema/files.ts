import { sql } from 'drizzle-orm';
import { blob, check, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { WantedSupply } from '#core/materials';
import type { LineAllowance } from '#core/sizing';

/** Drawings, pictures and other files, each kept once under the hash of its content (SHA-256, hex). */
export const files = sqliteTable(
  'files',
  {
    hash: text('hash').primaryKey(),
    mediaType: text('media_type').notNull(),
    /** Of the content itself. */
    bytes: integer('bytes').notNull(),
    /** Packed with gzip. */
    packed: blob('packed', { mode: 'buffer' }).notNull(),
  },
  (t) => [check('files_hash', sql`length(${t.hash}) = 64`), check('files_bytes', sql`${t.bytes} >= 0`)],
);

/** What a file belongs to: a drawing's source, later a photo of a piece, a sheet, a fitting. */
export const fileUses = sqliteTable(
  'file_uses',
  {
    hash: text('hash')
      .notNull()
      .references(() => files.hash),
    ofTable: text('of_table').notNull(),
    ofId: text('of_id').notNull(),
    role: text('role').notNull(),
    name: text('name').notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.ofTable, t.ofId, t.role, t.hash] }), index('file_uses_by_hash').on(t.hash)],
);

/**
 * Versions of drawings: the map with the lasting ids of its parts, and what was noticed and repaired, as JSON packed with
 * gzip. A row never changes. A version outlives its panel where making the panel is taken back, so it names no row of it.
 */
export const drawings = sqliteTable(
  'drawings',
  {
    id: text('id').primaryKey(),
    panelId: text('panel_id').notNull(),
    at: integer('at').notNull(),
    sourceName: text('source_name').notNull(),
    sourceHash: text('source_hash')
      .notNull()
      .references(() => files.hash),
    allowance: text('allowance', { mode: 'json' }).$type<LineAllowance>().notNull(),
    packed: blob('packed', { mode: 'buffer' }).notNull(),
  },
  (t) => [index('drawings_by_panel').on(t.panelId, t.at)],
);

/** What a drawing takes beside glass, by the wish that it was reckoned for last. Can be reckoned again at any time. */
export const reckonings = sqliteTable('reckonings', {
  drawingId: text('drawing_id')
    .primaryKey()
    .references(() => drawings.id, { onDelete: 'cascade' }),
  wish: text('wish').notNull(),
  wanted: text('wanted', { mode: 'json' }).$type<WantedSupply[]>().notNull(),
});

/** What follows from a drawing: cut outlines, what is hard about each, a small sketch. Can be made again at any time. */
export const studies = sqliteTable('studies', {
  drawingId: text('drawing_id')
    .primaryKey()
    .references(() => drawings.id, { onDelete: 'cascade' }),
  /** Of the rules and limits that made it: a study of others is made anew. */
  rules: text('rules').notNull(),
  packed: blob('packed', { mode: 'buffer' }).notNull(),
  sketch: blob('sketch', { mode: 'buffer' }).notNull(),
});
