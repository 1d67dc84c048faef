import { expect, test, type Locator, type Page } from '@playwright/test';
import type { PanelAnswer } from '#contract';
import { BEGINS } from '#core/bench';
import { boardOn, jointsOn, pieceOn } from '../scripts/onBoard.ts';
import { ownDemo } from './ownServer.ts';

test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

type Place = readonly [number, number];

/** A finger that counts: a tap is one, a drag is one, and so is each key that is typed. */
class Counting {
  taps = 0;
  typed = 0;
  private readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }
  async tap(what: Locator): Promise<void> {
    await what.tap();
    this.taps++;
  }
  async tapAt([x, y]: Place): Promise<void> {
    await this.page.touchscreen.tap(x, y);
    this.taps++;
  }
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.typed += text.length;
  }
  /** Draws round a rectangle, as with a lasso. */
  async drawRound({ x, y, width, height }: { x: number; y: number; width: number; height: number }): Promise<void> {
    await this.page.mouse.move(x, y);
    await this.page.mouse.down();
    for (const [atX, atY] of [
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
      [x, y + 2],
    ] as const)
      await this.page.mouse.move(atX, atY, { steps: 4 });
    await this.page.mouse.up();
    this.taps++;
  }
}

/** What a hand draws round some places, with a little room. */
function boxOf(places: readonly Place[]) {
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs) - 4, Math.min(...ys) - 4];
  return { x, y, width: Math.max(...xs) + 4 - x, height: Math.max(...ys) + 4 - y };
}

/** What a studio does most, in how many taps. What it took before is written beside each, as it was counted then. */
test.describe('Few taps', () => {
  const studio = ownDemo();
  const at = (page: Page) => async (piece: number) => (await pieceOn(boardOn(page), piece)).at;
  const panel = async (page: Page, id: string) =>
    (await (await page.request.get(`${studio.base}/api/panels/${id}`)).json()) as PanelAnswer;
  const open = async (page: Page, path: string) => {
    await page.goto(`${studio.base}${path}`);
    return new Counting(page);
  };

  test('a piece is cut by two (three before)', async ({ page }) => {
    const finger = await open(page, '/panels/heron/bench');
    await finger.tapAt(await at(page)(1));
    await finger.tap(page.getByRole('button', { name: /^Cut (as laid out, )?from / }));
    await expect
      .poll(async () => (await panel(page, 'heron')).pieces.find((piece) => piece.number === 1)?.stage)
      .toBe('cut');
    expect([finger.taps, finger.typed]).toEqual([2, 0]);
  });

  test('twelve pieces get a glass by fourteen, or by three with the lasso (twenty-four before)', async ({ page }) => {
    const finger = await open(page, '/panels/heron/glass');
    const rack = page.getByRole('list', { name: 'Glasses on the rack' });
    // Glass that is cut keeps its own.
    const uncut = (await panel(page, 'heron')).pieces.filter((piece) => piece.stage === BEGINS);
    const twelve = uncut.slice(0, 12).map((piece) => piece.number);
    const glassOf = async (isMeant: (piece: number) => boolean) =>
      (await panel(page, 'heron')).pieces.flatMap((piece) => (isMeant(piece.number) ? [piece.glassId] : []));
    const glasses = async () => new Set(await glassOf((piece) => twelve.includes(piece))).size;
    expect(await glasses()).toBeGreaterThan(1);
    await finger.tap(page.getByRole('button', { name: 'Add to what is picked' }));
    for (const piece of twelve) await finger.tapAt(await at(page)(piece));
    await finger.tap(rack.getByRole('button', { name: /^A-03/ }));
    await expect.poll(glasses).toBe(1);
    expect(finger.taps).toBe(14);
    // Glass between them that is cut is picked with them, and keeps its own.
    const before = await glassOf(() => true);
    const again = await open(page, '/panels/heron/glass');
    await again.tap(page.getByRole('button', { name: 'Lasso' }));
    await again.drawRound(boxOf(await Promise.all(twelve.map(at(page)))));
    await expect(page.getByText(/are cut already and keep their glass/)).toBeVisible();
    await again.tap(rack.getByRole('button', { name: /^C-04/ }));
    await expect.poll(async () => (await glassOf((number) => twelve.includes(number)))[0]).not.toBe(before[0]);
    const after = await glassOf(() => true);
    const changed = after.flatMap((glass, i) => (glass === before[i] ? [] : [i]));
    expect(changed).toHaveLength(12);
    expect(again.taps).toBe(3);
  });

  test('six sheets like one that is there arrive by four and one digit (thirty and more before)', async ({ page }) => {
    const finger = await open(page, '/rack');
    await finger.tap(page.getByRole('button', { name: /^sheet / }).first());
    await finger.tap(page.getByRole('button', { name: 'Receive more like it' }));
    await finger.tap(page.getByRole('dialog').getByLabel('How many'));
    await finger.type('6');
    await finger.tap(page.getByRole('button', { name: 'Put it on the rack' }));
    await expect(page.getByText(/ on the rack\.$/)).toBeVisible();
    expect([finger.taps, finger.typed]).toEqual([4, 1]);
  });

  test('a border came is set by four from the bench on (twenty-three before)', async ({ page }) => {
    const finger = await open(page, '/panels/tide-2/bench');
    await finger.tap(page.getByRole('link', { name: /^Measure/ }));
    await finger.tap(page.getByRole('combobox', { name: 'Border came' }));
    await finger.tap(page.getByRole('option', { name: /^U came of zinc/ }).first());
    await finger.tap(page.getByRole('button', { name: 'Keep', exact: true }));
    await expect(page.getByText(/^Kept/)).toBeVisible();
    expect(finger.taps).toBe(4);
  });

  test('ten joints are ticked by eleven, one after the other, or by three (ten characters typed before)', async ({
    page,
  }) => {
    const soldered = async () => (await panel(page, 'tide-2')).joints.filter(({ frontAt }) => frontAt !== null).length;
    const finger = await open(page, '/panels/tide-2/bench');
    await page.getByLabel(/Tally line/).fill('1-32 leaded');
    await page.keyboard.press('Enter');
    await expect(page.getByTestId('counts')).toHaveText(/^32 leaded/);
    expect(await soldered()).toBe(0);
    await finger.tap(page.getByRole('radio', { name: 'Joints' }));
    for (let joint = 1; joint <= 10; joint++) await finger.tapAt((await jointsOn(boardOn(page))).get(joint) ?? [0, 0]);
    await expect.poll(soldered).toBe(10);
    expect(finger.taps).toBe(11);
    const again = await open(page, '/panels/tide-2/bench');
    await again.tap(page.getByRole('radio', { name: 'Joints' }));
    await again.tap(page.getByRole('button', { name: 'Lasso' }));
    const places = await jointsOn(boardOn(page));
    await again.drawRound(boxOf(Array.from({ length: 20 }, (_, i) => places.get(11 + i) ?? [0, 0])));
    await expect.poll(soldered).toBeGreaterThanOrEqual(20);
    expect(again.taps).toBe(3);
  });
});
