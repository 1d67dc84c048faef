import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** The log: append only. Everything else can be made again from it and the drawings. */
export const log = sqliteTable(
  'log',
  {
    seq: integer('seq').primaryKey(),
    commandId: text('command_id').notNull().unique(),
    at: integer('at').notNull(),
    personId: text('person_id'),
    bench: text('bench').notNull(),
    kind: text('kind').notNull(),
    version: integer('version').notNull(),
    panelId: text('panel_id'),
    payload: text('payload', { mode: 'json' }).notNull(),
    before: text('before', { mode: 'json' }).notNull(),
  },
  (t) => [index('log_by_bench').on(t.bench, t.seq), index('log_by_panel').on(t.panelId, t.seq)],
);

/** Drawings as they were brought in, whole, and what was made of them. A row never changes. */
export const cartoons = sqliteTable('cartoons', {
  id: text('id').primaryKey(),
  panelId: text('panel_id').notNull(),
  at: integer('at').notNull(),
  sourceName: text('source_name').notNull(),
  source: text('source').notNull(),
  reading: text('reading').notNull(),
});

/** Rows are whole documents, checked at the border; what is searched by stands beside them in a column. */
const row = {
  id: text('id').primaryKey(),
  rev: integer('rev').notNull(),
  doc: text('doc', { mode: 'json' }).notNull(),
};

export const settings = sqliteTable('settings', row);
export const people = sqliteTable('people', row);
export const glasses = sqliteTable('glasses', row);
export const commissions = sqliteTable('commissions', row);
export const panels = sqliteTable('panels', { ...row, commissionId: text('commission_id').notNull() }, (t) => [
  index('panels_by_commission').on(t.commissionId),
]);
export const pieces = sqliteTable('pieces', { ...row, panelId: text('panel_id').notNull() }, (t) => [
  index('pieces_by_panel').on(t.panelId),
]);
export const stock = sqliteTable('stock', { ...row, glassId: text('glass_id').notNull() }, (t) => [
  index('stock_by_glass').on(t.glassId),
]);
export const moves = sqliteTable('moves', { ...row, stockId: text('stock_id').notNull() }, (t) => [
  index('moves_by_stock').on(t.stockId, t.rev),
]);
export const mishaps = sqliteTable('mishaps', { ...row, panelId: text('panel_id').notNull() }, (t) => [
  index('mishaps_by_panel').on(t.panelId),
]);
export const hours = sqliteTable('hours', { ...row, personId: text('person_id').notNull() }, (t) => [
  index('hours_by_person').on(t.personId),
]);
