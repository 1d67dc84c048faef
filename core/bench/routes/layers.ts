import type { PieceRow } from '../tables.ts';
import type { StepDefinition } from './definition.ts';

/** How many glasses lie on each other where a foil goes round, and in which pieces a plate lies on the first. */
export interface GlassLayers {
  readonly layers: number;
  readonly plated: readonly number[];
}

/** By the way of working: what is pressed between two glasses, and pieces that ask for a plate. */
export function glassLayers(
  { pieceSteps }: { readonly pieceSteps: readonly Pick<StepDefinition, 'code'>[] },
  pieces: readonly Pick<PieceRow, 'number' | 'asks'>[],
): GlassLayers {
  return {
    layers: pieceSteps.some(({ code }) => code === 'pressed') ? 2 : 1,
    plated: pieces.flatMap(({ number, asks }) => (asks.includes('plated') ? number : [])).sort((a, b) => a - b),
  };
}
