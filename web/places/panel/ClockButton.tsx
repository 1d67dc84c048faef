import { ChevronDown } from 'lucide-react';
import { toast } from 'sonner';
import { runningClock, WORK_STAGES, workWord, type Hours, type WorkStage } from '#core/bench';
import { minutesOf } from '#core/labour';
import { showClock } from '#core/units';
import { nextThing } from '#core/words';
import { useBench } from '../../state/bench.ts';
import { useSend } from '../../state/send.ts';
import { Menu, MenuItem } from '../../ui/Menu.tsx';
import { useMinute } from '../../ui/useMinute.ts';
import type { PanelView } from '../../panel/view.ts';
import { newId } from '../../state/ids.ts';

/** The work that the panel waits for: what one touch on the clock starts. */
function likelyWork({ panel, pieces }: Pick<PanelView, 'panel' | 'pieces'>): WorkStage {
  const { kind, step } = nextThing(panel, pieces);
  if (step) return step.work;
  return kind === 'recut' ? 'cutting' : kind === 'done' ? 'finishing' : 'design';
}

const PART =
  'flex min-h-11 items-center gap-2.5 border border-line bg-raised px-4 hover:border-strong focus-visible:z-10';

/** One touch starts the clock of whoever stands here, another stops it, or brings it over from another panel. */
export function ClockButton({ view }: { view: PanelView }) {
  const personId = useBench((s) => s.personId);
  const { panel, reader, settings, clocks } = view;
  const send = useSend();
  const now = useMinute();
  const running = personId ? runningClock(reader, personId) : undefined;
  const isHere = running?.panelId === panel.id;
  const likely = likelyWork(view);
  const start = (stage: WorkStage) => {
    if (personId === null) toast.error('Say who works here first: the round mark at the foot of the rail.');
    else
      void send.command({
        kind: 'start-clock',
        ask: { id: newId(), personId, panelId: panel.id, stage },
      });
  };
  const stop = () => personId && void send.command({ kind: 'stop-clock', ask: { personId, endedAt: null } });
  return (
    <div className="flex" data-testid="clock">
      <button
        type="button"
        className={`${PART} w-58 min-w-0 rounded-l-md max-sm:w-48 max-sm:px-3 whitespace-nowrap`}
        onClick={() => (isHere ? stop() : start(likely))}
      >
        <span aria-hidden className={`size-2.5 shrink-0 rounded-full ${running ? 'bg-copper' : 'bg-line'}`} />
        {running && isHere ? (
          <>
            {workWord(running.stage)} <ClockTime entry={running} now={now} long={settings.longClockMin} />
            <span className="ml-auto text-mute">Stop</span>
          </>
        ) : (
          <>
            Start {workWord(likely).toLowerCase()}
            {running && (
              <span className="min-w-0 truncate text-mute">
                leaves {clocks.find((c) => c.personId === personId)?.panelName ?? 'the other'}
              </span>
            )}
          </>
        )}
      </button>
      <Menu
        className="min-w-56"
        button={
          <button
            type="button"
            aria-label="Other work"
            className={`${PART} -ml-px min-w-11 justify-center rounded-r-md`}
          >
            <ChevronDown aria-hidden size={18} />
          </button>
        }
      >
        {WORK_STAGES.map((stage) => (
          <MenuItem key={stage} onPick={() => start(stage)}>
            {workWord(stage)}
          </MenuItem>
        ))}
      </Menu>
    </div>
  );
}

function ClockTime({ entry, now, long }: { entry: Hours; now: number; long: number }) {
  const minutes = minutesOf(entry, now);
  return <b className={`text-[17px] ${minutes > long ? 'text-risk' : ''}`}>{showClock(minutes)}</b>;
}
