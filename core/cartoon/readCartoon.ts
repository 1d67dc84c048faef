import { CAPACITY } from '../limits/index.ts';
import { makeCartoon, type CartoonOptions } from './cartoon.ts';
import { looksLikeDxf, readDxf } from './read/readDxf.ts';
import { readSvg } from './read/readSvg.ts';
import type { DrawingRefusal, RawDrawing } from './read/types.ts';
import type { CartoonReading } from './types.ts';

export interface ReadOptions extends CartoonOptions {
  /** Hidden or helper layers to be read in all the same, by name. */
  readonly layersIn?: readonly string[];
}

/** The lines of a drawing file, SVG or DXF as its first words tell. */
export function readDrawingText(
  source: string,
  layersIn: ReadonlySet<string> = new Set(),
): RawDrawing | DrawingRefusal {
  if (source.length > CAPACITY.sourceChars) return { refusal: 'too-large' };
  return looksLikeDxf(source) ? readDxf(source, layersIn) : readSvg(source, layersIn);
}

/** From the text of a drawing file to numbered pieces; see {@link readDrawingText} and {@link makeCartoon}. */
export function readCartoon(source: string, options: ReadOptions = {}): CartoonReading | DrawingRefusal {
  options.onProgress?.(0.02);
  const raw = readDrawingText(source, new Set(options.layersIn ?? []));
  return 'refusal' in raw ? raw : makeCartoon(raw, options);
}
