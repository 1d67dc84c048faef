import { TOLERANCE } from '../limits/index.ts';
import { nth, numberAt } from '../units/index.ts';
import { perimeter, ringPoints, signedArea, type Face, type MapFaces, type PlanarMap } from '../geometry/index.ts';
import { middleLines, type Bank } from './middle.ts';
import type { DrawnLine } from './read/types.ts';

/** A ring of ink with one pane might be a border piece; a net of ink has more panes. */
const LEAST_PANES = 2;
/** Ink is narrow beside what it encloses: its width against the side of a middling pane. */
const MOST_TO_A_PANE = 0.5;

/** What ink goes round is larger than the ink itself. */
const LEAST_ENCLOSED = 1;

export interface Ink {
  readonly lines: readonly DrawnLine[];
  readonly widthMm: number;
  readonly count: number;
}

/**
 * Lines drawn with both their sides (a thick pen traced, strokes turned into outlines): regions as thin as ink
 * that go round others. They become the lines in their middle, the outermost ones too.
 * Null when there is no such region.
 */
export function middleOfInk(map: PlanarMap, { faces }: MapFaces): Ink | null {
  const panes = faces.map((face) => face.areaMm2).sort((a, b) => a - b);
  const paneMm = Math.sqrt(panes[panes.length >> 1] ?? 0);
  const ink = new Map<number, number>();
  faces.forEach((face, i) => {
    if (face.rings.length - 1 < LEAST_PANES) return;
    const widthMm = (2 * face.areaMm2) / around(map, face);
    const enclosed = face.rings.slice(1).reduce((sum, ring) => sum + Math.abs(signedArea(ringPoints(map, ring))), 0);
    if (enclosed < LEAST_ENCLOSED * face.areaMm2) return;
    if (widthMm <= TOLERANCE.inkMm && widthMm <= MOST_TO_A_PANE * paneMm) ink.set(i, widthMm);
  });
  if (ink.size === 0) return null;
  // Smaller blots and rings of the same pen belong to it.
  const widest = Math.max(...ink.values());
  faces.forEach((face, i) => {
    if (face.rings.length === 2 && (2 * face.areaMm2) / around(map, face) <= widest * 1.3)
      ink.set(i, (2 * face.areaMm2) / around(map, face));
  });
  const faceAt = new Map<number, number>();
  faces.forEach((face, i) => {
    for (const ring of face.rings) for (const ref of ring) faceAt.set(ref, i);
  });
  const banks: Bank[] = [];
  const inkLines = new Set<number>();
  for (const i of ink.keys()) {
    for (const ring of nth(faces, i).rings) {
      for (const ref of ring) inkLines.add(ref < 0 ? ~ref : ref);
      banks.push({ ring: ringPoints(map, ring), label: faceAt.get(~numberAt(ring, 0)) ?? -1 });
    }
  }
  const kept = map.lines.filter((_, i) => !inkLines.has(i)).map(({ points }) => ({ points, closed: false }));
  return {
    lines: [...middleLines(banks, widest, widest * 2.5), ...kept],
    widthMm: widest,
    count: banks.length,
  };
}

const around = (map: PlanarMap, face: Face): number =>
  face.rings.reduce((sum, ring) => sum + perimeter(ringPoints(map, ring)), 0);
