import type { Point } from '../geometry/index.ts';
import { nth } from '../units/index.ts';
import { mitrePair } from './ends.ts';
import { passesAt, type Pass } from './passes.ts';
import type { LeadGraph, LeadPlan, LineEnd } from './types.ts';

/**
 * At joints, which came is to go through, or at a corner to reach across the other: for the joint's name the direction in
 * which that came leaves it, whole degrees clockwise from the right. Named by where they are, joints keep their wish while
 * the drawing changes elsewhere.
 */
export type Through = Readonly<Record<string, number>>;

/** A joint by its place on the drawing, to a tenth of a millimetre. */
export const jointName = ([x, y]: Point): string => `${x.toFixed(1)},${y.toFixed(1)}`;

/** A direction that differs by no more is the same, degrees. */
const SAME_DEG = 8;

const degreesOf = ({ lines }: LeadGraph, { line, end }: LineEnd): number =>
  Math.round(((nth(nth(lines, line).headings, end) * 180) / Math.PI + 360) % 360) % 360;

const differ = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);

/** What may go through at each joint, once some of it is decided; what the drawing has no more is passed over. */
export function passesWith(graph: LeadGraph, through: Through): Pass[][] {
  return graph.joints.map(({ at }, joint) => {
    const passes = passesAt(graph, joint);
    const wished = through[jointName(at)];
    if (wished === undefined) return passes;
    const kept = passes.filter((pass) => pass.some((end) => differ(degreesOf(graph, end), wished) <= SAME_DEG));
    return kept.length > 0 ? kept.slice(0, 1) : passes;
  });
}

/** At corners, where no came can go through, the end that reaches across the other instead of being mitred. */
export function endsOver(graph: LeadGraph, through: Through): Map<number, LineEnd> {
  const over = new Map<number, LineEnd>();
  graph.joints.forEach(({ at, ends }, joint) => {
    const wished = through[jointName(at)];
    if (wished === undefined || ends.length < 2 || passesAt(graph, joint).length > 0) return;
    const end = mitrePair(graph.lines, ends).find((one) => differ(degreesOf(graph, one), wished) <= SAME_DEG);
    if (end) over.set(joint, end);
  });
  return over;
}

/** One way that cames can meet at a joint: one goes through; or at a corner they are mitred, or one reaches across. */
export interface WayThrough {
  /** The direction that names it; null for a mitre, which is how corners are when nothing is decided. */
  readonly deg: number | null;
  /** It does so in the plan. */
  readonly isTaken: boolean;
}

/** The ways in which cames can meet at a joint of a plan; fewer than two where there is nothing to choose. */
export function waysThrough(plan: LeadPlan, joint: number): WayThrough[] {
  if (passesAt(plan, joint).length === 0) return waysAtCorner(plan, joint);
  const taken = new Set<string>();
  for (const run of plan.runs)
    run.lines.forEach((ref, i) => {
      const next = run.lines[i + 1] ?? (run.isLoop ? run.lines[0] : undefined);
      if (next !== undefined) taken.add(passKey(ref < 0 ? [~ref, 0] : [ref, 1], next < 0 ? [~next, 1] : [next, 0]));
    });
  return passesAt(plan, joint)
    .filter(([end]) => !nth(plan.lines, end.line).isBorder)
    .map(([a, b]) => ({
      deg: nameOf(plan, joint, [a, b]),
      isTaken: taken.has(passKey([a.line, a.end], [b.line, b.end])),
    }));
}

function waysAtCorner(plan: LeadPlan, joint: number): WayThrough[] {
  const { ends } = nth(plan.joints, joint);
  if (ends.length < 2) return [];
  const over = plan.runs.flatMap(({ lines, ends: cut }) => {
    const [first, last] = [nth(lines, 0), nth(lines, lines.length - 1)];
    const tips: LineEnd[] = [
      first < 0 ? { line: ~first, end: 1 } : { line: first, end: 0 },
      last < 0 ? { line: ~last, end: 0 } : { line: last, end: 1 },
    ];
    return tips.filter((_, i) => cut[i]?.kind === 'over' && cut[i].joint === joint);
  });
  return [
    { deg: null, isTaken: over.length === 0 },
    ...mitrePair(plan.lines, ends).map((end) => ({
      deg: degreesOf(plan, end),
      isTaken: over.some(({ line, end: at }) => line === end.line && at === end.end),
    })),
  ];
}

/** Of the two directions of a pass the one that no pass before it is named by. */
function nameOf(plan: LeadPlan, joint: number, pass: Pass): number {
  const passes = passesAt(plan, joint);
  const before = passes.slice(
    0,
    passes.findIndex((one) => one[0] === pass[0] && one[1] === pass[1]),
  );
  const used = before.flatMap((one) => one.map((end) => degreesOf(plan, end)));
  const own = pass.map((end) => degreesOf(plan, end));
  return own.find((deg) => used.every((other) => differ(deg, other) > SAME_DEG)) ?? nth(own, 0);
}

type End = readonly [line: number, end: number];
const passKey = (a: End, b: End): string => [a.join('.'), b.join('.')].sort().join(' ');

/** A run by where it begins and ends: the same as long as it stays the same came. */
export function runName(plan: LeadPlan, run: number, part: number | null): string {
  const { lines } = nth(plan.runs, run);
  const [first, last] = [nth(lines, 0), nth(lines, lines.length - 1)];
  const at = (ref: number, atEnd: boolean): string => {
    const { path } = nth(plan.lines, ref < 0 ? ~ref : ref);
    return jointName(nth(path, ref < 0 !== atEnd ? path.length - 1 : 0));
  };
  const ends = [at(first, false), at(last, true)].sort();
  return `${ends.join(' ')}${part === null ? '' : ` ${part}`}`;
}
