import { describe, expect, it } from 'vitest';
import { sound } from '../../../test/asks.ts';
import { layOutAsk, strips } from '../../../test/laidOut.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import type { Command } from '../../index.ts';
import type { ShapeStock } from './act.ts';

/** The sheet of 200 × 100 mm with a corner of 100 × 50 mm knocked off. */
const KNOCKED: ShapeStock['outline'] = [
  [100, 0],
  [200, 0],
  [200, 100],
  [0, 100],
  [0, 50],
];
const shape = (more: Partial<ShapeStock> = {}): Command => ({
  kind: 'shape-stock',
  ask: { stockId: 'S1', outline: KNOCKED, flaws: [], ...more },
});

describe('the true shape of a sheet', () => {
  it('is kept with its area; the ledger tells what is more or less, to the square millimetre', () => {
    const s = smallStudio();
    s.do(shape());
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 17_500, widthMm: 200, heightMm: 100 });
    expect([...s.studio.all('moves')].at(-1)).toMatchObject({ kind: 'received', deltaMm2: -2500, balanceMm2: 17_500 });
    expect(sound(s)).toEqual([]);
    expect(s.back('undo', 'ada', 'rack')).toBeNull();
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000, outline: null });
    expect(sound(s)).toEqual([]);
  });

  it('lifts off what lay on it; measures entered anew take the shape away', () => {
    const s = smallStudio();
    s.do(layOutAsk(strips([1, 2], 'S1')));
    s.do(
      shape({
        flaws: [
          [
            [120, 20],
            [130, 20],
            [125, 30],
          ],
        ],
      }),
    );
    expect(s.piece(1).spot).toBeNull();
    expect(s.studio.get('stock', 'S1')).toMatchObject({ breaks: null });
    expect(s.studio.get('stock', 'S1')?.flaws).toHaveLength(1);
    const fixed = { stockId: 'S1', glassId: 'blue', place: '', costCents: 1 };
    s.do({ kind: 'correct-stock', ask: { ...fixed, widthMm: 200, heightMm: 100 } });
    expect(s.studio.get('stock', 'S1')?.outline).toEqual(KNOCKED);
    s.do({ kind: 'correct-stock', ask: { ...fixed, widthMm: 200, heightMm: 90 } });
    expect(s.studio.get('stock', 'S1')).toMatchObject({ outline: null, flaws: [], areaMm2: 18_000 });
    expect(sound(s)).toEqual([]);
  });

  it.each([
    [
      'an outline that crosses itself',
      {
        outline: [
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ],
      },
      'shape-crossing',
    ],
    [
      'one without glass',
      {
        outline: [
          [0, 0],
          [100, 0],
          [200, 0],
        ],
      },
      'shape-no-area',
    ],
    [
      'a flaw beside it',
      {
        flaws: [
          [
            [300, 0],
            [310, 0],
            [305, 9],
          ],
        ],
      },
      'shape-flaw-outside',
    ],
    [
      'a flaw where the corner is gone',
      {
        flaws: [
          [
            [5, 5],
            [15, 5],
            [10, 12],
          ],
        ],
      },
      'shape-flaw-outside',
    ],
    [
      'a flaw that crosses itself',
      {
        flaws: [
          [
            [120, 10],
            [150, 40],
            [150, 10],
            [120, 40],
          ],
        ],
      },
      'shape-flaw-crossing',
    ],
  ] as const)('refuses %s', (_, more, code) => {
    const s = smallStudio();
    expect(s.try(shape(more))?.code).toBe(code);
    expect(s.studio.get('stock', 'S1')).toMatchObject({ areaMm2: 20_000 });
  });
});
