import type { Point, Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';
import { nth } from '../units/index.ts';
import {
  ALIKE_MM,
  inEach,
  isAlike,
  settingsOf,
  stripForms,
  type Standing,
  type StripForm,
  type StripSettings,
} from './strips.ts';

/** A sheet with what lies on it. */
export interface SheetAsLaid {
  readonly id: string;
  readonly outline: Ring;
  readonly breaks: readonly StraightBreak[];
  /** Where the pieces lie on the sheet. */
  readonly pieces: readonly { readonly id: string; readonly outline: Ring }[];
}

/** A piece as it stands in a strip, seen along it: u along, v across, of its middle, mm. */
interface Seen {
  readonly id: string;
  readonly u: number;
  readonly v: number;
}

/** Pieces of one strip that touch. */
interface Row {
  readonly sheet: SheetAsLaid;
  readonly wayRad: number;
  readonly v: number;
  readonly pieces: readonly Seen[];
}

interface Reading {
  readonly form: StripForm;
  readonly rows: readonly Row[];
  readonly count: number;
}

/** Ways that differ by less are one, rad. */
const SAME_WAY_RAD = 2e-3;

/**
 * The strips of a layout, told from where its pieces lie: equal pieces side by side that share their breaks, and one break
 * right along them. However a layout came about, and whatever has been cut from it since, what is told is what is still
 * there; pieces that keep a margin between them are in no strip.
 */
export function stripsLaid(sheets: readonly SheetAsLaid[]): StripSettings[] {
  const told: StripSettings[] = [];
  const done = new Set<string>();
  for (;;) {
    let best: Reading | null = null;
    for (const form of formsOn(sheets, done)) {
      const reading = read(sheets, form, done);
      if (reading && (best === null || isBetter(reading, best))) best = reading;
    }
    if (best === null) return told;
    const { form, rows } = best;
    const pieceIds = rows.flatMap((row) => row.pieces.map(({ id }) => id));
    for (const id of pieceIds) done.add(id);
    told.push({ ...settingsOf(form), pieceIds, strips: perSheet(rows) });
  }
}

/** The more pieces the better; of the same, the fewer strips. */
const isBetter = (a: Reading, b: Reading): boolean =>
  a.count !== b.count ? a.count > b.count : a.rows.length < b.rows.length;

/** The ways to stand in a strip that more than one piece has. */
function formsOn(sheets: readonly SheetAsLaid[], done: ReadonlySet<string>): StripForm[] {
  const forms: { form: StripForm; count: number }[] = [];
  for (const { id, outline } of sheets.flatMap((sheet) => sheet.pieces)) {
    if (done.has(id)) continue;
    for (const { form } of stripForms(outline)) {
      const known = forms.find((one) => isAlike(one.form, form));
      if (known) known.count++;
      else forms.push({ form, count: 1 });
    }
  }
  return forms.filter(({ count }) => count > 1).map(({ form }) => form);
}

/** All pieces of a form that lie in strips; null where no two of them do. */
function read(sheets: readonly SheetAsLaid[], form: StripForm, done: ReadonlySet<string>): Reading | null {
  const rows = sheets.flatMap((sheet) => {
    const open = sheet.pieces.flatMap(({ id, outline }) => {
      const standing = done.has(id) ? undefined : stripForms(outline).find((one) => isAlike(one.form, form));
      return standing ? [{ id, standing }] : [];
    });
    return waysOf(open.map((one) => one.standing.baseRad)).flatMap((wayRad) =>
      rowsAlong(
        sheet,
        wayRad,
        form,
        open.filter(({ standing }) => isSameWay(standing.baseRad, wayRad)),
      ),
    );
  });
  const inStrips = rows.filter((row) => row.pieces.length > 1 || rows.some((other) => isBeside(row, other, form)));
  const count = inStrips.reduce((sum, { pieces }) => sum + pieces.length, 0);
  return count > 1 ? { form, rows: inStrips, count } : null;
}

const isSameWay = (a: number, b: number): boolean => Math.abs(Math.sin(a - b)) < SAME_WAY_RAD;

function waysOf(rads: readonly number[]): number[] {
  const ways: number[] = [];
  for (const rad of rads) if (ways.every((way) => !isSameWay(way, rad))) ways.push(rad);
  return ways;
}

/** Pieces that touch side by side, a break or an edge of the glass along them. */
function rowsAlong(
  sheet: SheetAsLaid,
  wayRad: number,
  form: StripForm,
  members: readonly { readonly id: string; readonly standing: Standing }[],
): Row[] {
  const [cos, sin] = [Math.cos(wayRad), Math.sin(wayRad)];
  const seenFrom = ([x, y]: Point): readonly [number, number] => [x * cos + y * sin, y * cos - x * sin];
  const pitch = (form.longMm + form.shortMm) / 2;
  const seen = members
    .map(({ id, standing }): Seen => {
      const [u, v] = seenFrom(middleOf(standing));
      return { id, u, v };
    })
    .sort((a, b) => (Math.abs(a.v - b.v) > ALIKE_MM ? a.v - b.v : a.u - b.u));
  const rows: { v: number; pieces: Seen[] }[] = [];
  for (const one of seen) {
    const row = rows.at(-1);
    const before = row?.pieces.at(-1);
    const touches = before && Math.abs(before.v - one.v) <= ALIKE_MM && Math.abs(one.u - before.u - pitch) <= ALIKE_MM;
    if (row && touches) row.pieces.push(one);
    else rows.push({ v: one.v, pieces: [one] });
  }
  const lines = [...sheet.breaks, ...edgesOf(sheet.outline)].flatMap(({ from, to }) => {
    const [a, b] = [seenFrom(from), seenFrom(to)];
    const isAlong = Math.abs(a[1] - b[1]) <= SAME_WAY_RAD * Math.abs(a[0] - b[0]);
    return isAlong ? [{ v: (a[1] + b[1]) / 2, from: Math.min(a[0], b[0]), to: Math.max(a[0], b[0]) }] : [];
  });
  const isParted = ({ v, pieces }: (typeof rows)[number]): boolean =>
    lines.some(
      (line) =>
        Math.abs(Math.abs(line.v - v) - form.widthMm / 2) <= ALIKE_MM &&
        line.from <= nth(pieces, 0).u &&
        line.to >= nth(pieces, pieces.length - 1).u,
    );
  return rows.filter(isParted).map((row) => ({ sheet, wayRad, ...row }));
}

const isBeside = (a: Row, b: Row, { widthMm }: StripForm): boolean =>
  a !== b &&
  a.sheet === b.sheet &&
  isSameWay(a.wayRad, b.wayRad) &&
  Math.abs(Math.abs(a.v - b.v) - widthMm) <= ALIKE_MM;

/** The middle of its middle line. */
function middleOf({ form, baseRad, corner }: Standing): Point {
  const u = (form.longMm / 2 + form.leanMm + form.shortMm / 2) / 2;
  const v = form.widthMm / 2;
  const [cos, sin] = [Math.cos(baseRad), Math.sin(baseRad)];
  return [corner[0] + u * cos - v * sin, corner[1] + u * sin + v * cos];
}

const edgesOf = (ring: Ring): StraightBreak[] =>
  ring.map((from, i) => ({ from, to: nth(ring, (i + 1) % ring.length) }));

function perSheet(rows: readonly Row[]): StripSettings['strips'] {
  return [...new Set(rows.map(({ sheet }) => sheet))].map((sheet) => {
    const counts = rows.flatMap((row) => (row.sheet === sheet ? [row.pieces.length] : []));
    return { sheetId: sheet.id, ...inEach(counts) };
  });
}
