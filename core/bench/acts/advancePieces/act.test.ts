import { describe, expect, it } from 'vitest';
import { advance, cut } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

describe('stages', () => {
  it('moves what can move; the rest stays', () => {
    const s = smallStudio();
    s.do(cut([1, 2, 3, 4], 'S1'));
    s.do(advance([2], 'foiled'));
    s.do(advance([1, 2, 3], 'ground'));
    expect([1, 2, 3, 4].map((n) => s.piece(n).stage)).toEqual(['ground', 'foiled', 'ground', 'cut']);
    expect(s.try(advance([1, 3], 'ground'))?.code).toBe('nothing-to-do');
    expect(s.try(advance([1, 9], 'foiled'))).toMatchObject({ code: 'not-cut', numbers: [9] });
    expect(s.try(advance([1], 'leaded'))?.code).toBe('not-this-route');
  });
  it('goes back one stage with a reason, never before cut', () => {
    const s = smallStudio('lead');
    s.do(cut([1], 'S1'));
    s.do(advance([1], 'leaded'));
    s.do({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'taken out again' } });
    expect(s.piece(1).stage).toBe('ground');
    s.do({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'rough edge' } });
    expect(s.try({ kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'other' } })?.code).toBe('not-back');
  });
});
