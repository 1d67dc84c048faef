import type { PieceRow, Route, WorkStage } from '../bench/index.ts';

/**
 * How much of a kind of work on pieces is done, by the length of their edges.
 * @returns from 0 to 1; 0 where the route has no such work
 */
export function shareDone(
  { pieceSteps }: Pick<Route, 'pieceSteps'>,
  pieces: readonly Pick<PieceRow, 'stage' | 'perimeterMm'>[],
  work: WorkStage,
): number {
  const last = pieceSteps.reduce((found, step, i) => (step.work === work && !step.onlyAsked ? i : found), -1);
  if (last < 0) return 0;
  const placeOf = new Map(pieceSteps.map((step, i) => [step.code, i]));
  let all = 0;
  let done = 0;
  for (const { stage, perimeterMm } of pieces) {
    all += perimeterMm;
    if ((placeOf.get(stage) ?? -1) >= last) done += perimeterMm;
  }
  return all === 0 ? 0 : done / all;
}
