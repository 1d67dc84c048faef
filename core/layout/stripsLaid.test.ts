import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyForm, DIAMOND, LAMP_SIDE, many, sheet } from '../test/stripPieces.ts';
import { Layouter, planStrips, stripsLaid, type SheetAsLaid, type StripForm, type StripPlan } from './index.ts';

const BY = { edgeMm: 6, keepMm: 60 };

/** A plan as it is kept: its sheets, with where the pieces lie and the breaks. */
const asKept = ({ laid }: StripPlan): SheetAsLaid[] =>
  laid.map(({ sheet: { id, outline }, out, placements }) => ({
    id,
    outline,
    breaks: out.breaks,
    pieces: placements.map((one) => ({ id: one.pieceId, outline: one.outline })),
  }));

const planFor = (form: StripForm, count: number): StripPlan => {
  const [plan] = planStrips(many(form, count), [sheet('A', 600, 400), sheet('B', 300, 300)], BY);
  if (!plan) throw new Error('no strips');
  return plan;
};

describe('strips told from a layout that was kept', () => {
  it.each([
    ['diamonds', DIAMOND, 60],
    ['sides of a lamp', LAMP_SIDE, 30],
    ['rectangles', { widthMm: 30, longMm: 90, shortMm: 90, leanMm: 0 }, 25],
    ['triangles', { widthMm: 50, longMm: 60, shortMm: 0, leanMm: 20 }, 20],
  ])('%s: the same width, angle, stop and numbers as when they were planned', (_, form, count) => {
    const { laid, ...plan } = planFor(form, count);
    const told = stripsLaid(asKept({ laid, ...plan }));
    expect(told).toHaveLength(1);
    const [{ form: found, pieceIds, ...settings } = plan] = told;
    expect(found.widthMm).toBeCloseTo(plan.form.widthMm, 6);
    expect(settings.stopMm ?? 0).toBeCloseTo(plan.stopMm ?? 0, 6);
    expect(settings.angleDeg).toBeCloseTo(plan.angleDeg, 6);
    expect({ kind: settings.kind, strips: settings.strips }).toEqual({ kind: plan.kind, strips: plan.strips });
    expect([...pieceIds].sort()).toEqual([...plan.pieceIds].sort());
  });

  it('of any form: every piece that lies beside another one is told, in as few strips', () => {
    fc.assert(
      fc.property(anyForm, fc.integer({ min: 4, max: 24 }), (form, count) => {
        for (const plan of planStrips(many(form, count), [sheet('A', 420, 310), sheet('B', 300, 300)], BY)) {
          const alone = plan.laid.filter(({ placements }) => placements.length === 1).length;
          const told = stripsLaid(asKept(plan));
          const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);
          expect(sum(told.map(({ pieceIds }) => pieceIds.length))).toBe(plan.pieceIds.length - alone);
          const strips = (of: readonly { readonly count: number }[]) => sum(of.map((one) => one.count));
          expect(strips(told.flatMap((one) => one.strips))).toBeLessThanOrEqual(strips(plan.strips));
        }
      }),
      { numRuns: 80, seed: 3 },
    );
  }, 60_000);

  it('as pieces are cut from it, what is left is told', () => {
    const plan = planFor(DIAMOND, 60);
    const [first, ...others] = asKept(plan);
    if (!first) throw new Error('no sheet');
    const less = { ...first, pieces: first.pieces.slice(17) };
    const [told] = stripsLaid([less, ...others]);
    expect(told).toMatchObject({ kind: 'diamond' });
    expect(told?.pieceIds).toHaveLength(43);
  });

  it('a layout with margins between its pieces has none', () => {
    const pieces = many({ widthMm: 40, longMm: 60, shortMm: 60, leanMm: 0 }, 12);
    const job = { ...BY, marginMm: 5, pieces, sheets: [sheet('A', 400, 300)] };
    const search = new Layouter(job, { seed: 1, prefersUse: false });
    search.run(40);
    const { placements, breaks } = search.best();
    expect(placements).toHaveLength(12);
    const [only] = job.sheets;
    if (!only) throw new Error('no sheet');
    expect(
      stripsLaid([{ ...only, breaks, pieces: placements.map((p) => ({ id: p.pieceId, outline: p.outline })) }]),
    ).toEqual([]);
  });
});
