import { useState } from 'react';
import { ALLOYS, alloyNamed, CAME_LENGTH_MM, type Came, type Materials } from '#core/materials';
import { materialsWish, RINGS, SPREAD_DEG } from '#core/papers';
import { count, nth, showFineLength, showLength, type DisplayUnit } from '#core/units';
import { materialsFindingWords } from '#core/words';
import type { PanelPaths } from '../../panel/paths.ts';
import type { PanelView } from '../../panel/view.ts';
import { ChoiceField } from '../../ui/Choice.tsx';
import { useMaterials } from './useMaterials.ts';

/** The edge of a piece and the section of a came are drawn so much larger than they are. */
const SCALE = 9;

/** What a panel takes, from its own lines: foil or came, solder by alloy, what it weighs and how it hangs. */
export function WhatItTakes({ view, paths }: { view: PanelView; paths: PanelPaths }) {
  const { panel, pieces, glasses, settings } = view;
  const { unit } = settings;
  const [code, setCode] = useState('60/40');
  const alloy = alloyNamed(code) ?? nth(ALLOYS, 0);
  const thicknesses = pieces.flatMap((piece) => glasses.get(piece.glassId ?? '')?.thicknessMm ?? []);
  const wish = materialsWish(panel.allowance, thicknesses, alloy);
  const { thicknessMm, came, border: rim } = wish;
  const materials = useMaterials(panel.cartoonId ?? '', paths.cartoon, wish);
  if (materials === null) return null;
  const { weightG, hanging, solder } = materials;
  return (
    <section aria-label="What it takes" className="mt-8 grid gap-3">
      <h2 className="text-xl">What it takes</h2>
      {materials.foil && (
        <div className="flex items-center gap-4">
          <EdgeOfGlass thicknessMm={thicknessMm} overlapMm={materials.foil.overlapMm} />
          <p className="text-[16px]">
            <b>
              {materials.foil.stock} foil, {metres(materials.foil.lengthMm)}
            </b>
            <br />
            It laps {showFineLength(materials.foil.overlapMm, unit)} over each face of glass {thicknessMm} mm thick.
          </p>
        </div>
      )}
      {materials.came.map((one) => (
        <CameLine key={one.profile} came={one} of={[came, rim]} thicknessMm={thicknessMm} unit={unit} />
      ))}
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="w-40">
          <ChoiceField
            label="Solder"
            value={code}
            options={ALLOYS.map((one) => ({ value: one.code, text: one.code }))}
            onChoice={setCode}
          />
        </div>
        <p className="pb-2 text-[16px]">
          <b>about {Math.round(solder.massG)} g</b>
          {panel.technique === 'foil'
            ? `, ${metres(materials.seamMm)} of seams and ${metres(materials.rimMm)} of rim`
            : `, ${count(sumOf(materials.joints), 'joint')}`}
          ; it melts {melting(alloy)}.
        </p>
      </div>
      <p className="text-[16px]">
        Finished it weighs <b>{(weightG.total / 1000).toFixed(1)} kg</b>. On {RINGS} rings each carries{' '}
        {hanging.perRingN.toFixed(0)} N; chain or wire at {SPREAD_DEG}° pulls {hanging.perLineN.toFixed(0)} N.
        {materials.cementMm > 0 && ` ${metres(materials.cementMm)} of edges are cemented on each face.`}
      </p>
      {materials.findings.map((finding) => (
        <p key={finding.code} className="rounded-md border border-risk p-3 text-[15px]">
          {materialsFindingWords(finding, unit)}
        </p>
      ))}
      <p className="text-[14px] text-mute">
        Solder by joint, the crown of a bead and the flange of a came are from memory until the studio has weighed its
        own. Fumes and lead: air, gloves and hands as the labels say.
      </p>
    </section>
  );
}

const metres = (mm: number): string => `${(mm / 1000).toFixed(1)} m`;
const sumOf = ({ L, T, X, more }: Materials['joints']): number => L + T + X + more;
const melting = ({ solidusC, liquidusC }: { solidusC: number; liquidusC: number }): string =>
  solidusC === liquidusC ? `at ${solidusC} °C` : `from ${solidusC} to ${liquidusC} °C`;

/** The edge of a piece in section, to scale: the glass, and the foil round it. */
function EdgeOfGlass({ thicknessMm, overlapMm }: { thicknessMm: number; overlapMm: number }) {
  const long = 6;
  const foil = 0.22;
  return (
    <svg
      role="img"
      aria-label={`Foil round an edge: ${overlapMm.toFixed(1)} mm over each face`}
      width={(long + 1) * SCALE}
      height={(thicknessMm + 1) * SCALE}
      viewBox={`-0.5 -0.5 ${long + 1} ${thicknessMm + 1}`}
    >
      <rect width={long} height={thicknessMm} fill="var(--frost)" stroke="var(--score)" strokeWidth={0.06} />
      <path
        d={`M${overlapMm} ${-foil / 2}H${-foil / 2}V${thicknessMm + foil / 2}H${overlapMm}`}
        fill="none"
        stroke="var(--copper)"
        strokeWidth={foil}
      />
    </svg>
  );
}

function CameLine({
  came,
  of,
  thicknessMm,
  unit,
}: {
  came: Materials['came'][number];
  of: readonly (Came | null)[];
  thicknessMm: number;
  unit: DisplayUnit;
}) {
  const profile = of.find((one) => one?.code === came.profile);
  return (
    <div className="flex items-center gap-4">
      {profile && <CameSection came={profile} thicknessMm={thicknessMm} />}
      <p className="text-[16px]">
        <b>
          {came.profile.toUpperCase()} came, {metres(came.lengthMm)}
        </b>
        <br />
        {count(came.bought, 'length')} of {showLength(CAME_LENGTH_MM, unit)}.
      </p>
    </div>
  );
}

/** A came in section, to scale: its flanges and its heart. */
function CameSection({ came: { code, faceMm, heartMm }, thicknessMm }: { came: Came; thicknessMm: number }) {
  const flange = 0.8;
  const channel = thicknessMm + 1;
  const isU = code.toLowerCase().startsWith('u');
  return (
    <svg
      role="img"
      aria-label={`${code} in section: face ${faceMm} mm, heart ${heartMm} mm`}
      width={(faceMm + 1) * SCALE * 0.8}
      height={(channel + 2 * flange + 1) * SCALE * 0.8}
      viewBox={`-0.5 -0.5 ${faceMm + 1} ${channel + 2 * flange + 1}`}
      fill="var(--came)"
    >
      <rect width={faceMm} height={flange} rx={0.3} />
      <rect y={channel + flange} width={faceMm} height={flange} rx={0.3} />
      <rect x={isU ? 0 : (faceMm - heartMm) / 2} width={heartMm} height={channel + 2 * flange} rx={0.2} />
    </svg>
  );
}
