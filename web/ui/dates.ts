const FORMATS = new Map<string, Intl.DateTimeFormat>();

/** Making a format costs a hundred times what using it does: each is made once. */
function written(date: Date, locale: string, options: Intl.DateTimeFormatOptions): string {
  const key = `${locale} ${JSON.stringify(options)}`;
  let format = FORMATS.get(key);
  if (!format) FORMATS.set(key, (format = new Intl.DateTimeFormat(locale, options)));
  return format.format(date);
}

const clockTime = (date: Date, locale: string): string => written(date, locale, { hour: '2-digit', minute: '2-digit' });

/** `10:12`. */
export const timeOfDay = (at: number, locale: string): string => clockTime(new Date(at), locale);

/** `2026-12-18` → `18 December` (with the year when it is another one). */
export function dateWords(day: string, locale: string, now = new Date()): string {
  const date = new Date(`${day}T12:00:00`);
  const sameYear = date.getFullYear() === now.getFullYear();
  return written(date, locale, { day: 'numeric', month: 'long', ...(sameYear ? {} : { year: 'numeric' }) });
}

/** A day by its weekday: `Friday 27 November`. */
export const weekdayWords = (at: number, locale: string): string =>
  written(new Date(at), locale, { weekday: 'long', day: 'numeric', month: 'long' });

/** An instant as the log writes it: `Mon 10:12`, or with its date when it is older than six days. */
export function momentWords(at: number, locale: string, now = Date.now()): string {
  const date = new Date(at);
  const time = clockTime(date, locale);
  if (now - at < 6 * 86_400_000) return `${written(date, locale, { weekday: 'short' })} ${time}`;
  return `${written(date, locale, { day: 'numeric', month: 'short' })} ${time}`;
}

/** Whole days from now to the end of a day; negative when it is past. */
export function daysUntil(day: string, now = new Date()): number {
  return Math.floor((new Date(`${day}T23:59:59`).getTime() - now.getTime()) / 86_400_000);
}

/** An instant with its day and time, whenever it was: `Thu 26 Nov, 17:42` (with the year when it is another one). */
export function dayAndTime(at: number, locale: string, now = Date.now()): string {
  const date = new Date(at);
  const isOtherYear = date.getFullYear() !== new Date(now).getFullYear();
  const day = written(date, locale, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    ...(isOtherYear ? { year: 'numeric' } : {}),
  });
  return `${day}, ${clockTime(date, locale)}`;
}
