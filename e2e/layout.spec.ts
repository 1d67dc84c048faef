import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import type { PanelAnswer, RackAnswer } from '#contract';
import { ownDemo } from './ownServer.ts';
import { DEMO } from './servers.ts';
import { boardOn, panelOf, pieceMark } from '../scripts/onBoard.ts';

/** All glasses are laid out: none waits, none is being looked for. */
async function isSettled(page: Page): Promise<void> {
  await expect(page.getByRole('list', { name: 'What it takes' }).getByRole('listitem').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Look longer' })).toBeVisible({ timeout: 180_000 });
  await expect(page.getByText('waits its turn')).toHaveCount(0);
}

/** Numbers of the pieces of the panel that is open which are to be cut. */
async function toBeCut(page: Page): Promise<number[]> {
  const { pieces } = await panelOf(boardOn(page));
  return pieces.flatMap((piece) => (piece.stage === 'to-cut' ? piece.number : []));
}

test.describe('Layout', () => {
  test('every piece that is to be cut lies on a sheet of its glass, and the sheet comes apart break by break', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/panels/heron/bench`);
    const toCut = await toBeCut(page);
    await page.goto(`${DEMO}/panels/heron/layout`);
    await isSettled(page);
    const sheets = page.getByRole('main').getByRole('img');
    const laid = (await sheets.locator('text').allTextContents()).filter((words) => /^\d+$/.test(words)).map(Number);
    expect(laid.sort((a, b) => a - b)).toEqual([...new Set(toCut)].sort((a, b) => a - b));

    const sheet = page.getByRole('button', { name: /break by break/ }).first();
    const label = (await sheet.getByRole('img').getAttribute('aria-label')) ?? '';
    const breaks = Number(/(\d+) breaks/.exec(label)?.[1]);
    expect(breaks).toBeGreaterThan(0);
    await sheet.click();
    await expect(page.getByRole('status')).toContainText(`Break 1 of ${breaks}`);
    for (let k = 0; k < breaks; k++) await page.getByRole('button', { name: /(First|Next) break/ }).click();
    await expect(page.getByRole('status')).toHaveText(`All ${breaks} breaks are made.`);
    // Nothing more to break: it says why, and stays.
    await page.getByRole('button', { name: 'Next break' }).click({ force: true });
    await expect(page.getByText('The sheet is apart.').first()).toBeVisible();
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('status')).toContainText(`Break ${breaks} of ${breaks}`);
    // The first is the hint's, which is still open beside the button.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(sheet).toBeVisible();
  });

  test('the same question has the same answer, another one is looked for anew', async ({ page }) => {
    const told = async () => {
      await isSettled(page);
      return page.getByRole('list', { name: 'What it takes' }).innerText();
    };
    await page.goto(`${DEMO}/panels/heron/layout`);
    const first = await told();
    await page.reload();
    expect(await told()).toBe(first);
    await page.getByRole('radio', { name: 'Least glass' }).click();
    await expect.poll(told).not.toBe(first);
    await page.getByRole('radio', { name: 'Offcuts first' }).click();
    expect(await told()).toBe(first);
  });

  test('where all is cut it says so', async ({ page }) => {
    await page.goto(`${DEMO}/panels/tide-1/layout`);
    await expect(page.getByText('Every piece is cut: nothing is left to lay out.')).toBeVisible();
    await page.getByRole('button', { name: 'Lay out anew' }).click({ force: true });
    await expect(page.getByText('Nothing is to be laid out.').first()).toBeVisible();
  });

  test('a layout is kept; what is cut from a sheet takes its glass as it lies, and the rest goes back in its true shape', async ({
    page,
  }) => {
    await page.goto(`${DEMO}/panels/heron/layout`);
    await isSettled(page);
    await page.getByRole('button', { name: 'Keep this layout' }).click();
    await expect(page.getByRole('button', { name: 'Lay out anew' })).toBeVisible();
    // It is there after a reload, without a search.
    await page.reload();
    const sheet = page.getByRole('figure').filter({ hasText: /[2-9] breaks, kept/ });
    const label = (await sheet.first().locator('b').first().innerText()).trim();
    await sheet.first().getByRole('button').click();
    const next = page.getByRole('button', { name: /(First|Next) break/ });
    const cut = page.getByRole('button', { name: /^Cut: / });
    while (!(await cut.isVisible())) await next.click();
    const numbers = (await cut.innerText()).replace('Cut: ', '');
    const [first = ''] = numbers.split(/[, –]/);
    await cut.click();
    await expect(page.getByText(`${numbers} cut from ${label}.`).first()).toBeVisible();
    await page.goto(`${DEMO}/panels/heron/bench`);
    expect((await panelOf(boardOn(page))).pieces).toContainEqual(
      expect.objectContaining({ number: Number(first), stage: 'cut' }),
    );
    // On the rack stands what is left, in the outline that the breaks gave it.
    const rack = (await (await page.request.get(`${DEMO}/api/rack`)).json()) as RackAnswer;
    const left = rack.stock.filter((item) => item.rootId === label && item.outline !== null);
    expect(left.length).toBeGreaterThan(0);
    for (const item of left) expect(Math.abs(areaOf(item.outline ?? []) - item.areaMm2)).toBeLessThan(1);
    await page.goto(`${DEMO}/rack`);
    await expect(page.getByRole('button', { name: /its true shape/ }).first()).toBeVisible();
    // Both steps are taken back: the sheet is whole again, and free.
    await page.goto(`${DEMO}/panels/heron/layout`);
    const undo = page.getByRole('button', { name: /^Take back: / });
    await expect(undo).toHaveAccessibleName(/cut from/);
    await undo.click();
    await expect(undo).toHaveAccessibleName(/laid out on/);
    await undo.click();
    await expect(page.getByRole('button', { name: 'Keep this layout' })).toBeVisible();
    const again = (await (await page.request.get(`${DEMO}/api/rack`)).json()) as RackAnswer;
    expect(again.laid).toEqual([]);
    expect(again.stock.find((item) => item.id === label)).toMatchObject({ outline: null, breaks: null });
  });

  test('the finder shows a piece on what takes it, and one press cuts it from there', async ({ page }) => {
    await page.goto(`${DEMO}/panels/heron/bench`);
    const [waiting = 0] = await toBeCut(page);
    const board = boardOn(page);
    await (await pieceMark(board, waiting)).click();
    const takers = page.getByRole('region', { name: 'Takes it' });
    const best = takers.getByRole('button').first();
    await expect(best).toContainText('from');
    const [, label = ''] = /from (\S+)/.exec(await best.innerText()) ?? [];
    await best.click();
    await expect(page.getByText(`Cut from ${label}.`).first()).toBeVisible();
    await expect(page.getByText(label, { exact: true }).first()).toBeVisible();
    const undo = page.getByRole('button', { name: /^Take back: / });
    await undo.click();
    await expect(undo).toHaveAccessibleName(/laid out on/);
    await undo.click();
    await expect(takers.getByRole('button').first()).toBeVisible();
  });

  test('on the light table a pattern is laid, turned and judged, and stays as it was laid', async ({ page }) => {
    await page.goto(`${DEMO}/panels/heron/layout`);
    await isSettled(page);
    await page.getByRole('button', { name: 'Light table' }).first().click();
    const lay = page.getByRole('button', { name: /^Lay \d+ on the sheet$/ });
    await expect(lay.first()).toBeVisible();
    await lay.first().click();
    await lay.first().click();
    const patterns = page.locator('[data-pattern]');
    await expect(patterns).toHaveCount(2);
    const [one, two] = [patterns.nth(0), patterns.nth(1)];
    const told = page.getByRole('main').getByRole('status');
    await expect(told).toContainText('The breaks go right across');
    // By keys: one is turned, and moved onto the other, which is said at once.
    await two.focus();
    await page.keyboard.press('Shift+>');
    await expect(page.getByLabel('Turned, degrees clockwise')).toHaveValue(/^\d+$/);
    const [from, to] = [await two.boundingBox(), await one.boundingBox()];
    if (!from || !to) throw new Error('no pattern is seen');
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2 + 4, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
    await expect(told).toContainText('lie on each other');
    await page.getByRole('button', { name: 'As it was' }).click();
    await expect(patterns).toHaveCount(0);
    await lay.first().click();
    await page.getByLabel('Turned, degrees clockwise').fill('33');
    await page.getByRole('button', { name: 'Keep it so' }).click();
    await expect(page.getByRole('button', { name: 'As it was' })).toHaveCount(0);
    await page.reload();
    await expect(patterns).toHaveCount(1);
    await expect(patterns).toHaveAccessibleName(/turned 33°/);
    await page.getByRole('button', { name: 'All sheets' }).click();
    await expect(page.getByText(/1 laid by hand/)).toBeVisible();
    await page.getByRole('button', { name: /^Take back: / }).click();
    await expect(page.getByText(/laid by hand/)).toHaveCount(0);
  });
});

/** Of a ring, mm². */
const areaOf = (ring: readonly (readonly [number, number])[]): number =>
  Math.abs(
    ring.reduce((sum, [x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length] ?? [0, 0];
      return sum + x * ny - nx * y;
    }, 0),
  ) / 2;

test.describe('Several panels on one sheet', () => {
  const studio = ownDemo();

  test('are laid out together, kept in one act, and cut each into its own log', async ({ page }) => {
    const { base } = studio;
    const panel = async (id: string) =>
      (await (await page.request.get(`${base}/api/panels/${id}`)).json()) as PanelAnswer;
    const heron = await panel('heron');
    const numbers = heron.pieces.filter((piece) => piece.stage === 'to-cut').map((piece) => piece.number);
    const command = { kind: 'choose-glass', ask: { panelId: 'heron', numbers, glassId: 'glass-v-12' } };
    const envelope = { commandId: randomUUID(), bench: 'bench-test', personId: null, basis: heron.seq };
    expect((await page.request.post(`${base}/api/commands`, { data: { ...envelope, command } })).status()).toBe(200);

    await page.goto(`${base}/panels/fanlight/layout`);
    const together = page.getByRole('group', { name: 'Laid out together with' }).getByRole('checkbox');
    await together.click();
    await isSettled(page);
    await page.getByRole('button', { name: 'Keep this layout' }).click();
    await expect(page.getByText(/pieces laid out on \d+ sheets?\./)).toBeVisible();
    await expect(together).toBeDisabled();
    const laidOn = async () =>
      new Map((await panel('heron')).pieces.flatMap(({ number, spot }) => (spot ? [[number, spot.stockId]] : [])));
    const spots = await laidOn();
    expect(numbers.filter((number) => !spots.has(number))).toEqual([]);

    // The other panel shows them too, and cuts one sheet for both.
    await page.goto(`${base}/panels/heron/layout`);
    const shared = page.locator('figure', { hasText: 'kept' }).filter({ hasText: /A \d+/ }).first();
    await shared.getByRole('button').click();
    const next = page.getByRole('button', { name: /(First|Next) break/ });
    const cut = page.getByRole('button', { name: /^Cut: .*A \d+/ });
    const status = page.getByRole('status').filter({ hasText: /^(Break|All) \d/ });
    for (let k = 0; k < 60 && !(await cut.isVisible()); k++) {
      const before = await status.innerText();
      await next.click();
      await expect(status).not.toHaveText(before);
    }
    const words = (await cut.innerText()).replace('Cut: ', '');
    await cut.click();
    const theirs = [...words.matchAll(/A (\d+)/g)].map(([, number]) => Number(number));
    await expect
      .poll(async () => (await panel('fanlight')).pieces.filter((p) => p.from !== null).map((p) => p.number))
      .toEqual(theirs);
  });
});

test.describe('Pieces of two glasses', () => {
  const studio = ownDemo();

  test('lie twice, 12a and 12b: each is cut as it lies, from the sheet and at the bench', async ({ page }) => {
    const { base } = studio;
    const heron = async () => (await (await page.request.get(`${base}/api/panels/heron`)).json()) as PanelAnswer;
    const send = async (command: object) => {
      const envelope = { commandId: randomUUID(), bench: 'bench-test', personId: null, basis: (await heron()).seq };
      expect((await page.request.post(`${base}/api/commands`, { data: { ...envelope, command } })).status()).toBe(200);
    };
    const waiting = (await heron()).pieces.filter((piece) => piece.stage === 'to-cut');
    // Of the smallest there is room for two on what the rack has.
    const numbers = waiting
      .sort((a, b) => a.areaMm2 - b.areaMm2)
      .slice(0, 4)
      .map((piece) => piece.number);
    await send({ kind: 'follow-route', ask: { panelId: 'heron', route: 'foil-layered' } });
    await send({ kind: 'ask-steps', ask: { panelId: 'heron', numbers, steps: ['plated'] } });

    await page.goto(`${base}/panels/heron/layout`);
    await isSettled(page);
    await page.getByRole('button', { name: 'Keep this layout' }).click();
    await expect(page.getByText(/pieces laid out on \d+ sheets?\./)).toBeVisible();
    const behind = async () =>
      (await heron()).pieces.flatMap(({ number, backFrom, backSpot }) =>
        backSpot === null ? [] : [{ number, backFrom, stockId: backSpot.stockId }],
      );
    const [first, second] = await behind();
    expect((await behind()).map(({ number }) => number)).toEqual([...numbers].sort((a, b) => a - b));
    if (!first || !second) throw new Error('no second glass lies anywhere');

    // On the light table it is a pattern of its own.
    await page.goto(`${base}/panels/heron/layout?table=${encodeURIComponent(first.stockId)}`);
    await expect(page.getByRole('button', { name: new RegExp(`^Piece ${first.number}b, turned`) })).toBeVisible();
    await page.getByRole('button', { name: 'All sheets' }).click();

    await page.getByRole('button', { name: `${first.stockId}, break by break` }).click();
    const next = page.getByRole('button', { name: /(First|Next) break/ });
    const cut = page.getByRole('button', { name: new RegExp(`^Cut: .*\\b${first.number}b`) });
    const status = page.getByRole('status').filter({ hasText: /^(Break|All) \d/ });
    for (let k = 0; k < 60 && !(await cut.isVisible()); k++) {
      const before = await status.innerText();
      await next.click();
      await expect(status).not.toHaveText(before);
    }
    await cut.click();
    const fromOf = async (number: number) => (await behind()).find((one) => one.number === number)?.backFrom;
    await expect.poll(() => fromOf(first.number)).toBe(first.stockId);

    // At the bench nothing is asked: it is cut from where it lies by now.
    const lies = (await behind()).find((one) => one.number === second.number);
    await page.goto(`${base}/panels/heron/bench`);
    await expect(boardOn(page)).toBeVisible();
    await page.keyboard.press('/');
    await expect(page.getByLabel(/Tally line/)).toBeFocused();
    await page.keyboard.type(`${second.number}b cut`);
    await page.keyboard.press('Enter');
    await expect.poll(() => fromOf(second.number)).toBe(lies?.stockId);
  });
});
