import { FormProvider } from 'react-hook-form';
import type { Source, SourceQuestion } from '#core/bench';
import { nth } from '#core/units';
import { useSend } from '../../state/send.ts';
import type { AskedRecut } from '../../tally/useTally.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { KeptWord } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import type { PanelView } from '../../panel/view.ts';
import { SourceChoice } from './SourceChoice.tsx';
import { candidates, sourcesSchema, type SourceSaid } from './sources.ts';

interface SourceAskProps {
  readonly view: PanelView;
  readonly questions: readonly SourceQuestion[];
  readonly recut: AskedRecut | null;
  onDone(done: boolean): void;
}

/** The sheet named is the one the pieces broke out of, or the one they were cut again from. */
function brokeFrom({ reason, minutes, isLost, only }: AskedRecut, { stockId, left }: Source) {
  const sheet = { stockId, left };
  return isLost ? { reason, minutes, recut: null, lostFrom: sheet } : { reason, minutes, recut: sheet, only };
}

/** Glass leaves the rack here: from which sheet, and what is left of it. Every square millimetre is spoken for. */
export function SourceAsk({ view, questions, recut, onDone }: SourceAskProps) {
  const { unit } = view.settings;
  const send = useSend();
  const panelId = view.panel.id;
  const options = questions.map((q) => candidates(view, q));
  const asked = questions.map((q) => q.numbers.join('.')).join('-');
  const form = useKeptForm(`source-${panelId}-${asked}`, sourcesSchema(unit), {
    answers: options.map(({ items }): SourceSaid => ({
      stockId: items[0]?.item.id ?? '',
      left: 'stays',
      width: '',
      height: '',
    })),
  });
  /** Where one of the glasses is not on the rack there is nothing to go on with. */
  const isBack = questions.some(({ of }) => of === 'back');
  const isThere = options.every(({ items }) => items.length > 0);
  const go = form.handleSubmit(async ({ answers }) => {
    const sources = questions.map((q, i): Source => ({ ...nth(answers, i), numbers: q.numbers }));
    const [only] = sources;
    const done =
      recut && only
        ? await send.command({ kind: 'break', ask: { panelId, numbers: only.numbers, ...brokeFrom(recut, only) } })
        : await send.command({ kind: isBack ? 'cut-back' : 'cut', ask: { panelId, sources } });
    if (!done) return;
    form.forget();
    onDone(true);
  });
  return (
    <FormProvider {...form}>
      <SideSheet
        label="From which sheet"
        onSubmit={() => void go()}
        onEscape={() => onDone(false)}
        foot={
          <div className="grid grid-cols-2 gap-2">
            {isThere && (
              <Button look="go" type="submit">
                {!recut ? 'Cut' : recut.isLost ? 'Broke' : 'Recut'}
              </Button>
            )}
            <Button onClick={() => onDone(false)}>Leave it</Button>
          </div>
        }
      >
        <h2 className="text-2xl">{!recut ? 'Cut from' : recut.isLost ? 'Broke out of' : 'Cut again from'}</h2>
        <KeptWord form={form} />
        {questions.map((question, i) => (
          <SourceChoice
            key={question.glassId}
            view={view}
            question={question}
            items={options[i]?.items ?? []}
            needMm2={options[i]?.needMm2 ?? 0}
            name={`answers.${i}`}
            takesFocus={i === 0}
          />
        ))}
      </SideSheet>
    </FormProvider>
  );
}
