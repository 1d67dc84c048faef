import { expect, test } from '@playwright/test';
import type { PanelAnswer } from '#contract';
import { ownDemo } from './ownServer.ts';
import { pieceMark } from '../scripts/onBoard.ts';

test.describe('Wet hands', () => {
  const studio = ownDemo();

  for (const [how, width, height] of [
    ['lying', 1024, 768],
    ['standing', 800, 1280],
  ] as const)
    test(`the tablet ${how}: the next piece is called, done by one press, skipped, broken, taken back`, async ({
      browser,
    }) => {
      const page = await (await browser.newContext({ viewport: { width, height }, hasTouch: true })).newPage();
      const stageOf = async (number: string) =>
        ((await (await page.request.get(`${studio.base}/api/panels/heron`)).json()) as PanelAnswer).pieces.find(
          (piece) => String(piece.number) === number,
        )?.stage;
      await page.goto(`${studio.base}/panels/heron/bench`);
      await page.getByRole('button', { name: 'For wet hands' }).tap();
      const called = page.getByRole('region', { name: 'Called out' });
      const number = called.locator('p').first();
      // Every button is large enough for a wet thumb, and all are in sight.
      for (const button of await called.getByRole('button').all()) {
        const box = await button.boundingBox();
        expect(box?.height).toBeGreaterThanOrEqual(56);
        expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(height);
      }
      const first = await number.innerText();
      const before = await stageOf(first);
      await called.getByRole('button', { name: new RegExp(`^${first} `) }).tap();
      await expect.poll(() => stageOf(first)).not.toBe(before);
      await called.getByRole('button', { name: 'Undo' }).tap();
      await expect.poll(() => stageOf(first)).toBe(before);
      const board = page.getByRole('dialog').getByTestId('board');
      await (await pieceMark(board, 60)).tap();
      await expect(number).toHaveText('60');
      await called.getByRole('button', { name: 'Broke' }).tap();
      await called.getByRole('button', { name: /dropped/ }).tap();
      await expect.poll(() => stageOf('60')).toBe('to-cut');
      await called.getByRole('button', { name: 'Undo' }).tap();
      await expect.poll(() => stageOf('60')).not.toBe('to-cut');
      const now = await number.innerText();
      await called.getByRole('button', { name: 'Another' }).tap();
      if (now !== first) await expect(number).not.toHaveText(now);
      await called.getByRole('button', { name: 'Dry again' }).tap();
      await expect(page.getByLabel(/Tally line/)).toBeVisible();
      await page.context().close();
    });
});
