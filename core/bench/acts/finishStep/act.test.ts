import { describe, expect, it } from 'vitest';
import { advance, all, broke, cut } from '../../../test/asks.ts';
import { drawing, smallStudio } from '../../../test/smallStudio.ts';
import { type PanelRow } from '../../index.ts';
import type { PieceId } from '../../../units/index.ts';

describe('the panel as a whole', () => {
  const built = () => {
    const s = smallStudio();
    s.do(cut(all.slice(0, 12), 'S1'));
    s.do(cut(all.slice(12), 'S2'));
    s.do(advance(all, 'in-place'));
    return s;
  };
  it('joints are ticked by side; the last one settles the side', () => {
    const s = built();
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1, 2, 3, 4, 5, 6, 7, 8] } });
    expect(s.studio.get('steps', 'p/solder-front')).toBeUndefined();
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [8, 9] } });
    expect(s.studio.get('steps', 'p/solder-front')?.at).toBe(s.at);
    expect(s.try({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1] } })?.code).toBe(
      'joints-done',
    );
    expect(s.try({ kind: 'solder-joints', ask: { panelId: 'p', side: 'back', joints: [10] } })?.code).toBe(
      'unknown-joints',
    );
  });
  it('what comes before the pieces needs none of them: an old panel is rubbed and photographed, then taken apart', () => {
    const s = smallStudio('lead');
    s.do({ kind: 'follow-route', ask: { panelId: 'p', route: 're-leading' } });
    const finish = (step: string) => s.try({ kind: 'finish-step', ask: { panelId: 'p', step } });
    expect(finish('apart')?.code).toBe('step-order');
    for (const step of ['rubbing', 'photographed', 'apart']) expect(finish(step)).toBeNull();
    expect(finish('solder-front')?.code).toBe('not-in-place');
    s.do({ kind: 'take-in', ask: { panelId: 'p', numbers: [1, 2], as: 'old' } });
    s.do({ kind: 'advance', ask: { panelId: 'p', numbers: [1, 2], to: 'cleaned' } });
  });
  it('steps keep their order; optional ones may be left out', () => {
    const s = built();
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'deliver' } })).toMatchObject({
      code: 'step-order',
      name: 'solder the front',
    });
    for (const step of ['solder-front', 'solder-back', 'deliver'] as const)
      s.do({ kind: 'finish-step', ask: { panelId: 'p', step } });
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-front' } })?.code).toBe('step-done');
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'cement' } })?.code).toBe('not-this-route');
  });
  it('is not soldered while a piece is missing, and its drawing is not replaced while glass is cut', () => {
    const s = built();
    s.do(broke([7]));
    expect(s.try({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-front' } })).toMatchObject({
      code: 'not-in-place',
      numbers: [7],
    });
    const { pieceCount, ...panel } = s.studio.get('panels', 'p') as PanelRow;
    expect(
      s.try({
        kind: 'accept-drawing',
        ask: drawing([], 'foil', {
          cartoonId: 'k2',
          follows: 'k',
          allowance: panel.allowance,
          pieceCount: 19,
          gone: [1 as PieceId],
        }),
      })?.code,
    ).toBe('has-work');
    expect(pieceCount).toBe(20);
  });
});
