import { useState } from 'react';
import { reasonWords } from '#core/bench';
import { showMinutes, showMoney } from '#core/units';
import { MishapList } from '../../labour/MishapList.tsx';
import { StageBars } from '../../labour/StageBars.tsx';
import { useReckoning, useSettings, useStudio } from '../../state/studio.ts';
import { ChoiceField } from '../../ui/Choice.tsx';
import { PERIODS, periodFrom, type Period } from './periods.ts';
import { useTitle } from '../../ui/useTitle.ts';

/** What the studio learns of a period: where the hours go, what breaks and why, what each job took. */
export function Reckoning() {
  useTitle('Reckoning');
  const { data: studio } = useStudio();
  const settings = useSettings();
  const [period, setPeriod] = useState<Period>('year');
  const [today] = useState(() => Date.now());
  const { from, to } = periodFrom(period, today);
  const { data } = useReckoning(from, to);
  if (!data || !studio) return null;
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const glasses = new Map(studio.glasses.map((g) => [g.id, g]));
  const most = Math.max(1, ...data.reasons.map((r) => r.count));
  const nameOf = (panelId: string) => data.latest.find((m) => m.panelId === panelId)?.panelName ?? '';
  return (
    <main className="mx-auto grid max-w-6xl gap-x-14 gap-y-8 px-10 py-6 lg:grid-cols-2">
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
        <h2 className="mb-3 text-xl">What breaks, and why</h2>
        {data.reasons.length === 0 ? (
          <p className="text-mute">Nothing has broken yet.</p>
        ) : (
          <ul className="grid gap-2.5">
            {data.reasons.map(({ reason, count, cents }) => (
              <li key={reason} className="text-[15.5px]">
                <span className="flex justify-between gap-4">
                  <span>{reasonWords(reason)}</span>
                  <span className="text-mute">
                    {count} · {money(cents)}
                  </span>
                </span>
                <span aria-hidden className="mt-1 block h-2 rounded-sm bg-soft">
                  <i className="block h-2 rounded-sm bg-[var(--bar)]" style={{ width: `${(100 * count) / most}%` }} />
                </span>
              </li>
            ))}
          </ul>
        )}
        <h2 className="mt-8 mb-2 text-xl">Latest</h2>
        <MishapList mishaps={data.latest} glasses={glasses} settings={settings} nameOf={nameOf} />
      </section>
      <section className="lg:col-span-2">
        <h2 className="mb-2 text-xl">What the jobs took</h2>
        <table className="w-full text-[15.5px]">
          <thead className="text-left text-mute">
            <tr>
              {['Job', 'Pieces', 'Hours', 'Labour', 'By the piece', 'Broke'].map((h, i) => (
                <th key={h} scope="col" className={`py-1.5 font-normal ${i > 0 ? 'text-right' : ''}`}>
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.jobs.map(({ commissionId, title, minutes, cents, pieces, broke }) => (
              <tr key={commissionId} className="border-t border-line">
                <th scope="row" className="py-2 text-left font-semibold">
                  {title}
                </th>
                <td className="text-right">{pieces}</td>
                <td className="text-right">{showMinutes(minutes)}</td>
                <td className="text-right">{money(cents)}</td>
                <td className="text-right">{pieces > 0 ? showMinutes(minutes / pieces) : ''}</td>
                <td className="text-right">{broke || 'none'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </main>
  );
}
