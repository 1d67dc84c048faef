import type { Point } from '../geometry/index.ts';

export const WAYS_TO_HOLD = ['hung', 'fitted', 'stood', 'lamp'] as const;
/** How a finished panel is held up: by chain or wire, in an opening, on a foot; or it is a shade on its lamp. */
export type WayToHold = (typeof WAYS_TO_HOLD)[number];

export const EDGES = ['bare', 'zinc', 'lead', 'frame'] as const;
/** What goes round a panel: a beaded rim alone, a came of zinc or lead, a frame with a rebate. */
export type EdgeKind = (typeof EDGES)[number];

export const SPOTS = ['inside', 'window', 'door', 'beside-door', 'low', 'overhead', 'wet'] as const;
/** Where it goes, as far as that asks for care. */
export type FittingPlace = (typeof SPOTS)[number];

export const BEDDINGS = ['putty', 'mortar', 'sealant', 'beads'] as const;
/** What it is bedded in: linseed putty, lime mortar, sealant, or dry between beads. */
export type Bedding = (typeof BEDDINGS)[number];

/** A finished panel as it was measured. */
export interface MeasuredSize {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly at: number;
}

/** What is decided on how a panel is finished. */
export interface FinishPlan {
  readonly hold: WayToHold;
  readonly edge: EdgeKind;
  /** Where rings are soldered on, mm on the drawing; none as long as nobody chose. */
  readonly rings: readonly Point[];
  /** Of chain or wire to the horizontal, degrees. */
  readonly spreadDeg: number;
  /** Heights of bars on the drawing, mm. */
  readonly bars: readonly number[];
  readonly place: FittingPlace;
  readonly bedding: Bedding;
  /** Another glass stands before it, outside. */
  readonly hasOuterGlass: boolean;
  /** In an opening of several lights its row from the top, the topmost being 1; null where it stands alone. */
  readonly tier: number | null;
  readonly measured: MeasuredSize | null;
}

export const USUAL_FINISH: FinishPlan = {
  hold: 'hung',
  edge: 'bare',
  rings: [],
  spreadDeg: 60,
  bars: [],
  place: 'inside',
  bedding: 'putty',
  hasOuterGlass: false,
  tier: null,
  measured: null,
};

/** Whether it is fitted into a bed of sealant. */
export const isBeddedInSealant = ({ hold, bedding }: Pick<FinishPlan, 'hold' | 'bedding'>): boolean =>
  hold === 'fitted' && bedding === 'sealant';
