import { expect, it } from 'vitest';
import { endsWords, lockedWords, orderBreaksWords, runWords } from './index.ts';

const end = (kind: 'butt' | 'mitre' | 'over' | 'open' | 'closed', angleDeg: number | null = null) =>
  ({ joint: 1, kind, against: angleDeg === null ? null : 2, angleDeg }) as const;

it('a came is called out by its length and its ends, in words for the bench', () => {
  expect(endsWords([end('butt', 89.4), end('butt', 90)])).toBe('both ends square');
  expect(endsWords([end('over', 90), end('butt', 90)])).toBe('one end across the corner, cut square, the other square');
  expect(endsWords([end('butt', 63.2), end('mitre', 45)])).toBe('one end slanted at 63°, the other mitred at 45°');
  expect(endsWords([end('open'), end('butt', 90)])).toBe('one end left long, the other square');
  expect(endsWords([end('closed'), end('closed')])).toBe('bent round until its ends meet');
  expect(runWords({ lengthMm: 212, ends: [end('butt', 90), end('butt', 90)] }, 'mm')).toMatch(
    /^212(\.0)? mm, both ends square$/,
  );
});

it('a locked piece is named with what to leave out', () => {
  expect(lockedWords({ pieces: [5], by: [3, 4, 6] })).toMatch(
    /^5 can not be slid in: 3, 4(,| and) 6 reach round it; leave/,
  );
  expect(lockedWords({ pieces: [5], by: [] })).toMatch(/open the border/);
});

it('what an order breaks is said in plain words, and many cuts are summed up', () => {
  expect(orderBreaksWords({ cut: [], moreCames: 0, locked: [] })).toEqual([]);
  const cut = [1, 2, 3, 4, 5, 6].map((joint) => ({ joint, pieces: [joint, joint + 1, 9] }));
  const said = orderBreaksWords({ cut, moreCames: 2, locked: [{ pieces: [5], by: [2, 4] }] });
  expect(said[0]).toBe('5 can not be slid in: 2, 4 reach round it; leave one of them out until it is in.');
  expect(said[1]).toBe('It takes 2 cames more than the best order.');
  expect(said[2]).toBe('A came that could go through is cut where 1, 2, 9 meet.');
  expect(said.at(-1)).toBe('So it is at 2 joints more.');
});
