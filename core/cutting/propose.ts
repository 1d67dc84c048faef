import { DEFAULT_LIMITS } from '../limits/index.ts';
import { knownIn, nth } from '../units/index.ts';
import { pieceRings, type Cartoon } from '../cartoon/index.ts';
import { pathLength, thinRing, type Point } from '../geometry/index.ts';
import { edgeKeeps, innerKeeps, type Keeps, type LineAllowance } from '../sizing/index.ts';
import { chordsOf } from './chords.ts';
import type { Cuttability, CuttingLimits } from './findings.ts';
import { joined, judgePart, openHoles, split, type Judged, type Part, type Region } from './parts.ts';

/** Lines that would make a piece cuttable, and how hard what then are its parts would be. */
export interface Proposal {
  readonly lines: readonly (readonly Point[])[];
  readonly lengthMm: number;
  /** Of each part, the hardest first. */
  readonly parts: readonly Cuttability['difficulty'][];
}

/** How many chords may still be judged; several pieces can share one. */
export interface Budget {
  left: number;
}

/** A piece that wants more lines than this is a new design. */
const MOST_LINES = 6;
/** So many chords are judged for one line, shortest first, and for one piece. */
const JUDGED_FOR_A_LINE = 200;
const MOST_JUDGED = 900;
/** Borders of more points are thinned before lines through them are looked for. */
const MOST_POINTS = 120;
const THINNED_TO_MM = 0.3;
/** A border that is still of so many is a coast, not a piece that somebody cuts. */
const COAST_POINTS = 300;

/** Whether lines are looked for at all: at difficulty 4 and 5, and for a neck. */
export const needsCure = ({ difficulty, findings }: Cuttability): boolean =>
  difficulty >= 4 || findings.some((f) => f.kind === 'neck');

/**
 * The shortest lines that cure what keeps a piece from being cut as one: one where one does, else one after the other.
 * Each part has been judged with what its own lines take up; none is harder than the piece was.
 * @returns null for a piece that {@link needsCure} none, or where no straight line helps
 */
export function proposeLine(
  cartoon: Cartoon,
  number: number,
  judged: Cuttability,
  allowance: LineAllowance,
  limits: CuttingLimits = DEFAULT_LIMITS,
  budget: Budget = { left: MOST_JUDGED },
): Proposal | null {
  const piece = cartoon.pieces.find((p) => p.number === number);
  if (!piece || !needsCure(judged)) return null;
  const keeps = edgeKeeps(cartoon, piece, allowance);
  const added = innerKeeps(allowance);
  const [ring, ...holes] = pieceRings(cartoon, piece).map((points, i): Part => ({
    ring: points,
    keeps: nth(keeps, i),
  }));
  if (!ring) return null;
  const region: Region = { ...thinned(ring), holes: holes.map(thinned) };
  if (region.ring.length > COAST_POINTS) return null;
  const opened = holes.length > 0 ? openHoles(region, added) : { lines: [], parts: [region] };
  if (!opened) return null;
  const lines: Point[][] = [...opened.lines];
  const done: Judged[] = [];
  const open = opened.parts.map((part) => ({ part, now: judgePart(part, limits) }));
  for (let next = open.shift(); next; next = open.shift()) {
    const cure = next.now.isCured || lines.length >= MOST_LINES ? null : shortestCure(next, added, limits, budget);
    if (cure) {
      lines.push(cure.line);
      open.push(...cure.parts);
    } else done.push(next.now);
  }
  if (lines.length === 0) return null;
  return {
    lines,
    lengthMm: lines.reduce((sum, line) => sum + pathLength(line), 0),
    parts: done.map((part) => part.difficulty).sort((a, b) => b - a),
  };
}

/** The same border of fewer points, each stretch with what its first edge keeps off its line. */
function thinned(part: Part): Part {
  const ring = thinRing(part.ring, MOST_POINTS, 0.02, THINNED_TO_MM);
  if (ring === part.ring) return part;
  const keepsOf = new Map(part.ring.map((p, i) => [p, nth(part.keeps, i)]));
  return { ring, keeps: ring.map((p) => knownIn(keepsOf, p)) };
}

interface Cure {
  readonly line: Point[];
  readonly parts: { readonly part: Part; readonly now: Judged }[];
}

/** The shortest chord whose parts can both be cut; where there is none, the one that leaves least. */
function shortestCure(
  { part, now: before }: Cure['parts'][number],
  added: Keeps,
  limits: CuttingLimits,
  budget: Budget,
): Cure | null {
  let best: (Cure & { readonly left: number }) | null = null;
  let tries = 0;
  for (const { from, to } of chordsOf(part.ring)) {
    const parts = split(part, from, to, added);
    if (!parts) continue;
    if (budget.left-- <= 0 || tries++ >= JUDGED_FOR_A_LINE) break;
    const judged = parts.map((one) => ({ part: one, now: judgePart(one, limits) }));
    const cure = { line: [from.at, to.at], parts: judged };
    if (judged.every(({ now }) => now.isCured)) return cure;
    const { left, difficulty } = joined(judged.map((one) => one.now));
    const isBetter = difficulty <= before.difficulty && left < (best?.left ?? before.left);
    if (isBetter) best = { ...cure, left };
  }
  return best;
}
