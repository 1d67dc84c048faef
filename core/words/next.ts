import {
  lastStage,
  OPTIONAL_STEPS,
  PANEL_STEPS,
  ROUTES,
  stageIndex,
  STEP_WAIT_MIN,
  type Panel,
  type PanelStep,
  type Piece,
  type Stage,
} from '../bench/index.ts';
import { count, MS_PER_MINUTE, showNumbers } from '../units/index.ts';
import { STAGE_VERBS, STEP_WORDS } from './terms.ts';

/** The next thing to do on a panel; the words around `strong` make one sentence. */
export interface NextThing {
  readonly kind: 'measure' | 'draw' | 'glass' | 'recut' | 'stage' | 'joints' | 'step' | 'done';
  readonly before: string;
  readonly strong: string;
  readonly after: string;
  readonly numbers: readonly number[];
  readonly stage?: Stage;
  readonly step?: PanelStep;
}

/**
 * What a panel waits for: broken pieces first, since all waits for them; then the stage that most of the work
 * stands at; then joints that were missed; then the steps of the whole panel in order.
 */
export function nextThing(panel: Panel, pieces: readonly Piece[]): NextThing {
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
  const open = pieces.filter((p) => p.stage !== lastStage(panel.technique));
  if (open.length > 0) {
    const bare = open.filter((p) => p.glassId === null && p.stage === 'to-cut').map((p) => p.number);
    if (bare.length === pieces.length)
      return thing('glass', 'Choose ', 'the glass', ` of ${count(bare.length, 'piece')}.`, bare);
    const route = ROUTES[panel.technique];
    const byStage = route.map((stage) =>
      open.filter((p) => p.stage === stage && !(stage === 'to-cut' && p.glassId === null)).map((p) => p.number),
    );
    const fullest = byStage.reduce((best, list, i) => (list.length > (byStage[best] as number[]).length ? i : best), 0);
    const numbers = (byStage[fullest] as number[]).sort((a, b) => a - b);
    const stage = route[fullest + 1] as Stage;
    return thing(
      'stage',
      `${STAGE_VERBS[stage]} `,
      count(numbers.length, 'piece'),
      `: ${showNumbers(numbers, 8)}.`,
      numbers,
      { stage },
    );
  }
  for (const side of ['front', 'back'] as const) {
    const done = new Set(panel.soldered[side]);
    const left = Array.from({ length: panel.jointCount }, (_, i) => i + 1).filter((j) => !done.has(j));
    if (done.size > 0 && left.length > 0)
      return thing('joints', 'Solder ', count(left.length, 'open joint'), ` on the ${side}: ${showNumbers(left, 8)}.`);
    if (left.length > 0)
      return thing('step', 'Now ', STEP_WORDS[`solder-${side}`], '.', [], { step: `solder-${side}` });
  }
  const step = nextStep(panel);
  if (!step) return thing('done', 'Delivered; ', 'nothing is left to do', '.');
  return thing('step', 'Now ', STEP_WORDS[step], OPTIONAL_STEPS.has(step) ? ', or leave it out.' : '.', [], { step });
}

/** The first step not done after the last one that is; null when the panel is delivered. */
export function nextStep(panel: Pick<Panel, 'technique' | 'steps'>): PanelStep | null {
  const steps = PANEL_STEPS[panel.technique];
  if (panel.steps.deliver !== undefined) return null;
  const last = steps.reduce((at, step, i) => (panel.steps[step] !== undefined ? i : at), -1);
  return steps.slice(last + 1)[0] ?? null;
}

/** The wait that a panel is in, if its last step has to set: which step, and until when. */
export function waitOf(panel: Pick<Panel, 'steps'>, now: number): { step: PanelStep; until: number } | null {
  if (panel.steps.deliver !== undefined) return null;
  const waits = Object.entries(STEP_WAIT_MIN).flatMap(([step, minutes]) => {
    const at = panel.steps[step as PanelStep];
    return at === undefined ? [] : [{ step: step as PanelStep, until: at + minutes * MS_PER_MINUTE }];
  });
  return waits.filter(({ until }) => until > now).sort((a, b) => b.until - a.until)[0] ?? null;
}

/** Pieces by stage, in the order of the route: `31 to cut · 18 cut · 14 ground`. */
export function tallyOf(panel: Pick<Panel, 'technique'>, pieces: Iterable<Piece>): { stage: Stage; count: number }[] {
  const counts = new Map<Stage, number>();
  for (const piece of pieces) counts.set(piece.stage, (counts.get(piece.stage) ?? 0) + 1);
  return ROUTES[panel.technique].map((stage) => ({ stage, count: counts.get(stage) ?? 0 }));
}

/** How far a panel is, 0 to 1: pieces by stages passed, then the steps of the whole, which weigh a quarter. */
export function progressOf(panel: Panel, pieces: readonly Piece[]): number {
  if (pieces.length === 0) return 0;
  const last = ROUTES[panel.technique].length - 1;
  const stages = pieces.reduce((sum, p) => sum + stageIndex(panel.technique, p.stage), 0) / (last * pieces.length);
  const steps = PANEL_STEPS[panel.technique];
  const done =
    panel.steps.deliver !== undefined ? 1 : steps.filter((s) => panel.steps[s] !== undefined).length / steps.length;
  return 0.75 * stages + 0.25 * done;
}
