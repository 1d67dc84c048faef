/** A value that the compiler keeps apart from others of the same make. */
export type Branded<T, Name extends string> = T & { readonly [BRAND]: Name };
declare const BRAND: unique symbol;

/**
 * Names of what a drawing consists of: whole numbers, given once for each panel and never again, whatever becomes of
 * the drawing. The numbers that people read and write are labels beside them.
 */
export type PieceId = Branded<number, 'piece'>;
export type LineId = Branded<number, 'line'>;
export type JointId = Branded<number, 'joint'>;

/** The one place where a whole number becomes a lasting name: whoever gives names out, or reads them back, calls this. */
export const lastingId = <Id extends PieceId | LineId | JointId>(n: number): Id => n as Id;
