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
      words:
        meaning.times > 1
          ? direction === 'undo'
            ? `takes back the last ${meaning.times} steps of this screen`
            : `does the last ${meaning.times} again`
          : direction === 'undo'
            ? 'takes back the last step of this screen'
            : 'does again what was taken back',
      isProblem: false,
    };
  if (questions.length > 0)
    return {
      words: `${count(meaning.numbers.length, 'piece')} cut · Enter asks from which sheet`,
      isProblem: false,
    };
  if (line.kind === 'typing') return { words: line.hint, isProblem: false };
  if (!command) return { words: '', isProblem: false };
  const outcome = decide(
    state,
    command,
    { at: 0, seq: state.seq + 1, personId: meaning.personId ?? personId, bench: '' },
    state.seq,
  );
  if ('refusal' in outcome) return { words: refusalWords(outcome.refusal, unit, state), isProblem: true };
  const said = effectWords(command, state, unit) || SAID[command.kind] || '';
  const by = meaning.personId === null ? undefined : state.get('people', meaning.personId)?.name;
  return { words: by === undefined || said === '' ? said : `${said} · by ${by}`, isProblem: false };
}

/** What a line does whose act needs no words elsewhere. */
const SAID: Readonly<Partial<Record<string, string>>> = {
  'write-note': 'is noted',
  'start-clock': 'the clock starts',
  'stop-clock': 'the clock stops',
};
