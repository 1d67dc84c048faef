import type { BorderEdges, Technique } from '../sizing/index.ts';
import { showFineLength, type DisplayUnit } from '../units/index.ts';

/** One edge of a border, by its name and how far in it lies. */
export interface BorderMark {
  readonly mm: number;
  readonly name: string;
}

/** The edges of a border by name, from the outside in; those that it does not have are left out. */
export function borderMarks(edges: BorderEdges): BorderMark[] {
  const { isCame } = edges;
  // Where the drawing is the edge of the glass, that is where it is cut.
  const hasPlay = edges.cutMm > edges.glassMm;
  const marks: BorderMark[] = [
    ...(edges.sightMm === null ? [] : [{ mm: edges.openingMm, name: 'opening' }]),
    { mm: edges.panelMm, name: isCame ? 'panel, outside of the came' : 'panel' },
    ...(isCame ? [{ mm: edges.glassMm, name: hasPlay ? 'glass edge at most' : 'glass edge' }] : []),
    ...((isCame && hasPlay) || (!isCame && edges.cutMm > edges.panelMm)
      ? [{ mm: edges.cutMm, name: 'glass as cut' }]
      : []),
    { mm: edges.daylightMm, name: 'daylight' },
    ...(edges.sightMm === null ? [] : [{ mm: edges.sightMm, name: 'sight line' }]),
  ];
  return marks.sort((a, b) => a.mm - b.mm);
}

/** Whether a frame hides the border; null where there is no frame. */
export function hiddenWords({ hiddenMm }: BorderEdges, unit: DisplayUnit): string | null {
  if (hiddenMm === null) return null;
  return hiddenMm >= 0
    ? `The frame hides the border and ${showFineLength(hiddenMm, unit)} of clear glass.`
    : `${showFineLength(-hiddenMm, unit)} of the border shows beside the frame.`;
}

/** What takes up the room between two pieces. */
export const lineWords = (technique: Technique, faceMm: number, heartMm: number, unit: DisplayUnit): string =>
  technique === 'lead'
    ? `came of ${showFineLength(faceMm, unit)} face, ${showFineLength(heartMm, unit)} heart`
    : `foil and solder fill a gap of ${showFineLength(heartMm, unit)}`;
