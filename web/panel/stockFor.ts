import type { StockRow } from '../state/studio.ts';
import type { PanelView } from './view.ts';

/** What stands on the rack of a glass, but for what is kept for another job. */
export const stockFor = ({ reader, panel }: Pick<PanelView, 'reader' | 'panel'>, glassId: string): StockRow[] =>
  [...reader.ask('stockOfGlass', glassId)].filter(
    (item) => item.keptFor === null || item.keptFor === panel.commissionId,
  );
