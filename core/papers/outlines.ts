import { boxOf, insetRegion, poleOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { glassesOf } from './glassesOf.ts';
import type { PaperGlass, PaperPanel } from './types.ts';

export interface OutlineOptions {
  /** Width of what the tool takes away, mm: outlines grow by half of it, so that the pattern comes out at its size. */
  readonly kerfMm: number;
  /** As they lie on the panel, or in rows by glass. */
  readonly arranged: 'panel' | 'rows';
}

/** The cut outlines of one glass, on a layer of their own. */
export interface OutlineLayer {
  readonly name: string;
  readonly glass: PaperGlass | null;
  readonly pieces: readonly {
    /** `12`, `12b`. */
    readonly name: string;
    readonly rings: readonly Ring[];
    readonly labelAt: Point;
    readonly labelMm: number;
  }[];
}

interface Outline {
  readonly number: number;
  readonly name: string;
  readonly rings: readonly Ring[];
}

const ROW_MM = 600;
const BETWEEN_MM = 5;
const MOST_LABEL_MM = 8;

/** Cut outlines for a plotter or a paper cutter, one layer a glass, mm, y down. */
export function outlineLayers({ cuts, pieces }: PaperPanel, { kerfMm, arranged }: OutlineOptions): OutlineLayer[] {
  const pieceOf = new Map(pieces.map((piece) => [piece.number, piece]));
  const byCode = new Map<string, { glass: PaperGlass | null; list: Outline[] }>();
  for (const { number, rings } of cuts) {
    if (rings.length === 0) continue;
    const piece = pieceOf.get(number);
    const own = kerfMm === 0 ? [...rings] : insetRegion(rings, -kerfMm / 2);
    for (const { name, glass } of piece ? glassesOf(piece) : [{ name: String(number), glass: null }]) {
      const group = byCode.get(glass?.code ?? '') ?? { glass, list: [] };
      group.list.push({ number, name, rings: own });
      byCode.set(glass?.code ?? '', group);
    }
  }
  const groups = [...byCode].sort(([a], [b]) =>
    a === '' ? 1 : b === '' ? -1 : a.localeCompare(b, 'en', { numeric: true }),
  );
  const row = { x: 0, y: 0, high: 0 };
  return groups.map(([code, { glass, list }]): OutlineLayer => {
    const laid = arranged === 'panel' ? list : inRows(list, row);
    return {
      name: code === '' ? 'no glass' : code,
      glass,
      pieces: laid.map(({ name, rings }) => {
        const outer = rings.find((ring) => signedArea(ring) > 0) ?? rings[0] ?? [];
        const { at, distanceMm } = poleOf([outer], 0.5);
        return { name, rings, labelAt: at, labelMm: Math.min(MOST_LABEL_MM, distanceMm * 0.9) };
      }),
    };
  });
}

/** Beside each other, the tallest first; each glass begins a row. */
function inRows(list: readonly Outline[], row: { x: number; y: number; high: number }): Outline[] {
  const sized = list.map((one) => ({ ...one, reaches: boxOf(one.rings.flat()) }));
  sized.sort((a, b) => b.reaches.maxY - b.reaches.minY - (a.reaches.maxY - a.reaches.minY) || a.number - b.number);
  const next = () => Object.assign(row, { x: 0, y: row.y + row.high + (row.high > 0 ? BETWEEN_MM : 0), high: 0 });
  next();
  return sized.map(({ number, name, rings, reaches }) => {
    const [wide, high] = [reaches.maxX - reaches.minX, reaches.maxY - reaches.minY];
    if (row.x > 0 && row.x + wide > ROW_MM) next();
    const [dx, dy] = [row.x - reaches.minX, row.y - reaches.minY];
    Object.assign(row, { x: row.x + wide + BETWEEN_MM, high: Math.max(row.high, high) });
    return { number, name, rings: rings.map((ring) => ring.map(([x, y]): Point => [x + dx, y + dy])) };
  });
}
