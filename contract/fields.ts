import { z } from 'zod';

/** Parts that several schemas are made of. What a field may hold is said here once. */
export const id = z.string().min(1).max(60);
export const words = (most: number) => z.string().trim().max(most);
export const name = words(80).min(1, 'must not be empty');
/** No piece and no joint has a larger number. */
export const MOST_NUMBER = 99_999;
/** Larger than any piece of glass or panel, mm. */
export const lengthMm = z.number().positive('must be more than 0').max(10_000);
export const numbers = z.array(z.number().int().min(1).max(MOST_NUMBER)).min(1).max(20_000);
export const instant = z.number().int().min(0).max(8.64e15);
export const label = words(24).regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'may have letters, digits, dots and dashes only');
/** A label that Nelvik itself has given may be longer: an offcut's counts on from its sheet's. */
export const knownLabel = words(60).min(1);
export const point = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);
export const cents = z.number().int().min(0, 'must not be negative').max(1e9);
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
]);

export const allowance = z.strictObject({
  technique,
  gapMm: z.number().min(0, 'must not be negative').max(5),
  heartMm: z.number().min(0, 'must not be negative').max(10),
  faceMm: z.number().min(0, 'must not be negative').max(30),
  clearanceMm: z.number().min(0, 'must not be negative').max(5),
  outline: z.enum(['glass-edge', 'came-outside']),
});

export const opening = z.strictObject({
  widthMm: lengthMm.max(5000),
  heightMm: lengthMm.max(5000),
  clearanceMm: z.number().min(0, 'must not be negative').max(50),
  coverMm: z.number().min(0, 'must not be negative').max(100),
});
