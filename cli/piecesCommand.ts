import { DEFAULT_SETTINGS } from '#core/bench';
import { lengthToMm } from '#core/units';
import { drawingRefusalWords } from '#core/words';
import { fileOptions } from './fileOptions.ts';
import { piecesReport, type PiecesOptions } from './pieces.ts';
import { readFile } from './readFile.ts';
import { Refused } from './refused.ts';

export const PIECES_USAGE =
  'nelvik pieces FILE.svg|FILE.dxf [--width 420mm | --height 24in] [--snap 0.8mm] [--came h6 | --foil 0.8mm]';

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

/** `pieces FILE`: what the importer understood of a drawing. */
export function piecesCommand(rest: readonly string[]): object {
  const { file, values } = fileOptions(rest, ['width', 'height', 'snap', 'came', 'foil'], PIECES_USAGE);
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
  const report = piecesReport(readFile(file, 'a drawing'), options);
  if ('refusal' in report) throw new Refused(drawingRefusalWords(report.refusal));
  return report;
}
