import type { Hours, WorkStage } from '../bench/index.ts';
import { MS_PER_MINUTE } from '../units/index.ts';

export interface LabourSum {
  readonly minutes: number;
  readonly cents: number;
}

/** Minutes of one entry; a running clock counts up to `now`, a removed entry nothing. */
export function minutesOf(entry: Hours, now: number): number {
  return entry.removed ? 0 : Math.max(0, ((entry.endedAt ?? now) - entry.startedAt) / MS_PER_MINUTE);
}

/** Minutes × rate, in whole cents. */
export const costOf = (entry: Hours, now: number): number =>
  Math.round((minutesOf(entry, now) * entry.rateCentsPerHour) / 60);

/** Time and money by stage of work. */
export function sumByStage(entries: Iterable<Hours>, now: number): Map<WorkStage, LabourSum> {
  const sums = new Map<WorkStage, LabourSum>();
  for (const entry of entries) {
    if (entry.removed) continue;
    const sum = sums.get(entry.stage) ?? { minutes: 0, cents: 0 };
    sums.set(entry.stage, { minutes: sum.minutes + minutesOf(entry, now), cents: sum.cents + costOf(entry, now) });
  }
  return sums;
}

/**
 * Shares a stage's minutes over the pieces that were in it, by their length of edge.
 * @returns minutes by piece number; they add up to `minutes`
 */
export function sharedByLength(
  minutes: number,
  pieces: readonly { readonly number: number; readonly perimeterMm: number }[],
): Map<number, number> {
  const total = pieces.reduce((sum, piece) => sum + piece.perimeterMm, 0);
  return new Map(
    pieces.map((piece) => [piece.number, total > 0 ? (minutes * piece.perimeterMm) / total : minutes / pieces.length]),
  );
}
