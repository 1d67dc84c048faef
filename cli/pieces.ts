import { readCartoon, type CartoonFinding, type DrawingRefusal } from '#core/cartoon';
import { DEFAULT_LIMITS } from '#core/limits';
import { cuttability, panelFindings, proposeLine } from '#core/cutting';
import { signedArea, type Ring } from '#core/geometry';
import { pieceRings } from '#core/cartoon';
import { cutOutlines, DEFAULT_ALLOWANCE, finishedSize, outsideOf, type LineAllowance } from '#core/sizing';
import { nth, type DisplayUnit } from '#core/units';
import { cartoonFindingWords, cuttingFindingWords, panelFindingWords, repairWords } from '#core/words';

/** A drawing with more pieces that nobody can cut wants another drawing, not lines one by one. */
const MOST_PROPOSED = 40;
const MOST_TRIED = 1500;

export interface PiecesOptions {
  readonly widthMm?: number;
  readonly heightMm?: number;
  readonly snapMm?: number;
  /** Face of an H came; its heart is the studio's usual one. */
  readonly faceMm?: number;
  readonly gapMm?: number;
  readonly unit: DisplayUnit;
}

/** The `pieces` command: what the importer understood of a drawing, as plain data. Coordinates are the page's, in mm. */
export function piecesReport(source: string, options: PiecesOptions): DrawingRefusal | object {
  const { widthMm, heightMm, snapMm, unit } = options;
  const reading = readCartoon(source, { widthMm, heightMm, snapMm });
  if ('refusal' in reading) return reading;
  const { cartoon } = reading;
  const allowance: LineAllowance =
    options.faceMm === undefined
      ? { ...DEFAULT_ALLOWANCE.foil, gapMm: options.gapMm ?? DEFAULT_ALLOWANCE.foil.gapMm }
      : { ...DEFAULT_ALLOWANCE.lead, faceMm: options.faceMm };
  const cuts = cutOutlines(cartoon, allowance);
  const judged = cuts.map((cut) => cuttability(cut));
  let proposed = 0;
  // A map of coasts is not worth minutes: all its pieces share what is tried.
  const budget = { left: MOST_TRIED };
  const { minX, minY, maxX, maxY } = cartoon.box;
  const panel = {
    ...finishedSize({ widthMm: maxX - minX, heightMm: maxY - minY }, outsideOf(cartoon, allowance)),
    areaMm2: cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0),
  };
  const at = (finding: CartoonFinding) => ('at' in finding ? round(finding.at) : null);
  return {
    unit: 'mm',
    size: { width: r3(cartoon.box.maxX - cartoon.box.minX), height: r3(cartoon.box.maxY - cartoon.box.minY) },
    origin: [r3(cartoon.box.minX), r3(cartoon.box.minY)],
    outlineMeans: allowance.outline,
    pieces: cartoon.pieces.map((piece, i) => {
      const [outline, ...holes] = pieceRings(cartoon, piece);
      const cut = nth(cuts, i);
      // Where the lines split a piece its largest part stands for it; the finding tells of the others.
      const biggest = cut.rings.reduce<Ring>((a, b) => (signedArea(b) > signedArea(a) ? b : a), []);
      const { difficulty } = nth(judged, i);
      const proposal =
        difficulty === 5 &&
        proposed++ < MOST_PROPOSED &&
        proposeLine(cartoon, piece.number, nth(judged, i), allowance, DEFAULT_LIMITS, budget);
      return {
        number: piece.number,
        label: piece.label,
        areaMm2: r3(piece.areaMm2),
        perimeterMm: r3(piece.perimeterMm),
        centroid: round(piece.centroid),
        outline: (outline ?? []).map(round),
        holes: holes.map((hole) => hole.map(round)),
        neighbours: piece.neighbours,
        difficulty: judged[i]?.difficulty ?? 1,
        cutOutline: biggest.map(round),
        cutAreaMm2: r3(cut.areaMm2),
        daylightMm2: r3(cut.daylightMm2),
        ...(proposal
          ? { proposedLines: proposal.lines.map((line) => line.map(round)), proposedParts: proposal.parts }
          : {}),
      };
    }),
    joints: cartoon.joints.map(({ id, at: place, kind, lines, pieces }) => ({
      id,
      at: round(place),
      kind,
      lines,
      pieces,
    })),
    findings: [
      ...reading.findings.map((f) => ({
        kind: f.kind,
        at: at(f),
        pieces: 'pieces' in f ? f.pieces : [],
        message: cartoonFindingWords(f, unit),
      })),
      ...judged.flatMap((j, i) =>
        j.findings.map((f) => ({
          kind: f.kind,
          at: 'at' in f ? round(f.at) : round(nth(cartoon.pieces, i).labelAt),
          pieces: [f.number],
          message: cuttingFindingWords(f, unit),
        })),
      ),
      ...panelFindings(cartoon, panel).map((f) => ({
        kind: f.kind,
        at: round(f.at),
        pieces: [],
        message: panelFindingWords(f, unit),
      })),
    ],
    toleranceMm: r3(reading.toleranceMm),
    repairs: reading.repairs.map((r) => ({
      kind: r.kind,
      at: round(r.at),
      movedMm: r3(r.movedMm),
      message: repairWords(r),
    })),
  };
}

const r3 = (value: number): number => Math.round(value * 1e4) / 1e4;
const round = ([x, y]: readonly [number, number]): [number, number] => [r3(x), r3(y)];
