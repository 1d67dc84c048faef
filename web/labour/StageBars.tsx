import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js';
import { Bar } from 'react-chartjs-2';
import { WORK_STAGES, workWord, type Settings, type WorkStage } from '#core/bench';
import type { LabourSum } from '#core/labour';
import { showMinutes, showMoney } from '#core/units';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);
Chart.defaults.font.family = "'Source Sans 3 Variable', sans-serif";
Chart.defaults.font.size = 14;

/** Hours by stage of work: bars, and the same in a table for those who do not see them. */
export function StageBars({ sums, settings }: { sums: ReadonlyMap<WorkStage, LabourSum>; settings: Settings }) {
  const stages = WORK_STAGES.filter((stage) => (sums.get(stage)?.minutes ?? 0) > 0);
  if (stages.length === 0) return <p className="mt-4 text-mute">No hours are entered yet.</p>;
  const style = getComputedStyle(document.documentElement);
  const [ink, line, copper] = ['--ink', '--line', '--copper'].map((name) => style.getPropertyValue(name).trim()) as [
    string,
    string,
    string,
  ];
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
      <table className="mt-2 w-full text-[15px]">
        <caption className="sr-only">Hours and money by stage</caption>
        <tbody>
          {stages.map((s) => (
            <tr key={s} className="border-t border-line">
              <th scope="row" className="py-1.5 text-left font-normal">
                {workWord(s)}
              </th>
              <td className="text-right">{showMinutes(sums.get(s)?.minutes ?? 0)}</td>
              <td className="w-32 text-right">
                {showMoney(sums.get(s)?.cents ?? 0, settings.currency, settings.locale)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
