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

/** So many times larger or smaller than planned, a drawing is hardly meant so. */
const HARDLY_MEANT = 2.5;

interface Measured {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Why the size of a drawing is asked about: its file gives none, or one far from what was planned. */
export function sizeWonder(
  drawn: Measured,
  planned: Measured,
  read: { readonly physical: boolean } | undefined,
): 'none' | 'far-off' | null {
  if (!read) return null;
  if (!read.physical) return 'none';
  const times = Math.max(drawn.widthMm, drawn.heightMm) / Math.max(planned.widthMm, planned.heightMm);
  return times > HARDLY_MEANT || times < 1 / HARDLY_MEANT ? 'far-off' : null;
}

/** The planned side to size a drawing by, and what the other side then is, where it is not as planned; mm. */
export function asPlanned(
  drawn: Measured | null,
  planned: Measured,
): { side: 'width' | 'height'; mm: number; other: { isMm: number; plannedMm: number } | null } {
  if (!drawn) return { side: 'width', mm: planned.widthMm, other: null };
  const byWidth = planned.widthMm / drawn.widthMm;
  const byHeight = planned.heightMm / drawn.heightMm;
  // The side that keeps the drawing within what was planned.
  const side = byWidth <= byHeight ? 'width' : 'height';
  const [mm, isMm, plannedMm] =
    side === 'width'
      ? [planned.widthMm, drawn.heightMm * byWidth, planned.heightMm]
      : [planned.heightMm, drawn.widthMm * byHeight, planned.widthMm];
  return { side, mm, other: Math.abs(isMm - plannedMm) > 1 ? { isMm, plannedMm } : null };
}
