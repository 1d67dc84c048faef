import { numberAt } from '../units/index.ts';
import { areaOf } from './convex.ts';
import { mayHold } from './part.ts';
import type { Shape } from './shape.ts';
import { ALONG, withRests, shapesIn, type FreeNode, type HeldNode, type Node, type Rest, type Rule } from './tree.ts';

/** The way from the root of a pattern to a node: which rest, at each node. */
export type Path = readonly number[];

/** Glass that goes back onto the rack, mm². */
export function keptMm2(node: Node): number {
  if (node.shape === null) return node.isOffcut ? areaOf(node.part.glass) : 0;
  let sum = 0;
  for (const { node: rest } of node.rests) sum += keptMm2(rest);
  return sum;
}

/** The nth shape of a pattern, and the way to it by the rests. */
export function nthHeld(root: Node, nth: number): { path: number[]; node: HeldNode } {
  const path: number[] = [];
  let node = root;
  let k = nth;
  for (;;) {
    if (node.shape === null) throw new Error('counted more shapes than there are');
    if (k === 0) return { path, node };
    k--;
    let next: Node | null = null;
    for (let i = 0; i < node.rests.length; i++) {
      const rest = node.rests[i];
      if (rest === undefined) break;
      if (k < rest.node.count) {
        path.push(i);
        next = rest.node;
        break;
      }
      k -= rest.node.count;
    }
    if (next === null) throw new Error('counted more shapes than there are');
    node = next;
  }
}

/** A pattern with another one at the end of a way. */
export function putAt(node: Node, path: Path, depth: number, put: Node): Node {
  if (depth === path.length) return put;
  if (node.shape === null) throw new Error('a path leads through a free part');
  const at = numberAt(path, depth);
  return withRests(
    node,
    node.rests.map((rest, i) => (i === at ? { ...rest, node: putAt(rest.node, path, depth + 1, put) } : rest)),
  );
}

/** Each free part that is large enough for a shape, with the way to it. */
export function freeOver(
  node: Node,
  shape: Shape,
  graceMm: number,
  path: number[],
  found: (node: FreeNode, path: Path, mm2: number) => void,
): void {
  if (node.shape === null) {
    if (node.roomMm < shape.leastMm - graceMm || !mayHold(node.roomMm2, shape.hullMm2, graceMm)) return;
    found(node, [...path], node.roomMm2);
    return;
  }
  node.rests.forEach((rest, i) => {
    path.push(i);
    freeOver(rest.node, shape, graceMm, path, found);
    path.pop();
  });
}

/** What hung on some breaks, hung onto others: same kind to same kind, the rest in order; what finds none is loose. */
export function rehung(rests: readonly Rest[], cuts: readonly number[], loose: number[]): Rest[] {
  const held = rests.filter((rest) => rest.node.shape !== null);
  const out = held.filter((rest) => cuts.includes(rest.kind));
  const open = cuts.filter((kind) => !out.some((rest) => rest.kind === kind));
  const homeless = held.filter((rest) => !cuts.includes(rest.kind)).sort((a, b) => b.node.count - a.node.count);
  for (const rest of homeless) {
    const kind = open.shift();
    if (kind === undefined) shapesIn(rest.node, loose);
    else out.push({ ...rest, kind });
  }
  return out;
}

/** A rule with one thing of it changed by chance. */
export function mutated(rule: Rule, sides: number, random: () => number): Rule {
  const roll = random();
  if (roll < 0.2) return { ...rule, end: rule.end === 0 ? 1 : 0 };
  if (roll < 0.35) return { ...rule, base: Math.floor(random() * 4) };
  if (roll < 0.55) return { ...rule, flush: Math.floor(random() * sides) };
  const cuts = [...rule.cuts];
  if (roll < 0.7 && cuts.length > 1) {
    const i = Math.floor(random() * (cuts.length - 1));
    [cuts[i], cuts[i + 1]] = [numberAt(cuts, i + 1), numberAt(cuts, i)];
    return { ...rule, cuts };
  }
  const kind = random() < 0.75 ? Math.floor(random() * sides) : ALONG + Math.floor(random() * 3);
  if (cuts.includes(kind)) return { ...rule, cuts: cuts.filter((c) => c !== kind) };
  if (cuts.length > 0 && random() < 0.6) cuts[Math.floor(random() * cuts.length)] = kind;
  else cuts.splice(Math.floor(random() * (cuts.length + 1)), 0, kind);
  return { ...rule, cuts };
}
