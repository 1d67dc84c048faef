import { useQueryClient } from '@tanstack/react-query';
import type { PanelAnswer } from '#contract';
import { BEGINS, sourcesAsLaid } from '#core/bench';
import { showNumbers } from '#core/units';
import type { PieceOfPanel } from '../../panel/sheetLaid.ts';
import { useSend } from '../../state/send.ts';

/**
 * Enters pieces as cut from a sheet as it is laid out. Where several panels lie on it, each has its own entry: after the
 * first the others' pieces may lie on parts with labels of their own.
 */
export function useCutFrom() {
  const send = useSend();
  const client = useQueryClient();
  return async (stockId: string, pieces: readonly PieceOfPanel[]): Promise<void> => {
    const byPanel = new Map<string, number[]>();
    for (const { panelId, number } of pieces) byPanel.set(panelId, [...(byPanel.get(panelId) ?? []), number]);
    let isFirst = true;
    for (const [panelId, numbers] of byPanel) {
      const sources = isFirst
        ? [{ stockId, numbers, left: { kind: 'laid' as const } }]
        : sourcesAsLaid(
            rowsOf(await client.fetchQuery<PanelAnswer>({ queryKey: ['panel', panelId], staleTime: 0 }), numbers),
          );
      isFirst = false;
      const said = `${showNumbers(numbers, 6)} cut from ${stockId}.`;
      if (!(await send.command({ kind: 'cut', ask: { panelId, sources } }, said))) return;
    }
  };
}

const rowsOf = ({ pieces }: PanelAnswer, numbers: readonly number[]) =>
  pieces.filter((piece) => piece.stage === BEGINS && numbers.includes(piece.number));
