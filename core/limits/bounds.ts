/** What an entry may hold: least and most. The same in forms, on the wire and on the command line. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
}

export const BOUNDS = {
  /** No piece of glass, sheet or panel is longer, mm. */
  lengthMm: { least: 0, most: 10_000 },
  /** Exact arithmetic holds within ±3.3 m of the page's corner: no panel in one drawing is larger, mm. */
  panelMm: { least: 0, most: 3200 },
  /** Nothing smaller is a panel: its file says another size than it has, mm. */
  drawnMm: { least: 1, most: 3200 },
  /** A panel beyond these is asked about: smaller than a sun catcher, or so large that it is made of several. From memory. */
  meantMm: { least: 30, most: 2400 },
  openingMm: { least: 20, most: 5000 },
  fittingMm: { least: 0, most: 50 },
  coverMm: { least: 0, most: 100 },
  borderMm: { least: 0, most: 1000 },
  gapMm: { least: 0, most: 5 },
  heartMm: { least: 0, most: 10 },
  faceMm: { least: 0, most: 30 },
  playMm: { least: 0, most: 5 },
  thicknessMm: { least: 0, most: 40 },
  /** How far ends may be moved to meet, mm. */
  snapMm: { least: 0, most: 20 },
  /** Minutes that a break may have cost. */
  breakMin: { least: 0, most: 600 },
  /** Minutes of one entry of hours by hand. */
  entryMin: { least: 0, most: 1440 },
  /** Numbers of pieces and joints. */
  number: { least: 1, most: 99_999 },
  /** Pieces in one command or panel. */
  pieces: { least: 1, most: 20_000 },
  scale: { least: 0.001, most: 1000 },
} as const satisfies Readonly<Record<string, Bounds>>;

/** Whether a value may be entered. Nothing that is not a number may. */
export const isWithin = (value: number, { least, most }: Bounds): boolean => value >= least && value <= most;
