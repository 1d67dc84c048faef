import { readCartoon, type CartoonFinding, type DrawingRefusal } from '#core/cartoon';
import { cuttability } from '#core/cutting';
import { pieceRings } from '#core/cartoon';
import { cutOutlines, DEFAULT_ALLOWANCE, type LineAllowance } from '#core/sizing';
import type { DisplayUnit } from '#core/units';
import { cartoonFindingWords, cuttingFindingWords, repairWords } from '#core/words';

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
  const at = (finding: CartoonFinding) => ('at' in finding ? round(finding.at) : null);
  return {
    unit: 'mm',
    size: { width: r3(cartoon.box.maxX - cartoon.box.minX), height: r3(cartoon.box.maxY - cartoon.box.minY) },
    origin: [r3(cartoon.box.minX), r3(cartoon.box.minY)],
    outlineMeans: allowance.outline,
    pieces: cartoon.pieces.map((piece, i) => {
      const [outline, ...holes] = pieceRings(cartoon, piece);
      const cut = cuts[i] as (typeof cuts)[number];
      const biggest = [...cut.rings].sort((a, b) => b.length - a.length)[0] ?? [];
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
        cutOutline: (cut.rings.length > 1 ? biggest : (cut.rings[0] ?? [])).map(round),
        cutAreaMm2: r3(cut.areaMm2),
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
          at: 'at' in f ? round(f.at) : round((cartoon.pieces[i] as (typeof cartoon.pieces)[number]).labelAt),
          pieces: [f.number],
          message: cuttingFindingWords(f, unit),
        })),
      ),
    ],
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
