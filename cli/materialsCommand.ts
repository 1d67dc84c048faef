import { readCartoon } from '#core/cartoon';
import { ALLOYS, alloyNamed, materialsOf, type Materials } from '#core/materials';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { drawingRefusalWords, materialsFindingWords } from '#core/words';
import { fileOptions } from './fileOptions.ts';
import { cameOption, lengthOption } from './options.ts';
import { readFile } from './readFile.ts';
import { Refused } from './refused.ts';

export const MATERIALS_USAGE =
  'nelvik materials FILE.svg|FILE.dxf [--technique foil|lead] [--glass 3mm] [--overlap 1.2mm] [--came h6x1.6] [--border u10x1.6] [--alloy 60/40] [--rings 2] [--spread 60]';

const NAMES = ['technique', 'glass', 'overlap', 'came', 'border', 'alloy', 'rings', 'spread'] as const;
const MOST_GLASS_MM = 40;
const MOST_RINGS = 20;

/** `materials FILE`: foil, came, solder and cement that a panel takes, what it weighs and how it pulls. */
export function materialsCommand(rest: readonly string[]): object {
  const { file, values } = fileOptions(rest, NAMES, MATERIALS_USAGE);
  const technique = (values.technique ?? 'foil').toLowerCase();
  if (technique !== 'foil' && technique !== 'lead')
    throw new Refused(`--technique must be foil or lead, not “${values.technique}”.`);
  const thicknessMm = lengthOption('glass', values.glass ?? '3mm', 0.5, MOST_GLASS_MM, '3mm');
  const overlapMm = lengthOption('overlap', values.overlap ?? '1.2mm', 0, 10, '1.2mm');
  const alloy = alloyNamed((values.alloy ?? '60/40').toLowerCase());
  if (alloy === null)
    throw new Refused(`--alloy must be one of ${ALLOYS.map(({ code }) => code).join(', ')}, not “${values.alloy}”.`);
  const rings = Number(values.rings ?? '2');
  if (!Number.isInteger(rings) || rings < 1 || rings > MOST_RINGS)
    throw new Refused(`--rings must be a whole number from 1 to ${MOST_RINGS}, not “${values.rings}”.`);
  const spreadDeg = Number((values.spread ?? '60').replace(/\s*(deg|°)$/i, ''));
  if (!(spreadDeg > 0 && spreadDeg <= 90))
    throw new Refused(`--spread must be degrees above the horizontal, up to 90, not “${values.spread}”.`);
  const isLead = technique === 'lead';
  const came = cameOption('came', values.came ?? 'h6x1.6');
  const border = cameOption('border', values.border ?? 'u10x1.6');
  const reading = readCartoon(readFile(file, 'a drawing'), {});
  if ('refusal' in reading) throw new Refused(drawingRefusalWords(reading.refusal));
  const { foil, solder, hanging, findings, ...more } = materialsOf(reading.cartoon, {
    technique,
    thicknessMm,
    overlapMm,
    gapMm: DEFAULT_ALLOWANCE.foil.gapMm,
    came: isLead ? came : null,
    // A panel of foil has a border of came where one is asked for.
    border: isLead || values.border !== undefined ? border : null,
    alloy,
    rings,
    spreadDeg,
  });
  return rounded({
    foil: foil && foilLine(foil),
    ...more,
    solder: { ...solder, alloy: alloy.code, solidusC: alloy.solidusC, liquidusC: alloy.liquidusC },
    hanging: { rings, ...hanging, spreadDeg },
    findings: findings.map((finding) => ({ kind: finding.code, message: materialsFindingWords(finding, 'mm') })),
  });
}

/** One glass throughout takes one foil. */
const foilLine = ({ edge: _, others: __, ...foil }: NonNullable<Materials['foil']>) => foil;

/** Numbers to four places. */
const rounded = (value: object): object =>
  JSON.parse(
    JSON.stringify(value, (_, one: unknown) => (typeof one === 'number' ? Math.round(one * 1e4) / 1e4 : one)),
  ) as object;
