import { isBuiltIn, workCaution } from '#core/bench';
import { count, showNumbers } from '#core/units';
import { nextStep } from '#core/words';
import { PanelPicture } from '../../panel/PanelPicture.tsx';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { usePanelView } from '../../panel/usePanelView.ts';

/** The steps of the whole panel: both sides soldered joint by joint, then what its technique asks for. */
export function FinishStep() {
  const view = usePanelView();
  const { panel, pieces, paths, glasses, settings } = view;
  const send = useSend();
  const open = pieces.filter((p) => !isBuiltIn(panel.route, p)).map((p) => p.number);
  const next = nextStep(panel);
  const box = paths?.box;
  return (
    <main className="grid min-h-0 flex-1 grid-cols-2 gap-8 overflow-y-auto px-6 py-4">
      <div className="flex min-h-0 gap-4">
        {paths &&
          box &&
          (['front', 'back'] as const).map((side) => (
            <figure key={side} className="flex min-h-0 min-w-0 flex-1 flex-col">
              <svg
                role="img"
                aria-label={`${side} of the panel`}
                viewBox={`${box.x - 8} ${box.y - 8} ${box.width + 16} ${box.height + 16}`}
                className="max-h-[62vh] min-h-0 w-full"
              >
                <g transform={side === 'back' ? `translate(${2 * box.x + box.width} 0) scale(-1 1)` : undefined}>
                  <PanelPicture
                    paths={paths}
                    panel={panel}
                    pieces={pieces}
                    glasses={glasses}
                    view={side}
                    textures={false}
                    numbers={false}
                  />
                </g>
              </svg>
              <figcaption className="pt-2 text-center text-[15px] text-mute">
                {side}: {panel.soldered[side].length} of {count(panel.jointCount, 'joint')} soldered
              </figcaption>
            </figure>
          ))}
      </div>
      <section aria-label="Steps">
        {open.length > 0 && (
          <p className="mb-4 text-[17px]">
            {count(open.length, 'piece')} {open.length === 1 ? 'is' : 'are'} not in place yet: {showNumbers(open, 8)}.
          </p>
        )}
        <ol className="grid gap-1">
          {panel.route.panelSteps.map((step) => {
            const at = panel.steps[step.code];
            return (
              <li key={step.code} className="flex min-h-14 items-center gap-4 border-b border-line py-2">
                <span
                  aria-hidden
                  className={`size-[17px] shrink-0 rounded-full ${at !== undefined ? 'bg-[radial-gradient(circle_at_35%_28%,var(--bright),var(--tin)_45%,var(--tin-deep))] shadow-[0_0_0_1px_var(--tin-edge)]' : 'shadow-[0_0_0_1.5px_var(--strong)]'}`}
                />
                <span className="min-w-0 flex-1">
                  <span className={at !== undefined ? '' : 'font-semibold'}>
                    {(at !== undefined ? step.word : step.verb).replace(/^./, (c) => c.toUpperCase())}
                  </span>
                  {at !== undefined && <span className="text-mute"> · {momentWords(at, settings.locale)}</span>}
                  {at === undefined && step.caution && (
                    <span className="block text-[14px] text-mute">{step.caution}</span>
                  )}
                </span>
                {at === undefined && (
                  <Button
                    look={step.code === next?.code && open.length === 0 ? 'go' : 'plain'}
                    disabled={open.length > 0}
                    onClick={() =>
                      void send.command({ kind: 'finish-step', ask: { panelId: panel.id, step: step.code } })
                    }
                  >
                    Done
                  </Button>
                )}
              </li>
            );
          })}
        </ol>
        <p className="mt-4 text-[15px] text-mute">
          Single joints are ticked on the bench: <b className="text-ink">joints 3-9 back</b>. {workCaution('soldering')}
        </p>
      </section>
    </main>
  );
}
