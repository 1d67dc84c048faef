import { expect, test } from '@playwright/test';
import { ownDemo } from './ownServer.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

test.describe('Called across the room', () => {
  const studio = ownDemo();

  test('a line is finished by Tab, called again by arrow up, and what is wrong in it is picked', async ({ page }) => {
    await page.goto(`${studio.base}/panels/heron/bench`);
    const line = page.getByRole('textbox', { name: /^Tally line/ });
    await line.fill('12 gro');
    await line.press('Tab');
    await expect(line).toHaveValue('12 ground ');
    await line.fill('12-18 9-3 cut');
    await line.press('Enter');
    expect(
      await line.evaluate((one: HTMLInputElement) => one.value.slice(one.selectionStart ?? 0, one.selectionEnd ?? 0)),
    ).toBe('9-3');
    await line.fill('12 note a seed at its edge by the way');
    await expect(page.getByTestId('effect')).toHaveText('is noted');
    await line.press('Enter');
    await expect(line).toHaveValue('');
    await line.press('ArrowUp');
    await expect(line).toHaveValue('12 note a seed at its edge by the way');
    await line.press('ArrowDown');
    await expect(line).toHaveValue('');
    await line.fill('undo 1');
    await line.press('Enter');
    await expect(page.getByText(/taken back/).first()).toBeVisible();
  });

  test('who did it is said in the line; a wait stands on Today with its name until somebody has seen it', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/heron/bench`);
    const line = page.getByRole('textbox', { name: /^Tally line/ });
    await line.fill('3 wait glue 6 h by Zed');
    await expect(page.getByTestId('effect')).toHaveText('Nobody here is called “Zed”.');
    await line.fill('3 wait glue 6 h by Morven');
    await expect(page.getByTestId('effect')).toHaveText('piece 3 waits 6 h: glue · by Morven');
    await line.press('Enter');
    await expect(line).toHaveValue('');
    await page.goto(studio.base);
    await expect(page.getByText(/glue, .*, 3 · till/)).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Wait no longer: glue' }).click();
    await expect(page.getByText(/glue, .*, 3 · till/)).toHaveCount(0);
  });

  test('a reason of the studio’s own is known by the line, and counted in the reckoning', async ({ page }) => {
    await page.goto(`${studio.base}/setup`);
    await page.getByLabel('A reason of your own').fill('chipped');
    await page.getByRole('region', { name: 'Reasons for a break' }).getByRole('button', { name: 'One more' }).click();
    await expect(page.getByText('That is among the reasons already.')).toBeVisible();
    await page.getByLabel('A reason of your own').fill('kiln door jarred');
    await page.getByRole('region', { name: 'Reasons for a break' }).getByRole('button', { name: 'One more' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'kiln door jarred' })).toBeVisible();
    await page.goto(`${studio.base}/panels/heron/bench`);
    const line = page.getByRole('textbox', { name: /^Tally line/ });
    await line.fill('21 broke kiln');
    await line.press('Enter');
    await expect(line).toHaveValue('');
    await page.goto(`${studio.base}/reckoning`);
    await expect(page.getByText('kiln door jarred').first()).toBeVisible();
    await page.getByRole('combobox', { name: 'By' }).click();
    await page.getByRole('option', { name: 'how hard it is to cut' }).click();
    await expect(page.getByText(/^difficulty \d of 5/).first()).toBeVisible();
  });

  test('a break has its photo, kept with the piece', async ({ page }) => {
    await page.goto(`${studio.base}/panels/heron/bench`);
    await (await pieceMark(boardOn(page), 44)).click();
    await page.getByRole('button', { name: 'Broke …' }).click();
    const shot = await page.screenshot({ clip: { x: 0, y: 0, width: 320, height: 200 } });
    await page
      .getByLabel('A photo of it …')
      .setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no') });
    await expect(page.getByRole('alert')).toHaveText(/no picture that can be read/);
    await page.getByLabel('A photo of it …').setInputFiles({ name: 'broke.png', mimeType: 'image/png', buffer: shot });
    await expect(page.getByText('Photo: broke.png')).toBeVisible();
    await page.getByRole('button', { name: 'Broke: to be cut again' }).click();
    await page.getByRole('button', { name: /^Notes and photos/ }).click();
    await expect(page.getByRole('img', { name: 'how it broke' })).toBeVisible();
  });

  test('the hours of a day are looked at and signed; changed afterwards, the sheet says so', async ({ page }) => {
    await page.goto(`${studio.base}/reckoning`);
    const sheet = page.getByRole('region', { name: 'Day sheet' });
    // Back to a day with finished hours: soon after midnight a clock may still run from the day before.
    const sign = sheet.getByRole('button', { name: /^Sign the hours of/, disabled: false });
    for (let i = 0; i < 40; i++) {
      await expect(sheet.getByText(/^Nobody’s hours/).or(sheet.getByRole('article').first())).toBeVisible();
      if ((await sign.count()) > 0) break;
      await sheet.getByRole('button', { name: 'The day before' }).click();
    }
    await sign.first().click();
    await expect(sheet.getByText(/^Signed/).first()).toBeVisible();
  });

  test('a came is marked as cut, another goes through at a joint, a tray is handed on', async ({ page }) => {
    await page.goto(`${studio.base}/panels/tide-3/bench`);
    await page.getByRole('button', { name: 'Leading order' }).click();
    const sheet = page.getByRole('complementary', { name: 'Leading order' });
    await expect(sheet.getByText(/^Step \d+ of/).first()).toBeVisible();
    await sheet.getByRole('button', { name: 'What to cut' }).click();
    const came = sheet.getByRole('list', { name: 'Lengths of came' }).getByRole('button').first();
    await came.click();
    await expect(came).toHaveAttribute('aria-pressed', 'true');
    await page.reload();
    await page.getByRole('button', { name: 'Leading order' }).click();
    await sheet.getByRole('button', { name: 'What to cut' }).click();
    await expect(
      sheet.getByRole('list', { name: 'Lengths of came' }).getByRole('button', { pressed: true }),
    ).toHaveCount(1);
  });
});
