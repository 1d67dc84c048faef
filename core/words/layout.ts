import { count, showLength, showNumbers, type DisplayUnit } from '../units/index.ts';
import type {
  BrokenOut,
  JobFault,
  LayingFault,
  NotBreakable,
  StripKind,
  StripSettings,
  UnplacedCode,
} from '../layout/index.ts';

/** Why a layout job is refused, in one sentence. */
export function jobFaultWords(fault: JobFault): string {
  const owner =
    'what' in fault
      ? fault.what === 'flaw'
        ? `A flaw of sheet ${fault.id}`
        : `The outline of ${fault.what} ${fault.id}`
      : '';
  switch (fault.code) {
    case 'crossing':
      return `${owner} crosses itself.`;
    case 'no-area':
      return `${owner} holds no area.`;
    case 'doubled-id':
      return `Two ${'what' in fault ? fault.what : 'piece'}s are called ${fault.id}.`;
    case 'flaw-outside':
      return `A flaw of sheet ${fault.id} lies outside it.`;
    case 'too-many':
      return `That is more than ${fault.most} at once; lay it out in several jobs.`;
  }
}

/** Why a piece lies nowhere. */
export function unplacedWords(code: UnplacedCode): string {
  switch (code) {
    case 'too-large':
      return 'larger than any sheet at its flow angle';
    case 'no-glass':
      return 'no glass is left that takes it';
  }
}

/** What one break of a sheet does, from the parts that it leaves: “frees piece 12”, “parts 3 pieces from 5”. */
export function breakWords(
  sides: readonly { readonly pieces: readonly string[]; readonly isOffcut: boolean }[],
): string {
  const offcut = sides.find((side) => side.isOffcut && side.pieces.length === 0);
  const single = sides.filter((side) => side.pieces.length === 1).flatMap((side) => side.pieces);
  const held = sides.filter((side) => side.pieces.length > 0);
  if (single.length > 0) {
    const freed = `frees ${single.length === 1 ? 'piece' : 'pieces'} ${single.join(' and ')}`;
    return offcut ? `${freed} and an offcut` : freed;
  }
  if (offcut) return 'breaks off an offcut';
  if (held.length < 2) return 'breaks off waste';
  return `parts ${held.map((side) => side.pieces.length).join(' pieces from ')}`;
}

/** Pieces by their ids: numbers as ranges, then those of two glasses, `12a–14a, 12b`, then those of other panels, `A 12`. */
export function idsCalled(ids: readonly string[]): string {
  const own = GLASSES.map((letter) => ({
    letter,
    numbers: ids.flatMap((id) => (OWN.exec(id)?.[2] === letter ? [Number.parseInt(id, 10)] : [])),
  }));
  return [
    ...own.flatMap(({ letter, numbers }) =>
      numbers.length > 0 ? [showNumbers(numbers, MOST_CALLED).replace(/\d+/g, `$&${letter}`)] : [],
    ),
    ...ids.filter((id) => !OWN.test(id)),
  ].join(', ');
}
/** A piece of the panel itself, and which of its glasses. */
const OWN = /^(\d+)([ab]?)$/;
const GLASSES = ['', 'a', 'b'];
const MOST_CALLED = 8;

/** A size, the longer side first, its unit said once where both have the same: “733 × 480 mm”. */
export const sizeWords = (oneMm: number, otherMm: number, unit: DisplayUnit): string =>
  measureWords(Math.max(oneMm, otherMm), Math.min(oneMm, otherMm), unit);

/** Width and height, their unit said once where both have the same: “420 × 640 mm”. */
export function measureWords(widthMm: number, heightMm: number, unit: DisplayUnit): string {
  const [width, height] = [showLength(widthMm, unit), showLength(heightMm, unit)];
  const mark = /[^\d.,]+$/.exec(height)?.[0] ?? '';
  return `${mark !== '' && width.endsWith(mark) ? width.slice(0, -mark.length) : width} × ${height}`;
}

/** What is wrong with where a piece lies on its sheet, as a sentence. */
export function layingWords(fault: LayingFault, sheetId: string): string {
  switch (fault.code) {
    case 'off-flow':
      return `${fault.id} lies ${Math.round(fault.by)}° off its flow.`;
    case 'near-edge':
      return fault.by < 0
        ? `${fault.id} reaches beyond ${sheetId}.`
        : `${fault.id} lies in the rough edge of ${sheetId}.`;
    case 'too-near':
      return fault.mm < 0.05
        ? `${fault.id} and ${fault.other} lie on each other.`
        : `Between ${fault.id} and ${fault.other} there is no room for the pliers.`;
    case 'on-flaw':
      return `${fault.id} lies on a flaw.`;
  }
}

/** Whether pieces come out of their sheet where they lie, and by how many breaks. */
export function breakOutWords(out: BrokenOut | NotBreakable): string {
  if ('between' in out) return `No straight break leads between ${listed(out.between)}.`;
  if (out.breaks.length === 0) return 'It comes out of the whole piece of glass.';
  return `The breaks go right across: ${count(out.breaks.length, 'break')}.`;
}

const listed = (ids: readonly string[]): string =>
  ids.length < 2 ? ids.join('') : `${ids.slice(0, -1).join(', ')} and ${ids.at(-1) ?? ''}`;

const STRIP_NAMES: Readonly<Record<StripKind, readonly [string, string]>> = {
  rectangle: ['rectangle', 'rectangles'],
  diamond: ['diamond', 'diamonds'],
  parallelogram: ['slanted piece', 'slanted pieces'],
  tapered: ['tapered piece', 'tapered pieces'],
  triangle: ['triangle', 'triangles'],
};

/** How equal pieces are cut in strips: how wide, how many from which sheet, the angle and the stop, as sentences. */
export function stripWords(
  { form, kind, pieceIds, angleDeg, stopMm, strips }: StripSettings,
  unit: DisplayUnit,
): string {
  const mm = (length: number) => showLength(length, unit, 1);
  const from = strips
    .map(
      ({ sheetId, count: n, least, most }) =>
        `${n} from ${sheetId}, ${least < most ? `${least} to ${most}` : most} in each`,
    )
    .join('; ');
  const across =
    kind === 'rectangle'
      ? `Then straight across, stop at ${mm(stopMm ?? 0)}.`
      : stopMm === null
        ? `Then across at ${Math.round(angleDeg)}°, end for end.`
        : Math.abs(stopMm - form.widthMm) < 0.05
          ? `Then across at ${Math.round(angleDeg)}° with the same stop.`
          : `Then across at ${Math.round(angleDeg)}°, stop at ${mm(stopMm)}.`;
  return `${count(pieceIds.length, ...STRIP_NAMES[kind])} in strips: first ${mm(form.widthMm)} wide, ${from}. ${across}`;
}
