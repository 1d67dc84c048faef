import type { DrawingFinding } from './types.ts';

/** Counts what of a drawing is no line of the glass, by what it is. */
export class LeftOut {
  readonly #counts = new Map<string, number>();

  add(what: string, count = 1): void {
    this.#counts.set(what, (this.#counts.get(what) ?? 0) + count);
  }

  findings(): DrawingFinding[] {
    return [...this.#counts].map(([what, count]) => ({ kind: 'left-out', what, count }));
  }
}
