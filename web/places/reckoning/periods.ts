const DAY_MS = 24 * 60 * 60_000;

/** Periods that a studio reckons over, back from today. */
export const PERIODS = [
  { key: 'month', words: 'the last 30 days', days: 30 },
  { key: 'quarter', words: 'the last 90 days', days: 90 },
  { key: 'year', words: 'the last 12 months', days: 365 },
  { key: 'all', words: 'all years', days: null },
] as const;
export type Period = (typeof PERIODS)[number]['key'];

/** From the first day of the period until tomorrow, as instants at midnight UTC: the same all day long. */
export function periodFrom(period: Period, now: number): { from: number; to: number } {
  const days = PERIODS.find((p) => p.key === period)?.days ?? null;
  const to = Math.ceil(now / DAY_MS) * DAY_MS + DAY_MS;
  return { from: days === null ? 0 : to - (days + 1) * DAY_MS, to };
}
