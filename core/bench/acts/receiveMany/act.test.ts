import { expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const item = (label: string, glassId = 'red') =>
  ({ label, glassId, kind: 'sheet', widthMm: 300, heightMm: 200, place: '', costCents: 900 }) as const;
const bring = (...items: ReturnType<typeof item>[]) => ({ kind: 'receive-many' as const, ask: { items } });

it('a delivery comes onto the rack whole, or not at all', () => {
  const s = smallStudio();
  expect(s.try(bring(item('D1'), item('D2', 'green')))?.code).toBe('unknown-glass');
  expect(s.try(bring(item('D1'), item('d1')))).toMatchObject({ code: 'label-taken', name: 'd1' });
  expect(s.try(bring(item('D1'), item('k1')))).toMatchObject({ code: 'label-taken', name: 'k1' });
  expect(s.studio.get('stock', 'D1')).toBeUndefined();
  s.do(bring(item('D1'), item('D2'), item('D3'), item('D4')));
  expect(told(s)).toBe('D1 and 3 others put on the rack');
  expect(s.studio.get('stock', 'D4')).toMatchObject({ areaMm2: 60_000, costCents: 900, keptFor: null });
  expect(sound(s)).toEqual([]);
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  expect(s.studio.get('stock', 'D3')).toBeUndefined();
  expect(sound(s)).toEqual([]);
});
