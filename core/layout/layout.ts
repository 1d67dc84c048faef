import { signedArea } from '../geometry/index.ts';
import { nth, seededRandom } from '../units/index.ts';
import { answerOf } from './answer.ts';
import { checkLayout } from './check.ts';
import { barePart, partsOf, type Bared } from './bed.ts';
import { CornerFiller } from './fromCorners.ts';
import { goesIn } from './goesIn.ts';
import { joinAll, Joiner, roundingOf } from './join.ts';
import type { Measures, Part } from './part.ts';
import { isBetter, Search, type Score, type SearchSheet } from './search.ts';
import { piecesIn, shapeOfPiece, tracedOutline, type Shape } from './shape.ts';
import { squeezed } from './squeeze.ts';
import type { Bench } from './tree.ts';
import type { Layout, LayoutJob } from './types.ts';

export interface LayoutOptions {
  readonly seed: number;
  /** Highest use before offcuts first. */
  readonly prefersUse: boolean;
}

interface Started {
  readonly bench: Bench;
  readonly search: Search;
}

/** Steps that one search runs before the others of the same job are looked at again. */
const TURN_OF_STEPS = 50;
/** Turns after which only the better of two searches goes on. */
const TRIAL_TURNS = 16;
/** How often a wrong joint is looked for where not all pieces come together. */
const JOIN_TRIES = 16;
const JOIN_WORK = 60_000;
const JOIN_TRIES_A_TURN = 3;
/** How often other joints are tried where those found do not hold. */
const SOUND_TRIES = 24;
/** How much is tried at a time to fill a part from its corners. */
const CORNER_WORK = 3000;
/** What may be lost in jumping one hole, in mean pieces. */
const LOST_SHAPES = 1.6;
/** Touching pieces may be shaved by this many roundings of their outlines, mm at most. */
const GRACE_ROUNDINGS = 2;
const MOST_GRACE_MM = 0.08;

/**
 * A layout that is being looked for: run it for a number of steps as often as there is time, and ask for the best so far.
 * One job, one seed and one number of steps always give one answer.
 */
export class Layouter {
  readonly #job: LayoutJob;
  readonly #options: LayoutOptions;
  readonly #sheets: readonly Bared[];
  readonly #tooLarge: ReadonlySet<number>;
  /** One search for each way to see the pieces: one by one, or joined where they fit. */
  #searches: Started[];
  /** Of pieces that were joined, the search over them one by one. */
  #plain: Started | null;
  /** Where pieces fit each other but some are missing: a search over another way to jump the holes. */
  #overHoles: ((turn: number) => Started) | null = null;
  /** Where all came together: the same by other joints. */
  #otherJoints: ((k: number) => readonly Shape[]) | null = null;
  readonly #random: () => number;
  #steps = 0;

  constructor(job: LayoutJob, options: LayoutOptions) {
    this.#job = job;
    this.#options = options;
    this.#random = seededRandom(options.seed);
    this.#sheets = job.sheets.map((sheet, i) => barePart(sheet, i, job.edgeMm, job.marginMm));
    const parts = this.#sheets.flatMap((bared) => partsOf(bared));
    const isTouching = job.marginMm === 0;
    const rounding = isTouching ? roundingOf(job.pieces.map((piece) => piece.outline)) : 0;
    const graceMm = isTouching ? Math.min(MOST_GRACE_MM, GRACE_ROUNDINGS * rounding) : 1e-6;
    const shapes = job.pieces.map((piece, i) => shapeOfPiece(piece, i, isTouching));
    this.#tooLarge = new Set(
      shapes.flatMap((shape, i) => (parts.some((part) => goesIn(shape, part, graceMm)) ? [] : [i])),
    );
    const kept = shapes.filter((_, i) => !this.#tooLarge.has(i));
    const joined = isTouching ? this.#joined(kept, parts, rounding, graceMm) : kept;
    const ways = joined.length < kept.length ? [joined, kept] : [kept];
    this.#searches = kept.length === 0 ? [] : ways.map((way) => this.#searchOf(way, graceMm));
    this.#plain = ways.length > 1 ? (this.#searches.at(-1) ?? null) : null;
    if (this.#otherJoints !== null && this.#plain !== null) this.#soundJoints(this.#otherJoints, this.#plain, graceMm);
    this.#dropFalse();
  }

  /** A search that seems to have placed all without a loss, by joints that do not hold, must not lead the others. */
  #dropFalse(): void {
    while (this.#plain !== null && this.#isPerfect()) {
      const leading = this.#leading();
      if (leading === this.#plain || holds(this.#job, this.#answer(leading))) return;
      this.#searches = this.#searches.filter((one) => one !== leading);
      if (this.#searches.length === 0) this.#searches = [this.#plain];
    }
  }

  /**
   * All pieces came together, but by a joint that only looked right within the rounding of the outlines: others are tried,
   * and where none holds the pieces are laid one by one.
   */
  #soundJoints(otherJoints: (k: number) => readonly Shape[], plain: Started, graceMm: number): void {
    for (let k = 0; k < SOUND_TRIES; k++) {
      const [joined] = this.#searches;
      if (joined !== undefined && joined !== plain && holds(this.#job, this.#answer(joined))) return;
      const other = otherJoints(k);
      this.#searches = [this.#searchOf(other, graceMm), plain];
    }
    this.#searches = [plain];
    this.#plain = null;
  }

  #measuresOf(shapes: readonly Shape[], graceMm: number): Measures {
    return {
      marginMm: this.#job.marginMm,
      keepMm: this.#job.keepMm,
      leastShapeMm2: Math.min(...shapes.map((s) => s.hullMm2)) * 0.999,
      leastShapeMm: Math.min(...shapes.map((s) => s.leastMm)) * 0.999,
      graceMm,
    };
  }

  #searchOf(shapes: readonly Shape[], graceMm: number): Started {
    const bench: Bench = { shapes, alike: alikeIn(shapes), measures: this.#measuresOf(shapes, graceMm) };
    const sheets: SearchSheet[] = this.#sheets.map((bared, i) => {
      const sheet = nth(this.#job.sheets, i);
      return { isOffcut: sheet.offcut, areaMm2: Math.abs(signedArea(sheet.outline)), parts: partsOf(bared) };
    });
    return { bench, search: new Search(bench, sheets, this.#options) };
  }

  /** The pieces joined where they fit each other whole. */
  #joined(shapes: readonly Shape[], parts: readonly Part[], rounding: number, graceMm: number): readonly Shape[] {
    const outlineOf = (piece: number) => tracedOutline(nth(this.#job.pieces, piece));
    const fits = (shape: Shape): Shape | null => {
      if (parts.some((part) => goesIn(shape, part, graceMm))) return shape;
      const smaller = squeezed(shape, rounding, outlineOf);
      return parts.some((part) => goesIn(smaller, part, graceMm)) ? smaller : null;
    };
    const joiner = new Joiner(shapes, rounding, fits, this.#random);
    // Few pieces are joined in no time, and have to be: of them all belong together.
    const tries = Math.max(JOIN_TRIES, Math.floor(JOIN_WORK / shapes.length ** 2));
    for (let k = 0; k < tries; k++) joiner.tryAgain();
    if (joiner.isDone)
      this.#otherJoints = (k) => joinAll(shapes, rounding, fits, this.#random, { shaken: (k % 8) / 8 });
    else {
      const mostLostMm2 = (LOST_SHAPES * shapes.reduce((sum, s) => sum + s.areaMm2, 0)) / shapes.length;
      const isBare = this.#job.edgeMm === 0;
      const fillers = parts
        .filter((part) => isBare && part.bed.flaws.length === 0)
        .map((part) => new CornerFiller(shapes, part, rounding, this.#measuresOf(shapes, graceMm), fits, this.#random));
      this.#overHoles = (turn) => {
        const corners = fillers[Math.floor(turn / 2) % fillers.length];
        if (turn % 2 === 0 && corners !== undefined && !corners.isDone) {
          const until = Math.max(1, Math.floor(CORNER_WORK / shapes.length ** 2));
          for (let k = 0; k < until; k++) if (corners.tryAgain()) break;
          if (corners.best !== null) return this.#searchOf(corners.best, graceMm);
        }
        for (let k = 0; k < JOIN_TRIES_A_TURN; k++) joiner.tryAgain();
        const shaken = (turn % 8) / 8;
        const from = turn % 3 < 2 ? joiner.best : joinAll(shapes, rounding, fits, this.#random, { shaken });
        const over = joiner.isDone ? from : joinAll(from, rounding, fits, this.#random, { shaken, mostLostMm2 });
        return this.#searchOf(over, graceMm);
      };
    }
    return joiner.best;
  }

  /** So many more steps. */
  run(steps: number): void {
    for (let left = steps; left > 0; left -= TURN_OF_STEPS) {
      const now = Math.min(left, TURN_OF_STEPS);
      const turn = Math.floor(this.#steps / TURN_OF_STEPS);
      const isNewTurn = this.#steps % TURN_OF_STEPS === 0;
      this.#steps += now;
      // Every other turn goes into another order of jumping holes, which is worth more than any change within one.
      if (this.#overHoles !== null && isNewTurn && turn % 2 === 0) {
        this.#searches.push(this.#overHoles(turn / 2));
        this.#dropFalse();
        this.#searches = [this.#leading()];
        continue;
      }
      if (this.#searches.length > 1 && turn >= TRIAL_TURNS) this.#searches = [this.#leading()];
      this.#searches[turn % Math.max(1, this.#searches.length)]?.search.run(now);
      this.#dropFalse();
    }
  }

  /** Nothing better can come: every piece lies, and no glass is lost. */
  get isDone(): boolean {
    return this.#searches.length === 0 || this.#isPerfect();
  }

  #isPerfect(): boolean {
    const { placedMm2, consumedMm2 } = this.score;
    const allMm2 = this.#job.pieces.reduce((sum, piece) => sum + Math.abs(signedArea(piece.outline)), 0);
    return placedMm2 > allMm2 - 1e-3 && consumedMm2 <= placedMm2 * 1.0005;
  }

  get steps(): number {
    return this.#steps;
  }

  /** What the best so far comes to. */
  get score(): Score {
    return this.#searches.length === 0
      ? { placedMm2: 0, wholeSheets: 0, consumedMm2: 0 }
      : this.#leading().search.bestScore;
  }

  #leading(): Started {
    return this.#searches.reduce((best, next) =>
      isBetter(next.search.bestScore, best.search.bestScore, this.#options.prefersUse) ? next : best,
    );
  }

  /** The best so far, whole: where each piece lies, the breaks in order, what goes back onto the rack. */
  best(): Layout {
    const tooLarge = [...this.#tooLarge].map((i) => ({
      pieceId: nth(this.#job.pieces, i).id,
      code: 'too-large' as const,
    }));
    if (this.#searches.length === 0) {
      return { placements: [], unplaced: tooLarge, breaks: [], offcuts: [], use: 0, glassConsumedMm2: 0 };
    }
    const joined = this.#answer(this.#leading());
    // A joint that looked right within the rounding of the outlines, and is not, is found out here: then one by one.
    const isSound = this.#plain === null || holds(this.#job, joined);
    const layout = isSound || this.#plain === null ? joined : this.#answer(this.#plain);
    return { ...layout, unplaced: [...tooLarge, ...layout.unplaced] };
  }

  #answer({ bench, search }: Started): Layout {
    const loose = search.best.loose.flatMap((index) => piecesIn(nth(bench.shapes, index).makeup));
    const noGlass = loose.map((piece) => ({ pieceId: nth(this.#job.pieces, piece).id, code: 'no-glass' as const }));
    return { ...answerOf(this.#job, this.#sheets, bench, search.best), unplaced: noGlass };
  }
}

/** By how much more than a break shaves off the roundest outlines may overlap, mm. */
const ROUNDED_MM = 0.05;

const holds = (job: LayoutJob, layout: Layout): boolean =>
  checkLayout(job, layout, { mm: ROUNDED_MM, deg: 0.1, mm2: 1 }).length === 0;

/** Equal shapes under one number: same hull to a hundredth, same flow. */
function alikeIn(shapes: readonly Shape[]): number[] {
  const numbers = new Map<string, number>();
  return shapes.map((shape) => {
    const key = [shape.flowRad, shape.toleranceRad, ...shape.hull]
      .map((v) => (v === null ? '-' : v.toFixed(2)))
      .join(' ');
    const known = numbers.get(key);
    if (known !== undefined) return known;
    numbers.set(key, numbers.size);
    return numbers.size - 1;
  });
}
