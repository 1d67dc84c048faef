import { makeCartoon, type CartoonOptions, type CartoonReading } from './cartoon.ts';
import { readSvg } from './read/readSvg.ts';
import type { DrawingRefusal } from './read/types.ts';

export interface ReadOptions extends CartoonOptions {
  /** Hidden or helper layers to be read in all the same, by name. */
  readonly layersIn?: readonly string[];
}

/** From the text of an SVG file to numbered pieces; see {@link readSvg} and {@link makeCartoon}. */
export function readCartoon(source: string, options: ReadOptions = {}): CartoonReading | DrawingRefusal {
  options.onProgress?.(0.02);
  const raw = readSvg(source, new Set(options.layersIn ?? []));
  return 'refusal' in raw ? raw : makeCartoon(raw, options);
}
