import type { Point } from '../../geometry/index.ts';

/** One drawn line in millimetres; a closed one runs back from its last point to its first. */
export interface DrawnLine {
  readonly points: readonly Point[];
  readonly closed: boolean;
  /** Lines with the same number are outlines of one drawn shape. */
  readonly shape?: number;
}

export interface DrawnText {
  readonly text: string;
  readonly at: Point;
}

/** What was noticed while reading; words for it live in core/words. */
export type DrawingFinding =
  | { readonly kind: 'left-out'; readonly what: string; readonly count: number }
  | {
      readonly kind: 'assumed-96' | 'assumed-mm' | 'weights-ignored' | 'path-cut-short' | 'bad-numbers';
      readonly count: number;
    };

export interface RawDrawing {
  readonly lines: readonly DrawnLine[];
  readonly texts: readonly DrawnText[];
  readonly findings: readonly DrawingFinding[];
  readonly layers: readonly { readonly name: string; readonly hidden: boolean; readonly shapes: number }[];
  /** The file's own page; `physical` when it states a size in real units. */
  readonly page: { readonly widthMm: number; readonly heightMm: number; readonly physical: boolean };
}

export type DrawingRefusalCode =
  | 'not-a-drawing'
  | 'too-large'
  | 'no-numbers'
  | 'no-size'
  | 'nothing-drawn'
  | 'nothing-closed'
  | 'too-wide'
  | 'too-small'
  | 'scribble'
  | 'tangle'
  | 'too-many'
  | 'bad-size';

export interface DrawingRefusal {
  readonly refusal: DrawingRefusalCode;
}
