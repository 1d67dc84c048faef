import type { LeadRun, Locked } from '../leading/index.ts';
import { showLength, showNumbers, type DisplayUnit } from '../units/index.ts';

/** Why a piece can not be slid in where it stands in the order, and what to do about it. */
export const lockedWords = ({ pieces, by }: Locked): string =>
  by.length === 0
    ? `${showNumbers(pieces, 4)} can not be slid in; open the border where it goes in.`
    : `${showNumbers(pieces, 4)} can not be slid in: ${showNumbers(by, 8)} reach round it; leave one of them out until it is in.`;

type End = LeadRun['ends'][number];

/** An angle this near to square is cut square. */
const SQUARE_DEG = 2;

function endWords({ kind, angleDeg }: End): string {
  if (kind === 'open') return 'left long';
  if (kind === 'closed') return 'closed';
  const isSquare = (angleDeg ?? 90) > 90 - SQUARE_DEG;
  if (kind === 'over') return `across the corner, cut ${isSquare ? 'square' : `at ${Math.round(angleDeg ?? 90)}°`}`;
  if (kind === 'butt' && isSquare) return 'square';
  return `${kind === 'mitre' ? 'mitred' : 'slanted'} at ${Math.round(angleDeg ?? 90)}°`;
}

/** How both ends of a came are cut: `both ends square`, `one end square, the other mitred at 45°`. */
export function endsWords([one, other]: LeadRun['ends']): string {
  const [a, b] = [endWords(one), endWords(other)];
  if (a === 'closed') return 'bent round until its ends meet';
  return a === b ? `both ends ${a}` : `one end ${a}, the other ${b}`;
}

/** A came as it is called out at the bench: its length, then its ends. */
export const runWords = (run: Pick<LeadRun, 'lengthMm' | 'ends'>, unit: DisplayUnit): string =>
  `${showLength(run.lengthMm, unit, 1)}, ${endsWords(run.ends)}`;
