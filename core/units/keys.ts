/** The keys of a table that is closed: it holds no others than its type names. */
export const keysOf = <T extends object>(table: T): (keyof T & string)[] => Object.keys(table) as (keyof T & string)[];

/** Whether a word is a key of a closed table. */
export const isKeyOf = <T extends object>(table: T, key: PropertyKey): key is keyof T & string =>
  Object.hasOwn(table, key);

/** Whether a word is one of a closed list. */
export const isOneOf = <T extends string>(list: readonly T[], word: string): word is T =>
  list.some((known) => known === word);

/** A table with an entry for each of a closed list of keys. */
export const recordOf = <K extends string, V>(keys: readonly K[], entryOf: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, entryOf(key)])) as Record<K, V>;

/** What a row of any make says, by the names of its fields. */
export const fieldsOf = (row: object): Readonly<Record<string, unknown>> => row as Readonly<Record<string, unknown>>;
