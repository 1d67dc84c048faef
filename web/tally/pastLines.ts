import { create } from 'zustand';

const MOST = 50;

/** Lines that were called in this page, the latest last, for the arrow keys. */
export const usePastLines = create<{
  readonly lines: readonly string[];
  keep(line: string): void;
}>((set) => ({
  lines: [],
  keep: (line) => set(({ lines }) => ({ lines: [...lines.filter((one) => one !== line), line].slice(-MOST) })),
}));

/**
 * The line before or after the one that is shown.
 * @param at its place among the past lines; null for the one that is being written
 */
export function stepThrough(lines: readonly string[], at: number | null, by: -1 | 1): number | null {
  if (lines.length === 0) return null;
  const next = (at ?? lines.length) + by;
  return next >= lines.length ? null : Math.max(0, next);
}

/** What a line is finished to by what is offered next: as far as all that begin so are alike. */
export function finished(line: string, offered: readonly string[]): string | null {
  const begun = /[^\s,]*$/.exec(line)?.[0] ?? '';
  if (begun === '') return null;
  const fits = offered.filter((word) => word.toLowerCase().startsWith(begun.toLowerCase()));
  const [first] = fits;
  if (first === undefined) return null;
  let shared = first.length;
  for (const word of fits)
    while (shared > 0 && word.slice(0, shared).toLowerCase() !== first.slice(0, shared).toLowerCase()) shared--;
  if (shared <= begun.length && fits.length > 1) return null;
  const end = fits.length === 1 ? `${first} ` : first.slice(0, shared);
  return `${line.slice(0, line.length - begun.length)}${end}`;
}
