import { backsCalled, type Command } from '../bench/index.ts';
import { showNumbers } from '../units/index.ts';

const PUT_AWAY_VERBS = { archived: 'archive', deleted: 'delete', back: 'bring back' } as const;

/** What somebody asks for, as short as a line of the log, for steps that are still on their way: `12–18 ground`. */
export function askedWords({ kind, ask }: Command): string {
  if (kind === 'put-away') return PUT_AWAY_VERBS[ask.as ?? 'back'];
  const verb = kind.replaceAll('-', ' ');
  const numbers =
    'numbers' in ask
      ? ask.numbers
      : 'sources' in ask
        ? ask.sources.flatMap((s) => s.numbers)
        : 'joints' in ask && kind === 'solder-joints'
          ? ask.joints
          : [];
  if (numbers.length === 0) return verb;
  const called = showNumbers(numbers, 8);
  if (kind === 'advance') return `${called} ${ask.to.replaceAll('-', ' ')}`;
  if (kind === 'cut-back') return `${backsCalled(numbers)} cut`;
  if (kind === 'choose-back') return `second glass ${called}`;
  return kind === 'cut' ? `${called} cut` : `${verb} ${called}`;
}
