import { describe, expect, it } from 'vitest';
import type { PieceId } from '../units/index.ts';
import { DEFAULT_ALLOWANCE } from '../sizing/index.ts';
import { checkLedger } from '../stock/index.ts';
import { drawing, smallStudio } from '../test/smallStudio.ts';
import { Draft, settingsOf, Studio, type Command } from './index.ts';

const panel = (technique: 'foil' | 'lead', more: object = {}): Command => ({
  kind: 'save-panel',
  ask: {
    id: 'p',
    commissionId: 'c',
    name: 'Light',
    technique,
    widthMm: 100,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE[technique],
    ...more,
  },
});
const glass = (id: string, code: string): Command => ({
  kind: 'save-glass',
  ask: {
    id,
    code,
    name: 'x',
    colour: '#112233',
    texture: 'smooth',
    thicknessMm: 3,
    hiding: 'clear',
    second: null,
    coat: 'none',
    flow: false,
    priceCentsPerM2: 0,
  },
});

describe('setting up', () => {
  it('settings start as they are from memory and change one by one', () => {
    const s = smallStudio();
    expect(settingsOf(new Studio())).toMatchObject({ unit: 'mm', currency: 'EUR' });
    s.do({ kind: 'change-settings', ask: { unit: 'in' } });
    s.do({ kind: 'change-settings', ask: { currency: 'USD' } });
    expect(settingsOf(s.studio)).toMatchObject({ unit: 'in', currency: 'USD', longClockMin: 240 });
  });
  it('a glass code belongs to one glass, whatever its case', () => {
    const s = smallStudio();
    expect(s.try(glass('new', 'b-1'))).toMatchObject({ code: 'code-taken', name: 'b-1' });
    expect(s.try(glass('blue', 'B-1'))).toBeNull();
  });
  it('a panel keeps its drawing and its work when it is renamed', () => {
    const s = smallStudio();
    s.do(panel('foil', { name: 'North light' }));
    expect(s.studio.get('panels', 'p')).toMatchObject({
      name: 'North light',
      widthMm: 200,
      cartoonId: 'k',
      pieceCount: 20,
      jointCount: 9,
    });
  });
  it('its technique stays once glass is cut, and its commission must be there', () => {
    const s = smallStudio();
    expect(s.try(panel('lead'))).toBeNull();
    expect(s.try(panel('foil'))).toBeNull();
    s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [3], left: { kind: 'stays' } }] } });
    expect(s.try(panel('lead'))).toMatchObject({ code: 'has-work', numbers: [3] });
    expect(s.try(panel('foil', { commissionId: 'nobody' }))?.code).toBe('unknown-commission');
  });
  it('a new drawing keeps the glass of numbers that stay', () => {
    const s = smallStudio();
    const pieces = [1, 2, 30].map((number) => ({
      id: number as PieceId,
      number,
      label: null,
      areaMm2: 500,
      perimeterMm: 90,
      widthMm: 20,
      heightMm: 25,
      difficulty: 1,
      isNew: number === 30,
      changed: true,
      grew: false,
    }));
    const ask = drawing(pieces, 'foil', {
      cartoonId: 'k2',
      follows: 'k',
      gone: Array.from({ length: 18 }, (_, i) => (i + 3) as PieceId),
      joints: [],
    });
    s.do({ kind: 'accept-drawing', ask });
    expect([...s.studio.ask('piecesOfPanel', 'p')].map((p) => [p.number, p.glassId])).toEqual([
      [1, 'blue'],
      [2, 'blue'],
      [30, null],
    ]);
    expect(s.try({ kind: 'accept-drawing', ask: { ...ask, pieceCount: 0, pieces: [] } })?.code).toBe('no-pieces');
    expect(s.try({ kind: 'accept-drawing', ask: { ...ask, panelId: 'q', follows: null } })?.code).toBe('unknown-panel');
  });
});

describe('the rack', () => {
  it('receives, moves and writes off; the ledger follows', () => {
    const s = smallStudio();
    const receive: Command = {
      kind: 'receive',
      ask: { label: 'N', glassId: 'red', kind: 'offcut', widthMm: 33.3, heightMm: 10, place: 'tray', costCents: 7 },
    };
    s.do(receive);
    expect(s.studio.get('stock', 'N')).toMatchObject({ areaMm2: 333, place: 'tray', gone: null });
    expect(s.try(receive)).toMatchObject({ code: 'label-taken', name: 'N' });
    expect(s.try({ ...receive, ask: { ...receive.ask, label: 'n' } } as Command)?.code).toBe('label-taken');
    s.do({ kind: 'move-stock', ask: { stockId: 'N', place: 'slot 9' } });
    expect(s.studio.get('stock', 'N')?.place).toBe('slot 9');
    s.do({ kind: 'write-off', ask: { stockId: 'N', reason: 'dropped' } });
    expect(s.studio.get('stock', 'N')).toMatchObject({ areaMm2: 0, costCents: 0, gone: 'written off' });
    for (const kind of ['move-stock', 'write-off'] as const)
      expect(s.try({ kind, ask: { stockId: 'N', place: 'x', reason: 'x' } } as Command)?.code).toBe('stock-gone');
    expect(s.try({ kind: 'move-stock', ask: { stockId: 'M', place: 'x' } })?.code).toBe('unknown-stock');
    expect(checkLedger(s.studio.all('stock'), s.studio.all('moves'))).toEqual([]);
  });
});

describe('a draft', () => {
  it('reads through, writes aside, and can be thrown away', () => {
    const s = smallStudio();
    const draft = new Draft(s.studio, 500);
    draft.patch('pieces', 'p/1', { recuts: 9 });
    draft.remove('pieces', 'p/2');
    expect(draft.get('pieces', 'p/1')).toMatchObject({ recuts: 9, rev: 500 });
    expect([...draft.ask('piecesOfPanel', 'p')].map((p) => p.number).sort((a, b) => a - b)).toEqual([
      1,
      ...Array.from({ length: 18 }, (_, i) => i + 3),
    ]);
    expect(s.piece(1).recuts).toBe(0);
    expect(draft.changes.map((c) => [c.id, c.before !== null, c.after !== null])).toEqual([
      ['p/1', true, true],
      ['p/2', true, false],
    ]);
    expect(() => draft.patch('pieces', 'p/99', {})).toThrow(/no row/);
  });
  it('remembers what a row was before the first of several changes', () => {
    const s = smallStudio();
    const draft = new Draft(s.studio, 500);
    draft.patch('pieces', 'p/1', { recuts: 1 });
    draft.patch('pieces', 'p/1', { recuts: 2 });
    expect(draft.changes).toHaveLength(1);
    expect(draft.changes[0]?.before).toMatchObject({ recuts: 0 });
  });
});
