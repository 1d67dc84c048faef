import { z } from 'zod';
import type { Refusal } from '#core/bench';
import { AWAY, PUT_AWAY, WORK_STAGES } from '#core/bench';
import type { Cartoon, CartoonFinding, Repair } from '#core/cartoon';
import type { Cuttability } from '#core/cutting';
import type { CutPiece } from '#core/sizing';
import { breakReason } from './fields.ts';
import { ROWS } from './rows.ts';
import type { Told } from './told.ts';

const text = z.string();
const count = z.number().int().min(0);
const cents = z.number().int();
/** The log position that an answer stands at. */
const seq = count;

/** What a list shows of a panel: its row, the steps done and the joints soldered, its pieces in columns. */
const glance = z.strictObject({
  panel: ROWS.panels,
  steps: z.record(text, z.number()),
  soldered: z.strictObject({ front: z.array(count), back: z.array(count) }),
  pieces: z.strictObject({
    numbers: z.array(count),
    /** Codes of steps, and for each piece which one. */
    stageCodes: z.array(text),
    stages: z.array(count),
    /** Ids of glasses, and for each piece which one, −1 for none. */
    glassIds: z.array(text),
    glasses: z.array(z.number().int().min(-1)),
    /** Numbers of broken pieces that wait, of those too small for the drawing, and what single pieces ask for. */
    broken: z.array(count),
    tooSmall: z.array(count),
    asks: z.record(text, z.array(text)),
  }),
});

const logLine = z.strictObject({
  seq,
  at: z.number(),
  who: text.nullable(),
  words: text,
  /** Numbers, as they are now, of the pieces it touched. */
  numbers: z.array(count),
  mishap: z.boolean(),
  /** Whether it is of the kind that can be taken back; what rests on it is seen when it is tried. */
  mayGoBack: z.boolean(),
  /** So much goes with it that it is asked about first. */
  isLarge: z.boolean(),
});

const labour = z.strictObject({ minutes: z.number(), cents });

const jobLine = z.strictObject({
  commission: ROWS.commissions,
  panels: z.array(glance),
  labour,
  /** What the glass cut for its panels is worth. */
  glassCents: cents,
});

export const BROKE_BY = ['glass', 'step', 'person', 'difficulty'] as const;

/** Every answer to a question, by the place that asks it. No answer holds more than what is shown. */
export const ANSWERS = {
  /** The studio's own things: few, and asked for by every screen. */
  studio: z.strictObject({
    seq,
    /** Another one after an older database was put back. */
    databaseId: text,
    now: z.number(),
    settings: ROWS.settings.nullable(),
    people: z.array(ROWS.people),
    glasses: z.array(ROWS.glasses),
    routes: z.array(ROWS.routes),
    routeSteps: z.array(ROWS.routeSteps),
    /** Clocks that run. */
    clocks: z.array(ROWS.hours.extend({ panelName: text.nullable() })),
    hasJobs: z.boolean(),
  }),
  /** What is in hand, and what runs short for it. */
  today: z.strictObject({
    seq,
    jobs: z.array(z.strictObject({ commission: ROWS.commissions, panels: z.array(glance) })),
    short: z.array(z.strictObject({ glassId: text, missingMm2: count })),
    /** Supplies of which little is left. */
    low: z.array(z.strictObject({ supplyId: text, name: text })),
  }),
  /** What pieces and panels in hand wait for, as long as nobody has seen that it is over. */
  waits: z.strictObject({ seq, waits: z.array(ROWS.waits.extend({ panelName: text })) }),
  jobs: z.strictObject({
    seq,
    inHand: z.array(jobLine),
    past: z.array(jobLine),
    /** Whether any job is archived: those are asked for by themselves. */
    hasArchived: z.boolean(),
    /** Where the next page of delivered jobs begins; null when that was all. */
    next: text.nullable(),
  }),
  commission: z.strictObject({
    seq,
    commission: ROWS.commissions,
    panels: z.array(glance),
    labour,
    mishaps: z.array(ROWS.mishaps),
  }),
  panel: z.strictObject({
    seq,
    panel: ROWS.panels,
    commission: ROWS.commissions,
    sections: z.array(ROWS.sections),
    steps: z.array(ROWS.steps),
    joints: z.array(ROWS.joints),
    pieces: z.array(ROWS.pieces),
    /** Choices of glass that are kept by name. */
    choices: z.array(ROWS.choices),
    /** Photos of the sheets that its pieces lie on or were cut from. */
    photos: z.array(ROWS.photos),
    /** Other panels of the commission. */
    set: z.array(z.strictObject({ id: text, name: text })),
  }),
  history: z.strictObject({ seq, lines: z.array(logLine), next: count.nullable() }),
  /** What happened to one piece, the latest first, and how many notes are about it. */
  piece: z.strictObject({ seq, lines: z.array(logLine), notes: count }),
  /** What undo and redo would do next at a place, in words; null where there is nothing. */
  undo: z.strictObject({ seq, undo: text.nullable(), redo: text.nullable() }),
  notes: z.strictObject({ seq, notes: z.array(ROWS.notes) }),
  /** What the studio uses up beside glass, and the latest entries of its book. */
  supplies: z.strictObject({ seq, supplies: z.array(ROWS.supplies), moves: z.array(ROWS.supplyMoves) }),
  /** What went into the work on panels in hand and is not booked yet. */
  'in-work': z.strictObject({
    seq,
    inWork: z.array(z.strictObject({ supplyId: text, panelId: text, panelName: text, amount: z.number() })),
  }),
  /** What is decided on a panel beside its pieces. */
  plans: z.strictObject({
    seq,
    finish: ROWS.finishes.nullable(),
    leadMarks: ROWS.leadMarks.nullable(),
    trays: z.array(ROWS.trays),
    repairs: z.array(ROWS.repairs),
    waits: z.array(ROWS.waits),
    /** Supplies that were booked on it. */
    used: z.array(ROWS.supplyMoves),
    /** Panels of the job that stand in one opening with it, each in its row; as they were measured, or are drawn. */
    lights: z.array(
      z.strictObject({
        id: text,
        name: text,
        tier: z.number().int(),
        widthMm: z.number().positive(),
        openingMm: z.number().positive().nullable(),
      }),
    ),
  }),
  /** The hours that began within a time, and the days in it that are signed. */
  day: z.strictObject({
    seq,
    hours: z.array(ROWS.hours.extend({ panelName: text.nullable() })),
    sheets: z.array(ROWS.daySheets),
  }),
  /** Panels in hand that pieces of the same glasses are still to be cut for. */
  beside: z.strictObject({
    seq,
    panels: z.array(
      z.strictObject({
        id: text,
        name: text,
        job: text,
        /** Of the same job. */
        isSet: z.boolean(),
        /** How many pieces of the glasses in question. */
        pieces: count,
        /** Some of them lie on a sheet with pieces of the panel asked about. */
        isBeside: z.boolean(),
      }),
    ),
  }),
  panelHours: z.strictObject({ seq, hours: z.array(ROWS.hours), mishaps: z.array(ROWS.mishaps) }),
  /** Whether a label is taken, and those that are free after it. */
  labels: z.strictObject({ first: text, isTaken: z.boolean(), next: z.array(text) }),
  rack: z.strictObject({
    seq,
    stock: z.array(ROWS.stock),
    /** What is laid out on sheets and not cut yet, by sheet and panel. */
    laid: z.array(z.strictObject({ stockId: text, panelId: text, panelName: text, names: z.array(text) })),
    /** Photos of the sheets that stand here, or that its offcuts came from. */
    photos: z.array(ROWS.photos),
    totals: z.record(text, z.number().int()),
    /** Area of what panels in hand have still to be cut, by glass. */
    needs: z.array(z.strictObject({ glassId: text, mm2: count })),
    /** The size in which a glass is sold, by the latest sheets that came, where any did. */
    soldAs: z.array(z.strictObject({ glassId: text, widthMm: z.number(), heightMm: z.number() })),
  }),
  /** What Setup can bring back. */
  away: z.strictObject({
    seq,
    items: z.array(
      z.strictObject({ table: z.enum(PUT_AWAY), id: text, name: text, more: text, as: z.enum(AWAY), at: z.number() }),
    ),
    /** Sheets written off or taken out, by the entry of the log that did it. */
    sheets: z.array(z.strictObject({ entry: count, at: z.number(), words: text })),
  }),
  /** What hangs on something that is to be deleted. */
  hangs: z.strictObject({
    seq,
    panels: count,
    pieces: count,
    cut: count,
    minutes: z.number(),
    /** Pieces not cut yet that are to be of this glass. */
    waiting: count,
  }),
  ledger: z.strictObject({ seq, moves: z.array(ROWS.moves), next: count.nullable() }),
  reckoning: z.strictObject({
    seq,
    from: z.number(),
    to: z.number(),
    stages: z.array(z.strictObject({ stage: z.enum(WORK_STAGES), minutes: z.number(), cents })),
    reasons: z.array(z.strictObject({ reason: breakReason, count, cents })),
    /** The same breaks counted by other things than their reason. */
    broke: z.array(z.strictObject({ by: z.enum(BROKE_BY), name: text, count, cents })),
    latest: z.array(ROWS.mishaps.extend({ panelName: text })),
    jobs: z.array(
      z.strictObject({
        commissionId: text,
        title: text,
        pieces: count,
        minutes: z.number(),
        cents,
        broke: count,
      }),
    ),
  }),
} as const;

export type Place = keyof typeof ANSWERS;
export type AnswerOf<P extends Place> = z.output<(typeof ANSWERS)[P]>;
export type StudioAnswer = AnswerOf<'studio'>;
export type TodayAnswer = AnswerOf<'today'>;
export type JobsAnswer = AnswerOf<'jobs'>;
export type CommissionAnswer = AnswerOf<'commission'>;
export type PanelAnswer = AnswerOf<'panel'>;
export type HistoryAnswer = AnswerOf<'history'>;
export type UndoAnswer = AnswerOf<'undo'>;
export type BesideAnswer = AnswerOf<'beside'>;
export type SuppliesAnswer = AnswerOf<'supplies'>;
export type InWorkAnswer = AnswerOf<'in-work'>;
export type PlansAnswer = AnswerOf<'plans'>;
export type WaitsAnswer = AnswerOf<'waits'>;
export type DayAnswer = AnswerOf<'day'>;
export type PanelHoursAnswer = AnswerOf<'panelHours'>;
export type LabelsAnswer = AnswerOf<'labels'>;
export type RackAnswer = AnswerOf<'rack'>;
export type AwayAnswer = AnswerOf<'away'>;
export type HangsAnswer = AnswerOf<'hangs'>;
export type LedgerAnswer = AnswerOf<'ledger'>;
export type ReckoningAnswer = AnswerOf<'reckoning'>;
export type Glance = z.output<typeof glance>;
export type JobLine = z.output<typeof jobLine>;
export type LogLine = z.output<typeof logLine>;

/** GET /api/drawings/:id: never changes under its id. */
export interface DrawingAnswer {
  readonly cartoon: Cartoon;
  readonly findings: readonly CartoonFinding[];
  readonly repairs: readonly Repair[];
  /** How far ends were moved at most, mm. */
  readonly toleranceMm: number;
}

/** GET /api/drawings/:id/study: follows from the drawing, by the rules of this version. */
export interface StudyAnswer {
  readonly cuts: readonly CutPiece[];
  readonly cuttability: readonly Cuttability[];
}

/** A drawing with what follows from it. */
export interface CartoonAnswer extends DrawingAnswer, StudyAnswer {
  readonly id: string;
}

export interface Accepted {
  readonly seq: number;
  /** True when the command had been carried out before. */
  readonly again: boolean;
  /** What has changed by it, as the live channel tells the others. */
  readonly touched: Touched;
  readonly told?: Told;
  /** Of undo and redo: the act that was put back, in words. */
  readonly of?: string;
}

/** How every refusal crosses the wire. */
export interface ErrorAnswer {
  readonly error: ErrorCode;
  /** One plain sentence: what happened, what to do. */
  readonly words: string;
  readonly refusal?: Refusal;
}

/** The one table of error codes and the status each travels with. */
export const ERROR_STATUS = {
  'bad-input': 400,
  'not-here': 404,
  refused: 409,
  'drawing-refused': 422,
  'too-large': 413,
  'passcode-needed': 401,
  'too-many': 429,
  /** What was sent may be sent again later: the studio's file is away, or another was just put in its place. */
  'not-now': 503,
  'wrong-origin': 403,
  'disk-full': 507,
  'our-fault': 500,
} as const;
export type ErrorCode = keyof typeof ERROR_STATUS;

/** A copy of the studio. */
export interface CopyLine {
  readonly name: string;
  readonly at: number;
  /** Made by itself at the turn of a day, asked for, made before another was put back, or brought from elsewhere. */
  readonly reason: 'daily' | 'asked' | 'before' | 'brought';
  /** Entries of the log in it; null where it was brought from elsewhere. */
  readonly entries: number | null;
  readonly bytes: number;
}

export interface CopiesAnswer {
  /** The folder on the computer that Nelvik runs on. */
  readonly place: string;
  readonly keptDays: number;
  /** Newest first. */
  readonly copies: readonly CopyLine[];
  /** The copy of what stood at the end of the last day of work before today, and when its last step was done. */
  readonly yesterday: { readonly name: string; readonly asOf: number } | null;
  /** Why the last daily copy was not made. */
  readonly problem: string | null;
}

/** How the studio is opened to other devices, and who has come in. */
export interface OpeningAnswer {
  readonly isOpen: boolean;
  readonly hasPasscode: boolean;
  /** Where a device in the studio's network finds it; HTTPS first. */
  readonly addresses: readonly string[];
  /** Who used it last first. */
  readonly sessions: readonly {
    readonly id: string;
    readonly device: 'hand' | 'desk';
    readonly address: string;
    readonly startedAt: number;
    readonly seenAt: number;
    readonly isThis: boolean;
  }[];
}

/** What the live channel sends when the log grows: which tables changed, and of whom. */
export interface LiveMessage {
  readonly seq: number;
  readonly databaseId: string;
  readonly bench: string;
  readonly touched: Touched;
  readonly told?: Told;
}

/** Ids of the panels, commissions or people that changed rows belong to, by table; empty where they belong to the studio. */
export type Touched = Readonly<Record<string, readonly string[]>>;
