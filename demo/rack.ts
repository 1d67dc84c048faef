import type { Glass } from '#core/stock';

/** The demo's invented glasses: code, name, colour lit from behind, texture, hiding, flow, price by m². */
const ROWS: readonly [string, string, string, Glass['texture'], Glass['hiding'], boolean, number][] = [
  ['S-10', 'morning sky', '#b9d7ea', 'streaky', 'veiled', true, 9800],
  ['S-14', 'high sky', '#8fbbdb', 'streaky', 'veiled', true, 9800],
  ['S-21', 'pale dawn', '#f6dfb4', 'streaky', 'opal', true, 11200],
  ['S-24', 'rose dawn', '#efbf9d', 'streaky', 'opal', true, 11200],
  ['A-03', 'low sun', '#ee9a3c', 'smooth', 'clear', false, 13400],
  ['W-01', 'chalk white', '#f1efe6', 'smooth', 'opal', false, 8600],
  ['W-05', 'mist grey', '#c3ced3', 'streaky', 'opal', true, 8900],
  ['G-31', 'slate wing', '#7d93a8', 'streaky', 'opal', true, 10400],
  ['G-38', 'ink blue', '#2c3f5e', 'smooth', 'clear', false, 12600],
  ['V-07', 'reed green', '#6f9550', 'reeded', 'clear', true, 9400],
  ['V-12', 'salt marsh', '#93b08c', 'seedy', 'clear', false, 8800],
  ['R-118', 'ripple water', '#4a97a2', 'ripple', 'clear', true, 10900],
  ['R-122', 'deep water', '#27707f', 'ripple', 'clear', true, 10900],
  ['H-02', 'honey', '#dba544', 'hammered', 'clear', false, 9100],
  ['C-00', 'clear seedy', '#e6f0ee', 'seedy', 'clear', false, 5200],
  ['C-04', 'cathedral straw', '#e9dcae', 'hammered', 'clear', false, 6100],
  ['E-09', 'ember', '#b4512f', 'granite', 'clear', false, 14200],
  ['L-16', 'heather', '#a58bb8', 'streaky', 'veiled', true, 12100],
];

export const GLASSES: readonly Glass[] = ROWS.map(([code, name, colour, texture, hiding, flow, price]) => ({
  id: `glass-${code.toLowerCase()}`,
  code,
  name,
  colour,
  texture,
  thicknessMm: texture === 'ripple' || texture === 'reeded' ? 3.5 : 3,
  hiding,
  flow,
  priceCentsPerM2: price,
}));

/** Two sheets of what is used most, one of the rest: 25 in all, labelled by slot. */
export const SHEETS = [...GLASSES, ...GLASSES.slice(0, 4), ...GLASSES.slice(10, 13)].map((glass, i) => ({
  label: `${'ABCDE'[Math.floor(i / 6)]}${(i % 6) + 1}`,
  glassId: glass.id,
  widthMm: i % 3 === 0 ? 900 : 810,
  heightMm: i % 2 === 0 ? 610 : 500,
  place: `slot ${'ABCDE'[Math.floor(i / 6)]}${(i % 6) + 1}`,
}));
