import type { CartoonAnswer } from '#contract';
import type { Cartoon, CartoonPiece } from '#core/cartoon';
import type { MapLine, Ring } from '#core/geometry';

/** What a picture of a panel is drawn from: path data worked out once for each drawing. */
export interface PanelPaths {
  readonly cartoon: Cartoon;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Region between centre-lines, and the glass as cut, by piece number. */
  readonly region: ReadonlyMap<number, string>;
  readonly glass: ReadonlyMap<number, string>;
  readonly pieces: ReadonlyMap<number, CartoonPiece>;
  readonly lines: readonly string[];
  /** Numbers of the pieces on either side of each line. */
  readonly sides: readonly (readonly number[])[];
  /** Joints at each piece's corners. */
  readonly jointsOf: ReadonlyMap<number, readonly number[]>;
}

const f = (value: number) => Math.round(value * 100) / 100;
const closed = (rings: readonly Ring[]): string =>
  rings.map((ring) => `M${ring.map(([x, y]) => `${f(x)} ${f(y)}`).join('L')}Z`).join('');
const open = (points: Ring): string => `M${points.map(([x, y]) => `${f(x)} ${f(y)}`).join('L')}`;

function regionRings(cartoon: Cartoon, piece: CartoonPiece): Ring[] {
  return piece.rings.map((ring) =>
    ring.flatMap((ref) => {
      const { points } = cartoon.map.lines[ref < 0 ? ~ref : ref] as MapLine;
      return ref >= 0 ? points.slice(0, -1) : [...points].reverse().slice(0, -1);
    }),
  );
}

const CACHE = new WeakMap<CartoonAnswer, PanelPaths>();

/** Path data of a drawing; the same answer gives the same object. */
export function panelPaths(answer: CartoonAnswer): PanelPaths {
  const cached = CACHE.get(answer);
  if (cached) return cached;
  const { cartoon, cuts } = answer;
  const sides: number[][] = cartoon.map.lines.map(() => []);
  for (const piece of cartoon.pieces)
    for (const ref of piece.rings.flat()) sides[ref < 0 ? ~ref : ref]?.push(piece.number);
  const jointsOf = new Map<number, number[]>();
  for (const joint of cartoon.joints)
    for (const n of joint.pieces) jointsOf.set(n, [...(jointsOf.get(n) ?? []), joint.id]);
  const { minX, minY, maxX, maxY } = cartoon.box;
  const paths: PanelPaths = {
    cartoon,
    sides,
    jointsOf,
    box: { x: minX, y: minY, width: maxX - minX, height: maxY - minY },
    region: new Map(cartoon.pieces.map((p) => [p.number, closed(regionRings(cartoon, p))])),
    glass: new Map(cuts.map((cut) => [cut.number, closed(cut.rings)])),
    pieces: new Map(cartoon.pieces.map((p) => [p.number, p])),
    lines: cartoon.map.lines.map((line) => open(line.points)),
  };
  CACHE.set(answer, paths);
  return paths;
}
