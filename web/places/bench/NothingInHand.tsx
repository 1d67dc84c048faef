import { nextThing } from '#core/words';
import type { PanelView } from '../../panel/view.ts';
import { usePanelHistory } from '../../state/studio.ts';
import { momentWords } from '../../ui/dates.ts';

/** The next thing to do on the panel, and what was done lately. */
export function NothingInHand({ view }: { view: PanelView }) {
  const { panel, pieces, settings } = view;
  const { data } = usePanelHistory(panel.id);
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
      <h3 className="mt-2 text-[17px]">Lately</h3>
      <ol className="grid gap-2 border-l-2 border-line pl-3.5 text-[14.5px]">
        {(data?.lines ?? []).slice(0, 12).map((line) => (
          <li key={line.seq} className={line.mishap ? 'text-risk' : ''}>
            <span className="text-mute">{momentWords(line.at, settings.locale)}</span> {line.words}
            {line.who && <span className="text-mute"> · {line.who}</span>}
          </li>
        ))}
      </ol>
    </div>
  );
}
