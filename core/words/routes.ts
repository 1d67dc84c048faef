import type { StepDefinition } from '../bench/index.ts';
import { showMinutes } from '../units/index.ts';

/** What a step of a route says beside its name, in a few sentences: its wait, who goes through it, what it needs. */
export function stepWords(step: StepDefinition, wordOf: (code: string) => string): string {
  const said: string[] = [];
  if (step.onlyAsked) said.push('Only for pieces that ask for it.');
  if (step.mayBeLeftOut) said.push('May be left out.');
  if (step.waitMin > 0) said.push(`Then ${waitWords(step.waitMin)} for the ${step.waitName ?? step.word}.`);
  if (step.needs.length > 0) said.push(`After ${listed(step.needs.map(wordOf))}.`);
  if (step.deed === 'takes-glass') said.push('Takes glass from the rack.');
  if (step.deed === 'takes-back') said.push('Takes a second glass from the rack.');
  if (step.deed === 'solders-front' || step.deed === 'solders-back') said.push('Its joints are ticked one by one.');
  return said.join(' ');
}

const MINUTES_PER_HOUR = 60;

const waitWords = (minutes: number): string =>
  minutes % MINUTES_PER_HOUR === 0 ? `${minutes / MINUTES_PER_HOUR} h` : showMinutes(minutes);

/** `a`, `a and b`, `a, b and c`. */
const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** A code for a step of the studio's own, from its word, unlike any that is there. */
export function stepCodeFor(word: string, taken: ReadonlySet<string>): string {
  const plain =
    word
      .toLowerCase()
      .normalize('NFD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 30) || 'step';
  const code = /^[a-z]/.test(plain) ? plain : `step-${plain}`;
  for (let i = 1; ; i++) {
    const wish = i === 1 ? code : `${code}-${i}`;
    if (!taken.has(wish)) return wish;
  }
}
