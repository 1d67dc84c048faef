import type { MaterialsFinding } from '../materials/index.ts';
import { showFineLength, type DisplayUnit } from '../units/index.ts';

/** What is worth a second look in what a panel takes, in one plain sentence. */
export function materialsFindingWords(finding: MaterialsFinding, unit: DisplayUnit): string {
  switch (finding.code) {
    case 'foil-too-narrow':
      return `The widest foil sold laps over each face by only ${showFineLength(finding.overlapMm, unit)}; wind it twice, or use came.`;
    case 'overlap-too-small':
      return `Foil that laps over by ${showFineLength(finding.overlapMm, unit)} will not hold this glass; use came for it.`;
    case 'heavy':
      return `The panel weighs ${(finding.totalG / 1000).toFixed(1)} kg; hang it by a frame, not by rings in its seams alone.`;
    case 'flat-spread':
      return `At ${finding.spreadDeg}° to the horizontal chain or wire pulls more than the panel weighs; let it hang steeper.`;
  }
}
