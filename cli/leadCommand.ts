import { readCartoon, pieceRings } from '#core/cartoon';
import { checkLead, CORNERS, cutList, leadPlan, type LeadPlan } from '#core/leading';
import { drawingRefusalWords, lockedWords } from '#core/words';
import { fileOptions } from './fileOptions.ts';
import { readFile } from './readFile.ts';
import { cameOption, lengthOption } from './options.ts';
import { Refused } from './refused.ts';

export const LEAD_USAGE =
  'nelvik lead FILE.svg|FILE.dxf [--came h6x1.6] [--border u10x1.6] [--corner bottom-left] [--stock 1800mm] [--kerf 2mm]';

const MOST_STOCK_MM = 100_000;
const MOST_KERF_MM = 100;

/** `lead FILE`: which came goes through, in which order the panel is built, and what to cut. */
export function leadCommand(rest: readonly string[]): object {
  const { file, values } = fileOptions(rest, ['came', 'border', 'corner', 'stock', 'kerf'], LEAD_USAGE);
  const came = cameOption('came', values.came ?? 'h6x1.6');
  const border = cameOption('border', values.border ?? 'u10x1.6');
  const corner = CORNERS.find((one) => one === (values.corner ?? 'bottom-left').trim().toLowerCase());
  if (corner === undefined) throw new Refused(`--corner must be one of ${CORNERS.join(', ')}, not “${values.corner}”.`);
  const kerfMm = lengthOption('kerf', values.kerf ?? '2mm', 0, MOST_KERF_MM, '2mm');
  const stockMm = lengthOption('stock', values.stock ?? '1800mm', 1, MOST_STOCK_MM, '1800mm or 6ft');
  if (stockMm <= kerfMm) throw new Refused('--stock must be longer than what is lost with each cut.');
  const reading = readCartoon(readFile(file, 'a drawing'), {});
  if ('refusal' in reading) throw new Refused(drawingRefusalWords(reading.refusal));
  const { cartoon } = reading;
  const faces = { innerMm: came.faceMm, borderMm: border.faceMm };
  const plan = leadPlan(cartoon, { corner, ...faces });
  // What is told is looked at once more by other means; a fault here is ours.
  const [fault] = checkLead(plan, faces);
  if (fault !== undefined) throw new Error(`the plan does not hold: ${fault}`);
  return {
    ...report(plan, came.code, border.code),
    ...cutsOf(plan, came.code, border.code, { stockMm, kerfMm }),
    pieces: cartoon.pieces.map((piece) => ({
      number: piece.number,
      outline: (pieceRings(cartoon, piece)[0] ?? []).map(point),
    })),
  };
}

const r4 = (value: number): number => Math.round(value * 1e4) / 1e4;
const point = ([x, y]: readonly [number, number]) => [r4(x), r4(y)];
const name = (run: number): string => `R${run + 1}`;
const jointId = (joint: number | null): number | null => (joint === null ? null : joint + 1);

/** The plan as plain data. */
const report = ({ joints, lines, runs, order, locked }: LeadPlan, came: string, border: string) => ({
  joints: joints.map(({ at, kind }, i) => ({ id: i + 1, at: point(at), kind })),
  lines: lines.map(({ from, to, path, lengthMm, isBorder, left, right }, i) => ({
    id: i + 1,
    from: jointId(from),
    to: jointId(to),
    path: path.map(point),
    lengthMm: r4(lengthMm),
    border: isBorder,
    left,
    right,
  })),
  runs: runs.map(({ lines: refs, isBorder, lengthMm, ends }, i) => ({
    id: name(i),
    lines: refs.map((ref) => (ref < 0 ? ~ref : ref) + 1),
    profile: isBorder ? border : came,
    lengthMm: r4(lengthMm),
    ends: ends.map(({ joint, kind, against, angleDeg }) => ({
      joint: jointId(joint),
      kind,
      ...(against === null ? {} : { against: name(against) }),
      ...(angleDeg === null ? {} : { angleDeg: r4(angleDeg) }),
    })),
  })),
  order: order.map(({ piece, runs: laid }, step) => ({ step, piece, runs: laid.map(name) })),
  locked: locked.map((one) => ({ pieces: one.pieces, reason: lockedWords(one) })),
});

function cutsOf(
  { runs }: LeadPlan,
  came: string,
  border: string,
  by: { readonly stockMm: number; readonly kerfMm: number },
) {
  const { lengths, spliced } = cutList(runs, by);
  return {
    cuts: {
      stockMm: r4(by.stockMm),
      kerfMm: r4(by.kerfMm),
      lengths: lengths.map(({ isBorder, parts, usedMm, leftMm }) => ({
        profile: isBorder ? border : came,
        runs: parts.map(({ run, part }) => (part === null ? name(run) : `${name(run)}#${part}`)),
        usedMm: r4(usedMm),
        leftMm: r4(leftMm),
      })),
      spliced: spliced.map(({ run, partsMm }) => ({ run: name(run), partsMm: partsMm.map(r4) })),
    },
  };
}
