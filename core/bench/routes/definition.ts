import type { Technique } from '../../sizing/index.ts';
import type { WorkStage } from '../works.ts';

/** What a piece or a panel looks like from a step on; the picture draws the material. */
export const LOOKS = ['paper', 'glass', 'frosted', 'copper', 'leaded', 'cemented', 'dark', 'unchanged'] as const;
export type Look = (typeof LOOKS)[number];

/** What Nelvik itself does at a step, beside noting that it was done. */
export const DEEDS = [
  'begins',
  'takes-glass',
  'takes-back',
  'solders-front',
  'solders-back',
  'delivers',
  'nothing',
] as const;
export type Deed = (typeof DEEDS)[number];

/** The code of a step. It is what the log, the rows and the picture know the step by. */
export type StepCode = string;
/** Every route begins with this step. */
export const BEGINS: StepCode = 'to-cut';

/**
 * One step of a route, of single pieces or of the panel as a whole: everything that hints, number pad, words, pictures
 * and progress have to know of it.
 */
export interface StepDefinition {
  readonly code: StepCode;
  readonly scope: 'piece' | 'panel';
  /** What a piece or a panel is once it is done: `ground`, `back soldered`. */
  readonly word: string;
  /** The order to do it: `Grind`, `Solder the back`. */
  readonly verb: string;
  /** What the tally line knows it by, the shortest first; the first is on the number pad. */
  readonly calls: readonly string[];
  readonly work: WorkStage;
  readonly look: Look;
  readonly deed: Deed;
  /** Steps of the panel that must be done before; a piece goes through its steps in order. */
  readonly needs: readonly StepCode[];
  /** Minutes that the next step has to wait, and what is waited for. */
  readonly waitMin: number;
  readonly waitName: string | null;
  readonly caution: string | null;
  readonly mayBeLeftOut: boolean;
  /** Only pieces that ask for it go through it: painted, fired. */
  readonly onlyAsked: boolean;
}

/** A version of a route; once a panel has named it, it never changes. */
export interface RouteVersion {
  /** The route's key and its version: `foil@1`. */
  readonly id: string;
  readonly key: string;
  readonly version: number;
  readonly name: string;
  readonly technique: Technique;
}

/** A step in its place on a version of a route. */
export interface RouteStep extends StepDefinition {
  readonly routeId: string;
  readonly place: number;
}
