import { expect, test, type Page } from '@playwright/test';
import type { PanelAnswer } from '#contract';
import { barriers } from './axe.ts';
import { dragByKeys } from './dragByKeys.ts';
import { DEMO } from './servers.ts';
import { boardOn } from '../scripts/onBoard.ts';

const panel = async (page: Page): Promise<PanelAnswer> =>
  (await (await page.request.get(`${DEMO}/api/panels/tide-3`)).json()) as PanelAnswer;

test.describe('a leaded panel is built step by step', () => {
  test('border first, then piece and came; a piece is said to be leaded, and taken back', async ({ page }) => {
    await page.goto(`${DEMO}/panels/tide-3/bench`);
    await page.getByRole('button', { name: 'Leading order' }).click();
    const sheet = page.getByRole('complementary', { name: 'Leading order' });
    await expect(sheet.getByText('Border', { exact: true })).toBeVisible();
    await expect(sheet.getByText(/both ends mitred at 45°/).first()).toBeVisible();
    await sheet.getByRole('button', { name: 'Next' }).click();
    const leaded = sheet.getByRole('button', { name: /is leaded$/ });
    const number = Number((await leaded.innerText()).split(' ')[0]);
    const stage = async () => (await panel(page)).pieces.find((p) => p.number === number)?.stage;
    const before = await stage();
    await leaded.click();
    await expect.poll(stage).toBe('leaded');
    await expect(sheet.getByText('Step 3 of 34')).toBeVisible();
    await sheet.getByRole('button', { name: 'What to cut' }).click();
    await expect(sheet.getByRole('list', { name: 'Lengths of came' }).getByRole('listitem').first()).toBeVisible();
    for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme })).toEqual([]);
    await page.getByRole('button', { name: /^Take back: / }).click();
    await expect.poll(stage).toBe(before);
  });

  test('from another corner the other sides of the border come first', async ({ page }) => {
    await page.goto(`${DEMO}/panels/tide-3/bench`);
    await page.getByRole('button', { name: 'Leading order' }).click();
    const sheet = page.getByRole('complementary', { name: 'Leading order' });
    const cames = sheet.getByRole('listitem').filter({ hasText: 'mitred' });
    await expect(cames).toHaveCount(2);
    const first = await cames.allInnerTexts();
    await sheet.getByRole('combobox', { name: 'Built from' }).click();
    await page.getByRole('option', { name: 'top right' }).click();
    await expect.poll(async () => (await cames.allInnerTexts()).join()).not.toBe(first.join());
    await expect(cames).toHaveCount(2);
  });

  test('the order is dragged by keys; what it breaks is told, it outlives a reload, and the best one comes back', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/panels/fanlight/bench`);
    await page.getByRole('button', { name: 'Leading order' }).click();
    const sheet = page.getByRole('complementary', { name: 'Leading order' });
    await sheet.getByRole('button', { name: 'In another order' }).click();
    const order = sheet.getByRole('list', { name: 'Order of pieces' });
    const second = await order.getByRole('listitem').nth(1).locator('b').innerText();
    const grip = order.getByRole('button', { name: new RegExp(`^Move piece ${second},`) });
    await dragByKeys(page, grip, 'ArrowDown', 5);
    const costs = sheet.getByRole('region', { name: 'What this order costs' });
    await expect(costs).toContainText('It takes 1 came more than the best order.');
    // The list stays open, with the piece where it was put.
    await expect(order.getByRole('button', { name: `Move piece ${second}, 7 of the order` })).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Leading order', exact: true }).click();
    await expect(costs).toContainText('Laid in the order that was set by hand.');
    await costs.getByRole('button', { name: 'Lay them in the best order again' }).click();
    await expect(costs).toHaveCount(0);
  });

  test('a corner is butted by a tap from its list: one came across it, the other up to it', async ({ page }) => {
    await page.goto(`${DEMO}/panels/tide-3/bench`);
    await page.getByRole('button', { name: 'Leading order' }).click();
    const sheet = page.getByRole('complementary', { name: 'Leading order' });
    await expect(sheet.getByText(/mitred at 45°/).first()).toBeVisible();
    await sheet.getByRole('button', { name: 'Next' }).click();
    await sheet.getByRole('button', { name: 'How cames meet here' }).click();
    await sheet.getByRole('button', { name: 'Otherwise where 28, 32 meet' }).click();
    await sheet.getByRole('button', { name: 'Back' }).click();
    await expect(sheet.getByText(/across the corner, cut square/).first()).toBeVisible();
    await page.getByRole('button', { name: /^Take back: / }).click();
    await expect(sheet.getByText(/across the corner/)).toHaveCount(0);
  });
});

test('what a panel takes has a step of its own: foil or came, solder by alloy, weight', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/materials`);
  const takes = page.getByRole('region', { name: 'What it takes' });
  await expect(takes.getByText(/^Foil .*: \d+\.\d m$/)).toBeVisible();
  await expect(takes.getByText(/melts from 183 to 190 °C/)).toBeVisible();
  await takes.getByRole('combobox', { name: 'Solder' }).click();
  await page.getByRole('option', { name: '63/37' }).click();
  await expect(takes.getByText(/melts at 183 °C/)).toBeVisible();
  await page.goto(`${DEMO}/panels/tide-1/materials`);
  await expect(takes.getByText(/^Came H6: \d+\.\d+ m$/)).toBeVisible();
  await expect(takes.getByText(/by your own figure, \d+ % of the usual/)).toBeVisible();
  for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme })).toEqual([]);
});

test('a foiled panel is laid out step by step: what is tacked when, what holds it square', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/bench`);
  await page.getByRole('button', { name: 'Laying out', exact: true }).click();
  const sheet = page.getByRole('complementary', { name: 'Laying out' });
  await expect(sheet.getByText(/^Nail two strips first, along .* square to each other\.$/)).toBeVisible();
  await expect(sheet.getByText(/^Before tacking measure both diagonals: 765/)).toBeVisible();
  const slider = sheet.getByRole('slider', { name: 'Piece' });
  await slider.focus();
  await page.keyboard.press('End');
  await expect(sheet.getByText('Piece 107 of 107')).toBeVisible();
  await expect(sheet.getByRole('list', { name: 'To tack now' }).getByRole('listitem').first()).toContainText(
    /^Tack by /,
  );
  await sheet.getByRole('button', { name: 'Tacking list' }).click();
  await expect(sheet.getByText(/^\d+ junctions$/)).toBeVisible();
  for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme })).toEqual([]);
  // One that is foiled is laid, and the next comes up.
  await page.keyboard.press('Escape');
  const foiled = async () =>
    ((await (await page.request.get(`${DEMO}/api/panels/heron`)).json()) as PanelAnswer).pieces.flatMap((piece) =>
      piece.stage === 'foiled' ? piece.number : [],
    );
  const before = await foiled();
  await slider.focus();
  await page.keyboard.press('Home');
  const place = sheet.getByRole('button', { name: /^\d+ is in place$/ });
  for (let i = 0; i < 107; i++) {
    if ((await place.count()) > 0 && before.includes(Number((await place.innerText()).split(' ')[0]))) break;
    await page.keyboard.press('ArrowRight');
  }
  await place.click();
  await expect.poll(async () => (await foiled()).length).toBe(before.length - 1);
  await page.getByRole('button', { name: /^Take back: / }).click();
  await expect.poll(async () => (await foiled()).length).toBe(before.length);
});

test('joints within a lasso are ticked together on the bench, and one undo opens them again', async ({ page }) => {
  const open = async () => {
    const { joints } = (await (await page.request.get(`${DEMO}/api/panels/tide-1`)).json()) as PanelAnswer;
    return joints.filter((joint) => joint.backAt === null).length;
  };
  const before = await open();
  expect(before).toBeGreaterThan(1);
  await page.goto(`${DEMO}/panels/tide-1/bench`);
  await page.getByRole('radio', { name: 'Joints' }).click();
  await page.getByRole('button', { name: 'Lasso' }).click();
  const box = await boardOn(page).boundingBox();
  if (!box) throw new Error('no board');
  const [left, top] = [box.x + 4, box.y + 4];
  const [right, bottom] = [box.x + box.width - 4, box.y + box.height - 4];
  await page.mouse.move(left, top);
  await page.mouse.down();
  for (const [x, y] of [
    [right, top],
    [right, bottom],
    [left, bottom],
    [left, top + 2],
  ] as const)
    await page.mouse.move(x, y, { steps: 4 });
  await page.mouse.up();
  await expect.poll(open).toBe(0);
  await page.getByRole('button', { name: /^Take back: / }).click();
  await expect.poll(open).toBe(before);
});
