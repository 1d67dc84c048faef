import { expect, it } from 'vitest';
import { receiptFaultWords } from './index.ts';

it('every fault of a list is one sentence that names the line or the column', () => {
  expect(receiptFaultWords({ code: 'no-column', column: 'width' })).toMatch(/^The list has no column “Wide”; .*\.$/);
  expect(receiptFaultWords({ code: 'wrong', line: 3, column: 'cost', text: 'x' })).toBe(
    'Line 3: “x” can not stand under “Worth”.',
  );
  expect(receiptFaultWords({ code: 'unknown-glass', line: 2, text: 'Q-1' })).toMatch(/Q-1.*enter it first\.$/);
  for (const code of ['label-taken', 'label-twice'] as const)
    expect(receiptFaultWords({ code, line: 9, text: 'B7' })).toMatch(/^Line 9: the label B7 .*\.$/);
  expect(receiptFaultWords({ code: 'empty' })).toMatch(/head row/);
  expect(receiptFaultWords({ code: 'too-many', most: 500 })).toMatch(/500/);
});
