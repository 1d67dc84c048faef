import { expect, test } from '@playwright/test';
import { barriers } from './axe.ts';
import { PARTS } from './servers.ts';

test.beforeEach(async ({ page }) => {
  await page.goto(PARTS);
  await expect(page.getByRole('heading', { name: 'The parts' })).toBeVisible();
});

test('every part in both themes, and what lies over the place, is accessible', async ({ page }) => {
  const looked = async (theme: 'light' | 'dark') => expect(await barriers(page, { theme })).toEqual([]);
  await looked('light');
  for (const open of ['A sheet', 'A question', 'A menu']) {
    await page.getByRole('button', { name: open, exact: true }).click();
    await looked('light');
    await page.keyboard.press('Escape');
  }
  await page.getByRole('radio', { name: 'By lamplight' }).click();
  await looked('dark');
});

test('a form says what is wrong beside the field, keeps what was typed, and forgets what was sent', async ({
  page,
}) => {
  const form = page.getByRole('form', { name: 'A sheet' });
  await form.getByLabel('Wide').fill('0');
  await expect(form.getByText('From 1 mm up.')).toBeVisible();
  await form.getByRole('button', { name: 'Send' }).click();
  await expect(form.getByLabel('Label')).toBeFocused();
  await expect(form.getByText('A sheet has a label.')).toBeVisible();
  await form.getByLabel('Label').fill('B7');
  await form.getByLabel('Wide').fill('23,5 cm');
  await expect(form.getByText('From 1 mm up.')).toHaveCount(0);
  await page.reload();
  await expect(form.getByText('Still as you left it.')).toBeVisible();
  await expect(form.getByLabel('Label')).toHaveValue('B7');
  await form.getByLabel('Label').press('Enter');
  await expect(page.getByText('B7, 235 mm')).toBeVisible();
  await expect(form.getByLabel('Label')).toHaveValue('');
  await page.reload();
  await expect(form.getByText('Still as you left it.')).toHaveCount(0);
});

test('a long table draws only the rows in sight, sorts and finds all of them', async ({ page }) => {
  const table = page.getByRole('region', { name: 'Nine hundred pieces' });
  await expect.poll(() => table.getByRole('row').count()).toBeLessThan(60);
  await table.getByRole('button', { name: 'Area' }).click();
  await expect(table.getByRole('row').nth(1)).toContainText('9090');
  await table.evaluate((box) => box.scrollTo(0, box.scrollHeight));
  await expect(table.getByRole('row').filter({ hasText: /^1S-14 sky100$/ })).toBeVisible();
  await page.getByLabel('Find in Nine hundred pieces').fill('sunny');
  await expect(table.getByRole('row')).toHaveCount(1);
  await page.getByLabel('Find in Nine hundred pieces').fill('9090');
  await expect(table.getByRole('row')).toHaveCount(2);
});

test('menus, folds and choices by keys alone', async ({ page }) => {
  // A finger rests on a key; the parts move the focus while it does.
  const press = (key: string) => page.keyboard.press(key, { delay: 60 });
  await page.getByRole('button', { name: 'A menu' }).focus();
  await press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Pick this' })).toBeFocused();
  await press('ArrowDown');
  await press('ArrowDown');
  await press('Enter');
  await expect(page.getByRole('menuitemcheckbox', { name: 'Glass' })).toHaveAttribute('aria-checked', 'true');
  await press('Escape');
  await expect(page.getByRole('button', { name: 'A menu' })).toBeFocused();
  await page.getByRole('radio', { name: 'it stays' }).focus();
  await press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'nothing worth keeping' })).toBeChecked();
  const fold = page.getByRole('button', { name: 'What is folded' });
  await fold.press('Enter');
  await expect(page.getByText('is read when it is wanted.')).toHaveCount(0);
});

test('a slider, a switch and tabs by keys and by hand', async ({ page }) => {
  const slider = page.getByRole('slider', { name: 'Share' });
  await slider.focus();
  await page.keyboard.press('ArrowRight');
  await expect(slider).toHaveAttribute('aria-valuetext', '41 %');
  await page.keyboard.press('End');
  await expect(slider).toHaveAttribute('aria-valuetext', '100 %');
  const lit = page.getByRole('switch', { name: 'The room is lit' });
  await page.getByText('The room is lit').click();
  await expect(lit).not.toBeChecked();
  await lit.press('Space');
  await expect(lit).toBeChecked();
  await page.getByRole('tab', { name: 'Front' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('What is seen from the back.')).toBeVisible();
  await expect(page.getByText('What is seen from the front.')).toHaveCount(0);
});
