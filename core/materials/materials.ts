import type { Cartoon } from '../cartoon/index.ts';
import { cutList, straightRuns, type LeadRun } from '../leading/index.ts';
import { GLASS_G_PER_CM3 } from '../stock/index.ts';
import { COPPER_G_PER_CM3, type Alloy } from './alloys.ts';
import { cameSection, type Came } from './cameSection.ts';
import { BOUND_OVERLAP_MM, foilFor, foilForAll, foilRound, LEAST_OVERLAP_MM } from './foil.ts';
import { JOINT_G, seamSection } from './solder.ts';

/** What a foil goes round: glasses that lie on each other, wound as often, and by how much their texture stands out. */
export interface GlassEdge {
  /** Of one glass. */
  readonly thicknessMm: number;
  readonly textureMm: number;
  readonly layers: number;
}

export interface MaterialsWish {
  readonly technique: 'foil' | 'lead';
  /** Of one glass. */
  readonly thicknessMm: number;
  /** Glass that is other than one smooth sheet of that thickness, with the pieces that are of it. */
  readonly kinds?: readonly (GlassEdge & { readonly numbers: readonly number[] })[];
  /** Its inside seams are sealed; it is bedded in sealant all round. */
  readonly sealsSeams?: boolean;
  readonly isBeddedInSealant?: boolean;
  /** How far foil is to lap over each face, mm. */
  readonly overlapMm: number;
  readonly gapMm: number;
  /** Inside the panel; of foil it has none. */
  readonly came: Came | null;
  readonly border: Came | null;
  readonly alloy: Alloy;
  readonly rings: number;
  /** Of chain or wire to the horizontal, degrees. */
  readonly spreadDeg: number;
}

export type MaterialsFinding =
  | { readonly code: 'foil-too-narrow'; readonly overlapMm: number }
  | { readonly code: 'overlap-too-small'; readonly overlapMm: number }
  | { readonly code: 'heavy'; readonly totalG: number }
  | { readonly code: 'flat-spread'; readonly spreadDeg: number };

/** Foil of one width. */
export interface FoilTaken {
  readonly stock: string;
  readonly widthMm: number;
  /** On each face of the thickest that it goes round, mm. */
  readonly overlapMm: number;
  readonly lengthMm: number;
  readonly edge: GlassEdge;
}

export interface Materials {
  /** What most of it takes, and what else some pieces take. */
  readonly foil:
    | (FoilTaken & {
        readonly perPiece: readonly { readonly number: number; readonly lengthMm: number }[];
        readonly others: readonly FoilTaken[];
      })
    | null;
  readonly came: readonly { readonly profile: string; readonly lengthMm: number; readonly bought: number }[];
  readonly joints: { readonly L: number; readonly T: number; readonly X: number; readonly more: number };
  /** Lines between two pieces, and lines round the panel, mm. */
  readonly seamMm: number;
  readonly rimMm: number;
  readonly solder: { readonly massG: number; readonly volumeMm3: number };
  /** Edges of glass under lead on each face, mm: so much is cemented. */
  readonly cementMm: number;
  /** Left out where nothing is sealed. */
  readonly sealantMl?: number;
  readonly weightG: {
    readonly glass: number;
    readonly foil: number;
    readonly came: number;
    readonly solder: number;
    readonly total: number;
  };
  readonly hanging: { readonly perRingN: number; readonly perLineN: number };
  readonly findings: readonly MaterialsFinding[];
}

/** Came as it is bought, and what of each length is lost, mm. From memory. */
export const CAME_LENGTH_MM = 1830;
const LOST_MM = 25;
/** Copper foil without its glue, mm. From memory. */
const FOIL_MM = 0.03;
/** A fillet of sealant with legs of 5 mm along a seam, and a bed of 6 × 6 mm along the rim, mm². From memory. */
const FILLET_MM2 = 12.5;
const BED_MM2 = 36;
/** Standard gravity, m/s² (CGPM 1901). */
const GRAVITY = 9.80665;
/** A panel of this weight wants more than rings, g; a spread flatter than this pulls hard. From memory. */
const HEAVY_G = 4000;
const FLAT_DEG = 30;

/** What a panel takes, from its own pieces, joints and lines. */
export function materialsOf(cartoon: Pick<Cartoon, 'map' | 'pieces'>, wish: MaterialsWish): Materials {
  const { technique, alloy } = wish;
  const edgeOf = edgesBy(wish);
  const faces = { innerMm: wish.came?.faceMm ?? 0, borderMm: wish.border?.faceMm ?? 0 };
  const { joints, lines, runs } = straightRuns(cartoon, faces);
  const sum = (of: readonly number[]): number => of.reduce((total, mm) => total + mm, 0);
  const seamMm = sum(lines.flatMap((line) => (line.isBorder ? [] : [line.lengthMm])));
  const rimMm = sum(lines.flatMap((line) => (line.isBorder ? [line.lengthMm] : [])));
  const counts = { L: 0, T: 0, X: 0, more: 0 };
  for (const { kind } of joints) if (kind !== 'end') counts[kind]++;

  const foil = technique === 'foil' ? foilOf(cartoon, wish, edgeOf) : null;
  const came = cameOf(runs, wish);
  const solderMm3 =
    foil === null
      ? ((JOINT_G * (counts.L + counts.T + counts.X + counts.more)) / alloy.gPerCm3) * 1000
      : seamMm * seamSection(wish.gapMm, foil.edge.layers * foil.edge.thicknessMm, foil.overlapMm);
  const grams = {
    glass: (sum(cartoon.pieces.map((one) => one.areaMm2 * glassMm(edgeOf(one.number)))) * GLASS_G_PER_CM3) / 1000,
    foil:
      foil === null
        ? 0
        : (sum(allFoil(foil).map((one) => one.lengthMm * one.widthMm)) * FOIL_MM * COPPER_G_PER_CM3) / 1000,
    came: sum(came.map((one) => (one.lengthMm * one.gPerM) / 1000)),
    solder: (solderMm3 * alloy.gPerCm3) / 1000,
  };
  const sealantMl =
    (wish.sealsSeams ? (seamMm * FILLET_MM2) / 1000 : 0) + (wish.isBeddedInSealant ? (rimMm * BED_MM2) / 1000 : 0);
  const total = grams.glass + grams.foil + grams.came + grams.solder;
  const perRingN = ((total / 1000) * GRAVITY) / wish.rings;
  return {
    foil,
    came: came.map(({ profile, lengthMm, bought }) => ({ profile, lengthMm, bought })),
    joints: counts,
    seamMm,
    rimMm,
    solder: { massG: grams.solder, volumeMm3: solderMm3 },
    ...(sealantMl > 0 && { sealantMl }),
    cementMm: technique === 'lead' ? 2 * seamMm + rimMm : 0,
    weightG: { ...grams, total },
    hanging: { perRingN, perLineN: perRingN / Math.sin((wish.spreadDeg * Math.PI) / 180) },
    findings: findingsOf(wish, foil, total),
  };
}

/** How thick the glass of a piece is, all its layers, mm. */
const glassMm = ({ thicknessMm, layers }: GlassEdge): number => layers * thicknessMm;

function edgesBy({ kinds = [], thicknessMm }: MaterialsWish): (number: number) => GlassEdge {
  const known = new Map(kinds.flatMap((kind) => kind.numbers.map((number) => [number, kind] as const)));
  const usual = { thicknessMm, textureMm: 0, layers: 1 };
  return (number) => known.get(number) ?? usual;
}

function foilOf(
  { pieces }: Pick<Cartoon, 'pieces'>,
  wish: MaterialsWish,
  edgeOf: (number: number) => GlassEdge,
): NonNullable<Materials['foil']> {
  const perPiece: { number: number; lengthMm: number }[] = [];
  const byStock = new Map<string, FoilTaken & { readonly lengths: number[] }>();
  for (const { number, perimeterMm } of pieces) {
    const { thicknessMm, textureMm, layers } = edgeOf(number);
    const edge = { thicknessMm, textureMm, layers };
    const lengthMm = layers * foilRound(perimeterMm);
    perPiece.push({ number, lengthMm });
    const laps = layers > 1 ? Math.max(wish.overlapMm, BOUND_OVERLAP_MM) : wish.overlapMm;
    const { stock, widthMm, overlapMm } = foilFor(glassMm(edge) + textureMm, laps);
    const known = byStock.get(stock);
    if (known) known.lengths.push(lengthMm);
    if (!known || overlapMm < known.overlapMm)
      byStock.set(stock, { stock, widthMm, overlapMm, edge, lengthMm: 0, lengths: known?.lengths ?? [lengthMm] });
  }
  const taken = [...byStock.values()]
    .map(({ lengths, ...one }) => ({ ...one, lengthMm: foilForAll(lengths) }))
    .sort((a, b) => b.lengthMm - a.lengthMm);
  const [most = nothingTaken(wish), ...others] = taken;
  return { ...most, perPiece, others };
}

/** Of a drawing without pieces. */
function nothingTaken({ thicknessMm, overlapMm: laps }: MaterialsWish): FoilTaken {
  const { stock, widthMm, overlapMm } = foilFor(thicknessMm, laps);
  return { stock, widthMm, overlapMm, lengthMm: 0, edge: { thicknessMm, textureMm: 0, layers: 1 } };
}

/** Every width that a panel takes. */
export const allFoil = (foil: Materials['foil']): readonly FoilTaken[] =>
  foil === null || foil.lengthMm === 0 ? [] : [foil, ...foil.others];

/** Cames by their profile: how long together, and how many lengths to buy. */
function cameOf(runs: readonly LeadRun[], { came, border, thicknessMm }: MaterialsWish) {
  const byProfile = new Map<string, { readonly profile: Came; readonly own: LeadRun[] }>();
  for (const run of [...runs].sort((a, b) => Number(a.isBorder) - Number(b.isBorder))) {
    const profile = run.isBorder ? border : came;
    if (profile === null) continue;
    const known = byProfile.get(profile.code);
    if (known) known.own.push(run);
    else byProfile.set(profile.code, { profile, own: [run] });
  }
  return [...byProfile.values()].map(({ profile, own }) => {
    // A border of the very came that is inside the panel is cut from the same lengths.
    const parts = own.map(({ lengthMm }) => ({ lengthMm, isBorder: false }));
    const { lengths } = cutList(parts, { stockMm: CAME_LENGTH_MM - LOST_MM, kerfMm: 0 });
    const lengthMm = own.reduce((sum, run) => sum + run.lengthMm, 0);
    const { gPerM } = cameSection(profile, thicknessMm);
    return { profile: profile.code, lengthMm, bought: lengths.length, gPerM };
  });
}

function findingsOf(wish: MaterialsWish, foil: Materials['foil'], totalG: number): MaterialsFinding[] {
  const findings: MaterialsFinding[] = [];
  const overlapMm = Math.min(...allFoil(foil).map((one) => one.overlapMm));
  if (overlapMm < LEAST_OVERLAP_MM - 1e-9) findings.push({ code: 'overlap-too-small', overlapMm });
  else if (overlapMm < wish.overlapMm - 1e-9) findings.push({ code: 'foil-too-narrow', overlapMm });
  if (totalG > HEAVY_G) findings.push({ code: 'heavy', totalG });
  if (wish.spreadDeg < FLAT_DEG) findings.push({ code: 'flat-spread', spreadDeg: wish.spreadDeg });
  return findings;
}
