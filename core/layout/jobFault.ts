import { crossesItself, signedArea, type Ring } from '../geometry/index.ts';
import type { LayoutJob } from './types.ts';

/** Why a job cannot be laid out. `id` names the sheet or piece. */
export type JobFault =
  | {
      readonly code: 'crossing' | 'no-area' | 'doubled-id';
      readonly what: 'sheet' | 'piece' | 'flaw';
      readonly id: string;
    }
  | { readonly code: 'flaw-outside'; readonly id: string }
  | { readonly code: 'too-many'; readonly most: number };

/** More is no studio's job, and no answer would come in time. */
const MOST_PIECES = 2000;
const MOST_SHEETS = 500;

/** The first thing that is wrong with a job, or null. Numbers are taken to be finite. */
export function jobFault(job: LayoutJob): JobFault | null {
  if (job.pieces.length > MOST_PIECES) return { code: 'too-many', most: MOST_PIECES };
  if (job.sheets.length > MOST_SHEETS) return { code: 'too-many', most: MOST_SHEETS };
  const rings = [
    ...job.sheets.map(({ id, outline }) => ({ what: 'sheet' as const, id, outline })),
    ...job.pieces.map(({ id, outline }) => ({ what: 'piece' as const, id, outline })),
    ...job.sheets.flatMap(({ id, flaws }) => flaws.map((outline) => ({ what: 'flaw' as const, id, outline }))),
  ];
  const met = new Set<string>();
  for (const { what, id, outline } of rings) {
    if (what !== 'flaw') {
      const key = `${what} ${id}`;
      if (met.has(key)) return { code: 'doubled-id', what, id };
      met.add(key);
    }
    if (outline.length >= 4 && crossesItself(outline)) return { code: 'crossing', what, id };
    if (outline.length < 3 || Math.abs(signedArea(outline)) < 1e-3) return { code: 'no-area', what, id };
  }
  for (const { id, outline, flaws } of job.sheets) {
    if (flaws.some((flaw) => isOutside(flaw, outline))) return { code: 'flaw-outside', id };
  }
  return null;
}

/** Whether no part of a flaw lies on the sheet: their boxes are apart. */
function isOutside(flaw: Ring, sheet: Ring): boolean {
  return ([0, 1] as const).some((k) => {
    const [fs, ss] = [flaw.map((p) => p[k]), sheet.map((p) => p[k])];
    return Math.max(...fs) <= Math.min(...ss) || Math.min(...fs) >= Math.max(...ss);
  });
}
