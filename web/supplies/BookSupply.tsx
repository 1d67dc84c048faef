import { useState } from 'react';
import { Scale } from 'lucide-react';
import type { InWorkAnswer } from '#contract';
import type { Tables } from '#core/bench';
import {
  amountWords,
  bySupply,
  readAmount,
  SUPPLY_MEASURES,
  writtenAmount,
  writtenUnit,
  type SupplyMoveKind,
} from '#core/stock';
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
  inWork,
  use,
  done,
}: {
  /** As it is in the book. */
  supply: Tables['supplies'];
  /** What went into work since, of any supply. */
  inWork: InWorkAnswer['inWork'];
  /** Used for a panel: what went into it and is not booked yet, and by how much that differs from the usual figure. */
  use?: { readonly panelId: string; readonly panelName: string; readonly open: number; readonly share: number };
  done: () => void;
}) {
  const send = useSend();
  const [kind, setKind] = useState<SupplyMoveKind>(use ? 'used' : 'bought');
  const [text, setText] = useState(() =>
    use ? written(supply.kind, use.open) : written(supply.kind, supply.packAmount),
  );
  const [isWeighed, setWeighed] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const isByWeight = SUPPLY_MEASURES[supply.kind] === 'g';
  const own = inWork.filter((one) => one.supplyId === supply.id);
  const gone = bySupply(own).get(supply.id) ?? 0;
  const others = bySupply(own.filter((one) => one.panelId !== use?.panelId)).get(supply.id) ?? 0;
  const left = Math.max(0, supply.amount - gone);
  const book = async () => {
    const amount = readAmount(supply.kind, text);
    if (amount === null) return setProblem(`So many ${writtenUnit(supply.kind)}, as a number.`);
    setProblem(null);
    // Weighed before and after, what is gone is what was used; only then does it teach. What others took is not its.
    const used = use && isWeighed ? Math.max(0, supply.amount - others - amount) : amount;
    const ask = {
      id: newId(),
      supplyId: supply.id,
      kind,
      amount: kind === 'used' ? used : amount,
      panelId: kind === 'used' ? (use?.panelId ?? null) : null,
      reckoned: kind === 'used' && use && isWeighed ? use.open / use.share : null,
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
        <b>{amountWords(supply.kind, left)}</b> of it {left === 0 ? 'is' : 'are'} left
        {supply.place !== '' && `, ${supply.place}`}.
        {gone > 0 &&
          ` The book says ${amountWords(supply.kind, supply.amount)}; since then ${own
            .map((one) => `${amountWords(supply.kind, one.amount)} went into ${one.panelName}`)
            .join(', ')}, by the work that is done.`}
      </p>
      {use ? (
        <p className="text-[16px]">
          What goes into {use.panelName} comes off the shelf as its work is done, and into the book when it leaves. If
          you know better, book it here.
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
