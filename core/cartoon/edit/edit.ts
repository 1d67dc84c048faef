import { nth, knownIn, pointAt } from '../../units/index.ts';
import { checkMap, facesOf, nearestOnSegment, pathLength, type PlanarMap, type Point } from '../../geometry/index.ts';
import { BOUNDS, TOLERANCE, isWithin } from '../../limits/index.ts';
import { chainLines } from '../chains.ts';
import { describeCartoon, pieceRings, type NameFaces } from '../describe.ts';
import { heal } from '../heal.ts';
import type { DrawnLine } from '../read/types.ts';
import type { Cartoon } from '../types.ts';
import { carryOver, type CarryOver, type How } from './carryOver.ts';
import { matchShapes, shiftOnto, type Continued } from './match.ts';
import { renumber, type NumberingOrder } from './renumber.ts';

/** A light change of a drawing, in place. Points are [x, y] in mm on the page. */
export type Edit =
  | { readonly kind: 'add-line'; readonly points: readonly Point[] }
  | { readonly kind: 'add-lines'; readonly lines: readonly (readonly Point[])[] }
  | { readonly kind: 'take-line'; readonly line: number }
  | { readonly kind: 'move-node'; readonly node: number; readonly to: Point }
  | { readonly kind: 'scale'; readonly factor: number }
  | { readonly kind: 'fit'; readonly widthMm: number; readonly heightMm: number; readonly borderMm: number }
  | { readonly kind: 'profile'; readonly lines: readonly number[]; readonly profile: string | null }
  | { readonly kind: 'renumber'; readonly order: NumberingOrder }
  | { readonly kind: 'number'; readonly from: number; readonly to: number };

export type EditRefusal =
  | 'no-such-line'
  | 'no-such-node'
  | 'no-such-piece'
  | 'off-the-panel'
  | 'splits-nothing'
  | 'rim-stays'
  | 'lines-would-cross'
  | 'number-taken'
  | 'number-kept'
  | 'bad-measure';

/** Numbers that a change must leave alone, and sections to number by. */
export interface EditSurroundings {
  /** Ids below it were given by drawings of this panel before. */
  readonly freeId: number;
  /** Written on glass, or locked. */
  readonly kept: ReadonlySet<number>;
  readonly sectionOf: ReadonlyMap<number, string>;
}

export interface Edited {
  readonly cartoon: Cartoon;
  /** For each piece of the new drawing, in its order. */
  readonly continued: readonly Continued[];
  /** What became of pieces, lines and joints. */
  readonly carry: CarryOver;
}

/** A changed drawing before its parts have their lasting ids. */
type Redrawn = Pick<Edited, 'cartoon' | 'continued'> & Pick<How, 'linesStay' | 'move' | 'shift'>;

const ALONE: EditSurroundings = { freeId: 1, kept: new Set(), sectionOf: new Map() };

/** Carries one light change out; the drawing given is not touched. */
export function editCartoon(
  cartoon: Cartoon,
  edit: Edit,
  around: EditSurroundings = ALONE,
): Edited | { readonly refusal: EditRefusal } {
  const redrawn = redraw(cartoon, edit, around);
  return 'refusal' in redrawn ? redrawn : lasting(cartoon, redrawn, around.freeId);
}

/** A drawing that follows another one as it is: what its lines take up may have changed, nothing else. */
export const unchanged = (cartoon: Cartoon, freeId: number): Edited => lasting(cartoon, unmoved(cartoon), freeId);

function lasting(old: Cartoon, { cartoon, continued, ...how }: Redrawn, freeId: number): Edited {
  return { ...carryOver(old, cartoon, { continued, freeId, ...how }), continued };
}

function redraw(cartoon: Cartoon, edit: Edit, around: EditSurroundings): Redrawn | { readonly refusal: EditRefusal } {
  switch (edit.kind) {
    case 'add-line':
      return addLines(cartoon, [edit.points]);
    case 'add-lines':
      return addLines(cartoon, edit.lines);
    case 'take-line':
      return takeLine(cartoon, edit.line);
    case 'move-node':
      return moveNode(cartoon, edit.node, edit.to);
    case 'scale':
      if (!isWithin(edit.factor, BOUNDS.scale)) return { refusal: 'bad-measure' };
      return mapped(cartoon, ([x, y]) => [x * edit.factor, y * edit.factor]);
    case 'fit':
      return fit(cartoon, edit);
    case 'profile': {
      if (edit.lines.some((line) => !cartoon.map.lines[line])) return { refusal: 'no-such-line' };
      const profiles = cartoon.map.lines.map((_, i) =>
        edit.lines.includes(i) ? edit.profile : (cartoon.profiles?.[i] ?? null),
      );
      return unmoved({ ...cartoon, profiles });
    }
    case 'renumber':
      return renumbered(cartoon, renumber(cartoon.pieces, edit.order, around));
    case 'number': {
      const piece = cartoon.pieces.find((p) => p.number === edit.from);
      if (!piece) return { refusal: 'no-such-piece' };
      if (around.kept.has(edit.from)) return { refusal: 'number-kept' };
      const other = cartoon.pieces.find((p) => p.number === edit.to);
      if (other && around.kept.has(edit.to)) return { refusal: 'number-taken' };
      const next = new Map(cartoon.pieces.map((p) => [p.number, p.number]));
      next.set(edit.from, edit.to);
      if (other) next.set(edit.to, edit.from);
      return renumbered(cartoon, next);
    }
  }
}

/**
 * A drawing read anew takes over the numbers of the one before it: pieces that are the same keep theirs, new ones
 * take the number written in them or the next one above all.
 */
export function continueCartoon(old: Cartoon, next: Cartoon, freeId = 1): Edited {
  const shift = shiftOnto(old, next);
  const shapes = next.pieces.map((piece) => ({ rings: pieceRings(next, piece), areaMm2: piece.areaMm2 }));
  const found = matchShapes(old, shapes, shift);
  const taken = new Set(found.map((c) => c.was).filter((n) => n !== null));
  let free = Math.max(0, ...old.pieces.map((p) => p.number));
  const numbers = new Map(
    next.pieces.map((piece, i) => {
      const { was } = nth(found, i);
      if (was !== null) return [piece.number, was];
      const keeps = piece.number > free && !taken.has(piece.number);
      const number = keeps ? piece.number : ++free;
      taken.add(number);
      free = Math.max(free, number);
      return [piece.number, number];
    }),
  );
  const byNumber = new Map(next.pieces.map((p, i) => [knownIn(numbers, p.number), nth(found, i)]));
  const { cartoon } = renumbered(next, numbers);
  const continued = cartoon.pieces.map((p) => knownIn(byNumber, p.number));
  return lasting(old, { cartoon, continued, linesStay: false, shift }, freeId);
}

const unmoved = (cartoon: Cartoon): Redrawn => ({
  cartoon,
  linesStay: true,
  continued: cartoon.pieces.map((p) => ({ was: p.number, same: true })),
});

function renumbered(cartoon: Cartoon, next: ReadonlyMap<number, number>): Redrawn {
  const to = (n: number) => next.get(n) ?? n;
  const was = new Map(cartoon.pieces.map((p) => [to(p.number), p.number]));
  const pieces = cartoon.pieces
    .map((p) => ({ ...p, number: to(p.number), neighbours: p.neighbours.map(to).sort((a, b) => a - b) }))
    .sort((a, b) => a.number - b.number);
  const joints = cartoon.joints.map((j) => ({ ...j, pieces: j.pieces.map(to).sort((a, b) => a - b) }));
  return {
    cartoon: { ...cartoon, pieces, joints },
    linesStay: true,
    continued: pieces.map((p) => ({ was: was.get(p.number) ?? null, same: true })),
  };
}

function addLines(cartoon: Cartoon, added: readonly (readonly Point[])[]): Redrawn | { refusal: EditRefusal } {
  let drawn: DrawnLine[] = linesOf(cartoon.map);
  for (const points of added) {
    const [first, last] = [points[0], points.at(-1)];
    if (!first || !last || points.length < 2 || pathLength(points) < 0.5) return { refusal: 'splits-nothing' };
    const from = ontoMap(cartoon.map, first);
    const to = ontoMap(cartoon.map, last);
    if (!from || !to) return { refusal: 'off-the-panel' };
    // The foot becomes a vertex of the line it stands on: else rounding could leave the joint open.
    drawn = drawn.map((line, i) =>
      withVertices(
        line,
        [from, to].filter((f) => f.line === i).map((f) => f.at),
      ),
    );
    drawn.push({ points: [from.at, ...points.slice(1, -1), to.at], closed: false });
  }
  const edited = rebuilt(cartoon, drawn);
  if (!edited) return { refusal: 'off-the-panel' };
  return edited.cartoon.pieces.length > cartoon.pieces.length ? edited : { refusal: 'splits-nothing' };
}

function takeLine(cartoon: Cartoon, line: number): Redrawn | { refusal: EditRefusal } {
  if (!cartoon.map.lines[line]) return { refusal: 'no-such-line' };
  const sides = cartoon.pieces.filter((p) => p.rings.flat().some((ref) => ref === line || ref === ~line));
  if (sides.length < 2) return { refusal: 'rim-stays' };
  return (
    rebuilt(
      cartoon,
      linesOf(cartoon.map).filter((_, i) => i !== line),
    ) ?? { refusal: 'rim-stays' }
  );
}

/**
 * Lines at a node follow it as far as their next corner: each point by how near it is, so that a curve stays a
 * curve and the corners of the rim stay where they are.
 */
function moveNode(cartoon: Cartoon, node: number, to: Point): Redrawn | { refusal: EditRefusal } {
  const at = cartoon.map.nodes[node];
  if (!at) return { refusal: 'no-such-node' };
  const by: Point = [to[0] - at[0], to[1] - at[1]];
  const lines = cartoon.map.lines.map((line): DrawnLine => {
    let { points } = line;
    if (line.from === node) points = drawnAlong(points, by);
    if (line.to === node) points = [...drawnAlong([...points].reverse(), by)].reverse();
    return { points, closed: false };
  });
  const edited = rebuilt(cartoon, lines);
  const isWhole =
    edited &&
    edited.cartoon.pieces.length === cartoon.pieces.length &&
    edited.cartoon.map.lines.length === cartoon.map.lines.length &&
    edited.continued.every((c) => c.was !== null);
  return isWhole ? edited : { refusal: 'lines-would-cross' };
}

/** Points moved at their first one, less and less up to the next corner or the end. */
function drawnAlong(points: readonly Point[], [dx, dy]: Point): Point[] {
  const corner = cornersOf(points)[0];
  const last = corner === undefined ? points.length - 1 : points.indexOf(corner);
  const length = pathLength(points.slice(0, last + 1)) || 1;
  let walked = 0;
  return points.map((p, i): Point => {
    if (i > 0) walked += Math.hypot(p[0] - pointAt(points, i - 1)[0], p[1] - pointAt(points, i - 1)[1]);
    const share = i >= last && last > 0 ? 0 : Math.max(0, 1 - walked / length);
    return [p[0] + dx * share, p[1] + dy * share];
  });
}

/** The same map with every point moved alike: nothing can cross that did not before. */
function mapped(cartoon: Cartoon, move: (p: Point) => Point): Redrawn {
  const map: PlanarMap = {
    nodes: cartoon.map.nodes.map(move),
    lines: cartoon.map.lines.map((line) => ({ ...line, points: line.points.map(move) })),
  };
  const described = describeCartoon(map, inOrderOf(cartoon));
  return {
    cartoon: described,
    linesStay: true,
    move,
    continued: described.pieces.map((p) => ({ was: p.number, same: false })),
  };
}

/** The faces of the same lines come in the same order, so each keeps its number and word. */
const inOrderOf =
  (cartoon: Cartoon): NameFaces =>
  () => {
    const traced = facesOf(cartoon.map);
    const key = (ring: readonly number[]) => Math.min(...ring.map((ref) => (ref < 0 ? ~ref * 2 + 1 : ref * 2)));
    const byRef = new Map(cartoon.pieces.map((p) => [key(nth(p.rings, 0)), p]));
    const pieces = traced.faces.map((face) => knownIn(byRef, key(nth(face.rings, 0))));
    return { numbers: pieces.map((p) => p.number), labels: pieces.map((p) => p.label) };
  };

/**
 * Fits the drawing to another size with a border of the same width all round: what lies within `borderMm` of an
 * edge keeps its measure across it, the middle takes the rest.
 *
 *      ├─b─┤     middle      ├─b─┤
 *      ├─b─┤ stretched or shrunk ├─b─┤
 */
function fit(
  cartoon: Cartoon,
  { widthMm, heightMm, borderMm }: Extract<Edit, { kind: 'fit' }>,
): Redrawn | { refusal: EditRefusal } {
  const { minX, minY, maxX, maxY } = cartoon.box;
  const along = (from: number, to: number, wanted: number) => {
    const middle = to - from - 2 * borderMm;
    const stretch = (wanted - 2 * borderMm) / middle;
    if (!(wanted > 0) || !(middle > 0) || !(stretch > 0.02 && stretch < 50) || !(borderMm >= 0)) return null;
    return (v: number): number => {
      const d = v - from;
      if (d <= borderMm) return d;
      if (d >= to - from - borderMm) return wanted - (to - v);
      return borderMm + (d - borderMm) * stretch;
    };
  };
  const x = along(minX, maxX, widthMm);
  const y = along(minY, maxY, heightMm);
  if (!x || !y) return { refusal: 'bad-measure' };
  // A straight line from border to middle bends where the border ends: it gets a vertex there.
  const bent: PlanarMap = {
    nodes: cartoon.map.nodes,
    lines: cartoon.map.lines.map((line) => ({
      ...line,
      points: bentAt(bentAt(line.points, 0, [minX + borderMm, maxX - borderMm]), 1, [minY + borderMm, maxY - borderMm]),
    })),
  };
  return mapped({ ...cartoon, map: bent }, ([px, py]) => [x(px), y(py)]);
}

function bentAt(points: readonly Point[], axis: 0 | 1, at: readonly number[]): Point[] {
  const result: Point[] = [pointAt(points, 0)];
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
    const crossings = at
      .map((v) => (v - a[axis]) / (b[axis] - a[axis]))
      .filter((t) => t > 1e-9 && t < 1 - 1e-9)
      .sort((p, q) => p - q);
    for (const t of crossings) result.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]);
    result.push(b);
  }
  return result;
}

const linesOf = (map: PlanarMap): DrawnLine[] => map.lines.map(({ points }) => ({ points, closed: false }));

/** Where a line that is drawn by hand begins: at the nearest joint, else on the nearest line. */
function ontoMap(map: PlanarMap, [x, y]: Point): { at: Point; line: number | null } | null {
  let joint: { at: Point; mm: number } | null = null;
  for (const node of [...map.nodes, ...map.lines.flatMap((line) => cornersOf(line.points))]) {
    const mm = Math.hypot(node[0] - x, node[1] - y);
    if (mm <= TOLERANCE.reachJointMm && (!joint || mm < joint.mm)) joint = { at: node, mm };
  }
  if (joint) return { at: joint.at, line: null };
  let foot: { at: Point; line: number; distSq: number } | null = null;
  map.lines.forEach(({ points }, line) => {
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
      const hit = nearestOnSegment(x, y, a[0], a[1], b[0], b[1]);
      if (hit.distSq <= TOLERANCE.reachLineMm * TOLERANCE.reachLineMm && (!foot || hit.distSq < foot.distSq))
        foot = { at: [hit.x, hit.y], line, distSq: hit.distSq };
    }
  });
  return foot;
}

/** Where a line turns sharply: a corner that has no joint is aimed at like one. */
function cornersOf(points: readonly Point[]): Point[] {
  return points.slice(1, -1).filter((b, i) => {
    const [a, c] = [pointAt(points, i), pointAt(points, i + 2)];
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
    return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) > 0.5;
  });
}

function withVertices(line: DrawnLine, feet: readonly Point[]): DrawnLine {
  let points = [...line.points];
  for (const foot of feet) {
    let best = { i: 1, distSq: Infinity };
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [pointAt(points, i - 1), pointAt(points, i)];
      const { distSq } = nearestOnSegment(foot[0], foot[1], a[0], a[1], b[0], b[1]);
      if (distSq < best.distSq) best = { i, distSq };
    }
    points = [...points.slice(0, best.i), foot, ...points.slice(best.i)];
  }
  return { ...line, points };
}

/** Arranges changed lines and gives every region its number back. Null when nothing closed is left. */
function rebuilt(old: Cartoon, drawn: readonly DrawnLine[]): Redrawn | null {
  const healed = heal(drawn, { snapMm: 0, mostMm: 0, refused: [], drawOn: [] });
  if (typeof healed === 'string') return null;
  const map = chainLines(healed.grid, healed.ends);
  const traced = facesOf(map);
  if (traced.faces.length === 0 || checkMap(map, traced).length > 0) return null;
  let found: readonly Continued[] = [];
  const labels = new Map(old.pieces.map((p) => [p.number, p.label]));
  const cartoon = describeCartoon(
    map,
    (faces) => {
      found = matchShapes(old, faces);
      let free = Math.max(0, ...old.pieces.map((p) => p.number));
      const numbers = found.map((c) => c.was ?? ++free);
      return { numbers, labels: numbers.map((n) => labels.get(n) ?? null) };
    },
    traced,
  );
  const numbered = new Map(found.map((c) => [c.was, c]));
  return {
    cartoon,
    linesStay: false,
    continued: cartoon.pieces.map((p) => numbered.get(p.number) ?? { was: null, same: false }),
  };
}
