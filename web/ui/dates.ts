/** `2026-12-18` → `18 December` (with the year when it is another one). */
export function dateWords(day: string, locale: string, now = new Date()): string {
  const date = new Date(`${day}T12:00:00`);
  const sameYear = date.getFullYear() === now.getFullYear();
  return date.toLocaleDateString(locale, { day: 'numeric', month: 'long', ...(sameYear ? {} : { year: 'numeric' }) });
}

/** An instant as the log writes it: `Mon 10:12`, or with its date when it is older than six days. */
export function momentWords(at: number, locale: string, now = Date.now()): string {
  const date = new Date(at);
  const time = date.toLocaleTimeString(locale, { hour: '2-digit', minute: '2-digit' });
  if (now - at < 6 * 86_400_000) return `${date.toLocaleDateString(locale, { weekday: 'short' })} ${time}`;
  return `${date.toLocaleDateString(locale, { day: 'numeric', month: 'short' })} ${time}`;
}

/** Whole days from now to the end of a day; negative when it is past. */
export function daysUntil(day: string, now = new Date()): number {
  return Math.floor((new Date(`${day}T23:59:59`).getTime() - now.getTime()) / 86_400_000);
}

/** An instant with its day and time, whenever it was: `Thu 26 Nov, 17:42` (with the year when it is another one). */
export function dayAndTime(at: number, locale: string, now = Date.now()): string {
  const date = new Date(at);
  const isOtherYear = date.getFullYear() !== new Date(now).getFullYear();
  const day = date.toLocaleDateString(locale, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    ...(isOtherYear ? { year: 'numeric' } : {}),
  });
  return `${day}, ${date.toLocaleTimeString(locale, { hour: '2-digit', minute: '2-digit' })}`;
}
