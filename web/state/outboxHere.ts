import { api } from './api.ts';
import { browserStorage, largeStore } from './browserStorage.ts';
import { Outbox } from './outbox.ts';

const { storage, isLasting } = browserStorage();

/** What was done in this browser and is not answered yet. */
export const outbox = new Outbox({ storage, large: largeStore(), post: api.step });

/** Whether this browser keeps anything beyond the page. */
export const browserKeeps = isLasting;
