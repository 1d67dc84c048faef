import { signedArea, type Ring } from '../geometry/index.ts';
import { pointAt } from '../units/index.ts';
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

const side = (a: readonly number[], b: readonly number[], p: readonly number[]): number =>
  ((b[0] ?? 0) - (a[0] ?? 0)) * ((p[1] ?? 0) - (a[1] ?? 0)) - ((b[1] ?? 0) - (a[1] ?? 0)) * ((p[0] ?? 0) - (a[0] ?? 0));

/** Whether two sides that are no neighbours cross. */
function crossesItself(ring: Ring): boolean {
  const n = ring.length;
  for (let i = 0; i < n; i++) {
    const [a, b] = [pointAt(ring, i), pointAt(ring, (i + 1) % n)];
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [c, d] = [pointAt(ring, j), pointAt(ring, (j + 1) % n)];
      if (side(a, b, c) > 0 !== side(a, b, d) > 0 && side(c, d, a) > 0 !== side(c, d, b) > 0) {
        const parallel = Math.abs((b[0] - a[0]) * (d[1] - c[1]) - (b[1] - a[1]) * (d[0] - c[0])) < 1e-9;
        if (!parallel) return true;
      }
    }
  }
  return false;
}

/** Whether no part of a flaw lies on the sheet: their boxes are apart. */
function isOutside(flaw: Ring, sheet: Ring): boolean {
  return ([0, 1] as const).some((k) => {
    const [fs, ss] = [flaw.map((p) => p[k]), sheet.map((p) => p[k])];
    return Math.max(...fs) <= Math.min(...ss) || Math.min(...fs) >= Math.max(...ss);
  });
}
