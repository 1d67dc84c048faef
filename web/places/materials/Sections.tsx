import type { Came } from '#core/materials';

/** The edge of a piece and the section of a came are drawn so much larger than they are, px a mm. */
const SCALE = 14;
const EDGE_SCALE = 24;

/** The edge of a piece in section, to scale: the glass, and the foil round it. */
export function EdgeOfGlass({ thicknessMm, overlapMm }: { thicknessMm: number; overlapMm: number }) {
  const long = 6;
  const foil = 0.22;
  return (
    <svg
      role="img"
      className="shrink-0"
      aria-label={`Foil round an edge: ${overlapMm.toFixed(1)} mm over each face`}
      width={(long + 1) * EDGE_SCALE}
      height={(thicknessMm + 1) * EDGE_SCALE}
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

/** A came in section, to scale: its flanges and its heart. */
export function CameSection({ came: { code, faceMm, heartMm }, thicknessMm }: { came: Came; thicknessMm: number }) {
  const flange = 0.8;
  const channel = thicknessMm + 1;
  const isU = code.toLowerCase().startsWith('u');
  return (
    <svg
      role="img"
      aria-label={`${code} in section: face ${faceMm} mm, heart ${heartMm} mm`}
      width={(faceMm + 1) * SCALE}
      height={(channel + 2 * flange + 1) * SCALE}
      viewBox={`-0.5 -0.5 ${faceMm + 1} ${channel + 2 * flange + 1}`}
      fill="var(--came)"
    >
      <rect width={faceMm} height={flange} rx={0.3} />
      <rect y={channel + flange} width={faceMm} height={flange} rx={0.3} />
      <rect x={isU ? 0 : (faceMm - heartMm) / 2} width={heartMm} height={channel + 2 * flange} rx={0.2} />
    </svg>
  );
}
