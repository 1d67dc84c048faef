import { useMemo, useState } from 'react';
import { z } from 'zod';
import type { Settings } from '#core/bench';
import { BOUNDS } from '#core/limits';
import { showArea, showLength } from '#core/units';
import { sizeWords } from '#core/words';
import { useSend } from '../../state/send.ts';
import type { StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { length } from '../../ui/form/fields.ts';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

const SIDE = { least: 1, most: BOUNDS.lengthMm.most };

/** Two records that are one piece of glass, as when it was entered twice in parts. */
export function JoinForm({
  item,
  others,
  settings,
}: {
  item: StockRow;
  /** Of the same glass. */
  others: readonly StockRow[];
  settings: Settings;
}) {
  const send = useSend();
  const { unit } = settings;
  const [otherId, setOtherId] = useState(others[0]?.id ?? '');
  const schema = useMemo(
    () => z.object({ width: length(unit, SIDE, 'From 1 mm up.'), height: length(unit, SIDE, 'From 1 mm up.') }),
    [unit],
  );
  const shown = (mm: number) => showLength(mm, unit, 2).replace('⁄', '/');
  const form = useKeptForm(`join-${item.id}`, schema, { width: shown(item.widthMm), height: shown(item.heightMm) });
  const other = others.find((one) => one.id === otherId);
  if (others.length === 0) return <p className="text-[15px] text-mute">Nothing else of this glass is on the rack.</p>;
  return (
    <Form
      form={form}
      label={`Join with ${item.id}`}
      className="grid gap-2"
      onSend={async ({ width: widthMm, height: heightMm }) => {
        const ask = { stockId: item.id, otherId, widthMm, heightMm };
        if (await send.command({ kind: 'join-stock', ask }, `${otherId} is part of ${item.id} now.`)) form.forget();
      }}
    >
      <ChoiceField
        label={`The same piece of glass as ${item.id}`}
        value={otherId}
        options={others.map((one) => ({
          value: one.id,
          text: `${one.id}, ${sizeWords(one.widthMm, one.heightMm, unit)}`,
        }))}
        onChoice={setOtherId}
      />
      <div className="grid grid-cols-2 gap-2">
        <FormText name="width" label="Together wide" />
        <FormText name="height" label="Together high" />
      </div>
      {other && (
        <p className="text-[14.5px] text-mute">
          Together they hold {showArea(item.areaMm2 + other.areaMm2, unit)}; the label {item.id} stays.
        </p>
      )}
      <Button type="submit">Join them</Button>
    </Form>
  );
}
