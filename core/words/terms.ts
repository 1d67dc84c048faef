import type { Technique } from '../sizing/index.ts';

export const TECHNIQUE_WORDS: Readonly<Record<Technique, string>> = { foil: 'copper foil', lead: 'leaded' };
