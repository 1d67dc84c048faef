import { expect, test, type Page } from '@playwright/test';
import { barriers } from './axe.ts';
import { DEMO } from './servers.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

const SIZES = [
  { width: 1280, height: 800 },
  { width: 1024, height: 768 },
  { width: 800, height: 1280 },
  { width: 390, height: 844 },
] as const;

const press = (name: string | RegExp) => async (page: Page) => {
  await page
    .getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) })
    .first()
    .click();
};
const say = (words: string) => async (page: Page) => {
  await page.getByLabel(/Tally line/).fill(words);
  await page.keyboard.press('Enter');
};
const piece = (n: number) => async (page: Page) => {
  const board = boardOn(page);
  await (await pieceMark(board, n)).click();
};
const list = (name: string) => async (page: Page) => page.getByRole('combobox', { name, exact: true }).click();
const done = (step: RegExp) => async (page: Page) =>
  page.getByRole('listitem').filter({ hasText: step }).getByRole('button', { name: 'Done' }).click();

type Act = (page: Page) => Promise<void>;
/** Everything that lies over or beside a place: where it is, what opens it, what it is. */
const OVER: readonly (readonly [what: string, place: string, opens: readonly Act[], part: string])[] = [
  ['receiving glass', '/rack?receive=1', [], '[role="dialog"]'],
  ['a new glass', '/rack?glass=1', [], '[role="dialog"]'],
  ['a sheet, being corrected', '/rack?item=T7', [press('Correct what was entered')], '[role="dialog"]'],
  [
    'taking a sheet out',
    '/rack?item=T7',
    [press('Correct what was entered'), press(/never came/)],
    '[role="alertdialog"]',
  ],
  ['a glass and its menu', '/rack', [press(/^A-03 low sun/), press('More for A-03')], '[role="menu"]'],
  ['a new job', '/jobs?new=1', [], '[role="dialog"]'],
  ['a job, changed', '/jobs/job-tide', [press('Change')], '[role="dialog"]'],
  ['a new panel', '/jobs/job-tide', [press('Add a panel')], '[role="dialog"]'],
  ['the menu of a panel', '/jobs/job-tide', [press('More for Light 2')], '[role="menu"]'],
  ['a list that is open', '/setup', [list('Money')], '[role="listbox"]'],
  [
    'the question before deleting',
    '/setup',
    [press('More for Morven'), async (page) => page.getByRole('menuitem', { name: /Delete/ }).click()],
    '[role="alertdialog"]',
  ],
  ['finding', '/', [async (page) => page.keyboard.press('Control+k')], '[role="dialog"]'],
  ['the keys', '/panels/heron/bench', [async (page) => page.keyboard.press('?')], '[role="dialog"]'],
  ['help', '/panels/heron/bench', [press('Help')], '[role="dialog"]'],
  ['who works', '/', [press(/Who works\?|Kesta/)], '[role="menu"]'],
  ['other work', '/panels/heron/bench', [press(/^Other work/)], '[role="menu"]'],
  ['one piece', '/panels/heron/bench', [piece(44)], 'aside'],
  ['what broke it', '/panels/heron/bench', [piece(44), press('Broke …')], 'aside'],
  ['why it is returned', '/panels/heron/bench', [piece(90), press('Return …')], 'aside'],
  ['from which sheet', '/panels/heron/bench', [say('1-8 cut')], 'aside'],
  ['the number pad', '/panels/heron/bench', [press('Number pad')], '[role="group"][aria-label="Number pad"]'],
  ['open joints', '/panels/tide-1/finish', [done(/^Solder the back/)], '[role="dialog"]'],
  ['a line to be added', '/panels/heron/cartoon', [press('Add a line')], 'aside'],
  ['came and gap', '/panels/heron/cartoon', [press('Came & gap')], 'aside'],
  ['sections', '/panels/heron/cartoon', [press('Sections')], 'aside'],
  ['numbers', '/panels/heron/cartoon', [press('Numbers'), piece(1)], 'aside'],
  ['the glasses', '/panels/heron/glass', [], 'aside'],
];

// Nothing is changed by them, so they need not wait for one another.
test.describe.configure({ mode: 'parallel' });
for (const [what, place, opens, part] of OVER)
  test(`${what}: nothing stands in the way of anybody, at four sizes, by day and by lamplight`, async ({ page }) => {
    await page.goto(DEMO + place);
    await expect(page.locator('main')).toBeAttached();
    await page.evaluate(() => document.fonts.ready);
    for (const open of opens) await open(page);
    const found: string[] = [];
    await expect(page.locator(part).first()).toBeVisible();
    for (const size of SIZES) {
      await page.setViewportSize(size);
      // A list closes when the window changes, which it is told of with the next frame.
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      if (!(await page.locator(part).first().isVisible())) for (const open of opens) await open(page);
      // What lies over a place is answered before the place is seen again: it alone is looked at. All rules by day, and
      // contrast, which is all that lamplight changes, by lamplight.
      for (const theme of ['light', 'dark'] as const) {
        // In an open list the entries themselves take the focus, and scroll with it.
        const without = part === '[role="listbox"]' ? ['scrollable-region-focusable'] : [];
        const barred = await barriers(page, { theme, within: part, without });
        found.push(...barred.map((what) => `${size.width} ${theme} ${what}`));
      }
      const over = await page
        .locator(part)
        .first()
        .evaluate((element) => {
          const { left, right } = element.getBoundingClientRect();
          return Math.max(0, -left, right - window.innerWidth);
        });
      if (over > 1) found.push(`${size.width}: reaches ${Math.round(over)} px beyond the window`);
    }
    expect(found).toEqual([]);
  });
