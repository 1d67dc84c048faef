import type { Supply } from '../stock/index.ts';
import { nth } from '../units/index.ts';

/** Densities of the metals, g/cm³ (CRC Handbook of Chemistry and Physics). */
export const TIN_G_PER_CM3 = 7.287;
export const LEAD_G_PER_CM3 = 11.34;
export const COPPER_G_PER_CM3 = 8.96;
/** Zinc as pure; brass of 63 parts of copper to 37 of zinc, as it is drawn (both from memory of handbook tables). */
export const ZINC_G_PER_CM3 = 7.14;
export const BRASS_G_PER_CM3 = 8.44;

export interface Alloy {
  readonly code: string;
  /** Share of tin by weight; the rest is lead. Null for alloys without lead. */
  readonly tin: number | null;
  /** From here on it begins to melt, from there on it is molten, °C. */
  readonly solidusC: number;
  readonly liquidusC: number;
  readonly gPerCm3: number;
}

/** By the law of mixtures of volumes: 1/ρ = Σ wᵢ/ρᵢ. */
export const mixedDensity = (tin: number): number => 1 / (tin / TIN_G_PER_CM3 + (1 - tin) / LEAD_G_PER_CM3);

const tinLead = (code: string, tin: number, solidusC: number, liquidusC: number): Alloy => ({
  code,
  tin,
  solidusC,
  liquidusC,
  gPerCm3: mixedDensity(tin),
});

/** Melting by ASTM B32 and the published phase diagram of tin and lead; lead-free is tin with 0.7 % copper, from memory. */
export const ALLOYS: readonly Alloy[] = [
  tinLead('60/40', 0.6, 183, 190),
  tinLead('50/50', 0.5, 183, 215),
  tinLead('63/37', 0.63, 183, 183),
  { code: 'lead-free', tin: null, solidusC: 227, liquidusC: 227, gPerCm3: 7.31 },
];

/**
 * The alloy that a panel is soldered with: what was booked for it last, else that of which most is on the shelf, else the
 * first.
 * @param booked ids of supplies booked for the panel, the latest last
 */
export function alloyInUse(
  supplies: readonly (Pick<Supply, 'kind' | 'sort' | 'amount'> & { readonly id: string })[],
  booked: readonly string[],
): Alloy {
  const spools = supplies.filter((one) => one.kind === 'solder' && alloyNamed(one.sort.toLowerCase()) !== null);
  const [most] = [...spools].sort(
    (a, b) => booked.lastIndexOf(b.id) - booked.lastIndexOf(a.id) || b.amount - a.amount || a.id.localeCompare(b.id),
  );
  return (most && alloyNamed(most.sort.toLowerCase())) ?? nth(ALLOYS, 0);
}

export const alloyNamed = (code: string): Alloy | null => ALLOYS.find((alloy) => alloy.code === code) ?? null;
