import type { Draft } from './studio.ts';
import type { Reader } from './tables.ts';

/** What keeps a command from being carried out. Words for each are in core/words. */
export type RefusalCode =
  | 'unknown-panel'
  | 'unknown-pieces'
  | 'unknown-glass'
  | 'unknown-stock'
  | 'unknown-person'
  | 'unknown-commission'
  | 'unknown-entry'
  | 'unknown-joints'
  | 'no-pieces'
  | 'nothing-to-do'
  | 'not-cut'
  | 'not-this-route'
  | 'already-in-hand'
  | 'no-glass'
  | 'wrong-glass'
  | 'not-enough'
  | 'left-too-large'
  | 'stock-gone'
  | 'label-taken'
  | 'code-taken'
  | 'not-back'
  | 'reason-needed'
  | 'not-in-place'
  | 'step-order'
  | 'step-done'
  | 'step-not-done'
  | 'joints-done'
  | 'clock-runs-not'
  | 'ends-before-start'
  | 'glass-in-use'
  | 'has-work'
  | 'nothing-to-undo'
  | 'nothing-to-redo'
  | 'changed-since'
  | 'stale'
  | 'in-the-future';

export interface Refusal {
  readonly code: RefusalCode;
  readonly numbers?: readonly number[];
  readonly name?: string;
  readonly haveMm2?: number;
  readonly wantMm2?: number;
  /** Sentences that say what happened meanwhile. */
  readonly meanwhile?: readonly string[];
}

/** Facts about a command apart from what it asks: who, where, when, and the log position it would take. */
export interface Circumstance {
  readonly at: number;
  readonly seq: number;
  readonly personId: string | null;
  readonly bench: string;
}

/** Gives the payload of one event, or a refusal; asks nothing but the state. */
export type Decide<C, P> = (
  state: Reader,
  command: C,
  now: Circumstance,
) => { readonly payload: P } | { readonly refusal: Refusal };

/**
 * One kind of act: how it is decided and how its event changes the studio. `apply` never fails on an event
 * that `decide` gave, and depends on nothing but state, payload and circumstance, so a replay ends alike.
 */
export interface Act<C = unknown, P = C> {
  readonly decide: Decide<C, P>;
  readonly apply: (draft: Draft, payload: P, now: Circumstance) => void;
  /** False for what undo passes over: setting up, and the clock. */
  readonly undoable: boolean;
}

export const refuse = (code: RefusalCode, more: Omit<Refusal, 'code'> = {}): { refusal: Refusal } => ({
  refusal: { code, ...more },
});
