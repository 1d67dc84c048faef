import type { PieceRow } from '../tables.ts';
import type { StepDefinition } from './definition.ts';

/** How a panel is built: how many glasses lie on each other, in which pieces a plate lies on the first, and what is sealed. */
export interface Build {
  readonly layers: number;
  readonly plated: readonly number[];
  /** Its inside seams are sealed. */
  readonly sealsSeams: boolean;
}

/** By the way of working: what is pressed between two glasses, pieces that ask for a plate, what holds water. */
export function buildOf(
  { pieceSteps, panelSteps }: Readonly<Record<'pieceSteps' | 'panelSteps', readonly Pick<StepDefinition, 'code'>[]>>,
  pieces: readonly Pick<PieceRow, 'number' | 'asks'>[],
): Build {
  return {
    layers: pieceSteps.some(({ code }) => code === 'pressed') ? 2 : 1,
    plated: pieces.flatMap(({ number, asks }) => (asks.includes('plated') ? number : [])).sort((a, b) => a - b),
    sealsSeams: panelSteps.some(({ code }) => code === 'seal'),
  };
}
