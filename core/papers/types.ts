import type { Cartoon } from '../cartoon/index.ts';
import type { FinishPlan } from '../finish/index.ts';
import type { Ring } from '../geometry/index.ts';
import type { CutList, LeadPlan, Through } from '../leading/index.ts';
import type { Alloy, Materials } from '../materials/index.ts';
import type { CutPiece, LineAllowance, Opening } from '../sizing/index.ts';
import type { StraightBreak, Supply } from '../stock/index.ts';
import type { Currency, DisplayUnit } from '../units/index.ts';

export interface PaperGlass {
  readonly code: string;
  readonly name: string;
  readonly colour: `#${string}`;
  /** Null where both sides are alike; else what is rough: `hammered`. */
  readonly texture: string | null;
  readonly thicknessMm: number;
  readonly hasFlow: boolean;
}

export interface PaperPiece {
  readonly number: number;
  readonly section: string | null;
  readonly glass: PaperGlass | null;
  /** Of a piece of two glasses, that behind; left out where there is one. */
  readonly back?: PaperGlass | null;
  /** Along which its glass is to run on the panel, degrees clockwise from the right; null where it is free. */
  readonly flowDeg: number | null;
}

/** A sheet or offcut as it will be cut. */
export interface PaperSheet {
  readonly label: string;
  readonly glass: PaperGlass;
  readonly outline: Ring;
  readonly breaks: readonly StraightBreak[];
  readonly pieces: readonly { readonly name: string; readonly outline: Ring }[];
}

/** One line of a list of what is needed: what, how much, what is there, what is missing, what that costs. */
export interface NeedLine {
  readonly what: string;
  readonly needs: string;
  readonly has: string;
  readonly buy: string;
  readonly cost: string;
}

/** A panel as its papers see it. */
export interface PaperPanel {
  readonly name: string;
  readonly job: string;
  readonly client: string;
  /** In words, as `for 7 March 2027`; empty where no day is agreed. */
  readonly due: string;
  readonly technique: 'foil' | 'lead';
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly unit: DisplayUnit;
  readonly cartoon: Cartoon;
  readonly cuts: readonly CutPiece[];
  readonly pieces: readonly PaperPiece[];
  readonly sheets: readonly PaperSheet[];
  readonly needs: readonly NeedLine[];
  readonly materials: Materials | null;
  /** What is on the shelf beside glass. */
  readonly supplies: readonly (Supply & { readonly id: string })[];
  /** What went into it already, by supply. */
  readonly used: ReadonlyMap<string, number>;
  readonly alloy: Alloy;
  readonly currency: Currency;
  readonly locale: string;
  /** Where another came goes through than would be chosen; as {@link Through}. */
  readonly through: Through;
  /** Pieces as they are to be laid, by their numbers; none for the best order. */
  readonly laid: readonly number[];
  readonly finish: FinishPlan;
  readonly opening: Opening | null;
  /** Of leaded panels. */
  readonly lead: { readonly plan: LeadPlan; readonly cuts: CutList } | null;
  /** What a scanner is to read from its bench card. */
  readonly code: string;
  /** Codes that start a clock on it, or stop one, and what each is for. */
  readonly clocks: readonly { readonly word: string; readonly code: string }[];
}
