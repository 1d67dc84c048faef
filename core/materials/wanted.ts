import type { SupplyKind } from '../stock/index.ts';
import { allFoil, CAME_LENGTH_MM, type Materials, type MaterialsWish } from './materials.ts';

/** Per metre of line on both faces, and per joint; each from memory until the studio's own use has taught better. */
const FLUX_ML_PER_M = 5;
const FLUX_ML_PER_JOINT = 0.15;
const PATINA_ML_PER_M = 4;
const WAX_G_PER_M = 1.5;
/** Per metre of edge on each face, worked in and brushed out again. From memory. */
const CEMENT_G_PER_M = 30;
const WHITING_G_PER_M = 10;

/** An amount of a kind and sort, in the measure of its kind: mm, g or ml. */
export interface WantedSupply {
  readonly kind: SupplyKind;
  /** As the reckoning calls it; empty where it does not matter. */
  readonly sort: string;
  readonly amount: number;
}

/** What a panel takes of everything that is bought beside glass, by the usual figures. */
export function wantedSupplies(
  materials: Materials,
  { technique, alloy }: Pick<MaterialsWish, 'technique' | 'alloy'>,
): WantedSupply[] {
  const { foil, came, solder, joints, seamMm, rimMm, cementMm, sealantMl = 0 } = materials;
  const lines = (seamMm + rimMm) / 1000;
  const joined = joints.L + joints.T + joints.X + joints.more;
  const plain = (kind: SupplyKind, amount: number): WantedSupply => ({ kind, sort: '', amount });
  return [
    ...allFoil(foil).map(({ stock, lengthMm }) => ({ kind: 'foil' as const, sort: stock, amount: lengthMm })),
    // Cames are bought by the length: what is left of one is too short for most.
    ...came.map(({ profile, bought }) => ({ kind: 'came' as const, sort: profile, amount: bought * CAME_LENGTH_MM })),
    { kind: 'solder' as const, sort: alloy.code, amount: solder.massG },
    plain('flux', technique === 'foil' ? lines * FLUX_ML_PER_M : 2 * joined * FLUX_ML_PER_JOINT),
    ...(technique === 'foil'
      ? [plain('patina', lines * PATINA_ML_PER_M), plain('wax', lines * WAX_G_PER_M)]
      : [
          plain('cement', (2 * cementMm * CEMENT_G_PER_M) / 1000),
          plain('whiting', (2 * cementMm * WHITING_G_PER_M) / 1000),
        ]),
    ...(sealantMl > 0 ? [plain('sealant', sealantMl)] : []),
  ];
}
