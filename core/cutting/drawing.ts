import {
  continueCartoon,
  editCartoon,
  movedFindings,
  readCartoon,
  renewedFindings,
  type Cartoon,
  type CartoonReading,
  type Continued,
  type DrawingRefusal,
  type Edit,
  type EditRefusal,
  type ReadOptions,
} from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import type { CutPiece, LineAllowance } from '../sizing/index.ts';
import { allNew, changesBetween, studyCartoon, type DrawingChanges, type Study } from './study.ts';

/** The drawing that a new one follows. */
export interface Previous {
  readonly cartoon: Cartoon;
  readonly cuts: readonly CutPiece[];
}

export interface DrawingJob {
  readonly kind: 'read';
  readonly source: string;
  readonly options: ReadOptions;
  readonly allowance: LineAllowance;
  readonly previous?: Previous;
}

/** A light change; null where only what the lines take up has changed. */
export interface EditJob {
  readonly kind: 'edit';
  readonly edit: Edit | null;
  readonly kept: readonly number[];
  readonly sections: readonly (readonly [number, string])[];
  readonly allowance: LineAllowance;
  readonly previous: Previous;
  readonly reading: Pick<CartoonReading, 'findings' | 'repairs' | 'toleranceMm'>;
}

export interface DrawingResult extends Pick<CartoonReading, 'cartoon' | 'findings' | 'repairs' | 'toleranceMm'>, Study {
  /** Of a drawing that was read: its layers, and whether its size is a real one. */
  readonly read?: Pick<CartoonReading, 'layers' | 'physical' | 'scale'>;
  readonly changes: DrawingChanges;
}

/** Drawing → pieces → cut outlines → what is hard to cut, and what became of the drawing before. For a worker. */
export function readDrawing(job: DrawingJob): DrawingResult | DrawingRefusal {
  const reading = readCartoon(job.source, job.options);
  if ('refusal' in reading) return reading;
  const { findings, repairs, toleranceMm, layers, physical, scale } = reading;
  const read = { layers, physical, scale };
  if (!job.previous) {
    const { cartoon } = reading;
    const study = studyCartoon(cartoon, job.allowance);
    return { cartoon, findings, repairs, toleranceMm, read, ...study, changes: allNew(cartoon) };
  }
  const { cartoon, continued } = continueCartoon(job.previous.cartoon, reading.cartoon);
  const now = { findings: renewedFindings(findings, cartoon), repairs, toleranceMm, read };
  return { ...studied(cartoon, continued, job.allowance, job.previous), ...now };
}

/** One light change, worked through to cut outlines and what became of each piece. For a worker. */
export function editDrawing(job: EditJob): DrawingResult | { readonly refusal: EditRefusal } {
  const { edit, previous, reading } = job;
  const around = { kept: new Set(job.kept), sectionOf: new Map(job.sections) };
  const same = () => ({
    cartoon: previous.cartoon,
    continued: previous.cartoon.pieces.map((p): Continued => ({ was: p.number, same: true })),
  });
  const edited = edit === null ? same() : editCartoon(previous.cartoon, edit, around);
  if ('refusal' in edited) return edited;
  const { cartoon, continued } = edited;
  const { findings, repairs, toleranceMm } = placedAnew(reading, edit);
  const now = { findings: renewedFindings(findings, cartoon), repairs, toleranceMm };
  return { ...studied(cartoon, continued, job.allowance, previous), ...now };
}

/** What was noticed and repaired has moved with the drawing; in a drawing fitted elsewhere it has no place. */
function placedAnew(reading: EditJob['reading'], edit: Edit | null): EditJob['reading'] {
  if (edit?.kind === 'fit') return { ...reading, findings: reading.findings.filter((f) => !('at' in f)), repairs: [] };
  if (edit?.kind !== 'scale') return reading;
  const move = ([x, y]: Point): Point => [x * edit.factor, y * edit.factor];
  const repairs = reading.repairs.map((repair) => ({ ...repair, at: move(repair.at) }));
  return { ...reading, findings: movedFindings(reading.findings, move), repairs };
}

function studied(
  cartoon: Cartoon,
  continued: readonly Continued[],
  allowance: LineAllowance,
  previous: Previous,
): Study & { cartoon: Cartoon; changes: DrawingChanges } {
  const study = studyCartoon(cartoon, allowance);
  return { cartoon, ...study, changes: changesBetween(previous, { cartoon, continued, cuts: study.cuts }) };
}
