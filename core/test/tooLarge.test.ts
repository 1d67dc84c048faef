import { stockItem } from './stockItem.ts';
import { expect, it } from 'vitest';
import { readDrawing } from '../cutting/index.ts';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { DEFAULT_ALLOWANCE } from '../sizing/index.ts';
import type { Glass } from '../stock/index.ts';
import { tooLargeForRack } from '../bench/index.ts';
import { doc } from './panels.ts';

const result = readDrawing({
  kind: 'read',
  source: doc(400, 100, '<path d="M0 0H400V100H0Z"/><path d="M300 0V100"/>'),
  options: {},
  allowance: DEFAULT_ALLOWANCE.foil,
  limits: DEFAULT_LIMITS,
});
if ('refusal' in result) throw new Error(result.refusal);
const { cuts } = result;

/** Two pieces, 300 and 100 wide and 100 high; sheets of their glass on the rack. */
function tooLarge(sheets: [number, number][], flow: boolean, flowDeg: number | null = null): number[] {
  const stock = sheets.map(([w, h], i) => stockItem(`S${i}`, w, h, { kind: 'sheet' }));
  const glass = { id: 'g', flow } as Glass;
  const piece = { glassId: 'g', stage: 'to-cut', flowDeg, widthMm: 0, heightMm: 0, areaMm2: 1 };
  const pieces = [1, 2].map((number) => ({ ...piece, number }));
  return tooLargeForRack(pieces, cuts, new Map([['g', glass]]), () => stock, 6);
}

it('a piece fits if one sheet takes it, turned where its glass has no flow', () => {
  expect(tooLarge([[200, 200]], false)).toEqual([1]);
  expect(tooLarge([[120, 320]], false)).toEqual([]);
  expect(tooLarge([[90, 90]], false)).toEqual([1, 2]);
  expect(
    tooLarge(
      [
        [90, 90],
        [320, 320],
      ],
      false,
    ),
  ).toEqual([]);
});
it('flow holds a piece to one way of lying on the sheet', () => {
  // The sheet's flow runs along its height; a flow across the long piece lays it across the sheet.
  expect(tooLarge([[120, 320]], true, 0)).toEqual([]);
  expect(tooLarge([[120, 320]], true, 90)).toEqual([1]);
});
it('without any sheet in the rack there is nothing to say', () => {
  expect(tooLarge([], false)).toEqual([]);
});
