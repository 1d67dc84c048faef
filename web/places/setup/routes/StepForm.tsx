import { z } from 'zod';
import { WORK_STAGES, workWord, type StepDefinition } from '#core/bench';
import { Button } from '../../../ui/Button.tsx';
import { free, wanted } from '../../../ui/form/fields.ts';
import { Form, FormCheck, FormChoice, FormText } from '../../../ui/form/Form.tsx';
import { useKeptForm } from '../../../ui/form/useKeptForm.ts';

const MINUTES_PER_HOUR = 60;
const MOST_HOURS = 8760;

const STEP = z.object({
  verb: wanted('What is done: Sandblast, say.'),
  word: wanted('What it is then: sandblasted, say.'),
  calls: free,
  work: z.enum(WORK_STAGES),
  hours: z.string().transform((text, ctx): number => {
    const hours = Number(text.trim().replace(',', '.') || 0);
    if (Number.isFinite(hours) && hours >= 0 && hours <= MOST_HOURS) return hours;
    ctx.addIssue({ code: 'custom', message: 'Hours of 0 or more, such as 24 or 0.5.' });
    return z.NEVER;
  }),
  waitName: free,
  caution: free,
  mayBeLeftOut: z.boolean(),
  onlyAsked: z.boolean(),
  needs: z.string(),
});

/** One step said otherwise. What a step does to its pieces is not changed, only how it is called and what goes with it. */
export function StepForm({
  step,
  before,
  onChange,
  onTake,
}: {
  step: StepDefinition;
  /** Steps of the whole that come before it: it may need one of them. */
  before: readonly StepDefinition[];
  onChange: (step: StepDefinition) => void;
  onTake: (() => void) | null;
}) {
  const form = useKeptForm(`step-${step.code}`, STEP, {
    verb: step.verb,
    word: step.word,
    calls: step.calls.join(', '),
    work: step.work,
    hours: step.waitMin === 0 ? '' : String(step.waitMin / MINUTES_PER_HOUR),
    waitName: step.waitName ?? '',
    caution: step.caution ?? '',
    mayBeLeftOut: step.mayBeLeftOut,
    onlyAsked: step.onlyAsked,
    needs: step.needs.at(-1) ?? '',
  });
  const isPanel = step.scope === 'panel';
  return (
    <Form
      form={form}
      label={`The step ${step.word || 'that is new'}`}
      onSend={({ hours, waitName, caution, calls, needs, ...rest }) => {
        form.forget();
        const others = step.needs.slice(0, -1);
        onChange({
          ...step,
          ...rest,
          calls: callsOf(calls, rest.word),
          waitMin: Math.round(hours * MINUTES_PER_HOUR),
          waitName: hours === 0 || waitName === '' ? null : waitName,
          caution: caution === '' ? null : caution,
          needs: needs === '' ? others : [...others.filter((code) => code !== needs), needs],
        });
      }}
    >
      <FormText name="verb" label="To be done" placeholder="Sandblast" autoFocus={step.verb === ''} />
      <FormText name="word" label="Once it is done it is" placeholder="sandblasted" />
      <FormText name="calls" label="Called in the tally line" placeholder="sandblasted, blasted" />
      <FormChoice
        name="work"
        label="Its hours are"
        options={WORK_STAGES.map((value) => ({ value, text: workWord(value).toLowerCase() }))}
      />
      {isPanel && (
        <div className="grid grid-cols-[1fr_2fr] gap-2">
          <FormText name="hours" label="Then wait, h" inputMode="decimal" placeholder="0" />
          <FormText name="waitName" label="for the" placeholder="cement" />
        </div>
      )}
      {isPanel && before.length > 0 && (
        <FormChoice
          name="needs"
          label="Only after"
          options={[
            { value: '', text: 'nothing in particular' },
            ...before.map(({ code, word }) => ({ value: code, text: word })),
          ]}
        />
      )}
      <FormText name="caution" label="Caution at this step" placeholder="Gloves; follow the label." />
      {isPanel ? (
        <FormCheck name="mayBeLeftOut">may be left out</FormCheck>
      ) : (
        step.deed === 'nothing' && <FormCheck name="onlyAsked">only for pieces that ask for it</FormCheck>
      )}
      <div className="flex gap-2">
        <Button look="plain" type="submit">
          Keep the step
        </Button>
        {onTake && (
          <Button look="quiet" onClick={onTake}>
            Take it out
          </Button>
        )}
      </div>
    </Form>
  );
}

/** Each call once, in small letters; the word itself where none is given. */
function callsOf(calls: string, word: string): string[] {
  const said = calls
    .split(',')
    .map((call) => call.trim().toLowerCase())
    .filter((call) => call !== '');
  return [...new Set(said.length > 0 ? said : [word.toLowerCase()])];
}
