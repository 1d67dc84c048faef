import { BOUNDS, isWithin } from '#core/limits';
import { lengthToMm, type DisplayUnit } from '#core/units';

/** What is wrong with the one known measure as typed; null when it may be used, or none was typed. */
export function measureProblem(text: string, unit: DisplayUnit): string | null {
  if (text.trim() === '') return null;
  const mm = lengthToMm(text, unit) ?? Number.NaN;
  return mm > 0 && isWithin(mm, BOUNDS.panelMm) ? null : 'A length above 0, such as 420 mm or 16 1/2 in.';
}

/** What is wrong with the distance within which ends are joined; null when it may be used, or none was typed. */
export function snapProblem(text: string, unit: DisplayUnit): string | null {
  if (text.trim() === '') return null;
  const { least, most } = BOUNDS.snapMm;
  const mm = lengthToMm(text, unit) ?? Number.NaN;
  return isWithin(mm, BOUNDS.snapMm) ? null : `A length from ${least} to ${most} mm.`;
}
