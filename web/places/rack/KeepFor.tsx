import { useMemo } from 'react';
import type { CommissionRow } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { useToday, type StockRow } from '../../state/studio.ts';
import { ChoiceField } from '../../ui/Choice.tsx';

/** The jobs in hand, by id. */
export function useJobsInHand(): ReadonlyMap<string, string> {
  const { data } = useToday();
  return useMemo(
    () => new Map((data?.jobs ?? []).map(({ commission }) => [commission.id, titleOf(commission)])),
    [data],
  );
}
const titleOf = ({ title, client }: Pick<CommissionRow, 'title' | 'client'>): string =>
  client === '' ? title : `${title}, ${client}`;

/** For which job sheets and offcuts are kept, or for any. */
export function KeepFor({ items, label = 'Kept for' }: { items: readonly StockRow[]; label?: string }) {
  const send = useSend();
  const jobs = useJobsInHand();
  const kept = new Set(items.map((item) => item.keptFor));
  const [only = null] = kept.size === 1 ? kept : [undefined];
  const options = [
    { value: '', text: 'any job' },
    ...[...jobs].map(([value, text]) => ({ value, text })),
    // A job that is delivered or put away keeps what it kept until that is freed.
    ...(only !== null && !jobs.has(only) ? [{ value: only, text: 'a job that is not in hand' }] : []),
    ...(kept.size > 1 ? [{ value: 'several', text: 'different jobs' }] : []),
  ];
  return (
    <ChoiceField
      label={label}
      value={kept.size > 1 ? 'several' : (only ?? '')}
      options={options}
      onChoice={(id) => {
        const commissionId = id === '' ? null : id;
        const stockIds = items.map((item) => item.id);
        if (id === 'several' || (kept.size === 1 && commissionId === only)) return;
        const said = commissionId === null ? 'Free for any job.' : `Kept for ${jobs.get(id) ?? 'that job'}.`;
        void send.command({ kind: 'keep-for', ask: { stockIds, commissionId } }, said);
      }}
    />
  );
}
