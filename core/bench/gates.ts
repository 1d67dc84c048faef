import { boxOf, centroid, signedArea, type Point, type Ring } from '../geometry/index.ts';
import type { CutPiece } from '../sizing/index.ts';
import { isRough, type Glass } from '../stock/index.ts';
import type { Route } from './routes/route.ts';
import { isInHand, stepOf } from './routes/route.ts';
import type { Piece } from './tables.ts';

/** What goes wrong before pieces are built in, and is not seen until it is soldered. */
export type GateCheck =
  | { readonly code: 'texture-side'; readonly numbers: readonly number[] }
  | { readonly code: 'has-a-top'; readonly numbers: readonly number[] }
  | { readonly code: 'alike'; readonly numbers: readonly number[] }
  | { readonly code: 'recheck'; readonly numbers: readonly number[] }
  | { readonly code: 'flow-unsaid'; readonly numbers: readonly number[] }
  | { readonly code: 'rough-to-cement'; readonly numbers: readonly number[] }
  | { readonly code: 'painted-to-cement'; readonly numbers: readonly number[] };

type GatePiece = Pick<Piece, 'number' | 'stage' | 'glassId' | 'flowDeg' | 'recheck'>;

/** Two outlines that differ by no more than this are taken for each other at the bench, mm; from memory. */
const TAKEN_FOR_MM = 1.2;
/** Points of an outline that are compared. */
const SPOKES = 72;

/** What to look at before a leaded panel is cemented: where cement keeps in the glass, and what a brush would take off. */
export function cementChecks(
  pieces: readonly Pick<Piece, 'number' | 'glassId' | 'asks'>[],
  glasses: ReadonlyMap<string, Pick<Glass, 'texture'>>,
): GateCheck[] {
  const numbersOf = (list: typeof pieces) => list.map(({ number }) => number).sort((a, b) => a - b);
  const rough = numbersOf(
    pieces.filter(({ glassId }) => {
      const glass = glasses.get(glassId ?? '');
      return glass !== undefined && isRough(glass.texture);
    }),
  );
  const painted = numbersOf(pieces.filter(({ asks }) => asks.some((step) => step !== 'plated')));
  return [
    ...(rough.length > 0 ? [{ code: 'rough-to-cement' as const, numbers: rough }] : []),
    ...(painted.length > 0 ? [{ code: 'painted-to-cement' as const, numbers: painted }] : []),
  ];
}

/**
 * What to look at before pieces get their foil or their lead: which have a rough side that has to face one way, which can
 * be put in upside down without anybody noticing although their glass runs one way, which of different glass can be taken
 * for each other, which were drawn anew.
 * @param pieces those in hand that are not built in yet are looked at
 */
export function gateChecks(
  pieces: readonly GatePiece[],
  cuts: readonly CutPiece[],
  glasses: ReadonlyMap<string, Glass>,
  route: Route,
): GateCheck[] {
  const waiting = pieces.filter((p) => isInHand(p) && !isBuilt(route, p.stage));
  const shapes = new Map(
    cuts.flatMap(({ number, rings }) => {
      const outer = rings.find((ring) => signedArea(ring) > 0);
      return outer ? [[number, spokes(outer)] as const] : [];
    }),
  );
  const glassOf = (p: GatePiece) => glasses.get(p.glassId ?? '');
  const isTurnable = ({ number }: GatePiece) => {
    const shape = shapes.get(number);
    return shape !== undefined && isTakenFor(shape, shape, SPOKES / 2);
  };
  const some = (code: GateCheck['code'], list: readonly GatePiece[]): GateCheck[] =>
    list.length === 0 ? [] : [{ code, numbers: list.map((p) => p.number).sort((a, b) => a - b) }];
  const alike = waiting.filter((p) =>
    waiting.some((other) => {
      if (other === p || other.glassId === p.glassId) return false;
      const [a, b] = [shapes.get(p.number), shapes.get(other.number)];
      return a !== undefined && b !== undefined && isTakenFor(a, b, 0);
    }),
  );
  return [
    ...some(
      'texture-side',
      waiting.filter((p) => {
        const glass = glassOf(p);
        return glass !== undefined && isRough(glass.texture);
      }),
    ),
    ...some(
      'has-a-top',
      waiting.filter((p) => glassOf(p)?.flow === true && p.flowDeg !== null && isTurnable(p)),
    ),
    ...some(
      'flow-unsaid',
      waiting.filter((p) => glassOf(p)?.flow === true && p.flowDeg === null),
    ),
    ...some('alike', alike),
    ...some(
      'recheck',
      waiting.filter((p) => p.recheck),
    ),
  ];
}

/** Whether pieces at this stage have their foil or their lead. */
const isBuilt = (route: Route, stage: string): boolean => {
  const look = stepOf(route, stage)?.look;
  return look === 'copper' || look === 'leaded';
};

/** How far an outline reaches from its middle, by direction, mm. */
function spokes(ring: Ring): number[] {
  const [cx, cy] = centroid([ring]);
  const { minX, minY, maxX, maxY } = boxOf(ring);
  const far = Math.hypot(maxX - minX, maxY - minY);
  return Array.from({ length: SPOKES }, (_, i) => {
    const turn = (2 * Math.PI * i) / SPOKES;
    return reach(ring, [cx, cy], [Math.cos(turn), Math.sin(turn)], far);
  });
}

/** Where a ray from a point leaves a ring for the last time. */
function reach(ring: Ring, [cx, cy]: Point, [dx, dy]: Point, far: number): number {
  let furthest = 0;
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length] ?? [ax, ay];
    const [ex, ey] = [bx - ax, by - ay];
    const det = dx * -ey + ex * dy;
    if (Math.abs(det) < 1e-12) return;
    const t = ((ax - cx) * -ey + ex * (ay - cy)) / det;
    const u = (dx * (ay - cy) - dy * (ax - cx)) / det;
    if (t >= 0 && u >= -1e-9 && u <= 1 + 1e-9) furthest = Math.max(furthest, Math.min(t, far));
  });
  return furthest;
}

/** Whether two outlines are as good as the same, one of them turned by so many spokes. */
const isTakenFor = (a: readonly number[], b: readonly number[], turned: number): boolean =>
  a.every((mm, i) => Math.abs(mm - (b[(i + turned) % SPOKES] ?? 0)) <= TAKEN_FOR_MM);
