import type { Cartoon } from '../cartoon/index.ts';
import type { DisplayUnit } from '../units/index.ts';
import type { Refusal, RefusalCode } from './refusals.ts';
import type { Draft } from './studio.ts';
import type { Reader, TableName, Tables } from './tables.ts';

/** Facts about a command apart from what it asks: who, where, when, and the log position it would take. */
export interface Circumstance {
  readonly at: number;
  readonly seq: number;
  readonly personId: string | null;
  readonly bench: string;
}

/** Fields of rows, by table. */
export type Fields = { readonly [T in TableName]?: readonly Exclude<keyof Tables[T], 'id' | 'rev'>[] };

/** What a row was before an act, by the fields that changed; see {@link ../undo.ts}. */
export interface RowInverse {
  readonly table: TableName;
  readonly id: string;
  /** The fields as they were; null where the act made the row. */
  readonly was: Readonly<Record<string, unknown>> | null;
  /** The same fields as the act left them; null where it made the row or took it away. */
  readonly is: Readonly<Record<string, unknown>> | null;
}

/** What an old event is brought up to date with. */
export interface UpcastContext {
  /** The studio as it stood before the event. */
  readonly state: Reader;
  readonly now: Circumstance;
  /** The inverse of an earlier entry, as it is kept today. */
  readonly inverseOf: (seq: number) => readonly RowInverse[];
  /**
   * The drawing that an old event names, its parts named for good.
   * @param was for each piece by its number the number it had before, null for new ones; pieces not named are as before
   */
  readonly drawing: (cartoonId: string, previousId: string | null, was: ReadonlyMap<number, number | null>) => Cartoon;
}

/** Brings the fact of one version up to the next. */
export type Upcast = (old: never, context: UpcastContext) => unknown;

/**
 * One kind of act: how it is decided, how its event changes the studio, how it is told. One folder each.
 *
 * `decide` works everything out: what things cost, what is left, at which rate. `apply` only writes what the fact says,
 * so mending a formula changes no past; it never fails on a fact that `decide` gave.
 */
export interface Act<Ask = unknown, Fact = Ask> {
  /** Of the fact. A fact of an older one is brought up by {@link Act.upcasts}. */
  readonly version: number;
  /** Kinds it was known by in older logs. */
  readonly formerly: readonly string[];
  /** Where it is taken back: at its panel, at the rack, in setting up. Null for what undo passes over, as the clock. */
  readonly undoIn: 'panel' | 'rack' | 'setup' | null;
  /** So much goes with it that whoever takes it back is asked first. */
  readonly isLarge?: (fact: Fact) => boolean;
  /** Of the rows it changes, the fields it was decided by: touched meanwhile by somebody else, the command is stale. */
  readonly reads: Fields;
  readonly decide: (
    state: Reader,
    ask: Ask,
    now: Circumstance,
  ) => { readonly fact: Fact } | { readonly refusal: Refusal };
  readonly apply: (draft: Draft, fact: Fact, now: Circumstance) => void;
  /** The panel whose history it belongs to. */
  readonly panelOf: (fact: Fact) => string | null;
  /** What happened, as a line of the log: `12–18 cut from B7`. */
  readonly told: (fact: Fact, state: Reader) => string;
  /** What it would do, stated before it is done; empty where nothing has to be said. */
  readonly effect: (ask: Ask, state: Reader, unit: DisplayUnit) => string;
  /** From the version named to the next one; every version below the present one has its own. */
  readonly upcasts: Readonly<Record<number, Upcast>>;
}

export const refuse = (code: RefusalCode, more: Omit<Refusal, 'code'> = {}): { refusal: Refusal } => ({
  refusal: { code, ...more },
});

/** For acts whose effect needs no words before. */
export const NO_WORDS = (): string => '';
