import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { ReckoningAnswer } from '#contract';
import type { Settings } from '#core/bench';
import { showMinutes, showMoney } from '#core/units';
import { MishapList } from '../../labour/MishapList.tsx';
import { StageBars } from '../../labour/StageBars.tsx';
import { useReckoning, useSettings, useStudio } from '../../state/studio.ts';
import { ChoiceField } from '../../ui/Choice.tsx';
import { Table, type Column } from '../../ui/Table.tsx';
import { Breaks } from './Breaks.tsx';
import { DaySheet } from './DaySheet.tsx';
import { PERIODS, periodFrom, type Period } from './periods.ts';
import { useTitle } from '../../ui/useTitle.ts';

type JobSum = ReckoningAnswer['jobs'][number];

function useJobColumns({ currency, locale }: Settings): Column<JobSum>[] {
  return useMemo(() => {
    const money = (cents: number) => showMoney(cents, currency, locale);
    const byThePiece = ({ minutes, pieces }: JobSum) => (pieces > 0 ? minutes / pieces : null);
    return [
      {
        id: 'job',
        head: 'Job',
        value: (job) => job.title,
        show: (job) => <Link to={`/jobs/${job.commissionId}`}>{job.title}</Link>,
      },
      { id: 'pieces', head: 'Pieces', value: (job) => job.pieces, isNumber: true },
      {
        id: 'hours',
        head: 'Hours',
        value: (job) => hoursOf(job.minutes),
        show: (job) => showMinutes(job.minutes),
        isNumber: true,
      },
      {
        id: 'labour',
        head: 'Labour',
        value: (job) => job.cents / 100,
        show: (job) => money(job.cents),
        isNumber: true,
      },
      {
        id: 'each',
        head: 'By the piece',
        value: (job) => hoursOf(byThePiece(job)),
        show: (job) => (job.pieces > 0 ? showMinutes(byThePiece(job) ?? 0) : '—'),
        isNumber: true,
      },
      { id: 'broke', head: 'Broke', value: (job) => job.broke, show: (job) => job.broke || 'none', isNumber: true },
    ];
  }, [currency, locale]);
}

/** As a file says it: hours to two places. */
const hoursOf = (minutes: number | null): number | null => (minutes === null ? null : Math.round(minutes / 0.6) / 100);

/** What the studio learns of a period: where the hours go, what breaks and why, what each job took. */
export function Reckoning() {
  useTitle('Reckoning');
  const { data: studio } = useStudio();
  const settings = useSettings();
  const [period, setPeriod] = useState<Period>('year');
  const [today] = useState(() => Date.now());
  const { from, to } = periodFrom(period, today);
  const { data } = useReckoning(from, to);
  const columns = useJobColumns(settings);
  if (!data || !studio) return null;
  const glasses = new Map(studio.glasses.map((g) => [g.id, g]));
  const nameOf = (panelId: string) => data.latest.find((m) => m.panelId === panelId)?.panelName ?? '';
  return (
    <main className="mx-auto grid max-w-6xl gap-x-14 gap-y-8 px-10 py-6 max-sm:px-4 lg:grid-cols-2">
      <header className="flex flex-wrap items-start gap-6 lg:col-span-2">
        <h1 className="text-[28px]">Reckoning</h1>
        <div className="ml-auto w-56">
          <ChoiceField
            label="Over"
            value={period}
            onChoice={setPeriod}
            options={PERIODS.map(({ key, words }) => ({ value: key, text: words }))}
          />
        </div>
      </header>
      <section>
        <h2 className="text-xl">Where the hours go</h2>
        <StageBars sums={new Map(data.stages.map((s) => [s.stage, s]))} settings={settings} />
      </section>
      <section>
        <Breaks data={data} settings={settings} />
        <h2 className="mt-8 mb-2 text-xl">Latest</h2>
        <MishapList mishaps={data.latest} glasses={glasses} settings={settings} nameOf={nameOf} />
      </section>
      <section className="lg:col-span-2">
        <h2 className="mb-2 text-xl">What the jobs took</h2>
        <Table
          name="What the jobs took"
          rows={data.jobs}
          columns={columns}
          idOf={(job) => job.commissionId}
          empty="No hours were worked on a job in this time."
        />
      </section>
      <div className="lg:col-span-2">
        <DaySheet settings={settings} />
      </div>
    </main>
  );
}
