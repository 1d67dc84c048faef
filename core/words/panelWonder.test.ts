import { expect, it } from 'vitest';
import { panelWonder } from './panelWonder.ts';

const wonder = (widthMm: number, heightMm: number) => panelWonder({ widthMm, heightMm }, 'mm');

it.each([
  [420, 640],
  [30, 30],
  [2400, 400],
  [150, 2200],
])('%d × %d mm is a panel as any other', (w, h) => expect(wonder(w, h)).toBeNull());

it('what can hardly be meant is asked about, with what is odd of it', () => {
  expect(wonder(0.1, 300)).toMatch(/^0\.1\d* mm wide and 300 mm high: one side is smaller/);
  expect(wonder(2401, 400)).toContain('several panels');
  expect(wonder(100, 1501)).toContain('15 times as long');
  // 24 ft, in the unit it was typed in.
  expect(panelWonder({ widthMm: 24 * 304.8, heightMm: 600 }, 'in')).toMatch(/^288 in wide/);
});
