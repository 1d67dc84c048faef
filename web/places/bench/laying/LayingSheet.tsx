import type { Joint } from '#core/cartoon';
import type { LayingPlan } from '#core/laying';
import { CORNERS, type Corner } from '#core/leading';
import { count, type DisplayUnit } from '#core/units';
import { holdingWords, jointPlace } from '#core/words';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { SideSheet } from '../../../ui/SideSheet.tsx';
import { Slider } from '../../../ui/Slider.tsx';
import { CORNER_WORDS } from '../corners.ts';
import { StepFoot } from '../StepFoot.tsx';

/** Step by step: the piece that is laid, and the junctions that can be tacked then, large enough to be read from a metre. */
export function LayingSheet({
  plan,
  joints,
  corner,
  onCorner,
  step,
  onStep,
  isPlaced,
  onPlaced,
  unit,
}: {
  plan: LayingPlan | null;
  joints: readonly Joint[];
  corner: Corner;
  onCorner: (corner: Corner) => void;
  step: number;
  onStep: (step: number) => void;
  isPlaced: (piece: number) => boolean;
  /** Null where the way of working has no such step. */
  onPlaced: ((piece: number) => void) | null;
  unit: DisplayUnit;
}) {
  const now = plan?.steps[step];
  const last = (plan?.steps.length ?? 1) - 1;
  const places = new Map(joints.map((joint) => [joint.number, jointPlace(joint)]));
  const foot = now && (
    <StepFoot step={step} last={last} called="piece" onStep={onStep}>
      {onPlaced !== null && !isPlaced(now.piece) && (
        <Button look="go" className="min-h-14 text-[17px]" onClick={() => onPlaced(now.piece)}>
          {now.piece} is in place
        </Button>
      )}
    </StepFoot>
  );
  return (
    <SideSheet label="Laying out" foot={foot}>
      <h2 className="text-2xl">Laying out</h2>
      {plan === null && <p className="text-mute">Working out what goes beside what …</p>}
      {plan && now && (
        <>
          <div aria-live="polite">
            <p className="text-mute">
              Piece {step + 1} of {last + 1}
              {now.section !== null && `, section ${now.section}`}
            </p>
            <p className="font-head text-[54px] leading-tight">{now.piece}</p>
            {now.tacks.length === 0 ? (
              <p className="text-[19px]">Nothing to tack yet: more goes beside it.</p>
            ) : (
              <ul aria-label="To tack now" className="grid gap-1.5">
                {now.tacks.map((number) => (
                  <li key={number} className="border-l-4 border-copper pl-3 text-[19px]">
                    Tack {places.get(number)}
                  </li>
                ))}
              </ul>
            )}
          </div>
          <Slider
            label="Piece"
            value={step}
            least={0}
            most={last}
            step={1}
            said={`Piece ${step + 1} of ${last + 1}`}
            onSlide={onStep}
          />
          <section aria-label="What holds it" className="grid gap-1.5 text-[15.5px]">
            {holdingWords(plan.holding, unit).map((said) => (
              <p key={said}>{said}</p>
            ))}
          </section>
          <ChoiceField
            label="Built from"
            value={corner}
            options={CORNERS.map((value) => ({ value, text: CORNER_WORDS[value] }))}
            onChoice={onCorner}
          />
          <Fold title="Tacking list">
            <TackingList plan={plan} places={places} />
          </Fold>
          <p className="text-[15px] text-mute">
            Sections go as they are called. Flux and solder fumes: extraction or a respirator; wash hands; follow the
            labels.
          </p>
        </>
      )}
    </SideSheet>
  );
}

/** Section by section, the junctions that can be tacked when all of it lies. */
function TackingList({ plan, places }: { plan: LayingPlan; places: ReadonlyMap<number, string> }) {
  const sections = new Map<string, number[]>();
  for (const { section, tacks } of plan.steps)
    sections.set(section ?? '', [...(sections.get(section ?? '') ?? []), ...tacks]);
  return [...sections].map(([section, tacks]) => (
    <section key={section} className="pb-3">
      {sections.size > 1 && (
        <h3 className="text-[16px] font-semibold">{section === '' ? 'Without a section' : `Section ${section}`}</h3>
      )}
      <p className="text-mute">{count(tacks.length, 'junction')}</p>
      <ol className="text-[15px]">
        {tacks.map((number) => (
          <li key={number} className="border-t border-line py-1">
            {places.get(number)}
          </li>
        ))}
      </ol>
    </section>
  ));
}
