import { signedArea } from '../geometry/index.ts';
import { freeParts, wholeName, withHandLaid } from './byHand.ts';
import { checkLayout, type LayoutFault } from './check.ts';
import { Layouter, type LayoutOptions } from './layout.ts';
import { planStrips, type StripPlan } from './strips.ts';
import type { Layout, LayoutJob } from './types.ts';

export interface WithStrips {
  readonly layout: Layout;
  /** Equal pieces that are cut in strips; none where the search by itself does better. */
  readonly strips: readonly StripPlan[];
}

/**
 * A layout with its equal straight-sided pieces in strips and the others beside them, where that places more, opens fewer
 * whole sheets or takes less glass than the layout that was found.
 * @param steps for the pieces that no strip gives
 */
export function stripsOrNot(job: LayoutJob, found: Layout, options: LayoutOptions, steps: number): WithStrips {
  const strips = planStrips(job.pieces, job.sheets, job);
  if (strips.length === 0) return { layout: found, strips: [] };
  const search = new Layouter(restOf(job, strips), options);
  search.run(steps);
  // What was parted last is put together first.
  const layout = strips.reduceRight((inner, { laid }) => withHandLaid(inner, laid, job.keepMm), search.best());
  return isBetter(job, layout, found, options.prefersUse)
    ? { layout, strips: strips.map(byWholeSheets) }
    : { layout: found, strips: [] };
}

/** What strips leave of a job: the other pieces, the sheets that no strip is cut from, and what is left of the others. */
function restOf(job: LayoutJob, strips: readonly StripPlan[]): LayoutJob {
  const done = new Set(strips.flatMap((one) => one.pieceIds));
  const used = new Set(strips.flatMap((one) => one.strips.map(({ sheetId }) => sheetId)));
  // The breaks of strips run along their pieces: what lies beyond keeps off as far as off an edge.
  const left = job.edgeMm >= job.marginMm ? strips.flatMap((one) => one.laid.flatMap(freeParts)) : [];
  return {
    ...job,
    pieces: job.pieces.filter((piece) => !done.has(piece.id)),
    sheets: [...left, ...job.sheets].filter((sheet) => !used.has(sheet.id)),
  };
}

/** Strips are told by the sheets that they are cut from, also where others were cut from the same sheet before. */
const byWholeSheets = (plan: StripPlan): StripPlan => ({
  ...plan,
  strips: plan.strips.map((one) => ({ ...one, sheetId: wholeName(one.sheetId) })),
});

/** In the order of what is best: most area placed, fewest whole sheets opened, least glass. */
function isBetter(job: LayoutJob, a: Layout, b: Layout, prefersUse: boolean): boolean {
  const placed = (layout: Layout) => layout.placements.reduce((sum, one) => sum + Math.abs(signedArea(one.outline)), 0);
  const whole = new Set(job.sheets.filter((sheet) => !sheet.offcut).map((sheet) => sheet.id));
  const opened = (layout: Layout) =>
    new Set(layout.placements.map((one) => one.sheetId).filter((id) => whole.has(id))).size;
  const more = placed(a) - placed(b);
  if (Math.abs(more) > 1) return more > 0;
  const fewer = opened(b) - opened(a);
  if (!prefersUse && fewer !== 0) return fewer > 0;
  return a.glassConsumedMm2 < b.glassConsumedMm2 - 1;
}

/**
 * What a layout with strips must not be: each strip's neighbours share their breaks, all else keeps its margin.
 * @returns what is wrong, nothing when it holds
 */
export const checkWithStrips = (job: LayoutJob, { layout, strips }: WithStrips): LayoutFault[] =>
  checkLayout(job, layout, undefined, new Set(strips.flatMap((one) => one.pieceIds)));
