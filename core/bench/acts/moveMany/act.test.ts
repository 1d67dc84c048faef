import { expect, it } from 'vitest';
import { told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

it('several go to another place at once, or none, and back in one step', () => {
  const s = smallStudio();
  const move = (...stockIds: string[]) => ({ kind: 'move-many' as const, ask: { stockIds, place: 'window' } });
  expect(s.try(move('S1', 'S9'))?.code).toBe('unknown-stock');
  expect(s.studio.get('stock', 'S1')?.place).not.toBe('window');
  s.do(move('S1', 'S2', 'S1'));
  expect(told(s)).toBe('S1, S2 moved to window');
  expect(s.studio.get('stock', 'S2')?.place).toBe('window');
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  expect(s.studio.get('stock', 'S2')?.place).toBe('slot 2');
});
