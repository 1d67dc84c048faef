import { TOLERANCE } from '../limits/index.ts';
import type { Cartoon } from '../cartoon/index.ts';
import type { LineAllowance } from './allowance.ts';
import { evenOutside, finishedSize, fitsInto, outsideOf, panelInOpening, type Opening } from './border.ts';
import { readProfile, rimOf, USUAL_PROFILES } from './profiles.ts';

interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** How a panel that is too large for its opening misses it, and what would cure it. Millimetres. */
export interface Misfit {
  /** By how much each side is too large; 0 where it goes in. */
  readonly overWideMm: number;
  readonly overHighMm: number;
  /** The play on each side with which it would go in; null where there is no room for it even without play. */
  readonly playMm: number | null;
  /** The code of the widest usual border came with which it would go in; null where none does. */
  readonly border: string | null;
}

/**
 * Why a panel does not go into its opening; null where it does.
 * @param drawn the size of the drawing
 * @param cartoon null as long as there is none: its border is then the same all round
 */
export function misfitOf(
  drawn: Size,
  cartoon: Cartoon | null,
  allowance: LineAllowance,
  opening: Opening,
): Misfit | null {
  const finishedWith = (a: LineAllowance) => finishedSize(drawn, cartoon ? outsideOf(cartoon, a) : evenOutside(a));
  const finished = finishedWith(allowance);
  const room = panelInOpening(opening);
  if (fitsInto(finished, room)) return null;
  const over = (side: keyof Size) => {
    const mm = finished[side] - room[side];
    return mm > TOLERANCE.sameSizeMm ? mm : 0;
  };
  const [overWideMm, overHighMm] = [over('widthMm'), over('heightMm')];
  const playMm = opening.clearanceMm - Math.max(overWideMm, overHighMm) / 2;
  const now = rimOf(allowance).hidesMm;
  const narrower = USUAL_PROFILES.lead
    .flatMap((code) => {
      const profile = readProfile(code);
      return profile && profile.kind !== 'foil' ? [{ code, faceMm: profile.faceMm }] : [];
    })
    .filter(({ faceMm }) => faceMm <= now)
    .sort((a, b) => b.faceMm - a.faceMm);
  const isCame = !rimOf(allowance).isFoil;
  const border = isCame
    ? narrower.find(({ code }) => fitsInto(finishedWith({ ...allowance, border: code }), room))?.code
    : undefined;
  return { overWideMm, overHighMm, playMm: playMm >= 0 ? playMm : null, border: border ?? null };
}
