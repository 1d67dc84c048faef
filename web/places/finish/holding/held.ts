import { backGlassOf, buildOf } from '#core/bench';
import type { Cartoon } from '#core/cartoon';
import {
  bestRings,
  edgeFor,
  footDepth,
  frameFor,
  gravityOf,
  hangingOn,
  ringPlaces,
  stiffeningOf,
  type EdgeKind,
  type EdgeReason,
  type FinishPlan,
  type Frame,
  type Gravity,
  type Hanging,
  type RingPlace,
  type Stiffening,
} from '#core/finish';
import type { Point } from '#core/geometry';
import type { Materials } from '#core/materials';
import { finishedSize, outsideOf } from '#core/sizing';
import type { PanelView } from '../../../panel/view.ts';

/** What is worked out on how a panel is held. */
export interface Held {
  readonly gravity: Gravity;
  readonly places: readonly RingPlace[];
  /** Rings as they are chosen, else as proposed; and those proposed. */
  readonly rings: readonly Point[];
  readonly proposed: readonly Point[];
  readonly hanging: Hanging | null;
  /** With the bars that are decided; and the heights of those proposed. */
  readonly stiffening: Stiffening & { readonly heightMm: number };
  readonly wanted: readonly number[];
  readonly advised: { readonly edge: EdgeKind; readonly why: EdgeReason };
  readonly frame: Frame;
  readonly footHeightMm: number;
  readonly footMm: number;
  /** Of the drawing, mm. */
  readonly top: number;
}

/** Came or rim stands before and behind the glass by so much, mm. From memory. */
const PROUD_MM = 2;

/** How a panel is held as it is planned. Takes some milliseconds for a thousand lines. */
export function heldBy(
  cartoon: Cartoon,
  { panel, pieces, glasses }: PanelView,
  plan: FinishPlan,
  { weightG }: Materials,
  thickMm: number,
): Held {
  const { layers, plated } = buildOf(panel.route, pieces);
  const thick = new Map(
    pieces.map((piece) => {
      const mm = (glassId: string | null) => glasses.get(glassId ?? '')?.thicknessMm ?? thickMm;
      const behind = layers - 1 + Number(plated.includes(piece.number));
      return [piece.number, mm(piece.glassId) + behind * mm(backGlassOf(piece))];
    }),
  );
  const gravity = gravityOf(cartoon, (number) => thick.get(number) ?? thickMm, weightG.total - weightG.glass);
  const places = ringPlaces(cartoon);
  const proposed = (bestRings(places, gravity, cartoon.box.minY) ?? []).map((place) => place.at);
  const rings = plan.rings.length > 0 ? plan.rings : proposed;
  const advice = stiffeningOf(cartoon, panel.technique);
  const size = finishedSize(panel, outsideOf(cartoon, panel.allowance));
  const footHeightMm = cartoon.box.maxY - gravity.at[1];
  return {
    gravity,
    places,
    rings,
    proposed,
    hanging: plan.hold === 'hung' ? hangingOn(rings, places, gravity, plan.spreadDeg) : null,
    stiffening: {
      ...stiffeningOf(cartoon, panel.technique, plan.bars),
      heightMm: cartoon.box.maxY - cartoon.box.minY,
    },
    wanted: advice.bars.map((bar) => bar.y),
    advised: edgeFor(panel.technique, size, plan.hold, advice.isFramed),
    frame: frameFor(size.widthMm, size.heightMm, layers * thickMm + 2 * PROUD_MM),
    footHeightMm,
    footMm: footDepth(footHeightMm),
    top: cartoon.box.minY,
  };
}
