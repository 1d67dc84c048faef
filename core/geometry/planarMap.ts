import Flatbush from 'flatbush';
import { floatAt, intAt, lastOf, nth, numberAt, pointAt } from '../units/index.ts';
import { boxOf, contains, signedArea, type Point, type Ring } from './ring.ts';
import { Meetings } from './tables.ts';

/** A line runs from node to node; `points` begins and ends at them. A line is held once. */
export interface MapLine {
  readonly from: number;
  readonly to: number;
  readonly points: Ring;
}

export interface PlanarMap {
  readonly nodes: readonly Point[];
  readonly lines: readonly MapLine[];
}

/** Rings as signed line references: `i` walked forwards, `~i` backwards. First ring outer, the rest holes. */
export interface Face {
  readonly rings: readonly (readonly number[])[];
  readonly areaMm2: number;
}

export interface MapFaces {
  readonly faces: readonly Face[];
  /** Outer boundaries, one for each connected part, walked the other way round than the faces inside. */
  readonly outsides: readonly { readonly ring: readonly number[]; readonly parent: number | null }[];
}

/** The points of a ring of signed line references. */
export function ringPoints(map: PlanarMap, ring: readonly number[]): Point[] {
  const points: Point[] = [];
  for (const ref of ring) {
    const line = lineAt(map, ref).points;
    if (ref >= 0) for (let i = 0; i + 1 < line.length; i++) points.push(pointAt(line, i));
    else for (let i = line.length - 1; i > 0; i--) points.push(pointAt(line, i));
  }
  return points;
}

/**
 * Traces the bounded faces of a map whose lines meet at nodes only and have no loose ends.
 *
 * At each node the half-lines stand in order of angle. Arriving along one, the walk leaves along the
 * next one anticlockwise as seen, so it keeps its face on the right hand:
 *
 *        │ ▲            y grows downwards; faces come out clockwise as seen,
 *     ───┘ │  face      that is with a positive area, and each part's outside
 *     ◀────┘            comes out negative.
 */
export function facesOf(map: PlanarMap): MapFaces {
  const next = nextSides(map);
  const sweptBy = map.lines.map((line) => sweptArea(line.points));
  const seen = new Uint8Array(next.length);
  const inner: TracedRing[] = [];
  const outer: TracedRing[] = [];
  for (let start = 0; start < next.length; start++) {
    if (seen[start]) continue;
    const ring: number[] = [];
    let area = 0;
    for (let side = start; !seen[side]; side = intAt(next, side)) {
      seen[side] = 1;
      const swept = numberAt(sweptBy, side >> 1);
      area += side & 1 ? -swept : swept;
      ring.push(refOf(side));
    }
    (area > 0 ? inner : outer).push({ ring, area });
  }
  const part = partsOf(map);
  const partOf = (ring: readonly number[]) => part[lineAt(map, numberAt(ring, 0)).from];
  const holes: number[][][] = inner.map(() => []);
  const areas = inner.map((face) => face.area);
  // With one outside all is one part, and nothing lies in a hole of anything.
  const points = outer.length > 1 ? inner.map((face) => ringPoints(map, face.ring)) : [];
  const tree = points.length > 0 ? treeOf(points) : null;
  const outsides = outer.map(({ ring, area }) => {
    let parent: number | null = null;
    const [x, y] = pointAt(ringPoints(map, ring), 0);
    for (const k of tree?.search(x, y, x, y) ?? []) {
      const face = nth(inner, k);
      if (partOf(face.ring) === partOf(ring)) continue;
      if (parent !== null && nth(inner, parent).area <= face.area) continue;
      if (contains(nth(points, k), [x, y])) parent = k;
    }
    if (parent !== null) {
      nth(holes, parent).push(ring);
      areas[parent] = numberAt(areas, parent) + area;
    }
    return { ring, parent };
  });
  const faces = inner.map((face, k) => ({
    rings: [face.ring, ...nth(holes, k)],
    areaMm2: numberAt(areas, k),
  }));
  return { faces, outsides };
}

/** A closed walk along the sides of lines; its area is negative where it goes round the outside of a part. */
interface TracedRing {
  readonly ring: number[];
  readonly area: number;
}

// Within the trace the two sides of line i are 2i (forwards) and 2i + 1 (backwards), so that they fit typed arrays.
const refOf = (side: number): number => (side & 1 ? ~(side >> 1) : side >> 1);

/** The area between a line and the origin, so that a ring's area is the sum over its lines. */
function sweptArea(points: Ring): number {
  let twice = 0;
  let [px, py] = pointAt(points, 0);
  for (const [x, y] of points) {
    twice += px * y - x * py;
    [px, py] = [x, y];
  }
  return twice / 2;
}

function treeOf(rings: readonly Ring[]): Flatbush {
  const tree = new Flatbush(rings.length);
  for (const ring of rings) {
    const { minX, minY, maxX, maxY } = boxOf(ring);
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  return tree;
}

const lineAt = (map: PlanarMap, ref: number): MapLine => nth(map.lines, ref < 0 ? ~ref : ref);

/** For each side of each line the side on which a walk with its face on the right hand goes on. */
function nextSides(map: PlanarMap): Int32Array {
  const sides = 2 * map.lines.length;
  const ends: number[] = [];
  const angle = new Float64Array(sides);
  map.lines.forEach(({ from, to, points }, i) => {
    ends.push(from, to);
    angle[2 * i] = leavingAngle(points, 0, 1);
    angle[2 * i + 1] = leavingAngle(points, points.length - 1, points.length - 2);
  });
  const around = new Meetings(ends, map.nodes.length);
  const next = new Int32Array(sides);
  const leaving: number[] = [];
  for (let v = 0; v < map.nodes.length; v++) {
    leaving.length = 0;
    for (let k = 0; k < around.degree(v); k++) {
      const side = around.endAt(v, k);
      // Each is put where its angle belongs, since few lines meet at a node.
      let at = k;
      for (; at > 0 && floatAt(angle, numberAt(leaving, at - 1)) > floatAt(angle, side); at--)
        leaving[at] = numberAt(leaving, at - 1);
      leaving[at] = side;
    }
    // y is down, so rising atan2 turns clockwise as seen; the one before is the next anticlockwise.
    leaving.forEach((side, k) => {
      next[side ^ 1] = k > 0 ? numberAt(leaving, k - 1) : lastOf(leaving);
    });
  }
  return next;
}

function leavingAngle(points: Ring, at: number, towards: number): number {
  const [px, py] = pointAt(points, at);
  const [qx, qy] = pointAt(points, towards);
  return Math.atan2(qy - py, qx - px);
}

function partsOf(map: PlanarMap): Int32Array {
  const parent = Int32Array.from(map.nodes, (_, i) => i);
  const find = (i: number): number => {
    let root = i;
    while (parent[root] !== root) root = intAt(parent, root);
    while (parent[i] !== root) [parent[i], i] = [root, intAt(parent, i)];
    return root;
  };
  for (const { from, to } of map.lines) parent[find(from)] = find(to);
  return Int32Array.from(map.nodes, (_, i) => find(i));
}

/**
 * What must hold of every map: Euler's V − E + F = 1 + C (F with the unbounded face), every line has a
 * face or the outside on each hand, and the faces' areas add up to what the outsides enclose.
 * @returns sentences naming what does not hold; empty when all is well.
 */
export function checkMap(map: PlanarMap, traced: MapFaces = facesOf(map)): string[] {
  const wrong: string[] = [];
  const parts = new Set(partsOf(map)).size;
  const euler = map.nodes.length - map.lines.length + traced.faces.length + 1;
  if (euler !== 1 + parts) wrong.push(`V − E + F is ${euler}, not ${1 + parts}`);
  const uses = new Int32Array(2 * map.lines.length);
  const use = (ring: readonly number[]) => {
    for (const ref of ring) {
      const side = ref < 0 ? 2 * ~ref + 1 : 2 * ref;
      uses[side] = intAt(uses, side) + 1;
    }
  };
  for (const { rings } of traced.faces) rings.forEach(use);
  for (const { ring, parent } of traced.outsides) if (parent === null) use(ring);
  for (let i = 0; i < map.lines.length; i++) {
    if (uses[2 * i] !== 1 || uses[2 * i + 1] !== 1) wrong.push(`line ${i} does not have exactly one side each way`);
  }
  const pieces = traced.faces.reduce((sum, face) => sum + face.areaMm2, 0);
  const enclosed = traced.outsides
    .filter((o) => o.parent === null)
    .reduce((sum, o) => sum - signedArea(ringPoints(map, o.ring)), 0);
  if (Math.abs(pieces - enclosed) > 1e-6 * Math.max(1, enclosed)) {
    wrong.push(`pieces add up to ${pieces} mm², the outline encloses ${enclosed} mm²`);
  }
  return wrong;
}
