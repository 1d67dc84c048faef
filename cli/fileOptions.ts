import { parseArgs } from 'node:util';
import { recordOf } from '#core/units';
import { Refused } from './refused.ts';

/**
 * The one file that a command works on, and its options, each with a text.
 * @param names of the options @param usage how the command is called @throws Refused in one plain line
 */
export function fileOptions<Name extends string>(
  rest: readonly string[],
  names: readonly Name[],
  usage: string,
): { readonly file: string; readonly values: { readonly [N in Name]?: string } } {
  try {
    const { values, positionals } = parseArgs({
      args: [...rest],
      allowPositionals: true,
      options: Object.fromEntries(names.map((name) => [name, { type: 'string' as const }])),
    });
    const [file, ...more] = positionals;
    if (file === undefined || more.length > 0) throw new Refused(`Use: ${usage}`);
    return { file, values: recordOf(names, (name) => textOf(values[name])) };
  } catch (error) {
    if (error instanceof Refused || !(error instanceof Error)) throw error;
    throw new Refused(`${error.message.split('\n')[0]?.replace(/\.$/, '')}. Use: ${usage}`);
  }
}

const textOf = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
