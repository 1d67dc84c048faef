import { useCallback, useMemo, useRef, useState } from 'react';
import { pieceSaid, standingWords } from '#core/words';
import type { Joint } from '#core/cartoon';
import type { Point } from '#core/geometry';
import { alikeOf } from '../../panel/alike.ts';
import { Board } from '../../panel/Board.tsx';
import type { GlassFile } from '../../panel/GlassLayer.tsx';
import { LightBar } from '../../panel/LightBar.tsx';
import { roomColour } from '../../panel/rooms.ts';
import { useLighting } from '../../panel/useLighting.ts';
import { PanelOnBoard } from '../../panel/PanelOnBoard.tsx';
import { panelMaterial } from '../../panel/panelMaterial.ts';
import type { View } from '../../panel/PanelPrint.tsx';
import { useSelection } from '../../state/selection.ts';
import { TallyLine } from '../../tally/TallyLine.tsx';
import { useTally } from '../../tally/useTally.ts';
import { TOGGLE, Toggles } from '../../ui/Toggles.tsx';
import { jointAt } from '../../panel/jointAt.ts';
import { useSolder } from '../../panel/useSolder.ts';
import { Inspector } from './Inspector.tsx';
import { LayingLayer } from './laying/LayingLayer.tsx';
import { LayingSheet } from './laying/LayingSheet.tsx';
import { useLaying } from './laying/useLaying.ts';
import { LeadingLayer } from './leading/LeadingLayer.tsx';
import { LeadingSheet } from './leading/LeadingSheet.tsx';
import { useLeading } from './leading/useLeading.ts';
import { useClockCode } from './useClockCode.ts';
import { NoDrawing } from './NoDrawing.tsx';
import { PieceTable } from './PieceTable.tsx';
import { usePanelView } from '../../panel/usePanelView.ts';
import { SourceAsk } from './SourceAsk.tsx';
import { SightLine } from '../../panel/SightLine.tsx';
import { WetBench } from './wet/WetBench.tsx';
import { Split } from '../../panel/Split.tsx';

const VIEWS: readonly [View, string][] = [
  ['front', 'Front'],
  ['back', 'Back'],
  ['lit', 'Lit'],
  ['joints', 'Joints'],
];
/** The bench: the panel as it stands, the piece in hand, and the tally line at the foot. */
export function BenchStep() {
  const view = usePanelView();
  const { panel, pieces, paths, glasses } = view;
  const [look, setLook] = useState<View>('front');
  const { lighting, beside } = useLighting();
  const file = useRef<GlassFile>(null);
  const [asTable, setAsTable] = useState(false);
  const [isWet, setWet] = useState(false);
  const { numbers, at, panelId, choose, toggle } = useSelection();
  const selected = panelId === panel.id ? numbers : NONE;
  const isLead = panel.technique === 'lead';
  const leading = useLeading(view);
  const laying = useLaying(view);
  const order = isLead ? leading : laying;
  const tally = useTally(view);
  useClockCode(panel.id);
  const solder = useSolder(view);
  const tapJoint = (at: Point, mmPerPx: number) => {
    const { side } = solder;
    const isOpen = ({ number }: Joint) => !panel.soldered[side].includes(number);
    const joint = jointAt(paths?.cartoon.joints ?? [], isOpen, at, mmPerPx);
    if (joint) solder.tap(side, joint);
  };
  const ringJoints = (ring: readonly Point[]) => {
    solder.tickWithin(solder.side, ring);
    return true;
  };
  const alike = useMemo(() => alikeOf(pieces), [pieces]);
  const onPick = useCallback(
    (picked: readonly number[], how: 'set' | 'toggle' | 'add') => {
      if (how === 'toggle') for (const n of picked) toggle(panel.id, n);
      else
        choose(
          panel.id,
          how === 'add' ? [...useSelection.getState().numbers, ...picked] : picked,
          picked.at(-1) ?? null,
        );
    },
    [panel.id, choose, toggle],
  );
  if (!paths)
    return panel.cartoonId === null ? (
      <NoDrawing id={panel.id} />
    ) : (
      <p className="px-6 text-mute" role="status">
        Unrolling the drawing …
      </p>
    );
  if (isWet) return <WetBench view={view} paths={paths} onLeave={() => setWet(false)} />;
  const lit = look === 'lit';
  const shown = { paths, panel, pieces, glasses, photos: view.photos };
  const material = panelMaterial(shown, { look, lighting, beside });
  const here = panelId === panel.id ? pieces.find((p) => p.number === at) : undefined;
  const side =
    tally.questions.length > 0 ? (
      <SourceAsk
        key={tally.questions.map((q) => q.glassId).join()}
        view={view}
        questions={tally.questions}
        recut={tally.askedRecut}
        onDone={tally.answered}
      />
    ) : leading.isOn ? (
      <LeadingSheet {...leading.sheet} />
    ) : laying.isOn ? (
      <LayingSheet {...laying.sheet} />
    ) : (
      <Inspector view={view} numbers={[...selected]} ask={tally.ask} key={panel.id} />
    );
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <Split id="bench" side={side}>
        <main
          className="relative flex min-h-0 min-w-0 flex-1 flex-col"
          style={lit ? { background: roomColour(lighting) } : undefined}
        >
          {/* One toggle more has no room beside the board's tools on a tablet: it goes below. */}
          <div className="flex flex-wrap items-center gap-1.5 py-1.5 pr-6 pl-4 max-sm:flex-nowrap max-sm:overflow-x-auto max-sm:pr-2 xl:px-6 sm:max-xl:pr-[262px] print:hidden">
            <Toggles label="View" value={look} options={VIEWS} onPick={setLook} />
            <button
              type="button"
              aria-pressed={asTable}
              onClick={() => setAsTable(!asTable)}
              className={`${TOGGLE} xl:ml-2`}
            >
              Table
            </button>
            <button
              type="button"
              aria-pressed={order.isOn}
              aria-label={isLead ? 'Leading order' : 'Laying out'}
              onClick={() => {
                order.turn();
                setLook('front');
              }}
              className={TOGGLE}
            >
              Order
            </button>
          </div>
          <div className="flex min-h-0 flex-1">
            <Board
              paths={paths}
              mirrored={look === 'back'}
              selected={selected}
              at={at}
              meant={tally.lit}
              meantJoints={tally.litJoints}
              dark={lit}
              material={{ ...material, ref: file }}
              narrow={asTable}
              onPoint={look === 'joints' ? tapJoint : leading.isOn && look === 'front' ? leading.tapJoint : undefined}
              onRing={look === 'joints' ? ringJoints : undefined}
              onPick={onPick}
              alike={alike}
              onType={tally.begin}
              label={`${panel.name}, ${pieces.length} pieces. Arrow keys go to the neighbouring piece; a digit starts the tally line.`}
            >
              <PanelOnBoard shown={shown} look={look} metal={material.scene.metal} />
              {leading.plan && look === 'front' && (
                <LeadingLayer
                  plan={leading.plan}
                  paths={paths}
                  step={leading.sheet.step}
                  faceMm={panel.allowance.faceMm}
                />
              )}
              {laying.plan && look === 'front' && (
                <LayingLayer plan={laying.plan} paths={paths} joints={laying.sheet.joints} step={laying.sheet.step} />
              )}
              {panel.opening && (look === 'front' || look === 'back') && (
                <SightLine paths={paths} allowance={panel.allowance} opening={panel.opening} />
              )}
            </Board>
            {asTable && <PieceTable view={view} selected={selected} onPick={onPick} />}
          </div>
          {lit && <LightBar panel={panel} fileOf={(heightPx) => file.current?.file(heightPx)} />}
          <p className="px-6 pb-2 text-[14.5px] text-mute" data-testid="counts" hidden={lit}>
            {standingWords(
              panel,
              pieces.reduce((sum, p) => sum + p.recuts, 0),
              look === 'joints',
            )}
            {look === 'joints' &&
              solder.missing.length === 0 &&
              solder.openOn(solder.side).length > 0 &&
              ` · a tap ticks a joint on the ${solder.side}`}
          </p>
        </main>
      </Split>
      {/* What the arrow keys come to, for who hears the panel instead of seeing it. */}
      <p className="sr-only" aria-live="polite" data-testid="said">
        {here && pieceSaid(here, here.glassId === null ? undefined : glasses.get(here.glassId), panel.route)}
      </p>
      <TallyLine tally={tally} onWet={() => setWet(true)} />
    </div>
  );
}

const NONE: ReadonlySet<number> = new Set();
