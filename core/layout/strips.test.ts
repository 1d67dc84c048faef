import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { signedArea, type Point, type Ring } from '../geometry/index.ts';
import { upright } from '../stock/index.ts';
import { anyForm, DIAMOND, LAMP_SIDE, many, sheet } from '../test/stripPieces.ts';
import { nth } from '../units/index.ts';
import { hullOf, leastWidth, ringOf } from './convex.ts';
import {
  checkLayout,
  checkWithStrips,
  countInStrip,
  Layouter,
  NOTHING_LAID,
  planFault,
  planStrips,
  stripForms,
  stripLength,
  stripsOrNot,
  withHandLaid,
  type LayoutPiece,
  type LayoutSheet,
  type StripForm,
  type StripPlan,
} from './index.ts';

const middle = (ring: Ring): Point => [
  ring.reduce((sum, [x]) => sum + x, 0) / ring.length,
  ring.reduce((sum, [, y]) => sum + y, 0) / ring.length,
];

const BY = { edgeMm: 6, keepMm: 60 };

/** Strips alone, with nothing beside them. */
const layoutOf = ({ laid }: StripPlan) => withHandLaid(NOTHING_LAID, laid, BY.keepMm);

function held(pieces: readonly LayoutPiece[], sheets: readonly LayoutSheet[], plan: StripPlan): StripPlan {
  const placed = pieces.filter((piece) => plan.pieceIds.includes(piece.id));
  // Neighbours share a break, so nothing lies between them.
  const job = { ...BY, marginMm: 0, pieces: placed, sheets };
  expect(checkLayout(job, layoutOf(plan))).toEqual([]);
  return plan;
}

describe('strips', () => {
  it('diamonds: one stop setting for both cuts, width side × sin of the angle', () => {
    const pieces = many(DIAMOND, 30);
    const sheets = [sheet('A', 600, 400)];
    const [plan] = planStrips(pieces, sheets, BY);
    if (!plan) throw new Error('no strips');
    held(pieces, sheets, plan);
    expect(plan).toMatchObject({ kind: 'diamond', pieceIds: { length: 30 } });
    expect(plan.form.widthMm).toBeCloseTo(34.641, 3);
    expect(plan.stopMm).toBeCloseTo(plan.form.widthMm, 6);
    expect(plan.angleDeg).toBeCloseTo(60, 6);
    // Strips across the sheet take less of it: of 388 mm 20 are the slanted end, then one each 40 mm.
    const inEach = Math.floor((388 - 20) / 40);
    expect(plan.strips).toEqual([{ sheetId: 'A', count: 4, least: inEach, most: inEach }]);
  });

  it('tapered sides turn end for end: n · (a + b)/2 and one slanted end', () => {
    for (const n of [1, 2, 5, 8]) expect(stripLength(LAMP_SIDE, n)).toBeCloseTo(n * 40 + 20, 9);
    expect(countInStrip(LAMP_SIDE, 340)).toBe(8);
    expect(countInStrip(LAMP_SIDE, 339)).toBe(7);
    const pieces = many(LAMP_SIDE, 12);
    const sheets = [sheet('A', 400, 300)];
    const [plan] = planStrips(pieces, sheets, BY);
    if (!plan) throw new Error('no strips');
    held(pieces, sheets, plan);
    expect(plan).toMatchObject({ kind: 'tapered', stopMm: null, pieceIds: { length: 12 } });
  });

  it('flow holds: strips lie the way that it runs, and what can not lie so is left out', () => {
    const border: StripForm = { widthMm: 30, longMm: 90, shortMm: 90, leanMm: 0 };
    const sheets = [sheet('A', 500, 300, { flowDeg: 90 })];
    // Every second piece is turned by a quarter on the panel, and its flow with it but for two that run across.
    const pieces = many(border, 10, {}, 90).map((piece, i) => ({
      ...piece,
      flowDeg: (90 * i + (i < 2 ? 90 : 0)) % 180,
      flowToleranceDeg: 5,
    }));
    const plans = planStrips(pieces, sheets, BY).map((plan) => held(pieces, sheets, plan));
    expect(plans[0]?.pieceIds).toHaveLength(8);
    expect(plans[0]?.pieceIds).not.toContain('1');
  });

  it('several sheets are filled one after the other, offcuts first; one with a flaw or a hollow is passed over', () => {
    const hollow: Ring = [
      [0, 0],
      [200, 0],
      [200, 150],
      [100, 60],
      [0, 150],
    ];
    const sheets = [
      sheet('B', 300, 200),
      sheet('K', 200, 120, { offcut: true }),
      { ...sheet('C', 1, 1), outline: hollow },
      sheet('F', 180, 150, { flaws: [upright(4, 4)] }),
    ];
    const pieces = many(DIAMOND, 40);
    const [plan] = planStrips(pieces, sheets, BY);
    if (!plan) throw new Error('no strips');
    held(pieces, sheets, plan);
    expect(plan.strips.map((one) => one.sheetId)).toEqual(['K', 'B']);
  });

  it('a three-cornered offcut gives strips along its sides, fewer in each towards its point', () => {
    // Right-angled, 300 by 300: of strips 40 wide the k-th has 300 − 40 (k + 1) mm, so 6, 5, 4, 3, 2 and 1 squares of 40.
    const offcut = {
      ...sheet('T', 1, 1, { offcut: true }),
      outline: [
        [0, 0],
        [300, 0],
        [0, 300],
      ] as Ring,
    };
    const square: StripForm = { widthMm: 40, longMm: 40, shortMm: 40, leanMm: 0 };
    const pieces = many(square, 21);
    const [plan] = planStrips(pieces, [offcut], { edgeMm: 0, keepMm: 60 });
    if (!plan) throw new Error('no strips');
    expect(checkLayout({ edgeMm: 0, keepMm: 60, marginMm: 0, pieces, sheets: [offcut] }, layoutOf(plan))).toEqual([]);
    expect(plan.strips).toEqual([{ sheetId: 'T', count: 6, least: 1, most: 6 }]);
  });

  it('any convex sheet, its edge kept off or not: the layout holds', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 420 }), fc.integer({ min: 0, max: 380 })), {
          minLength: 3,
          maxLength: 9,
        }),
        fc.record({
          widthMm: fc.double({ min: 12, max: 60, noNaN: true }),
          longMm: fc.double({ min: 15, max: 70, noNaN: true }),
          share: fc.double({ min: 0, max: 1, noNaN: true }),
          leanMm: fc.double({ min: -25, max: 35, noNaN: true }),
        }),
        fc.constantFrom(null, 90),
        fc.constantFrom(0, 6),
        (points, { widthMm, longMm, share, leanMm }, flowDeg, edgeMm) => {
          const outline = ringOf(hullOf(points));
          fc.pre(outline.length >= 3 && leastWidth(hullOf(points)) > 20);
          const form = { widthMm, longMm, shortMm: share < 0.1 ? 0 : longMm * share, leanMm };
          const pieces = many(form, 18, { flowDeg, flowToleranceDeg: 12 });
          const sheets = [{ ...sheet('A', 1, 1, { flowDeg }), outline }];
          for (const plan of planStrips(pieces, sheets, { edgeMm, keepMm: 60 })) {
            const ids = new Set(plan.pieceIds);
            const job = { edgeMm, keepMm: 60, marginMm: 0, pieces: pieces.filter((piece) => ids.has(piece.id)) };
            expect(checkLayout({ ...job, sheets: plan.laid.map((one) => one.sheet) }, layoutOf(plan))).toEqual([]);
          }
        },
      ),
      { numRuns: 30, seed: 11 },
    );
  }, 120_000);

  it('few alike, or none with parallel sides, ask for no strips', () => {
    expect(planStrips(many(DIAMOND, 3), [sheet('A', 600, 400)], BY)).toEqual([]);
    const kite: Ring = [
      [0, 0],
      [30, 10],
      [70, 0],
      [30, -25],
    ];
    expect(stripForms(kite)).toEqual([]);
  });

  it('any form with parallel sides, any way up, turned over or not: the layout holds', () => {
    fc.assert(
      fc.property(
        anyForm,
        fc.integer({ min: 4, max: 24 }),
        fc.boolean(),
        fc.constantFrom(0, 6),
        (form, count, turnOver, edgeMm) => {
          const pieces = many(form, count, { turnOver });
          const sheets = [sheet('A', 420, 310), sheet('B', 300, 300)];
          for (const plan of planStrips(pieces, sheets, { ...BY, edgeMm })) {
            const job = {
              edgeMm,
              keepMm: 60,
              marginMm: 0,
              sheets: plan.laid.map((one) => one.sheet),
              pieces: pieces.filter((p) => plan.pieceIds.includes(p.id)),
            };
            expect(checkLayout(job, layoutOf(plan))).toEqual([]);
            const placedMm2 = layoutOf(plan).placements.reduce(
              (sum, one) => sum + Math.abs(signedArea(one.outline)),
              0,
            );
            expect(placedMm2).toBeCloseTo(plan.pieceIds.length * Math.abs(signedArea(nth(pieces, 0).outline)), 3);
          }
        },
      ),
      { numRuns: 60, seed: 5 },
    );
  }, 120_000);
});

describe('strips or free packing', () => {
  const by = { marginMm: 5, ...BY };
  const options = { seed: 1, prefersUse: false };

  it('a field of diamonds is cut in strips: they share their breaks, and less glass is lost', () => {
    const job = { ...by, pieces: many(DIAMOND, 60), sheets: [sheet('A', 600, 400)] };
    const search = new Layouter(job, options);
    search.run(60);
    const found = search.best();
    const done = stripsOrNot(job, found, options, 20);
    expect(done.strips).toHaveLength(1);
    expect(done.layout.glassConsumedMm2).toBeLessThan(found.glassConsumedMm2);
    expect(checkWithStrips(job, done)).toEqual([]);
  });

  it('what strips leave of a sheet is used for other pieces, and by other strips', () => {
    const other = many({ widthMm: 70, longMm: 80, shortMm: 20, leanMm: -10 }, 3).map((p) => ({ ...p, id: `x${p.id}` }));
    const border: StripForm = { widthMm: 25, longMm: 110, shortMm: 110, leanMm: 0 };
    const borders = many(border, 5).map((p) => ({ ...p, id: `b${p.id}` }));
    const job = { ...by, pieces: [...many(DIAMOND, 40), ...borders, ...other], sheets: [sheet('A', 500, 400)] };
    const search = new Layouter(job, options);
    search.run(10);
    const done = stripsOrNot(job, search.best(), options, 40);
    expect(done.strips.map((plan) => plan.strips.map((one) => one.sheetId))).toEqual([['A'], ['A']]);
    expect(done.layout.placements).toHaveLength(48);
    expect(done.layout.placements.every((one) => one.sheetId === 'A')).toBe(true);
    expect(checkWithStrips(job, done)).toEqual([]);
    // As it would be kept: each break crosses the part that it is made in, and no part holds two.
    const laid = done.layout.placements.map(({ pieceId, outline }) => ({ id: pieceId, at: middle(outline) }));
    expect(planFault(nth(job.sheets, 0).outline, done.layout.breaks, laid)).toBeNull();
  });

  it('others lie beside them on sheets of their own; where strips gain nothing the search stands', () => {
    const other = many({ widthMm: 70, longMm: 80, shortMm: 20, leanMm: -10 }, 3).map((p) => ({ ...p, id: `x${p.id}` }));
    const job = {
      ...by,
      pieces: [...many(DIAMOND, 40), ...other],
      sheets: [sheet('A', 300, 400), sheet('B', 300, 400)],
    };
    const search = new Layouter(job, options);
    search.run(40);
    const done = stripsOrNot(job, search.best(), options, 30);
    expect(checkWithStrips(job, done)).toEqual([]);
    const few = { ...job, pieces: other };
    const plain = new Layouter(few, options);
    plain.run(20);
    expect(stripsOrNot(few, plain.best(), options, 20)).toEqual({ layout: plain.best(), strips: [] });
  });
});
