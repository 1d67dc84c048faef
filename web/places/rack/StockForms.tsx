import { z } from 'zod';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { wanted } from '../../ui/form/fields.ts';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

const ROW = 'grid grid-cols-[1fr_auto] items-start gap-x-2';
/** Level with the field beside it, under that one's label. */
const BESIDE = 'mt-[25px]';

const MOVE = z.object({ place: wanted('Where it stands now.') });

/** Moves a sheet to another slot. */
export function MoveForm({ item }: { item: StockRow }) {
  const send = useSend();
  const form = useKeptForm(`move-${item.id}`, MOVE, { place: item.place });
  return (
    <Form
      form={form}
      label={`Move ${item.id}`}
      className={ROW}
      onSend={async ({ place }) => {
        const isThere = place === item.place;
        if (isThere || (await send.command({ kind: 'move-stock', ask: { stockId: item.id, place } }, 'Moved.')))
          form.forget();
      }}
    >
      <FormText name="place" label="Stands in" />
      <Button type="submit" className={BESIDE}>
        Move
      </Button>
    </Form>
  );
}

const WRITE_OFF = z.object({ reason: wanted('Say why: the ledger keeps it.') });

/** Writes a sheet off, with the reason. */
export function WriteOffForm({ item, done }: { item: StockRow; done: () => void }) {
  const send = useSend();
  const form = useKeptForm(`write-off-${item.id}`, WRITE_OFF, { reason: '' });
  return (
    <Form
      form={form}
      label={`Write off ${item.id}`}
      className={`${ROW} border-t border-line pt-3`}
      onSend={async ({ reason }) => {
        const said = `${item.id} is written off; Setup brings it back.`;
        if (!(await send.command({ kind: 'write-off', ask: { stockId: item.id, reason } }, said))) return;
        form.forget();
        done();
      }}
    >
      <FormText name="reason" label="Write it off, because" placeholder="dropped" />
      <Button type="submit" className={BESIDE}>
        Write off
      </Button>
    </Form>
  );
}
