import { defineConfig } from '@playwright/test';
import { fillDemoOnce } from './e2e/demoData.mjs';
import { LANE_PORTS, LANES, PARTS_PORT } from './e2e/servers.ts';
import { CHROMIUM } from './scripts/chromium.mjs';

fillDemoOnce();

const server = (kind: string, port: number) => ({
  command: `node e2e/serve.mjs ${kind} ${port}`,
  url: `http://127.0.0.1:${port}/api/studio`,
  reuseExistingServer: false,
  timeout: 120_000,
});

export default defineConfig({
  testDir: './e2e',
  outputDir: './test-results',
  workers: LANES,
  fullyParallel: false,
  retries: 0,
  // A machine that others use too is at times many times slower than one that nobody else does: these end what hangs, no more.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [['line'], ['json']],
  webServer: [
    ...LANE_PORTS.flatMap(({ first, demo, drawings }) => [
      server('empty', first),
      server('demo', demo),
      server('empty', drawings),
    ]),
    // The page of all parts, which is not in what is built.
    {
      command: `node e2e/serveParts.mjs ${PARTS_PORT}`,
      url: `http://127.0.0.1:${PARTS_PORT}/parts/`,
      reuseExistingServer: false,
      timeout: 60_000,
    },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // Half as many dots each way: painting is a good part of what a test costs, and none looks so closely.
    deviceScaleFactor: 0.5,
    // Tests that cut the network look at the page itself; offline.spec.ts lets the service worker in.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
