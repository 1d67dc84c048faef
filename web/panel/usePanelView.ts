import { createContext, use } from 'react';
import type { PanelView } from './view.ts';

export const PanelViewHere = createContext<PanelView | null>(null);

/** What the panel's page hands to the step that is open in it. */
export function usePanelView(): PanelView {
  const view = use(PanelViewHere);
  if (!view) throw new Error('A step is drawn outside of a panel');
  return view;
}
