import type { z } from 'zod';

/** A type with nothing optional and nothing that may be changed, all the way down: what two types have to share. */
export type Plain<T> = T extends string | number | boolean | null | undefined
  ? T
  : T extends readonly (infer E)[]
    ? readonly Plain<E>[]
    : { readonly [K in keyof T]-?: Plain<Exclude<T[K], undefined>> };

/**
 * True where a schema gives just what a type of the core says: no field less, which the schema would refuse or the core
 * miss, and none of another kind.
 */
export type Tied<S extends z.ZodType, T> = [Plain<z.output<S>>] extends [Plain<T>]
  ? [Plain<T>] extends [Plain<z.output<S>>]
    ? true
    : false
  : false;
