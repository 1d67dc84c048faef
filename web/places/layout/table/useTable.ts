import { useMemo, useState } from 'react';
import { glassLabel, stillToCut, type OneGlass } from '#core/bench';
import { boxOf, signedArea, type Point, type Ring } from '#core/geometry';
import { breakOut, faultsOfLaying, laidOutBy, sheetOf, type LayoutPiece } from '#core/layout';
import { wantedFlow, type Glass } from '#core/stock';
import type { PanelView } from '../../../panel/view.ts';
import type { StockRow } from '../../../state/studio.ts';
import { firstTurn, outlineAt, poseOfSpot, spotOfPose, type Pose } from './pose.ts';

/** Glass of the sheet on the table that is still to be cut. */
export interface Pattern extends Omit<OneGlass, 'id'> {
  /** As it is labelled. */
  readonly id: string;
  /** Outer ring of its cut outline on the panel. */
  readonly outline: Ring;
}

/** By the labels of the patterns. */
export type Poses = ReadonlyMap<string, Pose>;

/** Patterns on one sheet: what lies where, what was moved, what is wrong with it, and the breaks that take it out. */
export function useTable(view: PanelView, item: StockRow, glass: Glass) {
  const patterns = useMemo(() => patternsOf(view, glass.id), [view, glass.id]);
  const kept = useMemo(() => keptPoses(patterns, item.id), [patterns, item.id]);
  const [moved, setMoved] = useState<ReadonlyMap<string, Pose | null>>(new Map());
  const poses = useMemo((): Poses => {
    const now = new Map(kept);
    for (const [id, pose] of moved) {
      if (pose === null) now.delete(id);
      else now.set(id, pose);
    }
    return now;
  }, [kept, moved]);
  const sheet = useMemo(() => sheetOf(item, glass), [item, glass]);
  const by = useMemo(() => laidOutBy(view.limits), [view.limits]);
  const judged = useMemo(() => {
    const lying = patterns.flatMap(({ id, piece: { flowDeg }, outline }) => {
      const pose = poses.get(id);
      if (!pose) return [];
      const piece: LayoutPiece = {
        id,
        outline,
        flowDeg: wantedFlow(glass, flowDeg),
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

  const put = (id: string, pose: Pose | null) => setMoved((before) => new Map(before).set(id, pose));
  return {
    patterns,
    poses,
    sheet,
    ...judged,
    isMoved: moved.size > 0,
    put,
    /** Lays a pattern down where it is in nobody's way, as near to it as a look round finds. */
    layDown: ({ id, piece }: Pattern, turnedOver: boolean) =>
      put(id, {
        at: freePlace(sheet.outline, [...poses.values()]),
        ...firstTurn(wantedFlow(glass, piece.flowDeg), turnedOver),
      }),
    reset: () => setMoved(new Map()),
    /** What is kept: all that lies here; what was moved is laid by hand. */
    toKeep: () => ({
      stockId: item.id,
      breaks: 'breaks' in judged.out ? judged.out.breaks : null,
      pieces: patterns.flatMap(({ id, piece, of, spot, outline }) => {
        const pose = poses.get(id);
        if (!pose) return [];
        const byHand = moved.has(id) || spot?.byHand === true;
        return [{ number: piece.number, ...(of ? { of } : {}), byHand, ...spotOfPose(outline, pose) }];
      }),
    }),
    lifted: patterns.filter(({ id }) => moved.get(id) === null && kept.has(id)),
  };
}

export type Table = ReturnType<typeof useTable>;

function patternsOf({ panel: { route }, pieces, answer }: PanelView, glassId: string): Pattern[] {
  const cuts = new Map(answer?.cuts.map((cut) => [cut.number, cut]));
  return pieces.flatMap((row) => {
    const outline = cuts.get(row.number)?.rings.find((ring) => signedArea(ring) > 0);
    if (!outline) return [];
    const here = stillToCut(route, row).filter((one) => one.glassId === glassId);
    return here.map((one) => ({ ...one, id: glassLabel(route, one), outline }));
  });
}

const keptPoses = (patterns: readonly Pattern[], stockId: string): Poses =>
  new Map(
    patterns.flatMap(({ id, spot, outline }) =>
      spot?.stockId === stockId ? [[id, poseOfSpot(outline, spot)] as const] : [],
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
