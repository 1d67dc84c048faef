import { useMemo, useState } from 'react';
import { z } from 'zod';
import type { Settings } from '#core/bench';
import { BOUNDS } from '#core/limits';
import type { Glass } from '#core/stock';
import { showLength, type DisplayUnit } from '#core/units';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { length, money } from '../../ui/form/fields.ts';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import { Question } from '../../ui/Question.tsx';

const correctionOf = (unit: DisplayUnit) => {
  const side = length(unit, { least: 1, most: BOUNDS.lengthMm.most }, 'From 1 mm up.');
  return z.object({ glassId: z.string(), width: side, height: side, cost: money('A cost of 0 or more.') });
};

/** A sheet or offcut that was entered wrongly is put right, or taken out where it never came. */
export function CorrectForm({
  item,
  glasses,
  settings,
  done,
}: {
  item: StockRow;
  glasses: readonly Glass[];
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const { unit, currency } = settings;
  const schema = useMemo(() => correctionOf(unit), [unit]);
  const shown = (mm: number) => showLength(mm, unit, 1).replace('⁄', '/');
  const form = useKeptForm(`correct-${item.id}`, schema, {
    glassId: item.glassId,
    width: shown(item.widthMm),
    height: shown(item.heightMm),
    cost: String(item.costCents / 100),
  });
  const [isAsked, setAsked] = useState(false);
  return (
    <>
      <Form
        form={form}
        label={`Correct ${item.id}`}
        className="grid gap-1.5 pt-2"
        onSend={async ({ glassId, width, height, cost }) => {
          const ask = {
            stockId: item.id,
            glassId,
            widthMm: width,
            heightMm: height,
            place: item.place,
            costCents: cost,
          };
          if (!(await send.command({ kind: 'correct-stock', ask }, `${item.id} corrected.`))) return;
          form.forget();
          done();
        }}
      >
        <FormChoice
          name="glassId"
          label="Glass"
          options={glasses.map((g) => ({ value: g.id, text: `${g.code} ${g.name}` }))}
        />
        <div className="grid grid-cols-2 gap-2">
          <FormText name="width" label="Wide" />
          <FormText name="height" label="High" />
        </div>
        <FormText name="cost" label={`What is left of it cost, ${currency}`} inputMode="decimal" />
        <Button type="submit">Keep</Button>
        <Button look="quiet" onClick={() => setAsked(true)}>
          It never came: take it out
        </Button>
      </Form>
      <Question
        title={`Take ${item.id} out?`}
        yes="Take it out"
        no="Leave it"
        open={isAsked}
        onNo={() => setAsked(false)}
        onYes={() => {
          setAsked(false);
          void send
            .command(
              { kind: 'withdraw-stock', ask: { stockId: item.id } },
              `${item.id} taken out; undo brings it back.`,
            )
            .then((isDone) => {
              if (!isDone) return;
              form.forget();
              done();
            });
        }}
      >
        It goes with its entry in the ledger, as if it had never been received; its label is free again. Glass that
        broke or was given away is written off instead.
      </Question>
    </>
  );
}
