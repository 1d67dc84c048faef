import { expect, test, type Browser, type Page } from '@playwright/test';
import { finger, keys, mouse, type Hand, field } from './handsOf.ts';
import { OwnServer } from './ownServer.ts';
import { laneOwnPort } from './servers.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

const PANES = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="200mm" viewBox="0 0 200 200"><g fill="none" stroke="#000"><rect width="200" height="200"/><path d="M100 0V200M0 100H200"/></g></svg>`;
const DRAWING = { name: 'panes.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(PANES) };

type Technique = 'foil' | 'lead';
interface Way {
  readonly by: string;
  readonly technique: Technique;
  readonly size: { readonly width: number; readonly height: number };
  readonly hand: (page: Page) => Hand;
  readonly hasTouch?: true;
  readonly byKeys?: true;
}

const WAYS: readonly Way[] = [
  { by: 'by mouse', technique: 'foil', size: { width: 1280, height: 800 }, hand: mouse },
  { by: 'by mouse', technique: 'lead', size: { width: 1280, height: 800 }, hand: mouse },
  { by: 'by touch alone', technique: 'lead', size: { width: 1024, height: 768 }, hand: finger, hasTouch: true },
  { by: 'by touch alone', technique: 'foil', size: { width: 800, height: 1280 }, hand: finger, hasTouch: true },
  { by: 'by touch alone', technique: 'foil', size: { width: 390, height: 844 }, hand: finger, hasTouch: true },
  { by: 'by keys alone', technique: 'foil', size: { width: 1280, height: 800 }, hand: keys, byKeys: true },
  { by: 'by keys alone', technique: 'lead', size: { width: 1280, height: 800 }, hand: keys, byKeys: true },
];

// Each has a server of its own, so they need not wait for one another.
test.describe.configure({ mode: 'parallel' });
for (const way of WAYS)
  test(`${way.technique === 'lead' ? 'leaded' : 'copper foil'}, from an empty studio to delivered, ${way.by}, ${way.size.width} × ${way.size.height}`, async ({
    browser,
  }) => {
    test.setTimeout(1_200_000);
    const server = new OwnServer(laneOwnPort());
    await server.start();
    try {
      await wholeWay(browser, server.base, way);
    } finally {
      await server.remove();
    }
  });

async function wholeWay(browser: Browser, base: string, way: Way): Promise<void> {
  const { technique, size, hasTouch = false, byKeys = false } = way;
  const context = await browser.newContext({ viewport: size, hasTouch, serviceWorkers: 'block' });
  const page = await context.newPage();
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  const hand = way.hand(page);
  const button = (name: string | RegExp) =>
    page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) });
  const go = (place: string | RegExp) => hand.press(page.getByRole('navigation').getByRole('link', { name: place }));
  const counts = page.getByTestId('counts');

  await page.goto(base);
  await expect(page.getByRole('heading', { name: 'An empty bench' })).toBeVisible();
  await hand.press(page.getByRole('link', { name: /who works here/ }));
  await hand.write(field(page, 'Add a person'), 'Ada');
  await hand.write(field(page, /Hourly rate/), '30');
  await hand.press(button('Add'));
  await expect(page.getByText('€30.00 an hour')).toBeVisible();
  await hand.pick(button(/Who works\?/), page.getByRole('menuitem', { name: 'Ada' }));

  await go('Rack');
  await hand.press(button('New glass'));
  await hand.write(field(page, 'Code', { exact: true }), 'G-1');
  await hand.write(field(page, 'Name', { exact: true }), 'green');
  await hand.press(button('Enter the glass'));
  await hand.press(button('Receive'));
  await hand.write(field(page, 'Label on it'), 'S1');
  await hand.write(field(page, 'Wide'), '800');
  await hand.write(field(page, 'High'), '600');
  await hand.press(button('Put it on the rack'));
  await expect(button(/sheet S1,/)).toBeVisible();

  await go('Jobs');
  await hand.press(button('New job'));
  await hand.write(field(page, 'What it is'), 'For panes');
  await hand.press(button('Enter the job'));
  // A slip is mended.
  await hand.press(button('Change'));
  await hand.write(field(page, 'What it is'), 'Four panes');
  await hand.press(button('Keep'));
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Four panes');
  await hand.press(button('Add a panel'));
  if (technique === 'lead')
    await hand.pick(page.getByRole('combobox', { name: 'Technique' }), page.getByRole('option', { name: 'leaded' }));
  await hand.write(field(page, 'Wide'), '200');
  await hand.write(field(page, 'High'), '200');
  await hand.press(button('Enter the panel'));
  const drawing = () =>
    hand.file(page.getByText(/^(Choose a|Another) drawing …$/), page.getByTestId('drawing-file'), DRAWING);
  await drawing();
  await hand.press(button('Take in these 4 pieces'));
  await expect(page.getByRole('heading', { name: 'Choose glass' })).toBeVisible();
  await hand.press(button('Pick the 4 without glass'));
  await hand.press(button(/G-1 green/));
  await expect(button(/4 here/)).toBeVisible();

  await go(/^Bench/);
  const say = async (words: string) => {
    await page.keyboard.press('/');
    await expect(field(page, /Tally line/)).toBeFocused();
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
  };
  const pressPiece = async (n: number) => {
    const board = boardOn(page);
    await hand.press(await pieceMark(board, n));
  };
  const pickAll = async () => {
    await pressPiece(1);
    const add = button('Add to what is picked');
    if ((await add.getAttribute('aria-pressed')) === 'false') await hand.press(add);
    for (const n of [2, 3, 4]) await pressPiece(n);
    await hand.press(add);
  };
  if (byKeys) {
    await say('all cut');
    await expect(page.getByRole('heading', { name: 'Cut from' })).toBeVisible();
    // The sheet has taken the focus: Enter goes on.
    await page.keyboard.press('Enter');
  } else {
    await pickAll();
    await hand.press(button(/^Cut from /));
  }
  await expect(counts).toContainText('4 cut');

  // Another screen at the same panel, from now on.
  const beside = await (await browser.newContext({ viewport: { width: 1024, height: 768 } })).newPage();
  beside.on('pageerror', (error) => wrong.push(error.message));
  await beside.goto(page.url());
  const seenBeside = beside.getByTestId('counts');
  await expect(seenBeside).toContainText('4 cut');

  // Three breaks: two go back to be cut, one is cut again at once; and each is told.
  for (const n of [1, 2]) {
    if (byKeys) await say(`${n} broke dropped`);
    else {
      await pressPiece(n);
      await hand.press(button('Broke …'));
      await hand.pick(page.getByRole('combobox', { name: 'Why' }), page.getByRole('option', { name: 'dropped' }));
      await hand.press(button('Broke: to be cut again'));
    }
    await expect(counts).toContainText('1 to cut');
    if (byKeys) await say(`${n} cut from s1`);
    else {
      await hand.press(button(/^Cut again from /));
    }
    await expect(counts).toContainText(`4 cut · ${n} recut`);
  }
  if (byKeys) await say('3 recut dropped from s1');
  else {
    await pressPiece(3);
    await hand.press(button('Broke …'));
    await hand.press(button('Recut from …'));
    await hand.press(button('Recut'));
  }
  await expect(counts).toContainText('4 cut · 3 recut');
  await hand.press(button(/^Take back:/));
  await expect(counts).toContainText('4 cut · 2 recut');
  await hand.press(button(/^Do again:/));
  await expect(counts).toContainText('4 cut · 3 recut');

  await expect(seenBeside).toContainText('4 cut · 3 recut');

  // The same drawing once more: what was done stays. Taken back it asks first, for all that was done to it goes with it.
  await go(/^Cartoon/);
  await drawing();
  await hand.press(button('Take in these 4 pieces'));
  await hand.press(button(/^Take back: drawing panes.svg taken in/));
  await hand.press(page.getByRole('alertdialog').getByRole('button', { name: 'Take it back' }));
  await hand.press(button(/^Do again: drawing panes.svg taken in/));
  await go(/^Bench/);
  await expect(counts).toContainText('4 cut · 3 recut');

  // What is done on the other screen is seen here, and taken back there.
  await beside.getByLabel(/Tally line/).fill('2 ground');
  await beside.keyboard.press('Enter');
  await expect(counts).toContainText('3 cut · 1 ground');
  await beside.getByRole('button', { name: /^Take back: 2 ground/ }).click();
  await expect(counts).toContainText('4 cut · 3 recut');

  const words = technique === 'lead' ? ['Ground', 'Leaded'] : ['Ground', 'Foiled', 'In place'];
  if (!byKeys) await pickAll();
  for (const word of words) {
    if (byKeys) await say(`all ${word.toLowerCase()}`);
    else await hand.press(button(word));
    await expect(counts).toContainText(`4 ${word.toLowerCase()}`);
  }
  await expect(seenBeside).toContainText(`4 ${words.at(-1)?.toLowerCase() ?? ''}`);
  await beside.context().close();

  await go(/^Finish/);
  const doneOf = (verb: RegExp) =>
    page.getByRole('listitem').filter({ hasText: verb }).getByRole('button', { name: 'Done' });
  const dialog = page.getByRole('dialog');
  for (const side of ['front', 'back']) {
    await hand.press(doneOf(new RegExp(`^Solder the ${side}`)));
    await hand.press(dialog.getByRole('button', { name: 'I have looked at all of them' }));
    await hand.press(dialog.getByRole('button', { name: `The ${side} is soldered` }));
    await expect(page.getByText(new RegExp(`^9 of 9 joints soldered on the ${side}`))).toBeVisible();
  }
  if (technique === 'lead') {
    await hand.press(doneOf(/^Cement/));
    // What comes after it asks for it to be done.
    await expect(doneOf(/^Cement/)).toHaveCount(0);
  }
  await hand.press(doneOf(/^Deliver/));
  await expect(dialog).toContainText('4 pieces');
  await expect(dialog).toContainText(/Glass that broke3 times/);
  await hand.press(dialog.getByRole('button', { name: /^Deliver/ }));
  await expect(page.getByText('Delivered').first()).toBeVisible();
  await go('Today');
  await expect(page.getByText('The ledge is empty: every job is delivered.')).toBeVisible();
  expect(wrong).toEqual([]);
  await context.close();
}
