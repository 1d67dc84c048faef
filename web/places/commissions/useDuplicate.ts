import type { Commission, PanelRow } from '#core/bench';
import { newId } from '../../state/ids.ts';
import { useSend, type PanelWish } from '../../state/send.ts';

/** Makes another one of a job or a panel: its drawing, measures and chosen glass, nothing of the work. */
export function useDuplicate() {
  const send = useSend();
  /** @returns the id of the new panel, or null where it was refused; that is told. */
  const panel = async (from: PanelRow, route: string, commissionId: string, name: string): Promise<string | null> => {
    const id = newId();
    const { technique, widthMm, heightMm, allowance, opening } = from;
    const wish: PanelWish = { commissionId, name, technique, route, widthMm, heightMm, allowance, opening };
    const isMade =
      from.cartoonId === null
        ? await send.command({ kind: 'save-panel', ask: { id, ...wish } })
        : await send.edit(id, { kind: 'fit', widthMm, heightMm, borderMm: 0, from: from.id }, undefined, wish);
    return isMade ? id : null;
  };
  const job = async (
    from: Commission,
    panels: readonly { readonly row: PanelRow; readonly route: string }[],
  ): Promise<string | null> => {
    const id = newId();
    const { client, note } = from;
    const ask = { id, title: `${from.title}, again`, client, note, due: null };
    if (!(await send.command({ kind: 'save-commission', ask }))) return null;
    for (const { row, route } of panels) if ((await panel(row, route, id, row.name)) === null) break;
    return id;
  };
  return { panel, job };
}
