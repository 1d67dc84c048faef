import { decide, effectWords, refusalWords, type Studio, type TallyMeaning } from '../bench/index.ts';
import { count, type DisplayUnit } from '../units/index.ts';

/** The effect of the line in words, or what is wrong with it: the same rules that the server applies. */
export function tallyWords(
  meaning: TallyMeaning,
  state: Studio,
  unit: DisplayUnit,
  personId: string | null,
): { words: string; isProblem: boolean } {
  const { line, command, problem, direction, questions } = meaning;
  if (problem) return { words: problem, isProblem: true };
  if (direction)
    return {
      words: direction === 'undo' ? 'takes back the last step of this screen' : 'does again what was taken back',
      isProblem: false,
    };
  if (questions.length > 0)
    return {
      words: `${count(meaning.numbers.length, 'piece')} cut · Enter asks from which sheet`,
      isProblem: false,
    };
  if (line.kind === 'typing') return { words: line.hint, isProblem: false };
  if (!command) return { words: '', isProblem: false };
  const outcome = decide(state, command, { at: 0, seq: state.seq + 1, personId, bench: '' }, state.seq);
  if ('refusal' in outcome) return { words: refusalWords(outcome.refusal, unit, state), isProblem: true };
  return { words: effectWords(command, state, unit), isProblem: false };
}
