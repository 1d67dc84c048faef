import { v4 } from 'uuid';

/** A new name that nothing else has; made without what browsers keep for HTTPS alone, for tablets that come by plain HTTP. */
export const newId = (): string => v4();
