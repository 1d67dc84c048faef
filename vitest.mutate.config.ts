import { defineConfig } from 'vitest/config';

/** The core's own tests, without those whose work is to take long: what a mutant is held against. */
export default defineConfig({
  test: {
    include: ['core/**/*.test.ts', 'contract/**/*.test.ts'],
    exclude: ['core/test/hostile.test.ts', 'core/test/atlases.test.ts', 'core/test/rooms.test.ts'],
    testTimeout: 30_000,
  },
});
