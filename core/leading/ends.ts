import { nth } from '../units/index.ts';
import { folded } from './heading.ts';
import { turnAt } from './graph.ts';
import { endsOfChain, type Chain } from './passes.ts';
import type { EndKind, LeadGraph, LeadLine, LeadRun, LineEnd, RunEnd } from './types.ts';

/** Half the face of a came that is met under a slant is longer; below this angle it is not reckoned with, degrees. */
const LEAST_ANGLE_DEG = 15;

export interface Faces {
  /** Face of the inner came and of the border's, mm. */
  readonly innerMm: number;
  readonly borderMm: number;
}

interface Meeting extends LineEnd {
  readonly run: number;
}

/**
 * The runs of a panel with how each of their ends is cut, and how long that leaves them.
 * @param over at joints through which no came goes, the end that is to reach across the other instead of meeting it mitred
 */
export function runsWithEnds(
  graph: LeadGraph,
  chains: readonly Chain[],
  faces: Faces,
  over: ReadonlyMap<number, LineEnd> = new Map(),
): LeadRun[] {
  const { lines, joints } = graph;
  const runOf = new Map(chains.flatMap(({ refs }, run) => refs.map((ref) => [ref < 0 ? ~ref : ref, run] as const)));
  const passing = passingAt(graph, chains);
  const ended = new Map<string, RunEnd>();
  const key = ({ line, end }: LineEnd) => `${line}.${end}`;
  joints.forEach(({ ends }, joint) => {
    const all = ends.map((end): Meeting => ({ ...end, run: runOf.get(end.line) ?? 0 }));
    for (const [end, cut] of cutAt(lines, joint, all, passing.get(joint) ?? null, over.get(joint)))
      ended.set(key(end), cut);
  });
  return chains.map(({ refs, isClosed }): LeadRun => {
    const [first, last] = [nth(refs, 0), nth(refs, refs.length - 1)];
    const [start, stop] = endsOfChain(lines, { refs, isClosed });
    const endAt = (ref: number, isStart: boolean): RunEnd => {
      if (isClosed) return { joint: start, kind: 'closed', against: null, angleDeg: null };
      const end = ref < 0 === isStart ? 1 : 0;
      return ended.get(key({ line: ref < 0 ? ~ref : ref, end })) ?? OPEN;
    };
    const ends = [endAt(first, true), endAt(last, false)] as const;
    const drawn = refs.reduce((sum, ref) => sum + nth(lines, ref < 0 ? ~ref : ref).lengthMm, 0);
    const trim = (end: RunEnd): number => {
      if (end.against === null || end.angleDeg === null || end.kind === 'mitre') return 0;
      const met = chains[end.against]?.refs[0] ?? 0;
      const faceMm = nth(lines, met < 0 ? ~met : met).isBorder ? faces.borderMm : faces.innerMm;
      const half = faceMm / 2 / Math.sin((Math.max(end.angleDeg, LEAST_ANGLE_DEG) * Math.PI) / 180);
      return end.kind === 'over' ? -half : half;
    };
    const isBorder = nth(lines, first < 0 ? ~first : first).isBorder;
    const lengthMm = Math.max(0, drawn - trim(ends[0]) - trim(ends[1]));
    return { lines: refs, isBorder, isLoop: isClosed || start === stop, lengthMm, ends: [ends[0], ends[1]] };
  });
}

const OPEN: RunEnd = { joint: null, kind: 'open', against: null, angleDeg: null };

/** At each joint the two ends of lines between which a run goes through. */
function passingAt({ lines }: LeadGraph, chains: readonly Chain[]): Map<number, readonly [LineEnd, LineEnd]> {
  const passing = new Map<number, readonly [LineEnd, LineEnd]>();
  for (const { refs, isClosed } of chains) {
    refs.forEach((ref, i) => {
      const next = refs[i + 1] ?? (isClosed ? refs[0] : undefined);
      if (next === undefined) return;
      const out: LineEnd = ref < 0 ? { line: ~ref, end: 0 } : { line: ref, end: 1 };
      const on: LineEnd = next < 0 ? { line: ~next, end: 1 } : { line: next, end: 0 };
      const { from, to } = nth(lines, out.line);
      const joint = out.end === 0 ? from : to;
      if (joint !== null) passing.set(joint, [out, on]);
    });
  }
  return passing;
}

/** How every end at a joint is cut that does not go through it. */
function cutAt(
  lines: readonly LeadLine[],
  joint: number,
  ends: readonly Meeting[],
  pass: readonly [LineEnd, LineEnd] | null,
  over: LineEnd | undefined,
): (readonly [LineEnd, RunEnd])[] {
  const isOf = (pair: readonly LineEnd[], { line, end }: LineEnd) => pair.some((p) => p.line === line && p.end === end);
  const cut = (kind: EndKind, against: Meeting, angle: number): RunEnd => ({
    joint,
    kind,
    against: against.run,
    angleDeg: (angle * 180) / Math.PI,
  });
  if (pass) {
    const through = ends.filter((end) => isOf(pass, end));
    return ends
      .filter((end) => !isOf(pass, end))
      .map((end) => {
        const met = nearest(lines, end, through);
        return [end, cut('butt', met, crossing(angleBetween(lines, end, met)))] as const;
      });
  }
  const [only] = ends;
  if (ends.length < 2 || only === undefined)
    return ends.map((end) => [end, { joint, kind: 'open', against: null, angleDeg: null }]);
  const mitred = mitrePair(lines, ends);
  const long = over && mitred.find((end) => isOf([over], end));
  if (long) {
    const short = mitred.find((end) => end !== long) ?? only;
    return ends.map((end) => [
      end,
      end === long
        ? cut('over', short, crossing(angleBetween(lines, long, short)))
        : cut('butt', long, crossing(angleBetween(lines, end, long))),
    ]);
  }
  return ends.map((end) => {
    const other = mitred.find((one) => one !== end) ?? only;
    if (isOf(mitred, end)) return [end, cut('mitre', other, angleBetween(lines, end, other) / 2)];
    const met = nearest(lines, end, mitred);
    return [end, cut('butt', met, crossing(angleBetween(lines, end, met)))];
  });
}

/** Of ends that none passes the two that meet in a mitre: those of the border, or the straightest two. */
export function mitrePair<End extends LineEnd>(lines: readonly LeadLine[], ends: readonly End[]): readonly End[] {
  const border = ends.filter((end) => nth(lines, end.line).isBorder);
  const among = border.length >= 2 ? border : ends;
  let best: readonly End[] = among.slice(0, 2);
  let least = Infinity;
  among.forEach((a, i) => {
    for (const b of among.slice(i + 1)) {
      const turn = turnAt(lines, a, b);
      if (turn < least - 1e-12) [best, least] = [[a, b], turn];
    }
  });
  return best;
}

/** Between two lines as they leave a joint, 0 to π. */
const angleBetween = (lines: readonly LeadLine[], a: LineEnd, b: LineEnd): number =>
  Math.abs(folded(nth(nth(lines, b.line).headings, b.end) - nth(nth(lines, a.line).headings, a.end)));

/** Of two lines that cross it is the lesser angle that counts. */
const crossing = (angle: number): number => Math.min(angle, Math.PI - angle);

/** The line of a run that an end comes nearest to in turning. */
const nearest = (lines: readonly LeadLine[], end: Meeting, others: readonly Meeting[]): Meeting =>
  others.reduce(
    (best, other) => (angleBetween(lines, end, other) < angleBetween(lines, end, best) ? other : best),
    nth(others, 0),
  );
