import type { Misfit } from '../sizing/index.ts';
import { showFineLength, type DisplayUnit } from '../units/index.ts';
import { profileWords } from './profiles.ts';

/** Which side of a panel is too large for its opening, and by how much: `3.6 mm too wide`. */
export function misfitWords({ overWideMm, overHighMm }: Misfit, unit: DisplayUnit): string {
  const sides = [
    ...(overWideMm > 0 ? [`${showFineLength(overWideMm, unit)} too wide`] : []),
    ...(overHighMm > 0 ? [`${showFineLength(overHighMm, unit)} too high`] : []),
  ];
  return sides.join(' and ');
}

/** What would cure it beside a smaller drawing, as one sentence; null where nothing else would. */
export function cureWords({ playMm, border }: Misfit, unit: DisplayUnit): string | null {
  const ways = [
    ...(border === null ? [] : [`${profileWords(border, unit)} as its border`]),
    ...(playMm === null ? [] : [`a play of ${showFineLength(playMm, unit)} a side`]),
  ];
  return ways.length === 0 ? null : `It would also go in with ${ways.join(', or with ')}.`;
}
