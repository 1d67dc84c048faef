import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { choose } from './parts.ts';
import { DEMO } from './servers.ts';
import { boardOn, pieceOn, pieceMark } from '../scripts/onBoard.ts';

// What is painted is looked at here: as many dots as the screen has.
test.use({ deviceScaleFactor: 1 });

const painted = (page: Page) => page.locator('[data-painted="sharp"]').first();

/** A reading, once it stays the same: a glass has its plain colour until its tile is there. */
async function settled(read: () => Promise<number>): Promise<number> {
  let last = Number.NaN;
  const isStill = async () => {
    const now = await read();
    const same = now === last;
    last = now;
    return same;
  };
  await expect.poll(isStill, { intervals: [600] }).toBe(true);
  return last;
}

/** What a picture shows, read by the browser itself: its size, the mean of its colours, how many there are. */
const seen = (page: Page, png: Buffer) =>
  page.evaluate(async (base64) => {
    const bytes = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
    const bitmap = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
    const { width, height } = bitmap;
    const pen = new OffscreenCanvas(width, height).getContext('2d');
    if (!pen) throw new Error('nothing to draw on');
    pen.drawImage(bitmap, 0, 0);
    const { data } = pen.getImageData(0, 0, width, height);
    const sums = [0, 0, 0];
    const colours = new Set<string>();
    let least = 255;
    for (let i = 0; i < data.length; i += 4) {
      for (let c = 0; c < 3; c++) sums[c] = (sums[c] ?? 0) + (data[i + c] ?? 0);
      least = Math.min(least, data[i + 3] ?? 0);
      if (i % 388 === 0) colours.add(data.slice(i, i + 3).join());
    }
    const [red = 0, green = 0, blue = 0] = sums.map((sum) => (4 * sum) / data.length);
    return { width, height, red, green, blue, colours: colours.size, leastAlpha: least };
  }, png.toString('base64'));

async function pressPiece(page: Page, piece: number) {
  const board = boardOn(page);
  await (await pieceMark(board, piece)).click();
}

/** The colour of the board at a piece as it is on the screen: a patch beside its number. */
async function colourAt(page: Page, piece: number) {
  const { box } = await pieceOn(boardOn(page), piece);
  const clip = { x: box.x + box.width * 0.25, y: box.y + box.height * 0.2, width: 8, height: 6 };
  return seen(page, await page.screenshot({ clip }));
}

test('the panel is seen in its glass, by day and by lamp, and a second light stands beside the first', async ({
  page,
}) => {
  await page.goto(`${DEMO}/panels/heron/glass`);
  await page.getByRole('button', { name: 'Lit', exact: true }).click();
  const blueness = async () => {
    const { red, blue } = await colourAt(page, 2);
    return blue / red;
  };
  await expect.poll(blueness).toBeGreaterThan(1.1);
  await painted(page).waitFor();
  const day = await blueness();
  await choose(page, 'Light', 'lamp inside');
  await expect.poll(blueness).toBeLessThan(0.9 * day);
  const lamp = await settled(blueness);
  await choose(page, 'Beside it', 'light table');
  const slider = page.getByRole('slider', { name: 'Where lamp inside ends and light table begins' });
  await slider.focus();
  await page.keyboard.press('Home');
  await expect.poll(blueness).toBeGreaterThan(1.1 * lamp);
  await page.keyboard.press('End');
  await expect.poll(blueness).toBeLessThan(1.05 * lamp);
});

test('two choices of glass stand beside each other, and a kept one is taken again', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/glass`);
  await page.getByRole('button', { name: 'Choices by name' }).click();
  await page.getByLabel('Keep the present one as').fill('Blue sky');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  const choices = page.getByRole('list', { name: 'Choices by name' });
  await expect(choices).toContainText('Blue sky');
  // Another glass for piece 4, which stands on the right: there the kept choice shows once it is beside.
  await pressPiece(page, 4);
  await page.getByRole('list', { name: 'Glasses on the rack' }).getByRole('button', { name: /^A-03/ }).click();
  await page.getByRole('button', { name: 'Lit', exact: true }).click();
  const blueness = async () => {
    const { red, blue } = await colourAt(page, 4);
    return blue / red;
  };
  await expect.poll(blueness).toBeLessThan(0.7);
  await choices.getByRole('button', { name: 'Beside it' }).click();
  await expect.poll(blueness).toBeGreaterThan(1.1);
  await expect(page.getByRole('slider', { name: /this choice ends and Blue sky begins/ })).toBeVisible();
  await choices.getByRole('button', { name: 'Beside it' }).click();
  await expect.poll(blueness).toBeLessThan(0.7);
  await choices.getByRole('button', { name: 'Take it' }).click();
  await expect.poll(blueness).toBeGreaterThan(1.1);
  await choices.getByRole('button', { name: 'Give up' }).click();
  await expect(choices.getByRole('listitem')).toHaveCount(0);
});

test('a picture for the client is large, and shows the panel with the room round it', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  await page.getByRole('radio', { name: 'Lit' }).click();
  await painted(page).waitFor();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a picture' }).click();
  const file = await coming;
  expect(file.suggestedFilename()).toBe('Heron at low water, clear day.png');
  const picture = await seen(page, readFileSync(await file.path()));
  expect(picture.height).toBeGreaterThanOrEqual(2000);
  expect(picture.width).toBeGreaterThan(picture.height * 0.5);
  expect(picture.leastAlpha).toBe(255);
  expect(picture.colours).toBeGreaterThan(500);
});

test('another glass changes the picture of its piece alone, and undo brings it back', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/glass`);
  await painted(page).waitFor();
  const [before, neighbour] = [await colourAt(page, 1), await colourAt(page, 26)];
  expect(before.blue).toBeGreaterThan(before.red);
  await pressPiece(page, 1);
  await page.getByRole('button', { name: /A-03/ }).first().click();
  await expect.poll(async () => (await colourAt(page, 1)).blue).toBeLessThan(before.red * 0.8);
  expect(await colourAt(page, 26)).toEqual(neighbour);
  await page.getByRole('group', { name: 'Undo' }).getByRole('button').first().click();
  await expect.poll(async () => (await colourAt(page, 1)).blue).toBeGreaterThan(before.blue - 12);
});

test('a print is drawn in lines, the screen is not', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  const lines = boardOn(page).locator('path[d]');
  await boardOn(page).waitFor();
  expect(await lines.count()).toBeLessThan(20);
  await page.emulateMedia({ media: 'print' });
  await expect.poll(() => lines.count()).toBeGreaterThan(100);
  // It stands on the page as large as a sheet of paper has room for it, and glass is on it where the sun is.
  const sheet = await boardOn(page).boundingBox();
  expect(sheet?.height).toBeGreaterThan(500);
  const sun = await colourAt(page, 19);
  expect(sun.red).toBeGreaterThan(sun.blue + 60);
  await page.emulateMedia({ media: 'screen' });
  await expect.poll(() => lines.count()).toBeLessThan(20);
});

test('held upright, the tools of the light lie under nothing', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1280 });
  await page.goto(`${DEMO}/panels/heron/glass`);
  await page.getByRole('button', { name: 'Lit', exact: true }).click();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a picture' }).click();
  await coming;
  await page.getByRole('switch', { name: 'Room lit' }).click();
  await expect(page.getByRole('switch', { name: 'Room lit' })).toBeChecked();
});

test('a painter that breaks is replaced, and the panel is seen again', async ({ page }) => {
  // The first painter ends with an error as soon as it has been asked for something.
  let begun = 0;
  await page.route('**/material.worker*', async (route) => {
    begun++;
    if (begun > 1) return route.continue();
    await route.fulfill({ contentType: 'text/javascript', body: "onmessage = () => { throw new Error('broken'); };" });
  });
  await page.goto(`${DEMO}/panels/heron/bench`);
  await painted(page).waitFor();
  expect(begun).toBeGreaterThan(1);
});

test('closer by, it is painted anew and sharp for what is in view, and numbers keep their size', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  await painted(page).waitFor();
  const layers = page.locator('[data-painted] canvas');
  await expect(layers.nth(1)).toBeHidden();
  await page.getByRole('button', { name: 'Closer' }).click();
  await page.getByRole('button', { name: 'Closer' }).click();
  await page.getByRole('button', { name: 'Closer' }).click();
  await expect(layers.nth(1)).toBeVisible();
  const dotsPerPixel = () =>
    layers.evaluateAll((all) => all.map((e) => (e as HTMLCanvasElement).width / e.getBoundingClientRect().width));
  // As many dots as pixels where one looks, once the board is at rest; fewer in what lies under it.
  await expect.poll(async () => (await dotsPerPixel())[1]).toBeCloseTo(1, 1);
  expect((await dotsPerPixel())[0]).toBeLessThan(0.5);
  // What is under the pointer is still found by it.
  await pressPiece(page, 49);
  await expect(page.getByRole('heading', { name: '49' })).toBeVisible();
});
