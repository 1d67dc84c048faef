import { createStore, del, get, set } from 'idb-keyval';
import type { LargeStore } from './outbox.ts';

/** A storage that ends with the page, where the browser gives none. */
export class PageStorage implements Storage {
  readonly #items = new Map<string, string>();
  get length(): number {
    return this.#items.size;
  }
  clear(): void {
    this.#items.clear();
  }
  key(i: number): string | null {
    return [...this.#items.keys()][i] ?? null;
  }
  getItem(key: string): string | null {
    return this.#items.get(key) ?? null;
  }
  setItem(key: string, value: string): void {
    this.#items.set(key, value);
  }
  removeItem(key: string): void {
    this.#items.delete(key);
  }
}

/** The browser's own storage, or one of the page where it is forbidden. */
export function browserStorage(of: () => Storage = () => localStorage): { storage: Storage; isLasting: boolean } {
  try {
    const storage = of();
    storage.setItem('nelvik-try', '1');
    storage.removeItem('nelvik-try');
    return { storage, isLasting: true };
  } catch {
    return { storage: new PageStorage(), isLasting: false };
  }
}

/** Large bodies in the browser's database. */
export function largeStore(): LargeStore {
  let store: ReturnType<typeof createStore> | null = null;
  // Opened when it is first needed: most screens never need it.
  const opened = () => (store ??= createStore('nelvik-large', 'steps'));
  return {
    get: (id) => get<object>(id, opened()),
    put: (id, body) => set(id, body, opened()),
    remove: (id) => del(id, opened()),
  };
}
