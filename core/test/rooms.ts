const core = (...names: string[]): string[] => names.map((name) => `core/${name}`);

/** What is known of a drawing and its glass, from the bottom up. */
const DRAWING = core('units', 'limits', 'geometry', 'cartoon', 'sizing', 'cutting');

/** Which room may import which: the one table of arrows. docs/architecture.md tells the same in words. */
export const ARROWS: Readonly<Record<string, readonly string[]>> = {
  'core/units': [],
  'core/limits': core('units'),
  'core/colour': [],
  'core/geometry': core('units', 'limits'),
  'core/cartoon': core('units', 'limits', 'geometry'),
  'core/sizing': core('units', 'limits', 'geometry', 'cartoon'),
  'core/cutting': core('units', 'limits', 'geometry', 'cartoon', 'sizing'),
  'core/leading': core('units', 'limits', 'geometry', 'cartoon'),
  'core/laying': core('units', 'geometry', 'cartoon', 'leading'),
  'core/stock': core('units', 'limits', 'geometry'),
  'core/glass': core('units', 'geometry', 'colour', 'stock'),
  'core/layout': core('units', 'limits', 'geometry', 'stock'),
  'core/materials': core('units', 'cartoon', 'sizing', 'leading', 'stock'),
  'core/finish': core('units', 'limits', 'geometry', 'cartoon', 'sizing', 'leading', 'materials', 'stock'),
  'core/papers': core(
    'units',
    'geometry',
    'cartoon',
    'sizing',
    'leading',
    'materials',
    'finish',
    'stock',
    'layout',
    'words',
  ),
  'core/bench': core('units', 'limits', 'geometry', 'cartoon', 'sizing', 'stock', 'layout', 'finish'),
  'core/labour': core('units', 'bench', 'cutting', 'stock'),
  'core/words': [...DRAWING, ...core('leading', 'laying', 'materials', 'finish', 'stock', 'layout', 'bench', 'labour')],
  contract: core('units', 'limits', 'cartoon', 'sizing', 'cutting', 'stock', 'finish', 'bench'),
  server: ['contract', ...DRAWING, ...core('materials', 'finish', 'papers', 'stock', 'bench', 'labour', 'words')],
  web: [
    'contract',
    ...DRAWING,
    ...core(
      'leading',
      'laying',
      'materials',
      'finish',
      'papers',
      'colour',
      'glass',
      'layout',
      'stock',
      'bench',
      'labour',
      'words',
    ),
  ],
  cli: [...DRAWING, ...core('leading', 'materials', 'layout', 'bench', 'words')],
  demo: ['server', 'contract', ...core('units', 'limits', 'geometry', 'sizing', 'cutting', 'stock', 'glass', 'bench')],
};

/** The rooms of the interface among themselves; a place never reaches another place. */
export const WEB_ARROWS: Readonly<Record<string, readonly string[]>> = {
  'web/app': ['web/places', 'web/history', 'web/state', 'web/ui'],
  'web/places': [
    'web/panel',
    'web/tally',
    'web/labour',
    'web/history',
    'web/notes',
    'web/supplies',
    'web/worker',
    'web/devices',
    'web/state',
    'web/ui',
  ],
  'web/tally': ['web/panel', 'web/state', 'web/ui'],
  'web/supplies': ['web/devices', 'web/state', 'web/ui'],
  'web/notes': ['web/state', 'web/ui'],
  'web/history': ['web/state', 'web/ui'],
  'web/labour': ['web/state', 'web/ui'],
  'web/panel': ['web/material', 'web/worker', 'web/state', 'web/ui'],
  // Painted in a worker: no page, no state.
  'web/material': [],
  'web/state': ['web/worker'],
  'web/ui': [],
  // Stand-ins for outside devices, each behind what a real one would have to do.
  'web/devices': [],
  // The page of all parts.
  'web/parts': ['web/ui', 'web/app'],
  'web/worker': ['web/material', 'web/state'],
};

/** Packages that a room must not bring in. */
export const FORBIDDEN_PACKAGES: Readonly<Record<string, readonly string[]>> = {
  core: ['node:', 'react', 'react-dom', 'express', 'zod', 'drizzle-orm', 'better-sqlite3', 'zustand'],
  contract: ['node:', 'react', 'express', 'drizzle-orm', 'better-sqlite3'],
  web: ['node:', 'express', 'drizzle-orm', 'better-sqlite3'],
  cli: ['react', 'express', 'drizzle-orm', 'better-sqlite3'],
};
