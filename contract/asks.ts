import { z } from 'zod';
import {
  AWAY,
  BACK_REASONS,
  COUNTED_BY,
  DEEDS,
  GLASSES_OF_TWO,
  LOOKS,
  NOTES_ABOUT,
  PUT_AWAY,
  REPAIR_WAYS,
  TAKEN_IN_KINDS,
  WORK_STAGES,
  type ActKind,
  type AskOf,
} from '#core/bench';
import { BOUNDS } from '#core/limits';
import { BEDDINGS, EDGES, SPOTS, WAYS_TO_HOLD } from '#core/finish';
import { COATS, HIDINGS, SUPPLY_KINDS, SUPPLY_MOVES, TEXTURES } from '#core/stock';
import { CURRENCIES } from '#core/units';
import {
  allowance,
  breakReason,
  cents,
  colour,
  day,
  id,
  instant,
  knownLabel,
  label,
  left,
  lengthMm,
  lies,
  limits,
  locale,
  name,
  numbers,
  opening,
  point,
  ring,
  stepCode,
  straightBreak,
  technique,
  words,
} from './fields.ts';
import type { Tied } from './tied.ts';

/** Acts that have doors of their own: a drawing is read first, undo finds for itself what it puts back. */
export type OwnDoor = 'accept-drawing' | 'put-back';
export type DoorKind = Exclude<ActKind, OwnDoor>;

const pictureHash = z.string().regex(/^[0-9a-f]{64}$/, 'must be the name of a kept picture');
const routeKey = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'is no key');
const ofPieces = { panelId: id, numbers };
const pieceNumber = z.number().int().min(1).max(BOUNDS.number.most);
/** None of them too. */
const anyNumbers = z.array(pieceNumber).max(BOUNDS.pieces.most);
const choice = z.strictObject({ panelId: id, name: words(40).min(1, 'must not be empty') });

const receipt = z.strictObject({
  label,
  glassId: id,
  kind: z.enum(['sheet', 'offcut']),
  widthMm: lengthMm.min(1, 'must be at least 1 mm'),
  heightMm: lengthMm.min(1, 'must be at least 1 mm'),
  place: words(40),
  costCents: cents,
});
/** Of a supply, in the measure of its kind. */
const amount = z.number().min(0, 'must not be negative').max(1e9);
const supply = z.strictObject({
  id,
  kind: z.enum(SUPPLY_KINDS),
  name,
  sort: words(40),
  code: words(60),
  packAmount: amount.positive('must be more than 0'),
  packCents: cents,
  low: amount,
  place: words(40),
});
const stockList = z.array(knownLabel).min(1).max(500);

export const savePanel = z.strictObject({
  id,
  commissionId: id,
  name,
  technique,
  route: words(40).min(1).optional(),
  widthMm: lengthMm,
  heightMm: lengthMm,
  allowance,
  opening: opening.nullable().optional(),
});

const step = z.strictObject({
  code: stepCode,
  scope: z.enum(['piece', 'panel']),
  word: name,
  verb: name,
  calls: z.array(words(30).min(1)).max(8),
  work: z.enum(WORK_STAGES),
  look: z.enum(LOOKS),
  deed: z.enum(DEEDS),
  needs: z.array(stepCode).max(40),
  waitMin: z.number().int().min(0, 'must not be negative').max(525_600),
  waitName: words(40).min(1).nullable(),
  caution: words(400).min(1).nullable(),
  mayBeLeftOut: z.boolean(),
  onlyAsked: z.boolean(),
});

/** What a screen may ask, by act. */
export const ASKS = {
  'change-settings': z
    .strictObject({
      studio: name,
      unit: z.enum(['mm', 'in']),
      currency: z.enum(CURRENCIES),
      locale,
      longClockMin: z.number().int().min(15).max(BOUNDS.entryMin.most),
      limits,
      ownReasons: z.array(words(60).min(1)).max(30),
    })
    .partial(),
  'save-person': z.strictObject({ id, name, initial: words(3).min(1), rateCentsPerHour: cents, active: z.boolean() }),
  'save-glass': z.strictObject({
    id,
    code: label,
    name,
    colour,
    // A page that was opened before there were second colours and coats still enters its glass.
    second: colour.nullable().default(null),
    texture: z.enum(TEXTURES),
    thicknessMm: z.number().positive('must be more than 0').max(BOUNDS.thicknessMm.most),
    hiding: z.enum(HIDINGS),
    coat: z.enum(COATS).default('none'),
    flow: z.boolean(),
    priceCentsPerM2: cents,
  }),
  'save-commission': z.strictObject({ id, title: name, client: words(80), due: day.nullable(), note: words(2000) }),
  'save-panel': savePanel,
  'save-route': z.strictObject({
    key: routeKey,
    name,
    technique,
    steps: z.array(step).min(3).max(60),
  }),
  'put-away': z.strictObject({ table: z.enum(PUT_AWAY), id, as: z.enum(AWAY).nullable() }),
  'choose-glass': z.strictObject({ ...ofPieces, glassId: id.nullable() }),
  'choose-back': z.strictObject({ ...ofPieces, glassId: id.nullable() }),
  'keep-choice': choice,
  'take-choice': choice,
  'drop-choice': choice,
  mark: z.strictObject({
    ...ofPieces,
    flowDeg: z.number().min(0).max(180).nullable().optional(),
    section: z
      .string()
      .regex(/^[A-Z]$/, 'must be one letter')
      .nullable()
      .optional(),
    sectionName: words(40).optional(),
    locked: z.boolean().optional(),
    recheck: z.literal(false).optional(),
  }),
  'ask-steps': z.strictObject({
    ...ofPieces,
    steps: z.array(stepCode).max(20),
    without: z.array(stepCode).max(20).optional(),
  }),
  'lay-out': z.strictObject({
    panelId: id,
    sheets: z
      .array(
        z.strictObject({
          stockId: knownLabel,
          breaks: z.array(straightBreak).max(3000).nullable(),
          pieces: z
            .array(
              z.strictObject({
                number: pieceNumber,
                of: z.literal('back').optional(),
                panelId: id.optional(),
                ...lies,
              }),
            )
            .min(1)
            .max(BOUNDS.pieces.most),
        }),
      )
      .min(1)
      .max(100),
  }),
  'lift-off': z.strictObject({
    panelId: id,
    numbers: anyNumbers,
    backs: anyNumbers.optional(),
  }),
  'write-note': z.strictObject({
    id,
    about: z.enum(NOTES_ABOUT),
    aboutId: words(200).min(1),
    words: words(2000),
    picture: pictureHash.nullable(),
  }),
  'drop-note': z.strictObject({ id }),
  'take-in': z.strictObject({ ...ofPieces, as: z.enum(TAKEN_IN_KINDS) }),
  'follow-route': z.strictObject({ panelId: id, route: routeKey }),
  cut: z.strictObject({
    panelId: id,
    sources: z
      .array(z.strictObject({ stockId: knownLabel, numbers, left }))
      .min(1)
      .max(50),
  }),
  'cut-back': z.strictObject({
    panelId: id,
    sources: z
      .array(z.strictObject({ stockId: knownLabel, numbers, left }))
      .min(1)
      .max(50),
  }),
  advance: z.strictObject({ ...ofPieces, to: stepCode }),
  'send-back': z.strictObject({ ...ofPieces, reason: z.enum(BACK_REASONS) }),
  break: z.strictObject({
    ...ofPieces,
    reason: breakReason,
    minutes: z.number().min(0, 'must not be negative').max(BOUNDS.breakMin.most),
    recut: z.strictObject({ stockId: knownLabel, left }).nullable(),
    lostFrom: z.strictObject({ stockId: knownLabel, left }).optional(),
    only: z.enum(GLASSES_OF_TWO).optional(),
  }),
  'solder-joints': z.strictObject({ panelId: id, side: z.enum(['front', 'back']), joints: numbers }),
  'finish-step': z.strictObject({ panelId: id, step: stepCode }),
  'plan-finish': z.strictObject({
    panelId: id,
    plan: z
      .strictObject({
        hold: z.enum(WAYS_TO_HOLD),
        edge: z.enum(EDGES),
        rings: z.array(point).max(40),
        spreadDeg: z.number().min(5, 'must be 5° or more').max(90, 'must be 90° or less'),
        bars: z.array(z.number().min(-1e5).max(1e5)).max(40),
        place: z.enum(SPOTS),
        bedding: z.enum(BEDDINGS),
        hasOuterGlass: z.boolean(),
        tier: z.number().int().min(1, 'must be 1 or more').max(9, 'must be 9 or less').nullable(),
      })
      .partial(),
    measured: z
      .strictObject({
        widthMm: lengthMm.min(1, 'must be at least 1 mm'),
        heightMm: lengthMm.min(1, 'must be at least 1 mm'),
      })
      .optional(),
  }),
  'mark-lead': z.strictObject({
    panelId: id,
    cut: z.strictObject({ name: words(40).min(1), isCut: z.boolean() }).optional(),
    through: z.strictObject({ joint: words(24).min(1), deg: z.number().int().min(0).max(359).nullable() }).optional(),
    laid: anyNumbers.nullable().optional(),
  }),
  'begin-wait': z.strictObject({
    id,
    panelId: id,
    numbers: anyNumbers,
    name: words(40).min(1, 'must not be empty'),
    minutes: z.number().int().min(1, 'must be a minute or more').max(525_600),
  }),
  'end-wait': z.strictObject({ id }),
  'hand-tray': z.strictObject({
    panelId: id,
    letter: z.string().regex(/^[A-Z]$/, 'must be one letter'),
    personId: id.nullable(),
  }),
  'open-repair': z.strictObject({
    id,
    panelId: id,
    number: pieceNumber,
    way: z.enum(REPAIR_WAYS),
    words: words(400),
    joints: z.array(z.number().int().min(1)).max(200),
  }),
  'go-on-repair': z.strictObject({ id, step: stepCode }),
  'save-supply': supply,
  'list-supplies': z.strictObject({
    items: z
      .array(supply.extend({ amount: amount.nullable(), moveId: id }))
      .min(1)
      .max(300),
  }),
  'move-supply': z.strictObject({
    id,
    supplyId: id,
    kind: z.enum(SUPPLY_MOVES),
    amount,
    panelId: id.nullable(),
    reckoned: amount.nullable(),
  }),
  'book-used': z.strictObject({
    items: z
      .array(z.strictObject({ id, supplyId: id, panelId: id, amount }))
      .min(1)
      .max(1000),
  }),
  receive: receipt,
  'move-stock': z.strictObject({ stockId: knownLabel, place: name }),
  'receive-many': z.strictObject({ items: z.array(receipt).min(1).max(500) }),
  'move-many': z.strictObject({ stockIds: stockList, place: name }),
  'keep-for': z.strictObject({ stockIds: stockList, commissionId: id.nullable() }),
  'photo-sheet': z.strictObject({
    stockId: knownLabel,
    photo: z
      .strictObject({
        hash: pictureHash,
        x: z.number().min(-1e5).max(1e5),
        y: z.number().min(-1e5).max(1e5),
        widthMm: lengthMm.min(1, 'must be at least 1 mm'),
        heightMm: lengthMm.min(1, 'must be at least 1 mm'),
      })
      .nullable(),
  }),
  'split-stock': z.strictObject({ stockId: knownLabel, at: straightBreak }),
  'join-stock': z.strictObject({
    stockId: knownLabel,
    otherId: knownLabel,
    widthMm: lengthMm.min(1, 'must be at least 1 mm'),
    heightMm: lengthMm.min(1, 'must be at least 1 mm'),
  }),
  'correct-stock': z.strictObject({
    stockId: knownLabel,
    glassId: id,
    widthMm: lengthMm.min(1, 'must be at least 1 mm'),
    heightMm: lengthMm.min(1, 'must be at least 1 mm'),
    place: words(40),
    costCents: cents,
  }),
  'shape-stock': z.strictObject({ stockId: knownLabel, outline: ring, flaws: z.array(ring).max(60) }),
  'count-stock': z.strictObject({
    by: z.enum(COUNTED_BY),
    place: words(40),
    found: z
      .array(z.strictObject({ stockId: knownLabel, areaMm2: z.number().int().min(0).max(1e9).nullable() }))
      .min(1)
      .max(500),
  }),
  'withdraw-stock': z.strictObject({ stockId: knownLabel }),
  'write-off': z.strictObject({ stockId: knownLabel, reason: name }),
  'start-clock': z.strictObject({ id, personId: id, panelId: id.nullable(), stage: z.enum(WORK_STAGES) }),
  'stop-clock': z.strictObject({ personId: id, endedAt: instant.nullable() }),
  'enter-hours': z.strictObject({
    id,
    personId: id,
    panelId: id.nullable(),
    stage: z.enum(WORK_STAGES),
    startedAt: instant,
    endedAt: instant,
    note: words(400),
  }),
  'remove-hours': z.strictObject({ entryId: id }),
  'sign-day': z.strictObject({ personId: id, day, minutes: z.number().min(0).max(1440) }),
} as const satisfies Readonly<Record<DoorKind, z.ZodType>>;

// A schema that says more, less or something else than the act's own type does not compile.
export const TIED_ASKS: { readonly [K in DoorKind]: Tied<(typeof ASKS)[K], AskOf<K>> } = Object.fromEntries(
  Object.keys(ASKS).map((kind) => [kind, true]),
) as { [K in DoorKind]: true };

export const DOOR_KINDS = Object.keys(ASKS) as DoorKind[];
