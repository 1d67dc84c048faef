import { describe, expect, it } from 'vitest';
import { brought, cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const choose = (numbers: number[], glassId: string | null) =>
  ({ kind: 'choose-glass', ask: { panelId: 'p', numbers, glassId } }) as const;

describe('glass is chosen', () => {
  it('for pieces that are not cut; those that have it already are not named', () => {
    const s = smallStudio();
    s.do(choose([11, 12, 13], 'blue'));
    expect(s.piece(13).glassId).toBe('blue');
    expect(told(s)).toBe('13: glass B-1');
    s.do(choose([13], null));
    expect(told(s)).toBe('13: glass taken away');
    expect(s.try(choose([13], null))?.code).toBe('nothing-to-do');
    expect(s.try(choose([1], 'green'))?.code).toBe('unknown-glass');
  });
  it('no more once the glass is cut: all or none', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    expect(s.try(choose([1, 2], 'red'))).toMatchObject({ code: 'already-in-hand', numbers: [1] });
    expect(s.piece(2).glassId).toBe('blue');
  });
  it.each([
    [[], 'no-pieces'],
    [[4, 4], 'named-twice'],
    [[4, 21], 'unknown-pieces'],
  ] as const)('for %j is refused: %s', (numbers, code) => {
    expect(smallStudio().try(choose([...numbers], 'red'))?.code).toBe(code);
  });
  it('of an old log names the pieces by their ids, and the glass by its code', () => {
    expect(brought(smallStudio(), 'choose-glass', choose([2, 5], 'red').ask)).toMatchObject({
      pieces: ['p/2', 'p/5'],
      numbers: [2, 5],
      code: 'R-1',
    });
  });
});
