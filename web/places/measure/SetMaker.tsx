import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import { drawnSize, evenOutside, outsideOf, panelInOpening } from '#core/sizing';
import { BOUNDS } from '#core/limits';
import { showLength, type DisplayUnit } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { length, wanted } from '../../ui/form/fields.ts';
import { Form, FormText } from '../../ui/form/Form.tsx';
import { useKeptForm } from '../../ui/form/useKeptForm.ts';
import type { PanelView } from '../../panel/view.ts';
import { newId } from '../../state/ids.ts';

const openingOf = (unit: DisplayUnit) => {
  const { least, most } = BOUNDS.openingMm;
  const side = length(unit, BOUNDS.openingMm, `From ${showLength(least, unit)} to ${showLength(most, unit)}.`);
  const border = length(unit, BOUNDS.borderMm, 'A length, or nothing.');
  return z.object({
    name: wanted('It needs a name.'),
    width: side,
    height: side,
    border: z.union([z.literal('').transform(() => 0), border]),
  });
};

/** The same drawing for another opening of the set: the border keeps its width, the middle takes the rest. */
export function SetMaker({ view }: { view: PanelView }) {
  const { panel, set, settings, limits } = view;
  const { unit } = settings;
  const send = useSend();
  const schema = useMemo(() => openingOf(unit), [unit]);
  const form = useKeptForm(`set-of-${panel.id}`, schema, { name: '', width: '', height: '', border: '' });
  const [busy, setBusy] = useState(false);
  const [made, setMade] = useState<{ id: string; name: string } | null>(null);
  const make = async ({ name, width, height, border }: z.output<typeof schema>) => {
    setBusy(true);
    const opening = {
      widthMm: width,
      heightMm: height,
      clearanceMm: panel.opening?.clearanceMm ?? limits.fittingMm,
      coverMm: panel.opening?.coverMm ?? limits.coverMm,
    };
    const outside = panelInOpening(opening);
    // The drawing's outline is the glass edge, or the came's outside: the panel is larger by what lies outside of it.
    const beyond = view.answer ? outsideOf(view.answer.cartoon, panel.allowance) : evenOutside(panel.allowance);
    const size = drawnSize(outside, beyond);
    const id = newId();
    const wish = {
      commissionId: panel.commissionId,
      name,
      technique: panel.technique,
      route: panel.route.key,
      allowance: panel.allowance,
      opening,
      ...size,
    };
    const fit = { kind: 'fit', ...size, borderMm: border, from: panel.id } as const;
    const isFitted = await send.edit(id, fit, undefined, wish);
    setBusy(false);
    if (!isFitted) return;
    setMade({ id, name });
    form.forget();
  };
  return (
    <section aria-label="Set" className="grid max-w-[640px] gap-2">
      <h2 className="text-xl">Another opening of the set</h2>
      <p className="text-[15px] text-mute">
        The same drawing fitted to it. The border keeps its width all round, the middle takes the rest; the new panel
        stands in this job with pieces of its own, of the glass chosen here.
      </p>
      <Form
        form={form}
        label="Another opening"
        className="grid grid-cols-2 items-start gap-x-3 xl:grid-cols-4"
        onSend={make}
      >
        <FormText name="name" label="Name" placeholder="Upper light" />
        <FormText name="width" label="Its opening wide" />
        <FormText name="height" label="Its opening high" />
        <FormText name="border" label="Border that stays" placeholder="0" />
        <Button type="submit" className="col-span-2 xl:col-span-4" aria-disabled={busy}>
          {busy ? 'Fitting it …' : 'Fit the drawing to it'}
        </Button>
      </Form>
      {made && (
        <p role="status">
          Made:{' '}
          <Link className="underline" to={`/panels/${made.id}/cartoon`}>
            {made.name}
          </Link>
          .
        </p>
      )}
      {set.length > 0 && (
        <p className="text-[15px]">
          In this job too:{' '}
          {set.map((p, i) => (
            <span key={p.id}>
              {i > 0 && ', '}
              <Link className="underline decoration-line underline-offset-4" to={`/panels/${p.id}/measure`}>
                {p.name}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
    </section>
  );
}
