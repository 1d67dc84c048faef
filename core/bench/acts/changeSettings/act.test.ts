import { describe, expect, it } from 'vitest';
import { brought, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import { DEFAULT_SETTINGS, settingsOf, type Settings } from '../../index.ts';

describe('settings', () => {
  it('change one by one; limits are given together, and what is not among them is as from memory', () => {
    const s = smallStudio();
    s.do({ kind: 'change-settings', ask: { limits: { narrowMm: 8, sharpDeg: 25 } } });
    s.do({ kind: 'change-settings', ask: { unit: 'in' } });
    expect(settingsOf(s.studio)).toMatchObject({ unit: 'in', limits: { narrowMm: 8, sharpDeg: 25 } });
    s.do({ kind: 'change-settings', ask: { limits: { narrowMm: 7 } } });
    expect(settingsOf(s.studio).limits).toEqual({ narrowMm: 7 });
    expect(told(s)).toBe('studio settings changed');
  });
  it('of an old log keep what they did not name, and gain what came since', () => {
    const s = smallStudio();
    s.do({ kind: 'change-settings', ask: { studio: 'Ours' } });
    const today = brought(s, 'change-settings', { unit: 'in' }) as Settings;
    expect(today).toEqual({ ...DEFAULT_SETTINGS, studio: 'Ours', unit: 'in' });
  });
});
