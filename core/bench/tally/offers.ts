import { BACK_REASONS, breakReasons, shortReason } from '../reasons.ts';
import type { StepCode } from '../routes/definition.ts';
import { WORKS, WORK_STAGES } from '../works.ts';
import { SIDES } from '../acts/joints.ts';
import { parseTally, type Vocabulary } from './parse.ts';

/** What a line may name on this panel. */
export interface Names {
  /** Of sheets and offcuts that the pieces meant could come from. */
  readonly labels: readonly string[];
  /** Codes of glasses. */
  readonly glasses: readonly string[];
}

const MINUTES = ['5 min', '10 min', '20 min'];
const VERBS = ['cut', 'broke', 'recut', 'return', 'glass'];

/** Each step by the first word it is called. */
const firstCalls = (steps: ReadonlyMap<string, StepCode>): string[] =>
  [...new Map([...steps].reverse().map(([call, code]) => [code, call])).values()].reverse();

const reasons = ({ ownReasons = [] }: Vocabulary): string[] => breakReasons(ownReasons).map(shortReason);

/**
 * The words that may come next in a tally line, for who taps instead of typing; each is added as it stands. Nothing where
 * the line is whole, or wrong.
 */
export function offers(line: string, vocabulary: Vocabulary, { labels, glasses }: Names): string[] {
  const parsed = parseTally(line, vocabulary);
  const words = line
    .trim()
    .toLowerCase()
    .split(/[\s,]+/);
  const isAtFrom = words.at(-1) === 'from';
  switch (parsed.kind) {
    case 'empty':
      return ['all', 'rest', 'joints', 'clock', ...firstCalls(vocabulary.panelSteps), 'undo', 'redo'];
    case 'cut':
      return isAtFrom ? [...labels] : parsed.from === null ? ['from'] : [];
    case 'break':
    case 'recut':
      if (isAtFrom) return [...labels];
      return [...(parsed.from === null ? ['from'] : []), ...(parsed.minutes === 0 ? MINUTES : [])];
    case 'typing':
      return unfinished(words, isAtFrom, vocabulary, { labels, glasses });
    default:
      return [];
  }
}

function unfinished(words: readonly string[], isAtFrom: boolean, vocabulary: Vocabulary, names: Names): string[] {
  const { pieceSteps } = vocabulary;
  if (words[0] === 'joints' || words[0] === 'joint')
    return words.some((word) => word === 'all' || /^\d/.test(word)) ? [...SIDES] : ['all'];
  if (words[0] === 'clock')
    return words.length > 1 ? [] : ['stop', ...WORK_STAGES.map((stage) => WORKS[stage].word.toLowerCase())];
  if (words.includes('note') || words.includes('wait')) return [];
  const verb = words.find((word) => VERBS.includes(word) || word === 'broken');
  switch (verb) {
    case 'broke':
    case 'broken':
      return reasons(vocabulary);
    case 'recut':
      if (isAtFrom) return [...names.labels];
      return words.at(-1) === 'recut' ? [...reasons(vocabulary), 'from'] : ['from'];
    case 'return':
    case 'returned':
      return [...BACK_REASONS];
    case 'glass':
      return [...names.glasses];
    default:
      return [
        'cut',
        ...(vocabulary.backCalls ?? []).slice(0, 1),
        ...firstCalls(pieceSteps),
        'broke',
        'recut',
        'return',
        'glass',
      ];
  }
}
