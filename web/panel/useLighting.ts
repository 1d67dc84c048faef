import { useShallow } from 'zustand/react/shallow';
import type { Lighting } from '../material/scene.ts';
import { useLight } from '../state/light.ts';

export interface Lightings {
  readonly lighting: Lighting;
  /** Another light beside it. */
  readonly beside: Lighting | null;
}

/** The light that was chosen, and the one beside it. */
export function useLighting(): Lightings {
  const { kind, roomLit, beside } = useLight(useShallow(({ kind, roomLit, beside }) => ({ kind, roomLit, beside })));
  return {
    lighting: { kind, roomLit },
    beside: beside !== null && beside !== kind ? { kind: beside, roomLit } : null,
  };
}
