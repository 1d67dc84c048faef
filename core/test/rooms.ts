/** Which room may import which: the one table of arrows. docs/architecture.md tells the same in words. */
export const ARROWS: Readonly<Record<string, readonly string[]>> = {
  'core/units': [],
  'core/geometry': ['core/units'],
  'core/cartoon': ['core/units', 'core/geometry'],
  'core/sizing': ['core/units', 'core/geometry', 'core/cartoon'],
  'core/cutting': ['core/units', 'core/geometry', 'core/cartoon', 'core/sizing'],
  'core/stock': ['core/units', 'core/geometry'],
  'core/bench': ['core/units', 'core/geometry', 'core/cartoon', 'core/sizing', 'core/stock'],
  'core/labour': ['core/units', 'core/bench', 'core/cutting'],
  'core/words': [
    'core/units',
    'core/geometry',
    'core/cartoon',
    'core/sizing',
    'core/cutting',
    'core/stock',
    'core/bench',
    'core/labour',
  ],
  contract: ['core/units', 'core/cartoon', 'core/sizing', 'core/cutting', 'core/stock', 'core/bench'],
  server: [
    'contract',
    'core/units',
    'core/cartoon',
    'core/sizing',
    'core/cutting',
    'core/stock',
    'core/bench',
    'core/words',
  ],
  web: [
    'contract',
    'core/units',
    'core/geometry',
    'core/cartoon',
    'core/sizing',
    'core/cutting',
    'core/stock',
    'core/bench',
    'core/labour',
    'core/words',
  ],
  cli: ['core/units', 'core/cartoon', 'core/sizing', 'core/cutting', 'core/bench', 'core/words'],
  demo: ['server', 'contract', 'core/units', 'core/geometry', 'core/sizing', 'core/stock', 'core/bench'],
};

/** Packages that a room must not bring in. */
export const FORBIDDEN_PACKAGES: Readonly<Record<string, readonly string[]>> = {
  core: ['node:', 'react', 'react-dom', 'express', 'zod', 'drizzle-orm', 'better-sqlite3', 'zustand'],
  contract: ['node:', 'react', 'express', 'drizzle-orm', 'better-sqlite3'],
  web: ['node:', 'express', 'drizzle-orm', 'better-sqlite3'],
  cli: ['react', 'express', 'drizzle-orm', 'better-sqlite3'],
};
