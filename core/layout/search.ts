import { numberAt, seededRandom } from '../units/index.ts';
import { freeOver, keptMm2, mutated, nthHeld, putAt, rehung, type Path } from './edits.ts';
import { fill } from './fill.ts';
import { bestOffer, type Taste } from './offer.ts';
import type { Part } from './part.ts';
import {
  breakOff,
  freeNode,
  growOne,
  regrow,
  shapesIn,
  type Bench,
  type FreeNode,
  type HeldNode,
  type Node,
} from './tree.ts';

/** A sheet as the search sees it: the convex parts that its own shape forces. */
export interface SearchSheet {
  readonly isOffcut: boolean;
  readonly areaMm2: number;
  readonly parts: readonly Part[];
}

/** Where everything lies at one moment. Immutable. */
export interface State {
  /** One pattern for each part of each sheet, in the order of the sheets. */
  readonly roots: readonly Node[];
  /** Shapes that lie nowhere. */
  readonly loose: readonly number[];
}

export interface Score {
  readonly placedMm2: number;
  readonly wholeSheets: number;
  readonly consumedMm2: number;
}

/** Whether one result is better than another, by the order of what counts. */
export function isBetter(a: Score, b: Score, prefersUse: boolean): boolean {
  if (Math.abs(a.placedMm2 - b.placedMm2) > 1e-3) return a.placedMm2 > b.placedMm2;
  if (!prefersUse && a.wholeSheets !== b.wholeSheets) return a.wholeSheets < b.wholeSheets;
  return a.consumedMm2 < b.consumedMm2 - 1e-6;
}

/**
 * Annealing over patterns. Every step changes one rule (or takes a shape out, or swaps two, or fills a part anew), works
 * out what hangs on it, lays what fell out where it goes, and keeps the change by the usual chance (Kirkpatrick, Gelatt
 * and Vecchi 1983). It runs in rounds that grow; each starts from the best so far or from a pattern filled anew. Steps
 * are counted, never timed, so that one seed gives one answer.
 */
export class Search {
  readonly #bench: Bench;
  readonly #sheets: readonly SearchSheet[];
  readonly #random: () => number;
  readonly #prefersUse: boolean;
  readonly #owner: readonly number[];
  readonly #meanMm2: number;
  #state: State;
  #energy: number;
  #best: State;
  #bestScore: Score;
  #steps = 0;
  #round = { at: 0, length: 0, number: -1 };

  constructor(
    bench: Bench,
    sheets: readonly SearchSheet[],
    options: { readonly seed: number; readonly prefersUse: boolean },
  ) {
    this.#bench = bench;
    this.#sheets = sheets;
    this.#random = seededRandom(options.seed);
    this.#prefersUse = options.prefersUse;
    this.#owner = sheets.flatMap((sheet, i) => sheet.parts.map(() => i));
    this.#meanMm2 = bench.shapes.reduce((sum, s) => sum + s.areaMm2, 0) / Math.max(1, bench.shapes.length);
    this.#state = this.#filled({ size: 0.35, noise: 0, bases: 2, flushes: 99, ways: 6 });
    this.#energy = this.#energyOf(this.#state);
    this.#best = this.#state;
    this.#bestScore = this.scoreOf(this.#state);
  }

  get steps(): number {
    return this.#steps;
  }

  get best(): State {
    return this.#best;
  }

  get bestScore(): Score {
    return this.#bestScore;
  }

  scoreOf({ roots }: State): Score {
    let placedMm2 = 0;
    let wholeSheets = 0;
    let consumedMm2 = 0;
    const used = this.#usedSheets(roots);
    const shapes: number[] = [];
    for (const root of roots) shapesIn(root, shapes);
    for (const index of shapes) placedMm2 += this.#bench.shapes[index]?.areaMm2 ?? 0;
    this.#sheets.forEach((sheet, i) => {
      if (!used.has(i)) return;
      if (!sheet.isOffcut) wholeSheets++;
      consumedMm2 += sheet.areaMm2;
    });
    roots.forEach((root, r) => {
      if (used.has(numberAt(this.#owner, r))) consumedMm2 -= keptMm2(root);
    });
    return { placedMm2, wholeSheets, consumedMm2 };
  }

  /** So many more steps; the best so far is kept. */
  run(steps: number): void {
    for (let i = 0; i < steps; i++) this.#step();
  }

  #usedSheets(roots: readonly Node[]): Set<number> {
    const used = new Set<number>();
    roots.forEach((root, r) => {
      if (root.count > 0) used.add(numberAt(this.#owner, r));
    });
    return used;
  }

  #energyOf({ roots, loose }: State): number {
    const used = this.#usedSheets(roots);
    let energy = 0;
    roots.forEach((root, r) => {
      if (used.has(numberAt(this.#owner, r))) energy += root.costMm2;
    });
    for (const i of used) {
      const sheet = this.#sheets[i];
      if (sheet && !sheet.isOffcut && !this.#prefersUse) energy += sheet.areaMm2 * 0.5;
    }
    for (const index of loose) energy += 4 * (this.#bench.shapes[index]?.areaMm2 ?? 0) + 2 * this.#meanMm2;
    return energy;
  }

  /** Everything laid anew: offcuts first, the smallest first, then whole sheets. */
  #filled(taste: Taste & { readonly ways: number }): State {
    const pool = new Set(this.#bench.shapes.map((_, i) => i));
    const roots: Node[] = this.#sheets.flatMap((sheet) => sheet.parts.map((part) => freeNode(part, this.#bench)));
    const order = roots
      .map((root, r) => ({ r, root, sheet: this.#sheets[numberAt(this.#owner, r)] }))
      .sort(
        (a, b) =>
          (this.#prefersUse ? 0 : Number(b.sheet?.isOffcut) - Number(a.sheet?.isOffcut)) ||
          (this.#prefersUse ? -1 : 1) * ((a.sheet?.areaMm2 ?? 0) - (b.sheet?.areaMm2 ?? 0)) ||
          a.r - b.r,
      );
    for (const { r, root } of order) {
      if (pool.size === 0) break;
      roots[r] = fill(root.part, pool, this.#bench, taste, this.#random, taste.ways);
    }
    return { roots, loose: [...pool] };
  }

  #step(): void {
    this.#steps++;
    if (this.#round.at >= this.#round.length) this.#nextRound();
    const share = this.#round.at++ / this.#round.length;
    const temperature = this.#meanMm2 * 0.1 * 0.1 ** share;
    const next = this.#moved();
    if (next === null) return;
    const energy = this.#energyOf(next);
    if (energy > this.#energy && this.#random() >= Math.exp((this.#energy - energy) / temperature)) return;
    this.#state = next;
    this.#energy = energy;
    const score = this.scoreOf(next);
    if (isBetter(score, this.#bestScore, this.#prefersUse)) {
      this.#best = next;
      this.#bestScore = score;
    }
  }

  #nextRound(): void {
    const number = this.#round.number + 1;
    const length = Math.round((200 + 40 * this.#bench.shapes.length) * 1.3 ** number);
    this.#round = { at: 0, length, number };
    // Now and then from a pattern filled anew: a good one is not always on the way from the last.
    this.#state =
      number % 4 === 2
        ? this.#filled({ size: 0.2 + 0.5 * this.#random(), noise: 0.4, bases: 2, flushes: 12, ways: 6 })
        : this.#best;
    this.#energy = this.#energyOf(this.#state);
  }

  #moved(): State | null {
    const roll = this.#random();
    if (this.#state.loose.length > 0 && roll < 0.3)
      return this.#settled([...this.#state.roots], [...this.#state.loose]);
    if (roll < 0.38) return this.#otherRule();
    if (roll < 0.41) return this.#swap();
    if (roll < 0.92) return this.#takenOut();
    return this.#refilled();
  }

  #pick(): { root: number; path: Path; node: HeldNode } | null {
    const { roots } = this.#state;
    let total = 0;
    for (const root of roots) total += root.count;
    if (total === 0) return null;
    let k = Math.floor(this.#random() * total);
    for (let r = 0; r < roots.length; r++) {
      const root = roots[r];
      if (root === undefined) break;
      if (k < root.count) return { root: r, ...nthHeld(root, k) };
      k -= root.count;
    }
    return null;
  }

  #replaced(root: number, path: Path, node: Node): Node[] {
    const roots = [...this.#state.roots];
    const old = roots[root];
    if (old !== undefined) roots[root] = putAt(old, path, 0, node);
    return roots;
  }

  /** One shape laid by another rule. */
  #otherRule(): State | null {
    const picked = this.#pick();
    if (picked === null) return null;
    const { node, root, path } = picked;
    const random = this.#random;
    const loose = [...this.#state.loose];
    const roll = random();
    if (roll < 0.5) {
      const offer = bestOffer(
        node.part,
        node.shape,
        this.#bench,
        { size: 0, noise: 0.6, bases: 3, flushes: 6 },
        random,
      );
      if (offer === null) return null;
      // What hung on the old breaks hangs on the new ones, in the order of their size.
      const rests = rehung(node.rests, offer.rule.cuts, loose);
      const grown = breakOff(node.part, offer.rule, offer.laid, offer.base, this.#bench, rests, loose);
      return this.#settled(this.#replaced(root, path, grown), loose);
    }
    const rule = mutated(node.rule, this.#bench.shapes[node.shape]?.angles.length ?? 1, random);
    const rests = rehung(node.rests, rule.cuts, loose);
    const grown = growOne(node.part, rule, this.#bench, rests, loose);
    if (grown === null) return null;
    return this.#settled(this.#replaced(root, path, grown), loose);
  }

  /** Two shapes in each other's stead. */
  #swap(): State | null {
    const a = this.#pick();
    const b = this.#pick();
    if (a === null || b === null || a.node.shape === b.node.shape) return null;
    const swapped = new Map([
      [a.node.shape, b.node.shape],
      [b.node.shape, a.node.shape],
    ]);
    const loose = [...this.#state.loose];
    const over = (long: Path, short: Path) => short.every((v, i) => long[i] === v);
    let roots = [...this.#state.roots];
    const ends = a.root !== b.root ? [a, b] : over(b.path, a.path) ? [a] : over(a.path, b.path) ? [b] : [a, b];
    for (const { root, path, node } of ends) {
      const old = roots[root];
      if (old === undefined) continue;
      roots = [...roots];
      roots[root] = putAt(old, path, 0, regrow(node.part, node, this.#bench, loose, swapped));
    }
    return this.#settled(roots, loose);
  }

  /** A shape taken out and laid elsewhere; what hung on it moves up. */
  #takenOut(): State | null {
    const picked = this.#pick();
    if (picked === null) return null;
    const { root, path, node } = picked;
    const loose = [...this.#state.loose, node.shape];
    const heirs = node.rests
      .map((rest) => rest.node)
      .filter((n) => n.shape !== null)
      .sort((x, y) => y.count - x.count);
    const [first, ...others] = heirs;
    for (const other of others) shapesIn(other, loose);
    const up = first === undefined ? freeNode(node.part, this.#bench) : regrow(node.part, first, this.#bench, loose);
    return this.#settled(this.#replaced(root, path, up), loose);
  }

  /** A part of a few shapes filled anew. */
  #refilled(): State | null {
    const most = 4 + Math.floor(this.#random() * 9);
    for (let tries = 0; tries < 6; tries++) {
      const picked = this.#pick();
      if (picked === null) return null;
      const { root, path, node } = picked;
      if (node.count > most) continue;
      const inside: number[] = [];
      shapesIn(node, inside);
      const pool = new Set([...inside, ...this.#state.loose]);
      const grown = fill(
        node.part,
        pool,
        this.#bench,
        { size: 0.6 * this.#random(), noise: 0.5, bases: 2, flushes: 8 },
        this.#random,
        Math.floor(1 + 5 * this.#random()),
      );
      return this.#settled(this.#replaced(root, path, grown), [...pool]);
    }
    return null;
  }

  /** Loose shapes laid where they go, the largest first. */
  #settled(roots: Node[], loose: number[]): State {
    if (loose.length === 0) return { roots, loose };
    const area = (i: number) => this.#bench.shapes[i]?.hullMm2 ?? 0;
    const left: number[] = [];
    for (const index of [...loose].sort((a, b) => area(b) - area(a))) {
      if (!this.#settle(roots, index)) left.push(index);
    }
    return { roots, loose: left };
  }

  #settle(roots: Node[], index: number): boolean {
    const shape = this.#bench.shapes[index];
    if (shape === undefined) return false;
    const used = this.#usedSheets(roots);
    const spots: { root: number; path: Path; node: FreeNode; mm2: number }[] = [];
    roots.forEach((root, r) => {
      const isNew = !used.has(numberAt(this.#owner, r));
      freeOver(root, shape, this.#bench.measures.graceMm, [], (node, path, mm2) => {
        const sheet = this.#sheets[numberAt(this.#owner, r)];
        // A sheet that is not open yet comes last, a whole one after all offcuts.
        const late = isNew ? (sheet?.isOffcut || this.#prefersUse ? 1e9 : 2e9) : 0;
        spots.push({ root: r, path, node, mm2: mm2 + late });
      });
    });
    spots.sort((a, b) => a.mm2 - b.mm2);
    let tried = 0;
    for (const spot of spots) {
      if (tried > 0 && this.#random() < 0.15) continue;
      const taste = { size: 0, noise: 0.3, bases: 3, flushes: 7, enough: 6 };
      const offer = bestOffer(spot.node.part, index, this.#bench, taste, this.#random);
      tried++;
      if (offer === null) continue;
      const grown = breakOff(spot.node.part, offer.rule, offer.laid, offer.base, this.#bench, [], []);
      const old = roots[spot.root];
      if (old !== undefined) roots[spot.root] = putAt(old, spot.path, 0, grown);
      return true;
    }
    return false;
  }
}
