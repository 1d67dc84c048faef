import type { Matrix } from '../../geometry/index.ts';
import type { Window } from './clip.ts';
import type { LeftOut } from './leftOut.ts';
import type { MarkupNode } from './markup.ts';
import type { Stroke } from './strokes.ts';
import type { Style } from './style.ts';
import type { StyleSheets } from './styleSheets.ts';
import type { View } from './svgPage.ts';
import type { DrawnLine, DrawnText } from './types.ts';

/** What an element takes over from those round it. */
export interface Surroundings {
  readonly style: Style;
  readonly matrix: Matrix;
  readonly view: View;
  /** What it is seen through: clips, masks and the pages within the page. */
  readonly windows: readonly Window[];
  /** Whether it stands in something that is not shown. */
  readonly hidden: boolean;
  /** Ids of the `use` links that are being followed. */
  readonly following: readonly string[];
}

export interface Walk {
  readonly byId: Map<string, MarkupNode>;
  readonly rules: StyleSheets;
  readonly layersIn: ReadonlySet<string>;
  readonly strokes: Stroke[];
  readonly fills: DrawnLine[];
  readonly texts: DrawnText[];
  readonly leftOut: LeftOut;
  readonly layers: Map<string, { name: string; hidden: boolean; shapes: number }>;
  points: number;
  shapes: number;
  uses: number;
  badNumbers: number;
  shortened: number;
}
