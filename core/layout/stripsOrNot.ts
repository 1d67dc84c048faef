import { signedArea } from '../geometry/index.ts';
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
  const rest = restOf(job, strips);
  const search = new Layouter(rest, options);
  search.run(steps);
  const layout = together([...strips.map((one) => one.layout), search.best()]);
  return isBetter(job, layout, found, options.prefersUse) ? { layout, strips } : { layout: found, strips: [] };
}

/** What strips leave of a job: the other pieces, and the sheets that no strip is cut from. */
function restOf(job: LayoutJob, strips: readonly StripPlan[]): LayoutJob {
  const done = new Set(strips.flatMap((one) => one.pieceIds));
  const used = new Set(strips.flatMap((one) => one.strips.map(({ sheetId }) => sheetId)));
  return {
    ...job,
    pieces: job.pieces.filter((piece) => !done.has(piece.id)),
    sheets: job.sheets.filter((sheet) => !used.has(sheet.id)),
  };
}

function together(layouts: readonly Layout[]): Layout {
  const placements = layouts.flatMap((one) => one.placements);
  const glassConsumedMm2 = layouts.reduce((sum, one) => sum + one.glassConsumedMm2, 0);
  const placedMm2 = placements.reduce((sum, one) => sum + Math.abs(signedArea(one.outline)), 0);
  return {
    placements,
    unplaced: layouts.flatMap((one) => one.unplaced),
    breaks: layouts.flatMap((one) => one.breaks),
    offcuts: layouts.flatMap((one) => one.offcuts),
    use: glassConsumedMm2 > 0 ? placedMm2 / glassConsumedMm2 : 0,
    glassConsumedMm2,
  };
}

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
export function checkWithStrips(job: LayoutJob, { layout, strips }: WithStrips): LayoutFault[] {
  if (strips.length === 0) return checkLayout(job, layout);
  const faults = strips.flatMap(({ layout: own, pieceIds }) => {
    const ids = new Set(pieceIds);
    return checkLayout({ ...job, marginMm: 0, pieces: job.pieces.filter((piece) => ids.has(piece.id)) }, own);
  });
  const rest = restOf(job, strips);
  const ids = new Set(rest.pieces.map((piece) => piece.id));
  const sheets = new Set(rest.sheets.map((sheet) => sheet.id));
  const own = <T extends { readonly sheetId: string }>(list: readonly T[]) =>
    list.filter((one) => sheets.has(one.sheetId));
  const others = together([
    {
      placements: layout.placements.filter((one) => ids.has(one.pieceId)),
      unplaced: layout.unplaced.filter((one) => ids.has(one.pieceId)),
      breaks: own(layout.breaks),
      offcuts: own(layout.offcuts),
      use: 0,
      glassConsumedMm2: layout.glassConsumedMm2 - strips.reduce((sum, one) => sum + one.layout.glassConsumedMm2, 0),
    },
  ]);
  return [...faults, ...checkLayout(rest, others)];
}
