import { describe, expect, it } from 'vitest';
import type { Away } from '../../tables.ts';
import { cut, told } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import type { PutAwayTable } from './act.ts';

const away = (table: PutAwayTable, id: string, as: Away | null) => ({
  kind: 'put-away' as const,
  ask: { table, id, as },
});
const panelOf = (s: SmallStudio) => s.studio.get('panels', 'p') ?? expect.fail();
const addPanel = (s: SmallStudio, id: string) => {
  const { commissionId, technique, widthMm, heightMm, allowance } = panelOf(s);
  s.do({ kind: 'save-panel', ask: { id, name: id, commissionId, technique, widthMm, heightMm, allowance } });
};

describe('a job', () => {
  it('takes its panels along and brings back those that went with it', () => {
    const s = smallStudio();
    addPanel(s, 'q');
    s.do(away('panels', 'q', 'archived'));
    s.do(away('commissions', 'c', 'deleted'));
    expect(told(s)).toMatch(/^job “.*” deleted$/);
    expect(s.studio.get('panels', 'p')?.away).toBe('deleted');
    expect(s.studio.get('panels', 'q')?.away).toBe('archived');
    s.do(away('commissions', 'c', null));
    expect(s.studio.get('panels', 'p')).toMatchObject({ away: null, awayAt: null });
    expect(s.studio.get('panels', 'q')?.away).toBe('archived');
  });
  it('away takes no new panel, and a panel does not come back into it', () => {
    const s = smallStudio();
    s.do(away('commissions', 'c', 'archived'));
    expect(s.try(away('panels', 'p', null))?.code).toBe('archived');
    const { commissionId, technique, widthMm, heightMm, allowance } = panelOf(s);
    const ask = { id: 'q', name: 'q', commissionId, technique, widthMm, heightMm, allowance };
    expect(s.try({ kind: 'save-panel', ask })?.code).toBe('archived');
  });
  it('is renamed without coming back', () => {
    const s = smallStudio();
    s.do(away('commissions', 'c', 'archived'));
    s.do({ kind: 'save-commission', ask: { id: 'c', title: 'Other', client: '', due: null, note: '' } });
    expect(s.studio.get('commissions', 'c')).toMatchObject({ title: 'Other', away: 'archived' });
  });
});

describe('a panel', () => {
  it('away takes no work, and stands as it stood once it is back', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    const before = panelOf(s).counts;
    s.do(away('panels', 'p', 'deleted'));
    expect(s.try(cut([2], 'S1'))?.code).toBe('deleted');
    expect(
      s.try({ kind: 'start-clock', ask: { id: 't', personId: 'ada', panelId: 'p', stage: 'cutting' } })?.code,
    ).toBe('deleted');
    s.do(away('panels', 'p', null));
    expect(panelOf(s).counts).toEqual(before);
    s.do(cut([2], 'S1'));
  });
  it('undo and redo are found in setting up, not at the panel', () => {
    const s = smallStudio();
    s.do(cut([1], 'S1'));
    s.do(away('panels', 'p', 'deleted'));
    expect(s.back('undo', 'ada', 'setup')).toBeNull();
    expect(panelOf(s).away).toBeNull();
    expect(s.back('redo', 'ada', 'setup')).toBeNull();
    expect(panelOf(s).away).toBe('deleted');
    expect(s.back('undo', 'ada', 'setup')).toBeNull();
    expect(s.back('undo', 'ada', { panelId: 'p' })).toBeNull();
    expect(panelOf(s).counts.stages).toEqual({ 'to-cut': panelOf(s).pieceCount });
  });
  it('not while a clock runs on it, nor its job', () => {
    const s = smallStudio();
    s.do({ kind: 'start-clock', ask: { id: 't', personId: 'ada', panelId: 'p', stage: 'cutting' } });
    expect(s.try(away('panels', 'p', 'archived'))?.code).toBe('clock-runs');
    expect(s.try(away('commissions', 'c', 'deleted'))?.code).toBe('clock-runs');
    expect(s.try(away('people', 'ada', 'deleted'))?.code).toBe('clock-runs');
    s.do({ kind: 'stop-clock', ask: { personId: 'ada', endedAt: null } });
    s.do(away('panels', 'p', 'archived'));
  });
});

describe('a glass', () => {
  it('is not deleted while a sheet of it stands on the rack; archived it is', () => {
    const s = smallStudio();
    expect(s.try(away('glasses', 'blue', 'deleted'))).toMatchObject({ code: 'glass-on-rack' });
    s.do(away('glasses', 'blue', 'archived'));
    expect(s.try(away('glasses', 'blue', 'archived'))?.code).toBe('nothing-changes');
  });
  it('deleted is chosen and received no more, and keeps its code', () => {
    const s = smallStudio();
    for (const sheet of [...s.studio.all('stock')].filter((i) => i.glassId === 'red'))
      s.do({ kind: 'write-off', ask: { stockId: sheet.id, reason: 'test' } });
    s.do(away('glasses', 'red', 'deleted'));
    const code = s.studio.get('glasses', 'red')?.code ?? '';
    expect(s.try({ kind: 'choose-glass', ask: { panelId: 'p', numbers: [1], glassId: 'red' } })?.code).toBe('deleted');
    const sheet = {
      label: 'N1',
      glassId: 'red',
      kind: 'sheet' as const,
      widthMm: 9,
      heightMm: 9,
      place: '',
      costCents: 0,
    };
    expect(s.try({ kind: 'receive', ask: sheet })?.code).toBe('deleted');
    const { rev: _, away: __, awayAt: ___, ...blue } = s.studio.get('glasses', 'blue') ?? expect.fail();
    expect(s.try({ kind: 'save-glass', ask: { ...blue, code } })).toMatchObject({
      code: 'code-taken',
      more: 'deleted',
    });
  });
});

it('somebody who is gone starts no clock; the hours stay', () => {
  const s = smallStudio();
  s.do(away('people', 'ada', 'deleted'));
  expect(s.try({ kind: 'start-clock', ask: { id: 't', personId: 'ada', panelId: null, stage: 'other' } })?.code).toBe(
    'deleted',
  );
  expect(s.try(away('people', 'nobody', 'deleted'))?.code).toBe('unknown-person');
  expect(s.studio.get('people', 'ada')?.name).toBe('Ada');
});
