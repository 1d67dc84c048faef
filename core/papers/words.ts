import { measureWords } from '../words/index.ts';
import type { Heading } from './heading.ts';
import type { PaperPanel } from './types.ts';

/** The head of one of a panel's papers. */
export function headingOf(panel: PaperPanel, title: string): Heading {
  const { name, job, widthMm, heightMm, technique, unit, due } = panel;
  const size = measureWords(widthMm, heightMm, unit);
  return {
    title,
    of: name === job ? name : `${job}, ${name}`,
    facts: [size, technique === 'lead' ? 'leaded' : 'copper foil', ...(due ? [due] : [])].join(' · '),
  };
}
