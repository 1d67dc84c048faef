import type { Point, Ring } from '../geometry/index.ts';

/** By how many ends of lines meet. */
export type LeadJointKind = 'end' | 'L' | 'T' | 'X' | 'more';

/** One end of a line: 0 where it starts, 1 where it stops. */
export interface LineEnd {
  readonly line: number;
  readonly end: 0 | 1;
}

/** Where centre-lines meet, or one turns by more than a came can be bent round. */
export interface LeadJoint {
  readonly at: Point;
  readonly kind: LeadJointKind;
  readonly ends: readonly LineEnd[];
}

/** A centre-line from joint to joint; a ring without one has neither, and its path is closed. */
export interface LeadLine {
  readonly from: number | null;
  readonly to: number | null;
  readonly path: Ring;
  readonly lengthMm: number;
  /** Numbers of the pieces on either side as seen on the sheet, walking along it; null is the outside. */
  readonly left: number | null;
  readonly right: number | null;
  readonly isBorder: boolean;
  /** The direction in which the drawn curve leaves each of its ends into the line, radians, y down. */
  readonly headings: readonly [number, number];
}

export interface LeadGraph {
  readonly joints: readonly LeadJoint[];
  readonly lines: readonly LeadLine[];
}

/** `over`: of two cames that meet at a corner the one that reaches across the other, which butts against it. */
export type EndKind = 'butt' | 'mitre' | 'over' | 'open' | 'closed';

/** How one end of a run is cut. */
export interface RunEnd {
  /** Null for a ring without joints. */
  readonly joint: number | null;
  readonly kind: EndKind;
  /** The run that it meets, by its place in the list; null for those that meet none. */
  readonly against: number | null;
  readonly angleDeg: number | null;
}

/** One length of came: lines in their order, each walked forwards (`i`) or backwards (`~i`). */
export interface LeadRun {
  readonly lines: readonly number[];
  readonly isBorder: boolean;
  /** It comes back to the joint where it starts, or is a ring. */
  readonly isLoop: boolean;
  readonly lengthMm: number;
  readonly ends: readonly [RunEnd, RunEnd];
}

export interface LeadStep {
  /** Null for the border. */
  readonly piece: number | null;
  readonly runs: readonly number[];
}

export const CORNERS = ['bottom-left', 'bottom-right', 'top-left', 'top-right'] as const;
export type Corner = (typeof CORNERS)[number];

/** Pieces that can not be slid in where they stand in the order. */
export interface Locked {
  readonly pieces: readonly number[];
  /** What lies round it already: one of these is left out until it is in. */
  readonly by: readonly number[];
}

export interface LeadPlan extends LeadGraph {
  readonly runs: readonly LeadRun[];
  readonly order: readonly LeadStep[];
  readonly locked: readonly Locked[];
}
