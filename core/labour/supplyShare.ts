import type { PieceRow, Route } from '../bench/index.ts';
import type { SupplyKind } from '../stock/index.ts';
import { shareDone } from './shareDone.ts';

/** A panel's work as far as it is done. */
export interface WorkDone {
  readonly route: Pick<Route, 'pieceSteps'>;
  readonly pieces: readonly Pick<PieceRow, 'stage' | 'perimeterMm'>[];
  readonly joints: number;
  /** Joints soldered, both sides counted. */
  readonly soldered: number;
  readonly isStepDone: (code: string) => boolean;
}

/** How much of the work is done that uses a kind of supply, from 0 to 1: foil by length, solder by joints, the rest by its step. */
export function supplyShare({ route, pieces, joints, soldered, isStepDone }: WorkDone, kind: SupplyKind): number {
  switch (kind) {
    case 'foil':
      return shareDone(route, pieces, 'foiling');
    case 'came':
      return shareDone(route, pieces, 'leading');
    case 'solder':
    case 'flux':
      return joints === 0 ? 0 : soldered / (2 * joints);
    case 'cement':
    case 'whiting':
      return isStepDone('cement') ? 1 : 0;
    case 'patina':
      return isStepDone('patina') ? 1 : 0;
    case 'wax':
      return isStepDone('wax') ? 1 : 0;
    case 'sealant':
      return isStepDone('seal') ? 1 : 0;
    case 'other':
      return 0;
  }
}
