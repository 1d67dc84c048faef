import { readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { ownServer } from './ownServer.ts';
import { DEMO, ownPort } from './servers.ts';

const BENCH = '/panels/lantern/bench';
const counts = (page: Page) => page.getByTestId('counts');
const mark = async (page: Page, text: string) => {
  const line = page.getByLabel(/Tally line/);
  await line.fill(text);
  await line.press('Enter');
};

test.describe('the server is killed beneath the page', () => {
  test.use({ serviceWorkers: 'allow' });
  const server = ownServer(ownPort(1));

  test('the page opens without it, marks wait, outlive a reload, and go off once it is back', async ({
    page,
    context,
  }) => {
    await page.goto(server.base + BENCH);
    await page.evaluate(() => navigator.serviceWorker.ready);
    // Once more, so that what it shows has gone through the service worker.
    await page.reload();
    await expect(counts(page)).toContainText('10 foiled · 20 in place');
    await server.kill();
    await expect(page.getByText(/^Not in step since .*: Nelvik does not answer\.$/)).toBeVisible();
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect(counts(page)).toContainText('10 foiled · 20 in place');
    await mark(page, '21 in place');
    await mark(page, '22 in place');
    await expect(page.getByText(/2 steps wait here/)).toBeVisible();
    await page.close();
    const again = await context.newPage();
    again.on('dialog', (dialog) => void dialog.accept());
    await again.goto(server.base + BENCH);
    await expect(again.getByText(/2 steps wait here/)).toBeVisible();
    await server.start();
    await expect(counts(again)).toContainText('8 foiled · 22 in place');
    await expect(again.getByText(/wait here|Not in step/)).toHaveCount(0);
    await again.reload();
    await expect(counts(again)).toContainText('8 foiled · 22 in place');
  });

  test('what no longer fits is shown with both versions, one after the other', async ({ page, browser }) => {
    await page.goto(server.base + BENCH);
    await expect(counts(page)).toContainText('in place');
    await page.route('**/api/commands', (route) => route.abort());
    await mark(page, '23 in place');
    await mark(page, '24 in place');
    await expect(page.getByText(/2 steps wait here/)).toBeVisible();
    // Somebody else, at another bench, returns both of them a stage.
    const elsewhere = await browser.newPage();
    await elsewhere.goto(server.base + BENCH);
    await mark(elsewhere, '23 return other');
    await mark(elsewhere, '24 return other');
    await expect(elsewhere.getByRole('heading', { name: /^24/ })).toBeVisible();
    await page.waitForTimeout(6000);
    await page.unroute('**/api/commands');
    await expect(page.getByText('2 steps did not fit any more.')).toBeVisible();
    await page.getByRole('button', { name: 'See both' }).click();
    const sheet = page.getByRole('dialog', { name: 'Which of the two holds?' });
    await expect(sheet.getByRole('region', { name: 'Done here' })).toContainText('23 in place');
    await expect(sheet.getByRole('region', { name: 'In the studio' })).toContainText('23 returned');
    await expect(sheet).toContainText('One more after this.');
    await sheet.getByRole('button', { name: 'Leave it as in the studio' }).click();
    await expect(sheet.getByRole('region', { name: 'Done here' })).toContainText('24 in place');
    await sheet.getByRole('button', { name: 'Leave it as in the studio' }).click();
    await expect(sheet).toBeHidden();
    await expect(page.getByText('did not fit')).toHaveCount(0);
    await elsewhere.close();
  });
});

test.describe('copies', () => {
  const server = ownServer(ownPort(2));

  test('everything saved, more done, the copy put back: screens start afresh, and what was there is kept', async ({
    page,
    context,
  }) => {
    const bench = await context.newPage();
    await bench.goto(server.base + BENCH);
    const before = await counts(bench).innerText();
    await page.goto(`${server.base}/setup`);
    const copies = page.getByRole('region', { name: 'Copies' });
    await expect(copies).toContainText(join(server.folder, 'copies'));
    await copies.getByRole('button', { name: 'Save everything now' }).click();
    await expect(page.getByText('Everything is saved.')).toBeVisible();
    await mark(bench, '21 in place');
    await expect(counts(bench)).not.toHaveText(before);
    const after = await counts(bench).innerText();
    await copies
      .getByRole('listitem')
      .filter({ hasText: 'asked for' })
      .getByRole('button', { name: /^Put back/ })
      .click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(page.getByText(/^Put back: \d+ steps of the log\./)).toBeVisible();
    // The other tab hears of it and shows what stands now, without a reload.
    await expect(counts(bench)).toHaveText(before);
    await mark(bench, '22 in place');
    await expect(counts(bench)).not.toHaveText(before);
    await copies
      .getByRole('listitem')
      .filter({ hasText: 'kept before' })
      .getByRole('button', { name: /^Put back/ })
      .click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(counts(bench)).toHaveText(after);
  });

  test('a copy is taken away and brought back; a file that is none is refused in a sentence', async ({ page }) => {
    await page.goto(`${server.base}/setup`);
    const copies = page.getByRole('region', { name: 'Copies' });
    await copies.getByRole('button', { name: 'Save everything now' }).click();
    await expect(page.getByText('Everything is saved.')).toBeVisible();
    const coming = page.waitForEvent('download');
    await copies
      .getByRole('link', { name: /^Take away/ })
      .first()
      .click();
    const taken = await (await coming).path();
    expect(readFileSync(taken).subarray(0, 15).toString()).toBe('SQLite format 3');
    const picker = copies.getByLabel('A copy or a readable text of a studio');
    await picker.setInputFiles({
      name: 'tree.sqlite',
      mimeType: 'application/octet-stream',
      buffer: Buffer.from('no copy'),
    });
    await expect(page.getByText('The copy lies with the others; nothing else was changed.')).toBeVisible();
    await copies
      .getByRole('listitem')
      .filter({ hasText: 'brought' })
      .getByRole('button', { name: /^Put back/ })
      .click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(page.getByText('This file is no database; nothing was changed.')).toBeVisible();
  });

  test('the studio’s file is taken away beneath it: nothing is said to be kept that is not, and marks wait', async ({
    page,
  }) => {
    await page.goto(server.base + BENCH);
    const before = await counts(page).innerText();
    const file = join(server.folder, 'nelvik.sqlite');
    renameSync(file, `${file}.away`);
    await mark(page, '25 in place');
    await expect(page.getByText(/The studio’s file is no longer in its place/)).toBeVisible();
    await expect(page.getByText(/1 step waits here/)).toBeVisible();
    renameSync(`${file}.away`, file);
    await expect(counts(page)).not.toHaveText(before);
    await expect(page.getByText(/waits here/)).toHaveCount(0);
  });
});

test.describe('opened to a tablet', () => {
  test.use({ viewport: { width: 1024, height: 768 } });
  const server = ownServer(ownPort(3), { NELVIK_NAMES: 'bench.example', NELVIK_PASSCODE: 'lantern7' });

  test('by plain HTTP, after the passcode: marks are kept; a session ended elsewhere asks anew and loses nothing', async ({
    page,
    browser,
  }) => {
    // A name that browsers do not trust as they trust this computer's own: what is for HTTPS alone is not there.
    await page.goto(`http://bench.example:${ownPort(3)}${BENCH}`);
    expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
    await page.getByLabel('Studio passcode').fill('lantern7');
    await page.keyboard.press('Enter');
    await expect(counts(page)).toContainText('10 foiled · 20 in place');
    await mark(page, '21 in place');
    await expect(counts(page)).toContainText('9 foiled · 21 in place');
    const office = await browser.newPage();
    await office.goto(`${server.base}/setup`);
    await office.getByLabel('Studio passcode').fill('lantern7');
    await office.keyboard.press('Enter');
    const devices = office.getByRole('region', { name: 'Tablets and other devices' });
    await expect(devices.getByRole('img', { name: /^Code to scan/ })).toBeVisible();
    await devices.getByRole('button', { name: 'End', exact: true }).click();
    await expect(devices.getByRole('button', { name: 'End', exact: true })).toHaveCount(0);
    await mark(page, '22 in place');
    // The passcode is asked for again; the mark waits behind the door and goes once it is open.
    await page.getByLabel('Studio passcode').fill('lantern7');
    await page.keyboard.press('Enter');
    await expect(counts(page)).toContainText('8 foiled · 22 in place');
    await devices.getByRole('button', { name: 'Log out here' }).click();
    await expect(office.getByLabel('Studio passcode')).toBeVisible();
    await office.close();
  });
});

test('a browser that keeps nothing still works, and says that what waits would not outlive the page', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'localStorage', {
      get() {
        throw new DOMException('denied', 'SecurityError');
      },
    });
  });
  await page.goto(`${DEMO}${BENCH}`);
  await expect(counts(page)).toContainText('in place');
  await page.route('**/api/commands', (route) => route.abort());
  await mark(page, '27 in place');
  await expect(page.getByText(/1 step waits here .* Keep this page open: this browser keeps nothing\./)).toBeVisible();
  await page.getByRole('button', { name: 'Look at them' }).click();
  await page.getByRole('button', { name: 'Give up' }).click();
});
