import { useState } from 'react';
import type { PlansAnswer } from '#contract';
import { Link } from 'react-router';
import {
  BEDDINGS,
  SPOTS,
  fittingOrder,
  fittingSteps,
  fittingTools,
  outerGlassFor,
  playIn,
  placeCaution,
  type Bedding,
  type FinishPlan,
  type FittingPlace,
} from '#core/finish';
import { finishedSize, outsideOf, type Opening } from '#core/sizing';
import { showLength } from '#core/units';
import { lastLightWords, outerGlassWords, playWords } from '#core/words';
import type { PanelView } from '../../../panel/view.ts';
import { NotesFold } from '../../../notes/NotesFold.tsx';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { Check } from '../../../ui/Check.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { length } from '../../../ui/form/fields.ts';
import { Form, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { usePlan, type PlanChange } from '../usePlan.ts';
import { InOpening } from './InOpening.tsx';
import { LetterForm } from './LetterForm.tsx';
import { z } from 'zod';

const PLACES: Readonly<Record<FittingPlace, string>> = {
  inside: 'inside, before a window or a wall',
  window: 'in a window',
  door: 'in a door',
  'beside-door': 'beside a door',
  low: 'low, where people kneel or fall',
  overhead: 'over people’s heads',
  wet: 'in a bath or shower',
};
const BEDDING_NAMES: Readonly<Record<Bedding, string>> = {
  putty: 'linseed putty',
  mortar: 'lime mortar',
  sealant: 'sealant',
  beads: 'dry, between beads',
};

/** The finished panel, its opening, and the day on site. */
export function Fitting({ view }: { view: PanelView }) {
  const { panel, paths, commission, settings } = view;
  const { plan, change, answer } = usePlan(panel.id);
  const [isWriting, setWriting] = useState(false);
  if (plan === null) return <p className="text-mute">Fetching it …</p>;
  const drawn = paths ? finishedSize(panel, outsideOf(paths.cartoon, panel.allowance)) : panel;
  const size = plan.measured ?? drawn;
  const caution = placeCaution(plan);
  return (
    <div className="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-10 max-lg:grid-cols-1">
      <section aria-label="Panel and opening" className="grid content-start gap-4">
        {paths && (
          <InOpening
            view={view}
            paths={paths}
            opening={plan.hold === 'fitted' ? panel.opening : null}
            size={size}
            bars={plan.bars}
          />
        )}
        {panel.opening && plan.hold === 'fitted' ? (
          <p className="text-[17px]">{playWords(playIn(panel.opening, size), settings.unit)}</p>
        ) : (
          plan.hold === 'fitted' && (
            <p>
              Its opening is not measured yet;{' '}
              <Link className="underline" to={`/panels/${panel.id}/measure`}>
                enter it
              </Link>
              .
            </p>
          )
        )}
        <Measured view={view} plan={plan} drawn={drawn} opening={panel.opening} />
        <NotesFold about="panel" id={panel.id} of={`${panel.name}, before and after`} />
      </section>
      <section aria-label="The day on site" className="grid content-start gap-3">
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <ChoiceField
            label="It goes"
            value={plan.place}
            options={SPOTS.map((value) => ({ value, text: PLACES[value] }))}
            onChoice={(place) => change({ place })}
          />
          {plan.hold === 'fitted' ? (
            <ChoiceField
              label="Bedded in"
              value={plan.bedding}
              options={BEDDINGS.map((value) => ({ value, text: BEDDING_NAMES[value] }))}
              onChoice={(bedding) => change({ bedding })}
            />
          ) : (
            <p className="self-center text-[15px] text-mute">
              It is {plan.hold === 'lamp' ? 'a shade' : plan.hold};{' '}
              <Link className="underline" to="?part=hold">
                change that
              </Link>
              .
            </p>
          )}
        </div>
        {plan.hold === 'fitted' && (
          <Check checked={plan.hasOuterGlass} onCheck={(hasOuterGlass) => change({ hasOuterGlass })}>
            Another glass stands before it, outside
          </Check>
        )}
        {plan.hold === 'fitted' && plan.hasOuterGlass && (
          <p className="text-[15.5px]">{outerGlassWords(outerGlassFor(size.widthMm, size.heightMm), settings.unit)}</p>
        )}
        {plan.hold === 'fitted' && answer !== null && (view.set.length > 0 || plan.tier !== null) && (
          <Lights lights={answer.lights} plan={plan} most={view.set.length + 1} unit={settings.unit} change={change} />
        )}
        {caution && <p className="border-l-4 border-risk pl-3 text-[16px]">{caution}</p>}
        <h2 className="text-xl">In order, on the day</h2>
        <ol className="grid">
          {fittingSteps(plan).map((step, i) => (
            <li key={step.says} className="flex gap-3 border-t border-line py-2 text-[16px]">
              <b className="w-5 shrink-0 text-right font-head text-copper-ink">{i + 1}</b>
              <span>
                {step.says}
                {step.caution && <span className="block text-[14.5px] text-mute">{step.caution}</span>}
              </span>
            </li>
          ))}
        </ol>
        <p className="text-[15.5px]">
          <b>Take along:</b> {fittingTools(plan).join(', ')}.
        </p>
        <div className="flex flex-wrap gap-2">
          <Link
            className="inline-flex min-h-11 items-center rounded-md border border-line bg-raised px-4 font-semibold"
            to={`/panels/${panel.id}/papers?paper=fitting`}
          >
            The fitting sheet
          </Link>
          <Button look="line" onClick={() => setWriting(true)}>
            Write to {commission.client || 'the client'}
          </Button>
        </div>
      </section>
      <Sheet title="A letter" open={isWriting} onClose={() => setWriting(false)}>
        {isWriting && <LetterForm view={view} done={() => setWriting(false)} />}
      </Sheet>
    </div>
  );
}

/** Several lights in one opening: in which row each stands, and which goes in last. */
function Lights({
  lights,
  plan,
  most,
  unit,
  change,
}: {
  lights: PlansAnswer['lights'];
  plan: FinishPlan;
  most: number;
  unit: PanelView['settings']['unit'];
  change: (plan: PlanChange) => void;
}) {
  const order = fittingOrder(
    lights.map(({ openingMm, ...light }) => ({
      ...light,
      playMm: openingMm === null ? null : openingMm - light.widthMm,
    })),
  );
  return (
    <section aria-label="Lights of one opening" className="grid gap-2">
      <ChoiceField
        label="In an opening of several lights it stands"
        value={String(plan.tier ?? '')}
        options={[
          { value: '', text: 'alone' },
          ...Array.from({ length: most }, (_, i) => ({
            value: String(i + 1),
            text: i === 0 ? 'in the top row' : `in row ${i + 1} from the top`,
          })),
        ]}
        onChoice={(tier) => change({ tier: tier === '' ? null : Number(tier) })}
      />
      {order.lights.length > 1 && (
        <>
          <p className="text-[15.5px]">{lastLightWords(order, unit)}</p>
          <ol className="flex flex-wrap gap-2" aria-label="Order of fitting">
            {order.lights.map((light, i) => (
              <li key={light.id}>
                <Link
                  to={`/panels/${light.id}/finish?part=fit`}
                  className="inline-flex min-h-11 items-center gap-2 rounded-md border border-line bg-raised px-3 text-[15px]"
                >
                  <b className="font-head text-copper-ink">{i + 1}</b> {light.name}
                </Link>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

/** The finished size, measured and held against what it was to be. */
function Measured({
  view,
  plan,
  drawn,
  opening,
}: {
  view: PanelView;
  plan: FinishPlan;
  drawn: { readonly widthMm: number; readonly heightMm: number };
  opening: Opening | null;
}) {
  const { panel, settings } = view;
  const { unit } = settings;
  const send = useSend();
  const side = length(unit, { least: 1, most: 10_000 }, `A length, as ${showLength(drawn.widthMm, unit)}.`);
  const form = useKeptForm(`measured-${panel.id}`, z.object({ wide: side, high: side }), {
    wide: plan.measured ? showLength(plan.measured.widthMm, unit, 1) : '',
    high: plan.measured ? showLength(plan.measured.heightMm, unit, 1) : '',
  });
  const off = plan.measured && [plan.measured.widthMm - drawn.widthMm, plan.measured.heightMm - drawn.heightMm];
  return (
    <Form
      form={form}
      label="The finished panel, measured"
      className="grid grid-cols-[1fr_1fr_auto] items-start gap-x-3"
      onSend={async ({ wide, high }) => {
        const measured = { widthMm: wide, heightMm: high };
        if (await send.command({ kind: 'plan-finish', ask: { panelId: panel.id, plan: {}, measured } }, 'Measured.'))
          form.forget({ wide: showLength(wide, unit, 1), high: showLength(high, unit, 1) });
      }}
    >
      <p className="col-span-full pb-1 text-[16px]">
        By its drawing it finishes at {showLength(drawn.widthMm, unit)} × {showLength(drawn.heightMm, unit)}.
        {off && (
          <>
            {' '}
            Measured it is{' '}
            <b>
              {signed(off[0] ?? 0)} × {signed(off[1] ?? 0)} mm
            </b>{' '}
            {opening === null ? 'off that.' : 'off that; the play above goes by what was measured.'}
          </>
        )}
      </p>
      <FormText name="wide" label="Measured wide" />
      <FormText name="high" label="Measured high" />
      <Button type="submit" className="mt-[25px]">
        Keep
      </Button>
    </Form>
  );
}

const signed = (mm: number): string => `${mm >= 0 ? '+' : '−'}${Math.abs(mm).toFixed(1)}`;
