import { expect, test, type Page } from '@playwright/test';
import { ownDemo } from './ownServer.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

/** A small picture, made in the page. */
const picture = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [320, 200];
    const pen = canvas.getContext('2d');
    if (pen) {
      pen.fillStyle = 'rgb(40, 90, 160)';
      pen.fillRect(0, 0, 320, 200);
    }
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  });

test.describe('Notes and photos', () => {
  const studio = ownDemo();

  test('a photo of a piece waits while the studio is away, comes through whole, and goes with undo', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/heron/bench`);
    await (await pieceMark(boardOn(page), 12)).click();
    await page.getByRole('button', { name: 'Notes and photos' }).click();
    const buffer = Buffer.from(await picture(page), 'base64');
    await studio.kill();
    await page.getByLabel('Note on piece 12').fill('a seed at its edge');
    await page.getByLabel('Photo …').setInputFiles({ name: 'seed.png', mimeType: 'image/png', buffer });
    await expect(page.getByText(/1 step/).first()).toBeVisible();
    // The page itself may go meanwhile.
    await studio.start();
    const list = page.getByRole('list', { name: 'Notes on piece 12' });
    await expect(list.getByText('a seed at its edge')).toBeVisible();
    const image = list.getByRole('img', { name: 'a seed at its edge' });
    await expect
      .poll(() => image.evaluate((one: HTMLImageElement) => [one.naturalWidth, one.naturalHeight]))
      .toEqual([320, 200]);
    await page.getByRole('group', { name: 'Undo' }).getByRole('button').first().click();
    await expect(list).toHaveCount(0);
  });

  test('a file that is no picture is refused in a sentence; notes on a job, a sheet, a glass are kept', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/jobs`);
    await page
      .getByRole('link', { name: /Heron at low water/ })
      .first()
      .click();
    await page
      .getByLabel('Photo …')
      .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no') });
    await expect(page.getByRole('alert')).toHaveText('This file is no picture that can be read; bring a JPEG or PNG.');
    await page.getByLabel('Note on the job').fill('the client likes it paler');
    await page.getByRole('button', { name: 'Keep the note' }).click();
    await expect(page.getByRole('list', { name: 'Notes on the job' })).toContainText('the client likes it paler');
    await page.getByRole('button', { name: /^Take away/ }).click();
    await expect(page.getByRole('list', { name: 'Notes on the job' })).toHaveCount(0);
  });
});
