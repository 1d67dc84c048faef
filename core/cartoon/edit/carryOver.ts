import { TOLERANCE } from '../../limits/index.ts';
import { pathLength, type Point } from '../../geometry/index.ts';
import { nth, type JointId, type LineId, type PieceId, pointAt, lastingId } from '../../units/index.ts';
import { lineSearch } from '../lineSearch.ts';
import type { Cartoon, Joint } from '../types.ts';
import type { Continued } from './match.ts';

/** Something of the new drawing: `from` is what it continues or was cut off from; null where it is altogether new. */
export interface Carried<Id> {
  readonly id: Id;
  readonly from: Id | null;
}

/**
 * What became of pieces, lines and joints between two versions of a drawing, in the order of the new one. Whoever hangs
 * something on the drawing follows this and matches nothing by place or number. What goes on keeps its id
 * (`from === id`); of a line that was divided the longest part does, and the others name it in `from`.
 */
export interface CarryOver {
  readonly pieces: readonly Carried<PieceId>[];
  readonly lines: readonly Carried<LineId>[];
  readonly joints: readonly Carried<JointId>[];
  /** Joints that go on, but stand elsewhere: what was soldered there holds no more. */
  readonly movedJoints: readonly JointId[];
  readonly gone: {
    readonly pieces: readonly PieceId[];
    readonly lines: readonly LineId[];
    readonly joints: readonly JointId[];
  };
}

export interface How {
  /** For each new piece, in its order, which old one it continues (by its old number). */
  readonly continued: readonly Continued[];
  /** Lines are the same ones in the same order: the drawing was only moved, stretched or numbered anew. */
  readonly linesStay: boolean;
  /** What has to be added to a point of the new drawing to lay it over the old one, mm. */
  readonly shift?: Point;
  /** Where a point of the old drawing lies in the new one, where that is more than a shift. */
  readonly move?: (old: Point) => Point;
  /** No id below this one is given: other drawings of the panel may have had it. */
  readonly freeId: number;
}

/** Gives the parts of a new drawing the ids of what they continue, and says what became of all. */
export function carryOver(old: Cartoon, next: Cartoon, how: How): { cartoon: Cartoon; carry: CarryOver } {
  let freeId = Math.max(old.freeId, how.freeId);
  const fresh = <Id extends PieceId | LineId | JointId>(): Id => lastingId<Id>(freeId++);
  const idOf = new Map(old.pieces.map((p) => [p.number, p.id]));
  const pieces = how.continued.map(({ was }): Carried<PieceId> => {
    const from = was === null ? null : (idOf.get(was) ?? null);
    return { id: from ?? fresh(), from };
  });
  const shift = how.shift ?? [0, 0];
  const lines = how.linesStay ? kept(old.lineIds) : carriedLines(old, next, shift, fresh<LineId>);
  const renamed = next.pieces.map((piece, i) => ({ ...piece, id: nth(pieces, i).id }));
  const move = how.move ?? (([x, y]: Point): Point => [x - shift[0], y - shift[1]]);
  const { joints, movedJoints } = carriedJoints(old, { ...next, pieces: renamed }, move, fresh<JointId>);
  const profiles = old.profiles && inherited(old, lines);
  return {
    cartoon: {
      ...next,
      pieces: renamed,
      lineIds: lines.map((l) => l.id),
      joints: next.joints.map((joint, i) => ({ ...joint, id: nth(joints, i).id })),
      freeId,
      ...(next.profiles || profiles ? { profiles: next.profiles ?? profiles } : {}),
    },
    carry: {
      pieces,
      lines,
      joints,
      movedJoints,
      gone: {
        pieces: missing(
          old.pieces.map((p) => p.id),
          pieces,
        ),
        lines: missing(old.lineIds, lines),
        joints: missing(
          old.joints.map((j) => j.id),
          joints,
        ),
      },
    },
  };
}

/** A drawing that follows no other one. Its ids begin at `freeId` where a panel has used the ones below. */
export function begun(next: Cartoon, freeId = 1): { cartoon: Cartoon; carry: CarryOver } {
  const by = Math.max(0, freeId - 1);
  const moved = <Id extends PieceId | LineId | JointId>(id: Id): Id => lastingId<Id>(id + by);
  const cartoon: Cartoon =
    by === 0
      ? next
      : {
          ...next,
          pieces: next.pieces.map((p) => ({ ...p, id: moved(p.id) })),
          joints: next.joints.map((j) => ({ ...j, id: moved(j.id) })),
          lineIds: next.lineIds.map(moved),
          freeId: next.freeId + by,
        };
  const all = <Id>(ids: readonly Id[]): Carried<Id>[] => ids.map((id) => ({ id, from: null }));
  return {
    cartoon,
    carry: {
      pieces: all(cartoon.pieces.map((p) => p.id)),
      lines: all(cartoon.lineIds),
      joints: all(cartoon.joints.map((j) => j.id)),
      movedJoints: [],
      gone: { pieces: [], lines: [], joints: [] },
    },
  };
}

const kept = <Id>(ids: readonly Id[]): Carried<Id>[] => ids.map((id) => ({ id, from: id }));

function missing<Id>(before: readonly Id[], now: readonly Carried<Id>[]): Id[] {
  const there = new Set(now.map((c) => c.id));
  return before.filter((id) => !there.has(id));
}

/** What single lines take up goes on with them, and with each part of a divided one. */
function inherited(old: Cartoon, lines: readonly Carried<LineId>[]): (string | null)[] {
  const profileOf = new Map(old.lineIds.map((id, i) => [id, old.profiles?.[i] ?? null]));
  return lines.map(({ from }) => (from === null ? null : (profileOf.get(from) ?? null)));
}

/** Each line continues the old one that runs through its middle; of several on one, the longest keeps its id. */
function carriedLines(old: Cartoon, next: Cartoon, [dx, dy]: Point, fresh: () => LineId): Carried<LineId>[] {
  const lineAt = lineSearch(old.map);
  const under = next.map.lines.map(({ points }) => {
    const k = Math.max(1, points.length >> 1);
    const [a, b] = [pointAt(points, k - 1), pointAt(points, k)];
    const index = lineAt([(a[0] + b[0]) / 2 + dx, (a[1] + b[1]) / 2 + dy], TOLERANCE.sameLineMm)?.line ?? null;
    return index === null ? null : nth(old.lineIds, index);
  });
  const length = (i: number) => pathLength(nth(next.map.lines, i).points);
  const longest = new Map<LineId, number>();
  under.forEach((id, i) => {
    const best = id === null ? undefined : longest.get(id);
    if (id !== null && (best === undefined || length(i) > length(best))) longest.set(id, i);
  });
  return under.map((from, i) => ({ id: from !== null && longest.get(from) === i ? from : fresh(), from }));
}

/** A joint goes on where it stood; one that was moved further, as the only one left between the same pieces. */
function carriedJoints(
  old: Cartoon,
  next: Cartoon,
  move: (old: Point) => Point,
  fresh: () => JointId,
): Pick<CarryOver, 'joints' | 'movedJoints'> {
  const cell = (x: number, y: number) =>
    `${Math.round(x / TOLERANCE.sameJointMm)},${Math.round(y / TOLERANCE.sameJointMm)}`;
  const moved = old.joints.map((joint) => ({ joint, at: move(joint.at) }));
  const byCell = groupedBy(moved, ({ at }) => cell(...at));
  const pairs: { joint: number; old: Joint; mm: number }[] = [];
  next.joints.forEach(({ at: [x, y] }, joint) => {
    for (const i of [-1, 0, 1])
      for (const j of [-1, 0, 1])
        for (const was of byCell.get(cell(x + i * TOLERANCE.sameJointMm, y + j * TOLERANCE.sameJointMm)) ?? []) {
          const mm = Math.hypot(was.at[0] - x, was.at[1] - y);
          if (mm <= TOLERANCE.sameJointMm) pairs.push({ joint, old: was.joint, mm });
        }
  });
  pairs.sort((a, b) => a.mm - b.mm);
  const found = new Map<number, JointId>();
  const taken = new Set<JointId>();
  const take = (joint: number, id: JointId) => {
    if (found.has(joint) || taken.has(id)) return;
    found.set(joint, id);
    taken.add(id);
  };
  for (const pair of pairs) take(pair.joint, pair.old.id);
  const around = (cartoon: Cartoon) => {
    const idOf = new Map(cartoon.pieces.map((p) => [p.number, p.id]));
    return (joint: Joint) =>
      `${joint.kind}:${joint.pieces
        .map((n) => idOf.get(n))
        .sort()
        .join()}`;
  };
  const left = groupedBy(
    old.joints.filter((j) => !taken.has(j.id)),
    around(old),
  );
  const open = groupedBy(
    next.joints.flatMap((joint, i) => (found.has(i) ? [] : [{ ...joint, i }])),
    around(next),
  );
  const movedJoints: JointId[] = [];
  for (const [key, [one, ...more]] of open) {
    const [was, ...others] = left.get(key) ?? [];
    if (!one || !was || more.length > 0 || others.length > 0) continue;
    take(one.i, was.id);
    movedJoints.push(was.id);
  }
  const joints = next.joints.map((_, i): Carried<JointId> => {
    const from = found.get(i) ?? null;
    return { id: from ?? fresh(), from };
  });
  return { joints, movedJoints };
}

function groupedBy<T>(items: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
