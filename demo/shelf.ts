import type { SupplyKind } from '#core/stock';

/** The demo's invented supplies: kind, which, name, what one holds, its price in cents, how many of it, little under. */
const ROWS: readonly [SupplyKind, string, string, number, number, number, number][] = [
  ['foil', '7/32 in', 'Foil 7/32', 33_000, 890, 2.4, 15_000],
  ['foil', '1/4 in', 'Foil 1/4, black-backed', 33_000, 1050, 0.95, 15_000],
  ['foil', '3/16 in', 'Foil 3/16', 33_000, 840, 0.9, 8000],
  ['came', 'h6', 'Came H6', 1830, 640, 14, 7320],
  ['came', 'u10', 'Border came U10', 1830, 720, 3, 5490],
  ['came', 'h5', 'Came H5', 1830, 610, 6, 5490],
  ['solder', '60/40', 'Solder 60/40', 500, 2450, 2.6, 400],
  ['solder', '63/37', 'Solder 63/37', 250, 1500, 0.8, 0],
  ['solder', 'lead-free', 'Solder, lead-free', 250, 2600, 0.4, 150],
  ['flux', '', 'Flux, liquid', 250, 780, 1.6, 100],
  ['patina', '', 'Black patina', 250, 1190, 0.7, 80],
  ['cement', '', 'Glazing cement', 2000, 1850, 0.75, 800],
  ['whiting', '', 'Whiting', 1000, 420, 1.3, 300],
  ['wax', '', 'Finishing wax', 225, 960, 0.6, 50],
];

export const SUPPLIES = ROWS.map(([kind, sort, name, packAmount, packCents, packs, low], i) => ({
  supply: {
    id: `supply-${i + 1}`,
    kind,
    sort,
    name,
    packAmount,
    packCents,
    low,
    code: `SG ${String(400 + i * 7)}`,
    place: i < 9 ? 'long drawer' : 'low shelf',
  },
  amount: Math.round(packAmount * packs),
}));
