import { BOUNDS, isWithin } from '../limits/index.ts';
import { showLength, type DisplayUnit } from '../units/index.ts';

interface Sides {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Longer than so many times its width, a panel is hardly meant. From memory. */
const SLENDER = 15;

/** Why a panel of such a size is asked about before it is entered; null where there is nothing to wonder at. */
export function panelWonder({ widthMm, heightMm }: Sides, unit: DisplayUnit): string | null {
  const shown = (mm: number) => showLength(mm, unit, mm < 10 ? 2 : 0);
  const [short, long] = widthMm <= heightMm ? [widthMm, heightMm] : [heightMm, widthMm];
  const size = `${shown(widthMm)} wide and ${shown(heightMm)} high`;
  if (short < BOUNDS.meantMm.least) return `${size}: one side is smaller than a fingertip’s worth of glass.`;
  if (!isWithin(long, BOUNDS.meantMm))
    return `${size}: glass of that size is made as several panels with bars between.`;
  return long > short * SLENDER ? `${size}: a strip more than ${SLENDER} times as long as it is wide.` : null;
}
