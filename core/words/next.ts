import {
  BEGINS,
  isBuiltIn,
  SIDES,
  stageIndex,
  stepsBeforePieces,
  stepThat,
  wayOf,
  type Panel,
  type Piece,
  type Route,
  type Side,
  type Standing,
  type StepCode,
  type StepDefinition,
} from '../bench/index.ts';
import { count, MS_PER_MINUTE, showNumbers, lastOf } from '../units/index.ts';

/** What is asked here of a panel: how far it is along its route. */
type Along = Pick<Standing, 'route' | 'steps'>;

/** The next thing to do on a panel; the words around `strong` make one sentence. */
export interface NextThing {
  readonly kind: 'measure' | 'draw' | 'glass' | 'recut' | 'too-small' | 'stage' | 'joints' | 'step' | 'done';
  readonly before: string;
  readonly strong: string;
  readonly after: string;
  readonly numbers: readonly number[];
  /** The step of pieces, or of the panel, that it is about. */
  readonly step?: StepDefinition;
}

/**
 * What a panel waits for: broken pieces first, since all waits for them; then the stage that most of the work
 * stands at; then joints that were missed; then the steps of the whole panel in order.
 */
export function nextThing(
  panel: Along & Pick<Panel, 'cartoonId' | 'jointCount'> & Pick<Standing, 'soldered'>,
  pieces: readonly PieceAlong[],
): NextThing {
  const thing = (
    kind: NextThing['kind'],
    before: string,
    strong: string,
    after = '',
    numbers: readonly number[] = [],
    more: Partial<NextThing> = {},
  ): NextThing => ({ kind, before, strong, after, numbers, ...more });
  if (panel.cartoonId === null || pieces.length === 0) return thing('draw', 'Bring in ', 'the drawing', '.');
  const broken = pieces.filter((p) => p.broken !== null).map((p) => p.number);
  if (broken.length > 0) return thing('recut', 'Recut ', showNumbers(broken, 8), ' first.', broken);
  const small = pieces.filter((p) => p.tooSmall).map((p) => p.number);
  if (small.length > 0)
    return thing('too-small', 'Cut anew ', showNumbers(small, 8), ': too small for the drawing now.', small);
  const { route } = panel;
  const [before] = stepsBeforePieces(route).filter((step) => panel.steps[step.code] === undefined);
  if (before) return thing('step', 'Now ', lowered(before.verb), '.', [], { step: before });
  const open = pieces.filter((p) => !isBuiltIn(route, p));
  if (open.length > 0) {
    const bare = open.filter((p) => p.glassId === null && p.stage === BEGINS).map((p) => p.number);
    if (bare.length === pieces.length)
      return thing('glass', 'Choose ', 'the glass', ` of ${count(bare.length, 'piece')}.`, bare);
    const { step, numbers } = fullestStep(
      route,
      open.filter((p) => p.glassId !== null || p.stage !== BEGINS),
    );
    const named = `: ${showNumbers(numbers, 8)}.`;
    return thing('stage', `${step.verb} `, count(numbers.length, 'piece'), named, numbers, { step });
  }
  for (const side of SIDES) {
    const found = nextJoints(panel, side);
    if (!found) continue;
    const { step, left } = found;
    if (left.length < panel.jointCount)
      return thing(
        'joints',
        'Solder ',
        count(left.length, 'open joint'),
        ` on the ${side}: ${showNumbers(left, 8)}.`,
        [],
        {
          step,
        },
      );
    return thing('step', 'Now ', lowered(step.verb), '.', [], { step });
  }
  const step = nextStep(panel);
  if (!step) return thing('done', 'Delivered; ', 'nothing is left to do', '.');
  return thing('step', 'Now ', lowered(step.verb), step.mayBeLeftOut ? ', or leave it out.' : '.', [], { step });
}

/** What is asked here of a piece. */
export type PieceAlong = Pick<Piece, 'number' | 'stage' | 'asks' | 'glassId' | 'tooSmall'> & {
  /** Why it broke, or just that it did. */
  readonly broken: string | null;
};

const lowered = (verb: string): string => verb.replace(/^./, (c) => c.toLowerCase());

/** The step that most of the open pieces go to next, each along its own way. */
function fullestStep(route: Route, open: readonly PieceAlong[]): { step: StepDefinition; numbers: number[] } {
  const byStep = new Map<StepDefinition, number[]>();
  for (const piece of open) {
    const way = wayOf(route, piece);
    const step = way[way.findIndex((s) => s.code === piece.stage) + 1] ?? lastOf(way);
    const numbers = byStep.get(step);
    if (numbers) numbers.push(piece.number);
    else byStep.set(step, [piece.number]);
  }
  // Of steps with as many pieces the earlier one, which the others wait for.
  const inOrder = [...byStep].sort(([a], [b]) => stageIndex(route, a.code) - stageIndex(route, b.code));
  const [step, numbers] = inOrder.reduce((best, one) => (one[1].length > best[1].length ? one : best));
  return { step, numbers: numbers.sort((a, b) => a - b) };
}

/** The joints left on a side whose step is not done; null where all are, or where the route solders no joints. */
function nextJoints(
  panel: Along & Pick<Panel, 'jointCount'> & Pick<Standing, 'soldered'>,
  side: Side,
): { step: StepDefinition; left: number[] } | null {
  const step = stepThat(panel.route, side === 'front' ? 'solders-front' : 'solders-back');
  if (!step) return null;
  const done = new Set(panel.soldered[side]);
  const left = Array.from({ length: panel.jointCount }, (_, i) => i + 1).filter((j) => !done.has(j));
  return left.length > 0 ? { step, left } : null;
}

const isDelivered = ({ route, steps }: Along): boolean => {
  const last = stepThat(route, 'delivers');
  return last !== undefined && steps[last.code] !== undefined;
};

/** The first step not done after the last one that is; null when the panel is delivered. */
export function nextStep(panel: Along): StepDefinition | null {
  if (isDelivered(panel)) return null;
  const { panelSteps } = panel.route;
  const last = panelSteps.reduce((at, step, i) => (panel.steps[step.code] !== undefined ? i : at), -1);
  return panelSteps[last + 1] ?? null;
}

/** The wait that a panel is in, if its last step has to set: what sets, and until when. */
export function waitOf(panel: Along, now: number): { step: StepCode; name: string; until: number } | null {
  if (isDelivered(panel)) return null;
  const waits = panel.route.panelSteps.flatMap(({ code, waitMin, waitName }) => {
    const at = panel.steps[code];
    return at === undefined || waitMin === 0
      ? []
      : [{ step: code, name: waitName ?? code, until: at + waitMin * MS_PER_MINUTE }];
  });
  return waits.filter(({ until }) => until > now).sort((a, b) => b.until - a.until)[0] ?? null;
}

/** Pieces by step, in the order of the route: `31 to cut · 18 cut · 14 ground`. */
export function tallyOf({
  route,
  counts,
}: Pick<Standing, 'route' | 'counts'>): { step: StepDefinition; count: number }[] {
  return route.pieceSteps
    .map((step) => ({ step, count: counts.stages[step.code] ?? 0 }))
    .filter(({ step, count: n }) => n > 0 || !step.onlyAsked);
}

/** How a panel stands, in one line: `13 to cut · 27 cut · 3 recut`; with its joints where they are looked at. */
export function standingWords(
  panel: Pick<Standing, 'route' | 'counts' | 'soldered' | 'jointCount'>,
  recuts: number,
  withJoints: boolean,
): string {
  const { front, back } = panel.soldered;
  return [
    ...tallyOf(panel)
      .filter((t) => t.count > 0)
      .map((t) => `${t.count} ${t.step.word}`),
    ...(withJoints ? [`joints soldered: front ${front.length}, back ${back.length} of ${panel.jointCount}`] : []),
    ...(recuts > 0 ? [`${recuts} recut`] : []),
  ].join(' · ');
}

/** The steps of the panel weigh this much of the whole way (from memory). */
const PANEL_SHARE = 0.25;

/** How far a panel is, 0 to 1: pieces by steps passed, then the steps of the whole, which weigh a quarter. */
export function progressOf(panel: Along & Pick<Standing, 'counts' | 'pieceCount'>): number {
  const { route, counts, pieceCount, steps } = panel;
  if (pieceCount === 0) return 0;
  // What only some pieces go through does not make the way of all of them longer.
  const last = route.pieceSteps.filter((step) => !step.onlyAsked).length - 1;
  let at = -1;
  const passed = route.pieceSteps.reduce((sum, step) => {
    if (!step.onlyAsked) at++;
    return sum + at * (counts.stages[step.code] ?? 0);
  }, 0);
  const done = isDelivered(panel)
    ? 1
    : route.panelSteps.filter((s) => steps[s.code] !== undefined).length / route.panelSteps.length;
  return (1 - PANEL_SHARE) * (passed / (last * pieceCount)) + PANEL_SHARE * done;
}
