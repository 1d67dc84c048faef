import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,contract,server,web,cli,demo,scripts}/**/*.test.ts'],
    globalSetup: './scripts/buildServer.mjs',
    testTimeout: 30_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
  },
});
