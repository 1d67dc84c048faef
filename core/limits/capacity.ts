/**
 * How much a drawing may hold before it is refused in a sentence instead of being worked on for minutes. Nelvik is made
 * for panels of up to 2,000 pieces; four times that still goes through. Counts, found by trials with hostile drawings.
 */
export const CAPACITY = {
  /** Of a file, before it is read. */
  sourceChars: 32_000_000,
  /** Style sheets are long; words on a cartoon are not. */
  textChars: 2_000_000,
  commentChars: 100_000,
  /** Editors shorten namespace addresses with entities; a real one is never longer. */
  entityChars: 1000,
  nodes: 400_000,
  nodesDeep: 256,
  blocksDeep: 16,
  /** Shapes drawn again elsewhere: uses of an SVG, inserts of a DXF. */
  repeats: 20_000,
  /** Selectors of more parts are nobody's style for lines. */
  selectorSteps: 24,
  /** 5,000 curved pieces have about 300,000 points. */
  points: 600_000,
  chordsOfACurve: 2000,
  /** 8,000 pieces have about 24,000 edges, some drawn several times over, and twice as many ends when drawn one by one. */
  drawnLines: 120_000,
  freeEnds: 120_000,
  lines: 80_000,
  pieces: 8_000,
  /** 8,000 pieces and a sliver at each of their borders. */
  regions: 32_000,
  /** Segments that meet, and pairs of boxes to look at one by one: a few seconds' work. */
  meetings: 200_000,
  boxPairs: 12_000_000,
  /** Pairs of ends near each other; many more are fur. */
  endPairs: 600_000,
  /** Squared length of all lines over the area of their box: before and after crossings are looked for, and of one piece. */
  windingAsDrawn: 5_000_000,
  winding: 500_000,
  windingOfAPiece: 20_000,
  /** Samples along borders drawn twice, and stretches near one place that are a heap of outlines. */
  middleSamples: 250_000,
  nearOnePlace: 300,
} as const;
