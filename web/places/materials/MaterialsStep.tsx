import { useState } from 'react';
import { Link } from 'react-router';
import { buildOf, type Tables } from '#core/bench';
import { isBeddedInSealant, USUAL_FINISH } from '#core/finish';
import {
  alloyInUse,
  ALLOYS,
  alloyNamed,
  wantedSupplies,
  type Alloy,
  type Came,
  type GlassEdge,
  type Materials,
  type MaterialsWish,
} from '#core/materials';
import { materialsWish } from '#core/papers';
import { amountWords, bySupply, lessInWork, SUPPLY_WORDS, supplyNeeds, type Glass, type SupplyNeed } from '#core/stock';
import { count, showFineLength, showMoney } from '#core/units';
import { backingWords, materialsFindingWords, profileWords, solderRateWords } from '#core/words';
import { GlassStill } from '../../panel/GlassStill.tsx';
import { panelMaterial } from '../../panel/panelMaterial.ts';
import type { PanelPaths } from '../../panel/paths.ts';
import { usePanelView } from '../../panel/usePanelView.ts';
import { withGlass, type PanelView } from '../../panel/view.ts';
import { useInWork, usePlans, useSupplies } from '../../state/studio.ts';
import { BookSupply } from '../../supplies/BookSupply.tsx';
import { SupplyForm } from '../../supplies/SupplyForm.tsx';
import { SupplyPicture } from '../../supplies/SupplyPicture.tsx';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { CameSection, EdgeOfGlass } from './Sections.tsx';
import { useMaterials } from '../../panel/useMaterials.ts';

/** What the panel takes beside glass: how much of each, what is on the shelf, what to buy. */
export function MaterialsStep() {
  const view = usePanelView();
  const { panel, paths } = view;
  if (!paths)
    return (
      <main className="p-6 text-[17px]">
        {panel.cartoonId === null ? (
          <>
            Bring in{' '}
            <Link className="underline" to={`/panels/${panel.id}/cartoon`}>
              the drawing
            </Link>{' '}
            first; what it takes follows from its lines.
          </>
        ) : (
          'Unrolling the drawing …'
        )}
      </main>
    );
  return <WhatItTakes view={view} paths={paths} />;
}

const NO_LIGHT = { kind: 'bench', roomLit: true } as const;

function WhatItTakes({ view, paths }: { view: PanelView; paths: PanelPaths }) {
  const { panel, pieces, glasses, settings } = view;
  const { data: shelf } = useSupplies();
  const { data: plans } = usePlans(panel.id);
  const [code, setCode] = useState<string | null>(null);
  const usual = alloyInUse(shelf?.supplies ?? [], plans?.used.map((move) => move.supplyId) ?? []);
  const alloy = (code === null ? null : alloyNamed(code)) ?? usual;
  const wish = materialsWish(panel.allowance, withGlass(view), {
    alloy,
    ...buildOf(panel.route, pieces),
    isBeddedInSealant: isBeddedInSealant(plans?.finish ?? USUAL_FINISH),
  });
  const materials = useMaterials(panel.cartoonId ?? '', paths.cartoon, wish);
  const shown = { paths, panel, pieces, glasses, photos: view.photos };
  const { drawn, scene } = panelMaterial(shown, { look: 'front', lighting: NO_LIGHT });
  const { x, y, width, height } = paths.box;
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,5fr)_minmax(0,7fr)] gap-8 overflow-y-auto px-6 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <section aria-label="How its edges are" className="grid content-start gap-4">
        <div className="relative h-[44vh] max-lg:h-[34vh]">
          <GlassStill
            drawn={drawn}
            scene={scene}
            area={{ x: x - 8, y: y - 8, width: width + 16, height: height + 16 }}
          />
        </div>
        {materials && (
          <Edges
            materials={materials}
            wish={wish}
            glassOfPieces={withGlass(view).map(({ glass }) => glass)}
            settings={settings}
          />
        )}
      </section>
      <section aria-label="What it takes" className="min-w-0">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-1">
          <h2 className="mr-auto text-[22px]">What it takes</h2>
          <div className="w-40">
            <ChoiceField
              label="Solder"
              value={alloy.code}
              options={ALLOYS.map((one) => ({ value: one.code, text: one.code }))}
              onChoice={setCode}
            />
          </div>
        </div>
        {materials === null ? (
          <p className="text-mute" role="status">
            Measuring its lines …
          </p>
        ) : (
          <Needs view={view} materials={materials} wish={wish} alloy={alloy} />
        )}
      </section>
    </main>
  );
}

/** The edge of a piece, or the cames, in section and to scale. */
function Edges({
  materials,
  wish,
  glassOfPieces,
  settings: { unit },
}: {
  materials: Materials;
  wish: MaterialsWish;
  glassOfPieces: readonly (Glass | null)[];
  settings: PanelView['settings'];
}) {
  const cames = [
    ...new Map([wish.came, wish.border].flatMap((one): [string, Came][] => (one ? [[one.code, one]] : []))),
  ];
  return (
    <>
      {materials.foil && (
        <div className="flex items-center gap-5 max-xl:flex-wrap">
          <EdgeOfGlass edge={materials.foil.edge} overlapMm={materials.foil.overlapMm} />
          <p className="text-[16px]">
            <b>Foil of {materials.foil.stock}</b> laps {showFineLength(materials.foil.overlapMm, unit)} over each face
            of {edgeWords(materials.foil.edge)}. {backingWords(glassOfPieces)}
            {materials.foil.others.map(({ stock, edge }) => (
              <span key={stock} className="mt-1 block text-[15px] text-mute">
                {stock} round {edgeWords(edge)}
              </span>
            ))}
          </p>
        </div>
      )}
      <div className="flex flex-wrap gap-6">
        {cames.map(([name, came]) => (
          <figure key={name} className="flex items-center gap-3">
            <CameSection came={came} thicknessMm={wish.thicknessMm} />
            <figcaption className="text-[15px]">
              <b>{profileWords(came.code, unit)}</b>
              <br />
              heart {showFineLength(came.heartMm, unit)}
            </figcaption>
          </figure>
        ))}
      </div>
      {materials.findings.map((finding) => (
        <p key={finding.code} className="border-l-4 border-risk pl-3 text-[15.5px]">
          {materialsFindingWords(finding, unit)}
        </p>
      ))}
      <p className="text-[14px] text-mute">
        The sections are drawn many times as large as they are. Beads, joints, cement and flux are reckoned from memory
        until the studio has weighed its own.
      </p>
    </>
  );
}

/** What the foil goes round. */
function edgeWords({ thicknessMm, layers, textureMm }: GlassEdge): string {
  const glass = layers > 1 ? `two glasses of ${thicknessMm} mm, wound twice` : `glass ${thicknessMm} mm thick`;
  return textureMm > 0 ? `${glass}, and ${textureMm} mm more for its texture` : glass;
}

type Asked =
  { kind: 'enter'; need: SupplyNeed } | { kind: 'book'; need: SupplyNeed; supply: Tables['supplies'] } | null;

function Needs({
  view,
  materials,
  wish,
  alloy,
}: {
  view: PanelView;
  materials: Materials;
  wish: MaterialsWish;
  alloy: Alloy;
}) {
  const { panel, settings } = view;
  const { data } = useSupplies();
  const { data: plans } = usePlans(panel.id);
  const [asked, setAsked] = useState<Asked>(null);
  const { data: work } = useInWork();
  const inWork = work?.inWork ?? [];
  const own = inWork.filter((one) => one.panelId === panel.id);
  const booked = (plans?.used ?? []).map(({ supplyId, delta }) => ({ supplyId, amount: -delta }));
  const open = bySupply(own);
  const kinds = new Map(data?.supplies.map((one) => [one.id, one.kind]));
  /** Soldered with another alloy than was reckoned with, it took about as much of that. */
  const openOf = ({ id, kind }: Tables['supplies']) =>
    open.get(id) ??
    (kind === 'solder' ? own.reduce((sum, one) => sum + (kinds.get(one.supplyId) === kind ? one.amount : 0), 0) : 0);
  const supplies = lessInWork(data?.supplies ?? [], inWork);
  const used = bySupply([...booked, ...own]);
  const needs = supplyNeeds(wantedSupplies(materials, wish), supplies, panel.technique, used);
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const isAllThere = needs.every((need) => need.supplyId !== null);
  const buyCents = needs.reduce((sum, need) => sum + need.buyCents, 0);
  const joints = materials.joints.L + materials.joints.T + materials.joints.X + materials.joints.more;
  return (
    <>
      <ul className="border-b border-line">
        {needs.map((need) => {
          const supply = data?.supplies.find((one) => one.id === need.supplyId);
          const shown = supplies.find((one) => one.id === need.supplyId);
          const isShort = need.there < need.needed - need.gone;
          return (
            <li
              key={`${need.kind}${need.sort}`}
              className="flex min-h-[68px] flex-wrap items-center gap-x-4 border-t border-line py-1.5"
            >
              <SupplyPicture supply={shown ?? { kind: need.kind, amount: 0, packAmount: 1 }} size={48} />
              <span className="min-w-0 flex-1 basis-56">
                <span className="text-[16px]">
                  {supply?.name ?? `${SUPPLY_WORDS[need.kind]} ${need.sort}`}:{' '}
                  <b>{amountWords(need.kind, need.needed)}</b>
                </span>
                <span className="block text-[14.5px] text-mute">
                  {supply ? `${amountWords(need.kind, need.there)} on the shelf` : 'not on the shelf'}
                  {need.packs > 0 && (
                    <b className="text-risk">
                      {' '}
                      · buy {need.packs} × {amountWords(need.kind, supply?.packAmount ?? 0)}, {money(need.buyCents)}
                    </b>
                  )}
                  {supply && !isShort && (need.gone >= need.needed ? ' · all of it is in the work' : ' · enough')}
                  {need.gone > 0 && need.gone < need.needed && ` · ${amountWords(need.kind, need.gone)} in the work`}
                  {need.share !== null && ` · by your own figure, ${Math.round(need.share * 100)} % of the usual`}
                </span>
              </span>
              {supply ? (
                <Button look="line" onClick={() => setAsked({ kind: 'book', need, supply })}>
                  Book its use
                </Button>
              ) : (
                <Button look="quiet" onClick={() => setAsked({ kind: 'enter', need })}>
                  Enter it
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-3 text-[16px]">
        {buyCents > 0 ? (
          <>
            To buy for it: <b>{money(buyCents)}</b>.{' '}
          </>
        ) : (
          isAllThere && 'Nothing has to be bought for it. '
        )}
        {!isAllThere && 'What is not on the shelf has no price yet. '}
        What it uses costs <b>{money(needs.reduce((sum, need) => sum + need.costCents, 0))}</b>.
      </p>
      <p className="mt-1 text-[16px]">
        {(materials.seamMm / 1000).toFixed(1)} m of seams and {(materials.rimMm / 1000).toFixed(1)} m of rim,{' '}
        {count(joints, 'joint')}, {solderRateWords(materials)}. Finished it weighs{' '}
        <b>{(materials.weightG.total / 1000).toFixed(1)} kg</b>.
      </p>
      <p className="mt-1 text-[15.5px] text-mute">{ironHint(alloy, panel.technique)}</p>
      <p className="mt-3 text-[15px]">
        <Link className="font-semibold underline decoration-line underline-offset-4" to="/rack/supplies">
          The whole shelf
        </Link>{' '}
        <span className="text-mute">
          · Flux and patina are corrosive, lead is poison: air, gloves, eyes and hands as the labels say.
        </span>
      </p>
      <Sheet
        title={asked?.kind === 'enter' ? 'New supply' : (asked?.supply.name ?? '')}
        open={asked !== null}
        onClose={() => setAsked(null)}
      >
        {asked?.kind === 'enter' && (
          <SupplyForm like={asked.need} currency={settings.currency} done={() => setAsked(null)} />
        )}
        {asked?.kind === 'book' && (
          <BookSupply
            supply={asked.supply}
            inWork={inWork}
            use={{
              panelId: panel.id,
              panelName: panel.name,
              open: openOf(asked.supply),
              share: asked.need.share ?? 1,
            }}
            done={() => setAsked(null)}
          />
        )}
      </Sheet>
    </>
  );
}

/** Where it melts, and how hot an iron is for it (from memory): lead came itself melts under a hot tip. */
function ironHint({ code, solidusC, liquidusC }: Alloy, technique: PanelView['panel']['technique']): string {
  const melts = solidusC === liquidusC ? `at ${solidusC} °C` : `from ${solidusC} to ${liquidusC} °C`;
  const iron =
    technique === 'foil'
      ? 'an iron of 360–370 °C with a chisel tip of 6–8 mm'
      : 'an iron of 320–340 °C with a broad tip, no longer on a joint than it takes: came melts too';
  const why =
    code === '50/50' ? ' It stays pasty longer, for backs and lead.' : code === '63/37' ? ' It sets sharply.' : '';
  return `${code} melts ${melts}; ${iron}.${why}`;
}
