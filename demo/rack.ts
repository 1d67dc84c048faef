import type { Glass } from '#core/stock';

/** The demo's invented glasses: code, name, colour lit from behind, second colour, texture, hiding, flow, price by m². */
const ROWS: readonly [string, string, string, string | null, Glass['texture'], Glass['hiding'], boolean, number][] = [
  ['S-10', 'morning sky', '#b9d7ea', '#7fb0d8', 'streaky', 'veiled', true, 9800],
  ['S-14', 'high sky', '#8fbbdb', '#4a7fb8', 'streaky', 'veiled', true, 9800],
  ['S-21', 'pale dawn', '#f6dfb4', '#eec08e', 'streaky', 'opal', true, 11200],
  ['S-24', 'rose dawn', '#efbf9d', '#d98e6e', 'streaky', 'opal', true, 11200],
  ['A-03', 'low sun', '#ee9a3c', null, 'smooth', 'clear', false, 13400],
  ['W-01', 'chalk white', '#f1efe6', null, 'smooth', 'opal', false, 8600],
  ['W-05', 'mist grey', '#c3ced3', '#8fa5b0', 'streaky', 'opal', true, 8900],
  ['G-31', 'slate wing', '#7d93a8', '#43597a', 'streaky', 'opal', true, 10400],
  ['G-38', 'ink blue', '#2c3f5e', null, 'smooth', 'clear', false, 12600],
  ['V-07', 'reed green', '#6f9550', null, 'reeded', 'clear', true, 9400],
  ['V-12', 'salt marsh', '#93b08c', null, 'seedy', 'clear', false, 8800],
  ['R-118', 'ripple water', '#4a97a2', null, 'ripple', 'clear', true, 10900],
  ['R-122', 'deep water', '#27707f', null, 'ripple', 'clear', true, 10900],
  ['H-02', 'honey', '#dba544', null, 'hammered', 'clear', false, 9100],
  ['C-00', 'clear seedy', '#e6f0ee', null, 'seedy', 'clear', false, 5200],
  ['C-04', 'cathedral straw', '#e9dcae', null, 'hammered', 'clear', false, 6100],
  ['E-09', 'ember', '#b4512f', null, 'granite', 'clear', false, 14200],
  ['L-16', 'heather', '#a58bb8', '#e9e2ee', 'wispy', 'veiled', true, 12100],
];

export const GLASSES: readonly Glass[] = ROWS.map(([code, name, colour, second, texture, hiding, flow, price]) => ({
  id: `glass-${code.toLowerCase()}`,
  code,
  name,
  colour,
  second,
  texture,
  thicknessMm: texture === 'ripple' || texture === 'reeded' ? 3.5 : 3,
  hiding,
  coat: 'none',
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
