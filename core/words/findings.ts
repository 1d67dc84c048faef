import type { CartoonFinding, EditRefusal, Repair } from '../cartoon/index.ts';
import type { CuttingFinding, PanelFinding, Proposal, Score } from '../cutting/index.ts';
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
    case 'overrun':
      return `A line runs ${showLength(finding.lengthMm, unit, 1)} past its joint; it ends at the joint now.`;
    case 'short-of-joint':
      return `A line stops ${showLength(finding.gapMm, unit, 1)} short of the next one and was left out; draw it on, or join ends over so much.`;
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

/** Pieces that meet at an ordinary crossing of two lines; more make a lump of solder. */
const CROSSING = 4;

/** Where two lines cross is said once for the whole drawing: it is ordinary in a net. The rest stays one by one. */
export function crossingsFolded(findings: readonly CartoonFinding[]): {
  readonly rest: readonly CartoonFinding[];
  /** One sentence for all crossings, and where the first of them is; null where there are fewer than two. */
  readonly crossings: { readonly words: string; readonly at: readonly [number, number] } | null;
} {
  const isCrossing = (f: CartoonFinding) => f.kind === 'many-lines' && f.pieces.length <= CROSSING;
  const all = findings.filter(isCrossing);
  const [first] = all;
  if (all.length < 2 || first?.kind !== 'many-lines') return { rest: findings, crossings: null };
  const words = `At ${all.length} joints two lines cross: ordinary in a net; keep them flat, and solder them well.`;
  return { rest: findings.filter((f) => !isCrossing(f)), crossings: { words, at: first.at } };
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
      return {
        beyond: `An inside curve ${trimNumber(finding.bite, 1)} times as deep as its mouth is wide: it cannot be cut as one; add a line into it.`,
        hard: 'A deep inside curve: take it first, in several shallow scores.',
        fussy: 'An inside curve: take it first, shallow before deep.',
      }[finding.grade];
    case 'keyhole':
      return `An inside curve ${showLength(finding.bulbMm, unit, 1)} wide behind a mouth of ${showLength(finding.mouthMm, unit, 1)}: what lies in it does not come out, so it cannot be cut as one; add a line into it.`;
    case 'slender':
      return `A strip ${Math.round(finding.ratio)} times as long as wide: score once, break from both ends.`;
    case 'narrow':
      return finding.beyond
        ? `Only ${showLength(finding.widthMm, unit, 1)} wide: it cannot be cut as one; make it wider or leave it out.`
        : `Only ${showLength(finding.widthMm, unit, 1)} wide: hard to hold and to break; make it wider.`;
    case 'inside-corner':
      return finding.deep
        ? 'A tight corner at the bottom of an inside curve: glass breaks from there; add a line into it.'
        : 'An inside corner tighter than 2 mm: round it a little, or it starts a crack.';
    case 'neck':
      return finding.beyond
        ? `A neck only ${showLength(finding.widthMm, unit, 1)} wide: it cannot be cut as one; widen it or add a line across.`
        : `A neck only ${showLength(finding.widthMm, unit, 1)} wide: it snaps there; widen it or add a line across.`;
    case 'little-light':
      return `Only ${showArea(finding.daylightMm2, unit)} stay clear between the lines: a dark speck; make it larger or leave it out.`;
  }
}

/** What is weak about a panel as a whole, and what to do about it. */
export function panelFindingWords(finding: PanelFinding, unit: DisplayUnit): string {
  switch (finding.kind) {
    case 'hinge':
      return `A line runs straight from edge to edge over ${showLength(Math.hypot(finding.to[0] - finding.from[0], finding.to[1] - finding.from[1]), unit, 0)}: the panel can fold there; let it jog, or put a bar or stiff came along it.`;
    case 'wants-bars':
      return `${showArea(finding.areaMm2, unit)} and ${showLength(finding.longestMm, unit, 0)} at the longest: more than it carries alone; plan saddle bars or a stiff frame.`;
    case 'too-large':
      return `Piece ${finding.number} is larger than any sheet of its glass in the rack, the way its flow runs.`;
  }
}

/** Why a light change of the drawing was not made. */
export function editRefusalWords(code: EditRefusal): string {
  switch (code) {
    case 'no-such-line':
    case 'no-such-node':
    case 'no-such-piece':
      return 'The drawing has changed meanwhile; look at it again and try once more.';
    case 'off-the-panel':
      return 'A line has to begin and end on lines of the drawing.';
    case 'splits-nothing':
      return 'This line divides no piece; draw it from border to border.';
    case 'rim-stays':
      return 'This line is the edge of the panel; take one between two pieces away.';
    case 'lines-would-cross':
      return 'Moved there, lines would cross; move the joint less far.';
    case 'number-taken':
      return 'That number is written on glass already, or locked.';
    case 'number-kept':
      return 'This number is written on glass already, or locked; unlock it first.';
    case 'bad-measure':
      return 'The measure must be more than 0 and leave room for the middle.';
  }
}

/** What pieces would come of the lines that are proposed. */
export function proposalWords({ lines, parts }: Pick<Proposal, 'lines' | 'parts'>): string {
  const what = lines.length === 1 ? 'One line makes' : `${lines.length} lines make`;
  return `${what} ${count(parts.length, 'piece')} of it, of difficulty ${parts.join(', ')}.`;
}

/** What the score is and how to take it. */
export function scoreWords(score: Pick<Score, 'kind' | 'passes'>): string {
  switch (score.kind) {
    case 'inside':
      return score.passes === 1 ? 'inside curve, one run' : `inside curve in ${score.passes} runs, shallow first`;
    case 'straight':
      return 'straight';
    case 'outside':
      return 'outside curve';
  }
}
