import { stageIndex, type Hours, type Piece, type Route, type WorkStage } from '../bench/index.ts';
import { minutesOf, sharedByLength } from './hours.ts';

type Timed = Pick<Piece, 'number' | 'perimeterMm' | 'stage' | 'recuts'>;

/**
 * Minutes of a panel's hours by piece: the time of each stage is shared, by length of edge, over the pieces that
 * have been through it (a broken one that waits has been cut). Time of a stage that no piece has reached is shared by all.
 */
export function minutesByPiece(
  hours: Iterable<Hours>,
  route: Route,
  pieces: readonly Timed[],
  now: number,
): Map<number, number> {
  const total = new Map(pieces.map((piece) => [piece.number, 0]));
  const byStage = new Map<WorkStage, number>();
  for (const entry of hours) byStage.set(entry.stage, (byStage.get(entry.stage) ?? 0) + minutesOf(entry, now));
  for (const [work, minutes] of byStage) {
    // The first step of a piece that this is the work of: it has been through it, or a broken one has been cut.
    const least = Math.max(
      0,
      route.pieceSteps.findIndex((s) => s.work === work),
    );
    const through = pieces.filter((p) => stageIndex(route, p.stage) >= least || (work === 'cutting' && p.recuts > 0));
    const shares = sharedByLength(minutes, through.length > 0 ? through : pieces);
    for (const [number, share] of shares) total.set(number, (total.get(number) ?? 0) + share);
  }
  return total;
}
