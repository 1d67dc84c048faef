import { expect, test, type Page } from '@playwright/test';
import type { RackAnswer } from '#contract';
import { barriers } from './axe.ts';
import { DEMO } from './servers.ts';

const rack = async (page: Page): Promise<RackAnswer> =>
  (await (await page.request.get(`${DEMO}/api/rack`)).json()) as RackAnswer;
const item = async (page: Page, id: string) => (await rack(page)).stock.find((one) => one.id === id);
const undo = (page: Page) => page.getByRole('button', { name: /^Take back: / });

test.describe('the rack to scale', () => {
  test('a corner that is knocked off and a flaw are drawn, kept to the square millimetre, and taken back', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/rack?item=T5`);
    const card = page.getByRole('dialog', { name: 'Offcut T5' });
    const before = await item(page, 'T5');
    if (!before) throw new Error('no T5');
    // The first corner moves inwards by its keys, a new one comes between the first two by the mouse.
    const corner = (n: number) => card.getByRole('button', { name: new RegExp(`^Corner ${n},`) });
    await corner(1).focus();
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
    await card.getByRole('radio', { name: 'Flaws' }).click();
    const picture = card.getByRole('group', { name: 'Shape of T5' });
    const box = await picture.boundingBox();
    if (!box) throw new Error('no picture');
    const at = (x: number, y: number) => [box.x + box.width * x, box.y + box.height * y] as const;
    await page.mouse.move(...at(0.5, 0.5));
    await page.mouse.down();
    for (const [x, y] of [
      [0.54, 0.5],
      [0.54, 0.56],
      [0.5, 0.56],
    ] as const)
      await page.mouse.move(...at(x, y), { steps: 4 });
    await page.mouse.up();
    await card.getByRole('button', { name: 'Keep this shape' }).click();
    await expect(page.getByText('True shape of T5 kept.')).toBeVisible();
    const after = await item(page, 'T5');
    // A triangle of 20 mm and the full height is gone.
    expect(after?.areaMm2).toBe(Math.round(before.widthMm * before.heightMm - (20 * before.heightMm) / 2));
    expect(after?.flaws).toHaveLength(1);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^offcut T5, .* its true shape/ })).toBeVisible();
    await undo(page).click();
    await expect.poll(async () => (await item(page, 'T5'))?.areaMm2).toBe(before.areaMm2);
  });

  test('an outline that crosses itself is refused in one sentence, and nothing is kept', async ({ page }) => {
    await page.goto(`${DEMO}/rack?item=T20`);
    const card = page.getByRole('dialog', { name: 'Offcut T20' });
    const before = await item(page, 'T20');
    await card.getByRole('button', { name: /^Corner 1,/ }).focus();
    // Past the opposite side.
    for (let i = 0; i < (before?.heightMm ?? 0) + 12; i++) await page.keyboard.press('ArrowDown');
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
    await card.getByRole('button', { name: 'Keep this shape' }).click();
    await expect(page.getByText('The outline of T20 crosses itself; draw it once round.')).toBeVisible();
    expect(await item(page, 'T20')).toEqual(before);
    await card.getByRole('button', { name: 'As it was' }).click();
    await expect(card.getByRole('button', { name: 'As it was' })).toHaveCount(0);
  });

  test('a slot is counted, an offcut weighed; what differs is booked, and one undo brings it back', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/rack`);
    await page.getByRole('button', { name: 'More of the rack' }).click();
    await page.getByRole('menuitem', { name: 'Count a slot' }).click();
    const count = page.getByRole('dialog', { name: 'What is really there' });
    await count.getByRole('combobox', { name: 'Which slot' }).click();
    await page.getByRole('option', { name: 'tray 3' }).click();
    const ticks = count.getByRole('checkbox');
    await expect(ticks.first()).toBeVisible();
    const label = (await count.getByRole('listitem').first().locator('b').innerText()).trim();
    await ticks.first().click();
    await expect(count.getByRole('status')).toContainText(label);
    await count.getByRole('button', { name: 'Book the difference' }).click();
    await expect(page.getByText(/1 sheet or offcut written off/)).toBeVisible();
    expect(await item(page, label)).toBeUndefined();
    await undo(page).click();
    await expect.poll(async () => (await item(page, label))?.gone).toBeNull();

    await page.goto(`${DEMO}/rack?item=${label}`);
    const card = page.getByRole('dialog', { name: `Offcut ${label}` });
    await card.getByRole('button', { name: 'Weigh it' }).click();
    await card.getByLabel('Weight, g').fill('30');
    // 30 g of glass 3 mm thick are 40 cm² (2.5 g/cm³).
    await expect(card.getByText(/40 cm² of glass 3 mm thick/)).toBeVisible();
    await card.getByRole('button', { name: 'Take it so' }).click();
    await expect.poll(async () => (await item(page, label))?.areaMm2).toBe(4000);
    await page.keyboard.press('Escape');
    await undo(page).click();
    await expect.poll(async () => (await item(page, label))?.areaMm2).not.toBe(4000);
  });

  test('found by a size that it has to take, or in a table', async ({ page }) => {
    await page.goto(`${DEMO}/rack`);
    const panes = page.getByRole('button', { name: /^(sheet|offcut) / });
    await expect(panes.first()).toBeVisible();
    const all = await panes.count();
    await page.getByLabel('Find', { exact: true }).fill('300 x 250');
    await expect.poll(() => panes.count()).toBeLessThan(all);
    for (const name of await panes.evaluateAll((list) => list.map((one) => one.getAttribute('aria-label') ?? ''))) {
      const [, wide = 0, high = 0] = (/(\d+) by (\d+)/.exec(name) ?? []).map(Number);
      expect(Math.min(wide, high), name).toBeGreaterThanOrEqual(250);
    }
    await page.getByLabel('Find', { exact: true }).fill('3000 x 2500');
    await expect(page.getByText('Nothing here takes a piece of that size.')).toBeVisible();
    await page.getByLabel('Find', { exact: true }).fill('');
    await page.getByRole('radio', { name: 'Table' }).click();
    await expect(page.getByRole('columnheader', { name: 'Laid out for' })).toBeVisible();
    await page.getByRole('row', { name: /T5 / }).click();
    await expect(page.getByRole('dialog', { name: 'Offcut T5' })).toBeVisible();
  });

  test('nothing stands in anybody’s way: the card of a sheet, the table, the light table', async ({ page }) => {
    for (const [address, ready] of [
      ['/rack?item=T5', 'Its corners'],
      ['/panels/heron/layout?table=D1', 'Light table'],
    ] as const) {
      await page.goto(`${DEMO}${address}`);
      await page.getByText(ready).first().waitFor();
      for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme }), address).toEqual([]);
    }
    await page.goto(`${DEMO}/rack`);
    await page.getByRole('radio', { name: 'Table' }).click();
    for (const theme of ['light', 'dark'] as const) expect(await barriers(page, { theme })).toEqual([]);
  });
});

test.describe('more than one sheet at once', () => {
  const list = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

  test('a list is read in whole or not at all; its faults are named by line', async ({ page }) => {
    await page.goto(`${DEMO}/rack?receive=1`);
    const sheet = page.getByRole('dialog', { name: 'Receive glass' });
    await sheet.getByRole('button', { name: 'From a list' }).click();
    const file = sheet.locator('input[type=file]');
    const code = (await page.request.get(`${DEMO}/api/studio`).then((r) => r.json())).glasses[0].code as string;
    await file.setInputFiles(list('colours.csv', 'colour,pieces\nblue,4\n'));
    await expect(sheet.getByRole('alert')).toContainText('The list has no column “Label”');
    await file.setInputFiles(list('slip.csv', `Label;Glass;Wide;High\nQ1;${code};300;200\nQ2;${code};wide;200\n`));
    await expect(sheet.getByRole('alert')).toContainText('Line 3: “wide” can not stand under “Wide”.');
    expect(await item(page, 'Q1')).toBeUndefined();
    await file.setInputFiles(
      list('glass.csv', `Label,Glass,Wide,High,Stands in\nQ1,${code},300,200,tray 9\nQ2,${code},12 in,200,tray 9\n`),
    );
    await expect(sheet.getByRole('status')).toContainText('2 sheets and offcuts in glass.csv');
    await sheet.getByRole('button', { name: 'Put them on the rack' }).click();
    await expect.poll(async () => (await item(page, 'Q2'))?.areaMm2).toBe(60_960);

    // Moved and kept for a job together, found by the code of a label, and all of it taken back.
    await page.getByRole('radio', { name: 'Table' }).click();
    await page.getByLabel('Find in Rack').fill('tray 9');
    for (const label of ['Q1', 'Q2']) await page.getByRole('checkbox', { name: `Pick ${label}` }).click();
    await page.getByRole('button', { name: 'With 2 picked ones …' }).click();
    const both = page.getByRole('dialog', { name: '2 sheets and offcuts' });
    await both.getByLabel('They stand in').fill('window');
    await both.getByRole('button', { name: 'Move' }).click();
    await expect.poll(async () => (await item(page, 'Q1'))?.place).toBe('window');
    await page.getByRole('radio', { name: 'To scale' }).click();
    await page.getByLabel('Find', { exact: true }).fill(`${DEMO}/rack?item=Q2`);
    await page.keyboard.press('Enter');
    const card = page.getByRole('dialog', { name: 'Sheet Q2' });
    await card.getByRole('combobox', { name: 'Kept for' }).click();
    await page.getByRole('option').nth(1).click();
    await expect.poll(async () => (await item(page, 'Q2'))?.keptFor).not.toBeNull();
    await card.getByRole('button', { name: 'Label', exact: true }).click();
    await card.getByRole('button', { name: 'Print 1 label' }).click();
    await expect(card.getByText('Label printer (simulated): 1 label in its tray')).toBeVisible();
    await page.keyboard.press('Escape');
    for (let i = 0; i < 3; i++) {
      const before = (await rack(page)).seq;
      await undo(page).click();
      await expect.poll(async () => (await rack(page)).seq).toBeGreaterThan(before);
    }
    expect(await item(page, 'Q1')).toBeUndefined();
  });

  test('a sheet is broken in two and joined again; what to buy is told in whole sheets', async ({ page }) => {
    const whole = await item(page, 'B3');
    if (!whole) throw new Error('no whole sheet');
    await page.goto(`${DEMO}/rack?item=${whole.id}`);
    const card = page.getByRole('dialog', { name: `Sheet ${whole.id}` });
    await card.getByRole('button', { name: 'Break it in two' }).click();
    await card.getByLabel('From its left edge').fill('100 mm');
    await card.getByRole('button', { name: 'Break it', exact: true }).click();
    const part = `${whole.id}-1`;
    await expect.poll(async () => (await item(page, part))?.widthMm).toBe(100);
    expect((await item(page, whole.id))?.areaMm2).toBe(whole.areaMm2 - ((await item(page, part))?.areaMm2 ?? 0));
    await card.getByRole('button', { name: 'Join it with another record' }).click();
    await card.getByRole('combobox', { name: /^The same piece/ }).click();
    await page.getByRole('option', { name: new RegExp(`^${part},`) }).click();
    await card.getByLabel('Together wide').fill(String(whole.widthMm));
    await card.getByRole('button', { name: 'Join them' }).click();
    await expect.poll(async () => (await item(page, whole.id))?.areaMm2).toBe(whole.areaMm2);
    await page.keyboard.press('Escape');
    for (let i = 0; i < 2; i++) {
      const before = (await rack(page)).seq;
      await undo(page).click();
      await expect.poll(async () => (await rack(page)).seq).toBeGreaterThan(before);
    }
    expect((await item(page, whole.id))?.outline).toBeNull();
    await page.getByRole('button', { name: 'More of the rack' }).click();
    await page.getByRole('menuitem', { name: 'What to buy' }).click();
    const buy = page.getByRole('dialog', { name: 'To buy' });
    await expect(buy.getByText(/in hand/).first()).toBeVisible();
  });
});

test('a photo of the real sheet is set straight and shows on the rack; what is no photo is told in one sentence', async ({
  page,
}) => {
  await page.goto(`${DEMO}/rack?item=B3`);
  const card = page.getByRole('dialog', { name: 'Sheet B3' });
  await card.getByRole('button', { name: 'Photo of it' }).click();
  const file = card.locator('input[type=file]').first();
  await file.setInputFiles({ name: 'note.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture at all') });
  await expect(card.getByRole('alert')).toContainText('This file is no picture that can be read');
  // A sheet in four colours before a dark wall.
  const drawn = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(800, 600);
    const pen = canvas.getContext('2d');
    if (!pen) throw new Error('no pen');
    pen.fillStyle = '#202020';
    pen.fillRect(0, 0, 800, 600);
    for (const [i, colour] of ['#c04040', '#40c040', '#4040c0', '#c0c040'].entries()) {
      pen.fillStyle = colour;
      pen.fillRect(64 + (i % 2) * 336, 48 + Math.floor(i / 2) * 252, 336, 252);
    }
    const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
    return [...bytes];
  });
  await file.setInputFiles({ name: 'sheet.png', mimeType: 'image/png', buffer: Buffer.from(drawn) });
  await card.getByRole('checkbox', { name: 'Even out the light behind it' }).click();
  await card.getByRole('button', { name: 'This is how it looks' }).click();
  await expect(page.getByText('B3 looks as on its photo from now on.')).toBeVisible();
  const photo = (await rack(page)).photos.find((one) => one.id === 'B3');
  expect(photo).toMatchObject({ x: 0, y: 0, widthMm: 810, heightMm: 610 });
  // The first corner stood at 8 %: its red quarter reaches to the middle of what was kept.
  const colours = await page.evaluate(async (hash) => {
    const bitmap = await createImageBitmap(await (await fetch(`/api/pictures/${hash}`)).blob());
    const pen = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d');
    pen?.drawImage(bitmap, 0, 0);
    return [0.25, 0.75].map((u) => [...(pen?.getImageData(bitmap.width * u, bitmap.height * 0.25, 1, 1).data ?? [])]);
  }, photo?.hash);
  expect(colours[0]?.[0]).toBeGreaterThan(150);
  expect(colours[0]?.[1]).toBeLessThan(110);
  expect(colours[1]?.[1]).toBeGreaterThan(150);
  await page.keyboard.press('Escape');
  await expect(page.locator(`image[href$="${photo?.hash ?? ''}"]`).first()).toBeAttached();
  await undo(page).click();
  await expect.poll(async () => (await rack(page)).photos.some((one) => one.id === 'B3')).toBe(false);
});
