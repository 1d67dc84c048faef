import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { useEffect, useMemo, useState } from 'react';
import { Bar } from 'react-chartjs-2';
import { WORK_STAGES, workWord, type Settings, type WorkStage } from '#core/bench';
import type { LabourSum } from '#core/labour';
import { showMinutes, showMoney } from '#core/units';
import { useBench } from '../state/bench.ts';
import { Table, type Column } from '../ui/Table.tsx';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);
Chart.defaults.font.family = "'Source Sans 3 Variable', sans-serif";
Chart.defaults.font.size = 14;

interface StageSum extends LabourSum {
  readonly stage: WorkStage;
}

function useStageColumns({ currency, locale }: Settings): Column<StageSum>[] {
  return useMemo(
    () => [
      { id: 'stage', head: 'Work', value: (row) => workWord(row.stage) },
      {
        id: 'time',
        head: 'Time',
        value: (row) => row.minutes,
        show: (row) => showMinutes(row.minutes),
        isNumber: true,
      },
      {
        id: 'money',
        head: 'Labour',
        value: (row) => row.cents,
        show: (row) => showMoney(row.cents, currency, locale),
        isNumber: true,
      },
    ],
    [currency, locale],
  );
}

function inks() {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return { ink: of('--ink'), line: of('--line'), copper: of('--copper') };
}

/** The page's colours for a drawing that takes none from the page's own style; by day and by lamplight. */
function useInks() {
  const theme = useBench((s) => s.theme);
  const [shown, setShown] = useState(inks);
  useEffect(() => {
    // The page takes its theme in the same turn.
    const next = requestAnimationFrame(() => setShown(inks()));
    return () => cancelAnimationFrame(next);
  }, [theme]);
  return shown;
}

/** Hours by stage of work: bars, and the same in a table for those who do not see them. */
export function StageBars({ sums, settings }: { sums: ReadonlyMap<WorkStage, LabourSum>; settings: Settings }) {
  const columns = useStageColumns(settings);
  const { ink, line, copper } = useInks();
  const stages = WORK_STAGES.filter((stage) => (sums.get(stage)?.minutes ?? 0) > 0);
  if (stages.length === 0) return <p className="mt-4 text-mute">No hours are entered yet.</p>;
  return (
    <figure className="mt-4">
      <div style={{ height: 44 + stages.length * 36 }}>
        <Bar
          aria-hidden
          data={{
            labels: stages.map((s) => workWord(s)),
            datasets: [
              {
                data: stages.map((s) => (sums.get(s)?.minutes ?? 0) / 60),
                backgroundColor: copper,
                borderRadius: 3,
                barThickness: 18,
              },
            ],
          }}
          options={{
            indexAxis: 'y',
            maintainAspectRatio: false,
            animation: false,
            scales: {
              x: { title: { display: true, text: 'hours', color: ink }, grid: { color: line }, ticks: { color: ink } },
              y: { grid: { display: false }, ticks: { color: ink } },
            },
            plugins: { tooltip: { callbacks: { label: (item) => showMinutes((item.raw as number) * 60) } } },
          }}
        />
      </div>
      <Table
        name="Hours and money by stage"
        rows={stages.map((stage) => ({
          stage,
          minutes: sums.get(stage)?.minutes ?? 0,
          cents: sums.get(stage)?.cents ?? 0,
        }))}
        columns={columns}
        idOf={(row) => row.stage}
        empty=""
        isPlain
      />
    </figure>
  );
}
