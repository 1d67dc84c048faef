import { Link } from 'react-router';
import { USUAL_METAL_BORDERS, USUAL_PROFILES } from '#core/sizing';
import { borderWords, profileWords } from '#core/words';
import type { PanelView } from '../../panel/view.ts';
import { Button } from '../../ui/Button.tsx';
import { Form, FormChoice, FormText } from '../../ui/form/Form.tsx';
import { AS_INSIDE, TYPED, type Measures } from './useMeasures.ts';

/** Cames that go round a panel, of lead or of foil. */
export const USUAL_BORDERS: readonly string[] = [...USUAL_PROFILES.lead].sort().concat(USUAL_METAL_BORDERS);

/** Name, technique, opening, what goes round the panel and what the lines take up. */
export function MeasureForm({ panel, m }: { panel: PanelView['panel']; m: Measures }) {
  const { unit, technique } = m;
  const isLead = technique === 'lead';
  const { border: _, ...inside } = m.allowance ?? panel.allowance;
  return (
    <Form form={m.form} label="Measures" className="flex flex-col gap-2" onSend={m.keep}>
      <FormText name="name" label="Name of the panel" />
      {m.begun ? (
        <p className="text-[15px] text-mute">
          {isLead ? 'Leaded' : 'Copper foil'}; glass of it is cut, so the technique stays.
        </p>
      ) : (
        <FormChoice
          name="technique"
          label="Technique"
          onChoice={m.chooseTechnique}
          options={[
            { value: 'foil', text: 'copper foil' },
            { value: 'lead', text: 'leaded' },
          ]}
        />
      )}
      <fieldset className="grid grid-cols-2 items-start gap-x-3 gap-y-1.5">
        <legend className="mb-1 font-head text-[18px]">Its opening</legend>
        <FormText name="openingWide" label="Opening wide" placeholder="none" />
        <FormText name="openingHigh" label="Opening high" placeholder="none" />
        <FormText name="fitting" label="Play a side" />
        <FormText name="cover" label="Covered by the rebate" />
      </fieldset>
      <fieldset className="grid gap-2">
        <legend className="mb-1 font-head text-[18px]">Round it</legend>
        <FormChoice
          name="border"
          label={isLead ? 'Border came' : 'Border'}
          options={[
            { value: AS_INSIDE, text: borderWords(inside, unit) },
            ...USUAL_BORDERS.map((value) => ({ value, text: profileWords(value, unit) })),
            { value: TYPED, text: 'another profile …' },
          ]}
        />
        {m.border === TYPED && <FormText name="ownBorder" label="Its code" hint="h, u or f and the millimetres" />}
        <FormChoice
          name="outline"
          label="The outer line of the drawing is"
          options={[
            { value: 'glass-edge', text: 'the edge of the glass' },
            {
              value: 'came-outside',
              text: isLead ? 'the outside of the border came' : 'the outside of the border',
            },
          ]}
        />
      </fieldset>
      <fieldset className="grid grid-cols-2 items-start gap-x-3 gap-y-1.5">
        <legend className="mb-1 font-head text-[18px]">{isLead ? 'Cames inside' : 'Between two pieces'}</legend>
        {isLead ? (
          <>
            <FormText name="faceMm" label="Face of the came" />
            <FormText name="heartMm" label="Heart of the came" />
            <FormText name="clearanceMm" label="Play on each side" />
          </>
        ) : (
          <FormText name="gapMm" label="Gap between two pieces" />
        )}
      </fieldset>
      <div className="sticky -bottom-6 -mx-1 grid bg-top px-1 pt-1 pb-4">
        <Button look="go" type="submit" aria-disabled={m.busy}>
          {m.busy ? 'Working it out …' : 'Keep'}
        </Button>
      </div>
      {panel.cartoonId === null && (
        <Link to={`/panels/${panel.id}/cartoon`} className="text-center underline underline-offset-4">
          On to the drawing
        </Link>
      )}
    </Form>
  );
}
