import { expect, test, type Page } from '@playwright/test';
import { barriers } from './axe.ts';
import { choose } from './parts.ts';
import { DEMO } from './servers.ts';
import { boardOn, panelOf, piecesOn, pieceMark } from '../scripts/onBoard.ts';

const PLACES = [
  '/',
  '/jobs',
  '/jobs/job-tide',
  '/jobs?new=1',
  '/panels/heron/measure',
  '/panels/heron/cartoon',
  '/panels/heron/glass',
  '/panels/heron/layout',
  '/panels/heron/materials',
  '/panels/heron/finish?part=hold',
  '/panels/transom/finish?part=fit',
  '/panels/transom/finish?part=repair',
  '/panels/heron/bench',
  '/panels/tide-1/finish',
  '/panels/heron/hours',
  '/rack',
  '/rack/supplies',
  '/reckoning',
  '/setup',
  '/nowhere',
];

/** The desk, the tablet both ways, the phone. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 800, height: 1280 },
  { width: 390, height: 844 },
];

/** What is pressed or written in and lies under something else, so that it cannot be. */
function covered(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const inSight = (element: Element, x: number, y: number): boolean => {
      if (x < 0 || y < 0 || x >= window.innerWidth || y >= window.innerHeight) return false;
      for (let box = element.parentElement; box; box = box.parentElement) {
        if (getComputedStyle(box).overflow === 'visible') continue;
        const { left, top, right, bottom } = box.getBoundingClientRect();
        if (x < left || x > right || y < top || y > bottom) return false;
      }
      return true;
    };
    // A sheet that lies over the place is all there is until it is answered.
    const top = document.querySelector('[role="dialog"]') ?? document.body;
    return [...top.querySelectorAll('button, a[href], input, [role="combobox"]')].flatMap((element) => {
      // A link that runs over two lines is two boxes.
      const { left, top, width, height } = element.getClientRects()[0] ?? element.getBoundingClientRect();
      const [x, y] = [left + width / 2, top + height / 2];
      // What only readers of the screen hear is a pixel large.
      if (width < 4 || height < 4 || !inSight(element, x, y)) return [];
      const on = document.elementFromPoint(x, y);
      const isSame = on === null || element.contains(on) || on.contains(element) || on.closest('label') !== null;
      // Scrolled under the foot of its form it comes out again.
      if (on?.closest('.sticky')) return [];
      return isSame ? [] : [`${element.outerHTML.slice(0, 90)} under ${on.outerHTML.slice(0, 90)}`];
    });
  });
}

for (const place of PLACES) {
  test(`${place}: for everybody, whole and with nothing over another, at four sizes, by day and by lamplight`, async ({
    page,
  }) => {
    const wrong: string[] = [];
    page.on('pageerror', (error) => wrong.push(error.message));
    page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
    await page.goto(DEMO + place);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      const widest = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      if (widest > 0) wrong.push(`${size.width}: ${widest} px too wide`);
      // Once everything has taken its place in the new window.
      await expect.poll(() => covered(page), { message: `${size.width} px wide` }).toEqual([]);
      for (const theme of ['dark', 'light'] as const)
        wrong.push(...(await barriers(page, { theme })).map((what) => `${size.width} ${theme}: ${what}`));
    }
    expect(wrong).toEqual([]);
    expect(await page.title()).toMatch(/^.+ · Nelvik$/);
    // A sheet that lies over the place is all there is until it is answered.
    if ((await page.getByRole('dialog').count()) > 0) return;
    await expect(page.getByRole('main')).toHaveCount(1);
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    // What it is called stands in a few lines, not squeezed by what stands beside it.
    const title = await page.getByRole('heading', { level: 1 }).boundingBox();
    expect(title?.height).toBeLessThan(140);
  });
}

/** What is cut off for good: beyond a box that neither shows it nor scrolls to it. */
function outOfReach(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('button, a[href]:not([href^="#"]), input')].flatMap((element) => {
      const { left, top, right, bottom, width } = element.getBoundingClientRect();
      if (width < 4) return [];
      for (let box = element.parentElement; box; box = box.parentElement) {
        const { overflowX, overflowY } = getComputedStyle(box);
        if ([overflowX, overflowY].some((o) => o === 'auto' || o === 'scroll')) return [];
        const edge = box.getBoundingClientRect();
        // Of a name that is cut short enough has to be there to press.
        const across = Math.min(right, edge.right) - Math.max(left, edge.left);
        const down = Math.min(bottom, edge.bottom) - Math.max(top, edge.top);
        if (overflowY !== 'visible' && (across < 24 || down < 18)) return [element.outerHTML.slice(0, 120)];
      }
      return [];
    }),
  );
}

test('twice as large, as a browser makes it, everything can still be come to', async ({ page }) => {
  // A window of 1280 × 800 with everything at 200 %.
  await page.setViewportSize({ width: 640, height: 400 });
  for (const place of PLACES) {
    await page.goto(DEMO + place);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await expect.poll(() => covered(page), { message: place }).toEqual([]);
    expect([place, await outOfReach(page)]).toEqual([place, []]);
    const widest = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect([place, Math.max(0, widest)]).toEqual([place, 0]);
  }
});

test('bench targets are at least 44 px high', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  const board = boardOn(page);
  await (await pieceMark(board, 44)).click();
  const heights = await page
    .locator('main button, aside button, footer button, footer label')
    .evaluateAll((all) => all.map((e) => [e.textContent ?? '', e.getBoundingClientRect().height] as const));
  expect(heights.length).toBeGreaterThan(8);
  expect(heights.filter(([, h]) => h < 43.5)).toEqual([]);
});

test('the panel is drawn by its materials', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  const stages = (await panelOf(boardOn(page))).pieces.map((piece) => piece.stage);
  expect(stages).toHaveLength(107);
  for (const stage of ['to-cut', 'cut', 'ground', 'foiled', 'in-place'])
    expect(stages.filter((one) => one === stage).length).toBeGreaterThan(5);
  await page.getByRole('radio', { name: 'Back' }).click();
  await page.getByRole('radio', { name: 'Lit' }).click();
  await expect(page.getByRole('radio', { name: 'Lit' })).toHaveAttribute('data-state', 'on');
});

test('at the desk, glass that is cut already is told before anything is asked for', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/cartoon`);
  const tools = page.getByRole('toolbar', { name: 'Changes to the drawing' });
  await tools.getByRole('button', { name: 'Add a line', exact: true }).click();
  // From the left edge of the panel to the right: on the way there is glass in hand.
  const boxes = [...(await piecesOn(boardOn(page))).values()].map((piece) => piece.box);
  const [left, right] = [Math.min(...boxes.map((box) => box.x)), Math.max(...boxes.map((box) => box.x + box.width))];
  const y = (Math.min(...boxes.map((box) => box.y)) + Math.max(...boxes.map((box) => box.y + box.height))) / 2;
  for (const x of [left, right]) await page.mouse.click(x, y);
  await expect(page.getByText(/^Glass of .* is cut already; a line cannot go through it\.$/)).toBeVisible();
});

test('the server gone for a while: the step waits and is done once', async ({ page, context }) => {
  await page.goto(`${DEMO}/panels/lantern/bench`);
  await expect(page.getByTestId('counts')).toContainText('10 foiled · 20 in place');
  await context.setOffline(true);
  await page.getByLabel(/Tally line/).fill('21 in place');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Nelvik does not answer')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByTestId('counts')).toContainText('9 foiled · 21 in place');
  await page.getByRole('button', { name: /^Take back:/ }).click();
  await expect(page.getByTestId('counts')).toContainText('10 foiled · 20 in place');
});

test('what is done while the server is away outlives the page, goes in order, and counts once', async ({ page }) => {
  await page.goto(`${DEMO}/panels/lantern/bench`);
  const counts = page.getByTestId('counts');
  const line = page.getByLabel(/Tally line/);
  await expect(counts).toContainText('in place');
  const before = await counts.innerText();
  // Everything but the steps themselves is answered: as if the network were bad.
  await page.route('**/api/commands', (route) => route.abort());
  for (const text of ['28 in place', '29 in place', '30 in place']) {
    await line.fill(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText(/3 steps wait here and go off as soon as it does/)).toBeVisible();
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(page.getByText(/3 steps wait here/)).toBeVisible();
  await page.getByRole('button', { name: 'Look at them' }).click();
  const list = page.getByRole('dialog', { name: 'Steps on their way' });
  await expect(list.getByRole('listitem')).toHaveCount(3);
  await list.getByRole('listitem').filter({ hasText: '30 in place' }).getByRole('button', { name: 'Give up' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.unroute('**/api/commands');
  await expect(page.getByText('From before: 28 in place.')).toBeVisible();
  await expect(page.getByText('From before: 29 in place.')).toBeVisible();
  await expect(page.getByText(/wait here/)).toHaveCount(0);
  await expect(counts).not.toHaveText(before);
  const back = page.getByRole('button', { name: /^Take back:/ });
  await expect(back).toHaveAccessibleName('Take back: 29 in place');
  await back.click();
  await expect(back).toHaveAccessibleName('Take back: 28 in place');
  await back.click();
  await expect(counts).toHaveText(before);
});

test.describe('undo', () => {
  const back = (page: Page) => page.getByRole('button', { name: /^Take back:/ });
  const again = (page: Page) => page.getByRole('button', { name: /^Do again:/ });

  test('names what it takes back, keeps to its panel, and is in one place on every step', async ({ page }) => {
    await page.goto(`${DEMO}/panels/lantern/bench`);
    await expect(back(page)).toHaveAccessibleName('Take back: nothing of yours here');
    await page.getByLabel(/Tally line/).fill('22 in place');
    await page.keyboard.press('Enter');
    await expect(back(page)).toHaveAccessibleName('Take back: 22 in place');
    await page.goto(`${DEMO}/panels/heron/bench`);
    await expect(back(page)).toHaveAccessibleName('Take back: nothing of yours here');
    for (const step of ['measure', 'cartoon', 'glass', 'layout', 'bench', 'finish', 'hours']) {
      await page.goto(`${DEMO}/panels/lantern/${step}`);
      await expect(back(page)).toHaveAccessibleName('Take back: 22 in place');
    }
    await page.locator('body').press('Control+z');
    await expect(page.getByText('22 in place: taken back.')).toBeVisible();
    await expect(again(page)).toHaveAccessibleName('Do again: 22 in place');
    await page.locator('body').press('Control+Shift+Z');
    await expect(page.getByText('22 in place: done again.')).toBeVisible();
    // Where something is being written the keys are the field's own.
    await page.goto(`${DEMO}/panels/lantern/bench`);
    await page.getByLabel(/Tally line/).fill('23');
    await page.getByLabel(/Tally line/).press('Control+z');
    await expect(back(page)).toHaveAccessibleName('Take back: 22 in place');
    await back(page).click();
    await expect(back(page)).toHaveAccessibleName('Take back: nothing of yours here');
  });

  test('at the rack what was done at the rack, in setup what was set, and neither reaches the other', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/rack`);
    await page.getByRole('button', { name: 'Receive' }).click();
    await page.getByLabel('Label on it').fill('UNDO-1');
    await page.getByLabel('Wide').fill('300');
    await page.getByLabel('High').fill('200');
    await page.getByRole('button', { name: 'Put it on the rack' }).click();
    const sheet = page.getByRole('button', { name: /sheet UNDO-1,/ });
    await expect(sheet).toBeVisible();
    await page.goto(`${DEMO}/setup`);
    await expect(back(page)).toHaveAccessibleName('Take back: nothing of yours here');
    await choose(page, 'Lengths', 'inches with fractions');
    await expect(back(page)).toBeEnabled();
    await page.locator('body').press('Control+z');
    await expect(page.getByRole('combobox', { name: 'Lengths', exact: true })).toHaveText('millimetres');
    await expect(back(page)).toHaveAccessibleName('Take back: nothing of yours here');
    await page.goto(`${DEMO}/rack`);
    await expect(sheet).toBeVisible();
    await back(page).click();
    await expect(sheet).toHaveCount(0);
    await again(page).click();
    await expect(sheet).toBeVisible();
    await back(page).click();
    await expect(sheet).toHaveCount(0);
    await again(page).click();
    // Entered wrongly it is put right; what never came is taken out, and undo brings it back.
    await sheet.click();
    const card = page.getByRole('dialog', { name: 'Sheet UNDO-1' });
    await card.getByRole('button', { name: 'Correct what was entered' }).click();
    await card.getByLabel('Wide').fill('400');
    await card.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('button', { name: /sheet UNDO-1, 400 by 200/ })).toBeVisible();
    await sheet.click();
    await card.getByRole('button', { name: 'Correct what was entered' }).click();
    await card.getByRole('button', { name: 'It never came: take it out' }).click();
    await page.getByRole('alertdialog').getByRole('button', { name: 'Take it out' }).click();
    await expect(sheet).toHaveCount(0);
    await back(page).click();
    await expect(sheet).toBeVisible();
    for (const _ of [1, 2]) await back(page).click();
    await expect(sheet).toHaveCount(0);
  });

  test('one entry is taken back from the list; what rests on it keeps it', async ({ page }) => {
    await page.goto(`${DEMO}/panels/lantern/bench`);
    const line = page.getByLabel(/Tally line/);
    const done = async (text: string) => {
      await line.fill(text);
      await page.keyboard.press('Enter');
      await expect(page.getByRole('heading', { name: /^24/ })).toBeVisible();
      await boardOn(page).press('Escape');
    };
    const lately = page.getByRole('list', { name: 'Lately' }).getByRole('button');
    const take = async (words: string) => {
      await lately.filter({ hasText: words }).first().click();
      await page.getByRole('button', { name: 'Take this back' }).click();
    };
    await done('24 in place');
    await expect(lately.first()).toContainText('24 in place');
    await done('24 return other');
    await expect(lately.first()).toContainText('24 returned');
    await take('24 in place');
    await expect(
      page.getByText('Piece 24 has changed since, so nothing was done; take back first what came after.'),
    ).toBeVisible();
    await take('24 returned');
    await expect(page.getByText(/^24 returned.*: taken back\.$/)).toBeVisible();
    await take('24 in place');
    await expect(page.getByText('24 in place: taken back.')).toBeVisible();
  });
});

test('seven tabs of one browser share one line, and all of them stay in step', async ({ context }) => {
  const tabs = await Promise.all(Array.from({ length: 7 }, () => context.newPage()));
  for (const tab of tabs) {
    await tab.goto(`${DEMO}/panels/lantern/bench`);
    await expect(tab.getByTestId('counts')).toContainText('foiled');
  }
  const [first] = tabs;
  if (!first) throw new Error('no tab');
  const before = await first.getByTestId('counts').innerText();
  await first.getByLabel(/Tally line/).fill('26 in place');
  await first.keyboard.press('Enter');
  await expect(first.getByTestId('counts')).not.toHaveText(before);
  const after = await first.getByTestId('counts').innerText();
  for (const tab of tabs) await expect(tab.getByTestId('counts')).toHaveText(after);
  // A tab that is closed takes nothing away from the others.
  await first.close();
  const [, second, third] = tabs;
  if (!second || !third) throw new Error('no tab');
  await second.getByRole('button', { name: /^Take back:/ }).click();
  await expect(third.getByTestId('counts')).toHaveText(before);
  // Who works is said once for all of them.
  await second.getByRole('button', { name: /Who works\?/ }).click();
  await second.getByRole('menuitem', { name: 'Morven' }).click();
  for (const tab of [second, third]) await expect(tab.getByRole('button', { name: /^M\s?Morven$/ })).toBeVisible();
});
