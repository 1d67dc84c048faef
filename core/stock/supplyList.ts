import { SUPPLY_KINDS, SUPPLY_MEASURES, tidyAmount, type Supply, type SupplyKind } from './supply.ts';

/** How an amount is written down: metres, grams, millilitres, pieces; and how much of the kept measure one is. */
export const WRITTEN_IN = {
  mm: { unit: 'metres', factor: 1000 },
  g: { unit: 'grams', factor: 1 },
  ml: { unit: 'millilitres', factor: 1 },
  count: { unit: 'pieces', factor: 1 },
} as const;

export const writtenUnit = (kind: SupplyKind): string => WRITTEN_IN[SUPPLY_MEASURES[kind]].unit;
/** An amount as it is written down. */
export const writtenAmount = (kind: SupplyKind, amount: number): number =>
  tidyAmount(amount / WRITTEN_IN[SUPPLY_MEASURES[kind]].factor);

/** More than this is a slip of the pen, in the kept measure. */
const MOST = 1e9;
/** An amount that was written down, in the kept measure; null where it is none. */
export function readAmount(kind: SupplyKind, text: string): number | null {
  const written = text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.'));
  const amount = written * WRITTEN_IN[SUPPLY_MEASURES[kind]].factor;
  return Number.isFinite(amount) && amount >= 0 && amount <= MOST ? tidyAmount(amount) : null;
}

/** An amount with its unit, to what matters at the bench. */
export function amountWords(kind: SupplyKind, amount: number): string {
  switch (SUPPLY_MEASURES[kind]) {
    case 'mm':
      return `${(amount / 1000).toFixed(amount < 10_000 ? 2 : 1)} m`;
    case 'g':
      return amount >= 1000 ? `${(amount / 1000).toFixed(2)} kg` : `${Math.round(amount)} g`;
    case 'ml':
      return amount >= 1000 ? `${(amount / 1000).toFixed(2)} l` : `${Math.round(amount)} ml`;
    case 'count':
      return `${tidyAmount(amount)}`;
  }
}

export const SUPPLY_WORDS: Readonly<Record<SupplyKind, string>> = {
  foil: 'Copper foil',
  came: 'Came',
  solder: 'Solder',
  flux: 'Flux',
  patina: 'Patina',
  cement: 'Cement',
  whiting: 'Whiting',
  wax: 'Wax',
  sealant: 'Sealant',
  other: 'Something else',
};

/** One line of a list: a supply, and what is there of it where the list says so. */
export interface ListedSupply extends Omit<Supply, 'amount' | 'learnt'> {
  readonly amount: number | null;
}

export type SupplyListFault =
  | { readonly code: 'empty' }
  | { readonly code: 'no-column'; readonly column: string }
  | { readonly code: 'too-many'; readonly most: number }
  | { readonly code: 'wrong'; readonly line: number; readonly column: string; readonly text: string }
  | { readonly code: 'twice'; readonly line: number; readonly text: string };

/** The heads of such a list. */
export const SUPPLY_COLUMNS = {
  name: 'Name',
  kind: 'Kind',
  sort: 'Which',
  amount: 'There',
  pack: 'One holds',
  price: 'One costs',
  code: 'Supplier’s code',
  place: 'Place',
  low: 'Little under',
} as const;
type Column = keyof typeof SUPPLY_COLUMNS;
const NEEDED = ['name', 'kind', 'pack'] as const satisfies readonly Column[];
const MOST_LINES = 300;
const LONGEST = { name: 80, sort: 40, code: 60, place: 40 } as const;

const plain = (text: string): string => text.trim().toLowerCase().replace(/[’']/g, '');

/**
 * Reads a list of supplies, as the table of the shelf or a supplier’s spreadsheet gives it. All of it is sound, or none
 * is taken.
 * @param rows cells by row, heads first; amounts in metres, grams, millilitres or pieces
 */
export function readSupplies(
  rows: readonly (readonly string[])[],
): { readonly supplies: readonly ListedSupply[] } | { readonly faults: readonly SupplyListFault[] } {
  const [heads = [], ...lines] = rows;
  const filled = lines.flatMap((cells, i) =>
    cells.some((cell) => cell.trim() !== '') ? [{ cells, line: i + 2 }] : [],
  );
  if (heads.every((head) => plain(head) === '') || filled.length === 0) return { faults: [{ code: 'empty' }] };
  const at = new Map(heads.map((head, i) => [plain(head), i]));
  const missing = NEEDED.filter((column) => !at.has(plain(SUPPLY_COLUMNS[column])));
  if (missing.length > 0)
    return { faults: missing.map((column) => ({ code: 'no-column', column: SUPPLY_COLUMNS[column] })) };
  if (filled.length > MOST_LINES) return { faults: [{ code: 'too-many', most: MOST_LINES }] };
  const supplies: ListedSupply[] = [];
  const faults: SupplyListFault[] = [];
  const said = new Set<string>();
  for (const { cells, line } of filled) {
    const read = readLine((column) => (cells[at.get(plain(SUPPLY_COLUMNS[column])) ?? -1] ?? '').trim(), line);
    if ('code' in read && 'line' in read) {
      faults.push(read);
      continue;
    }
    const key = plain(read.name);
    if (said.has(key)) faults.push({ code: 'twice', line, text: read.name });
    else supplies.push(read);
    said.add(key);
  }
  return faults.length > 0 ? { faults } : { supplies };
}

type Wrong = Extract<SupplyListFault, { line: number }>;

function readLine(cellOf: (column: Column) => string, line: number): ListedSupply | Wrong {
  const wrong = (column: Column): Wrong => ({
    code: 'wrong',
    line,
    column: SUPPLY_COLUMNS[column],
    text: cellOf(column),
  });
  const kindText = plain(cellOf('kind'));
  const kind = SUPPLY_KINDS.find((one) => one === kindText || plain(SUPPLY_WORDS[one]) === kindText);
  if (kind === undefined) return wrong('kind');
  if (cellOf('name') === '') return wrong('name');
  for (const column of ['name', 'sort', 'code', 'place'] as const)
    if (cellOf(column).length > LONGEST[column]) return wrong(column);
  const packAmount = readAmount(kind, cellOf('pack'));
  if (packAmount === null || packAmount <= 0) return wrong('pack');
  const amountOf = (column: Column): number | null =>
    cellOf(column) === '' ? null : (readAmount(kind, cellOf(column)) ?? Number.NaN);
  const [amount, low] = [amountOf('amount'), amountOf('low')];
  if (Number.isNaN(amount)) return wrong('amount');
  if (Number.isNaN(low)) return wrong('low');
  const price = Number(cellOf('price').replace(',', '.') || 0);
  if (!Number.isFinite(price) || price < 0 || price > 1e7) return wrong('price');
  return {
    kind,
    name: cellOf('name'),
    sort: cellOf('sort'),
    code: cellOf('code'),
    packAmount,
    packCents: Math.round(price * 100),
    low: low ?? 0,
    place: cellOf('place'),
    amount,
  };
}
