import { boxOf, pathLength, thinLine, type Point } from '../geometry/index.ts';
import { BOUNDS, CAPACITY, TOLERANCE, isWithin } from '../limits/index.ts';
import { arrange, isTangled, type Arranged } from './arrange.ts';
import { describeCartoon, namedByTexts } from './describe.ts';
import { leftLineFindings, shapeFindings } from './findings.ts';
import type { Tolerance } from './heal.ts';
import type { ShortEnd } from './tails.ts';
import { middleOfInk } from './inked.ts';
import { joinRegions, type Borders } from './oneByOne.ts';
import type { DrawingRefusal, DrawnLine, RawDrawing } from './read/types.ts';
import type { CartoonFinding, CartoonReading } from './types.ts';

const LENGTHS_TO_A_SNAP = 6;
const MOST_EXTENT_MM = BOUNDS.drawnMm.most;

/** Lines with more points than this, nearer to each other than the step on the whole, are thinned. */
const DUSTY_POINTS = 500;

export interface CartoonOptions {
  /** How far ends may be moved; where it is not given the tolerance follows the drawing. */
  readonly snapMm?: number;
  /** True width or height of the panel's outline; the other follows. */
  readonly widthMm?: number;
  readonly heightMm?: number;
  /** Places (mm, as reported) of repairs that are to stay as drawn. */
  readonly refused?: readonly Point[];
  /** Ends that stop short by more than the tolerance and are to be drawn on all the same, as findings tell them. */
  readonly drawOn?: readonly ShortEnd[];
  /** Keep both sides of inked lines, and both copies of borders, as lines of their own. */
  readonly asDrawn?: boolean;
  readonly onProgress?: (share: number) => void;
}

/**
 * Lines → pieces: heals, arranges, traces and numbers.
 * @returns the cartoon with all that was noticed and repaired, or why the drawing is refused
 */
export function makeCartoon(raw: RawDrawing, options: CartoonOptions = {}): CartoonReading | DrawingRefusal {
  const progress = options.onProgress ?? (() => undefined);
  if (options.snapMm !== undefined && !isWithin(options.snapMm, BOUNDS.snapMm)) return { refusal: 'bad-size' };
  for (const wanted of [options.widthMm, options.heightMm])
    if (wanted !== undefined && !(wanted > 0)) return { refusal: 'bad-size' };
  const placed = placeDrawing(raw, options);
  if ('refusal' in placed) return placed;
  const { lines, scale, place } = placed;
  if (lines.length > CAPACITY.drawnLines) return { refusal: 'too-many' };
  const tolerance = toleranceOf(lines, options);
  progress(0.15);
  const regions = options.asDrawn ? null : joinRegions(lines);
  // What was joined in the middle runs over at the rim, or stops a little short of it.
  const asMade = (widthMm: number): Tolerance => ({ snapMm: widthMm, mostMm: widthMm, refused: [], drawOn: [] });
  const joined = regions && arrange(regions.lines, asMade(Math.min(1, regions.widthMm)));
  let arranged = joined && typeof joined !== 'string' && isWhole(joined, regions) ? joined : arrange(lines, tolerance);
  if (typeof arranged === 'string') return { refusal: arranged };
  const isJoined = arranged === joined;
  progress(0.6);
  const ink = options.asDrawn || isJoined ? null : middleOfInk(arranged.map, arranged.faces);
  if (ink) {
    const again = arrange(ink.lines, asMade(0));
    if (typeof again !== 'string') arranged = { ...again, repairs: arranged.repairs, loose: arranged.loose };
  }
  const { map, faces, loose, repairs, toleranceMm } = arranged;
  if (!options.asDrawn && isTangled(map, faces)) return { refusal: 'tangle' };
  progress(0.8);
  const texts = raw.texts.map((text) => ({ ...text, at: place(text.at) }));
  const cartoon = describeCartoon(map, namedByTexts(texts), faces);
  progress(1);
  const findings: CartoonFinding[] = [...raw.findings];
  if (ink) findings.push({ kind: 'inked', widthMm: ink.widthMm, count: ink.count });
  if (regions && isJoined) findings.push({ kind: 'one-by-one', widthMm: regions.widthMm, count: regions.count });
  if (!isJoined && toleranceMm > tolerance.snapMm) findings.push({ kind: 'shaky', count: repairs.length, toleranceMm });
  if (!isJoined) findings.push(...leftLineFindings(loose, cartoon));
  return {
    cartoon,
    layers: raw.layers,
    scale,
    physical: raw.page.physical || options.widthMm !== undefined || options.heightMm !== undefined,
    repairs: isJoined ? [] : repairs,
    findings: [...findings, ...shapeFindings(cartoon)],
    toleranceMm,
  };
}

/** Joining borders must neither lose regions nor make many: else the drawing is of another kind. */
const isWhole = ({ faces }: Arranged, { count }: Borders): boolean =>
  Math.abs(faces.faces.length - count) <= Math.max(1, count * 0.04);

/** How many times larger than drawn the panel really is, as one measure of it says. */
export function trueScale(raw: RawDrawing, options: CartoonOptions): number {
  const { minX, minY, maxX, maxY } = boxOf(allPoints(raw));
  const scale = scaleFor({ width: maxX - minX, height: maxY - minY }, options);
  return Number.isFinite(scale) && scale > 0 ? scale : 1;
}

const scaleFor = (drawn: { width: number; height: number }, { widthMm, heightMm }: CartoonOptions): number =>
  widthMm !== undefined ? widthMm / drawn.width : heightMm !== undefined ? heightMm / drawn.height : 1;

/** The lines at true size, near enough to the page's corner for exact arithmetic. */
function placeDrawing(
  raw: RawDrawing,
  options: CartoonOptions,
): { lines: DrawnLine[]; scale: number; place: (p: Point) => Point } | DrawingRefusal {
  const drawn = boxOf(allPoints(raw));
  const width = drawn.maxX - drawn.minX;
  const height = drawn.maxY - drawn.minY;
  if (!(width > 0 && height > 0)) return { refusal: 'nothing-closed' };
  const scale = scaleFor({ width, height }, options);
  if (Math.max(width, height) * scale > MOST_EXTENT_MM) return { refusal: 'too-wide' };
  if (Math.max(width, height) * scale < BOUNDS.drawnMm.least) return { refusal: 'too-small' };
  // A drawing that lies far off the page is moved to its corner; others keep the page's coordinates.
  const far =
    Math.max(Math.abs(drawn.minX), Math.abs(drawn.maxX), Math.abs(drawn.minY), Math.abs(drawn.maxY)) * scale >
    MOST_EXTENT_MM;
  const place = ([x, y]: Point): Point =>
    far ? [(x - drawn.minX) * scale, (y - drawn.minY) * scale] : [x * scale, y * scale];
  const placed =
    scale === 1 && !far ? raw.lines : raw.lines.map((line) => ({ ...line, points: line.points.map(place) }));
  return { lines: placed.map(withoutDust), scale, place };
}

/** The user's own tolerance to the letter; else one that a tenth of the drawn lines are many times longer than. */
function toleranceOf(lines: readonly DrawnLine[], { snapMm, refused = [], drawOn = [] }: CartoonOptions): Tolerance {
  if (snapMm !== undefined) return { snapMm, mostMm: snapMm, refused, drawOn };
  const lengths = lines.map(({ points }) => pathLength(points)).sort((a, b) => a - b);
  const shortMm = lengths[Math.floor(lengths.length / 10)] ?? 0;
  const following = Math.max(0.05, shortMm / LENGTHS_TO_A_SNAP);
  return {
    snapMm: Math.min(TOLERANCE.snapMm, following),
    mostMm: Math.min(TOLERANCE.shakyMm, following),
    refused,
    drawOn,
  };
}

/**
 * A line traced with points every few hundredths of a millimetre says no more than one with fewer, and takes as many
 * times longer. Its ends stay, and it moves by less than a tenth of the flatness of a curve.
 */
function withoutDust(line: DrawnLine): DrawnLine {
  const { points, closed } = line;
  if (closed || points.length < DUSTY_POINTS || pathLength(points) > TOLERANCE.dustStepMm * points.length) return line;
  return { ...line, points: thinLine(points, TOLERANCE.dustMm) };
}

function* allPoints(raw: RawDrawing): Generator<Point> {
  for (const line of raw.lines) yield* line.points;
}
