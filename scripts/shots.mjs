// `npm run shots`: takes the pictures of docs/screenshots anew, from a fresh demo.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { Buffer } from 'node:buffer';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from './chromium.mjs';
import { build, install, ROOT } from './setUp.mjs';

await install();
await build();
const { chromium } = await import('@playwright/test');
const BASE = 'http://127.0.0.1:4318';
const folder = mkdtempSync(join(tmpdir(), 'nelvik-shots-'));
const env = { ...process.env, NELVIK_DATA: folder, PORT: '4318', HOST: '127.0.0.1' };
spawnSync(process.execPath, [join(ROOT, 'dist/server/demo.mjs')], { env, stdio: 'inherit' });
const server = spawn(process.execPath, [join(ROOT, 'dist/server/main.mjs')], {
  // The picture of the copies names no folder of this machine.
  cwd: folder,
  env: { ...env, NELVIK_COPIES: 'the studio’s other disk' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((up) => server.stdout.once('data', up));

/* global document, DOMPoint */
/** Where the number of a piece stands on the page, px: pieces are painted, so it is asked of the drawing and the board. */
const placeOf = (page, panelId, number) =>
  page.evaluate(
    async ([id, wanted]) => {
      const answer = async (path) => (await fetch(`/api/${path}`)).json();
      const { panel } = await answer(`panels/${id}`);
      const { cartoon } = await answer(`drawings/${panel.cartoonId}`);
      const [x, y] = cartoon.pieces.find((piece) => piece.number === wanted).labelAt;
      const shown = document.querySelector('[data-testid="board"] > g > g').getScreenCTM();
      const at = new DOMPoint(x, y).matrixTransform(shown);
      return [at.x, at.y];
    },
    [panelId, number],
  );

const type = (text) => async (page) => page.getByLabel(/Tally line/).fill(text);
/** A drawing by an unsteady hand, with a layer switched off. */
const HAND_MADE = `<svg xmlns="http://www.w3.org/2000/svg" xmlns:e="urn:e" width="300mm" height="240mm" viewBox="0 0 300 240"><g fill="none" stroke="#000"><path d="M0 0H300V240H0Z"/><path d="M0.4 120C80 80 180 160 299.5 110"/><path d="M100 0.5V112.3M200 0V127.3M50 .4V107.9"/><path d="M60 240.5V108.0M150 121.8V239.4M240 122.3V240"/><path d="M60 170H149.5M150 190H240.5M200 60H299.6"/></g><g e:groupmode="layer" e:label="old idea" style="display:none" fill="none" stroke="#000"><path d="M0 60H300"/></g></svg>`;
const SHOTS = [
  ['today', '/'],
  [
    'measure',
    '/panels/tide-1/measure',
    async (page) => {
      await page.getByLabel('Opening wide', { exact: true }).fill('276');
      await page.getByLabel('Opening high', { exact: true }).fill('836');
    },
  ],
  [
    'cartoon',
    '/panels/heron/cartoon',
    async (page) => {
      await page.getByText(/to be careful with/).click();
      await page
        .getByRole('button', { name: /tight corner/ })
        .first()
        .click();
      await page.getByText(/to be careful with/).click();
    },
  ],
  ['glass', '/panels/heron/glass'],
  [
    'layout',
    '/panels/heron/layout',
    async (page) => {
      await page.getByRole('button', { name: 'Look longer' }).waitFor();
      await page
        .getByRole('button', { name: /break by break/ })
        .first()
        .click();
      for (let k = 0; k < 5; k++) await page.getByRole('button', { name: /(First|Next) break/ }).click();
    },
  ],
  [
    'light-table',
    '/panels/heron/layout?table=D1',
    async (page) => {
      for (const piece of [2, 4, 6, 8]) await page.getByRole('button', { name: `Lay ${piece} on the sheet` }).click();
      await page.locator('[data-painted="sharp"]').first().waitFor();
    },
  ],
  [
    'bench',
    '/panels/heron/bench',
    async (page) => {
      await page.mouse.click(...(await placeOf(page, 'heron', 44)));
      await type('36-48 ground')(page);
    },
  ],
  ['lit', '/panels/heron/bench', (page) => page.getByRole('radio', { name: 'Lit' }).click()],
  [
    'leading',
    '/panels/tide-3/bench',
    async (page) => {
      await page.getByRole('button', { name: 'Leading order' }).click();
      for (let k = 0; k < 12; k++) await page.getByRole('button', { name: 'Next' }).click();
    },
  ],
  [
    'tablet',
    '/panels/tide-2/bench',
    async (page) => {
      await page.getByRole('button', { name: 'For wet hands' }).click();
      await page.locator('[data-painted="sharp"]').first().waitFor();
    },
    { width: 1024, height: 768 },
  ],
  ['materials', '/panels/tide-1/materials'],
  ['supplies', '/rack/supplies'],
  ['hanging', '/panels/heron/finish?part=hold'],
  [
    'papers',
    '/panels/fanlight/papers',
    async (page) => {
      await page.getByRole('radio', { name: /Leading plan/ }).click();
      await page.getByRole('button', { name: 'Plan, large' }).click();
    },
  ],
  ['jobs', '/jobs'],
  ['rack', '/rack'],
  ['reckoning', '/reckoning'],
  ['setup', '/setup'],
  // Last, since it adds a panel to the studio.
  [
    'import',
    '/',
    async (page) => {
      const allowance = { technique: 'foil', gapMm: 0.8, heartMm: 0, faceMm: 5, clearanceMm: 0, outline: 'glass-edge' };
      const size = { widthMm: 300, heightMm: 240 };
      const ask = {
        id: 'harbour',
        commissionId: 'job-transom',
        name: 'Side light',
        technique: 'foil',
        ...size,
        allowance,
      };
      const facts = { commandId: 'shots-harbour', personId: null, bench: 'shots', basis: 0 };
      await page.request.post(`${BASE}/api/commands`, { data: { ...facts, command: { kind: 'save-panel', ask } } });
      await page.goto(`${BASE}/panels/harbour/cartoon`);
      await page
        .getByTestId('drawing-file')
        .setInputFiles({ name: 'harbour.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(HAND_MADE) });
      await page
        .getByRole('button', { name: /stopped short/ })
        .first()
        .click();
    },
  ],
];
const browser = await chromium.launch(CHROMIUM);
try {
  for (const [name, path, act, viewport = { width: 1280, height: 800 }] of SHOTS) {
    const page = await browser.newPage({ viewport });
    await page.addInitScript(() =>
      localStorage.setItem(
        'nelvik-bench',
        JSON.stringify({ state: { benchId: 'bench-of-the-shots', personId: 'kesta', theme: 'light' }, version: 0 }),
      ),
    );
    await page.goto(`${BASE}${path}`);
    await page.waitForTimeout(1200);
    if (act) await act(page);
    await page.waitForTimeout(500);
    // Each glass has been worked out, and all that was painted with it has come.
    await page.locator('[data-painted="rough"]').first().waitFor({ state: 'detached', timeout: 20_000 });
    await page.waitForTimeout(2500);
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
    await page.close();
  }
} finally {
  await browser.close();
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
