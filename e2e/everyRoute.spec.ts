import { expect, test, type Browser, type Page } from '@playwright/test';
import type { PanelAnswer, StudioAnswer } from '#contract';
import { RETIRED_ROUTES } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { finger, keys, mouse, type Hand, field } from './handsOf.ts';
import { OwnServer } from './ownServer.ts';
import { laneOwnPort } from './servers.ts';
import { boardOn, pieceMark } from '../scripts/onBoard.ts';

/** Two panes side by side: seven lines that meet at six joints. */
const PANES = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="120mm" viewBox="0 0 200 120"><g fill="none" stroke="#000"><rect width="200" height="120"/><path d="M100 0V120"/></g></svg>`;

const HANDS = [
  { by: 'by mouse', size: { width: 1280, height: 800 }, hand: mouse },
  { by: 'by keys alone', size: { width: 1280, height: 800 }, hand: keys, byKeys: true },
  { by: 'by touch alone', size: { width: 1024, height: 768 }, hand: finger, hasTouch: true },
] as const;

// Each has a server of its own, so they need not wait for one another.
test.describe.configure({ mode: 'parallel' });
for (const way of HANDS)
  test(`a panel by every other shipped way of working, from the first cut to delivered, ${way.by}`, async ({
    browser,
  }) => {
    test.setTimeout(1_200_000);
    const server = new OwnServer(laneOwnPort());
    await server.start();
    try {
      await everyRoute(browser, server.base, way);
    } finally {
      await server.remove();
    }
  });

type Step = StudioAnswer['routeSteps'][number];

async function everyRoute(browser: Browser, base: string, way: (typeof HANDS)[number]): Promise<void> {
  const context = await browser.newContext({
    viewport: way.size,
    hasTouch: 'hasTouch' in way,
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  const studio = studioOver(page, base);
  const { routes: all, routeSteps } = await studio.get<StudioAnswer>('/studio');
  const routes = all.filter(({ id }) => !RETIRED_ROUTES.has(id));
  expect(routes.length).toBeGreaterThanOrEqual(8);
  await studio.open();
  // The two plain ones are gone through from an empty studio elsewhere.
  for (const route of routes.filter(({ key }) => key !== 'foil' && key !== 'lead')) {
    const steps = routeSteps.filter(({ routeId }) => routeId === route.id).sort((a, b) => a.place - b.place);
    await studio.panel(route.key, route.technique, route.key);
    await page.goto(`${base}/panels/${route.key}/bench`);
    await atTheBench(page, steps, way, way.hand(page));
    await toDelivery(page, steps, way.hand(page));
    const { panel, pieces, steps: done } = await studio.get<PanelAnswer>(`/panels/${route.key}`);
    expect(panel.deliveredAt, route.name).not.toBeNull();
    const codes = steps.filter(({ scope }) => scope === 'panel').map(({ code }) => code);
    expect(done.map(({ step }) => step).sort(), route.name).toEqual(codes.sort());
    const last = steps.filter(({ scope }) => scope === 'piece').at(-1)?.code;
    expect(
      pieces.map(({ stage }) => stage),
      route.name,
    ).toEqual([last, last]);
    const second = steps.find(({ deed }) => deed === 'takes-back');
    const ofTwo = second ? (second.onlyAsked ? 1 : 2) : 0;
    expect(pieces.filter(({ backFrom }) => backFrom === 'S1').length, route.name).toBe(ofTwo);
  }
  expect(wrong).toEqual([]);
  await context.close();
}

/** What lies before the bench is put there as other screens would have sent it. */
function studioOver(page: Page, base: string) {
  let n = 0;
  const post = async (path: string, more: object) => {
    const { seq } = (await (await page.request.get(`${base}/api/studio`)).json()) as StudioAnswer;
    const facts = { commandId: `every-route-${n++}`, bench: 'another', personId: null, basis: seq };
    const answer = await page.request.post(`${base}/api${path}`, { data: { ...facts, ...more } });
    expect(answer.status(), await answer.text()).toBe(200);
  };
  const send = (kind: string, ask: object) => post('/commands', { command: { kind, ask } });
  const glass = { colour: '#336655', texture: 'smooth', thicknessMm: 3, hiding: 'clear', flow: false };
  return {
    get: async <T>(path: string) => (await (await page.request.get(`${base}/api${path}`)).json()) as T,
    open: async () => {
      await send('save-glass', { id: 'g', code: 'G-1', name: 'green', ...glass, priceCentsPerM2: 9000 });
      const sheet = { glassId: 'g', kind: 'sheet', widthMm: 1200, heightMm: 900, place: '', costCents: 9000 };
      await send('receive', { label: 'S1', ...sheet });
      await send('save-commission', { id: 'job', title: 'One of each', client: '', due: null, note: '' });
    },
    panel: async (id: string, technique: 'foil' | 'lead', route: string) => {
      const size = { widthMm: 200, heightMm: 120, allowance: DEFAULT_ALLOWANCE[technique] };
      await send('save-panel', { id, commissionId: 'job', name: id, technique, ...size });
      await post(`/panels/${id}/cartoon`, { source: PANES, sourceName: 'panes.svg' });
      await send('choose-glass', { panelId: id, numbers: [1, 2], glassId: 'g' });
      if (route !== technique) await send('follow-route', { panelId: id, route });
    },
  };
}

const capital = (word: string): string => `${word.slice(0, 1).toUpperCase()}${word.slice(1)}`;
/** Of what only some pieces want, the first layer and its firing, and a plate: on one piece. */
const isWanted = (steps: readonly Step[], { code }: Step): boolean => {
  const first = steps.filter(({ onlyAsked }) => onlyAsked).slice(0, 2);
  return code === 'plated' || first.some((step) => step.code === code);
};

async function atTheBench(page: Page, steps: readonly Step[], way: (typeof HANDS)[number], hand: Hand): Promise<void> {
  const byKeys = 'byKeys' in way;
  const button = (name: string | RegExp) =>
    page.getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) });
  const counts = page.getByTestId('counts');
  const say = async (words: string) => {
    await page.keyboard.press('/');
    await expect(field(page, /Tally line/)).toBeFocused();
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
  };
  const pick = async (...numbers: number[]) => {
    if (byKeys) {
      // On the picture arrows go from piece to piece.
      await hand.press(boardOn(page));
      const picked = page.locator(`[data-selected="${numbers.join(' ')}"]`);
      for (let i = 0; i < 4 && (await picked.count()) === 0; i++)
        await page.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft', { delay: 50 });
      return expect(picked).toHaveCount(1);
    }
    for (const n of numbers) {
      await hand.press(await pieceMark(boardOn(page), n));
      if (numbers.length > 1 && n === numbers[0]) await hand.press(button('Add to what is picked'));
    }
    if (numbers.length > 1) await hand.press(button('Add to what is picked'));
  };
  await expect(counts).toContainText('2 to cut');
  const own = steps.filter(({ scope, deed }) => scope === 'piece' && deed !== 'begins');
  const [cut, ...rest] = own;
  if (steps.some(({ code }) => code === 'apart')) {
    // Of an old panel the pieces are there already.
    const old = page.getByRole('menuitem', { name: 'The old piece, cleaned and sorted back' });
    if (byKeys) await say('all old');
    else {
      await pick(1, 2);
      await hand.pick(button('Not cut here …'), old);
    }
  } else if (byKeys) {
    await say('all cut');
    await expect(page.getByRole('heading', { name: 'Cut from' })).toBeVisible();
    await page.keyboard.press('Enter');
  } else {
    await pick(1, 2);
    await hand.press(button(/^Cut from /));
  }
  await expect(counts).toContainText(`2 ${cut?.word ?? 'cut'}`);
  const asked = rest.filter((step) => step.onlyAsked && isWanted(steps, step));
  if (asked.length > 0) {
    await pick(1);
    await hand.press(button('Painted, plated …'));
    for (const { word } of asked.filter(({ code }) => !code.endsWith('-fired')))
      await hand.tick(page.getByRole('checkbox', { name: new RegExp(`^${word}`) }));
    await page.keyboard.press('Escape');
    await expect(button(/^Also traced/)).toBeVisible();
  }
  for (const step of rest.filter((one) => !one.onlyAsked || isWanted(steps, one))) {
    const numbers = step.onlyAsked ? [1] : [1, 2];
    if (step.deed === 'takes-back') {
      // The second glass leaves the rack as the first one did.
      if (byKeys) {
        await say(`${numbers.map((n) => `${n}b`).join(' ')} cut`);
        await expect(page.getByRole('heading', { name: 'Cut from' })).toBeVisible();
        await page.keyboard.press('Enter');
      } else {
        await pick(...numbers);
        await hand.press(button(numbers.length > 1 ? /^Cut the second glasses from / : /^Cut 1b from /));
      }
    } else if (byKeys) await say(`${numbers.join(', ')} ${step.calls[0] ?? ''}`);
    else {
      await pick(...numbers);
      await hand.press(button(capital(step.word)));
    }
    await expect(counts).toContainText(`${numbers.length} ${step.word}`);
  }
}

async function toDelivery(page: Page, steps: readonly Step[], hand: Hand): Promise<void> {
  await hand.press(page.getByRole('navigation').getByRole('link', { name: /^Finish/ }));
  const dialog = page.getByRole('dialog');
  for (const step of steps.filter(({ scope }) => scope === 'panel')) {
    const line = page.getByRole('listitem').filter({ hasText: new RegExp(`^${step.verb}`) });
    const done = line.getByRole('button', { name: 'Done' });
    await hand.press(done);
    const side = step.deed === 'solders-front' ? 'front' : step.deed === 'solders-back' ? 'back' : null;
    if (side !== null) {
      await hand.press(dialog.getByRole('button', { name: 'I have looked at all of them' }));
      await hand.press(dialog.getByRole('button', { name: `The ${side} is soldered` }));
    }
    if (step.deed === 'delivers') await hand.press(dialog.getByRole('button', { name: /^Deliver/ }));
    await expect(done).toHaveCount(0);
  }
  await expect(page.getByText('Delivered').first()).toBeVisible();
}
