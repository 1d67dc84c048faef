import { describe, expect, it } from 'vitest';
import { ACTS } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { cartoonSchema, commandSchema, firstProblem, submitSchema } from './index.ts';

/** One sound command of every kind. */
const SOUND: Record<string, unknown> = {
  mark: { panelId: 'p', numbers: [1], flowDeg: 90, section: 'A', sectionName: 'sky', locked: true, recheck: false },
  settings: { unit: 'in', currency: 'USD' },
  person: { id: 'a', name: 'Ada', initial: 'A', rateCentsPerHour: 0, active: true },
  glass: {
    id: 'g',
    code: 'G-1',
    name: 'green',
    colour: '#aabbcc',
    texture: 'seedy',
    thicknessMm: 3,
    hiding: 'opal',
    flow: true,
    priceCentsPerM2: 5,
  },
  commission: { id: 'c', title: 'Light', client: '', due: '2026-12-18', note: '' },
  panel: {
    id: 'p',
    commissionId: 'c',
    name: 'Light',
    technique: 'lead',
    widthMm: 1,
    heightMm: 1,
    allowance: DEFAULT_ALLOWANCE.lead,
  },
  'give-glass': { panelId: 'p', numbers: [1], glassId: null },
  cut: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'stays' } }] },
  advance: { panelId: 'p', numbers: [1], to: 'ground' },
  'step-back': { panelId: 'p', numbers: [1], reason: 'other' },
  break: {
    panelId: 'p',
    numbers: [1],
    reason: 'lost',
    minutes: 0,
    recut: { stockId: 'S1', left: { kind: 'offcuts', offcuts: [{ widthMm: 1, heightMm: 2 }] } },
  },
  joints: { panelId: 'p', side: 'front', joints: [1] },
  step: { panelId: 'p', step: 'cement' },
  receive: { label: 'S1', glassId: 'g', kind: 'sheet', widthMm: 1, heightMm: 1, place: '', costCents: 0 },
  'move-stock': { stockId: 'S1', place: 'slot' },
  'write-off': { stockId: 'S1', reason: 'dropped' },
  'clock-start': { id: 'h', personId: 'a', panelId: null, stage: 'cutting' },
  'clock-stop': { personId: 'a', endedAt: null },
  hours: { id: 'h', personId: 'a', panelId: null, stage: 'other', startedAt: 0, endedAt: 1, note: '' },
  'hours-remove': { entryId: 'h' },
};

describe('commands at the border', () => {
  it('every kind of act has a door, save the two that have their own', () => {
    expect(Object.keys(SOUND).sort()).toEqual(
      Object.keys(ACTS)
        .filter((kind) => kind !== 'cartoon' && kind !== 'put-back')
        .sort(),
    );
  });
  it.each(Object.entries(SOUND))('%s passes as it is', (kind, ask) => {
    const parsed = commandSchema.safeParse({ kind, ask });
    expect(parsed.success).toBe(true);
    expect(parsed.data?.ask).toEqual(ask);
  });
  it.each(Object.keys(SOUND))('%s with nothing in it is refused in one sentence', (kind) => {
    if (kind === 'settings') return expect(commandSchema.safeParse({ kind, ask: {} }).success).toBe(true);
    const parsed = commandSchema.safeParse({ kind, ask: {} });
    expect(parsed.success).toBe(false);
    expect(firstProblem(parsed.error as NonNullable<typeof parsed.error>)).toMatch(/^[A-Z].*; nothing was changed\.$/);
  });
  it.each([
    ['a gap below 0', 'panel', { ...(SOUND.panel as object), allowance: { ...DEFAULT_ALLOWANCE.foil, gapMm: -1 } }],
    ['a rate below 0', 'person', { ...(SOUND.person as object), rateCentsPerHour: -1 }],
    ['half a cent', 'person', { ...(SOUND.person as object), rateCentsPerHour: 0.5 }],
    ['a label with a slash', 'receive', { ...(SOUND.receive as object), label: '../S1' }],
    ['markup for a colour', 'glass', { ...(SOUND.glass as object), colour: 'url(x)' }],
    ['infinity', 'receive', { ...(SOUND.receive as object), widthMm: Infinity }],
    ['a date that is none', 'commission', { ...(SOUND.commission as object), due: 'soon' }],
    ['piece 0', 'advance', { ...(SOUND.advance as object), numbers: [0] }],
    ['a stage that is cut by another door', 'advance', { ...(SOUND.advance as object), to: 'cut' }],
  ])('%s is refused', (_, kind, ask) => expect(commandSchema.safeParse({ kind, ask }).success).toBe(false));
  it('an envelope without an id is refused', () => {
    const envelope = { basis: 0, personId: null, bench: 'b', command: { kind: 'hours-remove', ask: { entryId: 'h' } } };
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
