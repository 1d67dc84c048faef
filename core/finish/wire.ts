/** Diameter of a wire by its American gauge, mm (ASTM B258). */
export const gaugeMm = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39);

/** What soft copper bears before it tears, N/mm², and how many times the load it is to bear. From memory. */
const COPPER_N_PER_MM2 = 200;
const SAFETY = 10;
/** Gauges that are sold as wire for hanging, thin to thick. From memory. */
const GAUGES = [20, 18, 16, 14, 12, 10] as const;

export interface WireChoice {
  readonly gauge: number;
  readonly mm: number;
  /** The thickest bears too little for what was asked. */
  readonly isTooThin: boolean;
}

/** The thinnest soft copper wire that bears a pull ten times over. */
export function wireFor(pullN: number): WireChoice {
  const bears = (gauge: number) => ((gaugeMm(gauge) / 2) ** 2 * Math.PI * COPPER_N_PER_MM2) / SAFETY >= pullN;
  const gauge = GAUGES.find(bears) ?? 10;
  return { gauge, mm: gaugeMm(gauge), isTooThin: !bears(gauge) };
}

/** What chain, hooks and their fixing are to be marked for, kg: five times the pull, up to the next half kilo. From memory. */
export const ratedKg = (pullN: number): number => Math.max(0.5, Math.ceil(((5 * pullN) / 9.80665) * 2) / 2);
