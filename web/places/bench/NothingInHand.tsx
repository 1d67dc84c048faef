import { nextThing } from '#core/words';
import { BeforeBuilding } from './BeforeBuilding.tsx';
import { TrayCount } from './TrayCount.tsx';
import { HistoryLines } from '../../history/HistoryLines.tsx';
import { NotesFold } from '../../notes/NotesFold.tsx';
import type { PanelView } from '../../panel/view.ts';
import { usePanelHistory, usePlans } from '../../state/studio.ts';
import { WaitList } from '../../labour/WaitList.tsx';
import { useMinute } from '../../ui/useMinute.ts';

/** The next thing to do on the panel, and what was done lately. */
export function NothingInHand({ view }: { view: PanelView }) {
  const { panel, pieces, settings } = view;
  const { data } = usePanelHistory(panel.id);
  const { data: plans } = usePlans(panel.id);
  const now = useMinute();
  const next = nextThing(panel, pieces);
  return (
    <div className="flex flex-col gap-4">
      <h2 className="text-2xl">Next</h2>
      <p className="text-[17px]">
        {next.before}
        <b className="text-copper-ink">{next.strong}</b>
        {next.after}
      </p>
      <p className="text-[15px] text-mute">Tap a piece, draw a lasso round some, or type their numbers below.</p>
      {(plans?.waits.length ?? 0) > 0 && <WaitList waits={plans?.waits ?? []} now={now} locale={settings.locale} />}
      <BeforeBuilding view={view} />
      <TrayCount view={view} />
      <NotesFold about="panel" id={panel.id} of={panel.name} />
      <h3 className="mt-2 text-[17px]">Lately</h3>
      <HistoryLines lines={(data?.lines ?? []).slice(0, 14)} locale={settings.locale} label="Lately" />
    </div>
  );
}
