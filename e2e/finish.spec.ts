import { readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { barriers } from './axe.ts';
import { ownDemo } from './ownServer.ts';

test.describe('From the last joint to the wall', () => {
  const studio = ownDemo();

  test('rings go where a seam meets the rim, and what they bear follows; a bar follows the lines; all of it stays', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/heron/finish`);
    await page.getByRole('radio', { name: 'Edge and hanging' }).click();
    const held = page.getByRole('region', { name: 'What holds it' });
    await expect(held.getByText(/^It weighs/)).toContainText(/\d\.\d kg/);
    const board = page.getByTestId('held-panel');
    await expect(board.locator('[data-ring]')).toHaveCount(2);
    // Three rings: a tap beside one of the places is enough.
    const place = await board.locator('[data-ring-place]').nth(2).boundingBox();
    if (!place) throw new Error('no place for a ring');
    await page.mouse.click(place.x + 6, place.y + 6);
    await expect(board.locator('[data-ring]')).toHaveCount(3);
    await held.getByRole('button', { name: 'As proposed' }).click();
    await expect(board.locator('[data-ring]')).toHaveCount(2);
    const pull = held.getByText(/the chains pull up to/);
    const before = await pull.textContent();
    // The first step is answered while the second is on its way: the third goes on from where the slider stands.
    const answers: (() => void)[] = [];
    await page.route('**/api/commands', async (route) => {
      await new Promise<void>((open) => answers.push(open));
      await route.continue();
    });
    const slider = held.getByRole('slider', { name: /Angle of the chains/ });
    for (let i = 0; i < 2; i++) await slider.press('ArrowLeft');
    await expect.poll(() => answers.length).toBe(1);
    answers[0]?.();
    await expect.poll(() => answers.length).toBe(2);
    await expect(held.getByText('Chains at 50°')).toBeVisible();
    await slider.press('ArrowLeft');
    answers[1]?.();
    await expect.poll(() => answers.length).toBe(3);
    answers[2]?.();
    await page.unrouteAll({ behavior: 'wait' });
    await expect(held.getByText('Chains at 45°')).toBeVisible();
    await expect(pull).not.toHaveText(before ?? '');
    // Pressed twice before the studio has answered once, it is two bars.
    let open = () => {};
    const opened = new Promise<void>((resolve) => (open = resolve));
    await page.route('**/api/commands', async (route) => {
      await opened;
      await route.continue();
    });
    const more = held.getByRole('button', { name: 'One bar more' });
    await more.click();
    await expect(held.getByText(/^A bar .* from the top:/)).toBeVisible();
    await more.click();
    const bars = held.getByRole('slider', { name: /^Height of bar/ });
    await expect(bars).toHaveCount(2);
    open();
    await page.unrouteAll({ behavior: 'wait' });
    await page.reload();
    await expect(bars).toHaveCount(2);
    await expect(held.getByText('Chains at 45°')).toBeVisible();
  });

  test('lights of one opening: each in its row, and which goes in last; with the glass outside weighed', async ({
    page,
  }) => {
    const row = page.getByRole('combobox', { name: /several lights/ });
    for (const [panel, name] of [
      ['tide-2', 'in the top row'],
      ['tide-3', 'in row 2 from the top'],
      ['tide-1', 'in row 2 from the top'],
    ] as const) {
      await page.goto(`${studio.base}/panels/${panel}/finish?part=hold`);
      await page.getByRole('combobox', { name: 'It is', exact: true }).click();
      await page.getByRole('option', { name: 'fitted into an opening' }).click();
      await page.getByRole('radio', { name: 'Fitting' }).click();
      await row.click();
      await page.getByRole('option', { name }).click();
      await expect(row).toHaveText(name);
    }
    const order = page.getByRole('list', { name: 'Order of fitting' });
    await expect(order.getByRole('listitem')).toHaveCount(3);
    await expect(order.getByRole('listitem').first()).toHaveText(/Light 2/);
    await expect(page.getByText(/Light \d last: it is the widest/)).toBeVisible();
    await page.getByRole('checkbox', { name: /Another glass stands before it/ }).click();
    await expect(page.getByText(/^Float glass of 4 mm weighs \d\.\d kg/)).toBeVisible();
    for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme })).toEqual([]);
  });

  test('a lantern is a shade: cap, chain and base by its weight, with the electrician named', async ({ page }) => {
    await page.goto(`${studio.base}/panels/lantern/finish?part=hold`);
    await page.getByRole('combobox', { name: 'It is', exact: true }).click();
    await page.getByRole('option', { name: 'a shade on its lamp' }).click();
    const lamp = page.getByRole('region', { name: 'Shade and lamp' });
    await expect(lamp).toContainText('A brass cap of 50 mm or more carries it');
    await expect(lamp).toContainText('licensed electrician');
    await page.getByRole('radio', { name: 'Fitting' }).click();
    await expect(page.getByText(/switched off and cold/)).toBeVisible();
  });

  test('a border of zinc is drawn and counted as what it is, and the panel weighs less than in lead', async ({
    page,
  }) => {
    const border = async (name: RegExp) => {
      await page.goto(`${studio.base}/panels/heron/measure`);
      await page.getByRole('combobox', { name: 'Border', exact: true }).click();
      await page.getByRole('option', { name }).click();
      await page.getByRole('button', { name: 'Keep', exact: true }).click();
      await expect(page.getByText(/^Kept/)).toBeVisible();
      await page.goto(`${studio.base}/panels/heron/materials`);
      return Number(/weighs ([\d.]+) kg/.exec(await page.getByText(/Finished it weighs/).innerText())?.[1]);
    };
    const zinc = await border(/^U came of zinc, .*6 mm/);
    await expect(page.getByRole('img', { name: /^u6 zinc in section/ })).toBeVisible();
    await expect(page.getByText(/^Came u6 zinc:/)).toBeVisible();
    expect(await border(/^U came of (?!zinc|brass|copper).*6 mm/)).toBeGreaterThan(zinc);
  });

  test('a code of the bench card starts the clock once, another one stops it; typed by a scanner it does the same', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/heron/bench`);
    await page.getByRole('button', { name: /Who works\?/ }).click();
    await page.getByRole('menuitem', { name: 'Kesta' }).click();
    await expect(page.getByRole('button', { name: /^K\s?Kesta$/ })).toBeVisible();
    await page.goto(`${studio.base}/panels/heron/bench?clock=soldering`);
    const clock = page.getByTestId('clock');
    await expect(clock).toContainText('Soldering');
    await expect(clock).toContainText('Stop');
    await expect(page).toHaveURL(`${studio.base}/panels/heron/bench`);
    await page.goto(`${studio.base}/panels/heron/bench?clock=stop`);
    await expect(clock).toContainText('Start');
    await page.getByLabel(/Tally line/).fill(`${studio.base}/panels/heron/bench?clock=grinding`);
    await page.keyboard.press('Enter');
    await expect(clock).toContainText('Grinding');
    await page.reload();
    await expect(clock).toContainText('Grinding');
  });

  test('in a door the caution comes first; measured it is held against its opening, and the letter goes nowhere', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/transom/finish?part=fit`);
    await expect(page.getByText(/mm of play left and right/)).toBeVisible();
    await page.getByRole('combobox', { name: 'It goes' }).click();
    await page.getByRole('option', { name: 'in a door' }).click();
    await expect(page.getByText(/safety-glazing rules/).first()).toBeVisible();
    await page.getByLabel('Measured wide').fill('373');
    await page.getByLabel('Measured high').fill('247.6');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText(/^It is too wide by 1 mm/)).toBeVisible();
    await page.getByRole('link', { name: 'The fitting sheet' }).click();
    await expect(page.getByRole('list', { name: 'Fitting sheet' }).getByRole('listitem')).toHaveCount(1);
    await page.goBack();
    await page.getByRole('button', { name: /^Write to/ }).click();
    await page.getByRole('button', { name: 'Into the outbox' }).click();
    await expect(page.getByText(/nothing left this browser/).first()).toBeVisible();
    await page.goto(`${studio.base}/setup`);
    await page.getByRole('button', { name: /Outbox/ }).click();
    await expect(page.getByText('1 letter, none of them sent anywhere.')).toBeVisible();
  });

  test('a crack that is seen late: the way is chosen, its joints are open again, each step has its caution', async ({
    page,
  }) => {
    await page.goto(`${studio.base}/panels/transom/finish?part=repair`);
    await page.getByLabel('Piece', { exact: true }).fill('999');
    await expect(page.getByText('It has no piece 999.')).toBeVisible();
    await page.getByLabel('Piece', { exact: true }).fill('5');
    await page.getByLabel('What is seen').fill('from the corner to the middle');
    await page.getByRole('button', { name: 'Begin' }).click();
    const repair = page.getByRole('article', { name: 'Piece 5' });
    await expect(repair).toContainText('Eyes covered');
    await repair.getByRole('button', { name: /^Done: Rake/ }).click();
    await expect(repair.getByRole('button', { name: /^Done: Rake/ })).toHaveCount(0);
    await page.getByRole('radio', { name: 'Joints and steps' }).click();
    await expect(page.getByText(/open/).first()).toBeVisible();
    await expect(page.locator('[data-open-joints]').first()).toBeVisible();
    // Undo takes the whole of it back.
    await page.getByRole('group', { name: 'Undo' }).getByRole('button').first().click();
    await page.getByRole('group', { name: 'Undo' }).getByRole('button').first().click();
    await expect(page.locator('[data-open-joints]')).toHaveCount(0);
  });

  test('printed, exported as readable text, the studio thrown away, restored on an empty one: everything is there', async ({
    page,
    request,
  }) => {
    await page.goto(`${studio.base}/panels/heron/papers`);
    await expect(page.getByRole('link', { name: 'Save as PDF' })).toBeVisible();
    const pdf = await request.get(`${studio.base}/api/panels/heron/papers/care/pdf`);
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
    const exported = await (await request.get(`${studio.base}/api/export`)).body();
    const whole = JSON.parse(exported.toString()) as Record<string, readonly unknown[]>;
    const counts = Object.fromEntries(Object.entries(whole).map(([name, list]) => [name, list.length]));
    expect(counts).toMatchObject({ supplies: 14 });

    await studio.kill();
    for (const name of readdirSync(studio.folder)) rmSync(join(studio.folder, name), { recursive: true, force: true });
    await studio.start();
    await page.goto(`${studio.base}/setup`);
    const copies = page.getByRole('region', { name: 'Copies' });
    await copies
      .getByLabel('A copy or a readable text of a studio')
      .setInputFiles({ name: 'studio.json', mimeType: 'application/json', buffer: exported });
    await expect(page.getByText('The copy lies with the others; nothing else was changed.')).toBeVisible();
    await copies
      .getByRole('listitem')
      .filter({ hasText: 'brought' })
      .getByRole('button', { name: /^Put back/ })
      .click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await expect(page.getByText(/^Put back: \d+ steps of the log\./)).toBeVisible();
    const again = JSON.parse(
      (await (await request.get(`${studio.base}/api/export`)).body()).toString(),
    ) as typeof whole;
    for (const table of ['people', 'glasses', 'stock', 'moves', 'pieces', 'supplies', 'notes', 'log', 'files'])
      expect(again[table], table).toEqual(whole[table]);
    await page.goto(`${studio.base}/panels/heron/bench`);
    await expect(page.getByTestId('counts')).toContainText('foiled');
    await page.goto(`${studio.base}/rack/supplies`);
    await expect(page.getByRole('button', { name: /^Whiting/ })).toBeVisible();
  });
});
