/** Refused input: one plain line on standard error, exit 2. */
export class Refused extends Error {}
