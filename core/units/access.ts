/**
 * The element at an index that the caller knows to be there: the loop's bound, or the list's own making, says so. Not
 * checked, since it stands in the innermost loops; where an index may miss, ask the list itself.
 */
export const nth = <T>(list: { readonly [index: number]: T }, index: number): T => list[index] as T;

/** The last element of a list that is not empty. */
export const lastOf = <T>(list: { readonly length: number; readonly [index: number]: T }): T =>
  list[list.length - 1] as T;

/** The element so many places from the end: 1 is the last. */
export const fromEnd = <T>(list: { readonly length: number; readonly [index: number]: T }, places: number): T =>
  list[list.length - places] as T;

/** What a map holds under a key that was put there. @throws where it was not: that is a fault of ours */
export function knownIn<K, V>(map: { get(key: K): V | undefined; has(key: K): boolean }, key: K): V {
  const value = map.get(key);
  if (value === undefined && !map.has(key)) throw new Error(`nothing is known under ${String(key)}`);
  return value as V;
}

// The same for one kind of list each. The engine learns what a function is called with: one that only ever meets lists of
// one make reads them as fast as the bare index does, and the geometry lives on that.
export const floatAt = (list: Float64Array, index: number): number => list[index] as number;
export const intAt = (list: Int32Array, index: number): number => list[index] as number;
export const wordAt = (list: Uint32Array, index: number): number => list[index] as number;
export const numberAt = (list: readonly number[], index: number): number => list[index] as number;
export const pointAt = (list: readonly (readonly [number, number])[], index: number): readonly [number, number] =>
  list[index] as readonly [number, number];
