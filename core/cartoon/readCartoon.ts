import { CAPACITY } from '../limits/index.ts';
import { makeCartoon, trueScale, type CartoonOptions } from './cartoon.ts';
import { looksLikeDxf, readDxf } from './read/readDxf.ts';
import { readSvg } from './read/readSvg.ts';
import type { DrawingRefusal, RawDrawing } from './read/types.ts';
import type { CartoonReading } from './types.ts';

export interface ReadOptions extends CartoonOptions {
  /** Hidden or helper layers to be read in all the same, by name. */
  readonly layersIn?: readonly string[];
}

/** A drawing that is really so much larger or smaller than it says is read anew, for its curves' sake. */
const OTHER_SIZE = 1.25;

/**
 * The lines of a drawing file, SVG or DXF as its first words tell.
 * @param scale how many times larger than it says it really is
 */
export function readDrawingText(
  source: string,
  layersIn: ReadonlySet<string> = new Set(),
  scale = 1,
): RawDrawing | DrawingRefusal {
  if (source.length > CAPACITY.sourceChars) return { refusal: 'too-large' };
  return looksLikeDxf(source) ? readDxf(source, layersIn, scale) : readSvg(source, layersIn, scale);
}

/** From the text of a drawing file to numbered pieces; see {@link readDrawingText} and {@link makeCartoon}. */
export function readCartoon(source: string, options: ReadOptions = {}): CartoonReading | DrawingRefusal {
  options.onProgress?.(0.02);
  const layersIn = new Set(options.layersIn ?? []);
  const raw = readDrawingText(source, layersIn);
  if ('refusal' in raw) return raw;
  const scale = trueScale(raw, options);
  if (scale < OTHER_SIZE && scale > 1 / OTHER_SIZE) return makeCartoon(raw, options);
  const atSize = readDrawingText(source, layersIn, scale);
  if ('refusal' in atSize) return atSize;
  const reading = makeCartoon(atSize, options);
  return 'refusal' in reading ? reading : { ...reading, scale: reading.scale * scale };
}
