import type { CartoonFinding, Repair } from '../cartoon/index.ts';
import type { CuttingFinding } from '../cutting/index.ts';
import { count, showArea, showLength, showNumbers, trimNumber, type DisplayUnit } from '../units/index.ts';

export function cartoonFindingWords(finding: CartoonFinding, unit: DisplayUnit): string {
  switch (finding.kind) {
    case 'left-out':
      return `Left out: ${finding.count} × ${finding.what}.`;
    case 'assumed-96':
      return 'The file gives no real size; it was read at 96 px to the inch. Set the true size by one measure.';
    case 'assumed-mm':
      return 'The file names no unit; its numbers were read as millimetres. Set the true size by one measure.';
    case 'weights-ignored':
      return `${count(finding.count, 'weighted curve')} ${finding.count === 1 ? 'was' : 'were'} read without weights and may lie a little off; look at ${finding.count === 1 ? 'it' : 'them'}.`;
    case 'path-cut-short':
      return `${count(finding.count, 'path')} had a damaged end; the sound part was kept.`;
    case 'bad-numbers':
      return `${count(finding.count, 'shape')} had coordinates that are not numbers and ${finding.count === 1 ? 'was' : 'were'} left out.`;
    case 'loose-line':
      return `A line of ${showLength(finding.lengthMm, unit, 1)} ends in the open and closes nothing.`;
    case 'hole':
      return `Piece ${finding.pieces[0]} goes all round another: glass cannot be cut so. Add a line.`;
    case 'many-lines':
      return `Four lines or more meet at one point, among pieces ${showNumbers(finding.pieces)}: the joint gets lumpy; let one line end a little beside the others.`;
    case 'inked':
      return `The lines are drawn with both their sides, about ${showLength(finding.widthMm, unit, 1)} wide: each was taken as the one line in its middle.`;
    case 'one-by-one':
      return `${count(finding.count, 'region')} were drawn one by one with borders up to ${showLength(finding.widthMm, unit, 2)} apart: each border was taken as the one line in the middle.`;
    case 'shaky':
      return `Ends are off all over the drawing, so they were joined over up to ${showLength(finding.toleranceMm, unit, 1)}; look the repairs over.`;
  }
}

export function repairWords(repair: Repair): string {
  const by = `${trimNumber(repair.movedMm, 2)} mm`;
  switch (repair.kind) {
    case 'snapped':
      return `An end that stopped short was drawn ${by} to its line.`;
    case 'trimmed':
      return `An end that ran over by ${by} was trimmed.`;
    case 'doubled':
      return 'Lines drawn twice were taken once.';
    case 'sliver':
      return `Two borders ${by} apart were taken as one line.`;
  }
}

export function cuttingFindingWords(finding: CuttingFinding, unit: DisplayUnit): string {
  switch (finding.kind) {
    case 'gone':
      return 'The lines on both sides leave no glass; move them apart.';
    case 'split':
      return 'The lines cut this piece in two; widen its neck or add a line.';
    case 'hole':
      return 'It goes all round another piece; add a line to open it.';
    case 'sharp-point':
      return `A point of ${Math.round(finding.degrees)}°: it snaps easily, leave it a little blunt.`;
    case 'inside-curve':
      return finding.hard
        ? 'A deep inside curve: take it first, in several shallow scores.'
        : 'An inside curve: take it first, in two passes.';
    case 'slender':
      return `A strip ${Math.round(finding.ratio)} times as long as wide: score once, break from both ends.`;
    case 'narrow':
      return `Only ${showLength(finding.widthMm, unit, 1)} wide on the whole.`;
    case 'tiny':
      return `Only ${showArea(finding.areaMm2, unit)}: hard to hold at the grinder.`;
  }
}
