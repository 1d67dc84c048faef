import { describe, expect, it } from 'vitest';
import { brought, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import { DEFAULT_ALLOWANCE } from '../../../sizing/index.ts';

const opening = { widthMm: 206, heightMm: 106, clearanceMm: 3, coverMm: 8 };
const panel = (more: object = {}) => ({
  id: 'p',
  commissionId: 'c',
  name: 'Light',
  technique: 'foil' as const,
  widthMm: 150,
  heightMm: 90,
  allowance: DEFAULT_ALLOWANCE.foil,
  ...more,
});

describe('a panel', () => {
  it('has the size of its drawing as soon as it has one, and the size that is said before', () => {
    const s = smallStudio();
    s.do({ kind: 'save-panel', ask: panel() });
    expect(s.studio.get('panels', 'p')).toMatchObject({ widthMm: 200, heightMm: 100 });
    s.do({ kind: 'save-panel', ask: panel({ id: 'q', name: 'New' }) });
    expect(s.studio.get('panels', 'q')).toMatchObject({ widthMm: 150, cartoonId: null, pieceCount: 0, opening: null });
    expect(told(s)).toBe('panel “New” entered');
  });
  it('keeps its opening until another is said, or none', () => {
    const s = smallStudio();
    s.do({ kind: 'save-panel', ask: panel({ opening }) });
    s.do({ kind: 'save-panel', ask: panel({ name: 'Other' }) });
    expect(s.studio.get('panels', 'p')?.opening).toEqual(opening);
    s.do({ kind: 'save-panel', ask: panel({ opening: null }) });
    expect(s.studio.get('panels', 'p')?.opening).toBeNull();
  });
  it('of an old log goes the way of its technique, with the opening it had', () => {
    const s = smallStudio();
    s.do({ kind: 'save-panel', ask: panel({ opening }) });
    expect(brought(s, 'save-panel', panel())).toMatchObject({ opening, routeId: 'foil@1' });
    expect(brought(s, 'save-panel', panel({ opening: null }))).toMatchObject({ opening: null });
  });
});
