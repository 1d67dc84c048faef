import { useState } from 'react';
import { wantedBy, type Source, type SourceQuestion } from '#core/bench';
import { bySize, takingOf, type Left, type StockItem, type Taking } from '#core/stock';
import { count, lengthToMm, showArea, showNumbers, type DisplayUnit, nth } from '#core/units';
import { useSend } from '../../state/send.ts';
import type { AskedRecut } from '../../tally/useTally.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Measures } from '../../ui/Length.tsx';
import type { PanelView } from '../../panel/view.ts';

type LeftKind = 'stays' | 'offcuts' | 'waste';
interface Answer {
  readonly stockId: string;
  readonly left: LeftKind;
  readonly width: string;
  readonly height: string;
}

interface Candidate {
  readonly item: StockItem;
  /** Too small one way or the other by its measures, though it holds enough glass. */
  readonly tooSmall: boolean;
}

/** What could give the glass: what takes every piece first, then what only holds enough. */
function candidates(view: PanelView, { glassId, numbers }: SourceQuestion): { items: Candidate[]; needMm2: number } {
  const { pieces, answer, glasses, limits } = view;
  const cutOf = new Map((answer?.cuts ?? []).map((cut) => [cut.number, cut]));
  const wanted = pieces
    .filter((p) => numbers.includes(p.number))
    .map((p) => wantedBy(p, cutOf.get(p.number), glasses.get(glassId)));
  const judged = bySize([...view.reader.ask('stockOfGlass', glassId)]).map((item) => ({
    item,
    taking: takingOf(wanted, item, limits.sheetEdgeMm),
  }));
  const of = (taking: Taking) =>
    judged.filter((j) => j.taking === taking).map(({ item }) => ({ item, tooSmall: taking !== 'fits' }));
  return { needMm2: wanted.reduce((sum, w) => sum + w.areaMm2, 0), items: [...of('fits'), ...of('too-small')] };
}

interface SourceAskProps {
  readonly view: PanelView;
  readonly questions: readonly SourceQuestion[];
  readonly recut: AskedRecut | null;
  onDone(done: boolean): void;
}

/** Glass leaves the rack here: from which sheet, and what is left of it. Every square millimetre is spoken for. */
export function SourceAsk({ view, questions, recut, onDone }: SourceAskProps) {
  const { unit } = view.settings;
  const send = useSend();
  const options = questions.map((q) => candidates(view, q));
  const [answers, setAnswers] = useState<Answer[]>(() =>
    options.map(({ items }) => ({ stockId: items[0]?.item.id ?? '', left: 'stays', width: '', height: '' })),
  );
  const change = (i: number, fields: Partial<Answer>) =>
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
        ? await send.command({
            kind: 'break',
            ask: { panelId, numbers: only.numbers, ...recut, recut: { stockId: only.stockId, left: only.left } },
          })
        : await send.command({ kind: 'cut', ask: { panelId, sources } });
    if (done) onDone(true);
  };
  return (
    <form
      className="flex min-h-full flex-col gap-4"
      aria-label="From which sheet"
      onSubmit={(event) => {
        event.preventDefault();
        void go();
      }}
    >
      <h2 className="text-2xl">{recut ? 'Cut again from' : 'Cut from'}</h2>
      {questions.map((question, i) => (
        <Question
          key={question.glassId}
          view={view}
          question={question}
          items={options[i]?.items ?? []}
          needMm2={options[i]?.needMm2 ?? 0}
          answer={nth(answers, i)}
          hasLeft={lefts[i] !== null}
          change={(fields) => change(i, fields)}
        />
      ))}
      <div className="sticky bottom-0 mt-auto grid grid-cols-2 gap-2 bg-sheet pt-2">
        <Button look="go" type="submit" disabled={!isReady}>
          {recut ? 'Recut' : 'Cut'}
        </Button>
        <Button onClick={() => onDone(false)}>Not now</Button>
      </div>
    </form>
  );
}

function leftOf({ left, width, height }: Answer, unit: DisplayUnit): Left | null {
  if (left === 'waste') return { kind: 'waste' };
  if (left === 'stays' && width.trim() === '' && height.trim() === '') return { kind: 'stays' };
  const widthMm = lengthToMm(width, unit);
  const heightMm = lengthToMm(height, unit);
  if (widthMm === null || heightMm === null || widthMm <= 0 || heightMm <= 0) return null;
  return left === 'stays'
    ? { kind: 'stays', widthMm, heightMm }
    : { kind: 'offcuts', offcuts: [{ widthMm, heightMm }] };
}

const LEFTS: readonly [LeftKind, string][] = [
  ['stays', 'it stays a sheet'],
  ['offcuts', 'an offcut'],
  ['waste', 'nothing worth keeping'],
];

function Question({
  view,
  question,
  items,
  needMm2,
  answer,
  hasLeft,
  change,
}: {
  view: PanelView;
  question: SourceQuestion;
  items: readonly Candidate[];
  needMm2: number;
  answer: Answer;
  hasLeft: boolean;
  change: (fields: Partial<Answer>) => void;
}) {
  const glass = view.glasses.get(question.glassId);
  const { unit } = view.settings;
  const widest = Math.max(1, ...items.map(({ item: s }) => Math.max(s.widthMm, s.heightMm)));
  return (
    <fieldset className="flex flex-col gap-2 border-t border-line pt-3">
      <legend className="sr-only">Glass {glass?.code}</legend>
      <p className="text-[15.5px]">
        <b>{glass?.code}</b> {glass?.name} for{' '}
        {question.numbers.length === 1
          ? `piece ${question.numbers[0]}`
          : `${count(question.numbers.length, 'piece')}: ${showNumbers(question.numbers, 6)}`}{' '}
        · {showArea(needMm2, unit)}
      </p>
      {items.length === 0 && (
        <p className="font-semibold text-risk">
          No sheet or offcut of this glass holds enough. Receive one on the Rack, or cut fewer pieces at once.
        </p>
      )}
      <div className="flex max-h-56 flex-col gap-1.5 overflow-y-auto" role="radiogroup" aria-label="Sheet or offcut">
        {items.map(({ item: s, tooSmall }) => (
          <label
            key={s.id}
            className="flex min-h-12 cursor-pointer items-center gap-3 rounded-md border border-line px-3 py-1.5 has-checked:border-ink has-checked:bg-raised"
          >
            <input
              type="radio"
              name={`from-${question.glassId}`}
              className="size-5 accent-copper"
              checked={answer.stockId === s.id}
              onChange={() => change({ stockId: s.id })}
            />
            <svg aria-hidden width="52" height="40" viewBox="0 0 52 40">
              <rect
                x="1"
                y="1"
                width={(s.widthMm / widest) * 50}
                height={Math.min(38, (s.heightMm / widest) * 50)}
                fill={glass?.colour}
                stroke="var(--score)"
                strokeWidth=".8"
              />
            </svg>
            <span className="min-w-0 text-[15px]">
              <b>{s.id}</b> {s.kind === 'offcut' ? 'offcut' : 'sheet'} · {s.place}
              <br />
              <span className="text-mute">
                {showArea(s.areaMm2, unit)} left of <Measures widthMm={s.widthMm} heightMm={s.heightMm} unit={unit} />
                {tooSmall && <b className="text-risk"> · too small one way</b>}
              </span>
            </span>
          </label>
        ))}
      </div>
      {items.length > 0 && (
        <>
          <div className="flex flex-wrap gap-2" role="radiogroup" aria-label="What is left of it">
            <span className="w-full text-[15px] text-mute">What is left of it?</span>
            {LEFTS.map(([kind, text]) => (
              <label
                key={kind}
                className="flex min-h-11 cursor-pointer items-center gap-2 rounded-md border border-line px-3 text-[15px] has-checked:border-ink has-checked:bg-raised"
              >
                <input
                  type="radio"
                  name={`left-${question.glassId}`}
                  className="size-4 accent-copper"
                  checked={answer.left === kind}
                  onChange={() => change({ left: kind })}
                />
                {text}
              </label>
            ))}
          </div>
          {answer.left !== 'waste' && (
            <div className="grid grid-cols-2 gap-2">
              <TextField
                label={answer.left === 'stays' ? 'Wide, if measured' : 'Wide'}
                value={answer.width}
                onChange={(e) => change({ width: e.target.value })}
                placeholder={unit}
                problem={
                  !hasLeft && answer.width !== '' && lengthToMm(answer.width, unit) === null
                    ? 'A length, please.'
                    : null
                }
              />
              <TextField
                label="High"
                value={answer.height}
                onChange={(e) => change({ height: e.target.value })}
                placeholder={unit}
              />
            </div>
          )}
        </>
      )}
    </fieldset>
  );
}
