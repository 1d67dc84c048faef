import { Link } from 'react-router';
import { isBuiltIn, isInHand } from '#core/bench';
import type { PanelView } from '../../panel/view.ts';

export const STEP_NAMES: Readonly<Record<string, string>> = {
  measure: 'Measure',
  cartoon: 'Cartoon',
  glass: 'Glass',
  layout: 'Layout',
  materials: 'Materials',
  bench: 'Bench',
  finish: 'Finish',
  hours: 'Hours',
  papers: 'Papers',
};

/** On a phone nine names stand side by side. */
const SHORT_NAMES: Readonly<Record<string, string>> = { materials: 'Needs' };

type State = 'done' | 'now' | 'later';

/** Whether each step is settled, from the panel itself. */
function states({ panel, pieces }: PanelView): readonly [string, boolean][] {
  const hasDrawing = panel.cartoonId !== null;
  return [
    ['measure', hasDrawing],
    ['cartoon', hasDrawing],
    ['glass', hasDrawing && pieces.every((p) => p.glassId !== null)],
    ['layout', hasDrawing && pieces.length > 0 && pieces.every((p) => isInHand(p))],
    ['materials', panel.deliveredAt !== null],
    ['bench', hasDrawing && pieces.length > 0 && pieces.every((p) => isBuiltIn(panel.route, p))],
    ['finish', panel.deliveredAt !== null],
    ['hours', panel.deliveredAt !== null],
    ['papers', hasDrawing],
  ];
}

const DOT: Readonly<Record<State, string>> = {
  done: 'bg-[radial-gradient(circle_at_35%_28%,var(--bright),var(--tin)_45%,var(--tin-deep))] shadow-[0_0_0_1px_var(--tin-edge)]',
  now: 'bg-top shadow-[0_0_0_4px_var(--copper)]',
  later: 'bg-soft shadow-[0_0_0_1.5px_var(--strong)]',
};

/** The way through a job, drawn as a came with a soldered joint at each step that is settled. */
export function WayThrough({ view, step }: { view: PanelView; step: string }) {
  const steps = states(view);
  return (
    <nav
      aria-label="Steps of the work"
      className="relative order-last flex w-full print:hidden xl:order-none xl:w-auto"
    >
      <i
        aria-hidden
        className="absolute top-[19px] right-10 left-10 h-[7px] rounded-[1px] bg-[linear-gradient(var(--way-edge),var(--way-mid)_35%,var(--way-deep))]"
      />
      {steps.map(([id, isDone]) => {
        const here = id === step;
        const state: State = here ? 'now' : isDone ? 'done' : 'later';
        return (
          <Link
            key={id}
            to={`/panels/${view.panel.id}/${id}`}
            aria-current={here ? 'step' : undefined}
            className={`relative flex min-h-14 min-w-[56px] flex-1 max-sm:min-w-0 flex-col items-center gap-1 pt-3.5 text-[13.5px] max-sm:text-center max-sm:text-[11px] max-sm:leading-tight xl:flex-none ${here ? 'font-bold text-ink' : 'text-mute hover:text-ink'}`}
          >
            <span aria-hidden className={`size-[17px] rounded-full ${DOT[state]}`} />
            <span className={id in SHORT_NAMES ? 'max-sm:hidden' : ''}>{STEP_NAMES[id]}</span>
            {id in SHORT_NAMES && <span className="sm:hidden">{SHORT_NAMES[id]}</span>}
            <span className="sr-only">{isDone ? ', settled' : ', open'}</span>
          </Link>
        );
      })}
    </nav>
  );
}
