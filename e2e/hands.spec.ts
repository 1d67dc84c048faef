import { readFile } from 'node:fs/promises';
import { setTimeout } from 'node:timers/promises';
import { expect, test, type Page } from '@playwright/test';
import { ownDemo } from './ownServer.ts';
import { DEMO } from './servers.ts';
import { boardOn, pieceOn, piecesOn, pieceMark } from '../scripts/onBoard.ts';

const HERON = `${DEMO}/panels/heron`;

const middleOf = async (page: Page, piece: number): Promise<[number, number]> => {
  const [x, y] = (await pieceOn(boardOn(page), piece)).at;
  return [x, y];
};
const selected = (page: Page) =>
  page
    .locator('[data-selected]')
    .evaluateAll((all) => all.map((e) => Number(e.getAttribute('data-selected'))).sort((a, b) => a - b));
const bench = async (page: Page) => {
  await page.goto(`${HERON}/bench`);
  await expect(boardOn(page)).toBeVisible();
};

test('the first Tab leads past the rail to the work', async ({ page }) => {
  await page.goto(`${DEMO}/rack`);
  await expect(page.getByRole('heading', { name: 'Rack' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#work')).toBeFocused();
});

test('what a link leads to is asked for while a hand is at it, before it is pressed', async ({ page }) => {
  await page.goto(`${DEMO}/`);
  const link = page.locator('a[href="/panels/heron/bench"]').first();
  await link.waitFor();
  const asked = page.waitForRequest((request) => new URL(request.url()).pathname === '/api/panels/heron');
  await link.hover();
  await asked;
  await expect(page).toHaveURL(`${DEMO}/`);
});

test('Ctrl K: a job, a piece, a sheet and an act by their names', async ({ page }) => {
  const find = async (words: string) => {
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/A job, a piece/).fill(words);
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.keyboard.press('Enter');
  };
  await page.goto(`${DEMO}/reckoning`);
  await expect(page.getByRole('heading', { name: 'Reckoning', exact: true })).toBeVisible();
  await find('boathouse');
  await expect(page).toHaveURL(/\/jobs\/job-transom$/);
  await bench(page);
  await find('12');
  await expect(page.getByTestId('said')).toHaveText('Piece 12, W-01 chalk white, to cut');
  await expect.poll(() => selected(page)).toEqual([12]);
  await find('sheet a5');
  await expect(page.getByRole('dialog', { name: 'Sheet A5' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/rack$/);
  await find('receive');
  await expect(page.getByRole('dialog', { name: 'Receive glass' })).toBeVisible();
});

test('? shows the keys of the place; / leads to the tally line from every step', async ({ page }) => {
  await page.goto(`${HERON}/glass`);
  await expect(page.getByRole('heading', { name: 'Choose glass' })).toBeVisible();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await expect(keys).toContainText('to the neighbouring piece');
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  await page.keyboard.press('/');
  await expect(page.getByLabel(/Tally line/)).toBeFocused();
  await expect(page).toHaveURL(/\/bench$/);
  // What is written there is no key of the place.
  await page.keyboard.type('1?/');
  await expect(page.getByLabel(/Tally line/)).toHaveValue('1?/');
});

test('several pieces: tap by tap, by a long press, by a lasso that stays, all of one glass by a double tap', async ({
  page,
}) => {
  await bench(page);
  const add = page.getByRole('button', { name: 'Add to what is picked' });
  await add.click();
  for (const piece of [25, 26, 32]) await page.mouse.click(...(await middleOf(page, piece)));
  expect(await selected(page)).toEqual([25, 26, 32]);
  await page.mouse.click(...(await middleOf(page, 26)));
  expect(await selected(page)).toEqual([25, 32]);
  await add.click();
  await page.mouse.click(...(await middleOf(page, 9)));
  expect(await selected(page)).toEqual([9]);
  // A finger that rests on a piece adds it, and goes on adding.
  await page.mouse.move(...(await middleOf(page, 72)));
  await page.mouse.down();
  await expect(add).toHaveAttribute('aria-pressed', 'true');
  await page.mouse.up();
  expect(await selected(page)).toEqual([9, 72]);
  await add.click();
  const lasso = page.getByRole('button', { name: 'Lasso' });
  await lasso.click();
  const around = async (piece: number) => {
    const [x, y] = await middleOf(page, piece);
    await page.mouse.move(x - 14, y - 14);
    await page.mouse.down();
    for (const [dx, dy] of [
      [14, -14],
      [14, 14],
      [-14, 14],
      [-14, -14],
    ] as const)
      await page.mouse.move(x + dx, y + dy, { steps: 4 });
    await page.mouse.up();
  };
  await around(25);
  expect(await selected(page)).toEqual([25]);
  await around(33);
  expect(await selected(page)).toEqual([33]);
  await expect(lasso).toHaveAttribute('aria-pressed', 'true');
  await lasso.click();
  await page.mouse.dblclick(...(await middleOf(page, 19)));
  expect(await selected(page)).toEqual([19, 20, 23, 24]);
});

test('a half-filled form outlives Escape, a step back and a reload; what is wrong is said beside it', async ({
  page,
}) => {
  await page.goto(`${DEMO}/rack?receive=1`);
  const sheet = page.getByRole('dialog', { name: 'Receive glass' });
  await sheet.getByLabel('Label on it').fill('Z-9');
  await sheet.getByLabel('Wide').fill('23 5/8 in');
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await page.getByRole('button', { name: 'Receive' }).click();
  await expect(sheet.getByLabel('Label on it')).toHaveValue('Z-9');
  await page.reload();
  await page.getByRole('button', { name: 'Receive' }).click();
  await expect(sheet.getByText('Still as you left it.')).toBeVisible();
  await expect(sheet.getByLabel('Wide')).toHaveValue('23 5/8 in');
  await sheet.getByRole('button', { name: 'Put it on the rack' }).click();
  await expect(sheet.getByLabel('High')).toBeFocused();
  await expect(sheet.getByText('From 1 mm up.')).toBeVisible();
  await sheet.getByLabel('Label on it').fill('a5');
  await expect(sheet.getByText('This label is taken.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Start afresh' }).click();
  await expect(sheet.getByLabel('Label on it')).toHaveValue('');
  await expect(sheet.getByText('This label is taken.')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Receive' }).click();
  await expect(sheet.getByText('Still as you left it.')).toHaveCount(0);
});

test('six sheets that arrive together are one form and one step', async ({ page }) => {
  await page.goto(`${DEMO}/rack?receive=1`);
  const sheet = page.getByRole('dialog', { name: 'Receive glass' });
  await sheet.getByLabel('Label on it').fill('SIX-8');
  await sheet.getByLabel('How many').fill('0');
  await expect(sheet.getByText('How many, from 1 to 40.')).toBeVisible();
  await sheet.getByLabel('How many').fill('6');
  await expect(sheet.getByText('and SIX-9, SIX-10, SIX-11, SIX-12 …')).toBeVisible();
  await sheet.getByLabel('Wide').fill('600');
  await sheet.getByLabel('High').fill('400');
  await sheet.getByRole('button', { name: 'Put it on the rack' }).click();
  const six = page.getByRole('button', { name: /^sheet SIX-/ });
  await expect(six).toHaveCount(6);
  await expect(page.getByText('SIX-8, SIX-9, SIX-10, SIX-11, SIX-12, SIX-13 on the rack.')).toBeVisible();
  // They came together and go together.
  await page.getByRole('button', { name: /^Take back: SIX-8 and 5 others/ }).click();
  await expect(six).toHaveCount(0);
});

test('the sheet is folded away and stays so, and as wide as it was drawn; the panel takes its room', async ({
  page,
}) => {
  await bench(page);
  const width = async () => (await boardOn(page).boundingBox())?.width ?? 0;
  const before = await width();
  await page.getByRole('button', { name: 'Fold the sheet away' }).click();
  await expect.poll(width).toBeGreaterThan(before + 250);
  await page.reload();
  await expect.poll(width).toBeGreaterThan(before + 250);
  await page.getByRole('button', { name: 'Show the sheet' }).click();
  await expect.poll(width).toBeLessThan(before + 20);
  await page.getByRole('separator', { name: 'Width of the sheet' }).press('ArrowLeft');
  await expect.poll(width).toBeLessThan(before - 20);
  const narrower = await width();
  await page.reload();
  await expect.poll(async () => Math.abs((await width()) - narrower)).toBeLessThan(3);
});

test('the table: sorted, searched, with other columns, copied into a file as it is seen', async ({ page }) => {
  await bench(page);
  await page.getByRole('button', { name: 'Table', exact: true }).click();
  const rows = page.getByRole('region', { name: 'Pieces' }).getByRole('row');
  const first = () => rows.nth(1).getByRole('rowheader').innerText();
  await page.getByRole('button', { name: 'Area', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Area' })).toHaveAttribute('aria-sort', 'descending');
  const largest = await first();
  await page.getByRole('button', { name: 'Area', exact: true }).click();
  await expect.poll(first).not.toBe(largest);
  await page.getByLabel('Find in Pieces').fill('low sun');
  await expect(rows).toHaveCount(5);
  await page.getByRole('button', { name: 'Choose columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Difficulty' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'From', exact: true }).click();
  await page.keyboard.press('Escape');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const text = await readFile(await (await waiting).path(), 'utf8');
  const [head, ...lines] = text.replace('\uFEFF', '').trim().split('\r\n');
  expect(head).toBe('No.,Stage,Glass,Area,Broken,Difficulty');
  expect(lines).toHaveLength(4);
  expect(lines.every((line) => line.includes('A-03 low sun'))).toBe(true);
  await page.getByRole('button', { name: 'Pick these 4' }).click();
  expect(await selected(page)).toEqual([19, 20, 23, 24]);
});

test('hours leave as CSV, each entry with its times, its work, who and what it cost', async ({ page }) => {
  await page.goto(`${DEMO}/panels/tide-1/hours`);
  await page.getByRole('button', { name: 'As a table, and as CSV' }).click();
  await page.getByLabel('Find in Hours').fill('Drawing');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const text = await readFile(await (await waiting).path(), 'utf8');
  const [head, ...lines] = text.replace('\uFEFF', '').trim().split('\r\n');
  expect(head).toBe('Day,From,To,Minutes,Work,Person,Money,Note');
  expect(lines).toHaveLength(1);
  const [day = '', from = '', to = '', minutes, work, person, money] = (lines[0] ?? '').split(',');
  expect([work, person]).toEqual(['Drawing', 'Morven']);
  const at = (time: string) => Date.parse(`${day}T${time}Z`) / 60_000;
  expect(Math.abs(at(to) - at(from) - Number(minutes))).toBeLessThanOrEqual(1);
  // At 36.00 an hour, to the second.
  expect(Math.abs(Number(money) - (Number(minutes) * 36) / 60)).toBeLessThan(0.61);
});

test('a line is caught within a finger’s reach, shown before the finger is lifted; a lasso takes lines too', async ({
  page,
}) => {
  await page.goto(`${DEMO}/panels/heron/cartoon`);
  const tools = page.getByRole('toolbar', { name: 'Changes to the drawing' });
  await tools.getByRole('button', { name: 'Came & gap' }).click();
  const board = boardOn(page);
  // The outline's left edge at half its height, in pixels of the page.
  const boxes = [...(await piecesOn(board)).values()].map((piece) => piece.box);
  const x = Math.min(...boxes.map((box) => box.x));
  const y = (Math.min(...boxes.map((box) => box.y)) + Math.max(...boxes.map((box) => box.y + box.height))) / 2;
  await page.mouse.move(x + 60, y - 200);
  const caught = page.locator('[data-caught]');
  // Ten pixels beside the line it is caught; forty beside it, where nothing else runs, it is not.
  await page.mouse.move(x - 10, y);
  await expect(caught).toHaveAttribute('data-caught', 'line');
  await page.mouse.click(x - 10, y);
  await expect(page.locator('[data-picked-line]')).toHaveCount(1);
  await page.mouse.move(x - 40, y);
  await expect(caught).toHaveCount(0);
  await page.getByRole('button', { name: 'Lasso', exact: true }).click();
  const box = await board.boundingBox();
  if (!box) throw new Error('no board');
  const corners = [
    [4, 4],
    [box.width - 4, 4],
    [box.width - 4, box.height / 2],
    [box.width / 2, box.height / 2 + 3],
    [4, box.height / 2],
    [4, 8],
  ] as const;
  await page.mouse.move(box.x + 4, box.y + 4);
  await page.mouse.down();
  for (const [dx, dy] of corners) await page.mouse.move(box.x + dx, box.y + dy, { steps: 3 });
  await page.mouse.up();
  await expect.poll(() => page.locator('[data-picked-line]').count()).toBeGreaterThan(8);
});

test('the focus goes through a place in the order in which it is read, and leaves no part of it half done', async ({
  page,
}) => {
  test.slow();
  const steps = ['measure', 'cartoon', 'glass', 'bench', 'finish', 'hours'].map((step) => `/panels/heron/${step}`);
  for (const place of ['/', '/jobs', '/jobs/job-tide', '/rack', '/reckoning', '/setup', ...steps]) {
    await page.goto(DEMO + place);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const parts: string[] = [];
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press('Tab');
      const part = await page.evaluate(() => {
        const here = document.activeElement;
        if (!here || here === document.body) return null;
        if (here.closest('nav[aria-label="Places"]')) return 'places';
        if (here.closest('aside')) return 'sheet';
        if (here.closest('footer')) return 'tally';
        if (here.closest('main')) return 'work';
        if (here.role === 'separator' || here.closest('[data-panel]')) return 'edge of the sheet';
        return here.id === 'work' ? 'work itself' : here.closest('header') ? 'head' : 'skip';
      });
      // Round again.
      if (part === null || (part === 'skip' && parts.length > 1)) break;
      if (parts.at(-1) !== part) parts.push(part);
    }
    // Each part is gone through once: none is come back to before the end.
    expect([place, ...new Set(parts)]).toEqual([place, ...parts]);
    expect(parts.slice(0, 2)).toEqual(['skip', 'places']);
  }
});

test('a glass is dragged onto its place, for all that are picked where it falls on one of them', async ({ page }) => {
  await page.goto(`${DEMO}/panels/heron/glass`);
  const glass = page.getByRole('list', { name: 'Glasses on the rack' }).getByRole('button', { name: /^H-02/ });
  const before = Number(/(\d+) here/.exec((await glass.textContent()) ?? '')?.[1] ?? 0);
  const here = (n: number) => expect(glass).toContainText(`${before + n} here`);
  const dragTo = async (piece: number) => {
    await glass.scrollIntoViewIfNeeded();
    const [from, to] = [await glass.boundingBox(), await middleOf(page, piece)];
    if (!from) throw new Error('it is not drawn');
    await page.mouse.move(from.x + 20, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(...to, { steps: 6 });
  };
  await dragTo(1);
  await expect(page.locator('[data-meant]')).toHaveCount(1);
  await page.mouse.up();
  await here(1);
  // Let fall beside the panel, or left with Escape, it is for nothing.
  await dragTo(3);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.locator('[data-meant]')).toHaveCount(0);
  await here(1);
  const board = boardOn(page);
  await (await pieceMark(board, 2)).click();
  await (await pieceMark(board, 3)).click({ modifiers: ['Shift'] });
  await dragTo(3);
  await expect(page.locator('[data-meant]')).toHaveCount(2);
  await page.mouse.up();
  await here(3);
  for (const n of [1, 0]) {
    await page.getByRole('button', { name: /^Take back:/ }).click();
    await here(n);
  }
});

test('glasses in order: by their codes, from light to dark, the nearest to the glass in hand first', async ({
  page,
}) => {
  await page.goto(`${DEMO}/panels/heron/glass`);
  const first = page.getByRole('list', { name: 'Glasses on the rack' }).getByRole('button').first();
  const order = async (name: string) => {
    await page.getByRole('combobox', { name: 'In order' }).click();
    await page.getByRole('option', { name }).click();
  };
  await expect(first).toContainText('A-03');
  await order('from light to dark');
  await expect(first).toContainText('W-01');
  const board = boardOn(page);
  await (await pieceMark(board, 9)).click();
  await order('nearest to a colour');
  await expect(first).toContainText('S-14 high skythe very colour');
  await page.getByLabel('The colour that they are held against').fill('#4f7d3f');
  await expect(first).toContainText(/ΔE \d+\.\d/);
  await expect(first).toContainText(/V-/);
});

test('a side is not called soldered before its joints are there to be asked about', async ({ page }) => {
  let letGo: () => void = () => undefined;
  const waits = new Promise<void>((go) => (letGo = go));
  await page.route('**/api/drawings/**', async (route) => {
    await waits;
    await route.continue();
  });
  await page.goto(`${DEMO}/panels/tide-1/finish`);
  const done = page
    .getByRole('listitem')
    .filter({ hasText: /^Solder the back/ })
    .getByRole('button', { name: 'Done' });
  await done.click({ force: true });
  await expect(page.getByText('Its joints are still being fetched.').first()).toBeVisible();
  letGo();
  await done.click();
  await expect(page.getByRole('dialog')).toContainText('joint');
  await page.keyboard.press('Escape');
  await expect(done).toBeVisible();
});

test.describe('Pressed twice', () => {
  const studio = ownDemo();
  test('a finger that presses twice means it once: one job, one cut, however late the answer', async ({ page }) => {
    const sent: string[] = [];
    await page.route('**/api/commands', async (route) => {
      sent.push(route.request().postDataJSON().command.kind);
      await setTimeout(500);
      await route.continue();
    });
    await page.goto(`${studio.base}/jobs?new=1`);
    await page.getByLabel('What it is').fill('Landing light');
    await page.getByRole('button', { name: 'Enter the job' }).dblclick();
    await expect(page.getByRole('heading', { name: 'Landing light' })).toBeVisible();
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Jobs' }).click();
    await expect(page.getByRole('main').getByRole('link', { name: /^Landing light no client/ })).toHaveCount(1);
    await page.goto(`${studio.base}/panels/heron/bench`);
    await page.getByLabel(/Tally line/).fill('2 cut');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Cut from' })).toBeVisible();
    for (let i = 0; i < 2; i++) await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Take back: 2 cut/ }).click();
    await expect(page.getByRole('button', { name: /^Do again: 2 cut/ })).toBeVisible();
    await expect(page.getByText(/is cut already/)).toHaveCount(0);
    expect(sent).toEqual(['save-commission', 'cut']);
  });
});
