import { useState } from 'react';
import { readTally } from '#core/bench';
import { count, showNumbers } from '#core/units';
import type { PanelView } from '../../panel/view.ts';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useSend } from '../../state/send.ts';
import { usePlans } from '../../state/studio.ts';
import { useSelection } from '../../state/selection.ts';

/** The evening count: what lies in a tray is said as in the tally line, what is missing is named. */
export function TrayCount({ view }: { view: PanelView }) {
  const { panel, pieces, reader } = view;
  const trays = [...new Set(pieces.flatMap((p) => p.section ?? []))].sort();
  const [tray, setTray] = useState(trays[0] ?? '');
  const [said, setSaid] = useState('');
  const { data: plans } = usePlans(panel.id);
  const send = useSend();
  if (trays.length === 0) return null;
  const wanted = pieces.filter((p) => p.section === tray).map((p) => p.number);
  const { numbers, problem } = readTally(said, reader, panel);
  const there = new Set(numbers);
  const missing = wanted.filter((n) => !there.has(n));
  const strange = numbers.filter((n) => !wanted.includes(n));
  const name = panel.sections[tray] ?? `tray ${tray}`;
  const people = [...reader.all('people')].filter((person) => person.active && person.away === null);
  const holder = plans?.trays.find((one) => one.letter === tray);
  return (
    <Fold title="Trays">
      <div className="grid gap-2">
        <ChoiceField
          label="Tray"
          value={tray}
          options={trays.map((value) => ({
            value,
            text: panel.sections[value] ? `${value}, ${panel.sections[value]}` : value,
          }))}
          onChoice={setTray}
        />
        <ChoiceField
          label="Who has it"
          value={holder?.personId ?? ''}
          options={[
            { value: '', text: 'nobody: it stands in its place' },
            ...people.map(({ id, name: called }) => ({ value: id, text: called })),
          ]}
          onChoice={(id) =>
            void send.command({
              kind: 'hand-tray',
              ask: { panelId: panel.id, letter: tray, personId: id === '' ? null : id },
            })
          }
        />
        <TextField
          label="What lies in it"
          value={said}
          placeholder="12-18 31"
          problem={problem}
          onChange={(event) => setSaid(event.target.value)}
        />
        {said.trim() !== '' && problem === null && (
          <p role="status" className="text-[16px]">
            In {name} there {wanted.length - missing.length === 1 ? 'is' : 'are'} {wanted.length - missing.length} of{' '}
            {count(wanted.length, 'piece')}
            {missing.length === 0 ? ': none is missing' : `: ${showNumbers(missing, 12)} missing`}.
            {strange.length > 0 && ` ${showNumbers(strange, 8)} belong elsewhere.`}{' '}
            {missing.length > 0 && (
              <button
                type="button"
                className="min-h-11 underline"
                onClick={() => useSelection.getState().choose(panel.id, missing)}
              >
                Show them
              </button>
            )}
          </p>
        )}
      </div>
    </Fold>
  );
}
