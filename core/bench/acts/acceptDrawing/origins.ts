import { keysOf } from '../../../units/index.ts';
interface Origin {
  readonly told: string;
  /** It takes glass out of hand or gives it another size: not once that glass is cut. */
  readonly needsUncut: boolean;
}

/** How a drawing came about: brought in, or by which light change of the one before it. */
export const ORIGINS = {
  import: { told: 'drawing taken in', needsUncut: false },
  'add-line': { told: 'line added', needsUncut: true },
  'add-lines': { told: 'lines added', needsUncut: true },
  'take-line': { told: 'line taken away', needsUncut: true },
  'move-node': { told: 'joint moved', needsUncut: false },
  scale: { told: 'true size set', needsUncut: true },
  fit: { told: 'fitted to its opening', needsUncut: true },
  profile: { told: 'came or gap of lines changed', needsUncut: false },
  allowance: { told: 'what the lines take up changed', needsUncut: false },
  renumber: { told: 'numbered anew', needsUncut: false },
  number: { told: 'number changed', needsUncut: false },
} as const satisfies Readonly<Record<string, Origin>>;

export type DrawingOrigin = keyof typeof ORIGINS;
export const DRAWING_ORIGINS = keysOf(ORIGINS);
