import { BOUNDS, DEFAULT_LIMITS } from '../limits/index.ts';
import type { LineAllowance } from './allowance.ts';

/**
 * What one line takes up when it differs from its panel's own. Codes are written as a studio says them:
 * `h8` an H came of 8 mm face, `u6` a U came of 6 mm face round the rim, `u10 zinc` one of zinc, `h6 round` one whose
 * face is domed, `f1.2` foil with a gap of 1.2 mm.
 */
export type Profile = CameProfile | { readonly kind: 'foil'; readonly gapMm: number };

export const CAME_METALS = ['lead', 'zinc', 'brass', 'copper'] as const;
export type CameMetal = (typeof CAME_METALS)[number];

export interface CameProfile {
  readonly kind: 'H' | 'U';
  readonly faceMm: number;
  readonly metal: CameMetal;
  /** Its face is domed, not flat. */
  readonly isRound: boolean;
}

/** How a profile is written: foil and its gap, or a came, its face, and what differs from flat lead. */
export const PROFILE_CODE =
  /^(?:f(\d+(?:\.\d+)?)|([hu])(\d+(?:\.\d+)?)(?: (lead|zinc|brass|copper))?(?: (flat|round))?)$/i;

/** The profile that a code names, or null when it names none. */
export function readProfile(code: string): Profile | null {
  const found = PROFILE_CODE.exec(code.trim().replace(/\s+/g, ' ').toLowerCase());
  if (!found) return null;
  const [, gap, kind, face, metal, leaf] = found;
  if (gap !== undefined) return Number(gap) <= BOUNDS.gapMm.most ? { kind: 'foil', gapMm: Number(gap) } : null;
  const faceMm = Number(face);
  if (faceMm < 2 || faceMm > BOUNDS.faceMm.most) return null;
  return {
    kind: kind === 'h' ? 'H' : 'U',
    faceMm,
    metal: CAME_METALS.find((one) => one === metal) ?? 'lead',
    isRound: leaf === 'round',
  };
}

/** How far two edges keep off a line: that of the glass as cut, and that of the light. Millimetres. */
export interface Keeps {
  readonly cutMm: number;
  readonly daylightMm: number;
}

/** Heart and play of a came: the panel's own, or in a panel of foil, which has none, those of the trade. */
const cameOf = (a: LineAllowance): Pick<LineAllowance, 'heartMm' | 'clearanceMm'> =>
  a.technique === 'lead' ? a : { heartMm: DEFAULT_LIMITS.heartMm, clearanceMm: DEFAULT_LIMITS.playMm };

/** Half of what an inner line takes up, and half of what it hides. */
export function innerKeeps(a: LineAllowance, code: string | null = null): Keeps {
  const profile = code === null ? null : readProfile(code);
  if (profile?.kind === 'foil') return { cutMm: profile.gapMm / 2, daylightMm: Math.max(profile.gapMm, a.faceMm) / 2 };
  const { heartMm, clearanceMm } = cameOf(a);
  if (profile) return { cutMm: heartMm / 2 + clearanceMm, daylightMm: profile.faceMm / 2 };
  return a.technique === 'foil'
    ? { cutMm: a.gapMm / 2, daylightMm: a.faceMm / 2 }
    : { cutMm: heartMm / 2 + clearanceMm, daylightMm: a.faceMm / 2 };
}

/** What goes round a panel's outline: a came or foil. Millimetres. */
export interface Rim {
  readonly isFoil: boolean;
  /** From its outside to where the glass may reach at most: (face + heart)/2 for an H, the base's thickness for a U. */
  readonly glassMm: number;
  /** The glass is cut so much smaller. */
  readonly playMm: number;
  /** What it hides, from its outside; of foil half a seam. */
  readonly hidesMm: number;
  /** Of a came: its heart, or the base of a U. */
  readonly heartMm: number;
}

/**
 * The one answer to what a border takes up: outline, opening, section and cut outline follow from it.
 * @param code of a line that has one of its own; else the panel's border says it, else its lines
 */
export function rimOf(a: LineAllowance, code: string | null = null): Rim {
  const said = code ?? a.border ?? null;
  const profile = said === null ? null : readProfile(said);
  const isFoil = profile ? profile.kind === 'foil' : a.technique === 'foil';
  if (isFoil) {
    const gapMm = profile?.kind === 'foil' ? profile.gapMm : a.gapMm;
    return { isFoil, glassMm: gapMm / 2, playMm: 0, hidesMm: a.faceMm / 2, heartMm: 0 };
  }
  const { heartMm, clearanceMm } = cameOf(a);
  const faceMm = profile && profile.kind !== 'foil' ? profile.faceMm : a.faceMm;
  const glassMm = profile?.kind === 'U' ? heartMm : (faceMm + heartMm) / 2;
  return { isFoil, glassMm, playMm: clearanceMm, hidesMm: faceMm, heartMm };
}

/**
 * How far the glass and the light keep off the outline. As the edge of the glass it moves nothing in; as the outside of a
 * border came the glass begins (face + heart)/2 further in for an H, the base's thickness for a U, plus the play. Foil and
 * its bead lap over the rim by half a seam.
 */
export function rimKeeps(a: LineAllowance, code: string | null = null): Keeps {
  const { isFoil, glassMm, playMm, hidesMm } = rimOf(a, code);
  if (a.outline === 'came-outside') return { cutMm: glassMm + playMm, daylightMm: hidesMm };
  return { cutMm: 0, daylightMm: isFoil ? hidesMm : Math.max(0, hidesMm - glassMm) };
}

/** Came faces that studios keep, mm (from memory); offered in the interface, not the only ones possible. */
export const USUAL_PROFILES: Readonly<Record<LineAllowance['technique'], readonly string[]>> = {
  lead: ['h4', 'h5', 'h6', 'h8', 'h10', 'h12', 'u6', 'u8'],
  foil: ['f0.4', 'f0.8', 'f1.2', 'f1.6', 'h6', 'u6'],
};

/** Borders of a stiffer metal, and domed ones, that studios keep (from memory). */
export const USUAL_METAL_BORDERS: readonly string[] = [
  'u6 zinc',
  'u10 zinc',
  'h10 zinc',
  'u6 brass',
  'u6 copper',
  'h10 round',
];
