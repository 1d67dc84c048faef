import { openSync, readSync, closeSync, fstatSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { gunzipSync } from 'node:zlib';
import { CAPACITY } from '#core/limits';
import { DEFAULT_SETTINGS } from '#core/bench';
import { lengthToMm } from '#core/units';
import { drawingRefusalWords } from '#core/words';
import { piecesReport, type PiecesOptions } from './pieces.ts';

/** Refused input: one plain line on standard error, exit 2. */
class Refused extends Error {}

const USAGE =
  'Use: nelvik pieces FILE.svg|FILE.dxf [--width 420mm | --height 24in] [--snap 0.8mm] [--came h6 | --foil 0.8mm]';

function readFile(path: string): string {
  let fd: number;
  try {
    fd = openSync(path, 'r');
  } catch {
    throw new Refused(`There is no file “${path}” that can be read.`);
  }
  try {
    const stat = fstatSync(fd);
    if (stat.isDirectory()) throw new Refused(`“${path}” is a folder, not a drawing.`);
    if (stat.size > CAPACITY.sourceChars) throw new Refused(drawingRefusalWords('too-large'));
    const bytes = Buffer.alloc(stat.size);
    let read = 0;
    while (read < stat.size) {
      const n = readSync(fd, bytes, read, stat.size - read, null);
      if (n === 0) break;
      read += n;
    }
    return decode(bytes.subarray(0, read));
  } finally {
    closeSync(fd);
  }
}

/** UTF-8, or UTF-16 where a byte order mark says so; unpacked first where it was packed (SVGZ). */
function decode(given: Buffer): string {
  const isPacked = given[0] === 0x1f && given[1] === 0x8b;
  const bytes = isPacked ? unpacked(given) : given;
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return bytes.toString('utf16le');
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return Buffer.from(bytes)
      .subarray(0, bytes.length & ~1)
      .swap16()
      .toString('utf16le');
  return bytes.toString('utf8');
}

function unpacked(bytes: Buffer): Buffer {
  try {
    return gunzipSync(bytes, { maxOutputLength: CAPACITY.sourceChars });
  } catch (error) {
    const isTooLarge = (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE';
    throw new Refused(drawingRefusalWords(isTooLarge ? 'too-large' : 'not-a-drawing'));
  }
}

function lengthOption(name: string, text: string | undefined, least: number): number | undefined {
  if (text === undefined) return undefined;
  const mm = lengthToMm(text);
  if (
    mm === null ||
    !Number.isFinite(mm) ||
    mm < least ||
    (least === 0 ? mm > 20 : mm > 3200) ||
    (least > 0 && mm <= 0)
  ) {
    throw new Refused(
      `--${name} must be a length such as ${name === 'snap' || name === 'foil' ? '0.8mm' : '420mm or 24in'}, not “${text}”.`,
    );
  }
  return mm;
}

function run(argv: readonly string[]): object {
  const [command, ...rest] = argv;
  if (command !== 'pieces')
    throw new Refused(command === undefined ? USAGE : `“${command}” is not a command. ${USAGE}`);
  let parsed;
  try {
    parsed = parseArgs({
      args: [...rest],
      allowPositionals: true,
      options: {
        width: { type: 'string' },
        height: { type: 'string' },
        snap: { type: 'string' },
        came: { type: 'string' },
        foil: { type: 'string' },
      },
    });
  } catch (error) {
    throw new Refused(`${(error as Error).message.split('\n')[0]?.replace(/\.$/, '')}. ${USAGE}`);
  }
  const { values, positionals } = parsed;
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0) throw new Refused(USAGE);
  if (values.width !== undefined && values.height !== undefined)
    throw new Refused('Give --width or --height, not both: the other follows.');
  if (values.came !== undefined && values.foil !== undefined) throw new Refused('Give --came or --foil, not both.');
  const face = values.came === undefined ? undefined : /^h(\d+(?:\.\d+)?)(?:mm)?$/i.exec(values.came)?.[1];
  if (values.came !== undefined && (face === undefined || !(Number(face) >= 2 && Number(face) <= 30))) {
    throw new Refused(`--came must be a profile such as h6 (H came, 6 mm face), not “${values.came}”.`);
  }
  const options: PiecesOptions = {
    widthMm: lengthOption('width', values.width, 1e-6),
    heightMm: lengthOption('height', values.height, 1e-6),
    snapMm: lengthOption('snap', values.snap, 0),
    faceMm: face === undefined ? undefined : Number(face),
    gapMm: lengthOption('foil', values.foil, 0),
    unit: DEFAULT_SETTINGS.unit,
  };
  const report = piecesReport(readFile(file), options);
  if ('refusal' in report) throw new Refused(drawingRefusalWords(report.refusal));
  return report;
}

try {
  process.stdout.write(`${JSON.stringify(run(process.argv.slice(2)))}\n`);
} catch (error) {
  const words =
    error instanceof Refused
      ? error.message
      : error instanceof RangeError
        ? drawingRefusalWords('too-large')
        : 'This drawing could not be read; save it again from the vector editor.';
  process.stderr.write(`${words.replace(/\s+/g, ' ')}\n`);
  process.exitCode = 2;
}
