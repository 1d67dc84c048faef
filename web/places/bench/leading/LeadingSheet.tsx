import { CORNERS, runName, type Corner, type LeadPlan } from '#core/leading';
import { count, showLength, showNumbers, type DisplayUnit } from '#core/units';
import { endsWords, lockedWords, orderBreaksWords } from '#core/words';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { SideSheet } from '../../../ui/SideSheet.tsx';
import { Slider } from '../../../ui/Slider.tsx';
import type { LeadFound } from '../../../worker/lead.worker.ts';
import { CORNER_WORDS } from '../corners.ts';
import { StepFoot } from '../StepFoot.tsx';
import { LayingOrder } from './LayingOrder.tsx';

/** The came of a run is called so at the bench and in the cut list. */
const nameOf = (run: number): string => `R${run + 1}`;

/** Step by step: the piece that is laid, and the came that goes on it, large enough to be read from a metre. */
export function LeadingSheet({
  found,
  corner,
  onCorner,
  step,
  onStep,
  isLeaded,
  onLeaded,
  joints,
  onJoint,
  decided,
  cut,
  onCut,
  isOrdered,
  onOrder,
  onUndecided,
  unit,
}: {
  found: LeadFound | null | 'failed';
  corner: Corner;
  onCorner: (corner: Corner) => void;
  step: number;
  onStep: (step: number) => void;
  isLeaded: (piece: number) => boolean;
  onLeaded: (piece: number) => void;
  /** Joints round this piece where another came could go through. */
  joints: readonly { readonly joint: number; readonly pieces: readonly number[] }[];
  onJoint: (joint: number) => void;
  /** At so many joints somebody has decided which came goes through. */
  decided: number;
  /** Cames that are cut, by their names. */
  cut: ReadonlySet<string>;
  onCut: (name: string, isCut: boolean) => void;
  /** Somebody wants another order than the best one. */
  isOrdered: boolean;
  onOrder: (order: readonly number[] | null) => void;
  onUndecided: () => void;
  unit: DisplayUnit;
}) {
  const known = found === null || found === 'failed' ? null : found;
  const plan = known?.plan ?? null;
  const last = (plan?.order.length ?? 1) - 1;
  const now = plan?.order[step];
  const piece = now?.piece ?? null;
  const foot = plan && (
    <StepFoot step={step} last={last} called="step" onStep={onStep}>
      {piece !== null && !isLeaded(piece) && (
        <Button look="go" className="min-h-14 text-[17px]" onClick={() => onLeaded(piece)}>
          {piece} is leaded
        </Button>
      )}
    </StepFoot>
  );
  return (
    <SideSheet label="Leading order" foot={foot}>
      <h2 className="text-2xl">Leading order</h2>
      {found === null && <p className="text-mute">Working out what goes on what …</p>}
      {found === 'failed' && (
        <p className="text-risk">For this drawing no order could be found; look through its lines.</p>
      )}
      {plan && now && (
        <>
          <div aria-live="polite">
            <p className="text-mute">
              Step {step + 1} of {last + 1}
            </p>
            <p className="font-head text-[54px] leading-tight">{piece ?? (step === 0 ? 'Border' : 'Last border')}</p>
            <ul className="grid gap-2 pt-1">
              {now.runs.map((run) => (
                <CameLine key={run} plan={plan} run={run} unit={unit} />
              ))}
              {now.runs.length === 0 && <li className="text-[19px]">No came yet: the next piece goes beside it.</li>}
            </ul>
          </div>
          <Slider
            label="Step"
            value={step}
            least={0}
            most={last}
            step={1}
            said={`Step ${step + 1} of ${last + 1}`}
            onSlide={onStep}
          />
          {isOrdered && known && (
            <OrderCosts words={known.breaks ? orderBreaksWords(known.breaks) : []} onBest={() => onOrder(null)} />
          )}
          {!isOrdered &&
            plan.locked.map((one) => (
              <p key={one.pieces.join()} className="rounded-md border border-risk p-3 text-[15px]">
                {lockedWords(one)}
              </p>
            ))}
          <ChoiceField
            label="Built from"
            value={corner}
            options={CORNERS.map((value) => ({ value, text: CORNER_WORDS[value] }))}
            onChoice={onCorner}
          />
          <Fold title="What to cut">
            {known && <CutBars found={known} unit={unit} now={new Set(now.runs)} cut={cut} onCut={onCut} />}
          </Fold>
          {joints.length > 0 && (
            <Fold title="How cames meet here">
              <ul className="grid gap-1 pb-2">
                {joints.map(({ joint, pieces }) => (
                  <li key={joint}>
                    <Button look="line" className="w-full justify-start!" onClick={() => onJoint(joint)}>
                      Otherwise where {showNumbers(pieces)} {pieces.length === 1 ? 'has its corner' : 'meet'}
                    </Button>
                  </li>
                ))}
              </ul>
            </Fold>
          )}
          <Fold title="In another order">
            <LayingOrder plan={plan} step={step} onOrder={onOrder} />
          </Fold>
          <p className="text-[15px] text-mute">
            A tap on a joint lets another came go through there, or a corner be butted instead of mitred; the order and
            the lengths follow.
            {decided > 0 && (
              <>
                {' '}
                {count(decided, 'joint is', 'joints are')} decided so.{' '}
                <button type="button" className="min-h-11 underline" onClick={onUndecided}>
                  Leave them to the reckoning
                </button>
              </>
            )}
          </p>
        </>
      )}
    </SideSheet>
  );
}

/** What the order that somebody wants breaks. */
function OrderCosts({ words, onBest }: { words: readonly string[]; onBest: () => void }) {
  return (
    <section aria-label="What this order costs" className="grid gap-1.5 rounded-md border border-line p-3 text-[15px]">
      <b>Laid in the order that was set by hand.</b>
      {words.length === 0 ? (
        <p>It takes no more cames than the best one, and everything slides in.</p>
      ) : (
        words.map((said) => (
          <p key={said} className="text-risk">
            {said}
          </p>
        ))
      )}
      <button type="button" className="min-h-11 text-left underline" onClick={onBest}>
        Lay them in the best order again
      </button>
    </section>
  );
}

function CameLine({ plan, run, unit }: { plan: LeadPlan; run: number; unit: DisplayUnit }) {
  const came = plan.runs[run];
  if (!came) return null;
  return (
    <li className="border-l-4 border-copper pl-3">
      <b className="block text-[28px] leading-tight">{showLength(came.lengthMm, unit, 1)}</b>
      <span className="text-[18px]">
        {nameOf(run)}, {endsWords(came.ends)}
      </span>
    </li>
  );
}

/** The lengths as they are bought, to scale, with what is cut from each; the came in hand stands out. */
function CutBars({
  found: { cuts, plan },
  unit,
  now,
  cut,
  onCut,
}: {
  found: LeadFound;
  unit: DisplayUnit;
  now: ReadonlySet<number>;
  cut: ReadonlySet<string>;
  onCut: (name: string, isCut: boolean) => void;
}) {
  const stockMm = Math.max(...cuts.lengths.map((one) => one.usedMm + one.leftMm), 1);
  const leftMm = cuts.lengths.reduce((sum, one) => sum + one.leftMm, 0);
  const partMm = (run: number, part: number | null) =>
    part === null
      ? (plan.runs[run]?.lengthMm ?? 0)
      : (cuts.spliced.find((one) => one.run === run)?.partsMm[part - 1] ?? 0);
  return (
    <div className="grid gap-2 pb-2">
      <p className="text-[15px]">
        {count(cuts.lengths.length, 'length')} of {showLength(stockMm, unit)}; {showLength(leftMm, unit)} left over. A
        tap marks a came as cut.
      </p>
      <ul className="grid gap-1.5" aria-label="Lengths of came">
        {cuts.lengths.map((one, i) => (
          <li key={i} className="flex h-11 overflow-hidden rounded-sm bg-soft text-[12px]">
            {one.parts.map(({ run, part }) => {
              const name = runName(plan, run, part);
              const isCut = cut.has(name);
              const said = `${nameOf(run)}${part === null ? '' : `, part ${part}`}: ${showLength(partMm(run, part), unit, 1)}`;
              return (
                <button
                  key={`${run} ${part}`}
                  type="button"
                  aria-pressed={isCut}
                  aria-label={`${said}${isCut ? ', cut' : ''}`}
                  title={said}
                  onClick={() => onCut(name, !isCut)}
                  className={`grid min-w-0 place-items-center overflow-hidden border-r border-paper whitespace-nowrap ${
                    isCut
                      ? 'bg-soft text-mute line-through'
                      : now.has(run)
                        ? 'bg-copper text-white'
                        : 'bg-[var(--came)] text-white'
                  }`}
                  style={{ width: `${(partMm(run, part) / stockMm) * 100}%` }}
                >
                  {partMm(run, part) / stockMm > 0.07 && nameOf(run)}
                </button>
              );
            })}
          </li>
        ))}
      </ul>
    </div>
  );
}
