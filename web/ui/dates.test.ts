import { expect, it } from 'vitest';
import { dateWords, daysUntil, momentWords } from './dates.ts';

const now = new Date('2026-11-23T12:00:00');

it('a day of this year goes without its year', () => {
  expect(dateWords('2026-12-18', 'en-GB', now)).toBe('18 December');
  expect(dateWords('2027-01-02', 'en-GB', now)).toBe('2 January 2027');
  expect(dateWords('2026-12-18', 'en-US', now)).toBe('December 18');
});

it('a moment of this week is told by its weekday, an older one by its date', () => {
  const at = new Date('2026-11-20T09:41:00').getTime();
  expect(momentWords(at, 'en-GB', now.getTime())).toBe('Fri 09:41');
  expect(momentWords(at - 10 * 86_400_000, 'en-GB', now.getTime())).toBe('10 Nov 09:41');
});

it('counts whole days to the end of a day', () => {
  expect(daysUntil('2026-11-23', now)).toBe(0);
  expect(daysUntil('2026-12-04', now)).toBe(11);
  expect(daysUntil('2026-11-22', now)).toBe(-1);
});
