import { Link } from 'react-router';
import type { PanelView } from '../../panel/view.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { LABELS, OPENING_KEYS, OPENING_LABELS, type Measures } from './useMeasures.ts';

/** Name, technique, opening, and what the lines take up. */
export function MeasureForm({ panel, m }: { panel: PanelView['panel']; m: Measures }) {
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void m.keep();
      }}
    >
      <TextField
        label="Name of the panel"
        value={m.name}
        onChange={(e) => m.setName(e.target.value)}
        problem={m.name.trim() === '' ? 'It needs a name.' : null}
      />
      <ChoiceField
        label="Technique"
        value={m.technique}
        disabled={m.begun}
        onChoice={m.chooseTechnique}
        options={[
          { value: 'foil', text: 'copper foil' },
          { value: 'lead', text: 'leaded' },
        ]}
        hint={m.begun ? 'Glass is cut, so this stays.' : ''}
      />
      <div className="grid grid-cols-2 gap-x-3">
        {OPENING_KEYS.map((key) => (
          <TextField
            key={key}
            label={OPENING_LABELS[key]}
            placeholder={key === 'widthMm' || key === 'heightMm' ? 'none' : ''}
            value={m.openingText(key)}
            onChange={(e) => m.typeOpening(key, e.target.value)}
            problem={m.openingProblem(key)}
          />
        ))}
      </div>
      <ChoiceField
        label="The outer line of the drawing is"
        value={m.outline}
        onChoice={m.setOutline}
        options={[
          { value: 'glass-edge', text: 'the edge of the glass' },
          {
            value: 'came-outside',
            text: m.technique === 'lead' ? 'the outside of the border came' : 'the outside of the border',
          },
        ]}
      />
      <div className="grid grid-cols-2 gap-x-3">
        {m.keys.map((key) => (
          <TextField
            key={key}
            label={LABELS[key]}
            value={m.text(key)}
            onChange={(e) => m.type(key, e.target.value)}
            problem={m.problem(key)}
          />
        ))}
      </div>
      <Button look="go" type="submit" disabled={!m.isSound || m.busy}>
        {m.busy ? 'Working it out …' : 'Keep'}
      </Button>
      {panel.cartoonId === null && (
        <Link to={`/panels/${panel.id}/cartoon`} className="text-center underline underline-offset-4">
          On to the drawing
        </Link>
      )}
    </form>
  );
}
