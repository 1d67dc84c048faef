import { count, MS_PER_MINUTE, showNumbers } from '../../../units/index.ts';
import { refuse, type Act } from '../../act.ts';
import type { StepCode, StepDefinition } from '../../routes/definition.ts';
import { backStep, BEGINS, routeOf, spokenCode, stageIndex, stepOf, wantsBack, wayOf } from '../../routes/route.ts';
import { called, idsThen, named, pickPieces, pieceNumbered, type AskedPieces, type NamedPieces } from '../picked.ts';

export interface AdvancePieces extends AskedPieces {
  readonly to: StepCode;
}

export interface PiecesAdvanced extends NamedPieces {
  readonly to: StepCode;
  /** The step's word on the panel's route. */
  readonly word: string;
  /** What they have to wait for from here on. */
  readonly wait: { readonly name: string; readonly minutes: number } | null;
}

/** Cut pieces move on. Those already there or further stay; those not cut yet are a refusal, not a guess. */
export const advancePieces: Act<AdvancePieces, PiecesAdvanced> = {
  version: 3,
  formerly: [],
  undoIn: 'panel',
  reads: { pieces: ['number', 'drawn', 'stage', 'asks', 'tooSmall', 'backFrom'] },
  decide: (state, ask) => {
    const picked = pickPieces(state, ask);
    if ('refusal' in picked) return picked;
    const { route, pieces } = picked;
    const target = stageIndex(route, ask.to);
    const step = stepOf(route, ask.to);
    if (target < 2 || !step) return refuse('not-this-route', { name: step?.word ?? ask.to });
    const uncut = pieces.filter((p) => p.stage === BEGINS);
    if (uncut.length > 0) return refuse('not-cut', { numbers: uncut.map((p) => p.number) });
    const unasked = pieces.filter((p) => !wayOf(route, p).includes(step));
    if (unasked.length > 0) return refuse('not-this-route', { name: step.word, numbers: unasked.map((p) => p.number) });
    const moving = pieces.filter((p) => stageIndex(route, p.stage) < target);
    if (moving.length === 0) return refuse('nothing-to-do', { numbers: ask.numbers, name: step.word });
    const small = moving.filter((p) => p.tooSmall);
    if (small.length > 0) return refuse('too-small', { numbers: small.map((p) => p.number) });
    const halves = moving.filter((p) => {
      const back = backStep(route);
      return back && stageIndex(route, back.code) <= target && wantsBack(route, p);
    });
    if (halves.length > 0) return refuse('back-not-cut', { numbers: halves.map((p) => p.number) });
    return { fact: { ...named(ask.panelId, moving), to: ask.to, word: step.word, wait: waitAt(step) } };
  },
  apply: (draft, { panelId, pieces, numbers, to, wait }, { at, seq }) => {
    for (const id of pieces) draft.patch('pieces', id, { stage: to });
    if (wait === null) return;
    const until = at + wait.minutes * MS_PER_MINUTE;
    draft.put('waits', { id: `${seq}`, panelId, pieces, numbers, name: wait.name, from: at, until, isOver: false });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ numbers, word }) => `${called(numbers)} ${word}`,
  effect: ({ panelId, numbers, to }, state) => {
    const panel = state.get('panels', panelId);
    if (!panel) return '';
    const route = routeOf(state, panel);
    const word = (code: StepCode) => stepOf(route, code)?.word ?? code;
    const rows = numbers.flatMap((n) => pieceNumbered(state, panelId, n) ?? []);
    const moving = rows.filter((p) => stageIndex(route, p.stage) < stageIndex(route, to));
    const staying = rows.filter((p) => !moving.includes(p)).map((p) => p.number);
    const from = [...new Set(moving.map((p) => word(p.stage)))].join(' or ');
    const stay = staying.length ? ` · ${showNumbers(staying, 6)} ${staying.length === 1 ? 'stays' : 'stay'}` : '';
    const goes = moving.length === 1 ? 'goes' : 'go';
    return `${count(moving.length, 'piece')}: ${showNumbers(
      moving.map((p) => p.number),
      8,
    )} ${goes} from ${from} to ${word(to)}${stay}`;
  },
  upcasts: {
    1: ({ panelId, numbers, to }: AdvancePieces, { state }): PiecesAdvancedV2 => ({
      panelId,
      numbers,
      pieces: idsThen(state, panelId, numbers),
      to,
      word: spokenCode(to),
    }),
    2: (old: PiecesAdvancedV2): PiecesAdvanced => ({ ...old, wait: null }),
  },
};

/** Before steps of pieces had waits of their own. */
type PiecesAdvancedV2 = Omit<PiecesAdvanced, 'wait'>;

const waitAt = ({ waitMin, waitName, word }: StepDefinition): PiecesAdvanced['wait'] =>
  waitMin > 0 ? { name: waitName ?? word, minutes: waitMin } : null;
