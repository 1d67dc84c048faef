/**
 * How near two things must lie to be one, how far ends may reach for each other, and how fine curves are taken: one home
 * for each. Millimetres on the glass, unless the name says mm². They are about drawings and numbers, not about taste, so a
 * studio does not set them. Values from trials with drawings, unless a source is named.
 */
export const TOLERANCE = {
  /** Flattening of curves. */
  flatnessMm: 0.02,
  /** Lines of many points that stand nearer than the step on the whole are thinned by so much. */
  dustMm: 0.002,
  dustStepMm: 0.25,
  /** Edges shorter than this have no direction to speak of. */
  edgeMm: 1e-4,
  /** Turning a piece must not make it larger than its sheet by a rounding. */
  roundingMm: 1e-9,
  /** Small pictures: half a pixel of a picture of 600 mm. */
  sketchMm: 0.4,
  /** Lines that are shown but bound nothing need not be finer. */
  shownMm: 0.2,

  /** Ends nearer than this are joined; a shaky drawing is healed up to the second. */
  snapMm: 0.8,
  shakyMm: 1.8,
  /** A line that ends so near another was meant to meet it; one that runs further past its joint was drawn on purpose. */
  shortOfJointMm: 5,
  pastJointMm: 5,
  /** A repair that is refused is known again by its place. */
  refusedMm: 0.01,
  /** Ends of an added line reach so far for a joint, and so far for a line. */
  reachJointMm: 1.5,
  reachLineMm: 3,

  /** Bulges that pass another line so near touch it: what two flattened curves can lie apart, and a drawing's rounding. */
  touchMm: 0.05,
  /** Borders nearer than this are one to the arrangement itself. */
  oneBorderMm: 0.004,
  /** Borders further apart are two borders: no glass is narrower. */
  apartMm: 2,
  /** Ink wider than this is no line. */
  inkMm: 9,
  /** Regions smaller than this are slips of the hand where ends were healed. */
  speckMm2: 4,
  /** A gap of 1 mm between borders a metre long. */
  sliverMm2: 1000,

  /** Outlines that lie so near on the whole are the same: a felt pen's line, not a change. */
  sameShapeMm: 0.1,
  /** A joint, and a line, of a new drawing that is one of the old. */
  sameJointMm: 1,
  sameLineMm: 0.05,
  /** A line of the map stands where a line that was left out was drawn. */
  sameStretchMm: 1,
  /** Cut outlines that differ by less all round are the same to the grinder. */
  sameCutMm: 0.05,
  /** A side that leaves its chord by less is straight to the hand; a run of lines that does so by less folds. */
  straightScoreMm: 0.4,
  straightHingeMm: 2,
  /** Measures this much apart are the same to whoever sets a panel. */
  sameSizeMm: 0.05,
} as const;
