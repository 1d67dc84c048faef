import { describe, expect, it } from 'vitest';
import { readReceipts } from './receipts.ts';

const known = {
  glasses: [
    { id: 'sky', code: 'S-14', name: 'Sky wispy' },
    { id: 'amber', code: 'A-2', name: 'Amber' },
  ],
  taken: ['B7'],
  unit: 'mm',
} as const;
const HEADS = ['Label', 'Glass', 'What', 'Wide', 'High', 'Stands in', 'Worth'];
const read = (...lines: string[][]) => readReceipts([HEADS, ...lines], known);

describe('a list of glass', () => {
  it('is read as the rack’s own table writes it, in any order of columns', () => {
    expect(
      read(['B8', 'S-14 Sky wispy', 'sheet', '600', '400', 'slot 3', '48.50'], ['', '', '', '', '', '', '']),
    ).toEqual({
      receipts: [
        { label: 'B8', glassId: 'sky', kind: 'sheet', widthMm: 600, heightMm: 400, place: 'slot 3', costCents: 4850 },
      ],
    });
    const other = readReceipts(
      [
        ['height', 'WIDTH (mm)', 'code', 'id'],
        ['2 in', '2.5', 'a-2', 'C1'],
      ],
      known,
    );
    expect(other).toEqual({
      receipts: [
        { label: 'C1', glassId: 'amber', kind: 'sheet', widthMm: 2.5, heightMm: 50.8, place: '', costCents: null },
      ],
    });
  });

  it('with other columns is told which are missing', () => {
    expect(
      readReceipts(
        [
          ['colour', 'pieces'],
          ['blue', '3'],
        ],
        known,
      ),
    ).toEqual({
      faults: ['label', 'glass', 'width', 'height'].map((column) => ({ code: 'no-column', column })),
    });
  });

  it.each([
    ['no rows', [], { code: 'empty' }],
    ['a length that is none', [['B8', 'A-2', '', 'wide', '3', '', '']], { code: 'wrong', line: 2, column: 'width' }],
    ['a sheet as large as a house', [['B8', 'A-2', '', '3', '20000', '', '']], { column: 'height' }],
    ['a cost below nothing', [['B8', 'A-2', '', '3', '20', '', '-4']], { column: 'cost' }],
    ['something else than a sheet', [['B8', 'A-2', 'brick', '3', '20', '', '']], { column: 'kind' }],
    ['a glass that is not there', [['B8', 'X-9', '', '3', '20', '', '']], { code: 'unknown-glass', text: 'X-9' }],
    ['a label that is on the rack', [['b7', 'A-2', '', '3', '20', '', '']], { code: 'label-taken', line: 2 }],
    ['a label that no sticker bears', [['B 8!', 'A-2', '', '3', '20', '', '']], { column: 'label' }],
  ])('with %s is refused', (_, lines, fault) => {
    expect(read(...lines)).toMatchObject({ faults: [fault] });
  });

  it('with one label twice, and one too long, tells of both lines and takes none', () => {
    const good = (label: string) => [label, 'A-2', '', '30', '20', '', ''];
    expect(read(good('D1'), good('d1'), ['D2', 'A-2', '', '0', '20', '', ''])).toMatchObject({
      faults: [
        { code: 'label-twice', line: 3 },
        { code: 'wrong', line: 4, column: 'width' },
      ],
    });
    expect(read(...Array.from({ length: 501 }, (_, i) => good(`E${i}`)))).toMatchObject({
      faults: [{ code: 'too-many' }],
    });
  });
});
