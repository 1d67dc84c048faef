import { usePanelHours } from '../../state/studio.ts';
import { usePanelView } from '../../panel/usePanelView.ts';
import { HoursBook } from '../../labour/HoursBook.tsx';
import { MishapList } from '../../labour/MishapList.tsx';
import { StageBars } from '../../labour/StageBars.tsx';
import { panelSum, sumByStage } from '#core/labour';
import { showMinutes, showMoney } from '#core/units';
import { useMinute } from '../../ui/useMinute.ts';

/** What the panel took: hours and money by stage, per piece, and what its recuts cost. */
export function HoursStep() {
  const view = usePanelView();
  const { panel, pieces, reader, settings } = view;
  const now = useMinute();
  const { data } = usePanelHours(panel.id);
  const hours = data?.hours ?? [];
  const mishaps = data?.mishaps ?? [];
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const priceOf = (glassId: string) => view.glasses.get(glassId)?.priceCentsPerM2 ?? 0;
  const { minutes, labourCents, begun, glassCents, lostCents } = panelSum(hours, mishaps, pieces, priceOf, now);
  return (
    <main className="grid flex-1 content-start gap-x-12 gap-y-8 overflow-y-auto px-6 py-5 xl:grid-cols-[1.15fr_1fr]">
      <section>
        <p className="max-w-prose text-[19px] leading-snug">
          <b>{showMinutes(minutes)}</b> of work so far, <b>{money(labourCents)}</b> at each person's rate
          {begun > 0 && (
            <>
              ; that is {showMinutes(minutes / begun)} for each of the {begun} pieces begun
            </>
          )}
          . The glass in it is worth <b>{money(glassCents)}</b>
          {mishaps.length > 0 && (
            <>
              , and <b>{money(lostCents)}</b> more was lost in {mishaps.length}{' '}
              {mishaps.length === 1 ? 'break' : 'breaks'}
            </>
          )}
          .
        </p>
        <StageBars sums={sumByStage(hours, now)} settings={settings} />
        <h2 className="mt-6 mb-2 text-xl">Recuts</h2>
        <MishapList mishaps={mishaps} glasses={view.glasses} settings={settings} />
      </section>
      <HoursBook hours={hours} panelId={panel.id} reader={reader} settings={settings} />
    </main>
  );
}
