import Flatbush from 'flatbush';
import { boxOf, contains, signedArea, type Point, type Ring } from './ring.ts';

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
    const line = (map.lines[ref < 0 ? ~ref : ref] as MapLine).points;
    if (ref >= 0) for (let i = 0; i + 1 < line.length; i++) points.push(line[i] as Point);
    else for (let i = line.length - 1; i > 0; i--) points.push(line[i] as Point);
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
  const next = nextRefs(map);
  const seen = new Set<number>();
  const inner: { ring: number[]; points: Point[]; area: number }[] = [];
  const outer: { ring: number[]; points: Point[]; area: number }[] = [];
  for (let i = 0; i < map.lines.length; i++) {
    for (const start of [i, ~i]) {
      if (seen.has(start)) continue;
      const ring: number[] = [];
      for (let ref = start; !seen.has(ref); ref = next.get(ref) as number) {
        seen.add(ref);
        ring.push(ref);
      }
      const points = ringPoints(map, ring);
      const area = signedArea(points);
      (area > 0 ? inner : outer).push({ ring, points, area });
    }
  }
  const part = partsOf(map);
  const partOf = (ring: readonly number[]) => part[lineAt(map, ring[0] as number).from];
  const holes: number[][][] = inner.map(() => []);
  const areas = inner.map((face) => face.area);
  const tree = outer.length > 1 && inner.length > 0 ? treeOf(inner.map((face) => face.points)) : null;
  const outsides = outer.map(({ ring, points, area }) => {
    let parent: number | null = null;
    const [x, y] = points[0] as Point;
    for (const k of tree?.search(x, y, x, y) ?? []) {
      const face = inner[k] as (typeof inner)[number];
      if (partOf(face.ring) === partOf(ring)) continue;
      if (parent !== null && (inner[parent] as { area: number }).area <= face.area) continue;
      if (contains(face.points, [x, y])) parent = k;
    }
    if (parent !== null) {
      (holes[parent] as number[][]).push(ring);
      areas[parent] = (areas[parent] as number) + area;
    }
    return { ring, parent };
  });
  const faces = inner.map((face, k) => ({
    rings: [face.ring, ...(holes[k] as number[][])],
    areaMm2: areas[k] as number,
  }));
  return { faces, outsides };
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

const lineAt = (map: PlanarMap, ref: number): MapLine => map.lines[ref < 0 ? ~ref : ref] as MapLine;

function nextRefs(map: PlanarMap): Map<number, number> {
  const leaving: { ref: number; angle: number }[][] = map.nodes.map(() => []);
  map.lines.forEach((line, i) => {
    const at = (p: number, q: number) => {
      const [ax, ay] = line.points[p] as Point;
      const [bx, by] = line.points[q] as Point;
      return Math.atan2(by - ay, bx - ax);
    };
    const last = line.points.length - 1;
    leaving[line.from]?.push({ ref: i, angle: at(0, 1) });
    leaving[line.to]?.push({ ref: ~i, angle: at(last, last - 1) });
  });
  const next = new Map<number, number>();
  for (const around of leaving) {
    around.sort((p, q) => p.angle - q.angle);
    // y is down, so rising atan2 turns clockwise as seen; the one before is the next anticlockwise.
    around.forEach(({ ref }, k) =>
      next.set(~ref, (around[(k + around.length - 1) % around.length] as { ref: number }).ref),
    );
  }
  return next;
}

function partsOf(map: PlanarMap): Int32Array {
  const parent = Int32Array.from(map.nodes, (_, i) => i);
  const find = (i: number): number => {
    let root = i;
    while (parent[root] !== root) root = parent[root] as number;
    while (parent[i] !== root) [parent[i], i] = [root, parent[i] as number];
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
  const uses = new Map<number, number>();
  for (const ring of [
    ...traced.faces.flatMap((f) => f.rings),
    ...traced.outsides.filter((o) => o.parent === null).map((o) => o.ring),
  ]) {
    for (const ref of ring) uses.set(ref, (uses.get(ref) ?? 0) + 1);
  }
  for (let i = 0; i < map.lines.length; i++) {
    if (uses.get(i) !== 1 || uses.get(~i) !== 1) wrong.push(`line ${i} does not have exactly one side each way`);
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
