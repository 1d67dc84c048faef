/** Instants are milliseconds since the epoch, UTC; durations inside the core are minutes. */
export type InstantMs = number;

export const MS_PER_MINUTE = 60_000;

/** Minutes as a clock reads them: `0:42`, `12:05`. */
export function showClock(minutes: number): string {
  const total = Math.max(0, Math.floor(minutes));
  return `${Math.floor(total / 60)}:${String(total % 60).padStart(2, '0')}`;
}

/** Minutes in words: `42 min`, `3 h`, `2 h 15`. */
export function showMinutes(minutes: number): string {
  const total = Math.round(minutes);
  if (total < 60) return `${total} min`;
  const rest = total % 60;
  return rest === 0 ? `${Math.floor(total / 60)} h` : `${Math.floor(total / 60)} h ${String(rest).padStart(2, '0')}`;
}

/** Reads `90`, `1:30`, `1h30`, `1 h 30`, `45 min`, `1.5 h` as minutes; null when it is no duration. */
export function readMinutes(text: string): number | null {
  const t = text.trim().toLowerCase();
  const pair = /^(\d+)\s*(?::|h)\s*([0-5]?\d)\s*(?:m|min)?$/.exec(t);
  if (pair) return Number(pair[1]) * 60 + Number(pair[2]);
  const hours = /^(\d+(?:[.,]\d+)?)\s*(?:h|hour|hours)$/.exec(t);
  if (hours) return Math.round(Number(hours[1]?.replace(',', '.')) * 60);
  const minutes = /^(\d+(?:[.,]\d+)?)\s*(?:m|min|minutes)?$/.exec(t);
  return minutes ? Math.round(Number(minutes[1]?.replace(',', '.'))) : null;
}
