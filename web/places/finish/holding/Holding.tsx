import { useMemo } from 'react';
import {
  LAMP_CAUTION,
  lampFitting,
  SANDED_MM,
  WAYS_TO_HOLD,
  type EdgeKind,
  type FinishPlan,
  type WayToHold,
} from '#core/finish';
import { buildOf } from '#core/bench';
import type { Materials } from '#core/materials';
import { materialsWish } from '#core/papers';
import { showFineLength, showLength } from '#core/units';
import { EDGE_WHY, hangingFindingWords, lampWords, stiffeningWords } from '#core/words';
import type { PanelPaths } from '../../../panel/paths.ts';
import { useMaterials } from '../../../panel/useMaterials.ts';
import { withGlass, type PanelView } from '../../../panel/view.ts';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { Slider } from '../../../ui/Slider.tsx';
import { usePlan, type PlanChange } from '../usePlan.ts';
import { HungPanel } from './HungPanel.tsx';
import { heldBy, type Held } from './held.ts';

const EDGE_NAMES: Readonly<Record<EdgeKind, string>> = {
  bare: 'a beaded rim alone',
  zinc: 'a came of zinc',
  lead: 'a came of lead',
  frame: 'a frame with a rebate',
};
const HOLD_NAMES: Readonly<Record<WayToHold, string>> = {
  hung: 'hung by chain or wire',
  fitted: 'fitted into an opening',
  stood: 'stood on a foot',
  lamp: 'a shade on its lamp',
};

/** What goes round the panel, and what keeps it up and flat. */
export function Holding({ view }: { view: PanelView }) {
  const { panel, paths } = view;
  const { plan, change, slide } = usePlan(panel.id);
  if (!paths || plan === null)
    return <p className="text-mute">{panel.cartoonId === null ? 'It has no drawing yet.' : 'Fetching it …'}</p>;
  return <HeldPanel view={view} paths={paths} plan={plan} change={change} slide={slide} />;
}

function HeldPanel({
  view,
  paths,
  plan,
  change,
  slide,
}: {
  view: PanelView;
  paths: PanelPaths;
  plan: FinishPlan;
  change: Change;
  slide: Change;
}) {
  const { panel, settings, pieces } = view;
  const wish = materialsWish(panel.allowance, withGlass(view), buildOf(panel.route, pieces));
  const materials = useMaterials(panel.cartoonId ?? '', paths.cartoon, wish);
  const held = useMemo(
    () => (materials ? heldBy(paths.cartoon, view, plan, materials, wish.thicknessMm) : null),
    [paths.cartoon, view, plan, materials, wish.thicknessMm],
  );
  const { unit } = settings;
  if (!materials || !held) return <p className="text-mute">Weighing it …</p>;
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,6fr)_minmax(0,5fr)] gap-8 max-lg:grid-cols-1">
      <HungPanel view={view} paths={paths} plan={plan} held={held} onRings={(rings) => change({ rings })} />
      <section aria-label="What holds it" className="grid content-start gap-4">
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <ChoiceField
            label="It is"
            value={plan.hold}
            options={WAYS_TO_HOLD.map((value) => ({ value, text: HOLD_NAMES[value] }))}
            onChoice={(hold) => change({ hold })}
          />
          <ChoiceField
            label="Round it goes"
            value={plan.edge}
            options={(['bare', 'zinc', 'lead', 'frame'] as const).map((value) => ({ value, text: EDGE_NAMES[value] }))}
            onChoice={(edge) => change({ edge })}
          />
        </div>
        <p className="text-[16px]">
          {EDGE_WHY[held.advised.why]}
          {held.advised.edge !== plan.edge && (
            <>
              {' '}
              Best is {EDGE_NAMES[held.advised.edge]}.{' '}
              <Button look="quiet" className="px-1!" onClick={() => change({ edge: held.advised.edge })}>
                Take that
              </Button>
            </>
          )}
        </p>
        {plan.edge !== 'bare' && (
          <p className="text-[15.5px] text-mute">
            Joints that stand proud of the border are dressed flush, no further in than{' '}
            {showFineLength(SANDED_MM, unit)} from the edge, or a frame breaks the glass. Wet, never dry: it is lead.
          </p>
        )}
        {plan.edge === 'frame' && (
          <p className="text-[16px]">
            The rebate measures{' '}
            <b>
              {showLength(held.frame.widthMm, unit)} × {showLength(held.frame.heightMm, unit)}
            </b>
            , {showLength(held.frame.depthMm, unit)} deep; the panel stands on two blocks, their middles{' '}
            {showLength(held.frame.blocksMm[0], unit)} from each end.
          </p>
        )}
        {plan.hold === 'hung' && <Chains materials={materials} plan={plan} held={held} change={change} slide={slide} />}
        {plan.hold === 'stood' && (
          <p className="text-[16px]">
            Its weight is {showLength(held.footHeightMm, unit)} above its foot. A foot{' '}
            <b>{showLength(held.footMm, unit)} deep</b> lets it lean by ten degrees and come back.
          </p>
        )}
        {plan.hold === 'lamp' && (
          <section aria-label="Shade and lamp" className="grid gap-2 text-[16px]">
            <h2 className="text-xl">Shade and lamp</h2>
            <p>
              It weighs <b>{(materials.weightG.total / 1000).toFixed(1)} kg</b>.
            </p>
            {lampWords(lampFitting(materials.weightG.total, panel.widthMm, paths.cartoon.outlines.length), unit).map(
              (said) => (
                <p key={said}>{said}</p>
              ),
            )}
            <p className="border-l-4 border-risk pl-3 text-[15.5px]">{LAMP_CAUTION}</p>
          </section>
        )}
        {plan.hold !== 'lamp' && <Bars plan={plan} held={held} unit={unit} change={change} slide={slide} />}
      </section>
    </div>
  );
}

type Change = (plan: PlanChange) => void;

function Chains({
  materials,
  plan,
  held: { hanging, proposed },
  change,
  slide,
}: {
  materials: Materials;
  plan: FinishPlan;
  held: Held;
  change: Change;
  slide: Change;
}) {
  return (
    <section aria-label="Chains and rings" className="grid gap-2">
      <h2 className="text-xl">Rings and chains</h2>
      {hanging === null ? (
        <p>
          {proposed.length === 0
            ? 'It has no two seams above its middle that rings could go on; give it a frame.'
            : 'Tap two places on the rim: where a seam ends, or a corner.'}
        </p>
      ) : (
        <>
          <p className="text-[16.5px]">
            It weighs <b>{(materials.weightG.total / 1000).toFixed(1)} kg</b>. The rings bear{' '}
            {hanging.bears.map((newton) => `${newton.toFixed(0)} N`).join(' and ')}; the chains pull up to{' '}
            <b>{hanging.pullN.toFixed(0)} N</b>
            {hanging.findings.length === 0 && ', and it hangs straight'}.
          </p>
          <p className="text-[16px]">
            Wire of {hanging.wire.gauge} gauge ({hanging.wire.mm.toFixed(2)} mm), soldered along{' '}
            {hanging.seamsWanted === 1 ? 'its seam' : `${hanging.seamsWanted} seams`} from each ring, the ring closed
            with solder. Chain, hooks and fixings marked for <b>{hanging.ratedKg} kg</b> or more, by their labels.
          </p>
          <div className="grid grid-cols-[auto_1fr] items-center gap-3">
            <span className="text-[15.5px] text-mute">Chains at {Math.round(plan.spreadDeg)}°</span>
            <Slider
              label="Angle of the chains to the horizontal"
              value={plan.spreadDeg}
              least={20}
              most={90}
              step={5}
              said={`${Math.round(plan.spreadDeg)} degrees`}
              onSlide={(spreadDeg) => slide({ spreadDeg })}
              onRest={(spreadDeg) => change({ spreadDeg })}
            />
          </div>
          {hanging.findings.map((finding) => (
            <p key={finding.code} className="border-l-4 border-risk pl-3 text-[15.5px]">
              {hangingFindingWords(finding)}
            </p>
          ))}
        </>
      )}
      {plan.rings.length > 0 ? (
        <Button look="quiet" className="justify-self-start px-0!" onClick={() => change({ rings: [] })}>
          As proposed
        </Button>
      ) : (
        proposed.length > 0 && (
          <p className="text-[15px] text-mute">
            Proposed: high, wide apart, even about the middle of the weight. A tap on another place changes it.
          </p>
        )
      )}
    </section>
  );
}

function Bars({
  plan,
  held: { stiffening, wanted, top },
  unit,
  change,
  slide,
}: {
  plan: FinishPlan;
  held: Held;
  unit: PanelView['settings']['unit'];
  change: Change;
  slide: Change;
}) {
  const said = stiffeningWords(
    { ...stiffening, bars: stiffening.bars.map((bar) => ({ ...bar, y: bar.y - top })) },
    unit,
  );
  const isAsWanted =
    plan.bars.length === wanted.length && plan.bars.every((y, i) => Math.abs(y - (wanted[i] ?? 0)) < 0.5);
  if (said.length === 0 && plan.bars.length === 0 && wanted.length === 0)
    return (
      <section aria-label="Bars" className="grid gap-2">
        <h2 className="text-xl">Bars</h2>
        <p className="text-[16px]">It is small enough to stay flat without.</p>
        <AddBar plan={plan} change={change} middle={halfWay(stiffening, top)} />
      </section>
    );
  return (
    <section aria-label="Bars" className="grid gap-2">
      <h2 className="text-xl">Bars</h2>
      {said.map((line) => (
        <p key={line} className="text-[16px]">
          {line}
        </p>
      ))}
      {wanted.length > 0 && !isAsWanted && (
        <Button look="line" className="justify-self-start" onClick={() => change({ bars: wanted })}>
          {wanted.length === 1 ? 'Take the bar that is proposed' : `Take the ${wanted.length} bars that are proposed`}
        </Button>
      )}
      {plan.bars.map((y, i) => (
        <div key={i} className="grid grid-cols-[auto_1fr_auto] items-center gap-3">
          <span className="text-[15.5px] text-mute">{showLength(y - top, unit)} from the top</span>
          <Slider
            label={`Height of bar ${i + 1}`}
            value={y}
            least={top}
            most={top + stiffening.heightMm}
            step={1}
            said={showLength(y - top, unit)}
            onSlide={(at) => slide({ bars: moved(plan.bars, i, at) })}
            onRest={(at) => change({ bars: moved(plan.bars, i, at) })}
          />
          <Button look="quiet" className="px-1!" onClick={() => change({ bars: plan.bars.filter((_, k) => k !== i) })}>
            Without
          </Button>
        </div>
      ))}
      <AddBar plan={plan} change={change} middle={halfWay(stiffening, top)} />
    </section>
  );
}

const moved = (bars: readonly number[], which: number, at: number): number[] =>
  bars.map((bar, i) => (i === which ? at : bar));

const halfWay = ({ heightMm }: { heightMm: number }, top: number): number => top + heightMm / 2;

const AddBar = ({ plan, change, middle }: { plan: FinishPlan; change: Change; middle: number }) => (
  <Button look="quiet" className="justify-self-start px-0!" onClick={() => change({ bars: [...plan.bars, middle] })}>
    One bar more
  </Button>
);
