import { z } from 'zod';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { count } from '#core/units';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { wanted } from '../../ui/form/fields.ts';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import { KeepFor } from './KeepFor.tsx';
import { Labels } from './Labels.tsx';

const MOVE = z.object({ place: wanted('Where they stand now.') });

/** What can be done with several sheets at once: moved, kept for a job, labelled. */
export function PickedForm({
  items,
  glasses,
  settings,
  done,
}: {
  items: readonly StockRow[];
  glasses: ReadonlyMap<string, Glass>;
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const form = useKeptForm('move-picked', MOVE, { place: '' });
  return (
    <div className="grid gap-4">
      <p className="text-[15.5px]">{items.map((item) => item.id).join(', ')}</p>
      <Form
        form={form}
        label="Move them"
        className="grid grid-cols-[1fr_auto] items-start gap-x-2"
        onSend={async ({ place }) => {
          const stockIds = items.map((item) => item.id);
          const said = `${count(items.length, 'sheet or offcut', 'sheets and offcuts')} moved to ${place}.`;
          if (!(await send.command({ kind: 'move-many', ask: { stockIds, place } }, said))) return;
          form.forget();
          done();
        }}
      >
        <FormText name="place" label="They stand in" placeholder="slot 3" />
        <Button type="submit" className="mt-[25px]">
          Move
        </Button>
      </Form>
      <KeepFor items={items} label="Kept for" />
      <Fold title="Labels">
        <Labels items={items} glasses={glasses} settings={settings} />
      </Fold>
    </div>
  );
}
