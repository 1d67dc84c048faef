import { nth } from '../units/index.ts';
import { canPass, turnAt } from './graph.ts';
import type { LeadGraph, LeadLine, LineEnd } from './types.ts';

/** Two ends of lines at a joint that one came makes without a cut. */
export type Pass = readonly [LineEnd, LineEnd];
/** For each joint the came that goes through; null where none does. */
export type Passes = readonly (Pass | null)[];

/** What decides where several cames could go through a joint. */
export interface PassWish {
  /** Directions are alike within so much, radians: then the preferred one goes through. */
  readonly alike: number;
  /** Cames along this direction rather than across it, radians. */
  readonly along: number;
}

/** Every pair of ends at a joint that a came could make without a cut, the straightest first. */
export function passesAt({ joints, lines }: LeadGraph, joint: number): Pass[] {
  const { ends } = nth(joints, joint);
  const pairs: { readonly pass: Pass; readonly turn: number; readonly isBorder: boolean }[] = [];
  ends.forEach((a, i) => {
    for (const b of ends.slice(i + 1))
      if (canPass(lines, a, b))
        pairs.push({ pass: [a, b], turn: turnAt(lines, a, b), isBorder: nth(lines, a.line).isBorder });
  });
  // The border goes through before all else: it holds the panel.
  pairs.sort((a, b) => Number(b.isBorder) - Number(a.isBorder) || a.turn - b.turn);
  return pairs.map(({ pass }) => pass);
}

/** Which came goes through at each joint: the straightest, or of several that are alike the one along a direction. */
export function choosePasses(
  graph: LeadGraph,
  options: readonly (readonly Pass[])[],
  { alike, along }: PassWish,
): Passes {
  const { lines } = graph;
  return options.map((passes) => {
    const [first] = passes;
    if (first === undefined) return null;
    const least = turnAt(lines, ...first);
    // Round the panel it is always the straightest: what is laid first must not hang on a wish.
    if (nth(lines, first[0].line).isBorder) return first;
    const near = passes.filter((pass) => turnAt(lines, ...pass) <= least + alike);
    const across = (pass: Pass) => Math.abs(Math.sin(headingAt(lines, pass[0]) - along));
    return near.reduce((best, pass) => (across(pass) < across(best) - 1e-9 ? pass : best), first);
  });
}

const headingAt = (lines: readonly LeadLine[], { line, end }: LineEnd): number => nth(nth(lines, line).headings, end);

/** Lines in a row, each walked forwards (`i`) or backwards (`~i`). */
export interface Chain {
  readonly refs: readonly number[];
  /** It closes through the joint where it starts, or is a ring. */
  readonly isClosed: boolean;
}

/** The lines as chains: at every joint where a came goes through, two of them are one. */
export function chainsOf({ lines }: LeadGraph, passes: Passes): Chain[] {
  /** What goes on from each end of each line. */
  const next = new Map<number, LineEnd>();
  const key = ({ line, end }: LineEnd) => 2 * line + end;
  for (const pass of passes)
    if (pass) {
      next.set(key(pass[0]), pass[1]);
      next.set(key(pass[1]), pass[0]);
    }
  const used = lines.map(() => false);
  const chains: Chain[] = [];
  /** Walks on from a line, as far as cames go through. */
  const walk = (start: number): Chain => {
    const refs = [start];
    used[start < 0 ? ~start : start] = true;
    for (;;) {
      const last = nth(refs, refs.length - 1);
      const on = next.get(key(last < 0 ? { line: ~last, end: 0 } : { line: last, end: 1 }));
      if (on === undefined) return { refs, isClosed: false };
      const ref = on.end === 0 ? on.line : ~on.line;
      if (ref === start) return { refs, isClosed: true };
      used[on.line] = true;
      refs.push(ref);
    }
  };
  lines.forEach((line, i) => {
    if (used[i] || line.from === null) return;
    if (!next.has(key({ line: i, end: 0 }))) chains.push(walk(i));
    else if (!next.has(key({ line: i, end: 1 }))) chains.push(walk(~i));
  });
  // What is left comes back to where it starts.
  lines.forEach((line, i) => {
    if (!used[i]) chains.push(line.from === null ? { refs: [i], isClosed: true } : walk(i));
  });
  return chains;
}

/** Joints at the two ends of a chain; null for a ring. */
export function endsOfChain(lines: readonly LeadLine[], { refs }: Chain): readonly [number | null, number | null] {
  const [first, last] = [nth(refs, 0), nth(refs, refs.length - 1)];
  return [
    first >= 0 ? nth(lines, first).from : nth(lines, ~first).to,
    last >= 0 ? nth(lines, last).to : nth(lines, ~last).from,
  ];
}

/** Whether a chain comes back to the joint where it starts. */
export function isLoop(lines: readonly LeadLine[], chain: Chain): boolean {
  const [start, end] = endsOfChain(lines, chain);
  return chain.isClosed || start === end;
}

/** The piece on the left of a line, walked as its reference says. */
export const leftOf = (lines: readonly LeadLine[], ref: number): number | null =>
  ref >= 0 ? nth(lines, ref).left : nth(lines, ~ref).right;
export const rightOf = (lines: readonly LeadLine[], ref: number): number | null => leftOf(lines, ~ref);
