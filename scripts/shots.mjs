// `npm run shots`: takes the pictures of docs/screenshots anew, from a fresh demo.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
const { chromium } = await import('@playwright/test');
const folder = mkdtempSync(join(tmpdir(), 'nelvik-shots-'));
const env = { ...process.env, NELVIK_DATA: folder, PORT: '4318', HOST: '127.0.0.1' };
spawnSync(process.execPath, [join(ROOT, 'dist/server/demo.mjs')], { env, stdio: 'inherit' });
const server = spawn(process.execPath, [join(ROOT, 'dist/server/main.mjs')], {
  env,
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((up) => server.stdout.once('data', up));

const type = (text) => async (page) => page.getByLabel(/Tally line/).fill(text);
const SHOTS = [
  ['today', '/'],
  ['cartoon', '/panels/heron/cartoon'],
  ['glass', '/panels/heron/glass'],
  [
    'bench',
    '/panels/heron/bench',
    async (page) => {
      await page.locator('[data-piece="44"]').click();
      await type('36-48 ground')(page);
    },
  ],
  ['lit', '/panels/heron/bench', (page) => page.getByRole('radio', { name: 'Lit' }).click()],
  [
    'cut-from',
    '/panels/heron/bench',
    async (page) => {
      await type('1-8 cut')(page);
      await page.keyboard.press('Enter');
    },
  ],
  ['table', '/panels/heron/bench', (page) => page.getByRole('button', { name: 'Table' }).click()],
  [
    'tablet',
    '/panels/tide-2/bench',
    async (page) => {
      await page.locator('[data-piece="24"]').click();
      await page.getByRole('button', { name: 'Number pad' }).click();
      await type('23-26 ')(page);
    },
    { width: 1024, height: 768 },
  ],
  ['finish', '/panels/tide-1/finish'],
  ['hours', '/panels/heron/hours'],
  ['jobs', '/commissions'],
  ['commission', '/commissions/job-tide'],
  ['rack', '/rack'],
  ['reckoning', '/reckoning'],
  ['setup', '/setup'],
];
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
try {
  for (const [name, path, act, viewport = { width: 1280, height: 800 }] of SHOTS) {
    const page = await browser.newPage({ viewport });
    await page.addInitScript(() =>
      localStorage.setItem(
        'nelvik-bench',
        JSON.stringify({ state: { benchId: 'bench-of-the-shots', personId: 'kesta', theme: 'light' }, version: 0 }),
      ),
    );
    await page.goto(`http://127.0.0.1:4318${path}`);
    await page.waitForTimeout(1200);
    if (act) await act(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
    await page.close();
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
