import { useState } from 'react';
import {
  BACK_REASONS,
  BREAK_REASON_CODES,
  BEGINS,
  reasonWords,
  stageIndex,
  stepOf,
  TAKES_GLASS,
  wayOf,
  workCaution,
  type BackReason,
  type BreakReason,
  type SourceQuestion,
  type StepCode,
} from '#core/bench';
import { count, showArea, showNumbers } from '#core/units';
import { nextThing } from '#core/words';
import { useSend } from '../../state/send.ts';
import { usePanelHistory } from '../../state/studio.ts';
import type { AskedRecut } from '../../tally/useTally.ts';
import { Button } from '../../ui/Button.tsx';
import { momentWords } from '../../ui/dates.ts';
import { ChoiceField, TextField } from '../../ui/Field.tsx';
import { OnePiece } from './OnePiece.tsx';
import type { PanelView } from '../../panel/view.ts';

interface InspectorProps {
  readonly view: PanelView;
  readonly numbers: readonly number[];
  readonly ask: (questions: readonly SourceQuestion[], recut?: AskedRecut) => void;
}

/** What is in hand: one piece in sentences with its history, or several with what can be done to them. */
export function Inspector({ view, numbers, ask }: InspectorProps) {
  const { panel, pieces } = view;
  const chosen = pieces.filter((p) => numbers.includes(p.number));
  const [asking, setAsking] = useState<'broke' | 'back' | null>(null);
  const send = useSend();
  if (chosen.length === 0) return <NothingInHand view={view} />;
  const [one] = chosen;
  const first = one as (typeof chosen)[number];
  const stages = [...new Set(chosen.map((p) => p.stage))];
  const { route } = panel;
  const last = chosen.reduce((a, b) => (stageIndex(route, a.stage) <= stageIndex(route, b.stage) ? a : b));
  const lowest = last.stage;
  const way = wayOf(route, last);
  const next = way[way.findIndex((s) => s.code === lowest) + 1];
  const list = chosen.map((p) => p.number);
  const cut = () => {
    const byGlass = new Map<string, number[]>();
    for (const p of chosen)
      if (p.stage === BEGINS && p.glassId) byGlass.set(p.glassId, [...(byGlass.get(p.glassId) ?? []), p.number]);
    ask([...byGlass].map(([glassId, own]) => ({ glassId, numbers: own })));
  };
  const advance = (to: StepCode) =>
    void send.command({ kind: 'advance', ask: { panelId: panel.id, numbers: list, to } });
  const noGlass = chosen.some((p) => p.stage === BEGINS && !p.glassId);
  const caution = next && (next.caution ?? workCaution(next.work));
  return (
    <div className="flex min-h-full flex-col gap-3.5">
      {chosen.length === 1 ? (
        <OnePiece view={view} piece={first} />
      ) : (
        <>
          <h2 className="text-3xl">{count(chosen.length, 'piece')}</h2>
          <p className="text-[15.5px]">{showNumbers(list, 14)}</p>
          <p className="text-mute">
            {stages
              .map((s) => `${chosen.filter((p) => p.stage === s).length} ${stepOf(route, s)?.word ?? s}`)
              .join(' · ')}{' '}
            ·{' '}
            {showArea(
              chosen.reduce((sum, p) => sum + p.areaMm2, 0),
              view.settings.unit,
            )}{' '}
            of glass
          </p>
        </>
      )}
      <div className="flex-1" />
      {caution && <p className="border-l-4 border-line pl-3 text-[14px] text-mute">{caution}</p>}
      {asking === 'broke' ? (
        <BrokeForm view={view} numbers={list} ask={ask} close={() => setAsking(null)} />
      ) : asking === 'back' ? (
        <BackForm view={view} numbers={list} close={() => setAsking(null)} />
      ) : (
        <div className="grid grid-cols-2 gap-2">
          {next?.code === TAKES_GLASS && (
            <Button look="go" className="col-span-2" disabled={noGlass} onClick={cut}>
              {noGlass ? 'Choose its glass first' : first.broken ? 'Cut again' : 'Cut'}
            </Button>
          )}
          {next && next.code !== TAKES_GLASS && (
            <Button look="go" className="col-span-2" onClick={() => advance(next.code)}>
              {next.word.replace(/^./, (c) => c.toUpperCase())}
            </Button>
          )}
          <Button onClick={() => setAsking('broke')} disabled={chosen.every((p) => p.broken) || noGlass}>
            Broke …
          </Button>
          <Button className="px-1" onClick={() => setAsking('back')} disabled={stageIndex(route, lowest) < 2}>
            Back …
          </Button>
        </div>
      )}
    </div>
  );
}

function NothingInHand({ view }: { view: PanelView }) {
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

function BrokeForm({ view, numbers, ask, close }: InspectorProps & { close: () => void }) {
  const [reason, setReason] = useState<BreakReason>('score-ran-off');
  const [minutes, setMinutes] = useState('');
  const send = useSend();
  const time = Number(minutes || 0);
  const problem = Number.isFinite(time) && time >= 0 && time <= 600 ? null : 'Minutes as a number, 0 to 600.';
  const same = new Set(view.pieces.filter((p) => numbers.includes(p.number)).map((p) => p.glassId));
  const [glassId] = same;
  return (
    <form className="flex flex-col gap-2.5" onSubmit={(event) => event.preventDefault()} aria-label="What broke it">
      <ChoiceField
        label="Why"
        value={reason}
        onChange={(e) => setReason(e.target.value as BreakReason)}
        options={BREAK_REASON_CODES.map((value) => ({ value, text: reasonWords(value) }))}
      />
      <TextField
        label="Minutes it cost"
        inputMode="numeric"
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        placeholder="0"
        problem={problem}
      />
      <Button
        look="go"
        disabled={problem !== null}
        onClick={() =>
          void send
            .command({ kind: 'break', ask: { panelId: view.panel.id, numbers, reason, minutes: time, recut: null } })
            .then((done) => done && close())
        }
      >
        Broke: back to be cut
      </Button>
      <div className="grid grid-cols-2 gap-2">
        <Button
          disabled={problem !== null || same.size !== 1 || !glassId}
          onClick={() => {
            close();
            ask([{ glassId: glassId as string, numbers }], { reason, minutes: time });
          }}
        >
          Recut from …
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
    </form>
  );
}

function BackForm({ view, numbers, close }: Omit<InspectorProps, 'ask'> & { close: () => void }) {
  const [reason, setReason] = useState<BackReason>('rough edge');
  const send = useSend();
  return (
    <form className="flex flex-col gap-2.5" onSubmit={(event) => event.preventDefault()} aria-label="Why it goes back">
      <ChoiceField
        label="Why does it go back a stage?"
        value={reason}
        onChange={(e) => setReason(e.target.value as BackReason)}
        options={BACK_REASONS.map((value) => ({ value, text: value }))}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button
          look="go"
          onClick={() =>
            void send
              .command({ kind: 'send-back', ask: { panelId: view.panel.id, numbers, reason } })
              .then((done) => done && close())
          }
        >
          Back a stage
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
    </form>
  );
}
