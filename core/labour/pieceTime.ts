import { stageIndex, type Hours, type Panel, type Piece, type Stage, type WorkStage } from '../bench/index.ts';
import { minutesOf, sharedByLength } from './hours.ts';

/** The stage that a piece has to have reached to have had its share of some work; other work is shared by all. */
const REACHED: Readonly<Partial<Record<WorkStage, Stage>>> = {
  cutting: 'cut',
  grinding: 'ground',
  foiling: 'foiled',
  leading: 'leaded',
  soldering: 'in-place',
};

type Timed = Pick<Piece, 'number' | 'perimeterMm' | 'stage' | 'recuts'>;

/**
 * Minutes of a panel's hours by piece: the time of each stage is shared, by length of edge, over the pieces that
 * have been through it (a broken one that waits has been cut). Time of a stage that no piece has reached is shared by all.
 */
export function minutesByPiece(
  hours: Iterable<Hours>,
  technique: Panel['technique'],
  pieces: readonly Timed[],
  now: number,
): Map<number, number> {
  const total = new Map(pieces.map((piece) => [piece.number, 0]));
  const byStage = new Map<WorkStage, number>();
  for (const entry of hours) byStage.set(entry.stage, (byStage.get(entry.stage) ?? 0) + minutesOf(entry, now));
  for (const [work, minutes] of byStage) {
    const least = REACHED[work] === undefined ? 0 : stageIndex(technique, REACHED[work]);
    const through = pieces.filter(
      (p) => least >= 0 && (stageIndex(technique, p.stage) >= least || (work === 'cutting' && p.recuts > 0)),
    );
    const shares = sharedByLength(minutes, through.length > 0 ? through : pieces);
    for (const [number, share] of shares) total.set(number, (total.get(number) ?? 0) + share);
  }
  return total;
}
