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
import {
  ALLOYS,
  CAME_LENGTH_MM,
  type Alloy,
  type Came,
  type GlassEdge,
  type MaterialsWish,
} from '../materials/index.ts';
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

/** What is known of how a panel is made, beside its lines. */
export interface Making {
  readonly alloy?: Alloy;
  /** Glasses that lie on each other in every piece; 1 where it is left out. */
  readonly layers?: number;
  /** Pieces in which a plate lies on the first glass. */
  readonly plated?: readonly number[];
  readonly sealsSeams?: boolean;
  readonly isBeddedInSealant?: boolean;
}

/** A piece with its glass, and with that behind it where it is of two. */
export interface WithGlass {
  readonly number: number;
  readonly glass: Pick<Glass, 'thicknessMm' | 'texture'> | null;
  readonly back?: Pick<Glass, 'thicknessMm' | 'texture'> | null;
}

/**
 * What is asked of a panel's materials by what it is.
 * @param pieces with their glass as far as it is chosen; what has none is taken for as thick as the thickest. Of two
 *   glasses that lie on each other each is taken for as thick as they are on average
 */
export function materialsWish(
  allowance: LineAllowance,
  pieces: readonly WithGlass[],
  { alloy = nth(ALLOYS, 0), layers = 1, plated = [], sealsSeams = false, isBeddedInSealant = false }: Making = {},
): MaterialsWish {
  const { inner, border } = camesOf(allowance);
  const known = pieces.flatMap(({ glass }) => glass?.thicknessMm ?? []);
  const thicknessMm = known.length === 0 ? USUAL_GLASS_MM : Math.max(...known);
  const kinds = new Map<string, GlassEdge & { readonly numbers: number[] }>();
  for (const { number, glass, back = null } of pieces) {
    const both = layers === 1 && plated.includes(number) ? 2 : layers;
    const own = [glass, both > 1 ? back : null].flatMap((one) => one ?? []);
    const edge: GlassEdge = {
      thicknessMm: own.length === 0 ? thicknessMm : own.reduce((sum, one) => sum + one.thicknessMm, 0) / own.length,
      textureMm: own.some((one) => isRough(one.texture)) ? TEXTURE_MM : 0,
      layers: both,
    };
    if (edge.thicknessMm === thicknessMm && edge.textureMm === 0 && edge.layers === 1) continue;
    const key = JSON.stringify(edge);
    const kind = kinds.get(key) ?? { ...edge, numbers: [] };
    kind.numbers.push(number);
    kinds.set(key, kind);
  }
  return {
    technique: allowance.technique,
    thicknessMm,
    kinds: [...kinds.values()],
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
