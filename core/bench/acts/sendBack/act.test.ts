import { describe, expect, it } from 'vitest';
import { advance, brought, cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const back = (...numbers: number[]) =>
  ({ kind: 'send-back', ask: { panelId: 'p', numbers, reason: 'other' } }) as const;

describe('a stage back', () => {
  it('is one stage each, and never gives glass back to the sheet', () => {
    const s = smallStudio();
    s.do(cut([1, 2], 'S1'));
    s.do(advance([1, 2], 'ground'));
    s.do(advance([2], 'foiled'));
    s.do(back(1, 2));
    expect([s.piece(1).stage, s.piece(2).stage]).toEqual(['cut', 'ground']);
    expect(told(s)).toBe('1, 2 returned: other');
    expect(s.try(back(1, 2))).toMatchObject({ code: 'not-back', numbers: [1] });
    expect(s.try(back(3))).toMatchObject({ code: 'not-back', numbers: [3] });
    expect(s.piece(2).stage).toBe('ground');
    expect(s.studio.get('stock', 'S1')?.areaMm2).toBe(18_000);
  });
  it('of an old log goes back along the piece’s own way', () => {
    const s = smallStudio('lead');
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'leaded'));
    expect(brought(s, 'send-back', back(1).ask)).toMatchObject({ back: [{ id: 'p/1', to: 'ground' }] });
  });
});
