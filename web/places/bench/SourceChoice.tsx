import { useWatch } from 'react-hook-form';
import { backsCalled, type SourceQuestion } from '#core/bench';
import type { Glass } from '#core/stock';
import { count, showArea, showNumbers, type DisplayUnit } from '#core/units';
import type { PanelView } from '../../panel/view.ts';
import { Measures } from '../../ui/Length.tsx';
import { FormOneOf, FormText, useProblem } from '../../ui/form/Form.tsx';
import type { Candidate, LeftKind } from './sources.ts';

interface SourceChoiceProps {
  readonly view: PanelView;
  readonly question: SourceQuestion;
  readonly items: readonly Candidate[];
  readonly needMm2: number;
  /** Of its fields in the form. */
  readonly name: string;
  /** Its first sheet is where the keys begin. */
  readonly takesFocus: boolean;
}

/** One glass: the sheets and offcuts that could give it, and what is left of the chosen one. */
export function SourceChoice({ view, question, items, needMm2, name, takesFocus }: SourceChoiceProps) {
  const glass = view.glasses.get(question.glassId);
  const { unit } = view.settings;
  const named = (numbers: readonly number[]) =>
    question.of === 'back' ? backsCalled(numbers) : showNumbers(numbers, 6);
  return (
    <fieldset className="flex flex-col gap-2 border-t border-line pt-3">
      <legend className="sr-only">Glass {glass?.code}</legend>
      <p className="text-[15.5px]">
        <b>{glass?.code}</b> {glass?.name} for{' '}
        {question.numbers.length === 1
          ? `piece ${named(question.numbers)}`
          : `${count(question.numbers.length, 'piece')}: ${named(question.numbers)}`}{' '}
        · {showArea(needMm2, unit)}
      </p>
      {items.length === 0 && (
        <p className="font-semibold text-risk">
          No sheet or offcut of this glass holds enough. Receive one on the Rack, or cut fewer pieces at once.
        </p>
      )}
      <SheetChoice {...{ items, name, glass, unit }} takesFocus={takesFocus} />
      {items.length > 0 && <LeftChoice {...{ name, unit }} />}
    </fieldset>
  );
}

type SheetChoiceProps = Pick<SourceChoiceProps, 'items' | 'name'> & {
  readonly glass: Glass | undefined;
  readonly takesFocus: boolean;
  readonly unit: DisplayUnit;
};

function SheetChoice({ items, name, glass, takesFocus, unit }: SheetChoiceProps) {
  const widest = Math.max(1, ...items.map(({ item: s }) => Math.max(s.widthMm, s.heightMm)));
  const problem = useProblem(`${name}.stockId`);
  return (
    <>
      <FormOneOf<string>
        name={`${name}.stockId`}
        label="Sheet or offcut"
        autoFocus={takesFocus}
        className="flex max-h-56 flex-col gap-1.5 overflow-y-auto p-1"
        cardClassName="min-h-12 gap-3 py-1.5"
        options={items.map(({ item: s, tooSmall }) => ({
          value: s.id,
          content: (
            <>
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
                <b>{s.id}</b> {s.kind === 'offcut' ? 'offcut' : 'sheet'}
                {s.place && ` · ${s.place}`}
                <br />
                <span className="text-mute">
                  {showArea(s.areaMm2, unit)} left of <Measures widthMm={s.widthMm} heightMm={s.heightMm} unit={unit} />
                  {tooSmall && <b className="text-risk"> · too small one way</b>}
                </span>
              </span>
            </>
          ),
        }))}
      />
      {problem && items.length > 0 && <p className="font-semibold text-risk">{problem}</p>}
    </>
  );
}

const leftWords = (stockId: string): readonly [LeftKind, string][] => [
  ['stays', `it stays ${stockId}`],
  ['offcuts', 'a new offcut'],
  ['waste', 'nothing worth keeping'],
];

function LeftChoice({ name, unit }: { name: string; unit: DisplayUnit }) {
  const stockId: unknown = useWatch({ name: `${name}.stockId` });
  const left: unknown = useWatch({ name: `${name}.left` });
  return (
    <>
      <p className="text-[15px] text-mute">What is left of it?</p>
      <FormOneOf
        name={`${name}.left`}
        label="What is left of it"
        className="flex flex-wrap gap-2"
        cardClassName="min-h-11 gap-2 text-[15px]"
        options={leftWords(String(stockId)).map(([value, content]) => ({ value, content }))}
      />
      {left !== 'waste' && (
        <div className="grid grid-cols-2 gap-2">
          <FormText name={`${name}.width`} label={left === 'stays' ? 'Wide, if measured' : 'Wide'} placeholder={unit} />
          <FormText name={`${name}.height`} label="High" placeholder={unit} />
        </div>
      )}
    </>
  );
}
