import { isKeyOf } from './keys.ts';
/** 1 in = 25.4 mm exactly (international inch, 1959). */
export const MM_PER_INCH = 25.4;

/** Units a length may be written in, with their millimetres; `px` is the CSS pixel, 96 to the inch. */
export const MM_PER_UNIT = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  pt: MM_PER_INCH / 72,
  pc: MM_PER_INCH / 6,
  px: MM_PER_INCH / 96,
  q: 0.25,
} as const;

export type LengthUnit = keyof typeof MM_PER_UNIT;
export type DisplayUnit = 'mm' | 'in';

export interface ParsedLength {
  readonly value: number;
  readonly unit: LengthUnit | null;
}

/** What people call the units. `''` are two strokes for inches. */
const UNIT_WORDS: Readonly<Record<string, LengthUnit>> = {
  '"': 'in',
  "''": 'in',
  inch: 'in',
  inches: 'in',
  "'": 'ft',
  foot: 'ft',
  feet: 'ft',
  millimetre: 'mm',
  millimetres: 'mm',
  millimeter: 'mm',
  millimeters: 'mm',
  centimetre: 'cm',
  centimetres: 'cm',
  centimeter: 'cm',
  centimeters: 'cm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
};

const DECIMAL = String.raw`(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?`;
const QUANTITY = new RegExp(String.raw`^(?:(?:(\d+)(?: |-| - ))?(\d+) ?/ ?(\d+)|(${DECIMAL})) ?([a-z"']*)\.?$`);
const FEET = new RegExp(String.raw`^(${DECIMAL}) ?(?:'|ft\.?|feet|foot)(?!')(?: |-| - )?(.+)$`);

/** One spelling for what is written in many: minus signs, strokes, fractions of one letter, spaces, a decimal comma. */
function plainly(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞⅑⅒]/g, (letter) => ` ${letter.normalize('NFKC')}`)
    .replace(/[⁄∕]/g, '/')
    .replace(/[−–‐‑]/g, '-')
    .replace(/[“”″„‟]/g, '"')
    .replace(/[‘’′]/g, "'")
    .replace(/[\s   ]+/g, ' ')
    .replace(/^(-?) /, '$1')
    .replace(/^([^,.]*),(?=\d[^,.]*\.?$)/, '$1.');
}

/** Nobody writes a length with more letters. */
const MOST_LETTERS = 60;

/** `1,250` is one and a quarter to some and more than a thousand to others. */
const IS_UNCLEAR = /^[-+]?[1-9]\d{0,2},\d{3}(?!\d)/;

/**
 * Reads a length in every way that people write one: `420`, `420mm`, `0,5`, `60 cm`, `16 1/2 in.`, `23⅝`, `½"`, `23-5/8"`, `1' 2 1/2"`,
 * `-5/8`, `1.5e2px`. A fraction without a unit is of an inch.
 * @returns the number with its unit (null when none is written), or null when it is no length, or not clear
 */
export function readLength(text: string): ParsedLength | null {
  if (text.length > MOST_LETTERS || IS_UNCLEAR.test(text.trim())) return null;
  const [, sign = '', body = ''] = /^([-+]?) ?(.*)$/.exec(plainly(text)) ?? [];
  const size = feetAndInches(body) ?? quantity(body);
  if (size === null || !Number.isFinite(size.value)) return null;
  return sign === '-' ? { ...size, value: -size.value } : size;
}

function feetAndInches(body: string): ParsedLength | null {
  const [, feet, rest = ''] = FEET.exec(body) ?? [];
  if (feet === undefined) return null;
  const inches = quantity(rest);
  if (inches === null || (inches.unit !== null && inches.unit !== 'in')) return null;
  return { value: Number(feet) * 12 + inches.value, unit: 'in' };
}

function quantity(body: string): ParsedLength | null {
  const [match, whole = '0', top, bottom, decimal, word = ''] = QUANTITY.exec(body) ?? [];
  if (match === undefined || Number(bottom) === 0) return null;
  const unit = Object.hasOwn(UNIT_WORDS, word) ? UNIT_WORDS[word] : word;
  if (unit === undefined || (unit !== '' && !isKeyOf(MM_PER_UNIT, unit))) return null;
  if (decimal !== undefined) return { value: Number(decimal), unit: unit === '' ? null : unit };
  return { value: Number(whole) + Number(top) / Number(bottom), unit: unit === '' ? 'in' : unit };
}

/** Millimetres of a written length; a bare number is taken in `bare`. Null when it is no length. */
export function lengthToMm(text: string, bare: LengthUnit = 'mm'): number | null {
  const parsed = readLength(text);
  return parsed === null ? null : parsed.value * MM_PER_UNIT[parsed.unit ?? bare];
}

export interface InchFraction {
  readonly negative: boolean;
  readonly whole: number;
  /** Zero when the length is a whole number of inches. */
  readonly top: number;
  readonly bottom: number;
}

/** Nearest fraction of an inch in lowest terms, `parts` to the inch (16, or 32 for allowances). */
export function mmToInchFraction(mm: number, parts = 16): InchFraction {
  const total = Math.round((Math.abs(mm) / MM_PER_INCH) * parts);
  let top = total % parts;
  let bottom = parts;
  while (top > 0 && top % 2 === 0 && bottom % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  return { negative: mm < 0 && total > 0, whole: Math.floor(total / parts), top, bottom: top === 0 ? 1 : bottom };
}

/** What is less than half of the finest fraction is said in millimetres also to whoever measures in inches. */
const NOTHING_MM = 0.005;

/** A length as plain text in the reader's unit: `420 mm`, `16 1⁄2 in`; a small one never as `0 in`: `0.25 mm`. */
export function showLength(mm: number, unit: DisplayUnit, digits = 0): string {
  if (unit === 'mm') return `${trimNumber(mm, digits)} mm`;
  const small = Math.abs(mm) < MM_PER_INCH / 16;
  // Taken as the hundredths that would be read, so that what is read and typed again is read the same.
  const f = mmToInchFraction(small ? Number(mm.toFixed(2)) : mm, small || digits > 0 ? 32 : 16);
  if (f.whole === 0 && f.top === 0 && Math.abs(mm) >= NOTHING_MM) return `${trimNumber(mm, 2)} mm`;
  const fraction = f.top > 0 ? `${f.top}⁄${f.bottom}` : '';
  const whole = f.whole > 0 || f.top === 0 ? String(f.whole) : '';
  return `${f.negative ? '−' : ''}${[whole, fraction].filter(Boolean).join(' ')} in`;
}

/**
 * A fine measure, such as half of a small gap, which is finer than 1/32 in: whoever measures in inches reads the
 * millimetres beside it.
 */
export function showFineLength(mm: number, unit: DisplayUnit): string {
  const fine = showLength(mm, 'mm', 2);
  const shown = showLength(mm, unit, 2);
  return unit === 'mm' || shown === fine ? fine : `${shown} (${fine})`;
}

/** A length as a number in the studio's unit, for files that are read again: to 0.01 mm or 0.001 in. */
export const lengthForFile = (mm: number, unit: DisplayUnit): number =>
  unit === 'mm' ? Math.round(mm * 100) / 100 : Math.round((mm / MM_PER_INCH) * 1000) / 1000;

/** An area as plain text: cm² for millimetre users, square inches (or square feet when large) otherwise. */
export function showArea(mm2: number, unit: DisplayUnit): string {
  if (unit === 'mm') return mm2 >= 1e5 ? `${trimNumber(mm2 / 1e6, 2)} m²` : `${trimNumber(mm2 / 100, 1)} cm²`;
  const sqIn = mm2 / (MM_PER_INCH * MM_PER_INCH);
  return sqIn >= 144 ? `${trimNumber(sqIn / 144, 2)} sq ft` : `${trimNumber(sqIn, 1)} sq in`;
}

/** Fixed digits without trailing zeros and without a negative zero. */
export function trimNumber(value: number, digits: number): string {
  const text = value.toFixed(digits);
  const trimmed = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return trimmed === '-0' ? '0' : trimmed;
}
