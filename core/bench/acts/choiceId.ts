import type { Reader, Tables } from '../tables.ts';

/** A choice of glass by its name, whatever case it is written in. */
export const choiceId = (panelId: string, name: string): string => `${panelId}/${name.trim().toLowerCase()}`;

export const choiceNamed = (state: Reader, panelId: string, name: string): Tables['choices'] | undefined =>
  state.get('choices', choiceId(panelId, name));
