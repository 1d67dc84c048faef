import { drawingRefusalWords } from '#core/words';
import { LAYOUT_USAGE, layoutCommand } from './layoutCommand.ts';
import { LEAD_USAGE, leadCommand } from './leadCommand.ts';
import { MATERIALS_USAGE, materialsCommand } from './materialsCommand.ts';
import { PIECES_USAGE, piecesCommand } from './piecesCommand.ts';
import { Refused } from './refused.ts';

const COMMANDS = {
  pieces: piecesCommand,
  layout: layoutCommand,
  lead: leadCommand,
  materials: materialsCommand,
} as const;
const UNREADABLE: Record<keyof typeof COMMANDS, string> = {
  pieces: 'This drawing could not be read; save it again from the vector editor.',
  lead: 'This drawing could not be leaded up; look through its lines.',
  materials: 'What this panel takes could not be reckoned; look through its lines.',
  layout: 'This job could not be laid out; look through its outlines.',
};
const USAGE = `Use: ${PIECES_USAGE}, or: ${LAYOUT_USAGE}, or: ${LEAD_USAGE}, or: ${MATERIALS_USAGE}`;

const isCommand = (name: string | undefined): name is keyof typeof COMMANDS =>
  name !== undefined && Object.hasOwn(COMMANDS, name);

const [name, ...rest] = process.argv.slice(2);
try {
  if (!isCommand(name)) throw new Refused(name === undefined ? USAGE : `“${name}” is not a command. ${USAGE}`);
  process.stdout.write(`${JSON.stringify(COMMANDS[name](rest))}\n`);
} catch (error) {
  const words =
    error instanceof Refused
      ? error.message
      : error instanceof RangeError
        ? drawingRefusalWords('too-large')
        : isCommand(name)
          ? UNREADABLE[name]
          : USAGE;
  process.stderr.write(`${words.replace(/\s+/g, ' ')}\n`);
  process.exitCode = 2;
}
