import { lengthToMm } from '#core/units';
import type { Came } from '#core/materials';
import { Refused } from './refused.ts';

const FACE = { least: 2, most: 60 } as const;
const HEART = { least: 0.1, most: 20 } as const;
/** A came by its code: `h6x1.6` is an H of 6 mm face and 1.6 mm heart. */
export function cameOption(name: 'came' | 'border', code: string): Came {
  const [, kind, face, heart = '1.6'] = /^([hu])(\d+(?:\.\d+)?)(?:x(\d+(?:\.\d+)?))?(?:mm)?$/i.exec(code.trim()) ?? [];
  const [faceMm, heartMm] = [Number(face), Number(heart)];
  const isIn = (mm: number, { least, most }: { least: number; most: number }) => mm >= least && mm <= most;
  if (kind === undefined || !isIn(faceMm, FACE) || !isIn(heartMm, HEART) || (name === 'came' && /u/i.test(kind)))
    throw new Refused(
      name === 'came'
        ? `--came must be a profile such as h6x1.6 (H came, face 6 mm, heart 1.6 mm), not “${code}”.`
        : `--border must be a profile such as u10x1.6 or h8x1.6, not “${code}”.`,
    );
  return { code: code.trim().toLowerCase(), faceMm, heartMm };
}

/** A length within bounds, mm. @throws Refused in one plain line */
export function lengthOption(name: string, text: string, least: number, most: number, such: string): number {
  const mm = lengthToMm(text);
  if (mm === null || !Number.isFinite(mm) || mm < least || mm > most)
    throw new Refused(`--${name} must be a length such as ${such}, not “${text}”.`);
  return mm;
}
