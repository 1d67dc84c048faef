import { useOutletContext } from 'react-router';
import type { PanelView } from './view.ts';

/** What the panel's page hands to the step that is open in it. */
export const usePanelView = (): PanelView => useOutletContext<PanelView>();
