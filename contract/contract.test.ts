import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { ACTS, DEFAULT_SETTINGS, SHIPPED_ROUTES, type Person, type Tables } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { cartoonSchema, commandSchema, firstProblem, packPieces, ROWS, submitSchema, unpackPieces } from './index.ts';
import type { Tied } from './tied.ts';

/** One sound command of every kind. */
const SOUND: Record<string, unknown> = {
  mark: { panelId: 'p', numbers: [1], flowDeg: 90, section: 'A', sectionName: 'sky', locked: true, recheck: false },
  'change-settings': { unit: 'in', currency: 'USD' },
  'put-away': { table: 'panels', id: 'p', as: 'deleted' },
  'save-person': { id: 'a', name: 'Ada', initial: 'A', rateCentsPerHour: 0, active: true },
  'save-glass': {
    id: 'g',
    code: 'G-1',
    name: 'green',
    colour: '#aabbcc',
    second: null,
    texture: 'seedy',
    thicknessMm: 3,
    hiding: 'opal',
    coat: 'none',
    flow: true,
    priceCentsPerM2: 5,
  },
  'save-commission': { id: 'c', title: 'Light', client: '', due: '2026-12-18', note: '' },
  'save-panel': {
    id: 'p',
    commissionId: 'c',
    name: 'Light',
    technique: 'lead',
    widthMm: 1,
    heightMm: 1,
    allowance: DEFAULT_ALLOWANCE.lead,
  },
  'choose-glass': { panelId: 'p', numbers: [1], glassId: null },
  'choose-back': { panelId: 'p', numbers: [1], glassId: null },
  'cut-back': { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'waste' } }] },
  cut: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'stays' } }] },
  advance: { panelId: 'p', numbers: [1], to: 'ground' },
  'send-back': { panelId: 'p', numbers: [1], reason: 'other' },
  break: {
    panelId: 'p',
    numbers: [1],
    reason: 'lost',
    minutes: 0,
    recut: { stockId: 'S1', left: { kind: 'offcuts', offcuts: [{ widthMm: 1, heightMm: 2 }] } },
  },
  'solder-joints': { panelId: 'p', side: 'front', joints: [1] },
  'finish-step': { panelId: 'p', step: 'cement' },
  'ask-steps': { panelId: 'p', numbers: [3], steps: ['painted'] },
  'save-route': { key: 'mine', name: 'Mine', technique: 'foil', steps: SHIPPED_ROUTES[0]?.steps },
  receive: { label: 'S1', glassId: 'g', kind: 'sheet', widthMm: 1, heightMm: 1, place: '', costCents: 0 },
  'lay-out': {
    panelId: 'p',
    sheets: [
      {
        stockId: 'S1',
        breaks: [{ from: [0, 5], to: [9, 5] }],
        pieces: [
          { number: 1, of: 'back', turnedOver: true, rotationDeg: 12.5, x: 3, y: -4, at: [1, 2], byHand: false },
        ],
      },
    ],
  },
  'write-note': { id: 'n', about: 'piece', aboutId: 'p/3', words: 'a seed', picture: null },
  'drop-note': { id: 'n' },
  'plan-finish': { panelId: 'p', plan: { hold: 'hung', rings: [[1, 2]] }, measured: { widthMm: 400, heightMm: 300 } },
  'mark-lead': { panelId: 'p', cut: { name: '3', isCut: true } },
  'begin-wait': { id: 'w', panelId: 'p', numbers: [], name: 'glue', minutes: 360 },
  'end-wait': { id: 'w' },
  'hand-tray': { panelId: 'p', letter: 'A', personId: null },
  'open-repair': { id: 'r', panelId: 'p', number: 3, way: 'replace', words: '', joints: [1, 2] },
  'go-on-repair': { id: 'r', step: 'scored' },
  'save-supply': {
    id: 's',
    kind: 'solder',
    name: 'Spool',
    sort: '60/40',
    code: 'X 12',
    packAmount: 500,
    packCents: 1900,
    low: 100,
    place: 'drawer',
  },
  'list-supplies': {
    items: [
      {
        id: 's',
        kind: 'wax',
        name: 'Wax',
        sort: '',
        code: '',
        packAmount: 100,
        packCents: 900,
        low: 0,
        place: '',
        amount: null,
        moveId: 'm',
      },
    ],
  },
  'book-used': { items: [{ id: 'm', supplyId: 's', panelId: 'p', amount: 12.5 }] },
  'move-supply': { id: 'm', supplyId: 's', kind: 'used', amount: 12.5, panelId: 'p', reckoned: null },
  'sign-day': { personId: 'a', day: '2026-03-01', minutes: 312 },
  'take-in': { panelId: 'p', numbers: [3], as: 'bought' },
  'follow-route': { panelId: 'p', route: 'pressed' },
  'lift-off': { panelId: 'p', numbers: [1], backs: [2] },
  'keep-choice': { panelId: 'p', name: 'Blue sky' },
  'take-choice': { panelId: 'p', name: 'Blue sky' },
  'drop-choice': { panelId: 'p', name: 'Blue sky' },
  'count-stock': { by: 'weighed', place: '', found: [{ stockId: 'S1', areaMm2: null }] },
  'shape-stock': {
    stockId: 'S1',
    outline: [
      [0, 0],
      [9, 0],
      [9, 9],
    ],
    flaws: [],
  },
  'receive-many': {
    items: [{ label: 'B7', glassId: 'g', kind: 'sheet', widthMm: 2, heightMm: 1, place: '', costCents: 0 }],
  },
  'move-many': { stockIds: ['S1'], place: 'slot' },
  'keep-for': { stockIds: ['S1'], commissionId: null },
  'photo-sheet': { stockId: 'S1', photo: { hash: 'a'.repeat(64), x: 0, y: 0, widthMm: 300, heightMm: 200 } },
  'split-stock': { stockId: 'S1', at: { from: [5, 0], to: [5, 9] } },
  'join-stock': { stockId: 'S1', otherId: 'S2', widthMm: 20, heightMm: 10 },
  'move-stock': { stockId: 'S1', place: 'slot' },
  'correct-stock': { stockId: 'S1', glassId: 'g', widthMm: 2, heightMm: 1, place: '', costCents: 0 },
  'withdraw-stock': { stockId: 'S1' },
  'write-off': { stockId: 'S1', reason: 'dropped' },
  'start-clock': { id: 'h', personId: 'a', panelId: null, stage: 'cutting' },
  'stop-clock': { personId: 'a', endedAt: null },
  'enter-hours': { id: 'h', personId: 'a', panelId: null, stage: 'other', startedAt: 0, endedAt: 1, note: '' },
  'remove-hours': { entryId: 'h' },
};

describe('schemas are tied to the core by the compiler', () => {
  it('one that says less, more or something else does not compile', () => {
    const person = { id: z.string(), name: z.string(), initial: z.string(), active: z.boolean() };
    const rate = { rateCentsPerHour: z.number() };
    type Row = Person & { id: string };
    const whole = z.strictObject({ ...person, ...rate });
    const sound: Tied<typeof whole, Row> = true;
    const less = z.strictObject(person);
    // @ts-expect-error the rate is missing
    const isLess: Tied<typeof less, Row> = true;
    const more = z.strictObject({ ...person, ...rate, shoe: z.number() });
    // @ts-expect-error the core knows no shoes
    const isMore: Tied<typeof more, Row> = true;
    const other = z.strictObject({ ...person, rateCentsPerHour: z.string() });
    // @ts-expect-error the rate is a number
    const isOther: Tied<typeof other, Row> = true;
    const opened = z.strictObject({ ...person, ...rate }).extend({ nick: z.string().optional() });
    // @ts-expect-error nor an optional name that it would never see
    const isOpen: Tied<typeof opened, Row> = true;
    expect([sound, isLess, isMore, isOther, isOpen]).toEqual([true, true, true, true, true]);
    expect([whole, less, more, other, opened].every((s) => s.safeParse({}).success)).toBe(false);
  });
  it('a row with a field too many, or one too few, is no row', () => {
    const row: Tables['settings'] = { ...DEFAULT_SETTINGS, id: 'studio', rev: 3 };
    expect(ROWS.settings.safeParse(row).success).toBe(true);
    expect(ROWS.settings.safeParse({ ...row, made: 3 }).success).toBe(false);
    const { unit: _, ...rest } = row;
    expect(ROWS.settings.safeParse(rest).success).toBe(false);
  });
});

describe('pieces in columns', () => {
  it('come out as they went in', () => {
    const piece = (number: number, more: object = {}) => ({
      number,
      stage: 'cut',
      glassId: 'g',
      broken: null,
      tooSmall: false,
      asks: [],
      ...more,
    });
    const rows = [
      piece(1),
      piece(7, { stage: 'to-cut', glassId: null }),
      piece(9, { broken: 'lost', asks: ['fired'] }),
    ];
    expect(unpackPieces(packPieces(rows as never))).toEqual([rows[0], rows[1], { ...rows[2], broken: 'broken' }]);
    expect(unpackPieces(packPieces([]))).toEqual([]);
  });
});

describe('commands at the border', () => {
  it('every kind of act has a door, save the two that have their own', () => {
    expect(Object.keys(SOUND).sort()).toEqual(
      Object.keys(ACTS)
        .filter((kind) => kind !== 'accept-drawing' && kind !== 'put-back')
        .sort(),
    );
  });
  it.each(Object.entries(SOUND))('%s passes as it is', (kind, ask) => {
    const parsed = commandSchema.safeParse({ kind, ask });
    expect(parsed.success).toBe(true);
    expect(parsed.data?.ask).toEqual(ask);
  });
  it('a glass of a page that knows of no second colours and coats is still entered', () => {
    const now = SOUND['save-glass'] as Record<string, unknown>;
    const old = Object.fromEntries(Object.entries(now).filter(([name]) => name !== 'second' && name !== 'coat'));
    const parsed = commandSchema.safeParse({ kind: 'save-glass', ask: old });
    expect(parsed.data?.ask).toEqual({ ...old, second: null, coat: 'none' });
  });
  it.each(Object.keys(SOUND))('%s with nothing in it is refused in one sentence', (kind) => {
    if (kind === 'change-settings') return expect(commandSchema.safeParse({ kind, ask: {} }).success).toBe(true);
    const parsed = commandSchema.safeParse({ kind, ask: {} });
    expect(parsed.success).toBe(false);
    expect(firstProblem(parsed.error as NonNullable<typeof parsed.error>)).toMatch(/^[A-Z].*; nothing was changed\.$/);
  });
  it.each([
    [
      'a gap below 0',
      'save-panel',
      { ...(SOUND['save-panel'] as object), allowance: { ...DEFAULT_ALLOWANCE.foil, gapMm: -1 } },
    ],
    ['a rate below 0', 'save-person', { ...(SOUND['save-person'] as object), rateCentsPerHour: -1 }],
    ['half a cent', 'save-person', { ...(SOUND['save-person'] as object), rateCentsPerHour: 0.5 }],
    ['a label with a slash', 'receive', { ...(SOUND.receive as object), label: '../S1' }],
    ['markup for a colour', 'save-glass', { ...(SOUND['save-glass'] as object), colour: 'url(x)' }],
    ['infinity', 'receive', { ...(SOUND.receive as object), widthMm: Infinity }],
    ['a date that is none', 'save-commission', { ...(SOUND['save-commission'] as object), due: 'soon' }],
    ['piece 0', 'advance', { ...(SOUND.advance as object), numbers: [0] }],
    ['a step of no form', 'advance', { ...(SOUND.advance as object), to: 'Cut It' }],
    ['the 99th of no month', 'save-commission', { ...(SOUND['save-commission'] as object), due: '2027-99-99' }],
    ['the 30th of February', 'save-commission', { ...(SOUND['save-commission'] as object), due: '2027-02-30' }],
    ['the year 1', 'save-commission', { ...(SOUND['save-commission'] as object), due: '0001-01-01' }],
    ['half a locale', 'change-settings', { locale: 'en-a' }],
    ['a sheet thinner than a millimetre', 'receive', { ...(SOUND.receive as object), heightMm: 0.4 }],
    ['a field that nobody knows', 'advance', { ...(SOUND.advance as object), colour: 'red' }],
  ])('%s is refused', (_, kind, ask) => expect(commandSchema.safeParse({ kind, ask }).success).toBe(false));
  it('an envelope without an id is refused', () => {
    const envelope = { basis: 0, personId: null, bench: 'b', command: { kind: 'remove-hours', ask: { entryId: 'h' } } };
    expect(submitSchema.safeParse(envelope).success).toBe(false);
    expect(submitSchema.safeParse({ ...envelope, commandId: 'long-enough' }).success).toBe(true);
  });
  it('a drawing of no size or 4 m is refused at the door', () => {
    const ask = {
      commandId: 'long-enough',
      basis: 0,
      personId: null,
      bench: 'b',
      source: '<svg/>',
      sourceName: 'a.svg',
    };
    expect(cartoonSchema.safeParse(ask).success).toBe(true);
    for (const widthMm of [0, -1, 4000, Number.NaN])
      expect(cartoonSchema.safeParse({ ...ask, widthMm }).success).toBe(false);
  });
});
