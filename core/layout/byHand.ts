import { contains, meetingOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { pointAt } from '../units/index.ts';
import { crossesPart, splitRing } from './breaking.ts';
import { isKept } from './cutOut.ts';
import { halfPlanes, hullOf, leastWidth, reach, ringOf, type Flat, type HalfPlane } from './convex.ts';
import { largestRectangle } from './rectangle.ts';
import type { Layout, LayoutSheet, Placement } from './types.ts';

/** A piece that was laid by hand, where it lies. */
export interface LaidByHand {
  readonly id: string;
  readonly outline: Ring;
}

/** How pieces that lie where somebody laid them come out of a sheet. */
export interface BrokenOut {
  readonly breaks: readonly StraightBreak[];
  /** Parts without a piece: others may be laid on them. */
  readonly free: readonly Ring[];
}

/** No straight break leads between these. */
export interface NotBreakable {
  readonly between: readonly string[];
}

/** An empty part of at least this share is broken off before pieces are parted: one large rest instead of many. */
const LARGE_SHARE = 0.3;
/** How much nearer than half a margin a break may come to a piece by rounding, mm. */
const ROUNDING_MM = 1e-3;
/** By so much a break that runs square to the sheet is better than a slanted one. */
const SQUARE_WORTH = 0.12;
/** A side that is nowhere wider is no part, mm. */
const LEAST_SIDE_MM = 0.5;

interface Hulled {
  readonly id: string;
  readonly hull: Flat;
}

interface Way {
  readonly line: HalfPlane;
  /** Pieces beyond the line. */
  readonly beyond: number;
}

/**
 * Breaks that take pieces out of a sheet where they lie, or the pieces that none leads between. A break that keeps off all
 * pieces never takes away a later one, so the first that parts some of them is as good as any: what is left can be
 * parted if the whole could. Lines along the sides of the pieces are tried, and those half way between each two.
 * @param keepMm a rest is broken off where it holds a square of this side
 */
export function breakOut(
  outline: Ring,
  laid: readonly LaidByHand[],
  marginMm: number,
  keepMm: number,
): BrokenOut | NotBreakable {
  const breaks: StraightBreak[] = [];
  const free: Ring[] = [];
  const open = [{ ring: outline, pieces: laid.map(({ id, outline: own }): Hulled => ({ id, hull: hullOf(own) })) }];
  for (let part = open.pop(); part; part = open.pop()) {
    const { ring, pieces } = part;
    if (pieces.length === 0) {
      free.push(ring);
      continue;
    }
    const found = nextBreak(ring, pieces, marginMm, keepMm);
    if (found === null) {
      if (pieces.length > 1) return { between: pieces.map(({ id }) => id) };
      continue;
    }
    breaks.push(found.made);
    for (const side of splitRing(ring, found.made)) {
      const isBeyond = sideOf(side, found.line) > 0;
      open.push({
        ring: side,
        pieces: pieces.filter(({ hull }) => liesBeyond(hull, found.line) === isBeyond),
      });
    }
  }
  return { breaks, free };
}

/** The break that comes next in a part, or null where none parts pieces or frees a rest that can be kept. */
function nextBreak(
  ring: Ring,
  pieces: readonly Hulled[],
  marginMm: number,
  keepMm: number,
): { made: StraightBreak; line: HalfPlane } | null {
  const mm2 = Math.abs(signedArea(ring));
  let best: { made: StraightBreak; line: HalfPlane; worth: number } | null = null;
  for (const { line, beyond } of waysBetween(pieces, marginMm)) {
    const made = chordOf(ring, line);
    if (made === null) continue;
    const isEmpty = beyond === 0;
    const far = splitRing(ring, made).find((side) => sideOf(side, line) > 0);
    if (far === undefined || leastWidth(hullOf(far)) < LEAST_SIDE_MM) continue;
    const share = Math.abs(signedArea(far)) / mm2;
    if (isEmpty && !isKept(far, keepMm)) continue;
    // A large rest first; then what parts the pieces most evenly; a small rest last.
    // … and straight across rather than aslant.
    const worth =
      (isSquare(line) ? SQUARE_WORTH : 0) +
      (isEmpty
        ? share >= LARGE_SHARE
          ? 2 + share
          : share * 0.1
        : 1 + Math.min(beyond, pieces.length - beyond) / pieces.length);
    if (best === null || worth > best.worth + 1e-9) best = { made, line, worth };
  }
  return best;
}

/** Lines that keep half a margin off every piece: along their sides, and half way between each two. */
function* waysBetween(pieces: readonly Hulled[], marginMm: number): Generator<Way> {
  const off = marginMm / 2;
  for (const line of linesBetween(pieces, off)) {
    let beyond = 0;
    const isClear = pieces.every(({ hull }) => {
      if (reach(hull, line.nx, line.ny) <= line.c - off + ROUNDING_MM) return true;
      if (-reach(hull, -line.nx, -line.ny) < line.c + off - ROUNDING_MM) return false;
      beyond++;
      return true;
    });
    if (isClear) yield { line, beyond };
  }
}

/** Straight across a sheet that stands upright. */
const SQUARE_WAYS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;
const isSquare = ({ nx, ny }: HalfPlane): boolean => Math.abs(nx) < 1e-9 || Math.abs(ny) < 1e-9;

function* linesBetween(pieces: readonly Hulled[], off: number): Generator<HalfPlane> {
  for (const { hull } of pieces) {
    for (const { nx, ny, c } of halfPlanes(hull)) yield { nx, ny, c: c + off };
    for (const [nx, ny] of SQUARE_WAYS) yield { nx, ny, c: reach(hull, nx, ny) + off };
  }
  for (const [i, a] of pieces.entries()) {
    for (const b of pieces.slice(i + 1)) yield* halfWay(a.hull, b.hull);
  }
}

/** The lines half way between two hulls, square to each way from a corner of one to a corner of the other that parts them. */
function* halfWay(a: Flat, b: Flat): Generator<HalfPlane> {
  const corners = (flat: Flat): Point[] => [...ringOf(flat)];
  let best: { line: HalfPlane; gap: number } | null = null;
  for (const [ax, ay] of corners(a)) {
    for (const [bx, by] of corners(b)) {
      const mm = Math.hypot(bx - ax, by - ay);
      if (mm < 1e-9) continue;
      const [nx, ny] = [(bx - ax) / mm, (by - ay) / mm];
      const [near, far] = [reach(a, nx, ny), -reach(b, -nx, -ny)];
      if (far <= near || (best !== null && far - near <= best.gap)) continue;
      best = { line: { nx, ny, c: (near + far) / 2 }, gap: far - near };
    }
  }
  if (best !== null) yield best.line;
}

const liesBeyond = (hull: Flat, { nx, ny, c }: HalfPlane): boolean => reach(hull, nx, ny) > c;

/** How far a ring reaches beyond a line, less how far it reaches to this side of it. */
function sideOf(ring: Ring, { nx, ny, c }: HalfPlane): number {
  let [far, near] = [0, 0];
  for (const [x, y] of ring) {
    const off = nx * x + ny * y - c;
    far = Math.max(far, off);
    near = Math.max(near, -off);
  }
  return far - near;
}

/** Where a line crosses a part from boundary to boundary; null where it misses it, or leaves it on the way. */
function chordOf(ring: Ring, { nx, ny, c }: HalfPlane): StraightBreak | null {
  const [from, along]: [Point, Point] = [
    [nx * c, ny * c],
    [nx * c - ny, ny * c + nx],
  ];
  const ends: { t: number; at: Point }[] = [];
  ring.forEach((a, i) => {
    const meeting = meetingOf(from, along, a, pointAt(ring, (i + 1) % ring.length));
    if (meeting === null || meeting.u < -1e-9 || meeting.u >= 1 - 1e-9) return;
    ends.push({ t: meeting.t, at: [from[0] - ny * meeting.t, from[1] + nx * meeting.t] });
  });
  ends.sort((p, q) => p.t - q.t);
  const [first, second] = ends;
  if (ends.length !== 2 || first === undefined || second === undefined || second.t - first.t < LEAST_SIDE_MM)
    return null;
  const made = { from: first.at, to: second.at };
  return crossesPart(ring, made) ? made : null;
}

/** What stands for the free parts of a sheet on which pieces are laid by hand: each a small sheet of its own. */
export const partName = (sheetId: string, at: number): string => `${sheetId}\u0000${at}`;
/** The sheet that a part was of, however often it was parted. */
export const wholeName = (id: string): string => id.split('\u0000')[0] ?? id;

/** A sheet on which pieces lie by hand, and how they come out. */
export interface HandLaidSheet {
  readonly sheet: LayoutSheet;
  readonly placements: readonly Placement[];
  readonly out: BrokenOut;
}

/** The free parts of such sheets, for the search. */
export const freeParts = ({ sheet, out }: HandLaidSheet): LayoutSheet[] =>
  out.free.map((outline, i) => ({
    ...sheet,
    id: partName(sheet.id, i),
    outline,
    offcut: true,
    flaws: sheet.flaws.filter((flaw) => flaw.some((p) => contains(outline, p))),
  }));

export const NOTHING_LAID: Layout = {
  placements: [],
  unplaced: [],
  breaks: [],
  offcuts: [],
  use: 0,
  glassConsumedMm2: 0,
};

/** A layout that was found beside what lies by hand, told as one: first the breaks that free those pieces, then its own. */
export function withHandLaid(layout: Layout, sheets: readonly HandLaidSheet[], keepMm: number): Layout {
  const own = sheets.map(({ sheet, placements, out }) => {
    const used = new Set(layout.placements.map((one) => one.sheetId));
    const left = out.free.filter((ring, i) => !used.has(partName(sheet.id, i)) && isKept(ring, keepMm));
    return {
      sheet,
      placements,
      breaks: out.breaks.map((one) => ({ ...one, sheetId: sheet.id })),
      offcuts: left.map((outline) => ({
        sheetId: sheet.id,
        outline,
        largestRectangle: largestRectangle(hullOf(outline)),
      })),
    };
  });
  const sheetOfPart = new Map(
    sheets.flatMap(({ sheet, out }) => out.free.map((_, i) => [partName(sheet.id, i), sheet.id] as const)),
  );
  const named = <T extends { readonly sheetId: string }>(list: readonly T[]): T[] =>
    list.map((one) => ({ ...one, sheetId: sheetOfPart.get(one.sheetId) ?? one.sheetId }));
  const placements = [...own.flatMap((one) => one.placements), ...named(layout.placements)];
  const offcuts = [...own.flatMap((one) => one.offcuts), ...named(layout.offcuts)];
  const mm2 = (rings: readonly { readonly outline: Ring }[]) =>
    rings.reduce((sum, { outline }) => sum + Math.abs(signedArea(outline)), 0);
  const others = layout.glassConsumedMm2 + mm2(layout.offcuts);
  const partsUsed = sheets.flatMap(({ sheet, out }) =>
    out.free.filter((_, i) => layout.placements.some((one) => one.sheetId === partName(sheet.id, i))),
  );
  const glassConsumedMm2 =
    others -
    partsUsed.reduce((sum, ring) => sum + Math.abs(signedArea(ring)), 0) +
    mm2(sheets.map(({ sheet }) => sheet)) -
    mm2(offcuts);
  return {
    placements,
    unplaced: layout.unplaced,
    breaks: [...own.flatMap((one) => one.breaks), ...named(layout.breaks)],
    offcuts,
    use: glassConsumedMm2 > 0 ? mm2(placements) / glassConsumedMm2 : 0,
    glassConsumedMm2,
  };
}
