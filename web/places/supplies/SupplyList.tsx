import { useState } from 'react';
import type { Tables } from '#core/bench';
import { readSupplies, SUPPLY_COLUMNS, type ListedSupply } from '#core/stock';
import { count } from '#core/units';
import { supplyListFaultWords } from '#core/words';
import { newId } from '../../state/ids.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { FilePick } from '../../ui/FilePick.tsx';
import { readRows } from '../../ui/readRows.ts';

const SHOWN = 5;

interface Read {
  readonly name: string;
  readonly supplies: readonly ListedSupply[];
  readonly faults: readonly string[];
}

/** Supplies and their prices read from a list: looked at first, then all of it is taken in, or none. */
export function SupplyList({ supplies, done }: { supplies: readonly Tables['supplies'][]; done: () => void }) {
  const send = useSend();
  const [read, setRead] = useState<Read | null>(null);
  const idOf = new Map(supplies.map((one) => [one.name.trim().toLowerCase(), one.id]));
  const known = read?.supplies.filter((one) => idOf.has(one.name.toLowerCase())).length ?? 0;
  const take = async ({ supplies: listed }: Read) => {
    const items = listed.map((one) => ({ ...one, id: idOf.get(one.name.toLowerCase()) ?? newId(), moveId: newId() }));
    const said = `${count(items.length, 'supply', 'supplies')} taken in.`;
    if (await send.command({ kind: 'list-supplies', ask: { items } }, said)) done();
  };
  return (
    <section aria-label="Supplies from a list" className="grid gap-3">
      <p className="text-[15.5px] text-mute">
        A CSV with the columns {SUPPLY_COLUMNS.name}, {SUPPLY_COLUMNS.kind} and {SUPPLY_COLUMNS.pack}, and any of the
        others that the shelf’s own table saves. Amounts in metres, grams, millilitres or pieces. One of the same name
        is changed, not entered again.
      </p>
      <FilePick accept=".csv,.tsv,.txt,text/csv" onFile={(file) => void readFile(file).then(setRead)}>
        {read === null ? 'Choose a list …' : 'Another list …'}
      </FilePick>
      {read && read.faults.length > 0 && (
        <div role="alert" className="grid gap-1 text-[15.5px] text-risk">
          {read.faults.slice(0, SHOWN).map((fault) => (
            <p key={fault}>{fault}</p>
          ))}
          {read.faults.length > SHOWN && <p>And {count(read.faults.length - SHOWN, 'more line')} of that kind.</p>}
          <p className="text-mute">Nothing was taken from {read.name}.</p>
        </div>
      )}
      {read && read.faults.length === 0 && (
        <>
          <p role="status" className="text-[15.5px]">
            {count(read.supplies.length, 'supply', 'supplies')} in {read.name}
            {known > 0 && `, ${known} of them on the shelf already`}:{' '}
            {read.supplies
              .slice(0, SHOWN)
              .map((one) => one.name)
              .join(', ')}
            {read.supplies.length > SHOWN && ' …'}
          </p>
          <Button look="go" onClick={() => void take(read)}>
            Take them in
          </Button>
        </>
      )}
    </section>
  );
}

async function readFile(file: File): Promise<Read> {
  const rows = await readRows(file, 'supplies');
  if (typeof rows === 'string') return { name: file.name, supplies: [], faults: [rows] };
  const read = readSupplies(rows);
  return 'supplies' in read
    ? { name: file.name, supplies: read.supplies, faults: [] }
    : { name: file.name, supplies: [], faults: read.faults.map(supplyListFaultWords) };
}
