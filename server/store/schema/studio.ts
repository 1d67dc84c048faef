import { sql } from 'drizzle-orm';
import { check, index, integer, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Away, Deed, Look, StepCode, WorkStage } from '#core/bench';
import type { OwnLimits } from '#core/limits';
import type { Technique } from '#core/sizing';
import type { Coat, Hiding, Learnt, StockItem, SupplyKind, Texture } from '#core/stock';
import type { Currency, DisplayUnit } from '#core/units';

/** What every row has. */
export const row = { id: text('id').primaryKey(), rev: integer('rev').notNull() };
export const flag = (name: string) => integer(name, { mode: 'boolean' }).notNull();
/** Archived or deleted, and since when. */
export const mayBeAway = { away: text('away').$type<Away>(), awayAt: integer('away_at') };
export const codes = (name: string) => text(name, { mode: 'json' }).$type<readonly StepCode[]>().notNull();

export const settings = sqliteTable(
  'settings',
  {
    ...row,
    studio: text('studio').notNull(),
    unit: text('unit').$type<DisplayUnit>().notNull(),
    currency: text('currency').$type<Currency>().notNull(),
    locale: text('locale').notNull(),
    longClockMin: integer('long_clock_min').notNull(),
    limits: text('limits', { mode: 'json' }).$type<OwnLimits>().notNull(),
    ownReasons: text('own_reasons', { mode: 'json' }).$type<readonly string[]>().notNull().default([]),
  },
  (t) => [check('settings_unit', sql`${t.unit} in ('mm', 'in')`), check('settings_clock', sql`${t.longClockMin} > 0`)],
);

export const people = sqliteTable(
  'people',
  {
    ...row,
    name: text('name').notNull(),
    initial: text('initial').notNull(),
    rateCentsPerHour: integer('rate_cents_per_hour').notNull(),
    active: flag('active'),
    ...mayBeAway,
  },
  (t) => [
    index('people_by_name').on(sql`lower(${t.name})`),
    index('people_by_initial').on(sql`lower(${t.initial})`),
    check('people_rate', sql`${t.rateCentsPerHour} >= 0`),
  ],
);

export const glasses = sqliteTable(
  'glasses',
  {
    ...row,
    code: text('code').notNull(),
    name: text('name').notNull(),
    colour: text('colour').notNull(),
    second: text('second'),
    texture: text('texture').$type<Texture>().notNull(),
    thicknessMm: real('thickness_mm').notNull(),
    hiding: text('hiding').$type<Hiding>().notNull(),
    coat: text('coat').$type<Coat>().notNull().default('none'),
    flow: flag('flow'),
    priceCentsPerM2: integer('price_cents_per_m2').notNull(),
    ...mayBeAway,
  },
  (t) => [
    uniqueIndex('glasses_by_code').on(sql`lower(${t.code})`),
    check('glasses_thickness', sql`${t.thicknessMm} > 0`),
    check('glasses_price', sql`${t.priceCentsPerM2} >= 0`),
  ],
);

export const stock = sqliteTable(
  'stock',
  {
    ...row,
    glassId: text('glass_id')
      .notNull()
      .references(() => glasses.id),
    kind: text('kind').$type<StockItem['kind']>().notNull(),
    widthMm: real('width_mm').notNull(),
    heightMm: real('height_mm').notNull(),
    areaMm2: integer('area_mm2').notNull(),
    outline: text('outline', { mode: 'json' }).$type<StockItem['outline']>(),
    flaws: text('flaws', { mode: 'json' }).$type<StockItem['flaws']>().notNull().default([]),
    rootId: text('root_id').notNull().default(''),
    breaks: text('breaks', { mode: 'json' }).$type<StockItem['breaks']>(),
    place: text('place').notNull(),
    costCents: integer('cost_cents').notNull(),
    parentId: text('parent_id'),
    keptFor: text('kept_for'),
    gone: text('gone').$type<NonNullable<StockItem['gone']>>(),
  },
  (t) => [
    index('stock_by_label').on(sql`lower(${t.id})`),
    index('stock_on_rack')
      .on(t.glassId)
      .where(sql`${t.gone} is null`),
    index('stock_sheets')
      .on(t.glassId)
      .where(sql`${t.kind} = 'sheet'`),
    check('stock_kind', sql`${t.kind} in ('sheet', 'offcut')`),
    check('stock_area', sql`${t.areaMm2} >= 0 and (${t.gone} is null or ${t.areaMm2} = 0)`),
    check('stock_size', sql`${t.widthMm} > 0 and ${t.heightMm} > 0`),
    check('stock_cost', sql`${t.costCents} >= 0`),
  ],
);

export const supplies = sqliteTable(
  'supplies',
  {
    ...row,
    kind: text('kind').$type<SupplyKind>().notNull(),
    name: text('name').notNull(),
    sort: text('sort').notNull(),
    code: text('code').notNull(),
    packAmount: real('pack_amount').notNull(),
    packCents: integer('pack_cents').notNull(),
    amount: real('amount').notNull(),
    low: real('low').notNull(),
    place: text('place').notNull(),
    learnt: text('learnt', { mode: 'json' }).$type<Learnt>().notNull(),
    ...mayBeAway,
  },
  (t) => [check('supplies_amount', sql`${t.amount} >= 0 and ${t.packAmount} > 0 and ${t.packCents} >= 0`)],
);

export const routes = sqliteTable(
  'routes',
  {
    ...row,
    key: text('key').notNull(),
    version: integer('version').notNull(),
    name: text('name').notNull(),
    technique: text('technique').$type<Technique>().notNull(),
  },
  (t) => [
    uniqueIndex('routes_by_key').on(t.key, t.version),
    check('routes_technique', sql`${t.technique} in ('foil', 'lead')`),
  ],
);

export const routeSteps = sqliteTable(
  'route_steps',
  {
    ...row,
    routeId: text('route_id')
      .notNull()
      .references(() => routes.id),
    place: integer('place').notNull(),
    code: text('code').notNull(),
    scope: text('scope').$type<'piece' | 'panel'>().notNull(),
    word: text('word').notNull(),
    verb: text('verb').notNull(),
    calls: codes('calls'),
    work: text('work').$type<WorkStage>().notNull(),
    look: text('look').$type<Look>().notNull(),
    deed: text('deed').$type<Deed>().notNull(),
    needs: codes('needs'),
    waitMin: integer('wait_min').notNull(),
    waitName: text('wait_name'),
    caution: text('caution'),
    mayBeLeftOut: flag('may_be_left_out'),
    onlyAsked: flag('only_asked'),
  },
  (t) => [
    uniqueIndex('route_steps_by_route').on(t.routeId, t.place),
    check('route_steps_scope', sql`${t.scope} in ('piece', 'panel')`),
    check('route_steps_wait', sql`${t.waitMin} >= 0`),
  ],
);

export const commissions = sqliteTable(
  'commissions',
  {
    ...row,
    title: text('title').notNull(),
    client: text('client').notNull(),
    due: text('due'),
    note: text('note').notNull(),
    inHand: flag('in_hand'),
    ...mayBeAway,
  },
  (t) => [
    index('commissions_in_hand')
      .on(t.due, t.id)
      .where(sql`${t.inHand} = 1 and ${t.away} is null`),
    index('commissions_past')
      .on(t.due, t.id)
      .where(sql`${t.inHand} = 0 and ${t.away} is null`),
    index('commissions_away')
      .on(t.away, t.awayAt)
      .where(sql`${t.away} is not null`),
    check('commissions_due', sql`${t.due} is null or ${t.due} like '____-__-__'`),
  ],
);
