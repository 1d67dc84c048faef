import { expect, test, type Page } from '@playwright/test';
import type * as PdfReader from 'pdfjs-dist';
import { DEMO } from './servers.ts';

/** A page of a PDF printed to a picture by another program: how long its longest dark row near the foot is, px. */
async function longestRow(page: Page, pdf: string, pxPerMm: number): Promise<number> {
  await page.route('**/pdfjs/*', (route) => {
    const name = route.request().url().split('/').at(-1) ?? '';
    return route.fulfill({ path: `node_modules/pdfjs-dist/build/${name}`, contentType: 'text/javascript' });
  });
  return page.evaluate(
    async ([address, scale]) => {
      const library = '/pdfjs/pdf.min.mjs';
      const reader = (await import(/* @vite-ignore */ library)) as typeof PdfReader;
      reader.GlobalWorkerOptions.workerSrc = '/pdfjs/pdf.worker.min.mjs';
      const document_ = await reader.getDocument({ url: address }).promise;
      const first = await document_.getPage(1);
      const viewport = first.getViewport({ scale: (scale * 25.4) / 72 });
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [viewport.width, viewport.height];
      await first.render({ canvas, viewport }).promise;
      const data = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data;
      if (!data) return 0;
      let longest = 0;
      for (let y = Math.round(canvas.height * 0.93); y < canvas.height; y++) {
        let run = 0;
        for (let x = 0; x < canvas.width; x++) {
          run = (data[4 * (y * canvas.width + x)] ?? 255) < 160 ? run + 1 : 0;
          longest = Math.max(longest, run);
        }
      }
      return longest;
    },
    [pdf, pxPerMm] as const,
  );
}

test.describe('Papers', () => {
  test('the cartoon is looked at as it will be printed, and its PDF prints a bar of 100 mm', async ({ page }) => {
    await page.goto(`${DEMO}/panels/heron/papers`);
    const pages = page.getByRole('list', { name: 'Full-size cartoon' }).getByRole('listitem');
    await expect(pages).toHaveCount(9);
    await page.getByRole('button', { name: 'B2, large' }).click();
    await expect(page.getByRole('img', { name: 'Full-size cartoon, B2' })).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('img', { name: 'Full-size cartoon, C2' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(pages).toHaveCount(9);

    const link = page.getByRole('link', { name: 'Save as PDF' });
    const [saved] = await Promise.all([page.waitForEvent('download'), link.click()]);
    expect(saved.suggestedFilename()).toBe('Heron at low water full-size cartoon.pdf');
    const pxPerMm = 8;
    const row = await longestRow(page, (await link.getAttribute('href')) ?? '', pxPerMm);
    // Its ends are round: half a line longer at both.
    expect(Math.abs(row - (100 + 0.35) * pxPerMm)).toBeLessThanOrEqual(2);
  });

  test('each paper has its pages; what there is nothing of says why', async ({ page }) => {
    await page.goto(`${DEMO}/panels/fanlight/papers`);
    for (const name of [
      'Patterns',
      'Leading plan',
      'What it takes',
      'Bench card',
      'Labels',
      'Care card',
      'Everything',
    ]) {
      await page.getByRole('radio', { name: new RegExp(name) }).click();
      await expect(page.getByRole('list', { name })).toBeVisible();
      await expect(page.getByRole('status').filter({ hasText: /page/ })).toBeVisible();
    }
    await page.getByRole('radio', { name: /Sheets to cut/ }).click();
    await expect(page.getByText('Nothing is laid out and still to be cut.')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Save as PDF' })).toHaveCount(0);
    // Copper foil has no leading plan.
    await page.goto(`${DEMO}/panels/heron/papers`);
    await expect(page.getByRole('radio', { name: /Leading plan/ })).toHaveCount(0);
  });

  test('what is a table goes out as one', async ({ page, request }) => {
    await page.goto(`${DEMO}/panels/fanlight/papers`);
    for (const [name, file, first] of [
      ['Leading plan', 'Half-round leading plan.csv', 'came,step,piece,length mm,border,ends'],
      ['What it takes', 'Half-round what it takes.csv', 'what,needed,on the rack,to buy,cost'],
      ['Labels', 'Half-round labels.csv', 'number,glass,section,flow deg'],
    ] as const) {
      await page.getByRole('radio', { name: new RegExp(name) }).click();
      await expect(page.getByRole('list', { name })).toBeVisible();
      const link = page.getByRole('link', { name: 'CSV' });
      const [saved] = await Promise.all([page.waitForEvent('download'), link.click()]);
      expect(saved.suggestedFilename()).toBe(file);
      const text = await (await request.get(`${DEMO}${await link.getAttribute('href')}`)).text();
      expect(text.startsWith(first)).toBe(true);
      expect(text.split('\n').length).toBeGreaterThan(4);
    }
    expect((await request.get(`${DEMO}/api/panels/fanlight/papers/care/csv`)).status()).toBe(400);
  });

  test('cut outlines go out as SVG and DXF', async ({ page }) => {
    await page.goto(`${DEMO}/panels/heron/papers`);
    await page.getByRole('button', { name: 'For a plotter or paper cutter' }).click();
    for (const format of ['SVG', 'DXF']) {
      const [saved] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: `Save as ${format}` }).click(),
      ]);
      expect(saved.suggestedFilename()).toBe(`Heron at low water outlines.${format.toLowerCase()}`);
    }
  });

  test('another size of paper or none is refused in a sentence', async ({ request }) => {
    const answer = await request.get(`${DEMO}/api/panels/heron/papers/cartoon?paper=A0`);
    expect(answer.status()).toBe(400);
    expect(((await answer.json()) as { words: string }).words).toBe(
      'There is no such paper, or no such size of paper.',
    );
    expect((await request.get(`${DEMO}/api/panels/none/papers/cartoon`)).status()).toBe(404);
  });
});
