import { v4 } from 'uuid';

const REMEMBERED = 100;
const made = new Set<string>();

/** A new name that nothing else has; made without what browsers keep for HTTPS alone, for tablets that come by plain HTTP. */
export function newId(): string {
  const id = v4();
  made.add(id);
  for (const oldest of made) {
    if (made.size <= REMEMBERED) break;
    made.delete(oldest);
  }
  return id;
}

/** Whether it was made on this page not long ago: it may name what nobody else knows of yet. */
export const isNewId = (id: unknown): boolean => typeof id === 'string' && made.has(id);
