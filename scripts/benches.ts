import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { chromium, type Page } from '@playwright/test';
import { Desk } from '../server/desk.ts';
import { readDrawing } from '#core/cutting';
import { drawnIn } from '../server/drawings.ts';
import { Store } from '../server/store/store.ts';
import { DEFAULT_LIMITS } from '#core/limits';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { paneNet } from '../core/test/panels.ts';
import { CHROMIUM } from './chromium.mjs';
import { besideLibrary, type Row } from './besideLibrary.ts';
import { layoutBench } from './layoutBench.ts';
import { feltBench, paintBench } from './feltBench.ts';
import { yearsBench } from './yearsBench.ts';

export { feltBench, layoutBench, paintBench, yearsBench };

const RUNS = 5;
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;
const ms = (values: readonly number[]): string =>
  `${median(values).toFixed(0)} ms median of ${values.length} (${Math.min(...values).toFixed(0)}–${Math.max(...values).toFixed(0)})`;

/** All benches, slowest last; each row is a figure with its spread. */
export async function runBenches(root: string, folder: string): Promise<Row[]> {
  const rows: Row[] = besideLibrary();
  for (const [across, down, curved] of [
    [20, 26, false],
    [20, 26, true],
    [40, 50, false],
    [40, 50, true],
  ] as const) {
    const source = paneNet(across, down, 20, { curved });
    const times: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      const start = performance.now();
      const result = readDrawing({
        kind: 'read',
        source,
        options: {},
        allowance: DEFAULT_ALLOWANCE.foil,
        limits: DEFAULT_LIMITS,
      });
      times.push(performance.now() - start);
      if ('refusal' in result || result.cartoon.pieces.length !== across * down)
        throw new Error('the bench drawing was not read whole');
    }
    rows.push({
      what: `import, ${across * down} ${curved ? 'curved' : 'straight'} pieces, with cut outlines`,
      figures: ms(times),
    });
  }
  const desk = new Desk(new Store(folder, join(root, 'server/store/migrations')));
  rows.push({ what: 'marking 500 pieces in one command, to disk', figures: ms(marking(desk)) });
  desk.store.close();
  rows.push(...(await painting(root, folder)));
  rows.push(...(await feltBench(root, folder)), ...(await paintBench(root, folder)));
  return [...rows, ...(await yearsBench(root, folder))];
}

/** A panel of 2,000 pieces; 500 of them are cut in one command, five times. */
function marking(desk: Desk): number[] {
  let n = 0;
  const send = (command: Parameters<Desk['submit']>[0]['command']) => {
    const result = desk.submit(
      { commandId: `bench-${n++}`, basis: desk.seq, personId: null, bench: 'bench', command },
      n,
    );
    if ('refusal' in result) throw new Error(result.refusal.code);
  };
  send({ kind: 'save-commission', ask: { id: 'c', title: 'Bench', client: '', due: null, note: '' } });
  send({
    kind: 'save-panel',
    ask: {
      id: 'big',
      commissionId: 'c',
      name: 'Two thousand',
      technique: 'foil',
      widthMm: 1,
      heightMm: 1,
      allowance: DEFAULT_ALLOWANCE.foil,
    },
  });
  send({
    kind: 'save-glass',
    ask: {
      id: 'g',
      code: 'G',
      name: 'glass',
      colour: '#6699aa',
      texture: 'streaky',
      thicknessMm: 3,
      hiding: 'clear',
      second: null,
      coat: 'none',
      flow: true,
      priceCentsPerM2: 1,
    },
  });
  send({
    kind: 'receive',
    ask: { label: 'S', glassId: 'g', kind: 'sheet', widthMm: 3000, heightMm: 3000, place: '', costCents: 1 },
  });
  const result = readDrawing({
    kind: 'read',
    source: paneNet(40, 50, 20, { curved: true }),
    options: {},
    allowance: DEFAULT_ALLOWANCE.foil,
    limits: DEFAULT_LIMITS,
  });
  if ('refusal' in result) throw new Error(result.refusal);
  const { cartoon } = result;
  const { ask, drawing } = drawnIn(desk.state, { id: 'big', cartoonId: null }, result, {
    at: 0,
    source: '<svg/>',
    sourceName: 'bench.svg',
    allowance: DEFAULT_ALLOWANCE.foil,
    origin: 'import',
    letGo: [],
  });
  const sender = { commandId: 'bench-cartoon', personId: null, bench: 'bench', basis: desk.seq };
  const accepted = desk.acceptDrawing(ask, drawing, sender, 0);
  if ('refusal' in accepted) throw new Error(accepted.refusal.code);
  const all = cartoon.pieces.map((p) => p.number);
  send({ kind: 'choose-glass', ask: { panelId: 'big', numbers: all, glassId: 'g' } });
  const times: number[] = [];
  for (let i = 0; i < 4; i++) {
    const numbers = all.slice(i * 500, i * 500 + 500);
    const start = performance.now();
    send({ kind: 'cut', ask: { panelId: 'big', sources: [{ stockId: 'S', numbers, left: { kind: 'stays' } }] } });
    times.push(performance.now() - start);
  }
  const start = performance.now();
  send({ kind: 'advance', ask: { panelId: 'big', numbers: all.slice(0, 500), to: 'ground' } });
  times.push(performance.now() - start);
  return times;
}

/** First paint of the panel and the time between frames while it is zoomed and dragged. Software rendering: a lower bound. */
async function painting(root: string, folder: string): Promise<Row[]> {
  const server = spawn(process.execPath, [join(root, 'dist/server/main.mjs')], {
    env: { ...process.env, NELVIK_DATA: folder, PORT: '4319', HOST: '127.0.0.1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((up) => server.stdout.once('data', up));
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const paints: number[] = [];
    for (let i = 0; i < 3; i++) {
      const start = performance.now();
      await page.goto('http://127.0.0.1:4319/panels/big/bench');
      await page.locator('[data-painted]').first().waitFor();
      paints.push(performance.now() - start);
    }
    return [
      { what: 'first paint of 2,000 pieces, page load included', figures: ms(paints) },
      { what: 'between frames while zooming and panning 2,000 pieces', figures: ms(await frames(page)) },
    ];
  } finally {
    await browser.close();
    server.kill();
  }
}

async function frames(page: Page): Promise<number[]> {
  await page.evaluate(() => {
    const times: number[] = [];
    let last = window.performance.now();
    const tick = (now: number) => {
      times.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    (window as unknown as { frameTimes: number[] }).frameTimes = times;
  });
  await page.mouse.move(500, 400);
  for (let i = 0; i < 12; i++) {
    await page.mouse.wheel(0, -120);
    await page.waitForTimeout(20);
  }
  await page.mouse.down();
  for (let i = 0; i < 30; i++) await page.mouse.move(500 + i * 6, 400 + i * 3);
  await page.mouse.up();
  return page.evaluate(() => (window as unknown as { frameTimes: number[] }).frameTimes.slice(2));
}
