import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './scripts/chromium.mjs';

const server = (kind: string, port: number) => ({
  command: `node e2e/serve.mjs ${kind} ${port}`,
  url: `http://127.0.0.1:${port}/api/studio`,
  reuseExistingServer: false,
  timeout: 120_000,
});

export default defineConfig({
  testDir: './e2e',
  outputDir: './test-results',
  workers: 1,
  fullyParallel: false,
  retries: 0,
  timeout: 90_000,
  expect: { timeout: 8000 },
  reporter: [['line'], ['json']],
  webServer: [
    server('empty', 4311),
    server('demo', 4312),
    server('empty', 4313),
    // The page of all parts, which is not in what is built.
    {
      command: 'node e2e/serveParts.mjs 4314',
      url: 'http://127.0.0.1:4314/parts/',
      reuseExistingServer: false,
      timeout: 60_000,
    },
  ],
  use: {
    viewport: { width: 1280, height: 800 },
    // Tests that cut the network look at the page itself; offline.spec.ts lets the service worker in.
    serviceWorkers: 'block',
    launchOptions: CHROMIUM,
  },
});
