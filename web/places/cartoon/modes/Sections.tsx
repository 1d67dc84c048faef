import { useState } from 'react';
import { showNumbers } from '#core/units';
import { useSelection } from '../../../state/selection.ts';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { TextField } from '../../../ui/Field.tsx';
import type { ModeProps } from './ModeProps.ts';

/** Named groups of pieces, each with its letter. */
export function Sections({ view, selected }: ModeProps) {
  const { panel, pieces } = view;
  const send = useSend();
  const known = panel.sections;
  const [letter, setLetter] = useState('A');
  const [name, setName] = useState<string | null>(null);
  const numbers = [...selected];
  const used = [...new Set(pieces.flatMap((p) => (p.section ? [p.section] : [])))].sort();
  const give = (section: string | null) => {
    const sectionName = section === null ? undefined : (name ?? known[section]);
    void send.command({
      kind: 'mark',
      ask: {
        panelId: panel.id,
        numbers,
        section,
        ...(sectionName ? { sectionName } : {}),
      },
    });
  };
  return (
    <div className="grid gap-2">
      <p>{numbers.length === 0 ? 'No pieces picked yet.' : `Picked: ${showNumbers(numbers)}.`}</p>
      <div className="grid grid-cols-[90px_1fr] gap-2">
        <ChoiceField
          label="Letter"
          value={letter}
          onChoice={(value) => {
            setLetter(value);
            setName(null);
          }}
          options={[...'ABCDEFGHJKLMNPRSTUVWXYZ'].map((l) => ({ value: l, text: l }))}
        />
        <TextField
          label="Name"
          placeholder="sky"
          value={name ?? known[letter] ?? ''}
          onChange={(e) => setName(e.target.value)}
        />
      </div>
      <Button look="go" unless={numbers.length === 0 ? 'Pick the pieces first.' : null} onClick={() => give(letter)}>
        Put them into section {letter}
      </Button>
      <Button
        unless={pieces.some((p) => selected.has(p.number) && p.section) ? null : 'Nothing picked is in a section.'}
        onClick={() => give(null)}
      >
        Out of their section
      </Button>
      <ul className="grid gap-1 text-[15px]">
        {used.map((section) => (
          <li key={section}>
            <button
              type="button"
              className="min-h-9 text-left underline decoration-line underline-offset-4"
              onClick={() =>
                useSelection.getState().choose(
                  panel.id,
                  pieces.filter((p) => p.section === section).map((p) => p.number),
                )
              }
            >
              <b>{section}</b> {known[section]}:{' '}
              {showNumbers(
                pieces.filter((p) => p.section === section).map((p) => p.number),
                8,
              )}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
