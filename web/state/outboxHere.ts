import { api } from './api.ts';
import { Outbox } from './outbox.ts';

/** What was done in this browser and is not answered yet. */
export const outbox = new Outbox(localStorage, api.step);
