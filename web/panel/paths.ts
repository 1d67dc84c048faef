import type { CartoonAnswer } from '#contract';
import type { Cartoon, CartoonPiece, Joint, Sketch } from '#core/cartoon';
import type { Point, Ring } from '#core/geometry';
import type { Outline } from '../material/scene.ts';

/** Where a number is best written. */
type Place = Pick<CartoonPiece, 'labelAt' | 'labelRadiusMm'>;

/** What a picture of a panel is drawn from, worked out once for each drawing. */
export interface PicturePaths {
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Region between centre-lines, and the glass as cut, by piece number. */
  readonly region: Outlines;
  readonly glass: Outlines;
  readonly pieces: ReadonlyMap<number, Place>;
  /** Path data. */
  readonly lines: readonly string[];
  /** Numbers of the pieces on either side of each line. */
  readonly sides: readonly (readonly number[])[];
  readonly joints: readonly Pick<Joint, 'number' | 'at' | 'pieces'>[];
  /** Null in a small picture, where every came is as wide as the others. */
  readonly cartoon: Cartoon | null;
}

/** … and what the desk and the bench need beside it. */
export interface PanelPaths extends PicturePaths {
  readonly cartoon: Cartoon;
  readonly pieces: ReadonlyMap<number, CartoonPiece>;
  /** Joints at each piece's corners. */
  readonly jointsOf: ReadonlyMap<number, readonly number[]>;
}

const f = (value: number) => Math.round(value * 100) / 100;
export const closed = (rings: readonly Ring[]): string =>
  rings.map((ring) => `M${ring.map(([x, y]) => `${f(x)} ${f(y)}`).join('L')}Z`).join('');
export const open = (points: readonly Point[]): string => `M${points.map(([x, y]) => `${f(x)} ${f(y)}`).join('L')}`;

/** Outlines by piece number: as the painter reads them, and as path data, which is worked out for those asked for alone. */
export class Outlines {
  readonly #rings: ReadonlyMap<number, Outline>;
  readonly #data = new Map<number, string>();

  constructor(rings: Iterable<readonly [number, Outline]>) {
    this.#rings = new Map(rings);
  }

  ringsOf(number: number): Outline {
    return this.#rings.get(number) ?? [];
  }

  /** Path data of a piece, undefined where it has no outline. */
  get(number: number): string | undefined {
    const known = this.#data.get(number);
    if (known !== undefined) return known;
    const data = this.#rings.get(number)?.map(dataOf).join('');
    if (data !== undefined) this.#data.set(number, data);
    return data;
  }

  /** Path data of some of the pieces as one shape; of all without a question. */
  shape(isWanted: (number: number) => boolean = () => true): string {
    return [...this.#rings.keys()].map((number) => (isWanted(number) ? this.get(number) : '')).join('');
  }
}

function dataOf(ring: Float32Array): string {
  let data = '';
  for (let i = 0; i + 1 < ring.length; i += 2)
    data += `${i === 0 ? 'M' : 'L'}${f(ring[i] ?? 0)} ${f(ring[i + 1] ?? 0)}`;
  return `${data}Z`;
}

const flat = (ring: Ring): Float32Array => Float32Array.from(ring.flat());

/** The closed rings of pieces from the lines round them. */
const regionsOf = (lines: readonly Ring[], pieces: readonly Pick<CartoonPiece, 'number' | 'rings'>[]): Outlines =>
  new Outlines(pieces.map(({ number, rings }) => [number, rings.map((ring) => along(lines, ring))]));

/** Along lines one after the other, each without its last point: the next one begins there. */
function along(lines: readonly Ring[], refs: readonly number[]): Float32Array {
  const at = (ref: number) => lines[ref < 0 ? ~ref : ref] ?? [];
  const ring = new Float32Array(2 * refs.reduce((sum, ref) => sum + Math.max(0, at(ref).length - 1), 0));
  let i = 0;
  for (const ref of refs) {
    const line = at(ref);
    const last = line.length - 1;
    for (let k = 0; k < last; k++) {
      const [x = 0, y = 0] = line[ref < 0 ? last - k : k] ?? [];
      ring[i++] = x;
      ring[i++] = y;
    }
  }
  return ring;
}

function sidesOf(lines: number, pieces: readonly Pick<CartoonPiece, 'number' | 'rings'>[]): number[][] {
  const sides: number[][] = Array.from({ length: lines }, () => []);
  for (const piece of pieces) for (const ref of piece.rings.flat()) sides[ref < 0 ? ~ref : ref]?.push(piece.number);
  return sides;
}

/** Path data of lines, once somebody asks for it. */
function dataOnce(lines: readonly Ring[]): () => readonly string[] {
  let data: readonly string[] | undefined;
  return () => (data ??= lines.map(open));
}

const boxAs = ({ minX, minY, maxX, maxY }: Cartoon['box']) => ({
  x: minX,
  y: minY,
  width: maxX - minX,
  height: maxY - minY,
});

const CACHE = new WeakMap<CartoonAnswer, PanelPaths>();

/** Path data of a drawing; the same answer gives the same object. */
export function panelPaths(answer: CartoonAnswer): PanelPaths {
  const cached = CACHE.get(answer);
  if (cached) return cached;
  const { cartoon, cuts } = answer;
  const lines = cartoon.map.lines.map((line) => line.points);
  const jointsOf = new Map<number, number[]>();
  for (const joint of cartoon.joints)
    for (const n of joint.pieces) jointsOf.set(n, [...(jointsOf.get(n) ?? []), joint.number]);
  const data = dataOnce(lines);
  const paths: PanelPaths = {
    cartoon,
    sides: sidesOf(lines.length, cartoon.pieces),
    joints: cartoon.joints,
    jointsOf,
    box: boxAs(cartoon.box),
    region: regionsOf(lines, cartoon.pieces),
    glass: new Outlines(cuts.map((cut) => [cut.number, cut.rings.map(flat)])),
    pieces: new Map(cartoon.pieces.map((p) => [p.number, p])),
    get lines() {
      return data();
    },
  };
  CACHE.set(answer, paths);
  return paths;
}

const SKETCHES = new WeakMap<Sketch, PicturePaths>();

/** The same of a small picture: the glass is drawn as its region, which is half a millimetre larger. */
export function sketchPaths(sketch: Sketch): PicturePaths {
  const cached = SKETCHES.get(sketch);
  if (cached) return cached;
  const lines = sketch.lines.map((flat) =>
    Array.from({ length: flat.length / 2 }, (_, i): Point => [(flat[2 * i] ?? 0) / 10, (flat[2 * i + 1] ?? 0) / 10]),
  );
  const region = regionsOf(lines, sketch.pieces);
  const data = dataOnce(lines);
  const paths: PicturePaths = {
    box: boxAs(sketch.box),
    region,
    glass: region,
    pieces: new Map(sketch.pieces.map((p) => [p.number, { labelAt: p.at, labelRadiusMm: p.labelRadiusMm }])),
    get lines() {
      return data();
    },
    sides: sidesOf(lines.length, sketch.pieces),
    joints: sketch.joints,
    cartoon: null,
  };
  SKETCHES.set(sketch, paths);
  return paths;
}
