import { boxOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { nth, pointAt } from '../units/index.ts';
import { freeParts, type HandLaidSheet } from './byHand.ts';
import { areaOf, halfPlanes, hullOf, type HalfPlane } from './convex.ts';
import { cutOut } from './cutOut.ts';
import type { KeptSheet } from './kept.ts';
import { tracedOutline } from './shape.ts';
import type { LayoutJob, LayoutPiece, LayoutSheet, Placement } from './types.ts';

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
export interface StripSettings {
  readonly form: StripForm;
  readonly kind: StripKind;
  readonly pieceIds: readonly string[];
  /** Angle of the cuts across to the strip, degrees, 90 at most. */
  readonly angleDeg: number;
  /** Where the stop stands for the cuts across, square to them; null for tapered pieces, which turn end for end. */
  readonly stopMm: number | null;
  readonly strips: readonly StripsOfSheet[];
}

export interface StripPlan extends StripSettings {
  /** How they come out of each sheet, and what that leaves. Made with no margin: neighbours share their breaks. */
  readonly laid: readonly HandLaidSheet[];
}

export interface StripsOfSheet {
  readonly sheetId: string;
  readonly count: number;
  /** Pieces in each: fewer in some where the sheet is no rectangle. */
  readonly least: number;
  readonly most: number;
}

/** Fewer equal pieces are no reason to set a stop. */
const LEAST_ALIKE = 4;
/** Sides are parallel, and pieces alike, within this, mm. */
export const ALIKE_MM = 0.25;
/** A side that is shorter than this ends in a point, mm. */
const POINT_MM = 0.3;
/** A break that ends so near to the edge of the glass is its edge, mm. */
const EDGE_MM = 0.06;
/** Ways that differ by less are one, rad. */
const SAME_WAY_RAD = 1e-3;
/** On a sheet that narrows, strips are tried so many steps of what they leave over further in. */
const STEPS_OFF = 8;

export interface Standing {
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

export const isAlike = (a: StripForm, b: StripForm): boolean =>
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

/** Where so many in one strip end on its near side and on its far one, from the near corner of the first. */
function endsOf({ longMm, shortMm, leanMm }: StripForm, count: number): readonly [near: number, far: number] {
  const pair = longMm + shortMm;
  const near = count % 2 === 0 ? (count / 2) * pair : ((count - 1) / 2) * pair + longMm;
  return [near, count % 2 === 0 ? near + leanMm : near - (longMm - leanMm - shortMm)];
}

/** Length of glass that so many take in one strip: their middles side by side, and one slanted end. */
export const stripLength = (form: StripForm, count: number): number =>
  Math.max(...endsOf(form, count)) - Math.min(0, form.leanMm);

/** Where glass begins and ends on the near side of a strip and on its far side, mm along it. */
interface Room {
  readonly near: readonly [number, number];
  readonly far: readonly [number, number];
}

/** From where so many of a form stand in a strip, and how many that are. */
function standIn(form: StripForm, { near, far }: Room): { readonly from: number; readonly count: number } {
  const from = Math.max(near[0], far[0] - form.leanMm);
  const length = Math.max(near[1], far[1]) - from;
  let count = Math.max(0, Math.floor(length / ((form.longMm + form.shortMm) / 2)) + 1);
  for (; count > 0; count--) {
    const [onNear, onFar] = endsOf(form, count);
    if (from + onNear <= near[1] + 1e-6 && from + onFar <= far[1] + 1e-6) break;
  }
  return { from, count };
}

/** How many go into a strip of a length. */
export const countInStrip = (form: StripForm, lengthMm: number): number =>
  standIn(form, { near: [0, lengthMm], far: [0, lengthMm] }).count;

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
  let free = [...sheets];
  for (;;) {
    let best: Filled | null = null;
    for (const members of groupsOf(open)) {
      const filled = fill(members, free, by.edgeMm);
      if (filled !== null && (best === null || isBetter(filled, best))) best = filled;
    }
    if (best === null) return plans;
    const plan = planOf(best, by.keepMm);
    plans.push(plan);
    const done = new Set(plan.pieceIds);
    const used = new Set(plan.strips.map((one) => one.sheetId));
    open = open.filter((piece) => !done.has(piece.id));
    free = [...free.filter((sheet) => !used.has(sheet.id)), ...plan.laid.flatMap(freeParts)];
  }
}

/** Sheets filled with strips of one form. */
interface Filled extends Amount {
  readonly form: StripForm;
  readonly laid: readonly OnSheet[];
}

/** One sheet with strips on it. */
interface OnSheet extends Amount {
  readonly kept: KeptSheet;
  readonly strips: StripsOfSheet;
}

interface Amount {
  /** Pieces. */
  readonly count: number;
  /** Of the strips themselves. */
  readonly glassMm2: number;
}

/** The more pieces the better, then the less glass each. */
const isBetter = (a: Amount, b: Amount): boolean =>
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

/** Ways in which strips may run on a sheet, rad: along its sides, or straight across it; none where it has hollows or flaws. */
function waysOn({ outline, flaws }: LayoutSheet): number[] {
  const hull = hullOf(outline);
  if (flaws.length > 0 || areaOf(hull) - Math.abs(signedArea(outline)) > 0.5) return [];
  const ways = [0, Math.PI / 2];
  for (const { nx, ny } of halfPlanes(hull)) {
    const rad = (Math.atan2(nx, -ny) + Math.PI) % Math.PI;
    if (ways.every((way) => Math.abs(Math.sin(way - rad)) > SAME_WAY_RAD)) ways.push(rad);
  }
  return ways;
}

/** Whether a piece may lie so, its longer side along the strips; turned end for end it lies as well. */
function mayLie({ piece, standing }: Member, { flowDeg }: LayoutSheet, wayRad: number): boolean {
  if (piece.flowDeg === null || flowDeg === null || piece.flowToleranceDeg >= 90) return true;
  const own = piece.turnOver ? 180 - piece.flowDeg : piece.flowDeg;
  const lies = own + ((wayRad - standing.baseRad) * 180) / Math.PI - flowDeg;
  return Math.abs(lies - 180 * Math.round(lies / 180)) <= piece.flowToleranceDeg + 1e-6;
}

function fill(members: readonly Member[], sheets: readonly LayoutSheet[], edgeMm: number): Filled | null {
  const { form } = nth(members, 0).standing;
  const mm2 = (sheet: LayoutSheet) => Math.abs(signedArea(sheet.outline));
  const inOrder = [...sheets].sort((a, b) => Number(b.offcut) - Number(a.offcut) || mm2(a) - mm2(b));
  let waiting = [...members];
  const laid: OnSheet[] = [];
  for (const sheet of inOrder) {
    let best: OnSheet | null = null;
    for (const wayRad of waysOn(sheet)) {
      const lying = waiting.filter((member) => mayLie(member, sheet, wayRad));
      const found = onOneSheet(lying, sheet, wayRad, form, edgeMm);
      if (found !== null && (best === null || isBetter(found, best))) best = found;
    }
    if (best === null) continue;
    laid.push(best);
    const done = new Set(best.kept.placements.map((one) => one.pieceId));
    waiting = waiting.filter(({ piece }) => !done.has(piece.id));
    if (waiting.length === 0) break;
  }
  const count = members.length - waiting.length;
  return count < LEAST_ALIKE ? null : { form, laid, count, glassMm2: laid.reduce((sum, one) => sum + one.glassMm2, 0) };
}

function planOf({ form, laid }: Filled, keepMm: number): StripPlan {
  const sheets = laid.map((one) => asHandLaid(one.kept, keepMm));
  return {
    ...settingsOf(form),
    pieceIds: sheets.flatMap((one) => one.placements.map(({ pieceId }) => pieceId)),
    strips: laid.map((one) => one.strips),
    laid: sheets,
  };
}

/** What a form is called, and how it is cut across. */
export function settingsOf(form: StripForm): Pick<StripSettings, 'form' | 'kind' | 'angleDeg' | 'stopMm'> {
  const kind = stripKind(form);
  const angle = Math.atan2(form.widthMm, Math.abs(form.leanMm));
  return {
    form,
    kind,
    angleDeg: (angle * 180) / Math.PI,
    stopMm: kind === 'tapered' || kind === 'triangle' ? null : form.longMm * Math.sin(angle),
  };
}

/** What strips leave of a sheet may be used like what is left beside pieces that lie by hand. */
function asHandLaid({ sheet, breaks, placements, insides }: KeptSheet, keepMm: number): HandLaidSheet {
  const out = cutOut(sheet.outline, breaks, insides, new Set(insides.map(({ id }) => id)), keepMm);
  const free = typeof out === 'string' ? [] : out.kept.map(({ outline }) => outline);
  return { sheet, placements, out: { breaks, free } };
}

/** A convex sheet seen along the strips: u along them, v across, both in mm. */
class Seen {
  private readonly sides: readonly HalfPlane[];
  private readonly cos: number;
  private readonly sin: number;
  /** Where it begins and ends across the strips, and how long it is along them. */
  readonly from: number;
  readonly to: number;
  readonly longMm: number;

  constructor(outline: Ring, wayRad: number) {
    [this.cos, this.sin] = [Math.cos(wayRad), Math.sin(wayRad)];
    const turned = outline.map(([x, y]): Point => [x * this.cos + y * this.sin, y * this.cos - x * this.sin]);
    this.sides = halfPlanes(hullOf(turned));
    const { minX, minY, maxX, maxY } = boxOf(turned);
    [this.from, this.to, this.longMm] = [minY, maxY, maxX - minX];
  }

  readonly onSheet = (u: number, v: number): Point => [u * this.cos - v * this.sin, u * this.sin + v * this.cos];

  /** Where the glass begins and ends along a line of one v, so much within its edge; null where there is none. */
  chord(v: number, withinMm: number): readonly [number, number] | null {
    let [least, most] = [-Infinity, Infinity];
    for (const { nx, ny, c } of this.sides) {
      const left = c - withinMm - ny * v;
      if (Math.abs(nx) < 1e-9) {
        if (left < -1e-6) return null;
      } else if (nx > 0) most = Math.min(most, left / nx);
      else least = Math.max(least, left / nx);
    }
    return least < most ? [least, most] : null;
  }

  /** Whether a break would run along the edge of the glass, or off it. */
  isEdge([au, av]: Point, [bu, bv]: Point): boolean {
    return this.sides.some(({ nx, ny, c }) => nx * au + ny * av > c - EDGE_MM && nx * bu + ny * bv > c - EDGE_MM);
  }
}

/** Strips beside each other from one v on, as many as the pieces fill. */
interface Run {
  readonly at: number;
  /** Where the first piece of each stands, and how many it holds. */
  readonly strips: readonly { readonly from: number; readonly count: number }[];
  readonly count: number;
}

function runFrom(at: number, seen: Seen, form: StripForm, wanted: number, edgeMm: number): Run {
  const strips: { from: number; count: number }[] = [];
  let count = 0;
  for (let v = at; count < wanted; v += form.widthMm) {
    const [near, far] = [seen.chord(v, edgeMm), seen.chord(v + form.widthMm, edgeMm)];
    if (near === null || far === null) break;
    const strip = standIn(form, { near, far });
    if (strip.count === 0) break;
    strips.push(strip);
    count += strip.count;
  }
  return { at, strips, count: Math.min(count, wanted) };
}

/** Strips of one sheet beside each other, as many as the pieces fill; null where not one goes in. */
function onOneSheet(
  members: readonly Member[],
  sheet: LayoutSheet,
  wayRad: number,
  form: StripForm,
  edgeMm: number,
): OnSheet | null {
  if (members.length === 0) return null;
  const seen = new Seen(sheet.outline, wayRad);
  const run = bestRun(seen, form, members.length, edgeMm);
  if (run === null) return null;
  const breaks: StraightBreak[] = [];
  /** Where the edge of the glass does as well, nothing is broken. */
  const cut = (a: Point, b: Point) => {
    if (!seen.isEdge(a, b)) breaks.push({ from: seen.onSheet(...a), to: seen.onSheet(...b) });
  };
  const placements: Placement[] = [];
  let glassMm2 = 0;
  for (let k = 0; k <= run.strips.length; k++) {
    const v = run.at + k * form.widthMm;
    const [from, to] = seen.chord(v, 0) ?? [0, 0];
    if (to - from > EDGE_MM) cut([from, v], [to, v]);
    // A strip is as long as its middle line.
    if (k > 0) glassMm2 += form.widthMm * lengthOf(seen.chord(v - form.widthMm / 2, 0));
  }
  let next = 0;
  for (const [k, strip] of run.strips.entries()) {
    const v = run.at + k * form.widthMm;
    const inStrip = members.slice(next, next + strip.count);
    next += strip.count;
    let u = strip.from;
    const slanted = (leanMm: number) => cut([u, v], [u + leanMm, v + form.widthMm]);
    inStrip.forEach(({ piece, standing }, i) => {
      const isTurned = i % 2 === 1;
      const lean = isTurned ? form.longMm - form.leanMm - form.shortMm : form.leanMm;
      // The side at which it begins; the one at which it ends is the next one's.
      slanted(isTurned ? -lean : lean);
      const corner = isTurned ? cornerTurned(u, v, form) : ([u, v] as const);
      placements.push(lieAt(piece, standing, sheet.id, wayRad, seen.onSheet(...corner), isTurned));
      u += isTurned ? form.shortMm : form.longMm;
      if (i === inStrip.length - 1) slanted(isTurned ? form.leanMm : -(form.longMm - form.leanMm - form.shortMm));
    });
  }
  const insides = placements.map((one) => ({ id: one.pieceId, at: middleOf(one.outline) }));
  const counts = run.strips.map((strip, k) => Math.min(strip.count, run.count - before(run, k)));
  return {
    kept: { sheet, breaks, placements, insides },
    strips: { sheetId: sheet.id, ...inEach(counts) },
    count: run.count,
    glassMm2,
  };
}

/** Pieces in the strips of a run before one of them. */
const before = ({ strips }: Run, k: number): number => strips.slice(0, k).reduce((sum, { count }) => sum + count, 0);

/** How many pieces strips hold: where one alone holds fewer than the others, it is only not filled. */
export function inEach(counts: readonly number[]): Pick<StripsOfSheet, 'count' | 'least' | 'most'> {
  const [first = 0, second = first] = [...counts].sort((a, b) => a - b);
  const most = Math.max(...counts);
  return { count: counts.length, least: second === most ? most : first, most };
}

const lengthOf = (chord: readonly [number, number] | null): number => (chord ? chord[1] - chord[0] : 0);

/** From whichever end of the sheet, or off it by a step, strips hold the most; of the same, in the fewest strips. */
function bestRun(seen: Seen, form: StripForm, wanted: number, edgeMm: number): Run | null {
  const [from, to] = [seen.from + edgeMm, seen.to - edgeMm];
  const across = Math.floor((to - from + 1e-6) / form.widthMm);
  const most = Math.min(wanted, across * countInStrip(form, seen.longMm - 2 * edgeMm));
  const slack = to - from - across * form.widthMm;
  let best: Run | null = null;
  for (let at = 0; at < across * (STEPS_OFF + 1) && (best?.count ?? 0) < most; at++) {
    const [k, step] = [Math.floor(at / (STEPS_OFF + 1)), at % (STEPS_OFF + 1)];
    const run = runFrom(from + k * form.widthMm + (slack * step) / STEPS_OFF, seen, form, wanted, edgeMm);
    if (run.count > (best?.count ?? 0) || (best?.count === run.count && run.strips.length < best.strips.length))
      best = run;
  }
  return best;
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
  wayRad: number,
  [x, y]: Point,
  isTurned: boolean,
): Placement {
  const rad = wayRad - baseRad + (isTurned ? Math.PI : 0);
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
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
