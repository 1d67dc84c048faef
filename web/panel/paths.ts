import type { CartoonAnswer } from '#contract';
import type { Cartoon, CartoonPiece, Joint, Sketch } from '#core/cartoon';
import type { Point, Ring } from '#core/geometry';

/** Where a number is best written. */
type Place = Pick<CartoonPiece, 'labelAt' | 'labelRadiusMm'>;

/** What a picture of a panel is drawn from: path data worked out once for each drawing. */
export interface PicturePaths {
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Region between centre-lines, and the glass as cut, by piece number. */
  readonly region: ReadonlyMap<number, string>;
  readonly glass: ReadonlyMap<number, string>;
  /** All regions as one shape: the paper under the panel. */
  readonly sheet: string;
  readonly pieces: ReadonlyMap<number, Place>;
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

function ringsOf(lines: readonly Ring[], refs: CartoonPiece['rings']): Ring[] {
  return refs.map((ring) =>
    ring.flatMap((ref) => {
      const points = lines[ref < 0 ? ~ref : ref] ?? [];
      return ref >= 0 ? points.slice(0, -1) : [...points].reverse().slice(0, -1);
    }),
  );
}

function sidesOf(lines: number, pieces: readonly Pick<CartoonPiece, 'number' | 'rings'>[]): number[][] {
  const sides: number[][] = Array.from({ length: lines }, () => []);
  for (const piece of pieces) for (const ref of piece.rings.flat()) sides[ref < 0 ? ~ref : ref]?.push(piece.number);
  return sides;
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
  const region = new Map(cartoon.pieces.map((p) => [p.number, closed(ringsOf(lines, p.rings))]));
  const paths: PanelPaths = {
    cartoon,
    sides: sidesOf(lines.length, cartoon.pieces),
    joints: cartoon.joints,
    jointsOf,
    box: boxAs(cartoon.box),
    region,
    sheet: [...region.values()].join(''),
    glass: new Map(cuts.map((cut) => [cut.number, closed(cut.rings)])),
    pieces: new Map(cartoon.pieces.map((p) => [p.number, p])),
    lines: lines.map(open),
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
  const region = new Map(sketch.pieces.map((p) => [p.number, closed(ringsOf(lines, p.rings))]));
  const paths: PicturePaths = {
    box: boxAs(sketch.box),
    region,
    glass: region,
    sheet: [...region.values()].join(''),
    pieces: new Map(sketch.pieces.map((p) => [p.number, { labelAt: p.at, labelRadiusMm: p.labelRadiusMm }])),
    lines: lines.map(open),
    sides: sidesOf(lines.length, sketch.pieces),
    joints: sketch.joints,
    cartoon: null,
  };
  SKETCHES.set(sketch, paths);
  return paths;
}
