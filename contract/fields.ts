import { z } from 'zod';
import { BREAK_REASON_CODES } from '#core/bench';
import { PROFILE_CODE } from '#core/sizing';
import { BOUNDS, isLimit, LIMIT_NAMES, type Bounds, type LimitName } from '#core/limits';

/** A measure as large as may be entered. */
const within = ({ least, most }: Bounds) => z.number().min(least, 'must not be negative').max(most);

/** Parts that several schemas are made of. What a field may hold is said here once. */
export const id = z.string().min(1).max(60);
export const words = (most: number) => z.string().trim().max(most);
export const name = words(80).min(1, 'must not be empty');
/** Larger than any piece of glass or panel, mm. */
export const lengthMm = z.number().positive('must be more than 0').max(BOUNDS.lengthMm.most);
export const numbers = z.array(z.number().int().min(1).max(BOUNDS.number.most)).min(1).max(BOUNDS.pieces.most);
export const instant = z.number().int().min(0).max(8.64e15);
export const label = words(24).regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'may have letters, digits, dots and dashes only');
/** A label that Nelvik itself has given may be longer: an offcut's counts on from its sheet's. */
export const knownLabel = words(60).min(1);
export const point = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);
export const cents = z.number().int().min(0, 'must not be negative').max(1e9);
export const colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'is no colour');
export const stepCode = z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, 'is no step');
export const technique = z.enum(['foil', 'lead']);

/** A day of the calendar that exists, in the years in which a studio works. */
export const day = z
  .string()
  .regex(/^(19|20|21)\d{2}-\d{2}-\d{2}$/, 'is no date')
  .refine((text) => {
    const at = new Date(`${text}T00:00:00Z`);
    return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
  }, 'is no date');

/** Why glass breaks: what everybody knows, or the studio's own words. */
export const breakReason = z.union([
  z.enum(BREAK_REASON_CODES),
  z.templateLiteral(['own:', z.string().min(1).max(60)]),
]);

/** A language tag that dates and money can be shown by. */
export const locale = words(20).refine((text) => {
  try {
    return /^[a-z]{2,3}(-|$)/.test(text) && Intl.getCanonicalLocales(text).length === 1;
  } catch {
    return false;
  }
}, 'is no locale');

export const left = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('stays'), widthMm: lengthMm.optional(), heightMm: lengthMm.optional() }),
  z.strictObject({
    kind: z.literal('offcuts'),
    offcuts: z.array(z.strictObject({ widthMm: lengthMm, heightMm: lengthMm, label: label.optional() })).max(12),
  }),
  z.strictObject({ kind: z.literal('waste') }),
  z.strictObject({ kind: z.literal('laid') }),
]);

/** An outline or a flaw of a sheet, mm. */
export const ring = z.array(point).min(3, 'needs three corners or more').max(500);
export const straightBreak = z.strictObject({ from: point, to: point });
/** Where a piece lies on a sheet. */
export const lies = {
  turnedOver: z.boolean(),
  rotationDeg: z.number().min(0).max(360),
  x: z.number().min(-1e5).max(1e5),
  y: z.number().min(-1e5).max(1e5),
  at: point,
  byHand: z.boolean(),
};

export const allowance = z.strictObject({
  technique,
  gapMm: within(BOUNDS.gapMm),
  heartMm: within(BOUNDS.heartMm),
  faceMm: within(BOUNDS.faceMm),
  clearanceMm: within(BOUNDS.playMm),
  outline: z.enum(['glass-edge', 'came-outside']),
  border: z.string().regex(PROFILE_CODE, 'is no profile').optional(),
});

export const opening = z.strictObject({
  widthMm: lengthMm.max(BOUNDS.openingMm.most),
  heightMm: lengthMm.max(BOUNDS.openingMm.most),
  clearanceMm: within(BOUNDS.fittingMm),
  coverMm: within(BOUNDS.coverMm),
});

/** Limits of the studio's own, each within what may be set. */
export const limits = z
  .partialRecord(z.enum(LIMIT_NAMES as [LimitName, ...LimitName[]]), z.number())
  .refine((own) => Object.entries(own).every(([name, value]) => isLimit(name as LimitName, value)), 'is out of bounds');
