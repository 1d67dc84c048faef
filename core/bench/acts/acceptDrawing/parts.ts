import { lastingId, type JointId, type PieceId } from '../../../units/index.ts';
import type { Reader } from '../../tables.ts';
import type { AcceptDrawing, DrawnJoint, DrawnPiece } from './ask.ts';

/** Pieces of the drawing in force that the next one does not have. */
export function piecesGone(
  state: Reader,
  panelId: string,
  pieces: readonly Pick<DrawnPiece, 'id'>[],
): readonly DrawnPiece['id'][] {
  const there = new Set(pieces.map((p) => p.id));
  return [...state.ask('piecesOfPanel', panelId)]
    .map((p) => idIn<DrawnPiece['id']>(p.id))
    .filter((id) => !there.has(id));
}

/** Joints of a drawing that are new, not called or made as before, or stand elsewhere, and those that are gone. */
export function jointsBetween(
  state: Reader,
  panelId: string,
  joints: readonly Pick<DrawnJoint, 'id' | 'number' | 'kind'>[],
  moved: ReadonlySet<DrawnJoint['id']>,
): Pick<AcceptDrawing, 'joints' | 'jointsGone'> {
  const before = new Map([...state.ask('jointsOfPanel', panelId)].map((j) => [idIn<DrawnJoint['id']>(j.id), j]));
  const there = new Set(joints.map((j) => j.id));
  return {
    joints: joints.flatMap(({ id, number, kind }) => {
      const old = before.get(id);
      const isSame = old !== undefined && old.number === number && old.kind === kind && !moved.has(id);
      return isSame ? [] : [{ id, number, kind, isNew: !old, moved: moved.has(id) }];
    }),
    jointsGone: [...before.keys()].filter((id) => !there.has(id)),
  };
}

/** The lasting id at the end of a row's name. */
const idIn = <Id extends PieceId | JointId>(rowId: string): Id =>
  lastingId<Id>(Number(rowId.slice(rowId.lastIndexOf('/') + 1)));
