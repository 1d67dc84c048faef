import { signedArea, type Point, type Ring } from '../geometry/index.ts';
import { nth, numberAt } from '../units/index.ts';
import type { Bared } from './bed.ts';
import { areaOf, clip, holdsSquare, hullOf, reach, ringOf, type Flat } from './convex.ts';
import { THINNEST_MM, type Cut } from './part.ts';
import { largestRectangle } from './rectangle.ts';
import { relaxed } from './relax.ts';
import type { State } from './search.ts';
import { movedMakeup, tracedOutline, type Makeup } from './shape.ts';
import { cutOf, type Bench, type HeldNode, type Node } from './tree.ts';
import type { Break, Layout, LayoutJob, LayoutOffcut, Placement } from './types.ts';

/** Angles at which a square is looked for where the answer is told. */
const SQUARE_TURNS = 90;

/**
 * What the saw-free bench needs of a state: where each piece lies, the breaks in order, and what goes back. Breaks that
 * would only part waste from a piece are left out; a rest that can be kept is broken off.
 */
export function answerOf(
  job: LayoutJob,
  sheets: readonly Bared[],
  bench: Bench,
  state: State,
): Omit<Layout, 'unplaced'> {
  const placements: Placement[] = [];
  const breaks: Break[] = [];
  const offcuts: LayoutOffcut[] = [];
  let consumedMm2 = 0;
  let root = 0;
  sheets.forEach((bared, s) => {
    const sheet = job.sheets[s];
    if (sheet === undefined) return;
    const nodes = state.roots.slice(root, root + countParts(bared));
    root += nodes.length;
    if (nodes.every((node) => node.count === 0)) return;
    consumedMm2 += Math.abs(signedArea(sheet.outline));
    const writer = new SheetWriter(job, bench, sheet.id, placements, breaks);
    writer.bared(bared, nodes);
    for (const glass of writer.kept) {
      const outline = ringOf(glass);
      consumedMm2 -= Math.abs(signedArea(outline));
      offcuts.push({ sheetId: sheet.id, outline, largestRectangle: largestRectangle(glass) });
    }
  });
  const placedMm2 = placements.reduce((sum, p) => sum + Math.abs(signedArea(p.outline)), 0);
  return {
    placements,
    breaks,
    offcuts,
    use: consumedMm2 > 0 ? placedMm2 / consumedMm2 : 0,
    glassConsumedMm2: consumedMm2,
  };
}

const countParts = (bared: Bared): number =>
  bared.kind === 'part' ? 1 : bared.sides.reduce((sum, side) => sum + countParts(side), 0);

class SheetWriter {
  readonly kept: Flat[] = [];
  readonly #job: LayoutJob;
  readonly #bench: Bench;
  readonly #sheetId: string;
  readonly #placements: Placement[];
  readonly #breaks: Break[];

  constructor(job: LayoutJob, bench: Bench, sheetId: string, placements: Placement[], breaks: Break[]) {
    this.#job = job;
    this.#bench = bench;
    this.#sheetId = sheetId;
    this.#placements = placements;
    this.#breaks = breaks;
  }

  /** The breaks that the sheet's own shape asks for, then each part. */
  bared(bared: Bared, nodes: readonly Node[]): void {
    if (bared.kind === 'part') {
      const node = nodes[bared.index];
      if (node !== undefined) this.#node(node, node.part.glass);
      return;
    }
    this.#breaks.push({ sheetId: this.#sheetId, from: bared.from, to: bared.to });
    for (const side of bared.sides) this.bared(side, nodes);
  }

  /** @param glass the part as it is, which is larger than planned where a break was left out */
  #node(node: Node, glass: Flat): void {
    if (node.shape === null) {
      if (holdsSquare(glass, this.#job.keepMm, SQUARE_TURNS)) this.kept.push(glass);
      return;
    }
    let left = glass;
    let room = node.part.room;
    const beyond: { node: Node; glass: Flat }[] = [];
    for (const { cut, node: rest } of node.rests) {
      const far = clip(left, -cut.nx, -cut.ny, -cut.c);
      if (rest.count === 0 && !holdsSquare(far, this.#job.keepMm, SQUARE_TURNS)) continue;
      if (!this.#broke(left, cut)) continue;
      beyond.push({ node: rest, glass: far });
      left = clip(left, cut.nx, cut.ny, cut.c);
      room = clip(room, cut.nx, cut.ny, cut.c - this.#job.marginMm / 2);
    }
    left = this.#trimmed(node, left);
    for (const rest of beyond) this.#node(rest.node, rest.glass);
    const shape = this.#bench.shapes[node.shape];
    if (shape === undefined) return;
    const makeup = movedMakeup(shape.makeup, node.laid.turn, node.laid.dx, node.laid.dy);
    const hullOfPiece = (piece: number) => hullOf(tracedOutline(nth(this.#job.pieces, piece)));
    this.#made(relaxed(makeup, room, hullOfPiece).makeup, left);
  }

  /** What can still be kept of the part that holds a shape, broken off. */
  #trimmed(node: HeldNode, glass: Flat): Flat {
    let left = glass;
    for (let tries = 0; tries < 4; tries++) {
      let best: Cut | null = null;
      let bestMm2 = 0;
      for (let kind = 0; kind < node.laid.hull.length / 2; kind++) {
        const cut = cutOf(kind, node.laid, { dx: 1, dy: 0, c: 0, mm: 0 }, this.#job.marginMm);
        const far = clip(left, -cut.nx, -cut.ny, -cut.c);
        const mm2 = areaOf(far);
        if (mm2 > bestMm2 && holdsSquare(far, this.#job.keepMm, SQUARE_TURNS)) [best, bestMm2] = [cut, mm2];
      }
      if (best === null || !this.#broke(left, best)) return left;
      this.kept.push(clip(left, -best.nx, -best.ny, -best.c));
      left = clip(left, best.nx, best.ny, best.c);
    }
    return left;
  }

  /** One break across a part, written down; false where one side would be a sliver. */
  #broke(glass: Flat, { nx, ny, c }: Cut): boolean {
    if (reach(glass, nx, ny) - c < THINNEST_MM || c + reach(glass, -nx, -ny) < THINNEST_MM) return false;
    const ends = chord(glass, nx, ny, c);
    if (ends === null) return false;
    this.#breaks.push({ sheetId: this.#sheetId, from: ends[0], to: ends[1] });
    return true;
  }

  /** The pieces of a shape, with the breaks between them. */
  #made(makeup: Makeup, glass: Flat): void {
    if (makeup.kind === 'pair') {
      const { nx, ny, c } = makeup.cut;
      this.#broke(glass, makeup.cut);
      this.#made(makeup.low, clip(glass, nx, ny, c));
      this.#made(makeup.high, clip(glass, -nx, -ny, -c));
      return;
    }
    const piece = this.#job.pieces[makeup.piece];
    if (piece === undefined) return;
    const [cos, sin] = [Math.cos(makeup.turn), Math.sin(makeup.turn)];
    const outline: Ring = tracedOutline(piece).map(([x, y]): Point => [
      x * cos - y * sin + makeup.dx,
      x * sin + y * cos + makeup.dy,
    ]);
    const deg = (makeup.turn * 180) / Math.PI;
    this.#placements.push({
      pieceId: piece.id,
      sheetId: this.#sheetId,
      rotationDeg: ((deg % 360) + 360) % 360,
      turnedOver: piece.turnOver,
      outline,
    });
  }
}

/** Where the line n·p = c enters and leaves a convex polygon. */
function chord(poly: Flat, nx: number, ny: number, c: number): readonly [Point, Point] | null {
  const ends: Point[] = [];
  for (let i = 0; i < poly.length; i += 2) {
    const j = (i + 2) % poly.length;
    const [ax, ay] = [numberAt(poly, i), numberAt(poly, i + 1)];
    const [bx, by] = [numberAt(poly, j), numberAt(poly, j + 1)];
    const [a, b] = [nx * ax + ny * ay - c, nx * bx + ny * by - c];
    if (a === 0) ends.push([ax, ay]);
    else if (a < 0 !== b < 0 && b !== 0) ends.push([ax + (a / (a - b)) * (bx - ax), ay + (a / (a - b)) * (by - ay)]);
  }
  const [first, second] = [ends[0], ends.at(-1)];
  return first === undefined || second === undefined || ends.length < 2 ? null : [first, second];
}
