import type { Cartoon } from '../cartoon/index.ts';
import {
  checkLead,
  cutList,
  leadPlan,
  type Corner,
  type CutList,
  type LeadPlan,
  type Through,
} from '../leading/index.ts';
import { ALLOYS, CAME_LENGTH_MM, type Came, type MaterialsWish } from '../materials/index.ts';
import { readProfile, type LineAllowance } from '../sizing/index.ts';
import { isRough, type Glass } from '../stock/index.ts';
import { nth } from '../units/index.ts';

/** Lost with each cut of came, mm. From memory. */
export const CAME_KERF_MM = 2;
/** Where no glass is chosen yet, and where a came's heart is not known, mm. From memory. */
const USUAL_GLASS_MM = 3;
const HEART_MM = 1.6;
/** How far foil is to lap over, mm; rings, and chain or wire to the horizontal. From memory. */
const OVERLAP_MM = 1.2;
export const RINGS = 2;
export const SPREAD_DEG = 60;

/** Faces of the cames inside and round a panel, mm. */
export function leadFaces({ faceMm, border }: LineAllowance): { readonly innerMm: number; readonly borderMm: number } {
  const rim = border === undefined ? null : readProfile(border);
  return { innerMm: faceMm, borderMm: rim !== null && rim.kind !== 'foil' ? rim.faceMm : faceMm };
}

/** How a panel is to be leaded, beside what is worked out. */
export interface LeadAsked {
  readonly corner?: Corner;
  readonly through?: Through;
  /** Pieces as they are to be laid, by their numbers, instead of in the best order. */
  readonly order?: readonly number[] | undefined;
  /** Came as it is bought, mm. */
  readonly stockMm?: number;
}

/** The order of a leaded panel and its cames packed into lengths; looked at once more by other means. */
export function leadOf(
  cartoon: Cartoon,
  allowance: LineAllowance,
  { corner = 'bottom-left', through = {}, order, stockMm = CAME_LENGTH_MM }: LeadAsked = {},
): { readonly plan: LeadPlan; readonly cuts: CutList } {
  const faces = leadFaces(allowance);
  const plan = leadPlan(cartoon, { corner, through, ...(order ? { order } : {}), ...faces });
  const [fault] = checkLead(plan, faces);
  if (fault !== undefined) throw new Error(`the order does not hold: ${fault}`);
  return { plan, cuts: cutList(plan.runs, { stockMm, kerfMm: CAME_KERF_MM }) };
}

/** The cames of a panel: inside and round it. */
export function camesOf(allowance: LineAllowance): { readonly inner: Came | null; readonly border: Came | null } {
  const heartMm = allowance.heartMm || HEART_MM;
  const cameOf = (code: string): Came | null => {
    const profile = readProfile(code);
    return profile === null || profile.kind === 'foil' ? null : { ...profile, code, heartMm };
  };
  const inner = allowance.technique === 'lead' ? cameOf(`h${allowance.faceMm}`) : null;
  return { inner, border: allowance.border === undefined ? inner : cameOf(allowance.border) };
}

/** By so much a heavier texture stands out: a foil of 1/4 in where 7/32 in goes round smooth glass. Common practice. */
const TEXTURE_MM = 0.6;

/**
 * What is asked of a panel's materials by what it is.
 * @param glasses of the pieces as far as they are chosen; the thickest counts, and whether one is of heavier texture
 * @param more solder, glasses that lie on each other, and what is sealed
 */
export function materialsWish(
  allowance: LineAllowance,
  glasses: readonly Pick<Glass, 'thicknessMm' | 'texture'>[],
  more: Partial<Pick<MaterialsWish, 'alloy' | 'layers' | 'plated' | 'sealsSeams' | 'isBeddedInSealant'>> = {},
): MaterialsWish {
  const { inner, border } = camesOf(allowance);
  const { alloy = nth(ALLOYS, 0), layers = 1, plated = [], sealsSeams = false, isBeddedInSealant = false } = more;
  return {
    technique: allowance.technique,
    thicknessMm: glasses.length === 0 ? USUAL_GLASS_MM : Math.max(...glasses.map((one) => one.thicknessMm)),
    textureMm: glasses.some(({ texture }) => isRough(texture)) ? TEXTURE_MM : 0,
    layers,
    plated,
    sealsSeams,
    isBeddedInSealant,
    overlapMm: OVERLAP_MM,
    gapMm: allowance.gapMm,
    came: inner,
    border,
    alloy,
    rings: RINGS,
    spreadDeg: SPREAD_DEG,
  };
}
