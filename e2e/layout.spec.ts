import { expect, test, type Page } from '@playwright/test';
import { DEMO } from './servers.ts';

/** All glasses are laid out: none waits, none is being looked for. */
async function isSettled(page: Page): Promise<void> {
  await expect(page.getByRole('list', { name: 'What it takes' }).getByRole('listitem').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Look longer' })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('waits its turn')).toHaveCount(0);
}

test.describe('Layout', () => {
  test('every piece that is to be cut lies on a sheet of its glass, and the sheet comes apart break by break', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/panels/heron/bench`);
    const board = page.locator('[data-piece][data-stage="to-cut"]');
    await expect(board.first()).toBeAttached();
    const toCut = await board.evaluateAll((marks) => marks.map((mark) => Number(mark.getAttribute('data-piece'))));
    await page.goto(`${DEMO}/panels/heron/layout`);
    await isSettled(page);
    const sheets = page.getByRole('main').getByRole('img');
    const laid = (await sheets.locator('text').allTextContents()).filter((words) => /^\d+$/.test(words)).map(Number);
    expect(laid.sort((a, b) => a - b)).toEqual([...new Set(toCut)].sort((a, b) => a - b));

    const sheet = page.getByRole('button', { name: /break by break/ }).first();
    const label = (await sheet.getByRole('img').getAttribute('aria-label')) ?? '';
    const breaks = Number(/(\d+) breaks/.exec(label)?.[1]);
    expect(breaks).toBeGreaterThan(0);
    await sheet.click();
    await expect(page.getByRole('status')).toContainText(`Break 1 of ${breaks}`);
    for (let k = 0; k < breaks; k++) await page.getByRole('button', { name: /(First|Next) break/ }).click();
    await expect(page.getByRole('status')).toHaveText(`All ${breaks} breaks are made.`);
    // Nothing more to break: it says why, and stays.
    await page.getByRole('button', { name: 'Next break' }).click({ force: true });
    await expect(page.getByText('The sheet is apart.').first()).toBeVisible();
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('status')).toContainText(`Break ${breaks} of ${breaks}`);
    // The first is the hint's, which is still open beside the button.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(sheet).toBeVisible();
  });

  test('the same question has the same answer, another one is looked for anew', async ({ page }) => {
    const told = async () => {
      await isSettled(page);
      return page.getByRole('list', { name: 'What it takes' }).innerText();
    };
    await page.goto(`${DEMO}/panels/heron/layout`);
    const first = await told();
    await page.reload();
    expect(await told()).toBe(first);
    await page.getByRole('radio', { name: 'Least glass' }).click();
    await expect.poll(told).not.toBe(first);
    await page.getByRole('radio', { name: 'Offcuts first' }).click();
    expect(await told()).toBe(first);
  });

  test('where all is cut it says so', async ({ page }) => {
    await page.goto(`${DEMO}/panels/tide-1/layout`);
    await expect(page.getByText('Every piece is cut: nothing is left to lay out.')).toBeVisible();
    await page.getByRole('button', { name: 'Look longer' }).click({ force: true });
    await expect(page.getByText('Nothing is to be laid out.').first()).toBeVisible();
  });
});
