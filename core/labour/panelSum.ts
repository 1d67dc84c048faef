import { backGlassOf, BEGINS, glassAreaOf, type Hours, type Mishap, type Piece } from '../bench/index.ts';
import { priceOfArea } from '../units/index.ts';
import { costOf, minutesOf } from './hours.ts';

/** What one panel took, money in cents. */
export interface PanelSum {
  readonly minutes: number;
  readonly labourCents: number;
  /** Pieces that are cut or further, and the glass in them. */
  readonly begun: number;
  readonly glassCents: number;
  readonly breaks: number;
  readonly lostCents: number;
}

type Made = Pick<Piece, 'stage' | 'glassId' | 'backGlassId' | 'backFrom' | 'areaMm2' | 'glassMm2'>;

/**
 * Hours at each person's rate, the glass in the panel at its price by area, and the glass that broke.
 * @param priceOf cents a square metre of a glass; 0 where it is not known
 */
export function panelSum(
  hours: readonly Hours[],
  mishaps: readonly Pick<Mishap, 'glassCents'>[],
  pieces: readonly Made[],
  priceOf: (glassId: string) => number,
  now: number,
): PanelSum {
  const cut = pieces.filter((p) => p.stage !== BEGINS);
  const centsOf = (piece: Made, glassId: string | null): number =>
    glassId === null ? 0 : priceOfArea(glassAreaOf(piece), priceOf(glassId));
  return {
    minutes: hours.reduce((sum, h) => sum + minutesOf(h, now), 0),
    labourCents: hours.reduce((sum, h) => sum + costOf(h, now), 0),
    begun: cut.length,
    glassCents: pieces.reduce(
      (sum, p) =>
        sum + (p.stage === BEGINS ? 0 : centsOf(p, p.glassId)) + (p.backFrom === null ? 0 : centsOf(p, backGlassOf(p))),
      0,
    ),
    breaks: mishaps.length,
    lostCents: mishaps.reduce((sum, m) => sum + m.glassCents, 0),
  };
}
