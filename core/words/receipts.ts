import type { ReceiptColumn, ReceiptFault } from '../stock/index.ts';

const COLUMN_WORDS: Readonly<Record<ReceiptColumn, string>> = {
  label: 'Label',
  glass: 'Glass',
  kind: 'What',
  width: 'Wide',
  height: 'High',
  place: 'Stands in',
  cost: 'Worth',
};

/** Why a list of glass is not taken as it is, in one plain sentence. */
export function receiptFaultWords(fault: ReceiptFault): string {
  switch (fault.code) {
    case 'empty':
      return 'No sheet stands in this list; it wants a head row and a row for each sheet.';
    case 'no-column':
      return `The list has no column “${COLUMN_WORDS[fault.column]}”; it wants Label, Glass, Wide and High at least.`;
    case 'too-many':
      return `More than ${fault.most} sheets in one list; bring it in parts.`;
    case 'wrong':
      return `Line ${fault.line}: “${fault.text}” can not stand under “${COLUMN_WORDS[fault.column]}”.`;
    case 'unknown-glass':
      return `Line ${fault.line}: no glass on the rack is called “${fault.text}”; enter it first.`;
    case 'label-taken':
      return `Line ${fault.line}: the label ${fault.text} is on another piece of glass already.`;
    case 'label-twice':
      return `Line ${fault.line}: the label ${fault.text} stands in the list twice.`;
  }
}
