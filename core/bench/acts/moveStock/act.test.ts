import { expect, it } from 'vitest';
import { told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

it('a sheet goes to another place and back; what is not on the rack does not', () => {
  const s = smallStudio();
  s.do({ kind: 'move-stock', ask: { stockId: 'S2', place: 'slot 9' } });
  expect(s.studio.get('stock', 'S2')).toMatchObject({ place: 'slot 9', areaMm2: 15_000 });
  expect(told(s)).toBe('S2 moved to slot 9');
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  expect(s.studio.get('stock', 'S2')?.place).toBe('slot 2');
  expect(s.try({ kind: 'move-stock', ask: { stockId: 'S7', place: 'x' } })?.code).toBe('unknown-stock');
});
