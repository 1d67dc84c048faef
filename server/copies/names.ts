/** The folder of copies within a studio's data folder, where it is told of no other place. */
export const COPIES_FOLDER = 'copies';

/** Why a copy was made: by itself at the turn of a day, asked for, before another was put back, or brought from elsewhere. */
export const REASONS = ['daily', 'asked', 'before', 'brought'] as const;
export type CopyReason = (typeof REASONS)[number];

/** A copy of the studio as its name tells it. */
export interface CopyName {
  readonly name: string;
  /** When it was made, ms since 1970. */
  readonly at: number;
  readonly reason: CopyReason;
  /** Entries of the log that it holds; null where it was brought from elsewhere. */
  readonly entries: number | null;
}

const NAME =
  /^nelvik-(\d{4})-(\d\d)-(\d\d)-(\d\d)(\d\d)(\d\d)-(?:(daily|asked|before)-(\d{1,12})|(brought))\.(?:sqlite|json)$/;

const two = (n: number): string => String(n).padStart(2, '0');

/**
 * The name of a copy's file, in the order of time: nelvik-2026-11-27-140512-daily-1234.sqlite
 * @param at ms since 1970, told in the time of this place
 */
export function nameOf(at: number, reason: CopyReason, entries: number | null, kind = 'sqlite'): string {
  const d = new Date(at);
  const day = `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
  const time = `${two(d.getHours())}${two(d.getMinutes())}${two(d.getSeconds())}`;
  return `nelvik-${day}-${time}-${reason}${entries === null ? '' : `-${entries}`}.${kind}`;
}

/** What a name tells; null for a file that is none of ours. */
export function readName(name: string): CopyName | null {
  const [, year, month, day, hour, minute, second, reason, entries, brought] = NAME.exec(name) ?? [];
  if (year === undefined) return null;
  const at = new Date(+year, Number(month) - 1, Number(day), Number(hour), Number(minute), Number(second)).getTime();
  if (brought !== undefined) return { name, at, reason: 'brought', entries: null };
  const known = REASONS.find((one) => one === reason);
  return known ? { name, at, reason: known, entries: Number(entries) } : null;
}

export const startOfDay = (at: number): number => new Date(at).setHours(0, 0, 0, 0);
