import { sql } from 'drizzle-orm';
import { check, foreignKey, index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { BreakReason, JointRowId, PanelCounts, PieceRowId, RepairWay, WorkStage } from '#core/bench';
import type { JointKind } from '#core/cartoon';
import type { LineAllowance, Opening, Technique } from '#core/sizing';
import type { Bedding, EdgeKind, FinishPlan, FittingPlace, MeasuredSize, WayToHold } from '#core/finish';
import type { MoveKind, Spot, SupplyMoveKind } from '#core/stock';
import type { InstantMs } from '#core/units';
import { drawings } from './files.ts';
import { codes, commissions, flag, glasses, mayBeAway, people, routes, row, supplies } from './studio.ts';

export const panels = sqliteTable(
  'panels',
  {
    ...row,
    commissionId: text('commission_id')
      .notNull()
      .references(() => commissions.id),
    name: text('name').notNull(),
    technique: text('technique').$type<Technique>().notNull(),
    routeId: text('route_id')
      .notNull()
      .references(() => routes.id),
    widthMm: real('width_mm').notNull(),
    heightMm: real('height_mm').notNull(),
    allowance: text('allowance', { mode: 'json' }).$type<LineAllowance>().notNull(),
    opening: text('opening', { mode: 'json' }).$type<Opening>(),
    cartoonId: text('cartoon_id').references(() => drawings.id),
    sourceName: text('source_name'),
    freeId: integer('free_id').notNull(),
    pieceCount: integer('piece_count').notNull(),
    jointCount: integer('joint_count').notNull(),
    counts: text('counts', { mode: 'json' }).$type<PanelCounts>().notNull(),
    deliveredAt: integer('delivered_at'),
    ...mayBeAway,
  },
  (t) => [
    index('panels_by_commission').on(t.commissionId),
    index('panels_in_hand')
      .on(t.id)
      .where(sql`${t.deliveredAt} is null and ${t.away} is null`),
    index('panels_away')
      .on(t.away, t.awayAt)
      .where(sql`${t.away} is not null`),
    check('panels_technique', sql`${t.technique} in ('foil', 'lead')`),
    check('panels_size', sql`${t.widthMm} > 0 and ${t.heightMm} > 0`),
    check('panels_counts', sql`${t.pieceCount} >= 0 and ${t.jointCount} >= 0 and ${t.freeId} > 0`),
  ],
);

const ofPanel = () =>
  text('panel_id')
    .notNull()
    .references(() => panels.id);

export const sections = sqliteTable(
  'sections',
  { ...row, panelId: ofPanel(), letter: text('letter').notNull(), name: text('name').notNull() },
  (t) => [uniqueIndex('sections_by_panel').on(t.panelId, t.letter)],
);

export const steps = sqliteTable(
  'steps',
  { ...row, panelId: ofPanel(), step: text('step').notNull(), at: integer('at').notNull() },
  (t) => [uniqueIndex('steps_by_panel').on(t.panelId, t.step)],
);

export const joints = sqliteTable(
  'joints',
  {
    id: text('id').$type<JointRowId>().primaryKey(),
    rev: row.rev,
    panelId: ofPanel(),
    number: integer('number').notNull(),
    drawn: flag('drawn'),
    kind: text('kind').$type<JointKind>().notNull(),
    frontAt: integer('front_at'),
    backAt: integer('back_at'),
  },
  (t) => [
    uniqueIndex('joints_by_number')
      .on(t.panelId, t.number)
      .where(sql`${t.drawn} = 1`),
    check('joints_kind', sql`${t.kind} in ('L', 'T', 'X', 'many')`),
  ],
);

export const pieces = sqliteTable(
  'pieces',
  {
    id: text('id').$type<PieceRowId>().primaryKey(),
    rev: row.rev,
    panelId: ofPanel(),
    number: integer('number').notNull(),
    drawn: flag('drawn'),
    label: text('label'),
    glassId: text('glass_id').references(() => glasses.id),
    stage: text('stage').notNull(),
    asks: codes('asks'),
    broken: text('broken').$type<BreakReason>(),
    recuts: integer('recuts').notNull(),
    from: text('from_stock'),
    backGlassId: text('back_glass_id').references(() => glasses.id),
    backFrom: text('back_from_stock'),
    areaMm2: integer('area_mm2').notNull(),
    perimeterMm: real('perimeter_mm').notNull(),
    widthMm: real('width_mm').notNull(),
    heightMm: real('height_mm').notNull(),
    difficulty: integer('difficulty').notNull(),
    recheck: flag('recheck'),
    tooSmall: flag('too_small').default(false),
    glassMm2: integer('glass_mm2'),
    flowDeg: real('flow_deg'),
    section: text('section'),
    locked: flag('locked'),
    spot: text('spot', { mode: 'json' }).$type<Spot>(),
    backSpot: text('back_spot', { mode: 'json' }).$type<Spot>(),
  },
  (t) => [
    uniqueIndex('pieces_by_number')
      .on(t.panelId, t.number)
      .where(sql`${t.drawn} = 1`),
    index('pieces_to_cut')
      .on(t.glassId)
      .where(sql`${t.stage} = 'to-cut' and ${t.drawn} = 1`),
    index('pieces_back_to_cut')
      .on(t.backGlassId)
      .where(sql`${t.backGlassId} is not null and ${t.backFrom} is null and ${t.drawn} = 1`),
    index('pieces_laid_on')
      .on(sql`${t.spot} ->> '$.stockId'`)
      .where(sql`${t.stage} = 'to-cut' and ${t.drawn} = 1`),
    index('pieces_backs_laid_on')
      .on(sql`${t.backSpot} ->> '$.stockId'`)
      .where(sql`${t.backSpot} is not null and ${t.backFrom} is null and ${t.drawn} = 1`),
    check('pieces_area', sql`${t.areaMm2} > 0`),
    check('pieces_recuts', sql`${t.recuts} >= 0`),
    check('pieces_difficulty', sql`${t.difficulty} between 1 and 5`),
    check('pieces_broken', sql`${t.broken} is null or ${t.stage} = 'to-cut'`),
    check('pieces_flow', sql`${t.flowDeg} is null or ${t.flowDeg} between 0 and 180`),
  ],
);

export const choices = sqliteTable(
  'choices',
  {
    ...row,
    panelId: ofPanel(),
    name: text('name').notNull(),
    glasses: text('glasses', { mode: 'json' }).$type<Readonly<Record<string, string>>>().notNull(),
  },
  (t) => [index('choices_by_panel').on(t.panelId)],
);

/** Photos of sheets, each by the sheet that it once came as; the file itself is among the files. */
export const photos = sqliteTable(
  'photos',
  {
    ...row,
    hash: text('hash').notNull(),
    x: real('x').notNull(),
    y: real('y').notNull(),
    widthMm: real('width_mm').notNull(),
    heightMm: real('height_mm').notNull(),
  },
  (t) => [check('photos_size', sql`${t.widthMm} > 0 and ${t.heightMm} > 0`)],
);

/** Notes and photos of jobs, panels, pieces, glasses and sheets; they may outlive what they are about. */
export const notes = sqliteTable(
  'notes',
  {
    ...row,
    subject: text('subject').notNull(),
    panelId: text('panel_id'),
    words: text('words').notNull(),
    picture: text('picture'),
    at: real('at').notNull(),
    personId: text('person_id'),
  },
  (t) => [index('notes_by_subject').on(t.subject)],
);

/** The ledger. An item that was taken back is gone from the rack, its entries are not: they name no row. */
export const moves = sqliteTable(
  'moves',
  {
    ...row,
    seq: integer('seq').notNull(),
    at: integer('at').notNull(),
    stockId: text('stock_id').notNull(),
    kind: text('kind').$type<MoveKind>().notNull(),
    deltaMm2: integer('delta_mm2').notNull(),
    balanceMm2: integer('balance_mm2').notNull(),
    panelId: text('panel_id'),
    numbers: text('numbers', { mode: 'json' }).$type<readonly number[]>().notNull(),
    note: text('note').notNull(),
  },
  (t) => [
    index('moves_by_seq').on(t.seq),
    index('moves_by_stock').on(t.stockId, t.seq),
    check('moves_balance', sql`${t.balanceMm2} >= 0`),
    check('moves_kind', sql`${t.kind} in ('received', 'pieces', 'offcut', 'waste', 'put back')`),
  ],
);

/** Sums of the ledger by kind, kept by triggers on it. */
export const ledgerTotals = sqliteTable('ledger_totals', {
  kind: text('kind').$type<MoveKind>().primaryKey(),
  sumMm2: integer('sum_mm2').notNull(),
});

export const supplyMoves = sqliteTable(
  'supply_moves',
  {
    ...row,
    supplyId: text('supply_id')
      .notNull()
      .references(() => supplies.id),
    kind: text('kind').$type<SupplyMoveKind>().notNull(),
    delta: real('delta').notNull(),
    balance: real('balance').notNull(),
    cents: integer('cents').notNull(),
    panelId: text('panel_id').references(() => panels.id),
    at: integer('at').notNull(),
    personId: text('person_id'),
  },
  (t) => [index('supply_moves_by_supply').on(t.supplyId, t.at), index('supply_moves_by_panel').on(t.panelId)],
);

export const finishes = sqliteTable('finishes', {
  ...row,
  panelId: ofPanel(),
  hold: text('hold').$type<WayToHold>().notNull(),
  edge: text('edge').$type<EdgeKind>().notNull(),
  rings: text('rings', { mode: 'json' }).$type<FinishPlan['rings']>().notNull(),
  spreadDeg: real('spread_deg').notNull(),
  bars: text('bars', { mode: 'json' }).$type<readonly number[]>().notNull(),
  place: text('place').$type<FittingPlace>().notNull(),
  bedding: text('bedding').$type<Bedding>().notNull(),
  hasOuterGlass: flag('has_outer_glass'),
  tier: integer('tier'),
  measured: text('measured', { mode: 'json' }).$type<MeasuredSize>(),
});

export const trays = sqliteTable(
  'trays',
  {
    ...row,
    panelId: ofPanel(),
    letter: text('letter').notNull(),
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    at: integer('at').$type<InstantMs>().notNull(),
  },
  (t) => [index('trays_by_panel').on(t.panelId)],
);

export const waits = sqliteTable(
  'waits',
  {
    ...row,
    panelId: ofPanel(),
    pieces: text('pieces', { mode: 'json' }).$type<readonly PieceRowId[]>().notNull(),
    numbers: text('numbers', { mode: 'json' }).$type<readonly number[]>().notNull(),
    name: text('name').notNull(),
    from: integer('from_at').$type<InstantMs>().notNull(),
    until: integer('until_at').$type<InstantMs>().notNull(),
    isOver: flag('is_over'),
  },
  (t) => [
    index('waits_by_panel')
      .on(t.panelId)
      .where(sql`${t.isOver} = 0`),
  ],
);

export const repairs = sqliteTable(
  'repairs',
  {
    ...row,
    panelId: ofPanel(),
    pieceId: text('piece_id').$type<PieceRowId>().notNull(),
    number: integer('number').notNull(),
    way: text('way').$type<RepairWay>().notNull(),
    words: text('words').notNull(),
    openedAt: integer('opened_at').$type<InstantMs>().notNull(),
    done: codes('done'),
    closedAt: integer('closed_at').$type<InstantMs>(),
  },
  (t) => [index('repairs_by_panel').on(t.panelId)],
);

export const leadMarks = sqliteTable('lead_marks', {
  ...row,
  panelId: ofPanel(),
  cut: text('cut', { mode: 'json' }).$type<readonly string[]>().notNull(),
  through: text('through', { mode: 'json' }).$type<Readonly<Record<string, number>>>().notNull(),
  laid: text('laid', { mode: 'json' }).$type<readonly PieceRowId[]>().notNull().default([]),
});

export const mishaps = sqliteTable(
  'mishaps',
  {
    ...row,
    panelId: ofPanel(),
    pieceId: text('piece_id').$type<PieceRowId>().notNull(),
    number: integer('number').notNull(),
    at: integer('at').notNull(),
    reason: text('reason').$type<BreakReason>().notNull(),
    stage: text('stage').notNull(),
    glassId: text('glass_id').references(() => glasses.id),
    glassMm2: integer('glass_mm2').notNull(),
    glassCents: integer('glass_cents').notNull(),
    minutes: real('minutes').notNull(),
    labourCents: integer('labour_cents').notNull(),
    recutFrom: text('recut_from'),
  },
  (t) => [
    foreignKey({ columns: [t.pieceId], foreignColumns: [pieces.id] }),
    index('mishaps_by_panel').on(t.panelId),
    index('mishaps_by_piece').on(t.pieceId),
    index('mishaps_by_time').on(t.at),
    check('mishaps_cost', sql`${t.glassCents} >= 0 and ${t.labourCents} >= 0 and ${t.minutes} >= 0`),
  ],
);

export const hours = sqliteTable(
  'hours',
  {
    ...row,
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    panelId: text('panel_id').references(() => panels.id),
    stage: text('stage').$type<WorkStage>().notNull(),
    startedAt: integer('started_at').notNull(),
    endedAt: integer('ended_at'),
    byHand: flag('by_hand'),
    note: text('note').notNull(),
    rateCentsPerHour: integer('rate_cents_per_hour').notNull(),
    removed: flag('removed'),
  },
  (t) => [
    index('hours_by_panel')
      .on(t.panelId)
      .where(sql`${t.removed} = 0`),
    index('hours_by_time')
      .on(t.startedAt)
      .where(sql`${t.removed} = 0`),
    // One clock runs for a person at most.
    uniqueIndex('hours_running')
      .on(t.personId)
      .where(sql`${t.endedAt} is null and ${t.removed} = 0`),
    check('hours_order', sql`${t.endedAt} is null or ${t.endedAt} >= ${t.startedAt}`),
    check('hours_rate', sql`${t.rateCentsPerHour} >= 0`),
  ],
);

export const daySheets = sqliteTable(
  'day_sheets',
  {
    ...row,
    personId: text('person_id')
      .notNull()
      .references(() => people.id),
    day: text('day').notNull(),
    minutes: real('minutes').notNull(),
    signedAt: integer('signed_at').$type<InstantMs>().notNull(),
    signedBy: text('signed_by'),
  },
  (t) => [index('day_sheets_by_day').on(t.day)],
);
