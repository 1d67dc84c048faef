import type { Point, Ring } from '../geometry/index.ts';
import type { LayoutJob, LayoutPiece, LayoutSheet } from '../layout/index.ts';
import { areaOf, clip, hullOf, ringOf, shrunk, type Flat } from '../layout/convex.ts';
import { seededRandom } from '../units/index.ts';
import { rectangle } from './jigsaws.ts';

/** Jobs such as a studio has: panels of cells, lamp sides, diamonds, leaves, slips, with whole sheets and offcuts. */
export function studioJobs(): readonly { readonly name: string; readonly job: LayoutJob }[] {
  const random = seededRandom(99);
  const flow = (toleranceDeg: number) => () => ({
    flowDeg: Math.round(random() * 180),
    flowToleranceDeg: toleranceDeg,
  });
  const sheets = (n: number) => Array.from({ length: n }, (_, i) => rectangle(`S${i + 1}`, 600, 400));
  const offcuts: LayoutSheet[] = [
    { ...rectangle('O1', 220, 150), offcut: true },
    {
      ...rectangle('O2', 1, 1),
      offcut: true,
      outline: [
        [0, 0],
        [300, 20],
        [260, 180],
        [10, 160],
      ],
    },
    { ...rectangle('O3', 120, 400), offcut: true },
  ];
  const side: Ring = [
    [0, 0],
    [140, 0],
    [105, 170],
    [35, 170],
  ];
  const diamond: Ring = [
    [35, 0],
    [70, 55],
    [35, 110],
    [0, 55],
  ];
  const slip = (): Ring => {
    const [a, b] = [40 + 50 * random(), 40 + 50 * random()];
    return [
      [0, 0],
      [a, 0],
      [a * random(), b],
    ];
  };
  const leaf = (): Ring => {
    const [length, width] = [60 + 60 * random(), 20 + 20 * random()];
    return Array.from({ length: 20 }, (_, k): Point => {
      const t = (k / 20) * 2 * Math.PI;
      return [(length / 2) * Math.cos(t), (width / 2) * Math.sin(t) * (1 - 0.3 * Math.cos(t))];
    });
  };
  const many = (n: number, ring: () => Ring) => Array.from({ length: n }, ring);
  return [
    ['cells, any way', sheets(2), cells(40, 350, 350, 1), () => ({})],
    ['cells at one angle', sheets(2), cells(40, 350, 350, 2), flow(0)],
    ['cells within 15°', sheets(2), cells(60, 380, 420, 3), flow(15)],
    ['lamp sides', [rectangle('S1', 900, 600)], many(16, () => side), () => ({ flowDeg: 90, flowToleranceDeg: 15 })],
    ['diamonds', sheets(2), many(48, () => diamond), () => ({})],
    ['slips', sheets(1), many(40, slip), () => ({})],
    ['leaves', sheets(1), many(36, leaf), () => ({ flowDeg: 0, flowToleranceDeg: 15 })],
    ['a panel, offcuts', [...offcuts, ...sheets(3)], cells(80, 420, 640, 5), flow(15)],
    ['120 cells', sheets(4), cells(120, 620, 620, 7), () => ({ flowDeg: 90, flowToleranceDeg: 15 })],
  ].map(([name, on, rings, more]) => {
    const [outlines, wish] = [rings as Ring[], more as () => Partial<LayoutPiece>];
    return {
      name: name as string,
      job: {
        marginMm: 5,
        edgeMm: 6,
        keepMm: 60,
        sheets: on as LayoutSheet[],
        pieces: outlines.map((outline, i) => ({
          id: String(i + 1),
          outline,
          flowDeg: null,
          flowToleranceDeg: 0,
          turnOver: false,
          ...wish(),
        })),
      },
    };
  });
}

/** Cells of a panel: the places nearest to points strewn over it, once evened out (Lloyd 1982), less a foil's gap. */
export function cells(count: number, width: number, height: number, seed: number): Ring[] {
  const random = seededRandom(seed);
  let points = Array.from({ length: count }, (): Point => [random() * width, random() * height]);
  const around = (): Flat[] =>
    points.map(([x, y], i) =>
      points.reduce<Flat>(
        (poly, [a, b], j) => {
          if (i === j) return poly;
          const [dx, dy] = [a - x, b - y];
          const mm = Math.hypot(dx, dy);
          return clip(poly, dx / mm, dy / mm, ((dx * (a + x)) / 2 + (dy * (b + y)) / 2) / mm);
        },
        [0, 0, width, 0, width, height, 0, height],
      ),
    );
  points = around().map((cell) => {
    const corners = ringOf(cell);
    return [
      corners.reduce((sum, p) => sum + p[0], 0) / corners.length,
      corners.reduce((sum, p) => sum + p[1], 0) / corners.length,
    ] as const;
  });
  return around().map((cell) => ringOf(shrunk(cell, 0.4)));
}

/**
 * No answer uses more of its glass: the hulls grown by half a margin do not overlap and lie in the glass consumed, since
 * every break keeps half a margin off them (true where the edge strip is half a margin or more).
 */
export function mostUse({ pieces, marginMm }: LayoutJob): number {
  let glass = 0;
  let grown = 0;
  for (const { outline } of pieces) {
    const hull = hullOf(outline);
    const corners = ringOf(hull);
    const round = corners.reduce((sum, [x, y], i) => {
      const [bx, by] = corners[(i + 1) % corners.length] ?? [x, y];
      return sum + Math.hypot(bx - x, by - y);
    }, 0);
    glass += areaOf(hullOf(outline));
    grown += areaOf(hull) + (round * marginMm) / 2 + (Math.PI * marginMm * marginMm) / 4;
  }
  return glass / grown;
}
