import { useState } from 'react';
import type { Source, SourceQuestion } from '#core/bench';
import { nth } from '#core/units';
import { useSend } from '../../state/send.ts';
import type { AskedRecut } from '../../tally/useTally.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import type { PanelView } from '../../panel/view.ts';
import { SourceChoice } from './SourceChoice.tsx';
import { candidates, leftOf, type SourceAnswer } from './sources.ts';

interface SourceAskProps {
  readonly view: PanelView;
  readonly questions: readonly SourceQuestion[];
  readonly recut: AskedRecut | null;
  onDone(done: boolean): void;
}

/** The sheet named is the one the pieces broke out of, or the one they were cut again from. */
function brokeFrom({ reason, minutes, isLost }: AskedRecut, { stockId, left }: Source) {
  const sheet = { stockId, left };
  return isLost ? { reason, minutes, recut: null, lostFrom: sheet } : { reason, minutes, recut: sheet };
}

/** Glass leaves the rack here: from which sheet, and what is left of it. Every square millimetre is spoken for. */
export function SourceAsk({ view, questions, recut, onDone }: SourceAskProps) {
  const { unit } = view.settings;
  const send = useSend();
  const options = questions.map((q) => candidates(view, q));
  const [answers, setAnswers] = useState<SourceAnswer[]>(() =>
    options.map(({ items }) => ({ stockId: items[0]?.item.id ?? '', left: 'stays', width: '', height: '' })),
  );
  const change = (i: number, fields: Partial<SourceAnswer>) =>
    setAnswers(answers.map((a, k) => (k === i ? { ...a, ...fields } : a)));
  const lefts = answers.map((answer) => leftOf(answer, unit));
  const isReady = answers.every((a) => a.stockId !== '') && lefts.every((l) => l !== null);
  const go = async () => {
    const panelId = view.panel.id;
    const sources = questions.flatMap((q, i): Source[] => {
      const left = nth(lefts, i);
      return left === null ? [] : [{ stockId: nth(answers, i).stockId, numbers: q.numbers, left }];
    });
    const [only] = sources;
    const done =
      recut && only
        ? await send.command({ kind: 'break', ask: { panelId, numbers: only.numbers, ...brokeFrom(recut, only) } })
        : await send.command({ kind: 'cut', ask: { panelId, sources } });
    if (done) onDone(true);
  };
  return (
    <SideSheet
      label="From which sheet"
      onSubmit={() => isReady && void go()}
      onEscape={() => onDone(false)}
      foot={
        <div className="grid grid-cols-2 gap-2">
          <Button look="go" type="submit" disabled={!isReady}>
            {!recut ? 'Cut' : recut.isLost ? 'Broke' : 'Recut'}
          </Button>
          <Button onClick={() => onDone(false)}>Leave it</Button>
        </div>
      }
    >
      <h2 className="text-2xl">{!recut ? 'Cut from' : recut.isLost ? 'Broke out of' : 'Cut again from'}</h2>
      {questions.map((question, i) => (
        <SourceChoice
          key={question.glassId}
          view={view}
          question={question}
          items={options[i]?.items ?? []}
          needMm2={options[i]?.needMm2 ?? 0}
          answer={nth(answers, i)}
          hasLeft={lefts[i] !== null}
          takesFocus={i === 0}
          change={(fields) => change(i, fields)}
        />
      ))}
    </SideSheet>
  );
}
