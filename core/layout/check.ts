import { centroid, contains, narrowestBand, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
import { crossesPart, distanceToRing, splitRing } from './breaking.ts';
import { hullOf, areaOf, holdsSquare } from './convex.ts';
import type { Break, Layout, LayoutJob, LayoutPiece, LayoutSheet, Placement } from './types.ts';

/** What a layout must not be. Numbers are mm, mm² or degrees; `id` names the piece or sheet. */
export type LayoutFault =
  | {
      readonly code: 'unknown' | 'twice' | 'nowhere' | 'another-outline' | 'not-turned-over';
      readonly id: string;
    }
  | { readonly code: 'on-flaw'; readonly id: string }
  | { readonly code: 'off-flow'; readonly id: string; readonly by: number }
  | { readonly code: 'near-edge'; readonly id: string; readonly by: number }
  | { readonly code: 'too-near'; readonly id: string; readonly other: string; readonly mm: number }
  | {
      readonly code: 'break-off-part' | 'break-near' | 'break-sliver' | 'break-unused';
      readonly id: string;
      readonly at: number;
    }
  | { readonly code: 'not-apart'; readonly id: string; readonly pieces: readonly string[] }
  | { readonly code: 'offcut-untold' | 'offcut-false'; readonly id: string; readonly mm2: number }
  | { readonly code: 'sums'; readonly id: string; readonly told: number; readonly found: number };

/** How much of each may be rounding: lengths in mm, angles in degrees, areas in mm². */
export interface LayoutTolerance {
  readonly mm: number;
  readonly deg: number;
  readonly mm2: number;
}

const TOLERANCE: LayoutTolerance = { mm: 0.01, deg: 0.01, mm2: 1 };
const NONE: ReadonlySet<string> = new Set();
/** No part may be thinner, mm. */
const THINNEST_MM = 0.05;
/** By how much a break may come nearer to a piece than half a margin, mm. */
const SHAVE_MM = 0.1;

interface Laid {
  readonly placement: Placement;
  readonly piece: LayoutPiece;
  readonly inside: Point;
}

/**
 * Everything that a layout promises, looked at afresh from the outlines and the breaks alone: nothing of the search is
 * used but the test for a square. Each break is made in turn on rings that may be concave.
 * @param inStrips ids of pieces that share their breaks with each other: among them there is no margin
 * @returns what is wrong, nothing when it holds
 */
export function checkLayout(
  job: LayoutJob,
  layout: Layout,
  tolerance: LayoutTolerance = TOLERANCE,
  inStrips: ReadonlySet<string> = NONE,
): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const pieces = new Map(job.pieces.map((piece) => [piece.id, piece]));
  const seen = new Set<string>();
  for (const { pieceId } of [...layout.placements, ...layout.unplaced]) {
    if (!pieces.has(pieceId)) faults.push({ code: 'unknown', id: pieceId });
    if (seen.has(pieceId)) faults.push({ code: 'twice', id: pieceId });
    seen.add(pieceId);
  }
  for (const { id } of job.pieces) if (!seen.has(id)) faults.push({ code: 'nowhere', id });
  let consumedMm2 = 0;
  let placedMm2 = 0;
  const sheetIds = new Set(job.sheets.map((sheet) => sheet.id));
  for (const { sheetId } of layout.placements)
    if (!sheetIds.has(sheetId)) faults.push({ code: 'unknown', id: sheetId });
  for (const sheet of job.sheets) {
    const laid = layout.placements.flatMap((placement): Laid[] => {
      const piece = placement.sheetId === sheet.id ? pieces.get(placement.pieceId) : undefined;
      return piece === undefined ? [] : [{ placement, piece, inside: insideOf(placement.outline) }];
    });
    const breaks = layout.breaks.filter((one) => one.sheetId === sheet.id);
    const offcuts = layout.offcuts.filter((offcut) => offcut.sheetId === sheet.id);
    if (laid.length === 0) {
      if (breaks.length > 0) faults.push({ code: 'break-unused', id: sheet.id, at: 0 });
      for (const offcut of offcuts) {
        faults.push({ code: 'offcut-false', id: sheet.id, mm2: Math.abs(signedArea(offcut.outline)) });
      }
      continue;
    }
    for (const one of laid) faults.push(...faultsOfPiece(one, sheet, job, tolerance));
    faults.push(...faultsBetween(laid, job.marginMm, tolerance, inStrips));
    const { parts, faults: ofBreaks } = brokenApart(sheet, breaks, laid, job.marginMm, inStrips);
    faults.push(...ofBreaks);
    faults.push(
      ...faultsOfParts(
        sheet,
        parts,
        laid,
        offcuts.map((o) => o.outline),
        job.keepMm,
        tolerance,
      ),
    );
    placedMm2 += laid.reduce((sum, one) => sum + Math.abs(signedArea(one.piece.outline)), 0);
    consumedMm2 += Math.abs(signedArea(sheet.outline));
    consumedMm2 -= offcuts.reduce((sum, offcut) => sum + Math.abs(signedArea(offcut.outline)), 0);
  }
  if (Math.abs(consumedMm2 - layout.glassConsumedMm2) > tolerance.mm2) {
    faults.push({ code: 'sums', id: 'glassConsumedMm2', told: layout.glassConsumedMm2, found: consumedMm2 });
  }
  const use = consumedMm2 > 0 ? placedMm2 / consumedMm2 : 0;
  if (Math.abs(use - layout.use) > 1e-4) faults.push({ code: 'sums', id: 'use', told: layout.use, found: use });
  return faults;
}

/** What a piece must not do where it lies. */
export type LayingFault = Extract<LayoutFault, { readonly code: 'off-flow' | 'near-edge' | 'too-near' | 'on-flaw' }>;

const isOfLaying = (fault: LayoutFault): fault is LayingFault =>
  fault.code === 'off-flow' || fault.code === 'near-edge' || fault.code === 'too-near' || fault.code === 'on-flaw';

/** What is wrong with where pieces lie on one sheet, whatever the breaks: too near, over the edge, on a flaw, off the flow. */
export function faultsOfLaying(
  job: Pick<LayoutJob, 'marginMm' | 'edgeMm' | 'keepMm'>,
  sheet: LayoutSheet,
  lying: readonly { readonly piece: LayoutPiece; readonly placement: Placement }[],
): LayingFault[] {
  const laid = lying.map((one): Laid => ({ ...one, inside: insideOf(one.placement.outline) }));
  const whole = { ...job, sheets: [sheet], pieces: [] };
  const own = laid.flatMap((one) => faultsOfPiece(one, sheet, whole, TOLERANCE));
  return [...own, ...faultsBetween(laid, job.marginMm, TOLERANCE, NONE)].filter(isOfLaying);
}

/** A point well inside a ring: its centroid, or half way along a chord of it. */
function insideOf(ring: Ring): Point {
  const middle = centroid([ring]);
  if (contains(ring, middle)) return middle;
  const hull = ring.map(([, y]) => y).sort((a, b) => a - b);
  for (let k = 1; k < 40; k++) {
    const y = (hull[0] ?? 0) + (((hull.at(-1) ?? 0) - (hull[0] ?? 0)) * k) / 40 + 1e-7;
    const xs = ring
      .flatMap(([ax, ay], i) => {
        const [bx, by] = pointAt(ring, (i + 1) % ring.length);
        return ay > y !== by > y ? [ax + ((y - ay) / (by - ay)) * (bx - ax)] : [];
      })
      .sort((a, b) => a - b);
    const [from, to] = xs;
    if (from !== undefined && to !== undefined && to - from > 1e-3) return [(from + to) / 2, y];
  }
  return middle;
}

function faultsOfPiece(
  { placement, piece }: Laid,
  sheet: LayoutSheet,
  job: LayoutJob,
  tol: LayoutTolerance,
): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const { outline } = placement;
  if (placement.turnedOver !== piece.turnOver) faults.push({ code: 'not-turned-over', id: piece.id });
  const rad = (placement.rotationDeg * Math.PI) / 180;
  const turned = piece.outline.map(([x, y]): Point => {
    const mirrored = piece.turnOver ? -x : x;
    return [mirrored * Math.cos(rad) - y * Math.sin(rad), mirrored * Math.sin(rad) + y * Math.cos(rad)];
  });
  const [dx, dy] = [pointAt(outline, 0)[0] - pointAt(turned, 0)[0], pointAt(outline, 0)[1] - pointAt(turned, 0)[1]];
  const isSame =
    outline.length === turned.length &&
    turned.every(([x, y], i) => {
      const [ox, oy] = pointAt(outline, i);
      return Math.hypot(x + dx - ox, y + dy - oy) <= 2 * tol.mm;
    });
  if (!isSame) faults.push({ code: 'another-outline', id: piece.id });
  if (piece.flowDeg !== null && sheet.flowDeg !== null && piece.flowToleranceDeg < 90) {
    const flow = (piece.turnOver ? 180 - piece.flowDeg : piece.flowDeg) + placement.rotationDeg - sheet.flowDeg;
    const off = Math.abs(flow - 180 * Math.round(flow / 180));
    if (off > piece.flowToleranceDeg + tol.deg) faults.push({ code: 'off-flow', id: piece.id, by: off });
  }
  const clear = clearanceWithin(outline, sheet.outline);
  if (clear < job.edgeMm - tol.mm) faults.push({ code: 'near-edge', id: piece.id, by: clear });
  for (const flaw of sheet.flaws) if (overlap(outline, flaw, tol.mm)) faults.push({ code: 'on-flaw', id: piece.id });
  return faults;
}

/** How far a ring stays inside another, mm; negative by how far it stands out. */
function clearanceWithin(inner: Ring, outer: Ring): number {
  let least = Infinity;
  for (const p of inner) {
    const mm = distanceToRing(p, outer);
    least = Math.min(least, contains(outer, p) ? mm : -mm);
  }
  // A hollow corner of the sheet may come near the middle of a side.
  for (const p of outer) {
    const mm = distanceToRing(p, inner);
    least = Math.min(least, contains(inner, p) ? -mm : Math.max(mm, 0));
  }
  return least;
}

/** Whether two rings share ground more than a hair deep. */
function overlap(a: Ring, b: Ring, hairMm: number): boolean {
  if (crossings(a, b) > 0) return depth(a, b) > hairMm || depth(b, a) > hairMm || isThrough(a, b);
  return contains(a, insideOf(b)) || contains(b, insideOf(a));
}

/** How deep the deepest corner of one ring lies in another, mm. */
const depth = (of: Ring, within: Ring): number =>
  of.reduce((deepest, p) => (contains(within, p) ? Math.max(deepest, distanceToRing(p, within)) : deepest), 0);

/** Two bars laid crosswise have no corner in each other. */
const isThrough = (a: Ring, b: Ring): boolean => crossings(a, b) >= 4;

function crossings(a: Ring, b: Ring): number {
  let count = 0;
  a.forEach((p, i) => {
    const q = pointAt(a, (i + 1) % a.length);
    b.forEach((r, j) => {
      if (cross(p, q, r, pointAt(b, (j + 1) % b.length))) count++;
    });
  });
  return count;
}

const side = (a: Point, b: Point, p: Point): number => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);
const cross = (p: Point, q: Point, r: Point, s: Point): boolean =>
  side(p, q, r) > 0 !== side(p, q, s) > 0 && side(r, s, p) > 0 !== side(r, s, q) > 0;

function faultsBetween(
  laid: readonly Laid[],
  wantedMm: number,
  tol: LayoutTolerance,
  inStrips: ReadonlySet<string>,
): LayoutFault[] {
  const faults: LayoutFault[] = [];
  laid.forEach((a, i) => {
    for (const b of laid.slice(i + 1)) {
      const marginMm = inStrips.has(a.piece.id) && inStrips.has(b.piece.id) ? 0 : wantedMm;
      const [one, two] = [a.placement.outline, b.placement.outline];
      if (farApart(one, two, marginMm)) continue;
      // Touching outlines that are rounded may cross by as much.
      const mm = crossings(one, two) > 0 ? -Math.max(depth(one, two), depth(two, one)) : gap(one, two);
      const isIn = mm >= 0 && (contains(one, b.inside) || contains(two, a.inside));
      if (isIn || mm < marginMm - (marginMm === 0 ? SHAVE_MM : 0) - tol.mm) {
        faults.push({ code: 'too-near', id: a.piece.id, other: b.piece.id, mm });
      }
    }
  });
  return faults;
}

function farApart(a: Ring, b: Ring, mm: number): boolean {
  const span = (ring: Ring, k: 0 | 1) =>
    [Math.min(...ring.map((p) => p[k])), Math.max(...ring.map((p) => p[k]))] as const;
  return ([0, 1] as const).some((k) => {
    const [[a0, a1], [b0, b1]] = [span(a, k), span(b, k)];
    return a0 - b1 > mm || b0 - a1 > mm;
  });
}

const gap = (a: Ring, b: Ring): number =>
  Math.min(...a.map((p) => distanceToRing(p, b)), ...b.map((p) => distanceToRing(p, a)));

/** The breaks made in turn. A part is the ring that earlier breaks left. */
function brokenApart(
  sheet: LayoutSheet,
  breaks: readonly Break[],
  laid: readonly Laid[],
  marginMm: number,
  inStrips: ReadonlySet<string>,
) {
  const faults: LayoutFault[] = [];
  let parts: Ring[] = [sheet.outline];
  breaks.forEach((one, at) => {
    const part = parts.find((ring) => crossesPart(ring, one));
    if (part === undefined) {
      faults.push({ code: 'break-off-part', id: sheet.id, at });
      return;
    }
    for (const { placement, inside, piece } of laid) {
      if (contains(part, inside) && comesTooNear(placement.outline, one, inStrips.has(piece.id) ? 0 : marginMm)) {
        faults.push({ code: 'break-near', id: piece.id, at });
      }
    }
    const sides = splitRing(part, one);
    if (sides.some((ring) => ring.length < 3 || narrowestBand(ring).widthMm < THINNEST_MM)) {
      faults.push({ code: 'break-sliver', id: sheet.id, at });
    }
    parts = [...parts.filter((ring) => ring !== part), ...sides];
  });
  return { parts, faults };
}

function comesTooNear(outline: Ring, { from, to }: Break, marginMm: number): boolean {
  const mm = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const offs = outline.map((p) => side(from, to, p) / mm);
  const clear = Math.max(Math.min(...offs), -Math.max(...offs));
  if (clear >= marginMm / 2 - SHAVE_MM) return false;
  // The line may reach on beyond the break itself, where the part is concave.
  const line: Ring = [from, to];
  const isCrossed = outline.some((p, i) => cross(p, pointAt(outline, (i + 1) % outline.length), from, to));
  return isCrossed || gap(outline, line) < marginMm / 2 - SHAVE_MM;
}

function faultsOfParts(
  sheet: LayoutSheet,
  parts: readonly Ring[],
  laid: readonly Laid[],
  offcuts: readonly Ring[],
  keepMm: number,
  tol: LayoutTolerance,
): LayoutFault[] {
  const faults: LayoutFault[] = [];
  const told = [...offcuts];
  for (const part of parts) {
    const inIt = laid.filter((one) => contains(part, one.inside));
    if (inIt.length > 1) faults.push({ code: 'not-apart', id: sheet.id, pieces: inIt.map((one) => one.piece.id) });
    if (inIt.length > 0) continue;
    const mm2 = Math.abs(signedArea(part));
    const [x, y] = centroid([part]);
    const at = told.findIndex((outline) => {
      const [ox, oy] = centroid([outline]);
      return Math.hypot(ox - x, oy - y) < 0.1 && Math.abs(Math.abs(signedArea(outline)) - mm2) <= tol.mm2;
    });
    const isTold = at >= 0;
    if (isTold) told.splice(at, 1);
    const hull = hullOf(part);
    // The test for a square is one for convex parts.
    if (areaOf(hull) - mm2 > tol.mm2) continue;
    const holds = holdsSquare(hull, keepMm, 180);
    if (holds && !isTold && holdsSquare(hull, keepMm + 0.1, 180))
      faults.push({ code: 'offcut-untold', id: sheet.id, mm2 });
    if (!holds && isTold && !holdsSquare(hull, keepMm - 0.1, 180))
      faults.push({ code: 'offcut-false', id: sheet.id, mm2 });
  }
  for (const outline of told) faults.push({ code: 'offcut-false', id: sheet.id, mm2: Math.abs(signedArea(outline)) });
  return faults;
}
