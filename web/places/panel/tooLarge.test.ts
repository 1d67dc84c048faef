import { expect, it } from 'vitest';
import type { CartoonAnswer } from '#contract';
import { Studio } from '#core/bench';
import { readDrawing } from '#core/cutting';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { doc } from '../../../core/test/panels.ts';
import type { PanelView } from './panelView.ts';
import { tooLargePieces } from './tooLarge.ts';

const result = readDrawing({
  kind: 'read',
  source: doc(400, 100, '<path d="M0 0H400V100H0Z"/><path d="M300 0V100"/>'),
  options: {},
  allowance: DEFAULT_ALLOWANCE.foil,
});
if ('refusal' in result) throw new Error(result.refusal);
const answer: CartoonAnswer = { id: 'k', ...result };
const row = { rev: 1, made: 1 };

/** Two pieces, 300 and 100 wide and 100 high; sheets of their glass in the rack. */
function view(sheets: [number, number][], flow: boolean, flowDeg: number | null = null): PanelView {
  const reader = new Studio();
  sheets.forEach(([widthMm, heightMm], i) =>
    reader.load('stock', `S${i}`, {
      ...row,
      id: `S${i}`,
      glassId: 'g',
      kind: 'sheet',
      widthMm,
      heightMm,
      areaMm2: widthMm * heightMm,
      place: '',
      costCents: 0,
      parentId: null,
      gone: null,
    }),
  );
  const pieces = [1, 2].map((number) => ({ number, glassId: 'g', stage: 'to-cut', flowDeg }));
  return { reader, pieces, glasses: new Map([['g', { id: 'g', flow }]]) } as unknown as PanelView;
}

it('a piece fits if one sheet takes it, turned where its glass has no flow', () => {
  expect(tooLargePieces(view([[200, 200]], false), answer)).toEqual([1]);
  expect(tooLargePieces(view([[120, 320]], false), answer)).toEqual([]);
  expect(tooLargePieces(view([[90, 90]], false), answer)).toEqual([1, 2]);
  expect(
    tooLargePieces(
      view(
        [
          [90, 90],
          [320, 320],
        ],
        false,
      ),
      answer,
    ),
  ).toEqual([]);
});
it('flow holds a piece to one way of lying on the sheet', () => {
  // The sheet's flow runs along its height; a flow across the long piece lays it across the sheet.
  expect(tooLargePieces(view([[120, 320]], true, 0), answer)).toEqual([]);
  expect(tooLargePieces(view([[120, 320]], true, 90), answer)).toEqual([1]);
});
it('without any sheet in the rack there is nothing to say', () => {
  expect(tooLargePieces(view([], false), answer)).toEqual([]);
});
