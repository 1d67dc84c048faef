import { useState } from 'react';
import { REPAIR_MEANINGS, REPAIR_WAYS, repairSteps, type RepairWay, type Tables } from '#core/bench';
import { Link } from 'react-router';
import { useChange } from '../../../ui/useChange.ts';
import { useSelection } from '../../../state/selection.ts';
import type { PanelView } from '../../../panel/view.ts';
import { newId } from '../../../state/ids.ts';
import { useSend } from '../../../state/send.ts';
import { usePlans } from '../../../state/studio.ts';
import { Button } from '../../../ui/Button.tsx';
import { dayAndTime } from '../../../ui/dates.ts';
import { TextField } from '../../../ui/Field.tsx';
import { OneOf } from '../../../ui/OneOf.tsx';

/** Cracks that are seen when pieces are built in already: what can be done, and what is being done. */
export function Repairs({ view }: { view: PanelView }) {
  const { panel } = view;
  const { data } = usePlans(panel.id);
  const repairs = data?.repairs ?? [];
  return (
    <div className="grid grid-cols-2 gap-10 max-lg:grid-cols-1">
      <NewRepair view={view} />
      <section aria-label="Repairs of this panel" className="grid content-start gap-6">
        <h2 className="text-xl">{repairs.length === 0 ? 'Nothing was mended on it' : 'Mended and being mended'}</h2>
        {repairs.map((repair) => (
          <OneRepair key={repair.id} repair={repair} view={view} />
        ))}
      </section>
    </div>
  );
}

function NewRepair({ view }: { view: PanelView }) {
  const { panel, pieces, paths } = view;
  const { numbers, panelId } = useSelection();
  const send = useSend();
  const picked = panelId === panel.id ? String([...numbers][0] ?? '') : '';
  const [typed, setTyped] = useState(picked);
  // Another piece was picked: it is the one that is meant.
  useChange(picked, () => setTyped(picked));
  const [way, setWay] = useState<RepairWay>('replace');
  const [words, setWords] = useState('');
  const number = Number(typed);
  const isKnown = pieces.some((piece) => piece.number === number);
  const problem = typed === '' || isKnown ? null : `It has no piece ${typed}.`;
  const open = async () => {
    const joints = (paths?.cartoon.joints ?? []).filter((joint) => joint.pieces.includes(number));
    const ask = {
      id: newId(),
      panelId: panel.id,
      number,
      way,
      words: words.trim(),
      joints: joints.map((joint) => joint.number),
    };
    if (!(await send.command({ kind: 'open-repair', ask }, 'Noted.'))) return;
    setTyped('');
    setWords('');
  };
  return (
    <form
      aria-label="A crack is seen"
      className="grid content-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isKnown) void open();
      }}
    >
      <h2 className="text-xl">A crack is seen</h2>
      <div className="grid grid-cols-[8rem_1fr] gap-3">
        <TextField
          label="Piece"
          inputMode="numeric"
          value={typed}
          problem={problem}
          onChange={(event) => setTyped(event.target.value.trim())}
        />
        <TextField
          label="What is seen"
          value={words}
          maxLength={400}
          onChange={(event) => setWords(event.target.value)}
        />
      </div>
      <OneOf
        label="What is done about it"
        value={way}
        onPick={setWay}
        className="grid gap-1.5"
        cardClassName="min-h-14 gap-3 py-2"
        options={REPAIR_WAYS.map((value) => ({
          value,
          content: (
            <span>
              <b>{REPAIR_MEANINGS[value].name}</b>
              <span className="block text-[15px] text-mute">{REPAIR_MEANINGS[value].means}</span>
            </span>
          ),
        }))}
      />
      <Button look="go" type="submit" unless={isKnown ? null : 'Say which piece first, by its number.'}>
        {way === 'leave' ? 'Note it and leave it' : 'Begin'}
      </Button>
    </form>
  );
}

function OneRepair({ repair, view }: { repair: Tables['repairs']; view: PanelView }) {
  const { panel, settings } = view;
  const send = useSend();
  const steps = repairSteps(repair.way, panel.technique);
  const next = steps.find((step) => !repair.done.includes(step.code));
  return (
    <article aria-label={`Piece ${repair.number}`} className="border-t border-line pt-3">
      <h3 className="text-[18px] font-semibold">
        {repair.number}: {REPAIR_MEANINGS[repair.way].name.toLowerCase()}
      </h3>
      <p className="text-[15px] text-mute">
        {repair.words !== '' && `${repair.words} · `}seen{' '}
        {dayAndTime(repair.openedAt, settings.locale, repair.openedAt)}
        {repair.closedAt !== null &&
          repair.way !== 'leave' &&
          ` · mended ${dayAndTime(repair.closedAt, settings.locale, repair.closedAt)}`}
      </p>
      <ol className="mt-2">
        {steps.map((step) => {
          const isDone = repair.done.includes(step.code);
          return (
            <li key={step.code} className="flex min-h-12 items-center gap-3 border-t border-line py-1.5">
              <span
                aria-hidden
                className={`size-[15px] shrink-0 rounded-full ${isDone ? 'bg-tin shadow-[0_0_0_1px_var(--tin-edge)]' : 'shadow-[0_0_0_1.5px_var(--strong)]'}`}
              />
              <span className={`min-w-0 flex-1 ${isDone ? 'text-mute' : ''}`}>
                {step.says}
                {isDone && <span className="sr-only"> Done.</span>}
                {!isDone && step.caution && <span className="block text-[14px] text-mute">{step.caution}</span>}
                {!isDone && step.code === 'cut-large' && (
                  <Link
                    className="block font-semibold underline decoration-line underline-offset-4"
                    to={`/panels/${panel.id}/bench`}
                    onClick={() => useSelection.getState().choose(panel.id, [repair.number])}
                  >
                    Book it at the bench
                  </Link>
                )}
              </span>
              {!isDone && (
                <Button
                  look={step === next ? 'go' : 'plain'}
                  aria-label={`Done: ${step.says}`}
                  onClick={() => void send.command({ kind: 'go-on-repair', ask: { id: repair.id, step: step.code } })}
                >
                  Done
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </article>
  );
}
