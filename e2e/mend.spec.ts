import { expect, test, type Page } from '@playwright/test';
import { choose } from './parts.ts';
import { DEMO } from './servers.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

const panel = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) });
const more = async (page: Page, name: string, item: string) => {
  await page.getByRole('button', { name: `More for ${name}`, exact: true }).click();
  await page.getByRole('menuitem', { name: item }).click();
};
const reallyDelete = (page: Page) =>
  page.getByRole('alertdialog').getByRole('button', { name: 'Delete', exact: true }).click();
const bringBack = async (page: Page, name: string) => {
  await page.goto(`${DEMO}/setup`);
  await page.getByRole('button', { name: `Bring back ${name}`, exact: true }).click();
  await expect(page.getByText(`“${name}” is back among the work.`)).toBeVisible();
};

test('a job is deleted with what hangs on it told, and comes back as it was', async ({ page }) => {
  await page.goto(`${DEMO}/jobs/job-tide`);
  const title = await page.getByRole('heading', { level: 1 }).innerText();
  await more(page, title, 'Delete …');
  const question = page.getByRole('alertdialog');
  await expect(question).toContainText('With it go its 3 panels.');
  await expect(question).toContainText(/\d+ of its \d+ pieces are cut: that glass stays taken from its sheets\./);
  await expect(question).toContainText(/of work stay in the hours and in Reckoning/);
  await question.getByRole('button', { name: 'Leave it' }).click();
  await more(page, title, 'Delete …');
  await reallyDelete(page);
  await expect(page).toHaveURL(/\/jobs$/);
  await expect(page.getByRole('list', { name: 'In hand' })).not.toContainText(title);
  await page.goto(`${DEMO}/panels/tide-1/bench`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('not in the studio');
  await page.goto(DEMO);
  await expect(page.getByRole('main')).not.toContainText(title);
  await bringBack(page, title);
  await page.goto(`${DEMO}/panels/tide-1/bench`);
  await expect(page.getByTestId('counts')).toHaveText('34 leaded');
});

test('a panel is archived, duplicated with its glass, made another size, asked about and deleted', async ({ page }) => {
  await page.goto(`${DEMO}/jobs/job-tide`);
  await more(page, 'Light 3', 'Archive');
  await expect(panel(page, 'Light 3')).toContainText('Archived.');
  await page.goto(`${DEMO}/panels/tide-3/bench`);
  await page.getByLabel(/Tally line/).fill('1 leaded');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('effect')).toHaveText('“Light 3” is archived; bring it back first.');
  await page.goto(`${DEMO}/jobs/job-tide`);
  await page.getByRole('button', { name: 'Bring back Light 3' }).click();
  await expect(page.getByRole('button', { name: 'More for Light 3' })).toBeVisible();

  await more(page, 'Light 3', 'Duplicate');
  const copy = panel(page, 'Light 3, again');
  await expect(copy).toContainText('Cut 32 pieces');
  await more(page, 'Light 3, again', 'Name and size');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Name').fill('Light 4');
  await sheet.getByLabel('Wide').fill('24 ft');
  await sheet.getByRole('button', { name: 'Keep' }).click();
  await expect(sheet.getByText(/^A length up to 3200 mm/)).toBeVisible();
  await sheet.getByLabel('Wide').fill('0.1 mm');
  await sheet.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alertdialog')).toContainText('0.1 mm wide and 660 mm high');
  await page.getByRole('button', { name: 'Look again' }).click();
  await sheet.getByLabel('Wide').fill('312 mm');
  await sheet.getByRole('button', { name: 'Keep' }).click();
  await expect(panel(page, 'Light 4')).toContainText('312 × 660 mm');
  // The glass was chosen with it: the first piece says which.
  await page.getByRole('link', { name: 'Light 4', exact: true }).click();
  await (await pieceMark(boardOn(page), 1)).click();
  await expect(page.getByTestId('said')).toHaveText(/^Piece 1, [A-Z]-\d+ .*, to cut$/);
  // A panel with cut glass keeps its size.
  await page.goto(`${DEMO}/jobs/job-tide`);
  await more(page, 'Light 1', 'Name and size');
  await expect(page.getByRole('dialog')).toContainText('Glass of it is cut');
  await page.keyboard.press('Escape');
  await more(page, 'Light 4', 'Delete …');
  await expect(page.getByRole('alertdialog')).toContainText('None of its 32 pieces is cut.');
  await reallyDelete(page);
  await expect(panel(page, 'Light 4')).toHaveCount(0);
  await page.goto(`${DEMO}/setup`);
  await expect(page.getByRole('button', { name: 'Bring back Light 4' })).toBeVisible();
});

test('a glass on the rack is archived, not deleted; a person and a sheet come back from Setup', async ({ page }) => {
  await page.goto(`${DEMO}/rack`);
  const glass = page.getByRole('button', { name: /^A-03 low sun/ });
  await glass.click();
  await more(page, 'A-03', 'Delete …');
  await reallyDelete(page);
  await expect(page.getByText(/^Glass A-03 still stands on the rack \(/)).toBeVisible();
  await more(page, 'A-03', 'Archive');
  await page.getByRole('button', { name: 'Receive', exact: true }).click();
  await page.getByRole('combobox', { name: 'Of which glass' }).click();
  await expect(page.getByRole('option').first()).toBeVisible();
  await expect(page.getByRole('option', { name: /^A-03/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await bringBack(page, 'A-03');

  await more(page, 'Morven', 'Delete …');
  await expect(page.getByRole('alertdialog')).toContainText('The hours and steps of that person stay');
  await reallyDelete(page);
  await expect(page.getByRole('region', { name: 'People' })).not.toContainText('Morven');
  await page.getByRole('button', { name: 'Bring back Morven' }).click();
  await expect(page.getByRole('region', { name: 'People' })).toContainText('Morven');

  await page.goto(`${DEMO}/rack?item=T7`);
  const card = page.getByRole('dialog', { name: 'Offcut T7' });
  await card.getByRole('button', { name: 'Write off' }).click();
  await expect(card.getByText('Say why: the ledger keeps it.')).toBeVisible();
  await card.getByLabel('Write it off, because').fill('dropped');
  await card.getByRole('button', { name: 'Write off' }).click();
  await expect(page.getByRole('button', { name: /offcut T7,/ })).toHaveCount(0);
  await page.goto(`${DEMO}/setup`);
  await page.getByRole('button', { name: /^Bring back: T7/ }).click();
  await page.goto(`${DEMO}/rack`);
  await expect(page.getByRole('button', { name: /offcut T7,/ })).toBeVisible();
});

test('another currency is a question; the border came has its place, and too large says how and what cures it', async ({
  page,
}) => {
  await page.goto(`${DEMO}/setup`);
  await choose(page, 'Money', 'NOK');
  await expect(page.getByRole('alertdialog')).toContainText('No figure is exchanged');
  await page.getByRole('button', { name: 'Stay with EUR' }).click();
  await expect(page.getByRole('combobox', { name: 'Money' })).toHaveText('EUR');

  await page.goto(`${DEMO}/panels/tide-3/measure`);
  await choose(page, 'Border came', 'H came of 12 mm face');
  await page.getByLabel('Opening wide', { exact: true }).fill('276');
  await page.getByLabel('Opening high', { exact: true }).fill('700');
  // 260 + 2 × (12 + 1.6)/2 = 273.6 mm, in an opening of 276 less twice 3 mm of play: 3.6 mm too wide.
  await expect(page.getByTestId('fits')).toContainText('3.6 mm too wide');
  await expect(page.getByTestId('fits')).toContainText(
    'with H came of 8 mm face as its border, or with a play of 1.2 mm',
  );
  await expect(page.getByTestId('border-section')).toHaveAccessibleName(/daylight at 15 mm/);
  await choose(page, 'Border came', 'H came of 8 mm face');
  await expect(page.getByTestId('fits')).toContainText('and fits');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('Kept; the cut outlines follow.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'Border came' })).toHaveText('H came of 8 mm face');
  await page.getByRole('button', { name: /^Take back:/ }).click();
  await expect(page.getByText(/taken back\.$/)).toBeVisible();
});
