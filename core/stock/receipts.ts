import { keysOf, lengthToMm, type DisplayUnit } from '../units/index.ts';
import type { Glass, StockItem } from './types.ts';

/** What a list of glass says of one sheet or offcut. */
export interface Receipt {
  readonly label: string;
  readonly glassId: string;
  readonly kind: StockItem['kind'];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly place: string;
  /** Null where the list does not say. */
  readonly costCents: number | null;
}

export type ReceiptFault =
  | { readonly code: 'empty' }
  | { readonly code: 'no-column'; readonly column: Column }
  | { readonly code: 'too-many'; readonly most: number }
  | { readonly code: 'wrong'; readonly line: number; readonly column: Column; readonly text: string }
  | { readonly code: 'unknown-glass' | 'label-taken' | 'label-twice'; readonly line: number; readonly text: string };

/** The columns of such a list, and the heads by which each is known. */
const HEADS = {
  label: ['label', 'id', 'number'],
  glass: ['glass', 'glass code', 'code'],
  kind: ['what', 'kind', 'type'],
  width: ['wide', 'width', 'width mm', 'wide mm'],
  height: ['high', 'height', 'height mm', 'high mm'],
  place: ['stands in', 'place', 'slot'],
  cost: ['worth', 'cost', 'price'],
} as const;
export type Column = keyof typeof HEADS;
const NEEDED = ['label', 'glass', 'width', 'height'] as const satisfies readonly Column[];
const COLUMNS = keysOf(HEADS);

const LABEL = /^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/;
const MOST_LINES = 500;
const MOST_MM = 10_000;
const MOST_PLACE = 40;

interface Known {
  readonly glasses: readonly Pick<Glass, 'id' | 'code' | 'name'>[];
  /** Labels that are on the rack. */
  readonly taken: readonly string[];
  /** In which lengths without a unit are given. */
  readonly unit: DisplayUnit;
}

/**
 * Reads a list of sheets and offcuts, as a table's file or a spreadsheet gives it. All of it is sound, or none is taken.
 * @param rows cells by row, heads first
 * @returns the receipts, or the first fault of each line that has one
 */
export function readReceipts(
  rows: readonly (readonly string[])[],
  known: Known,
): { readonly receipts: readonly Receipt[] } | { readonly faults: readonly ReceiptFault[] } {
  const [heads = [], ...lines] = rows.map((row) => row.map((cell) => cell.trim()));
  const filled = lines.flatMap((cells, i) => (cells.some((cell) => cell !== '') ? [{ cells, line: i + 2 }] : []));
  const at = columnsOf(heads);
  const missing = NEEDED.filter((column) => at[column] === undefined);
  if (heads.every((head) => head === '')) return { faults: [{ code: 'empty' }] };
  if (missing.length > 0) return { faults: missing.map((column) => ({ code: 'no-column', column })) };
  if (filled.length === 0) return { faults: [{ code: 'empty' }] };
  if (filled.length > MOST_LINES) return { faults: [{ code: 'too-many', most: MOST_LINES }] };
  const taken = new Set(known.taken.map((label) => label.toLowerCase()));
  const said = new Set<string>();
  const receipts: Receipt[] = [];
  const faults: ReceiptFault[] = [];
  for (const { cells, line } of filled) {
    const cellOf = (column: Column): string => cells[at[column] ?? -1] ?? '';
    const read = readLine(cellOf, line, known);
    if ('code' in read) {
      faults.push(read);
      continue;
    }
    const key = read.label.toLowerCase();
    if (taken.has(key)) faults.push({ code: 'label-taken', line, text: read.label });
    else if (said.has(key)) faults.push({ code: 'label-twice', line, text: read.label });
    else receipts.push(read);
    said.add(key);
  }
  return faults.length > 0 ? { faults } : { receipts };
}

function columnsOf(heads: readonly string[]): Partial<Record<Column, number>> {
  const plain = heads.map((head) =>
    head
      .toLowerCase()
      .replace(/[\s_(),.]+/g, ' ')
      .trim(),
  );
  const at: Partial<Record<Column, number>> = {};
  for (const column of COLUMNS) {
    const names: readonly string[] = HEADS[column];
    const found = plain.findIndex((head) => names.includes(head));
    if (found >= 0) at[column] = found;
  }
  return at;
}

function readLine(cellOf: (column: Column) => string, line: number, known: Known): Receipt | ReceiptFault {
  const wrong = (column: Column): ReceiptFault => ({ code: 'wrong', line, column, text: cellOf(column) });
  const label = cellOf('label');
  if (!LABEL.test(label)) return wrong('label');
  const glass = glassNamed(cellOf('glass'), known.glasses);
  if (glass === undefined) return { code: 'unknown-glass', line, text: cellOf('glass') };
  const kind = KINDS[cellOf('kind').toLowerCase()];
  if (kind === undefined) return wrong('kind');
  const [widthMm, heightMm] = [lengthToMm(cellOf('width'), known.unit), lengthToMm(cellOf('height'), known.unit)];
  if (!isSide(widthMm)) return wrong('width');
  if (!isSide(heightMm)) return wrong('height');
  const place = cellOf('place');
  if (place.length > MOST_PLACE) return wrong('place');
  const cost = cellOf('cost')
    .replace(',', '.')
    .replace(/[^\d.-]/g, '');
  const costCents = cost === '' ? null : Math.round(Number(cost) * 100);
  if (costCents !== null && !(costCents >= 0 && costCents < 1e10)) return wrong('cost');
  return { label, glassId: glass.id, kind, widthMm, heightMm, place, costCents };
}

/** Without a word it is a sheet. */
const KINDS: Readonly<Record<string, StockItem['kind']>> = { '': 'sheet', sheet: 'sheet', offcut: 'offcut' };
const isSide = (mm: number | null): mm is number => mm !== null && mm >= 1 && mm <= MOST_MM;

/** By its code, its name, or both as they stand beside each other on the rack. */
function glassNamed(text: string, glasses: Known['glasses']): Known['glasses'][number] | undefined {
  const wish = text.toLowerCase();
  return glasses.find(({ code, name }) =>
    [code, name, `${code} ${name}`].some((known) => known.toLowerCase() === wish),
  );
}
