import { useState } from 'react';
import type { Settings } from '#core/bench';
import { readReceipts, type Glass, type Receipt } from '#core/stock';
import { count, priceOfArea } from '#core/units';
import { receiptFaultWords, sizeWords } from '#core/words';
import { useSend } from '../../state/send.ts';
import { FilePick } from '../../ui/FilePick.tsx';
import { Button } from '../../ui/Button.tsx';
import { readRows } from '../../ui/readRows.ts';

const SHOWN = 4;

interface Read {
  readonly name: string;
  readonly receipts: readonly Receipt[];
  /** Sentences; where there is one nothing is taken. */
  readonly faults: readonly string[];
}

/** Sheets and offcuts read from a list: looked at first, then all of it comes onto the rack in one step, or none. */
export function ListForm({
  glasses,
  labels,
  settings,
  done,
}: {
  glasses: readonly Glass[];
  /** Of what stands on the rack. */
  labels: readonly string[];
  settings: Settings;
  done: () => void;
}) {
  const send = useSend();
  const [read, setRead] = useState<Read | null>(null);
  const take = async (file: File | undefined) => {
    if (file) setRead({ name: file.name, ...(await readFile(file, { glasses, taken: labels, unit: settings.unit })) });
  };
  const receive = async ({ receipts }: Read) => {
    const priceOf = new Map(glasses.map((g) => [g.id, g.priceCentsPerM2]));
    const items = receipts.map(({ costCents, ...item }) => ({
      ...item,
      costCents:
        costCents ??
        (item.kind === 'sheet' ? priceOfArea(item.widthMm * item.heightMm, priceOf.get(item.glassId) ?? 0) : 0),
    }));
    const said = `${count(items.length, 'sheet or offcut', 'sheets and offcuts')} on the rack.`;
    if (await send.command({ kind: 'receive-many', ask: { items } }, said)) done();
  };
  return (
    <section aria-label="From a list" className="grid gap-2 pb-2">
      <p className="text-[14.5px] text-mute">
        A CSV with the columns Label, Glass, Wide and High; What, Stands in and Worth if you like. The rack’s own table
        saves one.
      </p>
      <FilePick accept=".csv,.tsv,.txt,text/csv" onFile={(file) => void take(file)}>
        {read === null ? 'Choose a list …' : 'Another list …'}
      </FilePick>
      {read && read.faults.length > 0 && (
        <div role="alert" className="grid gap-1 text-[15.5px] text-risk">
          {read.faults.slice(0, SHOWN).map((fault) => (
            <p key={fault}>{fault}</p>
          ))}
          {read.faults.length > SHOWN && (
            <p>And {count(read.faults.length - SHOWN, 'more line')} that can not be read.</p>
          )}
          <p className="text-mute">Nothing was taken from {read.name}.</p>
        </div>
      )}
      {read && read.faults.length === 0 && (
        <>
          <p role="status" className="text-[15.5px]">
            {count(read.receipts.length, 'sheet or offcut', 'sheets and offcuts')} in {read.name}:{' '}
            {read.receipts
              .slice(0, SHOWN)
              .map((r) => `${r.label} (${sizeWords(r.widthMm, r.heightMm, settings.unit)})`)
              .join(', ')}
            {read.receipts.length > SHOWN && ' …'}
          </p>
          <Button look="go" onClick={() => void receive(read)}>
            Put them on the rack
          </Button>
        </>
      )}
    </section>
  );
}

async function readFile(file: File, known: Parameters<typeof readReceipts>[1]): Promise<Omit<Read, 'name'>> {
  const rows = await readRows(file, 'glass');
  if (typeof rows === 'string') return { receipts: [], faults: [rows] };
  const read = readReceipts(rows, known);
  return 'receipts' in read
    ? { receipts: read.receipts, faults: [] }
    : { receipts: [], faults: read.faults.map(receiptFaultWords) };
}
