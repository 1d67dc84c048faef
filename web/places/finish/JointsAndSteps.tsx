import { useState } from 'react';
import {
  cementChecks,
  SIDES,
  stepsBeforePieces,
  workCaution,
  type GateCheck,
  type Side,
  type StepCode,
  type StepDefinition,
} from '#core/bench';
import { count, showNumbers } from '#core/units';
import { gateWords, nextStep } from '#core/words';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { useMedia } from '../../ui/useMedia.ts';
import { momentWords } from '../../ui/dates.ts';
import { Delivery } from './Delivery.tsx';
import { OpenJoints } from './OpenJoints.tsx';
import { SideOfPanel } from './SideOfPanel.tsx';
import { useSolder } from '../../panel/useSolder.ts';
import type { PanelView } from '../../panel/view.ts';

/** The steps of the whole panel: both sides soldered joint by joint, then what its technique asks for. */
export function JointsAndSteps({ view }: { view: PanelView }) {
  const { panel, paths, settings } = view;
  const send = useSend();
  const { missing: open, openOn, tick, tap } = useSolder(view);
  const isNarrow = useMedia('(max-width: 767px)');
  const [side, setSide] = useState<Side>('front');
  const isOpen = open.length > 0;
  const next = nextStep(panel);
  const [leaving, setLeaving] = useState<StepCode | null>(null);
  const [asked, setAsked] = useState<Side | null>(null);
  const done = (step: StepCode) => send.command({ kind: 'finish-step', ask: { panelId: panel.id, step } });
  /** Whether all that still lies before a step may be left out. */
  const mayBeNext = (step: StepDefinition) => {
    const { panelSteps } = panel.route;
    return panelSteps
      .slice(
        panelSteps.findIndex((s) => s.code === next?.code),
        panelSteps.indexOf(step),
      )
      .every((s) => s.mayBeLeftOut);
  };
  const sideOf = ({ deed }: StepDefinition): Side | null =>
    deed === 'solders-front' ? 'front' : deed === 'solders-back' ? 'back' : null;
  /** Why a step can not be done just now. Which joints are open is told by the drawing alone. */
  const notNow = (step: StepDefinition): string | null => {
    if (stepsBeforePieces(panel.route).includes(step)) return null;
    if (isOpen) return `${count(open.length, 'piece')} not in place yet: ${showNumbers(open, 8)}.`;
    return sideOf(step) !== null && !paths ? 'Its joints are still being fetched.' : null;
  };
  const finish = (step: StepDefinition) => {
    const soldered = sideOf(step);
    // The side that is spoken of lies on top.
    if (soldered !== null) setSide(soldered);
    if (soldered !== null && openOn(soldered).length > 0) setAsked(soldered);
    else if (step.deed === 'delivers' && mayBeNext(step)) setLeaving(step.code);
    else void done(step.code);
  };
  return (
    <div className="grid min-h-0 flex-1 grid-cols-2 gap-8 max-md:block">
      {paths && isNarrow && (
        <Tabs
          label="Sides"
          value={side}
          onTurn={setSide}
          className="pb-6"
          tabs={SIDES.map((id) => ({
            id,
            name: `${id === 'front' ? 'Front' : 'Back'}, ${openOn(id).length} open`,
            sheet: <SideOfPanel view={view} paths={paths} side={id} onJoint={(joint) => tap(id, joint)} />,
          }))}
        />
      )}
      {paths && !isNarrow && (
        <div className="flex min-h-0 gap-4">
          {SIDES.map((id) => (
            <SideOfPanel key={id} view={view} paths={paths} side={id} onJoint={(joint) => tap(id, joint)} />
          ))}
        </div>
      )}
      {!paths && <div />}
      <section aria-label="Steps">
        {isOpen && (
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
                  {step.code === next?.code &&
                    beforeOf(step, view).map((check) => (
                      <span key={check.code} className="mt-1 block border-l-4 border-copper pl-2.5 text-[15px]">
                        {gateWords(check)}
                      </span>
                    ))}
                </span>
                {at === undefined && (
                  <Button
                    look={step.code === next?.code && (!isOpen || notNow(step) === null) ? 'go' : 'plain'}
                    unless={notNow(step)}
                    onClick={() => finish(step)}
                  >
                    Done
                  </Button>
                )}
              </li>
            );
          })}
        </ol>
        <p className="mt-4 text-[15px] text-mute">
          A tap on a joint ticks it; several by the bench’s tally line: <b className="text-ink">joints 3-9 back</b>.{' '}
          {workCaution('soldering')}
        </p>
      </section>
      {leaving && (
        <Delivery
          view={view}
          paths={paths}
          onDeliver={() => void done(leaving).then((isDone) => isDone && setLeaving(null))}
          onClose={() => setLeaving(null)}
        />
      )}
      {asked && (
        <OpenJoints
          side={asked}
          joints={openOn(asked)}
          onTick={(numbers) => tick(asked, numbers)}
          onClose={() => setAsked(null)}
        />
      )}
    </div>
  );
}

/** What this panel's own facts ask to be looked at before a step. */
const beforeOf = ({ code }: StepDefinition, { pieces, glasses }: PanelView): readonly GateCheck[] =>
  code === 'cement' ? cementChecks(pieces, glasses) : [];
