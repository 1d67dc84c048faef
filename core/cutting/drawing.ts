import {
  begun,
  continueCartoon,
  editCartoon,
  movedFindings,
  readCartoon,
  renewedFindings,
  unchanged,
  type Cartoon,
  type CartoonReading,
  type CarryOver,
  type DrawingRefusal,
  type Edit,
  type Edited,
  type EditRefusal,
  type ReadOptions,
} from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import type { CutPiece, LineAllowance } from '../sizing/index.ts';
import type { CuttingLimits } from './findings.ts';
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
  /** Ids below it were given by drawings of this panel before. */
  readonly freeId?: number;
  readonly limits: CuttingLimits;
}

/** A light change; null where only what the lines take up has changed. */
export interface EditJob {
  readonly kind: 'edit';
  readonly edit: Edit | null;
  readonly freeId: number;
  readonly limits: CuttingLimits;
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
  readonly carry: CarryOver;
}

/** Drawing → pieces → cut outlines → what is hard to cut, and what became of the drawing before. For a worker. */
export function readDrawing(job: DrawingJob): DrawingResult | DrawingRefusal {
  const reading = readCartoon(job.source, job.options);
  if ('refusal' in reading) return reading;
  const { findings, repairs, toleranceMm, layers, physical, scale } = reading;
  const read = { layers, physical, scale };
  if (!job.previous) {
    const first = begun(reading.cartoon, job.freeId);
    const study = studyCartoon(first.cartoon, job.allowance, job.limits);
    return { ...first, findings, repairs, toleranceMm, read, ...study, changes: allNew(first.cartoon) };
  }
  const edited = continueCartoon(job.previous.cartoon, reading.cartoon, job.freeId);
  const now = { findings: renewedFindings(findings, edited.cartoon), repairs, toleranceMm, read };
  return { ...studied(edited, job, job.previous), ...now };
}

/** One light change, worked through to cut outlines and what became of each piece. For a worker. */
export function editDrawing(job: EditJob): DrawingResult | { readonly refusal: EditRefusal } {
  const { edit, previous, reading } = job;
  const around = { freeId: job.freeId, kept: new Set(job.kept), sectionOf: new Map(job.sections) };
  const edited = edit === null ? unchanged(previous.cartoon, job.freeId) : editCartoon(previous.cartoon, edit, around);
  if ('refusal' in edited) return edited;
  const { findings, repairs, toleranceMm } = placedAnew(reading, edit);
  const now = { findings: renewedFindings(findings, edited.cartoon), repairs, toleranceMm };
  return { ...studied(edited, job, previous), ...now };
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
  { cartoon, continued, carry }: Edited,
  { allowance, limits }: Pick<DrawingJob, 'allowance' | 'limits'>,
  previous: Previous,
): Study & Pick<DrawingResult, 'cartoon' | 'carry' | 'changes'> {
  const study = studyCartoon(cartoon, allowance, limits);
  return { cartoon, carry, ...study, changes: changesBetween(previous, { cartoon, continued, cuts: study.cuts }) };
}
