import { expect, test, type Page } from '@playwright/test';
import { seen } from './handsOf.ts';
import { DEMO } from './servers.ts';
import { boardOn, panelOf } from '../scripts/onBoard.ts';

const HERON = `${DEMO}/panels/heron`;

const place = (page: Page, name: string | RegExp) => page.getByRole('navigation').getByRole('link', { name }).click();

/** Tells one and the same element apart from another that looks the same. */
const mark = (page: Page) =>
  boardOn(page).evaluate((board) => void ((board as unknown as { isTheOne: boolean }).isTheOne = true));
const isTheOne = (page: Page) =>
  boardOn(page).evaluate((board) => (board as unknown as { isTheOne?: boolean }).isTheOne === true);

test('a place is found again as it was left: what is typed, how far it is rolled, what is opened', async ({ page }) => {
  await page.goto(`${DEMO}/rack`);
  const find = page.getByLabel(/^Find/);
  await expect(page.getByRole('heading', { name: 'Rack' })).toBeVisible();
  const work = page.locator('#work');
  await work.evaluate((node) => node.scrollTo(0, 240));
  await expect.poll(() => work.evaluate((node) => node.scrollTop)).toBe(240);
  await place(page, 'Jobs');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  expect(await work.evaluate((node) => node.scrollTop)).toBe(0);
  await place(page, 'Rack');
  await expect.poll(() => work.evaluate((node) => node.scrollTop)).toBe(240);
  await find.fill('amber');
  await place(page, 'Today');
  await expect(page).toHaveTitle(/^Today/);
  await place(page, 'Rack');
  await expect(page).toHaveTitle(/^Rack/);
  await expect(find).toHaveValue('amber');
});

test('the bench is the very same when somebody comes back, and shows what was done meanwhile', async ({ page }) => {
  await page.goto(`${HERON}/bench`);
  await expect(boardOn(page)).toBeVisible();
  await mark(page);
  await page.getByRole('button', { name: 'Table' }).click();
  await expect(page.getByRole('table')).toBeVisible();
  const counts = seen(page.getByTestId('counts'));
  const [cut] = (await panelOf(boardOn(page))).pieces.filter((piece) => piece.stage === 'cut');
  if (!cut) throw new Error('no piece of the demo is cut');
  const before = await counts.textContent();
  await place(page, /^Hours/);
  await expect(page.getByRole('heading', { name: /Hours/ }).first()).toBeVisible();
  await expect(page.getByTestId('board')).toHaveCount(1);
  await expect(boardOn(page)).toHaveCount(0);
  // Another screen goes on meanwhile.
  const beside = await page.context().newPage();
  await beside.goto(`${HERON}/bench`);
  await beside.getByLabel(/Tally line/).fill(`${cut.number} ground`);
  await beside.keyboard.press('Enter');
  await expect(beside.getByTestId('counts')).not.toHaveText(before ?? '');
  const after = (await beside.getByTestId('counts').textContent()) ?? '';
  await beside.keyboard.press('Escape');
  await beside.locator('body').press('Control+z');
  await expect(beside.getByTestId('counts')).toHaveText(before ?? '');
  await beside.locator('body').press('Control+Shift+z');
  await expect(beside.getByTestId('counts')).toHaveText(after);
  await place(page, /^Bench/);
  await expect(counts).toHaveText(after);
  await expect(page.getByRole('table')).toBeVisible();
  expect(await isTheOne(page)).toBe(true);
  await page.locator('body').press('Control+z');
  await expect(counts).toHaveText(before ?? '');
});

test('a form that nobody has touched follows what is changed elsewhere; what is typed stays', async ({ page }) => {
  await page.goto(`${DEMO}/setup`);
  const name = page.getByRole('form', { name: 'Name of the studio' }).getByRole('textbox');
  const was = await name.inputValue();
  const beside = await page.context().newPage();
  const call = async (words: string) => {
    await beside.goto(`${DEMO}/setup`);
    const form = beside.getByRole('form', { name: 'Name of the studio' });
    await form.getByRole('textbox').fill(words);
    await form.getByRole('button').click();
    await expect(beside.getByText('Kept.')).toBeVisible();
  };
  await place(page, 'Jobs');
  await call('Under the lime');
  await place(page, 'Setup');
  await expect(name).toHaveValue('Under the lime');
  await name.fill('half of a');
  await place(page, 'Jobs');
  await call(was);
  await place(page, 'Setup');
  await expect(name).toHaveValue('half of a');
  await name.fill(was);
});

test('a sheet that was left open is not in the way of another place, and is there when one comes back', async ({
  page,
}) => {
  await page.goto(`${DEMO}/`);
  await place(page, 'Rack');
  await page.getByRole('button', { name: 'Receive' }).click();
  const sheet = page.getByRole('dialog', { name: 'Receive glass' });
  await sheet.getByLabel('Wide').fill('512');
  await page.goBack();
  await expect(page).toHaveTitle(/^Today/);
  await expect(page.locator('[role="dialog"]')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await place(page, 'Rack');
  await expect(sheet.getByLabel('Wide')).toHaveValue('512');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
});

test('what was out of sight for long begins anew', async ({ page }) => {
  await page.clock.install();
  await page.goto(`${HERON}/bench`);
  await expect(boardOn(page)).toBeVisible();
  await mark(page);
  await place(page, /^Hours/);
  await expect(page.getByTestId('board')).toHaveCount(1);
  await page.clock.runFor(9 * 60_000);
  await place(page, /^Bench/);
  expect(await isTheOne(page)).toBe(true);
  await place(page, /^Hours/);
  await page.clock.runFor(11 * 60_000);
  await expect(page.getByTestId('board')).toHaveCount(0);
  await place(page, /^Bench/);
  await expect(boardOn(page)).toBeVisible();
  expect(await isTheOne(page)).toBe(false);
});

test('a panel is drawn while a hand comes to its link, follows what happens meanwhile, and is that one when it is opened', async ({
  page,
}) => {
  await page.goto(`${DEMO}/`);
  const link = page.locator('a[href="/panels/heron/bench"]').first();
  await link.hover();
  await expect(page.getByTestId('board')).toHaveCount(1);
  await expect(boardOn(page)).toHaveCount(0);
  await expect(page).toHaveTitle(/^Today/);
  await page
    .getByTestId('board')
    .evaluate((board) => void ((board as unknown as { isTheOne: boolean }).isTheOne = true));
  // Another screen goes on before it is opened.
  const beside = await page.context().newPage();
  await beside.goto(`${HERON}/bench`);
  const counts = beside.getByTestId('counts');
  const before = (await counts.textContent()) ?? '';
  const [cut] = (await panelOf(boardOn(beside))).pieces.filter((piece) => piece.stage === 'cut');
  await beside.getByLabel(/Tally line/).fill(`${cut?.number} ground`);
  await beside.keyboard.press('Enter');
  await expect(counts).not.toHaveText(before);
  const after = (await counts.textContent()) ?? '';
  await link.click();
  await expect(seen(page.getByTestId('counts'))).toHaveText(after);
  await expect(page).toHaveTitle(/^Bench/);
  expect(await isTheOne(page)).toBe(true);
  await beside.keyboard.press('Escape');
  await beside.locator('body').press('Control+z');
  await expect(seen(page.getByTestId('counts'))).toHaveText(before);
});

test('a panel at whose link a hand has waited is painted when it is first seen', async ({ page }) => {
  // How large its board is was seen before.
  await page.goto(`${HERON}/bench`);
  await expect(seen(page.locator('[data-painted]'))).toHaveCount(1);
  await expect(async () => {
    await page.goto(`${DEMO}/`);
    const link = page.locator('a[href="/panels/heron/bench"]').first();
    await link.hover();
    await expect(page.getByTestId('board')).toHaveCount(1);
    await page.waitForTimeout(2000);
    const isPainted = await link.evaluate(
      (anchor) =>
        new Promise<boolean>((tell) => {
          (anchor as HTMLAnchorElement).click();
          const look = () => {
            const board = document.querySelector('[data-testid="board"]');
            if (board?.checkVisibility()) tell(board.parentElement?.querySelector('[data-painted]') !== null);
            else requestAnimationFrame(look);
          };
          look();
        }),
    );
    expect(isPainted).toBe(true);
  }).toPass({ timeout: 60_000 });
});

test('a panel that a hand went past does nothing, and is let go', async ({ page }) => {
  await page.clock.install();
  await page.goto(`${DEMO}/`);
  await page.locator('a[href="/panels/heron/bench"]').first().hover();
  await page.clock.runFor(1000);
  await expect(page.getByTestId('board')).toHaveCount(1);
  await page.keyboard.press('/');
  await expect(page.locator('input:focus')).toHaveCount(0);
  await page.clock.runFor(61_000);
  await expect(page.getByTestId('board')).toHaveCount(0);
});

test('each panel is kept as its own: what was begun on one is there after a look at another', async ({ page }) => {
  await page.goto(`${DEMO}/`);
  await page.locator('a[href="/panels/heron/bench"]').first().click();
  await expect(boardOn(page)).toBeVisible();
  await mark(page);
  await page.getByLabel(/Tally line/).fill('12 gro');
  await place(page, 'Today');
  const other = page.locator('a[href^="/panels/"]:not([href*="/heron/"])').first();
  const address = (await other.getAttribute('href')) ?? '';
  await other.click();
  await expect(page).toHaveURL(new RegExp(address));
  await expect(boardOn(page)).toBeVisible();
  expect(await isTheOne(page)).toBe(false);
  await place(page, 'Today');
  await page.locator('a[href="/panels/heron/bench"]').first().click();
  await expect(seen(page.getByLabel(/Tally line/))).toHaveValue('12 gro');
  expect(await isTheOne(page)).toBe(true);
  await seen(page.getByLabel(/Tally line/)).fill('');
});

test('each job begins at its own top, and is found again where it was left', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 500 });
  await page.goto(`${DEMO}/jobs`);
  const work = page.locator('#work');
  const jobs = seen(page.locator('#work a[href^="/jobs/"]:not([href*="?"])'));
  await expect(jobs.nth(1)).toBeVisible();
  const [first, second] = await jobs.evaluateAll((links) => [...new Set(links.map((a) => a.getAttribute('href')))]);
  const open = (address: string | null | undefined) =>
    seen(page.locator(`#work a[href="${address}"]`))
      .first()
      .click();
  const top = () => work.evaluate((node) => node.scrollTop);
  await open(first);
  await expect(page).toHaveURL(new RegExp(`${first}$`));
  // As soon as there is so much of it.
  await expect
    .poll(async () => {
      await work.evaluate((node) => node.scrollTo(0, 120));
      return top();
    })
    .toBe(120);
  await place(page, 'Jobs');
  await open(second);
  await expect(page).toHaveURL(new RegExp(`${second}$`));
  await expect.poll(top).toBe(0);
  await place(page, 'Jobs');
  await open(first);
  await expect.poll(top).toBe(120);
});

test('no two things on a page have one name, however many panels and steps are kept', async ({ page }) => {
  await page.goto(`${DEMO}/`);
  const links = page.locator('a[href^="/panels/"][href$="/bench"]');
  await expect(links.first()).toBeVisible();
  const [first, second] = await links.evaluateAll((all) => [...new Set(all.map((a) => a.getAttribute('href')))]);
  for (const address of [first, second]) {
    await place(page, 'Today');
    await seen(page.locator(`a[href="${address}"]`))
      .first()
      .click();
    await expect(boardOn(page)).toBeVisible();
    await boardOn(page).press('ArrowRight');
    for (const step of [/^Cartoon/, /^Glass/, /^Bench/]) {
      await place(page, step);
      await expect(page.getByRole('separator', { name: 'Width of the sheet' })).toBeVisible();
    }
  }
  const twice = await page.evaluate(() => {
    const names = [...document.querySelectorAll('[id]')].map(({ id }) => id);
    return names.filter((name, i) => names.indexOf(name) !== i);
  });
  expect(twice).toEqual([]);
});

test('what was typed on a panel is there after nine minutes elsewhere', async ({ page }) => {
  await page.clock.install();
  await page.goto(`${HERON}/bench`);
  await expect(boardOn(page)).toBeVisible();
  await mark(page);
  await page.getByLabel(/Tally line/).fill('12 gro');
  await place(page, 'Today');
  await expect(page).toHaveTitle(/^Today/);
  await page.clock.runFor(9 * 60_000);
  await page.goBack();
  await expect(seen(page.getByLabel(/Tally line/))).toHaveValue('12 gro');
  expect(await isTheOne(page)).toBe(true);
  await seen(page.getByLabel(/Tally line/)).fill('');
});
