import type { Cartoon } from '../cartoon/index.ts';
import { boxOf, type Point } from '../geometry/index.ts';
import { straightRuns, type Corner } from '../leading/index.ts';
import { nth } from '../units/index.ts';
import { holdingOf, type Holding } from './strips.ts';

/** One piece as it is laid, and the junctions that can be tacked now: all that meet there lie. */
export interface LaidStep {
  readonly piece: number;
  /** The letter of its section; null where it has none. */
  readonly section: string | null;
  /** Numbers of joints. */
  readonly tacks: readonly number[];
}

export interface LayingPlan {
  readonly steps: readonly LaidStep[];
  readonly holding: Holding;
}

const NO_CAMES = { innerMm: 0, borderMm: 0 };

/**
 * The order in which a foiled panel is laid out: section by section as they are called, what has none last; in each from
 * the corner outwards, every piece against as much as possible of what lies already.
 * @param sections letters of pieces' sections, by number
 */
export function layOutPlan(
  cartoon: Pick<Cartoon, 'map' | 'pieces' | 'joints'>,
  corner: Corner,
  sections: ReadonlyMap<number, string | null>,
): LayingPlan {
  const { lines, runs } = straightRuns(cartoon, NO_CAMES);
  const beside = new Map<number, { neighbour: number | null; lengthMm: number }[]>();
  const ends = new Map<number, Point[]>();
  for (const { left, right, lengthMm, path } of lines)
    for (const [piece, neighbour] of [
      [left, right],
      [right, left],
    ] as const) {
      if (piece === null) continue;
      push(beside, piece, { neighbour, lengthMm });
      for (const at of path) push(ends, piece, at);
    }
  const box = boxOf(lines.flatMap((line) => line.path));
  const start: Point = [corner.endsWith('left') ? box.minX : box.maxX, corner.startsWith('top') ? box.minY : box.maxY];
  const farMm = new Map(
    [...ends].map(([piece, points]) => [
      piece,
      Math.min(...points.map(([x, y]) => Math.hypot(x - start[0], y - start[1]))),
    ]),
  );
  const laid = new Set<number>();
  const order: number[] = [];
  /** Share of a piece's edge that lies against what is there: pieces, and strips at the rim. */
  const heldOf = (piece: number): number => {
    const edges = beside.get(piece) ?? [];
    const all = edges.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    const held = edges.reduce(
      (sum, { neighbour, lengthMm }) => (neighbour === null || laid.has(neighbour) ? sum + lengthMm : sum),
      0,
    );
    return all === 0 ? 0 : held / all;
  };
  for (const group of bySection(cartoon.pieces, sections)) {
    const left = new Set(group);
    /** What touches something of what lies, with its share; others wait until it does. */
    const reached = new Map<number, number>();
    const reach = (piece: number) => {
      if (left.has(piece)) reached.set(piece, heldOf(piece));
    };
    for (const piece of group)
      if ((beside.get(piece) ?? []).some(({ neighbour }) => neighbour !== null && laid.has(neighbour))) reach(piece);
    while (left.size > 0) {
      const next =
        reached.size === 0
          ? best(left, (piece) => -(farMm.get(piece) ?? 0))
          : best(
              reached.keys(),
              (piece) => (reached.get(piece) ?? 0) - ((farMm.get(piece) ?? 0) / FAR_MM) * FAR_COUNTS,
            );
      left.delete(next);
      reached.delete(next);
      laid.add(next);
      order.push(next);
      for (const { neighbour } of beside.get(next) ?? []) if (neighbour !== null) reach(neighbour);
    }
  }
  return { steps: withTacks(cartoon, order, sections), holding: holdingOf(lines, runs, corner) };
}

/** So far away counts as much as so large a share of edge that lies against nothing. From memory. */
const FAR_MM = 400;
const FAR_COUNTS = 0.5;

function withTacks(
  { joints }: Pick<Cartoon, 'joints'>,
  order: readonly number[],
  sections: ReadonlyMap<number, string | null>,
): LaidStep[] {
  const at = new Map(order.map((piece, i) => [piece, i]));
  const tacks = new Map<number, number[]>();
  for (const { number, pieces } of joints) {
    // A corner of one piece alone holds nothing.
    if (pieces.length < 2) continue;
    const last = Math.max(...pieces.map((piece) => at.get(piece) ?? 0));
    push(tacks, last, number);
  }
  return order.map((piece, i) => ({
    piece,
    section: sections.get(piece) ?? null,
    tacks: (tacks.get(i) ?? []).sort((a, b) => a - b),
  }));
}

/** Numbers of pieces by section, as sections are called; those without one last. */
function bySection(
  pieces: readonly { readonly number: number }[],
  sections: ReadonlyMap<number, string | null>,
): number[][] {
  const groups = new Map<string, number[]>();
  for (const { number } of pieces) push(groups, sections.get(number) ?? '', number);
  return [...groups]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b, 'en', { numeric: true }))
    .map(([, numbers]) => numbers.sort((a, b) => a - b));
}

/** The one of which most is made; of several the first. */
function best(pieces: Iterable<number>, worth: (piece: number) => number): number {
  let found: readonly [number, number] | null = null;
  for (const piece of pieces) {
    const now = worth(piece);
    if (found === null || now > found[1] + 1e-9 || (now > found[1] - 1e-9 && piece < found[0])) found = [piece, now];
  }
  return nth(found ?? [], 0);
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const known = map.get(key);
  if (known) known.push(value);
  else map.set(key, [value]);
}
