import type { SupplyListFault } from '../stock/index.ts';

/** Why a list of supplies can not be taken, in one sentence. */
export function supplyListFaultWords(fault: SupplyListFault): string {
  switch (fault.code) {
    case 'empty':
      return 'There is no line in this list.';
    case 'no-column':
      return `A column “${fault.column}” is missing.`;
    case 'too-many':
      return `More than ${fault.most} lines; give it in several lists.`;
    case 'wrong':
      return `Line ${fault.line}: “${fault.text}” does not do for “${fault.column}”.`;
    case 'twice':
      return `Line ${fault.line}: ${fault.text} is in the list twice.`;
  }
}
