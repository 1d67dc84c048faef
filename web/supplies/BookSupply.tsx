import { useState } from 'react';
import { Scale } from 'lucide-react';
import type { Tables } from '#core/bench';
import { amountWords, readAmount, SUPPLY_MEASURES, writtenAmount, writtenUnit, type SupplyMoveKind } from '#core/stock';
import { simulatedScale } from '../devices/benchScale.ts';
import { newId } from '../state/ids.ts';
import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/Field.tsx';
import { OneOf } from '../ui/OneOf.tsx';

const KINDS: Readonly<Record<SupplyMoveKind, { readonly says: string; readonly asks: string }>> = {
  bought: { says: 'Bought', asks: 'How much came' },
  used: { says: 'Used', asks: 'How much was used' },
  counted: { says: 'Counted or weighed', asks: 'What is there' },
};

const written = (...of: Parameters<typeof writtenAmount>): string => String(writtenAmount(...of));

/** Books what came, what was used, or what is found to be there. */
export function BookSupply({
  supply,
  use,
  done,
}: {
  supply: Tables['supplies'];
  /** Used for a panel: what was reckoned for the work so far, and not booked yet. */
  use?: { readonly panelId: string; readonly panelName: string; readonly reckoned: number };
  done: () => void;
}) {
  const send = useSend();
  const [kind, setKind] = useState<SupplyMoveKind>(use ? 'used' : 'bought');
  const [text, setText] = useState(() =>
    use ? written(supply.kind, use.reckoned) : written(supply.kind, supply.packAmount),
  );
  const [isWeighed, setWeighed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const isByWeight = SUPPLY_MEASURES[supply.kind] === 'g';
  const book = async () => {
    const amount = readAmount(supply.kind, text);
    if (amount === null) return setProblem(`So many ${writtenUnit(supply.kind)}, as a number.`);
    setProblem(null);
    // Weighed before and after, what is gone is what was used; only then does it teach.
    const used = use && isWeighed ? Math.max(0, supply.amount - amount) : amount;
    const ask = {
      id: newId(),
      supplyId: supply.id,
      kind,
      amount: kind === 'used' ? used : amount,
      panelId: kind === 'used' ? (use?.panelId ?? null) : null,
      reckoned: kind === 'used' && use && isWeighed ? use.reckoned : null,
    };
    if (await send.command({ kind: 'move-supply', ask }, 'Booked.')) done();
  };
  const weigh = async () => {
    setText(written(supply.kind, await simulatedScale.read()));
    if (!use) setKind('counted');
    setWeighed(true);
  };
  return (
    <form
      className="flex flex-col gap-3"
      aria-label={`Book ${supply.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        void book();
      }}
    >
      <p className="text-[16px]">
        {amountWords(supply.kind, supply.amount)} of it {supply.amount === 0 ? 'is' : 'are'} in the book
        {supply.place !== '' && `, ${supply.place}`}.
      </p>
      {use ? (
        <p className="text-[16px]">
          For {use.panelName} about <b>{amountWords(supply.kind, use.reckoned)}</b> went into the work done so far.
        </p>
      ) : (
        <OneOf
          label="What happened"
          value={kind}
          options={(['bought', 'used', 'counted'] as const).map((value) => ({ value, content: KINDS[value].says }))}
          onPick={(next) => {
            setKind(next);
            setText(next === 'bought' ? written(supply.kind, supply.packAmount) : '');
          }}
          className="grid gap-1.5"
        />
      )}
      <TextField
        label={`${use && isWeighed ? 'What is left of it' : KINDS[kind].asks}, ${writtenUnit(supply.kind)}`}
        value={text}
        inputMode="decimal"
        problem={problem}
        hint={
          use && isWeighed
            ? 'What is gone since it was last booked counts as used here, and teaches your own figure.'
            : ''
        }
        onChange={(event) => setText(event.target.value)}
      />
      {isByWeight && (
        <Button onClick={() => void weigh()}>
          <Scale aria-hidden size={18} />
          {use ? 'Weigh what is left' : 'From the scale'} (simulated)
        </Button>
      )}
      <Button look="go" type="submit">
        Book it
      </Button>
    </form>
  );
}
