import { priceOfArea } from '../units/index.ts';
import type { Glass } from './types.ts';

/** What a choice of glass comes to. */
export interface ChoiceSum {
  /** The glass of the pieces themselves, at its price by area: what is lost in cutting is not in it. */
  readonly cents: number;
  /** Pieces for which no glass is chosen. */
  readonly undecided: number;
  /** Glasses of which the rack has less than is still to be cut, mm². */
  readonly short: readonly { readonly glassId: string; readonly missingMm2: number }[];
}

interface Chosen {
  readonly glassId: string | null;
  readonly areaMm2: number;
  /** Its glass is cut already: the rack has given it. */
  readonly isCut: boolean;
}

/** @param onRackMm2 what the rack has of a glass */
export function choiceSum(
  pieces: readonly Chosen[],
  glasses: ReadonlyMap<string, Pick<Glass, 'priceCentsPerM2'>>,
  onRackMm2: (glassId: string) => number,
): ChoiceSum {
  let cents = 0;
  let undecided = 0;
  const wanted = new Map<string, number>();
  for (const { glassId, areaMm2, isCut } of pieces) {
    const glass = glassId === null ? undefined : glasses.get(glassId);
    if (glassId === null || !glass) {
      undecided++;
      continue;
    }
    cents += priceOfArea(areaMm2, glass.priceCentsPerM2);
    if (!isCut) wanted.set(glassId, (wanted.get(glassId) ?? 0) + areaMm2);
  }
  const short = [...wanted].flatMap(([glassId, mm2]) => {
    const missingMm2 = mm2 - onRackMm2(glassId);
    return missingMm2 > 0 ? [{ glassId, missingMm2 }] : [];
  });
  return { cents, undecided, short };
}
