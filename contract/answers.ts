import type { Refusal, RefusalCode, Tables } from '#core/bench';
import type { Cartoon, CartoonFinding, Repair, DrawingRefusalCode } from '#core/cartoon';
import type { CutPiece } from '#core/sizing';
import type { Cuttability } from '#core/cutting';

/** GET /api/studio: all but pieces and ledger, with the log position it stands at. */
export interface StudioAnswer {
  readonly seq: number;
  readonly now: number;
  readonly settings: Tables['settings'] | null;
  readonly people: readonly Tables['people'][];
  readonly glasses: readonly Tables['glasses'][];
  readonly stock: readonly Tables['stock'][];
  readonly commissions: readonly Tables['commissions'][];
  readonly panels: readonly Tables['panels'][];
  readonly hours: readonly Tables['hours'][];
  readonly mishaps: readonly Tables['mishaps'][];
}

/** GET /api/panels/:id */
export interface PanelAnswer {
  readonly seq: number;
  readonly pieces: readonly Tables['pieces'][];
  readonly log: readonly LogLine[];
}

export interface LogLine {
  readonly seq: number;
  readonly at: number;
  readonly who: string | null;
  readonly words: string;
  /** Numbers of the pieces it touched. */
  readonly numbers: readonly number[];
  readonly mishap: boolean;
}

/** GET /api/cartoons/:id: never changes under its id. */
export interface CartoonAnswer {
  readonly id: string;
  readonly cartoon: Cartoon;
  readonly cuts: readonly CutPiece[];
  readonly cuttability: readonly Cuttability[];
  readonly findings: readonly CartoonFinding[];
  readonly repairs: readonly Repair[];
  /** How far ends were moved at most, mm. */
  readonly toleranceMm: number;
}

export interface Accepted {
  readonly seq: number;
  /** True when the command had been carried out before. */
  readonly again: boolean;
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
  'wrong-origin': 403,
  'disk-full': 507,
  'our-fault': 500,
} as const;
export type ErrorCode = keyof typeof ERROR_STATUS;
export type { RefusalCode, DrawingRefusalCode };

/** What the live channel sends when the log grows. */
export interface LiveMessage {
  readonly seq: number;
  readonly panels: readonly string[];
  readonly bench: string;
}
