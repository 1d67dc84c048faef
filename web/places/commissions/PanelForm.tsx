import { useMemo } from 'react';
import { z } from 'zod';
import { BOUNDS, limitsWith } from '#core/limits';
import { allowanceFor } from '#core/sizing';
import type { DisplayUnit } from '#core/units';
import { useSend } from '../../state/send.ts';
import { useSettings } from '../../state/studio.ts';
import { newId } from '../../state/ids.ts';
import { Button } from '../../ui/Button.tsx';
import { length, wanted } from '../../ui/form/fields.ts';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';

/** The least that is a length at all. */
const ANY_MM = 1e-6;

const panelOf = (unit: DisplayUnit) => {
  const side = length(
    unit,
    { least: ANY_MM, most: BOUNDS.lengthMm.most },
    'A length above 0, such as 420 mm or 16 1/2 in.',
  );
  return z.object({
    name: wanted('A panel has a name.'),
    technique: z.enum(['foil', 'lead']),
    width: side,
    height: side,
  });
};

/** Enters a panel of a job: technique and wanted size; the drawing comes next. */
export function PanelForm({
  commissionId,
  unit,
  names,
  done,
}: {
  commissionId: string;
  unit: DisplayUnit;
  names: readonly string[];
  done: (id: string) => void;
}) {
  const send = useSend();
  const settings = useSettings();
  const schema = useMemo(() => panelOf(unit), [unit]);
  const form = useKeptForm(`panel-of-${commissionId}`, schema, {
    name: names.length === 0 ? 'Panel' : `Panel ${names.length + 1}`,
    technique: 'foil',
    width: '',
    height: '',
  });
  return (
    <Form
      form={form}
      onSend={async ({ name, technique, width, height }) => {
        const id = newId();
        const allowance = allowanceFor(technique, limitsWith(settings.limits));
        const ask = { id, commissionId, name, technique, widthMm: width, heightMm: height, allowance };
        if (!(await send.command({ kind: 'save-panel', ask }))) return;
        form.forget();
        done(id);
      }}
    >
      <FormText name="name" label="Name" autoFocus />
      <FormChoice
        name="technique"
        label="Technique"
        options={[
          { value: 'foil', text: 'copper foil' },
          { value: 'lead', text: 'leaded' },
        ]}
      />
      <div className="grid grid-cols-2 gap-2">
        <FormText name="width" label="Wide" placeholder={unit === 'mm' ? '420 mm' : '16 1/2 in'} />
        <FormText name="height" label="High" placeholder={unit === 'mm' ? '640 mm' : '25 1/4 in'} />
      </div>
      <Button look="go" type="submit">
        Enter the panel
      </Button>
    </Form>
  );
}
