import { jointsOf, type Side } from './acts/joints.ts';
import type { StepCode } from './routes/definition.ts';
import { routeOf, type Route } from './routes/route.ts';
import type { PanelRow, Reader } from './tables.ts';

/** A panel as it stands: its row with its route, the steps done, the joints soldered and the names of its sections. */
export interface Standing extends PanelRow {
  readonly route: Route;
  /** When each step was done, as an instant. */
  readonly steps: Readonly<Record<StepCode, number>>;
  /** Running numbers of the joints soldered on each side. */
  readonly soldered: Readonly<Record<Side, readonly number[]>>;
  readonly sections: Readonly<Record<string, string>>;
}

export function standingOf(state: Reader, panel: PanelRow): Standing {
  const joints = jointsOf(state, panel.id).sort((a, b) => a.number - b.number);
  return {
    ...panel,
    route: routeOf(state, panel),
    steps: Object.fromEntries([...state.ask('stepsOfPanel', panel.id)].map((s) => [s.step, s.at])),
    soldered: {
      front: joints.filter((j) => j.frontAt !== null).map((j) => j.number),
      back: joints.filter((j) => j.backAt !== null).map((j) => j.number),
    },
    sections: Object.fromEntries([...state.ask('sectionsOfPanel', panel.id)].map((s) => [s.letter, s.name])),
  };
}
