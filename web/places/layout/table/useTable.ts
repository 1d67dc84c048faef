import { useMemo, useState } from 'react';
import { BEGINS } from '#core/bench';
import { boxOf, signedArea, type Point, type Ring } from '#core/geometry';
import { breakOut, faultsOfLaying, laidOutBy, sheetOf, type LayoutPiece } from '#core/layout';
import { wantedFlow, type Glass } from '#core/stock';
import type { PanelView } from '../../../panel/view.ts';
import type { PieceRow, StockRow } from '../../../state/studio.ts';
import { firstTurn, outlineAt, poseOfSpot, spotOfPose, type Pose } from './pose.ts';

/** A piece of the glass on the table that is still to be cut. */
export interface Pattern {
  readonly row: PieceRow;
  /** Outer ring of its cut outline on the panel. */
  readonly outline: Ring;
}

export type Poses = ReadonlyMap<number, Pose>;

/** Patterns on one sheet: what lies where, what was moved, what is wrong with it, and the breaks that take it out. */
export function useTable(view: PanelView, item: StockRow, glass: Glass) {
  const patterns = useMemo(() => patternsOf(view, glass.id), [view, glass.id]);
  const kept = useMemo(() => keptPoses(patterns, item.id), [patterns, item.id]);
  const [moved, setMoved] = useState<ReadonlyMap<number, Pose | null>>(new Map());
  const poses = useMemo((): Poses => {
    const now = new Map(kept);
    for (const [number, pose] of moved) {
      if (pose === null) now.delete(number);
      else now.set(number, pose);
    }
    return now;
  }, [kept, moved]);
  const sheet = useMemo(() => sheetOf(item, glass), [item, glass]);
  const by = useMemo(() => laidOutBy(view.limits), [view.limits]);
  const judged = useMemo(() => {
    const lying = patterns.flatMap(({ row, outline }) => {
      const pose = poses.get(row.number);
      if (!pose) return [];
      const id = String(row.number);
      const piece: LayoutPiece = {
        id,
        outline,
        flowDeg: wantedFlow(glass, row.flowDeg),
        flowToleranceDeg: by.flowToleranceDeg,
        turnOver: pose.turnedOver,
      };
      const { turnedOver, rotationDeg } = pose;
      return [
        {
          piece,
          placement: { pieceId: id, sheetId: item.id, rotationDeg, turnedOver, outline: outlineAt(outline, pose) },
        },
      ];
    });
    const faults = faultsOfLaying(by, sheet, lying);
    const laid = lying.map(({ placement }) => ({ id: placement.pieceId, outline: placement.outline }));
    return { faults, out: breakOut(sheet.outline, laid, by.marginMm, by.keepMm) };
  }, [patterns, poses, sheet, glass, item.id, by]);

  const put = (number: number, pose: Pose | null) => setMoved((before) => new Map(before).set(number, pose));
  return {
    patterns,
    poses,
    sheet,
    ...judged,
    isMoved: moved.size > 0,
    put,
    /** Lays a pattern down where it is in nobody's way, as near to it as a look round finds. */
    layDown: ({ row }: Pattern, turnedOver: boolean) =>
      put(row.number, {
        at: freePlace(sheet.outline, [...poses.values()]),
        ...firstTurn(wantedFlow(glass, row.flowDeg), turnedOver),
      }),
    reset: () => setMoved(new Map()),
    /** What is kept: all that lies here; what was moved is laid by hand. */
    toKeep: () => ({
      stockId: item.id,
      breaks: 'breaks' in judged.out ? judged.out.breaks : null,
      pieces: patterns.flatMap(({ row, outline }) => {
        const pose = poses.get(row.number);
        if (!pose) return [];
        const byHand = moved.has(row.number) || row.spot?.byHand === true;
        return [{ number: row.number, byHand, ...spotOfPose(outline, pose) }];
      }),
    }),
    lifted: [...moved].flatMap(([number, pose]) => (pose === null && kept.has(number) ? [number] : [])),
  };
}

export type Table = ReturnType<typeof useTable>;

function patternsOf({ pieces, answer }: PanelView, glassId: string): Pattern[] {
  const cuts = new Map(answer?.cuts.map((cut) => [cut.number, cut]));
  return pieces.flatMap((row) => {
    const outline = cuts.get(row.number)?.rings.find((ring) => signedArea(ring) > 0);
    return row.stage === BEGINS && row.glassId === glassId && outline ? [{ row, outline }] : [];
  });
}

const keptPoses = (patterns: readonly Pattern[], stockId: string): Poses =>
  new Map(
    patterns.flatMap(({ row, outline }) =>
      row.spot?.stockId === stockId ? [[row.number, poseOfSpot(outline, row.spot)] as const] : [],
    ),
  );

/** How many places across a sheet are looked at for one that is free. */
const PLACES = 8;

/** The place on a sheet that is farthest from what lies there. */
function freePlace(outline: Ring, poses: readonly Pose[]): Point {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  let best: Point = [(minX + maxX) / 2, (minY + maxY) / 2];
  if (poses.length === 0) return best;
  let farthest = -1;
  for (let i = 1; i < PLACES; i++) {
    for (let j = 1; j < PLACES; j++) {
      const at: Point = [minX + ((maxX - minX) * i) / PLACES, minY + ((maxY - minY) * j) / PLACES];
      const edge = Math.min(at[0] - minX, maxX - at[0], at[1] - minY, maxY - at[1]) * 1.6;
      const mm = Math.min(edge, ...poses.map((pose) => Math.hypot(pose.at[0] - at[0], pose.at[1] - at[1])));
      if (mm > farthest) [best, farthest] = [at, mm];
    }
  }
  return best;
}
