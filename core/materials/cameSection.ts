import type { CameMetal } from '../sizing/index.ts';
import { BRASS_G_PER_CM3, COPPER_G_PER_CM3, LEAD_G_PER_CM3, ZINC_G_PER_CM3 } from './alloys.ts';

/** A came by its code and its measures, mm; of lead and flat where nothing else is said. */
export interface Came {
  readonly code: string;
  readonly faceMm: number;
  readonly heartMm: number;
  readonly metal?: CameMetal;
  readonly isRound?: boolean;
}

/** How thick a leaf is, mm: lead is drawn, stiffer metals are rolled from sheet. From memory. */
const LEAF_MM: Readonly<Record<CameMetal, number>> = { lead: 1, zinc: 0.7, brass: 0.6, copper: 0.6 };
/** A domed leaf is so much thicker at its crown than a flat one, and runs out to nothing at its edges. From memory. */
const CROWN = 1.6;
/** A channel is so much wider than the glass, mm. From memory. */
const CHANNEL_PLAY_MM = 1.2;

const G_PER_CM3: Readonly<Record<CameMetal, number>> = {
  lead: LEAD_G_PER_CM3,
  zinc: ZINC_G_PER_CM3,
  brass: BRASS_G_PER_CM3,
  copper: COPPER_G_PER_CM3,
};

/** The parts of a came across its length, mm. */
export interface CameSection {
  /** A leaf at its thickest. */
  readonly leafMm: number;
  /** Between the leaves. */
  readonly channelMm: number;
  /** Two leaves and the heart, or the base of a U. */
  readonly areaMm2: number;
  /** Of a metre of it. */
  readonly gPerM: number;
}

/** A came in section round glass of a thickness: a domed leaf is half an ellipse. */
export function cameSection(
  { faceMm, heartMm, metal = 'lead', isRound = false }: Came,
  thicknessMm: number,
): CameSection {
  const leafMm = LEAF_MM[metal] * (isRound ? CROWN : 1);
  const channelMm = thicknessMm + CHANNEL_PLAY_MM;
  const leafMm2 = faceMm * leafMm * (isRound ? Math.PI / 4 : 1);
  const areaMm2 = 2 * leafMm2 + heartMm * channelMm;
  return { leafMm, channelMm, areaMm2, gPerM: areaMm2 * G_PER_CM3[metal] };
}
