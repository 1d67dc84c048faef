import type { JointKind } from '../../../cartoon/index.ts';
import type { LineAllowance } from '../../../sizing/index.ts';
import type { JointId, PieceId } from '../../../units/index.ts';
import type { Piece } from '../../tables.ts';
import type { SavePanel } from '../savePanel/act.ts';
import type { DrawingOrigin } from './origins.ts';

export type Measured = Pick<
  Piece,
  'number' | 'label' | 'areaMm2' | 'perimeterMm' | 'widthMm' | 'heightMm' | 'difficulty'
>;

export interface DrawnPiece extends Measured {
  readonly id: PieceId;
  readonly isNew: boolean;
  /** Its cut outline is not what it was. */
  readonly changed: boolean;
  /** It reaches beyond what it was: glass cut before is too small. */
  readonly grew: boolean;
  /** Of a new one: the glass that it is to be of, where it is drawn after another panel's. */
  readonly glassId?: string;
  readonly backGlassId?: string;
  readonly flowDeg?: number;
}

export interface DrawnJoint {
  readonly id: JointId;
  readonly number: number;
  readonly kind: JointKind;
  readonly isNew: boolean;
  /** It stands elsewhere now: solder on it is undone. */
  readonly moved: boolean;
}

/** What a panel needs of an accepted drawing; the drawing itself is kept whole beside the log, under `cartoonId`. */
export interface AcceptDrawing {
  readonly panelId: string;
  readonly cartoonId: string;
  /** The drawing that it was made from or held against; null for the first one. Another one in force makes it stale. */
  readonly follows: string | null;
  readonly sourceName: string;
  readonly origin: DrawingOrigin;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly freeId: number;
  readonly pieceCount: number;
  readonly jointCount: number;
  /** New ones, and those whose number, word or outline changed; all others stay as they are. */
  readonly pieces: readonly DrawnPiece[];
  readonly gone: readonly PieceId[];
  readonly joints: readonly DrawnJoint[];
  readonly jointsGone: readonly JointId[];
  /** Numbers of pieces whose glass is cut and which the user lets go all the same. */
  readonly letGo: readonly number[];
  /** What the panel is to be with it, where one wish says both: measured and drawn, or a new light of a set. */
  readonly panel?: SavePanel;
}
