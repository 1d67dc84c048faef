import { describe, expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';

type Break = Extract<Command, { kind: 'split-stock' }>['ask']['at'];
const split = (from: Break['from'], to: Break['to'], stockId = 'S1'): Command => ({
  kind: 'split-stock',
  ask: { stockId, at: { from, to } },
});

describe('a sheet is broken in two', () => {
  it('square across: the larger part keeps the label, area and worth are shared to the last unit', () => {
    const s = smallStudio();
    const before = s.studio.get('stock', 'S1');
    s.do(split([150, 0], [150, 100]));
    expect(told(s)).toBe('S1 broken in two, the smaller part is S1-1');
    const [stays, off] = [s.studio.get('stock', 'S1'), s.studio.get('stock', 'S1-1')];
    expect(stays).toMatchObject({ areaMm2: 15_000, widthMm: 150, heightMm: 100, kind: 'sheet' });
    expect(off).toMatchObject({ areaMm2: 5000, widthMm: 50, kind: 'offcut', parentId: 'S1', rootId: 'S1' });
    expect((stays?.costCents ?? 0) + (off?.costCents ?? 0)).toBe(before?.costCents);
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'S1-1')).toBeUndefined();
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000, outline: null });
    expect(sound(s)).toEqual([]);
  });

  it('slanted, with a flaw on one side; what was laid out on it is lifted off', () => {
    const s = smallStudio();
    const flaw = [
      [180, 10],
      [190, 10],
      [185, 20],
    ] as const;
    const whole = [
      [0, 0],
      [200, 0],
      [200, 100],
      [0, 100],
    ] as const;
    s.do({ kind: 'shape-stock', ask: { stockId: 'S1', outline: whole, flaws: [flaw] } });
    s.do(layOutAsk(strips([1, 2], 'S1')));
    s.do(split([140, 0], [160, 100]));
    expect(s.piece(1).spot).toBeNull();
    expect(s.studio.get('stock', 'S1')).toMatchObject({ flaws: [], breaks: null, areaMm2: 15_000 });
    expect(s.studio.get('stock', 'S1-1')?.flaws).toEqual([flaw]);
    expect(sound(s)).toEqual([]);
  });

  it.each([
    ['beside the glass', [300, 0], [300, 100]],
    ['that stops half way', [150, 0], [150, 50]],
    ['along its edge', [0, 0], [200, 0]],
  ] as const)('a break %s parts nothing', (_, from, to) => {
    const s = smallStudio();
    expect(s.try(split(from, to))?.code).toBe('split-beside');
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000 });
  });

  it('one of which only the area is known is drawn first', () => {
    const s = smallStudio();
    s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'stays' } }] } });
    expect(s.try(split([150, 0], [150, 100]))?.code).toBe('split-shape-unknown');
  });
});
