import { useState } from 'react';
import type { Person } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { newId } from '../../state/ids.ts';
import { Check } from '../../ui/Check.tsx';

/** Enters somebody who works here, or changes what is known of them. */
export function PersonForm({
  entry,
  currency,
  done,
}: {
  entry: (Person & { readonly id: string }) | undefined;
  currency: string;
  done: () => void;
}) {
  const send = useSend();
  const [name, setName] = useState(entry?.name ?? '');
  const [rate, setRate] = useState(entry ? String(entry.rateCentsPerHour / 100) : '');
  const [active, setActive] = useState(entry?.active ?? true);
  const cents = Math.round(Number(rate.replace(',', '.') || 0) * 100);
  const problem = Number.isFinite(cents) && cents >= 0 ? null : 'A rate of 0 or more.';
  const keep = async () => {
    const ask = {
      id: entry?.id ?? newId(),
      name: name.trim(),
      initial: name.trim().slice(0, 1).toUpperCase(),
      rateCentsPerHour: cents,
      active,
    };
    if (!(await send.command({ kind: 'save-person', ask }, 'Entered.'))) return;
    setName('');
    setRate('');
    done();
  };
  return (
    <form
      className="mt-3 grid grid-cols-2 gap-x-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
      aria-label={entry ? `Change ${entry.name}` : 'New person'}
    >
      <TextField label={entry ? 'Name' : 'Add a person'} value={name} onChange={(e) => setName(e.target.value)} />
      <TextField
        label={`Hourly rate, ${currency}`}
        inputMode="decimal"
        value={rate}
        onChange={(e) => setRate(e.target.value)}
        problem={problem}
        placeholder="0"
      />
      {entry && (
        <Check checked={active} onCheck={setActive}>
          works here now
        </Check>
      )}
      <Button look="go" type="submit" disabled={name.trim() === '' || problem !== null}>
        {entry ? 'Keep' : 'Add'}
      </Button>
    </form>
  );
}
