import { boxOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { nth, pointAt } from '../units/index.ts';
import { keptLayout, type KeptSheet } from './kept.ts';
import { tracedOutline } from './shape.ts';
import type { Layout, LayoutJob, LayoutPiece, LayoutSheet, Placement } from './types.ts';

/**
 * A piece with two parallel sides, lying on the longer one: what a strip gives side by side, tapered ones end for end.
 * Lengths in mm.
 */
export interface StripForm {
  /** Between the parallel sides: how wide the strip is scored. */
  readonly widthMm: number;
  readonly longMm: number;
  readonly shortMm: number;
  /** How far the shorter side begins after the longer one, seen along the strip. */
  readonly leanMm: number;
}

export type StripKind = 'rectangle' | 'diamond' | 'parallelogram' | 'tapered' | 'triangle';

/** Equal pieces cut from strips, on which sheets, and by which settings. */
export interface StripPlan {
  readonly form: StripForm;
  readonly kind: StripKind;
  readonly pieceIds: readonly string[];
  /** Angle of the cuts across to the strip, degrees, 90 at most. */
  readonly angleDeg: number;
  /** Where the stop stands for the cuts across, square to them; null for tapered pieces, which turn end for end. */
  readonly stopMm: number | null;
  readonly strips: readonly { readonly sheetId: string; readonly count: number; readonly most: number }[];
  /** Made with no margin: neighbours share their breaks. */
  readonly layout: Layout;
}

/** Fewer equal pieces are no reason to set a stop. */
const LEAST_ALIKE = 4;
/** Sides are parallel, and pieces alike, within this, mm. */
const ALIKE_MM = 0.25;
/** A side that is shorter than this ends in a point, mm. */
const POINT_MM = 0.3;
/** A break that ends so near to the edge of the glass is its edge, mm. */
const EDGE_MM = 0.06;

interface Standing {
  readonly form: StripForm;
  /** Direction of the longer side on the traced outline, rad; the piece lies to its right, y down. */
  readonly baseRad: number;
  /** Its first corner. */
  readonly corner: Point;
}

/** Corners of an outline that turn, clockwise as seen. */
function cornersOf(ring: Ring): Ring {
  const round = signedArea(ring) > 0 ? ring : [...ring].reverse();
  return round.filter((p, i) => {
    const a = pointAt(round, (i + round.length - 1) % round.length);
    const b = pointAt(round, (i + 1) % round.length);
    const mm = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const off = Math.abs((p[0] - a[0]) * (b[1] - a[1]) - (p[1] - a[1]) * (b[0] - a[0])) / Math.max(mm, 1e-9);
    return off > ALIKE_MM / 5;
  });
}

/** The ways in which an outline stands in a strip; none where it has no two parallel sides, or more than four. */
export function stripForms(outline: Ring): Standing[] {
  const corners = cornersOf(outline);
  const n = corners.length;
  if (n !== 3 && n !== 4) return [];
  const found: Standing[] = [];
  for (let i = 0; i < n; i++) {
    const [a, b] = [pointAt(corners, i), pointAt(corners, (i + 1) % n)];
    const longMm = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (longMm < 1) continue;
    const [ux, uy] = [(b[0] - a[0]) / longMm, (b[1] - a[1]) / longMm];
    const along = ([x, y]: Point): number => (x - a[0]) * ux + (y - a[1]) * uy;
    const across = ([x, y]: Point): number => (y - a[1]) * ux - (x - a[0]) * uy;
    const c = pointAt(corners, (i + 2) % n);
    const d = n === 3 ? c : pointAt(corners, (i + 3) % n);
    if (Math.abs(across(c) - across(d)) > ALIKE_MM) continue;
    const shortMm = along(c) - along(d);
    if (shortMm > longMm + ALIKE_MM || shortMm < -ALIKE_MM) continue;
    found.push({
      form: { widthMm: (across(c) + across(d)) / 2, longMm, shortMm: Math.max(0, shortMm), leanMm: along(d) },
      baseRad: Math.atan2(uy, ux),
      corner: a,
    });
  }
  return found;
}

const isAlike = (a: StripForm, b: StripForm): boolean =>
  Math.abs(a.widthMm - b.widthMm) < ALIKE_MM &&
  Math.abs(a.longMm - b.longMm) < ALIKE_MM &&
  Math.abs(a.shortMm - b.shortMm) < ALIKE_MM &&
  Math.abs(a.leanMm - b.leanMm) < ALIKE_MM;

/** What a form is called at the bench. */
export function stripKind({ widthMm, longMm, shortMm, leanMm }: StripForm): StripKind {
  if (shortMm < POINT_MM) return 'triangle';
  if (Math.abs(longMm - shortMm) > ALIKE_MM) return 'tapered';
  if (Math.abs(leanMm) < ALIKE_MM) return 'rectangle';
  return Math.abs(Math.hypot(leanMm, widthMm) - longMm) < ALIKE_MM ? 'diamond' : 'parallelogram';
}

/** Length of glass that so many take in one strip: their middles side by side, and one slanted end. */
export function stripLength({ longMm, shortMm, leanMm }: StripForm, count: number): number {
  const pair = longMm + shortMm;
  // Where the last one ends, on the near side of the strip and on the far one.
  const near = count % 2 === 0 ? (count / 2) * pair : ((count - 1) / 2) * pair + longMm;
  const far = count % 2 === 0 ? near + leanMm : near - (longMm - leanMm - shortMm);
  return Math.max(near, far) - Math.min(0, leanMm);
}

/** How many go into a strip of a length. */
export function countInStrip(form: StripForm, lengthMm: number): number {
  let count = Math.max(0, Math.floor(lengthMm / ((form.longMm + form.shortMm) / 2)) + 1);
  while (count > 0 && stripLength(form, count) > lengthMm + 1e-6) count--;
  return count;
}

/** Strips lie along the width of a sheet or along its height. */
type Way = 'wide' | 'high';

interface Member {
  readonly piece: LayoutPiece;
  readonly standing: Standing;
}

/** The equal pieces of a job that strips would give, each group by the way that takes the least glass. */
export function planStrips(
  pieces: readonly LayoutPiece[],
  sheets: readonly LayoutSheet[],
  by: Pick<LayoutJob, 'edgeMm' | 'keepMm'>,
): StripPlan[] {
  const plans: StripPlan[] = [];
  let open = [...pieces];
  let free = sheets.filter((sheet) => isUpright(sheet.outline) && sheet.flaws.length === 0);
  for (;;) {
    let best: Filled | null = null;
    for (const members of groupsOf(open)) {
      for (const way of ['wide', 'high'] as const) {
        const filled = fill(members, free, way, by.edgeMm);
        if (filled !== null && (best === null || isBetter(filled, best))) best = filled;
      }
    }
    if (best === null) return plans;
    const plan = planOf(best, by.keepMm);
    plans.push(plan);
    const done = new Set(plan.pieceIds);
    const used = new Set(plan.strips.map((one) => one.sheetId));
    open = open.filter((piece) => !done.has(piece.id));
    free = free.filter((sheet) => !used.has(sheet.id));
  }
}

/** Sheets filled with strips of one form. */
interface Filled {
  readonly form: StripForm;
  readonly sheets: readonly KeptSheet[];
  readonly strips: StripPlan['strips'];
  readonly count: number;
  /** Of the strips themselves. */
  readonly glassMm2: number;
}

/** The more pieces the better, then the less glass each. */
const isBetter = (a: Filled, b: Filled): boolean =>
  a.count !== b.count ? a.count > b.count : a.glassMm2 < b.glassMm2 - 1e-6;

/** Pieces that stand alike in a strip; one piece may belong to several groups. */
function groupsOf(pieces: readonly LayoutPiece[]): Member[][] {
  const groups: Member[][] = [];
  for (const piece of pieces) {
    for (const standing of stripForms(tracedOutline(piece))) {
      const group = groups.find(([first]) => first !== undefined && isAlike(first.standing.form, standing.form));
      if (!group) groups.push([{ piece, standing }]);
      else if (group.every((one) => one.piece !== piece)) group.push({ piece, standing });
    }
  }
  return groups.filter((group) => group.length >= LEAST_ALIKE);
}

function isUpright(ring: Ring): boolean {
  const { minX, minY, maxX, maxY } = boxOf(ring);
  return Math.abs(Math.abs(signedArea(ring)) - (maxX - minX) * (maxY - minY)) < 0.5;
}

const WAY_RAD: Readonly<Record<Way, number>> = { wide: 0, high: Math.PI / 2 };

/** Whether a piece may lie so, its longer side along the strips; turned end for end it lies as well. */
function mayLie({ piece, standing }: Member, { flowDeg }: LayoutSheet, way: Way): boolean {
  if (piece.flowDeg === null || flowDeg === null || piece.flowToleranceDeg >= 90) return true;
  const own = piece.turnOver ? 180 - piece.flowDeg : piece.flowDeg;
  const lies = own + ((WAY_RAD[way] - standing.baseRad) * 180) / Math.PI - flowDeg;
  return Math.abs(lies - 180 * Math.round(lies / 180)) <= piece.flowToleranceDeg + 1e-6;
}

function fill(members: readonly Member[], sheets: readonly LayoutSheet[], way: Way, edgeMm: number): Filled | null {
  const { form } = nth(members, 0).standing;
  const mm2 = (sheet: LayoutSheet) => Math.abs(signedArea(sheet.outline));
  const inOrder = [...sheets].sort((a, b) => Number(b.offcut) - Number(a.offcut) || mm2(a) - mm2(b));
  let waiting = [...members];
  const filled: KeptSheet[] = [];
  const strips: StripPlan['strips'][number][] = [];
  let glassMm2 = 0;
  for (const sheet of inOrder) {
    const lying = waiting.filter((member) => mayLie(member, sheet, way));
    const laid = onOneSheet(lying, sheet, way, form, edgeMm);
    if (laid === null) continue;
    filled.push(laid.kept);
    strips.push({ sheetId: sheet.id, count: laid.strips, most: laid.most });
    glassMm2 += laid.glassMm2;
    const done = new Set(laid.kept.placements.map((one) => one.pieceId));
    waiting = waiting.filter(({ piece }) => !done.has(piece.id));
    if (waiting.length === 0) break;
  }
  const count = members.length - waiting.length;
  return count < LEAST_ALIKE ? null : { form, sheets: filled, strips, count, glassMm2 };
}

function planOf({ form, sheets, strips }: Filled, keepMm: number): StripPlan {
  const kind = stripKind(form);
  const angle = Math.atan2(form.widthMm, Math.abs(form.leanMm));
  return {
    form,
    kind,
    pieceIds: sheets.flatMap((one) => one.placements.map(({ pieceId }) => pieceId)),
    angleDeg: (angle * 180) / Math.PI,
    stopMm: kind === 'tapered' || kind === 'triangle' ? null : form.longMm * Math.sin(angle),
    strips,
    layout: keptLayout(sheets, keepMm),
  };
}

/** Strips of one sheet beside each other from its edge, as many as the pieces fill; null where not one goes in. */
function onOneSheet(members: readonly Member[], sheet: LayoutSheet, way: Way, form: StripForm, edgeMm: number) {
  const box = boxOf(sheet.outline);
  // Along and across the strips; a sheet that is broken high is turned by a quarter to be thought of as wide.
  const [length, breadth] =
    way === 'wide' ? [box.maxX - box.minX, box.maxY - box.minY] : [box.maxY - box.minY, box.maxX - box.minX];
  const most = countInStrip(form, length - 2 * edgeMm);
  const across = Math.floor((breadth - 2 * edgeMm + 1e-6) / form.widthMm);
  if (most === 0 || across <= 0 || members.length === 0) return null;
  const count = Math.min(across, Math.ceil(members.length / most));
  /** From (along, across) to the sheet; turned by a quarter clockwise for strips that run high. */
  const onSheet = (u: number, v: number): Point =>
    way === 'wide' ? [box.minX + u, box.minY + v] : [box.maxX - v, box.minY + u];
  const breaks: StraightBreak[] = [];
  const cut = (u0: number, v0: number, u1: number, v1: number) =>
    breaks.push({ from: onSheet(u0, v0), to: onSheet(u1, v1) });
  const placements: Placement[] = [];
  for (let k = 0; k <= count; k++) {
    const v = edgeMm + k * form.widthMm;
    if (v > EDGE_MM && v < breadth - EDGE_MM) cut(0, v, length, v);
  }
  for (let k = 0; k < count; k++) {
    const v = edgeMm + k * form.widthMm;
    const inStrip = members.slice(k * most, (k + 1) * most);
    let u = edgeMm - Math.min(0, form.leanMm);
    inStrip.forEach(({ piece, standing }, i) => {
      const isTurned = i % 2 === 1;
      const lean = isTurned ? form.longMm - form.leanMm - form.shortMm : form.leanMm;
      // The side at which it begins; the one at which it ends is the next one's.
      slanted(u, v, isTurned ? -lean : lean, i === 0);
      placements.push(
        lieAt(piece, standing, sheet.id, way, onSheet, isTurned ? cornerTurned(u, v, form) : [u, v], isTurned),
      );
      u += isTurned ? form.shortMm : form.longMm;
      if (i === inStrip.length - 1)
        slanted(u, v, isTurned ? form.leanMm : -(form.longMm - form.leanMm - form.shortMm), true);
    });
  }
  /** A break across a strip; at its ends the edge of the glass may do as well. */
  function slanted(u: number, v: number, leanMm: number, isEnd: boolean) {
    const isOnEdge = Math.max(u, u + leanMm) < EDGE_MM || Math.min(u, u + leanMm) > length - EDGE_MM;
    if (isEnd && isOnEdge) return;
    cut(u, v, u + leanMm, v + form.widthMm);
  }
  const insides = placements.map((one) => ({ id: one.pieceId, at: middleOf(one.outline) }));
  return {
    kept: { sheet, breaks, placements, insides },
    strips: count,
    most,
    glassMm2: count * form.widthMm * length,
  };
}

/** The first corner of a piece that stands end for end: its longer side lies along the far edge of the strip, backwards. */
const cornerTurned = (u: number, v: number, form: StripForm): Point => [
  u + form.shortMm + form.leanMm,
  v + form.widthMm,
];

function lieAt(
  piece: LayoutPiece,
  { baseRad, corner }: Standing,
  sheetId: string,
  way: Way,
  onSheet: (u: number, v: number) => Point,
  [u, v]: Point,
  isTurned: boolean,
): Placement {
  const rad = WAY_RAD[way] - baseRad + (isTurned ? Math.PI : 0);
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  const [x, y] = onSheet(u, v);
  const outline = tracedOutline(piece).map(([px, py]): Point => {
    const [dx, dy] = [px - corner[0], py - corner[1]];
    return [dx * cos - dy * sin + x, dx * sin + dy * cos + y];
  });
  const deg = (rad * 180) / Math.PI;
  return { pieceId: piece.id, sheetId, rotationDeg: ((deg % 360) + 360) % 360, turnedOver: piece.turnOver, outline };
}

/** The middle of a convex outline. */
function middleOf(ring: Ring): Point {
  const corners = cornersOf(ring);
  const sum = corners.reduce<Point>(([sx, sy], [x, y]) => [sx + x, sy + y], [0, 0]);
  return [sum[0] / corners.length, sum[1] / corners.length];
}
