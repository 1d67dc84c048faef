import { create } from 'zustand';
import type { LightKind } from '#core/glass';

interface LightState {
  /** In what light a panel was last looked at. */
  readonly kind: Exclude<LightKind, 'bench'>;
  readonly roomLit: boolean;
  /** Another light beside it, from this share of the panel's width on; null for one light alone. */
  readonly beside: LightState['kind'] | null;
  readonly from: number;
  setKind(kind: LightState['kind']): void;
  setRoomLit(on: boolean): void;
  setBeside(kind: LightState['kind'] | null): void;
  setFrom(share: number): void;
}

/** The light of all panels, as long as the page is open. */
export const useLight = create<LightState>((set) => ({
  kind: 'clear',
  roomLit: false,
  beside: null,
  from: 0.5,
  setKind: (kind) => set({ kind }),
  setRoomLit: (roomLit) => set({ roomLit }),
  setBeside: (beside) => set({ beside }),
  setFrom: (from) => set({ from }),
}));
