import type { Cartoon } from '../cartoon/index.ts';
import { boxOf, type Point } from '../geometry/index.ts';
import { nth, pointAt, seededRandom } from '../units/index.ts';
import { runsWithEnds, type Faces } from './ends.ts';
import { contactsAt, contactsOf } from './freedom.ts';
import { leadGraph } from './graph.ts';
import { leastLocked } from './locks.ts';
import { cutBy, isFreeAmong, joined, stretchOf, takeApart, type OrderTask, type Stretch } from './order.ts';
import {
  chainsOf,
  choosePasses,
  isLoop,
  leftOf,
  passesAt,
  rightOf,
  type Chain,
  type Pass,
  type PassWish,
} from './passes.ts';
import { endsOver, passesWith, type Through } from './through.ts';
import type { Corner, LeadGraph, LeadPlan, LeadRun, LeadStep, LineEnd, Locked } from './types.ts';

export interface LeadWish extends Faces {
  readonly corner: Corner;
  /** Where another came goes through than would be chosen. */
  readonly through?: Through;
  /** In which order pieces are to be laid, by their numbers, instead of the best one. */
  readonly order?: readonly number[];
}

/** From each corner the panel grows this way, y down. */
const ONWARDS: Readonly<Record<Corner, readonly [number, number]>> = {
  'bottom-left': [1, -1],
  'bottom-right': [-1, -1],
  'top-left': [1, 1],
  'top-right': [-1, 1],
};

/** A run lies on a side of the panel where it is nowhere further from it, mm. */
const ON_SIDE_MM = 0.5;

/** Which came goes through at each joint, in which order the panel is built from a corner, and how every end is cut. */
export function leadPlan(cartoon: Pick<Cartoon, 'map' | 'pieces'>, wish: LeadWish): LeadPlan {
  const graph = leadGraph(cartoon);
  const { lines } = graph;
  const options = passesWith(graph, wish.through ?? {});
  const border = chainsOf(graph, choosePasses(graph, options, STRAIGHTEST)).filter(isBorderIn(graph));
  const laidFirst = border.filter((chain) => isOnSides(graph, chain, wish.corner));
  const contacts = contactsOf(lines, new Set(laidFirst.flatMap(({ refs }) => refs.map(lineOf))));
  const pieces = cartoon.pieces.map((piece) => piece.number);
  const middles = new Map(cartoon.pieces.map((piece) => [piece.number, piece.centroid]));
  const task: OrderTask = { lines, pieces, contacts, middles };
  const { chains, order, locked } = wish.order
    ? givenOrder(graph, options, task, wish.corner, wish.order)
    : bestOrder(graph, options, task, wish.corner);
  const runs = runsWithEnds(graph, chains, wish, endsOver(graph, wish.through ?? {}));
  return {
    ...graph,
    runs,
    order: stepsOf(graph, runs, order, new Set(laidFirst.flatMap(({ refs }) => refs.map(lineOf)))),
    locked: lockedBy(task, order, new Set(locked)),
  };
}

/** What holds each of the locked pieces in this order. */
function lockedBy({ contacts }: OrderTask, order: readonly number[], locked: ReadonlySet<number>): Locked[] {
  const there = new Set<number>();
  return order.flatMap((piece): Locked[] => {
    const { neighbours } = contactsAt(contacts, piece);
    const by = [...neighbours.keys()].filter((other) => there.has(other)).sort((a, b) => a - b);
    there.add(piece);
    return locked.has(piece) ? [{ pieces: [piece], by }] : [];
  });
}

/** The runs of a panel where at each joint the straightest came goes through, whatever order that leaves. */
export function straightRuns(
  cartoon: Pick<Cartoon, 'map' | 'pieces'>,
  faces: Faces,
): LeadGraph & { readonly runs: readonly LeadRun[] } {
  const graph = leadGraph(cartoon);
  const options = graph.joints.map((_, joint) => passesAt(graph, joint));
  return { ...graph, runs: runsWithEnds(graph, chainsOf(graph, choosePasses(graph, options, STRAIGHTEST)), faces) };
}

const lineOf = (ref: number): number => (ref < 0 ? ~ref : ref);
const isBorderIn =
  ({ lines }: LeadGraph) =>
  ({ refs }: Chain): boolean =>
    nth(lines, lineOf(nth(refs, 0))).isBorder;

/** Whether a run of the border lies wholly on the two sides of the panel that meet in a corner. */
function isOnSides({ lines }: LeadGraph, { refs }: Chain, corner: Corner): boolean {
  const box = boxOf(lines.filter((line) => line.isBorder).flatMap((line) => line.path));
  const [ux, uy] = ONWARDS[corner];
  const [sideX, sideY] = [ux > 0 ? box.minX : box.maxX, uy > 0 ? box.minY : box.maxY];
  const isOn = (at: 0 | 1, side: number, points: readonly Point[]) =>
    points.every((point) => Math.abs(point[at] - side) <= ON_SIDE_MM);
  // Each stretch lies along one of them: a chamfer has its ends on both, and lies on neither.
  return refs.every((ref) =>
    nth(lines, lineOf(ref)).path.every((point, i, path) => {
      const stretch = [point, path[i + 1] ?? point];
      return isOn(0, sideX, stretch) || isOn(1, sideY, stretch);
    }),
  );
}

const STRAIGHTEST: PassWish = { alike: 0, along: 0 };
/** Of cames that are as straight as each other within this the level, the upright, or just the straightest goes through. */
const ALIKE = 0.12;
const WIDELY_ALIKE = 0.5;
const WISHES: readonly PassWish[] = [
  { alike: ALIKE, along: 0 },
  { alike: ALIKE, along: Math.PI / 2 },
  STRAIGHTEST,
  { alike: WIDELY_ALIKE, along: 0 },
  { alike: WIDELY_ALIKE, along: Math.PI / 2 },
];
/** Directions in which the panel may grow, off the diagonal of its corner, degrees. */
const TURNS = [0, 25, -25, 42, -42, 60, -60, 90, -90, 180];
/** So much is spent at most, counted as pieces and lines looked at. */
const MOST_WORK = 7e6;
const MOST_TRIES = 400;
/** Of the changes that are tried so many concern a run that was cut. */
const OF_THE_CUT = 0.7;

interface Found {
  readonly chains: readonly Chain[];
  readonly order: readonly number[];
  readonly locked: readonly number[];
}

/** A try that can be changed a little: which cames go through, which way the panel grows, which runs part it the other way. */
interface Try {
  readonly start: number;
  readonly onwards: Point;
  readonly locked: ReadonlySet<number>;
  readonly flipped: ReadonlySet<number>;
  readonly held: number;
  readonly runs: number;
  readonly cut: readonly number[];
}

/**
 * The order that cuts fewest runs: first with several ways to let cames through and several directions to grow in, then by
 * letting single runs part the panel the other way round. The first that cuts none is taken.
 */
function bestOrder(graph: LeadGraph, options: readonly (readonly Pass[])[], task: OrderTask, corner: Corner): Found {
  const { lines } = graph;
  const [cx, cy] = ONWARDS[corner];
  const starts = WISHES.map((wish) => chainsOf(graph, choosePasses(graph, options, wish)));
  const floor = fewestRuns(graph, options, nth(starts, 0));
  const most = Math.max(
    4,
    Math.min(MOST_TRIES, Math.floor(MOST_WORK / (task.pieces.length ** 2 + 100 * lines.length))),
  );
  const random = seededRandom(1);
  let best: Found | null = null;
  let now: Try | null = null;
  const leastHeld = leastLocked(task.pieces, task.contacts);
  /** With nothing forced first, in case that what just slips by was forced for nothing. */
  const forced = leastHeld.length === 0 ? [NONE] : [NONE, new Set(leastHeld)];
  const attempt = (wish: Pick<Try, 'start' | 'onwards' | 'flipped' | 'locked'>): Try => {
    const chains = nth(starts, wish.start);
    const found = takeApart(task, chains, wish);
    const mended = mend(graph, options, cutBy(lines, chains, found.order), found.order);
    const held = found.locked.length;
    if (best === null || isLess([held, mended.length], [best.locked.length, best.chains.length]))
      best = { chains: mended, order: found.order, locked: found.locked };
    return { ...wish, held, runs: mended.length, cut: found.cut };
  };
  let tries = 0;
  const isDone = () =>
    best !== null &&
    best.chains.length <= floor &&
    (best.locked.length === 0 || (best.locked.length <= leastHeld.length && tries > TRIED_FOR_LOCKS));
  for (const degrees of TURNS)
    for (const [start, locked] of starts.flatMap((_, i) => forced.map((set) => [i, set] as const))) {
      if (isDone() || tries++ >= most) break;
      const angle = Math.atan2(cy, cx) + (degrees * Math.PI) / 180;
      const one = attempt({ start, onwards: [Math.cos(angle), Math.sin(angle)], locked, flipped: new Set() });
      if (now === null || isLess([one.held, one.runs], [now.held, now.runs])) now = one;
    }
  while (now !== null && !isDone() && tries++ < most) {
    const flipped = new Set(now.flipped);
    const { length } = nth(starts, now.start);
    const isOfCut = now.cut.length > 0 && random() < OF_THE_CUT;
    const run: number = isOfCut ? nth(now.cut, Math.floor(random() * now.cut.length)) : Math.floor(random() * length);
    if (!flipped.delete(run)) flipped.add(run);
    // What is held one way may slide in where the panel grows another.
    const angle = 2 * Math.PI * random();
    const onwards: Point = now.held > 0 && random() < 0.5 ? [Math.cos(angle), Math.sin(angle)] : now.onwards;
    const locked: ReadonlySet<number> = now.held > 0 && random() < 0.5 ? NONE : now.locked;
    const one = attempt({ ...now, onwards, locked, flipped });
    if (!isLess([now.held, now.runs], [one.held, one.runs])) now = one;
  }
  if (best === null) throw new Error('no order was tried');
  return best;
}

/**
 * An order as somebody wants it, with as few cames as it allows. Pieces that it does not name go in behind those that they
 * follow in the best one.
 */
function givenOrder(
  graph: LeadGraph,
  options: readonly (readonly Pass[])[],
  task: OrderTask,
  corner: Corner,
  wished: readonly number[],
): Found {
  const known = new Set(task.pieces);
  const order = [...new Set(wished)].filter((piece) => known.has(piece));
  if (order.length < known.size) {
    const named = new Set(order);
    const best = bestOrder(graph, options, task, corner).order;
    best.forEach((piece, i) => {
      if (!named.has(piece)) order.splice(order.indexOf(best[i - 1] ?? Number.NaN) + 1, 0, piece);
    });
  }
  const there = new Set<number>();
  const locked = order.filter((piece) => {
    const isHeld = !isFreeAmong(task.contacts, piece, there);
    there.add(piece);
    return isHeld;
  });
  const tries = WISHES.map((wish) => {
    const chains = chainsOf(graph, choosePasses(graph, options, wish));
    return mend(graph, options, cutBy(graph.lines, chains, order), order);
  });
  return { chains: tries.reduce((best, one) => (one.length < best.length ? one : best)), order, locked };
}

/** Where something is locked so many ways are tried whether it has to be. */
const TRIED_FOR_LOCKS = 60;

const NONE: ReadonlySet<number> = new Set();
/** Locked pieces count before runs. */
const isLess = ([a, b]: readonly [number, number], [c, d]: readonly [number, number]): boolean =>
  a < c || (a === c && b < d);

/** No fewer runs are possible: at each joint one came at most goes through, and a ring that can not be opened is one more. */
function fewestRuns({ lines }: LeadGraph, options: readonly (readonly Pass[])[], chains: readonly Chain[]): number {
  const isFixed = ({ refs, isClosed }: Chain): boolean =>
    isClosed &&
    refs.every((ref) => {
      const { from, to } = nth(lines, lineOf(ref));
      const joint = ref < 0 ? from : to;
      return joint !== null && (options[joint]?.length ?? 0) < 2;
    });
  return lines.length - options.filter((passes) => passes.length > 0).length + chains.filter(isFixed).length;
}

/** Lets cames go through at joints where none does, wherever the order allows it, and opens rings where that joins others. */
function mend(
  graph: LeadGraph,
  options: readonly (readonly Pass[])[],
  chains: readonly Chain[],
  order: readonly number[],
): Chain[] {
  const mending = new Mending(graph.lines, chains, order);
  graph.joints.forEach((_, joint) => {
    if (mending.isPassed(joint)) return;
    for (const pass of options[joint] ?? []) if (mending.join(pass, joint)) return;
  });
  for (const chain of chains) if (chain.isClosed) mending.open(chain, options);
  return mending.chains;
}

const keyOf = ({ line, end }: LineEnd): string => `${line}.${end}`;
const firstEnd = (ref: number): LineEnd => (ref < 0 ? { line: ~ref, end: 1 } : { line: ref, end: 0 });
const lastEnd = (ref: number): LineEnd => firstEnd(~ref);

/** Chains that are joined end to end as far as an order lets them. */
class Mending {
  private readonly all: Set<Chain>;
  private readonly passed = new Set<number>();
  /** The chain that ends with an end of a line. */
  private readonly ending = new Map<string, Chain>();
  private readonly place: ReadonlyMap<number, number>;
  private readonly lines: LeadGraph['lines'];

  constructor(lines: LeadGraph['lines'], chains: readonly Chain[], order: readonly number[]) {
    this.lines = lines;
    this.all = new Set(chains);
    this.place = new Map(order.map((piece, i) => [piece, i]));
    for (const chain of chains) {
      if (!chain.isClosed) this.keep(chain);
      chain.refs.forEach((ref, i) => {
        const joint = this.jointAfter(ref);
        if (joint !== null && (chain.isClosed || i + 1 < chain.refs.length)) this.passed.add(joint);
      });
    }
  }

  get chains(): Chain[] {
    return [...this.all];
  }

  isPassed(joint: number): boolean {
    return this.passed.has(joint);
  }

  /** Joins the two chains that end where a came could go through. @returns false where the order does not allow it */
  join([a, b]: Pass, joint: number): boolean {
    const [one, other] = [this.ending.get(keyOf(a)), this.ending.get(keyOf(b))];
    if (!one || !other || one === other) return false;
    // One comes in by the end a, the other goes on from the end b.
    const before = keyOf(lastEnd(nth(one.refs, one.refs.length - 1))) === keyOf(a) ? one.refs : backwards(one.refs);
    const after = keyOf(firstEnd(nth(other.refs, 0))) === keyOf(b) ? other.refs : backwards(other.refs);
    const whole: Chain = { refs: [...before, ...after], isClosed: false };
    if (!isLoop(this.lines, whole) && this.whenOf(whole) === null) return false;
    this.all.delete(one);
    this.all.delete(other);
    this.all.add(whole);
    this.keep(whole);
    this.passed.add(joint);
    return true;
  }

  /** A ring that goes through one joint less may let two others become one there. */
  open(ring: Chain, options: readonly (readonly Pass[])[]): void {
    for (const [i, ref] of ring.refs.entries()) {
      const joint = this.jointAfter(ref);
      if (joint === null || (options[joint]?.length ?? 0) < 2) continue;
      const opened: Chain = { refs: [...ring.refs.slice(i + 1), ...ring.refs.slice(0, i + 1)], isClosed: false };
      this.all.delete(ring);
      this.all.add(opened);
      this.keep(opened);
      this.passed.delete(joint);
      for (const pass of options[joint] ?? []) if (this.join(pass, joint)) return;
      this.passed.add(joint);
      this.all.delete(opened);
      for (const one of opened.refs) for (const end of [firstEnd(one), lastEnd(one)]) this.ending.delete(keyOf(end));
      this.all.add(ring);
    }
  }

  private keep(chain: Chain): void {
    this.ending.set(keyOf(firstEnd(nth(chain.refs, 0))), chain);
    this.ending.set(keyOf(lastEnd(nth(chain.refs, chain.refs.length - 1))), chain);
  }

  private jointAfter(ref: number): number | null {
    const { from, to } = nth(this.lines, lineOf(ref));
    return ref < 0 ? from : to;
  }

  private whenOf({ refs }: Chain): Stretch | null {
    return refs.map((ref) => stretchOf(this.lines, ref, this.place)).reduce((a, b) => joined(a, b));
  }
}

const backwards = (refs: readonly number[]): number[] => [...refs].reverse().map((ref) => ~ref);

/** Border first, then piece and came by turns, then the border that closes the panel. */
function stepsOf(
  { lines }: LeadGraph,
  runs: readonly LeadRun[],
  order: readonly number[],
  laidFirst: ReadonlySet<number>,
): LeadStep[] {
  const place = new Map(order.map((piece, i) => [piece, i]));
  const laid = order.map((): number[] => []);
  const [first, last]: [number[], number[]] = [[], []];
  runs.forEach((run, i) => {
    if (run.isBorder) (laidFirst.has(lineOf(nth(run.lines, 0))) ? first : last).push(i);
    else nth(laid, momentOf(lines, run, place)).push(i);
  });
  return [
    { piece: null, runs: first },
    ...order.map((piece, i) => ({ piece, runs: nth(laid, i) })),
    ...(last.length > 0 ? [{ piece: null, runs: last }] : []),
  ];
}

/** After which piece, by its place in the order, an inner run is laid. */
function momentOf(lines: LeadGraph['lines'], run: LeadRun, place: ReadonlyMap<number, number>): number {
  const placesOf = (side: (piece: number) => number | null) =>
    run.lines.map((ref) => place.get(side(ref) ?? Number.NaN) ?? -1);
  const left = placesOf((ref) => leftOf(lines, ref));
  const right = placesOf((ref) => rightOf(lines, ref));
  if (run.isLoop) return Math.max(0, ...(turnsRight(lines, run) ? right : left));
  return Math.max(0, Math.min(Math.max(...left), Math.max(...right)));
}

/** Whether a loop has its inside to the right, as seen with y down. */
function turnsRight(lines: LeadGraph['lines'], run: Pick<LeadRun, 'lines'>): boolean {
  let twice = 0;
  for (const ref of run.lines) {
    const { path } = nth(lines, lineOf(ref));
    const sign = ref < 0 ? -1 : 1;
    for (let i = 0; i + 1 < path.length; i++) {
      const [[ax, ay], [bx, by]] = [pointAt(path, i), pointAt(path, i + 1)];
      twice += sign * (ax * by - bx * ay);
    }
  }
  return twice > 0;
}
