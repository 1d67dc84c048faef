import type { PaperGlass, PaperPiece } from './types.ts';

/** The glasses of a piece as they are labelled: `12`, or `12a` in front and `12b` behind it. */
export const glassesOf = ({
  number,
  glass,
  back,
}: PaperPiece): readonly { readonly name: string; readonly glass: PaperGlass | null }[] =>
  back === undefined
    ? [{ name: String(number), glass }]
    : [
        { name: `${number}a`, glass },
        { name: `${number}b`, glass: back },
      ];
