import { spawn, spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type CDPSession, type Page } from '@playwright/test';
import type { Row } from './besideLibrary.ts';
import { addNet } from './benchNet.ts';
import { CHROMIUM } from './chromium.mjs';
import { boardOn, panelOf, piecesOn } from './onBoard.ts';
import { paintRows } from './paintBench.ts';

const PORT = '4329';
const BASE = `http://127.0.0.1:${PORT}`;
/** Most of main-thread work that a hand does not feel, and of opening a panel; ms. */
const MOST_TASK = 100;
const MOST_OPENING = 400;
const [ACROSS, DOWN] = [22, 24];
const OPENINGS = 20;
const TAPS = 40;
const ROUNDS = 7;
const RESTS_MS = 1500;
/** From the pointer's coming to a link until it is pressed: the least that a hand takes to aim (from memory), ms. */
const AIMS_MS = 100;
/** So long after an act the page is left to itself before its work is summed up. */
const SETTLES_MS = 220;

/**
 * What a hand feels of the interface: opening a panel from another place until all of its pieces are painted, and the
 * main thread's work after a tap, a mark, a change of place. Software rendering, so an upper bound of what a studio sees.
 */
export const feltBench = (root: string, folder: string): Promise<Row[]> =>
  withPage(root, folder, async (page, work) => {
    const pieces = ACROSS * DOWN;
    await addNet(BASE, { id: 'net', across: ACROSS, down: DOWN, glasses: 4, mixed: false });
    const rows: Row[] = [await pace(page, 'before')];
    for (const [panel, count] of [
      ['heron', 107],
      ['net', pieces],
    ] as const) {
      rows.push(row(`opening a panel of ${count} pieces`, await openings(page, panel), MOST_OPENING));
      rows.push(workRow(`a tap on one of ${count} pieces`, await taps(page, work, count), MOST_TASK));
      rows.push(workRow(`marking one of ${count} pieces`, await marks(page, work, panel), MOST_TASK));
    }
    rows.push(workRow('a change of place', await changes(page, work), MOST_TASK));
    rows.push(workRow('a change of step, 107 pieces', await steps(page, work, 'heron'), MOST_TASK));
    rows.push(workRow(`a change of step, ${pieces} pieces`, await steps(page, work, 'net'), MOST_TASK));
    return [...rows, await pace(page, 'after')];
  });

/** What the painting of a large panel costs, alone. */
export const paintBench = (root: string, folder: string): Promise<Row[]> =>
  withPage(root, folder, async (page) => [
    await pace(page, 'before'),
    ...(await paintRows(page, BASE)),
    await pace(page, 'after'),
  ]);

/** A page of a studio with the demo's work in it, and what the browser counts of its work. */
async function withPage(
  root: string,
  folder: string,
  bench: (page: Page, work: Work) => Promise<Row[]>,
): Promise<Row[]> {
  const env = { ...process.env, NELVIK_DATA: join(folder, 'felt'), PORT, HOST: '127.0.0.1' };
  rmSync(env.NELVIK_DATA, { recursive: true, force: true });
  spawnSync(process.execPath, [join(root, 'dist/server/demo.mjs')], { env, stdio: 'ignore' });
  const server = spawn(process.execPath, [join(root, 'dist/server/main.mjs')], {
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((up) => server.stdout.once('data', up));
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const counted = async (timeDomain: 'threadTicks' | 'timeTicks') => {
      const session = await page.context().newCDPSession(page);
      await session.send('Performance.enable', { timeDomain });
      return session;
    };
    return await bench(page, { byThread: await counted('threadTicks'), byClock: await counted('timeTicks') });
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Counts of the main thread's tasks: what it worked itself, and how long they took while other programs ran as well, ms. */
interface Work {
  readonly byThread: CDPSession;
  readonly byClock: CDPSession;
}
interface Spent {
  readonly work: number;
  readonly clock: number;
}

/** Held to what the main thread worked; how long that took by the clock stands beside it. */
function workRow(what: string, all: readonly Spent[], most: number): Row {
  const { figures } = row(
    what,
    all.map(({ work }) => work),
    most,
  );
  const clock = all.map((one) => one.clock).sort((a, b) => a - b);
  const at = (share: number) => (clock[Math.ceil(clock.length * share) - 1] ?? 0).toFixed(0);
  return { what, figures: `${figures}; by the clock ${at(0.5)} and ${at(0.95)} ms` };
}

export function row(what: string, times: readonly number[], most: number): Row {
  const sorted = [...times].sort((a, b) => a - b);
  // The nearest rank: as many of all as the share says took no longer.
  const at = (share: number) => sorted[Math.ceil(sorted.length * share) - 1] ?? 0;
  const p95 = at(0.95);
  const kept = p95 <= most ? '' : '  NOT KEPT';
  return {
    what,
    figures: `${at(0.5).toFixed(0)} ms median, ${p95.toFixed(0)} ms in 95 % of ${sorted.length} (at most ${most})${kept}`,
  };
}

/** The same work each time, so that figures of a machine that others use too can be read beside each other. */
async function pace(page: Page, when: string): Promise<Row> {
  const times = await page.evaluate(() =>
    Array.from({ length: 9 }, () => {
      const start = performance.now();
      Array.from({ length: 60_000 }, (_, i) => (i * 7919) % 60_013).sort((a, b) => a - b);
      return performance.now() - start;
    }).sort((a, b) => a - b),
  );
  const [least = 0, most = 0] = [times[0], times.at(-1)];
  return { what: `sixty thousand numbers sorted, ${when}`, figures: `${least.toFixed(0)} to ${most.toFixed(0)} ms` };
}

/** From the press on its link among the jobs until the panel is painted and a frame has shown it. */
async function openings(page: Page, panel: string): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < OPENINGS; i++) {
    await page.goto(`${BASE}/`);
    const link = page.locator(`a[href="/panels/${panel}/bench"]`).first();
    await link.waitFor();
    // The page has come to rest, as it has when somebody has looked for a panel.
    await page.waitForTimeout(RESTS_MS);
    // A hand has come to the link a moment before it presses.
    await link.hover();
    await page.waitForTimeout(AIMS_MS);
    times.push(
      await link.evaluate(
        (anchor) =>
          new Promise<number>((done) => {
            const start = performance.now();
            (anchor as HTMLAnchorElement).click();
            const look = () => {
              const board = document.querySelector('[data-testid="board"]');
              if (board?.parentElement?.querySelector('[data-painted]'))
                requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
              else requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
  }
  return times;
}

/** What an act takes of the main thread, until the page has come to rest. */
async function workOf(page: Page, work: Work, act: () => Promise<unknown>): Promise<Spent> {
  const taken = async (session: CDPSession) => {
    const { metrics } = await session.send('Performance.getMetrics');
    return (metrics.find((m) => m.name === 'TaskDuration')?.value ?? 0) * 1000;
  };
  const spent = async (): Promise<Spent> => ({ work: await taken(work.byThread), clock: await taken(work.byClock) });
  await page.waitForTimeout(SETTLES_MS);
  const before = await spent();
  await act();
  await page.waitForTimeout(SETTLES_MS);
  const after = await spent();
  return { work: after.work - before.work, clock: after.clock - before.clock };
}

/** Looked up before the clock starts, so that looking is not part of what is timed. */
async function middle(page: Page, selector: string): Promise<[number, number]> {
  const box = await page.locator(selector).first().boundingBox();
  if (!box) throw new Error(`${selector} is not drawn`);
  return [box.x + box.width / 2, box.y + box.height / 2];
}

async function taps(page: Page, work: Work, count: number): Promise<Spent[]> {
  const times: Spent[] = [];
  await page.waitForTimeout(RESTS_MS);
  const places = await piecesOn(boardOn(page));
  for (let i = 0; i < TAPS; i++) {
    const [x = 0, y = 0] = places.get(1 + ((i * 37) % count))?.at ?? [];
    times.push(await workOf(page, work, () => page.mouse.click(x, y)));
  }
  return times;
}

/** A word typed for a piece, from Enter on: what is done, told and drawn anew. */
async function marks(page: Page, work: Work, panel: string): Promise<Spent[]> {
  const times: Spent[] = [];
  const line = page.getByLabel(/Tally line/);
  await page.goto(`${BASE}/panels/${panel}/bench`);
  const board = boardOn(page);
  await board.waitFor();
  await page.waitForTimeout(RESTS_MS);
  const cut = (await panelOf(board)).pieces.flatMap((piece) => (piece.stage === 'cut' ? piece.number : []));
  for (const number of cut.slice(0, TAPS)) {
    await line.fill(`${number} ground`);
    times.push(await workOf(page, work, () => page.keyboard.press('Enter')));
  }
  return times;
}

async function changes(page: Page, work: Work): Promise<Spent[]> {
  const times: Spent[] = [];
  const places = ['/jobs', '/rack', '/reckoning', '/setup', '/'];
  // Once round, so that each place is loaded.
  for (let round = 0; round <= ROUNDS; round++)
    for (const name of places) {
      const at = await middle(page, `nav a[href="${name}"]`);
      const spent = await workOf(page, work, () => page.mouse.click(...at));
      if (round > 0) times.push(spent);
    }
  return times;
}

async function steps(page: Page, work: Work, panel: string): Promise<Spent[]> {
  const times: Spent[] = [];
  await page.goto(`${BASE}/panels/${panel}/bench`);
  for (let round = 0; round <= ROUNDS; round++)
    for (const step of ['measure', 'cartoon', 'glass', 'finish', 'hours', 'bench']) {
      const at = await middle(page, `nav a[href="/panels/${panel}/${step}"]`);
      const spent = await workOf(page, work, () => page.mouse.click(...at));
      if (round > 0) times.push(spent);
    }
  return times;
}
