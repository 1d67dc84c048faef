import type { LeadRun, Locked, OrderBreaks } from '../leading/index.ts';
import { count, showLength, showNumbers, type DisplayUnit } from '../units/index.ts';

/** Why a piece can not be slid in where it stands in the order, and what to do about it. */
export const lockedWords = ({ pieces, by }: Locked): string =>
  by.length === 0
    ? `${showNumbers(pieces, 4)} can not be slid in; open the border where it goes in.`
    : `${showNumbers(pieces, 4)} can not be slid in: ${showNumbers(by, 8)} reach round it; leave one of them out until it is in.`;

/** What an order costs beside the best one, sentence by sentence; none where it costs nothing. */
export function orderBreaksWords({ cut, moreCames, locked }: OrderBreaks): string[] {
  const said = locked.map(lockedWords);
  if (moreCames > 0) said.push(`It takes ${count(moreCames, 'came')} more than the best order.`);
  for (const { pieces } of cut.slice(0, MOST_CUTS_TOLD))
    said.push(`A came that could go through is cut where ${showNumbers(pieces, 6)} meet.`);
  if (cut.length > MOST_CUTS_TOLD) said.push(`So it is at ${count(cut.length - MOST_CUTS_TOLD, 'joint')} more.`);
  return said;
}
const MOST_CUTS_TOLD = 4;

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
