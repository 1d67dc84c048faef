import { count, type PieceId } from '../../../units/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import { BEGINS } from '../../routes/route.ts';
import {
  glassAreaOf,
  jointRowId,
  pieceRowId,
  type JointRowId,
  type PanelRow,
  type PieceRow,
  type PieceRowId,
  type Reader,
} from '../../tables.ts';
import { lift, lyingOf, type LaidId } from '../laid.ts';
import { called, piecesCalled } from '../picked.ts';
import { panelSaved, writePanel, type PanelSaved } from '../savePanel/act.ts';
import type { AcceptDrawing, DrawnJoint, Measured } from './ask.ts';
import { ORIGINS } from './origins.ts';
import { acceptedFromV1, type AcceptCartoonV1 } from './upcast.ts';

export interface PieceAccepted extends Measured {
  readonly id: PieceRowId;
  readonly isNew: boolean;
  /** Its glass was cut to another outline: to be held against this one. */
  readonly recheck: boolean;
  readonly tooSmall: boolean;
  /** Of its glass, where that was cut to another outline. */
  readonly glassMm2: number | null;
  /** Of a new one that is drawn after another panel's piece. */
  readonly glassId?: string;
  readonly backGlassId?: string;
  readonly flowDeg?: number;
}

/** What the drawing has no more; `stays` where its row is kept since something tells of it. */
export interface Gone<Id> {
  readonly id: Id;
  readonly stays: boolean;
}

export interface DrawingAccepted extends Omit<AcceptDrawing, 'pieces' | 'gone' | 'joints' | 'jointsGone' | 'panel'> {
  readonly pieces: readonly PieceAccepted[];
  readonly gone: readonly Gone<PieceRowId>[];
  readonly joints: readonly (Omit<DrawnJoint, 'id'> & { readonly id: JointRowId })[];
  readonly jointsGone: readonly Gone<JointRowId>[];
  readonly panel: PanelSaved | null;
  /** Pieces that were laid out on sheets and are gone, or have another outline now. */
  readonly lifted: readonly LaidId[];
}

/** What the drawing asks of glass that was cut before it. */
function pushedWords({ pieces }: Pick<DrawingAccepted, 'pieces'>): string {
  const numbers = (which: (piece: PieceAccepted) => boolean) => pieces.filter(which).map((p) => p.number);
  const tooSmall = numbers((p) => p.tooSmall);
  const recheck = numbers((p) => p.recheck && !p.tooSmall);
  return [
    ...(tooSmall.length > 0 ? [`; ${called(tooSmall)} too small for it now`] : []),
    ...(recheck.length > 0 ? [`; ${called(recheck)} to be held against it`] : []),
  ].join('');
}

/**
 * A drawing takes the place of the one before it. Pieces that are the same keep glass, state and history; one whose
 * glass is cut and whose outline changed is marked to be held against the new outline.
 */
export const acceptDrawing: Act<AcceptDrawing, DrawingAccepted> = {
  version: 4,
  formerly: ['cartoon'],
  undoIn: 'panel',
  // A drawing that came in goes with all that was done to it.
  isLarge: ({ origin }) => origin === 'import',
  reads: {
    panels: ['cartoonId', 'allowance', 'technique'],
    pieces: ['number', 'drawn', 'stage', 'recuts', 'recheck', 'locked', 'areaMm2', 'glassMm2', 'tooSmall'],
    joints: ['number', 'drawn'],
  },
  decide: (state, ask) => {
    const panel = ask.panel ? panelSaved(state, ask.panel) : null;
    if (panel && 'refusal' in panel) return panel;
    const old = state.get('panels', ask.panelId);
    if (!old && !panel) return refuse('unknown-panel');
    if (ask.pieceCount === 0) return refuse('no-pieces');
    if ((old?.cartoonId ?? null) !== ask.follows) return refuse('changed-since', { name: ask.panelId });
    const refused = old && refuseLost(state, old, ask);
    return refused ?? { fact: accepted(state, ask, panel) };
  },
  apply: (draft, fact) => {
    const { panelId } = fact;
    if (fact.panel) writePanel(draft, fact.panel);
    lift(draft, fact.lifted);
    for (const { id, stays } of fact.gone) {
      if (stays) draft.patch('pieces', id, { drawn: false });
      else draft.remove('pieces', id);
    }
    for (const { id, isNew, ...measured } of fact.pieces) {
      if (isNew) draft.put('pieces', { ...UNTOUCHED, ...measured, id, panelId });
      else draft.patch('pieces', id, measured);
    }
    for (const { id, stays } of fact.jointsGone) {
      if (stays) draft.patch('joints', id, { drawn: false });
      else draft.remove('joints', id);
    }
    for (const { id, isNew, moved, number, kind } of fact.joints) {
      if (isNew) draft.put('joints', { id, panelId, number, kind, drawn: true, ...UNSOLDERED });
      else draft.patch('joints', id, { number, kind, ...(moved ? UNSOLDERED : {}) });
    }
    const { cartoonId, sourceName, widthMm, heightMm, allowance, freeId, pieceCount, jointCount } = fact;
    draft.patch('panels', panelId, {
      cartoonId,
      sourceName,
      widthMm,
      heightMm,
      allowance,
      freeId,
      pieceCount,
      jointCount,
    });
  },
  panelOf: (fact) => fact.panelId,
  told: (fact) => {
    const { origin, sourceName, pieceCount, pieces, follows, gone } = fact;
    const pushed = pushedWords(fact);
    if (origin === 'import') {
      const fresh = pieces.filter((p) => p.isNew).length;
      const changes =
        follows === null ? '' : `${fresh > 0 ? `, ${fresh} new` : ''}${gone.length > 0 ? `, ${gone.length} gone` : ''}`;
      return `drawing ${sourceName} taken in: ${count(pieceCount, 'piece')}${changes}${pushed}`;
    }
    const few = pieces.length > 0 && pieces.length < FEW;
    return `${ORIGINS[origin].told}${few ? `: ${piecesCalled(pieces.map((p) => p.number))}` : ''}${pushed}`;
  },
  effect: NO_WORDS,
  upcasts: {
    1: (old: AcceptCartoonV1, context): DrawingAccepted => accepted(context.state, acceptedFromV1(old, context), null),
    2: (old: DrawingAcceptedV2): DrawingAcceptedV3 => ({
      ...old,
      pieces: old.pieces.map((piece) => ({ ...piece, tooSmall: false, glassMm2: null })),
    }),
    3: (old: DrawingAcceptedV3): DrawingAccepted => ({ ...old, lifted: [] }),
  },
};

type DrawingAcceptedV3 = Omit<DrawingAccepted, 'lifted'>;

interface DrawingAcceptedV2 extends Omit<DrawingAcceptedV3, 'pieces'> {
  readonly pieces: readonly Omit<PieceAccepted, 'tooSmall' | 'glassMm2'>[];
}

/** More pieces than these are not named in the history. */
const FEW = 30;

const UNSOLDERED = { frontAt: null, backAt: null } as const;

const UNTOUCHED = {
  drawn: true,
  glassId: null,
  stage: BEGINS,
  asks: [],
  broken: null,
  recuts: 0,
  from: null,
  backGlassId: null,
  backFrom: null,
  flowDeg: null,
  section: null,
  locked: false,
  spot: null,
  backSpot: null,
} as const;

/** Glass in hand is neither dropped in silence nor cut through by a change of lines. */
function refuseLost(state: Reader, panel: PanelRow, ask: AcceptDrawing): { refusal: Refusal } | null {
  const gone = new Set(ask.gone.map((id) => pieceRowId(panel.id, id)));
  const changed = new Set(ask.pieces.filter((p) => p.changed && !p.isNew).map((p) => pieceRowId(panel.id, p.id)));
  const { needsUncut } = ORIGINS[ask.origin];
  const lost: number[] = [];
  for (const piece of state.ask('piecesOfPanel', panel.id)) {
    if (piece.stage === BEGINS) continue;
    const isDropped = gone.has(piece.id) && !ask.letGo.includes(piece.number);
    if (isDropped || (needsUncut && (gone.has(piece.id) || changed.has(piece.id)))) lost.push(piece.number);
  }
  return lost.length > 0 ? refuse('has-work', { numbers: lost.sort((a, b) => a - b), name: panel.name }) : null;
}

function accepted(state: Reader, ask: AcceptDrawing, panel: PanelSaved | null): DrawingAccepted {
  const { panelId } = ask;
  const row = (id: PieceId) => state.get('pieces', pieceRowId(panelId, id));
  const { panel: _, ...rest } = ask;
  const lying = (id: PieceId): readonly LaidId[] => {
    const piece = row(id);
    return piece === undefined ? [] : lyingOf(piece);
  };
  const outlines = [...ask.pieces.filter((p) => p.changed).map((p) => p.id), ...ask.gone];
  return {
    ...rest,
    panel,
    lifted: outlines.flatMap(lying),
    pieces: ask.pieces.map(({ id, changed, grew, ...piece }) => {
      const old = piece.isNew ? undefined : row(id);
      const inHand = old !== undefined && old.stage !== BEGINS ? old : null;
      return {
        ...piece,
        id: pieceRowId(panelId, id),
        recheck: inHand !== null && (changed || inHand.recheck),
        tooSmall: inHand !== null && (grew || inHand.tooSmall),
        // Its area stays that of the glass in hand until it is cut anew.
        glassMm2: inHand && (changed ? glassAreaOf(inHand) : inHand.glassMm2),
      };
    }),
    gone: ask.gone.map((id) => ({ id: pieceRowId(panelId, id), stays: isTold(state, row(id)) })),
    joints: ask.joints.map((joint) => ({ ...joint, id: jointRowId(panelId, joint.id) })),
    jointsGone: ask.jointsGone.map((gone) => {
      const id = jointRowId(panelId, gone);
      const joint = state.get('joints', id);
      return { id, stays: joint !== undefined && (joint.frontAt !== null || joint.backAt !== null) };
    }),
  };
}

/** Glass in hand, a break, an entry of mishaps: the row of such a piece is kept. */
function isTold(state: Reader, piece: PieceRow | undefined): boolean {
  if (!piece) return false;
  return piece.stage !== BEGINS || piece.recuts > 0 || [...state.ask('mishapsOfPiece', piece.id)].length > 0;
}
