import { BREAK_REASON_CODES } from '#core/bench';
import { costOf, minutesOf, sumByStage } from '#core/labour';
import { showMinutes, showMoney } from '#core/units';
import { reasonWords } from '#core/words';
import { MishapList } from '../../labour/MishapList.tsx';
import { StageBars } from '../../labour/StageBars.tsx';
import { useReader, useSettings, useStudio } from '../../state/studio.ts';

/** What the studio learns: where the hours go, what breaks and why, what each job took. */
export function Reckoning() {
  const { data } = useStudio();
  const reader = useReader(data);
  const settings = useSettings();
  if (!data) return null;
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const reasons = BREAK_REASON_CODES.map((code) => ({ code, list: data.mishaps.filter((m) => m.reason === code) }))
    .filter((r) => r.list.length > 0)
    .sort((a, b) => b.list.length - a.list.length);
  const most = Math.max(1, ...reasons.map((r) => r.list.length));
  const jobs = data.commissions
    .map((c) => {
      const ids = new Set(data.panels.filter((p) => p.commissionId === c.id).map((p) => p.id));
      const hours = data.hours.filter((h) => h.panelId !== null && ids.has(h.panelId));
      const pieces = data.panels.filter((p) => ids.has(p.id)).reduce((s, p) => s + p.pieceCount, 0);
      return {
        c,
        minutes: hours.reduce((s, h) => s + minutesOf(h, data.now), 0),
        cents: hours.reduce((s, h) => s + costOf(h, data.now), 0),
        pieces,
        broke: data.mishaps.filter((m) => ids.has(m.panelId)),
      };
    })
    .filter((j) => j.minutes > 0);
  return (
    <main className="mx-auto grid max-w-6xl gap-x-14 gap-y-8 px-10 py-6 lg:grid-cols-2">
      <h1 className="text-[28px] lg:col-span-2">Reckoning</h1>
      <section>
        <h2 className="text-xl">Where the hours go</h2>
        <StageBars sums={sumByStage(data.hours, data.now)} settings={settings} />
      </section>
      <section>
        <h2 className="mb-3 text-xl">What breaks, and why</h2>
        {reasons.length === 0 ? (
          <p className="text-mute">Nothing has broken yet.</p>
        ) : (
          <ul className="grid gap-2.5">
            {reasons.map(({ code, list }) => (
              <li key={code} className="text-[15.5px]">
                <span className="flex justify-between gap-4">
                  <span>{reasonWords(code)}</span>
                  <span className="text-mute">
                    {list.length} · {money(list.reduce((s, m) => s + m.glassCents + m.labourCents, 0))}
                  </span>
                </span>
                <span aria-hidden className="mt-1 block h-2 rounded-sm bg-soft">
                  <i
                    className="block h-2 rounded-sm bg-[#7fa9b4]"
                    style={{ width: `${(100 * list.length) / most}%` }}
                  />
                </span>
              </li>
            ))}
          </ul>
        )}
        <h2 className="mt-8 mb-2 text-xl">Latest</h2>
        <MishapList
          mishaps={[...data.mishaps].sort((a, b) => b.at - a.at).slice(0, 6)}
          reader={reader}
          settings={settings}
          named
        />
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
            {jobs.map(({ c, minutes, cents, pieces, broke }) => (
              <tr key={c.id} className="border-t border-line">
                <th scope="row" className="py-2 text-left font-semibold">
                  {c.title}
                </th>
                <td className="text-right">{pieces}</td>
                <td className="text-right">{showMinutes(minutes)}</td>
                <td className="text-right">{money(cents)}</td>
                <td className="text-right">{pieces > 0 ? showMinutes(minutes / pieces) : ''}</td>
                <td className="text-right">{broke.length || 'none'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </main>
  );
}
