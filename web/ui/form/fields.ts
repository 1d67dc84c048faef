import { z } from 'zod';
import { lengthToMm, type DisplayUnit } from '#core/units';

/** What has to be there; said when it is not. */
export const wanted = (why: string) => z.string().trim().min(1, why);

/** What may be left empty. */
export const free = z.string().trim();

/** A code or a label as it is written on glass. */
export const label = (why: string) =>
  z
    .string()
    .trim()
    .min(1, why)
    .regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'Letters, digits, dots and dashes.');

/** A length in any way that people write it; millimetres come out. */
export const length = (unit: DisplayUnit, { least, most }: { least: number; most: number }, why: string) =>
  z.string().transform((text, ctx): number => {
    const mm = lengthToMm(text, unit);
    if (mm !== null && mm >= least && mm <= most) return mm;
    ctx.addIssue({ code: 'custom', message: why });
    return z.NEVER;
  });

/** Money as it is typed, with a point or a comma; cents come out. Nothing typed is nothing. */
export const money = (why: string) =>
  z.string().transform((text, ctx): number => {
    const cents = Math.round(Number(text.trim().replace(',', '.') || 0) * 100);
    if (Number.isFinite(cents) && cents >= 0) return cents;
    ctx.addIssue({ code: 'custom', message: why });
    return z.NEVER;
  });
