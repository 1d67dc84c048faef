import { expect, test, type Page } from '@playwright/test';
import { seen, field } from './handsOf.ts';
import { benchPage, choose } from './parts.ts';
import { DRAWINGS } from './servers.ts';
import { boardOn, panelOf, pieceMark } from '../scripts/onBoard.ts';

/** Two panes on the left of a line, one on its right. */
const drawing = (xMm: number) => ({
  name: `ferry at ${xMm}.svg`,
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="300mm" height="200mm" viewBox="0 0 300 200"><g fill="none" stroke="#000"><rect width="300" height="200"/><path d="M${xMm} 0V200M0 120H${xMm}"/></g></svg>`,
  ),
});

test.describe.configure({ mode: 'serial' });
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await benchPage(browser, 'e2e-hand');
});
test.afterAll(() => page.close());

const tally = async (text: string) => {
  await field(page, /Tally line/).fill(text);
  await expect(page.getByTestId('effect')).not.toHaveText('');
};
const pressPiece = async (n: number) => {
  const board = boardOn(page);
  await (await pieceMark(board, n)).click();
};
/** Pieces that are too small for their places now. */
const tooSmall = async () =>
  (await panelOf(boardOn(page))).pieces.flatMap((piece) => (piece.tooSmall ? piece.number : []));
const counts = () => page.getByTestId('counts');
const leftOfSheet = async (words: string) => {
  await page.getByRole('link', { name: 'Rack' }).click();
  await page.getByRole('button', { name: /sheet F1,/ }).click();
  await expect(page.getByRole('dialog')).toContainText(words);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.goBack();
};

test('a glass, a sheet, a panel of three panes', async () => {
  await page.goto(`${DRAWINGS}/rack`);
  await page.getByRole('button', { name: 'New glass' }).click();
  await field(page, 'Code', { exact: true }).fill('R-7');
  await field(page, 'Name', { exact: true }).fill('river');
  await field(page, 'Thickness').fill('3');
  await page.getByRole('button', { name: 'Enter the glass' }).click();
  await page.getByRole('button', { name: 'Receive' }).click();
  await choose(page, 'Of which glass', 'R-7 river');
  await field(page, 'Label on it').fill('F1');
  await field(page, 'Wide').fill('600');
  await field(page, 'High').fill('400');
  await page.getByRole('button', { name: 'Put it on the rack' }).click();
  await page.goto(`${DRAWINGS}/jobs?new=1`);
  await field(page, 'What it is').fill('Ferry window');
  await page.getByRole('button', { name: /^Enter the/ }).click();
  await page.getByRole('button', { name: 'Add a panel' }).click();
  await field(page, 'Wide').fill('300');
  await field(page, 'High').fill('200');
  await page.getByRole('button', { name: 'Enter the panel' }).click();
  await seen(page.getByTestId('drawing-file')).setInputFiles(drawing(150));
  await page.getByRole('button', { name: 'Take in these 3 pieces' }).click();
  await page.getByRole('button', { name: 'Pick the 3 without glass' }).click();
  await page.getByRole('button', { name: /R-7 river/ }).click();
  await page.getByRole('link', { name: /^Bench/ }).click();
  await expect(counts()).toHaveText('3 to cut');
});

// Foil takes 0.4 mm off each inner side: piece 1 is 149.6 × 119.6 mm.
test('broken while it is cut: that glass leaves the sheet, and the piece waits to be cut still', async () => {
  await pressPiece(1);
  await page.getByRole('button', { name: 'Broke …' }).click();
  await page.getByRole('button', { name: 'Broke in cutting, out of …' }).click();
  await expect(page.getByRole('heading', { name: 'Broke out of' })).toBeVisible();
  await page.getByRole('button', { name: 'Broke', exact: true }).click();
  await expect(counts()).toHaveText('3 to cut · 1 recut');
  await leftOfSheet(String(Math.round(240_000 - 149.6 * 119.6).toLocaleString('en-GB')));
  await tally('1-3 cut from f1');
  await page.keyboard.press('Enter');
  await expect(counts()).toHaveText('3 cut · 1 recut');
  const cutMm2 = 2 * 149.6 * 119.6 + 149.6 * 200 + 149.6 * 79.6;
  await leftOfSheet(String(Math.round(240_000 - cutMm2).toLocaleString('en-GB')));
});

test('the drawing grows over glass in hand: told before it is taken in, and not marked on without a word', async () => {
  await page.getByRole('link', { name: /^Cartoon/ }).click();
  await seen(page.getByTestId('drawing-file')).setInputFiles(drawing(170));
  await expect(page.getByTestId('changes')).toContainText('1, 3 grow over what is cut');
  await page.getByRole('button', { name: 'Take in these 3 pieces' }).click();
  await expect(page.getByText('Too small for their places: 1, 3.')).toBeVisible();
  await page.getByRole('link', { name: /^Bench/ }).click();
  expect(await tooSmall()).toEqual([1, 3]);
  await tally('1 ground');
  await expect(page.getByTestId('effect')).toContainText('Piece 1 is too small for the drawing now');
  await page.keyboard.press('Enter');
  await expect(counts()).toHaveText('3 cut · 1 recut');
  // Its area stays that of the glass in hand.
  await pressPiece(1);
  await expect(page.getByText('178.9 cm²; the drawing wants 202.8 cm²')).toBeVisible();
});

test('cut anew it has the area drawn; what fits all the same goes on', async () => {
  await tally('1 recut does not fit from f1');
  await page.keyboard.press('Enter');
  await expect.poll(tooSmall).toEqual([3]);
  await pressPiece(1);
  await expect(page.getByText('202.8 cm²')).toBeVisible();
  await expect(page.getByText('the drawing wants')).toHaveCount(0);
  await pressPiece(3);
  await page.getByRole('button', { name: 'It fits' }).click();
  await expect.poll(tooSmall).toEqual([]);
  await tally('1 3 ground');
  await page.keyboard.press('Enter');
  await expect(counts()).toContainText('2 ground');
});
