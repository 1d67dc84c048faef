import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,contract,server,web,cli,demo,scripts}/**/*.test.ts'],
    globalSetup: './scripts/buildServer.mjs',
    // A machine that others use too is at times many times slower: these end what hangs, no more.
    testTimeout: 120_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
  },
});
