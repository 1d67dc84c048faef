import { describe, expect, it } from 'vitest';
import { seededRandom } from '../units/index.ts';
import { spreadOver, type SpreadPanel, type SpreadPiece } from './spread.ts';

const piece = (number: number, glassId: string | null, areaMm2 = 1000, isCut = false): SpreadPiece => ({
  number,
  glassId,
  areaMm2,
  isCut,
});
const left = { id: 'left', pieces: [piece(1, 'blue'), piece(2, 'blue'), piece(3, 'blue'), piece(4, 'red')] };
const right = { id: 'right', pieces: [piece(1, 'red'), piece(2, 'red'), piece(3, 'blue'), piece(4, 'red')] };

/** Glass that stands where it is not even, worked out anew from nothing. */
function unevenness(panels: readonly SpreadPanel[]): number {
  const glassed = panels.map(({ pieces }) => pieces.filter((p) => p.glassId !== null));
  const sum = (pieces: readonly SpreadPiece[]) => pieces.reduce((s, p) => s + p.areaMm2, 0);
  const whole = sum(glassed.flat());
  return [...new Set(glassed.flat().map((p) => p.glassId))].reduce((total, id) => {
    const of = (pieces: readonly SpreadPiece[]) => sum(pieces.filter((p) => p.glassId === id));
    const share = of(glassed.flat()) / whole;
    return total + glassed.reduce((s, pieces) => s + Math.abs(of(pieces) - share * sum(pieces)), 0);
  }, 0);
}

describe('glass over the panels of a set', () => {
  it('is told as shares; what is uneven is named, and a swap evens it out', () => {
    const { glasses, swap } = spreadOver([left, right]);
    expect(glasses).toEqual([
      { glassId: 'blue', share: 0.5, shares: [0.75, 0.25], isUneven: true },
      { glassId: 'red', share: 0.5, shares: [0.25, 0.75], isUneven: true },
    ]);
    expect(swap).toMatchObject({
      one: { panelId: 'left', glassId: 'blue' },
      other: { panelId: 'right', glassId: 'red' },
      beforeMm2: 4000,
      afterMm2: 0,
    });
  });

  it('no glass that is cut is swapped, and an accent in one panel is no fault', () => {
    const cut = (panel: SpreadPanel) => ({ ...panel, pieces: panel.pieces.map((p) => ({ ...p, isCut: true })) });
    expect(spreadOver([cut(left), right]).swap).toBeNull();
    const accent = spreadOver([
      { id: 'a', pieces: [piece(1, 'blue', 50_000), piece(2, 'gold', 1000)] },
      { id: 'b', pieces: [piece(1, 'blue', 50_000), piece(2, null, 900)] },
    ]);
    expect(accent.glasses.map((g) => [g.glassId, g.isUneven])).toEqual([
      ['blue', false],
      ['gold', false],
    ]);
    expect(accent.swap).toBeNull();
    expect(spreadOver([{ id: 'a', pieces: [piece(1, null)] }])).toEqual({ glasses: [], swap: null });
  });

  it.each([1, 2, 3, 4, 5])('random set %d: the swap does what it says, and none tells of less', (seed) => {
    const random = seededRandom(seed);
    const panels = ['a', 'b', 'c'].map((id, k) => ({
      id,
      pieces: Array.from({ length: 20 }, (_, i) =>
        piece(i + 1, ['blue', 'red', 'green', 'gold'][Math.floor(random() * (2 + k))] ?? 'gold', 500 + random() * 3000),
      ),
    }));
    const { swap } = spreadOver(panels);
    const before = unevenness(panels);
    if (!swap) throw new Error('a random set is never even');
    const given = (panelId: string, number: number, old: string | null): string | null => {
      for (const [from, to] of [
        [swap.one, swap.other],
        [swap.other, swap.one],
      ] as const)
        if (from.panelId === panelId && from.number === number) return to.glassId;
      return old;
    };
    const after = panels.map(({ id, pieces }) => ({
      id,
      pieces: pieces.map((p) => ({ ...p, glassId: given(id, p.number, p.glassId) })),
    }));
    expect(swap.beforeMm2).toBeCloseTo(before, 3);
    // The set's shares move a little where the two pieces are not of one size.
    expect(unevenness(after)).toBeLessThan(before);
    expect(Math.abs(unevenness(after) - swap.afterMm2)).toBeLessThan(0.05 * before);
  });
});
