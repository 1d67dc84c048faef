import type { Page } from '@playwright/test';
import type { Row } from './besideLibrary.ts';
import { addNet } from './benchNet.ts';
import { row } from './feltBench.ts';
import { boardOn, piecesOn } from './onBoard.ts';

const [ACROSS, DOWN, GLASSES] = [40, 50, 12];
/** Main-thread work that a frame has room for; from the data to a first picture, to a sharp one, and to a mark; ms. */
const MOST = { frame: 8, first: 400, sharp: 1500, mark: 50 } as const;
const OPENINGS = 10;
const MOVES = 80;
const MARKS = 30;
const RESTS_MS = 1200;

/** Two thousand pieces of twelve glasses with all their textures: first picture, sharp picture, moving, marking. */
export async function paintRows(page: Page, base: string): Promise<readonly Row[]> {
  await addNet(base, { id: 'window', across: ACROSS, down: DOWN, glasses: GLASSES, mixed: true });
  const count = ACROSS * DOWN;
  const opened = await openings(page, base);
  const { pans, zooms } = await moves(page);
  return [
    row(
      `first picture of ${count} pieces, from the data`,
      opened.map((o) => o.first),
      MOST.first,
    ),
    row(
      '… sharp, with a glass of each kind worked out',
      opened.map((o) => o.sharp),
      MOST.sharp,
    ),
    row('main thread while it is dragged, a frame', pans, MOST.frame),
    row('main thread while it is zoomed, a frame', zooms, MOST.frame),
    row('a mark on one of them, from the tap to the frame', await marks(page), MOST.mark),
  ];
}

/** The page is loaded anew each time: no glass is known yet. */
async function openings(page: Page, base: string): Promise<{ first: number; sharp: number }[]> {
  const times = [];
  for (let i = 0; i < OPENINGS; i++) {
    await page.goto(`${base}/panels/window/bench`, { waitUntil: 'commit' });
    times.push(
      await page.evaluate(
        () =>
          new Promise<{ first: number; sharp: number }>((done) => {
            let [data, first] = [0, 0];
            const look = () => {
              const now = performance.now();
              const painted = document.querySelector<HTMLElement>('[data-painted]')?.dataset.painted;
              if (data === 0 && document.querySelector('[data-testid="board"]')) data = now;
              if (first === 0 && painted) first = now;
              if (painted === 'sharp') return done({ first: first - data, sharp: now - data });
              requestAnimationFrame(look);
            };
            look();
          }),
      ),
    );
    await page.waitForTimeout(RESTS_MS);
  }
  return times;
}

/** What the main thread does in each frame while a hand moves the board, as the browser itself traces it. */
async function moves(page: Page): Promise<{ pans: number[]; zooms: number[] }> {
  const box = await boardOn(page).boundingBox();
  const browser = page.context().browser();
  if (!box || !browser) throw new Error('there is no board');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const frame = () => page.evaluate(() => new Promise((done) => requestAnimationFrame(done)));
  const traced = async (move: (i: number) => Promise<unknown>) => {
    await browser.startTracing(page, { categories: ['cc', '__metadata'] });
    for (let i = 0; i < MOVES; i++) {
      await move(i);
      await frame();
    }
    return framesOf(await browser.stopTracing());
  };
  await page.mouse.move(x, y);
  const zooms = await traced((i) => page.mouse.wheel(0, i % 40 < 20 ? -60 : 60));
  await page.mouse.wheel(0, -400);
  await page.waitForTimeout(RESTS_MS);
  await page.mouse.down();
  const pans = await traced((i) => page.mouse.move(x + 90 * Math.sin(i / 9), y + 2 * (i % 40)));
  await page.mouse.up();
  await page.keyboard.press('0');
  await page.waitForTimeout(RESTS_MS);
  return { pans, zooms };
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly dur?: number;
  readonly args: { readonly name?: string };
}

/** Input, script, style, layout, painting and commit of each frame on the page's own thread, ms. */
function framesOf(trace: Buffer): number[] {
  const { traceEvents } = JSON.parse(trace.toString()) as { traceEvents: TraceEvent[] };
  const threadOf = ({ pid, tid }: TraceEvent) => `${pid} ${tid}`;
  const own = new Set(
    traceEvents.filter((e) => e.name === 'thread_name' && e.args.name === 'CrRendererMain').map(threadOf),
  );
  return traceEvents
    .filter((e) => e.name === 'ProxyMain::BeginMainFrame' && e.ph === 'X' && own.has(threadOf(e)))
    .map((e) => (e.dur ?? 0) / 1000);
}

/** From the tap until a frame has shown its mark. */
async function marks(page: Page): Promise<number[]> {
  const times: number[] = [];
  const places = await piecesOn(boardOn(page));
  for (let i = 0; i < MARKS; i++) {
    const number = 1 + ((i * 61) % (ACROSS * DOWN));
    const [clientX = 0, clientY = 0] = places.get(number)?.at ?? [];
    times.push(
      await page.evaluate(
        ([wanted, at]) => {
          const board = document.querySelector('[data-testid="board"]');
          if (!board) throw new Error('there is no board');
          return new Promise<number>((done) => {
            const start = performance.now();
            board.dispatchEvent(new MouseEvent('click', { bubbles: true, ...at }));
            const look = () => {
              if (!document.querySelector(`[data-selected="${wanted}"]`)) return setTimeout(look);
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
            };
            queueMicrotask(look);
          });
        },
        [number, { clientX, clientY }] as const,
      ),
    );
    await page.waitForTimeout(120);
  }
  return times;
}
