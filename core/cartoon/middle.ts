import { CAPACITY, TOLERANCE } from '../limits/index.ts';
import { lastOf, intAt, wordAt, numberAt, pointAt, seededRandom } from '../units/index.ts';
import { Delaunay } from 'd3-delaunay';
import { perimeter, thinLine, UNITS_PER_MM, VertexGrid, type Point, type Ring } from '../geometry/index.ts';
import { chainLines } from './chains.ts';
import type { DrawnLine } from './read/types.ts';
import { straightenJoints } from './trueJoints.ts';

/** Samples stand this many to the width of the channel: its middle then wavers by 1/128 of that width at most. */
const SAMPLES_TO_A_WIDTH = 4;
const LEAST_STEP_MM = 0.04;
/**
 * Samples on straight banks lie in circles by the thousand, where a triangulation turns edges for ever (6.5 s for 72,000
 * of twelve squares). Moved by so little at random they don't (0.4 s), and the middle wavers by half of it.
 */
const SHAKEN_MM = 0.001;

/** One bank of a channel: the border of one region, told apart from the others by its label. */
export interface Bank {
  readonly ring: Ring;
  readonly label: number;
}

/**
 * The lines that run in the middle between banks of different labels, where these are at most `mostMm` apart.
 *
 * Points are set along the banks; an edge of their Voronoi diagram (dual of Delaunay's triangulation) between two
 * points of different labels is a stretch of the middle:
 *
 *      A ·  ·  ·  ·  ·          Both ends of an edge are centres of circles through three points, shared
 *     ───────────────────       with the edges beside it, so the stretches join without a gap, and three
 *      B ·  ·  ·  ·  ·          channels meet in one node.
 *
 * @param widthMm how wide the channel is on the whole
 * @param thinnedMm how far the lines may be from the middle for having fewer points
 * @returns open lines from joint to joint
 */
export function middleLines(
  banks: readonly Bank[],
  widthMm: number,
  mostMm: number,
  thinnedMm = Math.max(TOLERANCE.flatnessMm, widthMm / 100),
): DrawnLine[] {
  const length = banks.reduce((sum, { ring }) => sum + perimeter(ring), 0);
  const step = Math.max(LEAST_STEP_MM, widthMm / SAMPLES_TO_A_WIDTH, length / CAPACITY.middleSamples);
  const xy: number[] = [];
  const labels: number[] = [];
  const random = seededRandom(1);
  const shaken = (mm: number): number => mm + (random() - 0.5) * SHAKEN_MM;
  for (const { ring, label } of banks) {
    for (const [x, y] of sampled(ring, step)) {
      xy.push(shaken(x), shaken(y));
      labels.push(label);
    }
  }
  if (labels.length < 3) return [];
  const { triangles, halfedges } = new Delaunay(Float64Array.from(xy));
  const grid = new VertexGrid();
  const centres = new Int32Array(triangles.length / 3).fill(-1);
  const centre = (triangle: number): number => {
    if (intAt(centres, triangle) < 0) {
      const [x, y] = circumcentre(xy, triangles, triangle);
      centres[triangle] = grid.at(x * UNITS_PER_MM, y * UNITS_PER_MM);
    }
    return intAt(centres, triangle);
  };
  const ends: number[] = [];
  for (let e = 0; e < halfedges.length; e++) {
    const opposite = intAt(halfedges, e);
    if (opposite >= 0 && opposite < e) continue;
    const a = wordAt(triangles, e);
    const b = wordAt(triangles, e % 3 === 2 ? e - 2 : e + 1);
    if (labels[a] === labels[b]) continue;
    const [ax, ay, bx, by] = [
      numberAt(xy, 2 * a),
      numberAt(xy, 2 * a + 1),
      numberAt(xy, 2 * b),
      numberAt(xy, 2 * b + 1),
    ];
    const apart = Math.hypot(bx - ax, by - ay);
    if (apart > mostMm || apart === 0) continue;
    const [mx, my] = [(ax + bx) / 2, (ay + by) / 2];
    // Where a channel opens to the outside the middle would run on for ever: it goes a channel's width further.
    const out = (vertex: number): number => {
      const [dx, dy] = [
        numberAt(grid.xy, 2 * vertex) / UNITS_PER_MM - mx,
        numberAt(grid.xy, 2 * vertex + 1) / UNITS_PER_MM - my,
      ];
      const far = Math.hypot(dx, dy);
      if (far <= mostMm) return vertex;
      return grid.at((mx + (dx * mostMm) / far) * UNITS_PER_MM, (my + (dy * mostMm) / far) * UNITS_PER_MM);
    };
    const from = out(centre(Math.floor(e / 3)));
    const to =
      opposite >= 0
        ? out(centre(Math.floor(opposite / 3)))
        : grid.at(
            (mx - ((by - ay) * mostMm) / apart) * UNITS_PER_MM,
            (my + ((bx - ax) * mostMm) / apart) * UNITS_PER_MM,
          );
    if (from !== to) ends.push(from, to);
  }
  return straightenJoints(chainLines(grid, ends), widthMm).map((points) => ({
    points: isLoop(points) ? points : thinLine(points, thinnedMm),
    closed: false,
  }));
}

const isLoop = (points: Ring): boolean => {
  const [first, last] = [pointAt(points, 0), lastOf(points)];
  return first[0] === last[0] && first[1] === last[1];
};

function* sampled(ring: Ring, step: number): Generator<Point> {
  for (let i = 0; i < ring.length; i++) {
    const [ax, ay] = pointAt(ring, i);
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    const n = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / step));
    for (let k = 0; k < n; k++) yield [ax + ((bx - ax) * k) / n, ay + ((by - ay) * k) / n];
  }
}

function circumcentre(xy: readonly number[], triangles: Uint32Array, t: number): Point {
  const [a, b, c] = [wordAt(triangles, 3 * t), wordAt(triangles, 3 * t + 1), wordAt(triangles, 3 * t + 2)];
  const [ax, ay] = [numberAt(xy, 2 * a), numberAt(xy, 2 * a + 1)];
  const dx = numberAt(xy, 2 * b) - ax;
  const dy = numberAt(xy, 2 * b + 1) - ay;
  const ex = numberAt(xy, 2 * c) - ax;
  const ey = numberAt(xy, 2 * c + 1) - ay;
  const [bl, cl] = [dx * dx + dy * dy, ex * ex + ey * ey];
  const twice = 2 * (dx * ey - dy * ex);
  if (Math.abs(twice) < 1e-12) return [ax + dx / 2, ay + dy / 2];
  return [ax + (ey * bl - dy * cl) / twice, ay + (dx * cl - ex * bl) / twice];
}
