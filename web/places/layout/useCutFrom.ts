import { useQueryClient } from '@tanstack/react-query';
import type { PanelAnswer } from '#contract';
import { backsCalled, glassBehind, ownGlass, sourcesAsLaid, type PieceRow } from '#core/bench';
import { showNumbers } from '#core/units';
import type { PieceOfPanel } from '../../panel/sheetLaid.ts';
import { useSend } from '../../state/send.ts';

/**
 * Enters glass as cut from a sheet as it is laid out. Each panel that lies on it has its own entry, and so have the second
 * glasses of pieces: after the first entry the others may lie on parts with labels of their own.
 */
export function useCutFrom() {
  const send = useSend();
  const client = useQueryClient();
  return async (stockId: string, pieces: readonly PieceOfPanel[]): Promise<void> => {
    const entries = new Map<string, PieceOfPanel[]>();
    for (const one of pieces) {
      const entry = `${one.panelId} ${one.of ?? ''}`;
      entries.set(entry, [...(entries.get(entry) ?? []), one]);
    }
    let isFirst = true;
    for (const list of entries.values()) {
      const [{ panelId, of } = { panelId: '' }] = list;
      const numbers = list.map(({ number }) => number);
      const glassOf = of === 'back' ? glassBehind : ownGlass;
      const sources = isFirst
        ? [{ stockId, numbers, left: { kind: 'laid' as const } }]
        : sourcesAsLaid(
            rowsOf(await client.fetchQuery<PanelAnswer>({ queryKey: ['panel', panelId], staleTime: 0 }), numbers).map(
              glassOf,
            ),
          );
      isFirst = false;
      const called = of === 'back' ? backsCalled(numbers) : showNumbers(numbers, 6);
      const kind = of === 'back' ? 'cut-back' : 'cut';
      if (!(await send.command({ kind, ask: { panelId, sources } }, `${called} cut from ${stockId}.`))) return;
    }
  };
}

const rowsOf = ({ pieces }: PanelAnswer, numbers: readonly number[]) =>
  (pieces as readonly PieceRow[]).filter((piece) => numbers.includes(piece.number));
