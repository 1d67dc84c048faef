import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { signedArea, type Point, type Ring } from '../geometry/index.ts';
import { outlineWhereItLies, upright } from '../stock/index.ts';
import { nth, seededRandom } from '../units/index.ts';
import {
  checkLayout,
  cutOut,
  keptLayout,
  Layouter,
  layOn,
  planFault,
  spotOf,
  takersOfPiece,
  type CutOut,
  type LayoutPiece,
  type LayoutSheet,
} from './index.ts';

const areaOf = (ring: Ring): number => Math.abs(signedArea(ring));
const sheet = (id: string, outline: Ring, more: Partial<LayoutSheet> = {}): LayoutSheet => ({
  id,
  outline,
  flowDeg: null,
  offcut: false,
  flaws: [],
  ...more,
});

/** A star-shaped outline round the origin, as pieces of a drawing are. */
function blob(random: () => number, corners: number, radiusMm: number): Ring {
  return Array.from({ length: corners }, (_, i): Point => {
    const [turn, r] = [(2 * Math.PI * (i + 0.6 * random())) / corners, radiusMm * (0.6 + 0.4 * random())];
    return [r * Math.cos(turn), r * Math.sin(turn)];
  });
}

const pieceOf = (id: string, outline: Ring, more: Partial<LayoutPiece> = {}): LayoutPiece => ({
  id,
  outline,
  flowDeg: null,
  flowToleranceDeg: 0,
  turnOver: false,
  ...more,
});

const BY = { marginMm: 5, edgeMm: 6, keepMm: 60 };

function laidOut(seed: number, count: number) {
  const random = seededRandom(seed);
  const pieces = Array.from({ length: count }, (_, i) =>
    pieceOf(String(i + 1), blob(random, 5 + Math.floor(6 * random()), 18 + 22 * random())),
  );
  const job = { ...BY, pieces, sheets: [sheet('S', upright(600, 400))] };
  const search = new Layouter(job, { seed, prefersUse: false });
  search.run(120);
  const layout = search.best();
  expect(checkLayout(job, layout)).toEqual([]);
  const laid = layout.placements.map((p) => {
    const spot = spotOf(nth(pieces, Number(p.pieceId) - 1), p);
    return { id: p.pieceId, at: spot.at, spot, placement: p };
  });
  return { job, layout, laid, random };
}

const done = (out: ReturnType<typeof cutOut>): CutOut => {
  if (typeof out === 'string') throw new Error(out);
  return out;
};

describe('a sheet cut as laid out', () => {
  it.each([1, 2, 3, 4])(
    'piece after piece, in any order, seed %d: what is kept and what is used is the sheet',
    (seed) => {
      const { layout, laid, random } = laidOut(seed, 14);
      // Parts as a rack has them: each with its breaks and the pieces that still lie on it.
      let rack = [{ outline: upright(600, 400), breaks: layout.breaks as readonly { from: Point; to: Point }[], laid }];
      let offcutsMm2 = 0;
      let made = 0;
      const order = laid.map((one) => one.id).sort(() => random() - 0.5);
      for (const id of order) {
        const from = rack.find((part) => part.laid.some((one) => one.id === id));
        if (!from) throw new Error(`nothing holds ${id}`);
        expect(planFault(from.outline, from.breaks, from.laid)).toBeNull();
        const out = done(cutOut(from.outline, from.breaks, from.laid, new Set([id]), BY.keepMm));
        made += out.made;
        const keptMm2 = out.kept.reduce((sum, part) => sum + areaOf(part.outline), 0);
        const own = laid.find((one) => one.id === id);
        expect(areaOf(from.outline) - keptMm2).toBeGreaterThan(areaOf(own?.placement.outline ?? []));
        rack = rack.filter((part) => part !== from);
        for (const part of out.kept) {
          if (part.pieceIds.length === 0) offcutsMm2 += areaOf(part.outline);
          else rack.push({ ...part, laid: laid.filter((one) => part.pieceIds.includes(one.id)) });
        }
      }
      expect(rack).toEqual([]);
      // Parts that hold no piece are kept whole, so that no break of theirs has to be made: never less comes back.
      const toldMm2 = layout.offcuts.reduce((sum, offcut) => sum + areaOf(offcut.outline), 0);
      expect(offcutsMm2).toBeGreaterThanOrEqual(toldMm2 - 1);
      expect(made).toBeLessThanOrEqual(layout.breaks.length);
    },
  );

  it('all at once it leaves what the layout told, and is the same layout when it is told again', () => {
    const { job, layout, laid } = laidOut(5, 12);
    const out = done(cutOut(upright(600, 400), layout.breaks, laid, new Set(laid.map((one) => one.id)), BY.keepMm));
    const [left, told] = [out.kept, layout.offcuts].map((list) => list.map((o) => Math.round(areaOf(o.outline))));
    expect(left?.sort()).toEqual(told?.sort());
    const kept = keptLayout(
      [{ sheet: nth(job.sheets, 0), breaks: layout.breaks, placements: layout.placements, insides: laid }],
      BY.keepMm,
    );
    expect(checkLayout(job, { ...kept, unplaced: layout.unplaced })).toEqual([]);
    expect(kept.use).toBeCloseTo(layout.use, 4);
  });

  it('a spot brings the outline of the panel to where it lies, turned over too', () => {
    const random = seededRandom(9);
    const pieces = [1, 2, 3].map((n) =>
      pieceOf(String(n), blob(random, 9, 30), { turnOver: n !== 2, flowDeg: 20 * n }),
    );
    const search = new Layouter(
      { ...BY, pieces, sheets: [sheet('S', upright(300, 300), { flowDeg: 90 })] },
      { seed: 2, prefersUse: false },
    );
    search.run(40);
    for (const placement of search.best().placements) {
      const piece = nth(pieces, Number(placement.pieceId) - 1);
      const lies = outlineWhereItLies(piece.outline, spotOf(piece, placement));
      lies.forEach(([x, y], i) => {
        const [px, py] = nth(placement.outline, i);
        expect(Math.hypot(x - px, y - py)).toBeLessThan(1e-6);
      });
    }
    expect(search.best().placements).toHaveLength(3);
  });

  it('breaks that do not reach, and parts with two pieces, are found out', () => {
    const at = (id: string, x: number) => ({ id, at: [x, 50] as const });
    const square = upright(100, 100);
    const half = { from: [50, 0], to: [50, 100] } as const;
    expect(planFault(square, [half], [at('1', 20), at('2', 80)])).toBeNull();
    expect(planFault(square, [], [at('1', 20), at('2', 80)])).toBe('not-apart');
    expect(planFault(square, [{ from: [50, 0], to: [50, 60] }], [at('1', 20)])).toBe('break-off-part');
    expect(planFault(square, [{ from: [150, 0], to: [150, 100] }], [at('1', 20)])).toBe('break-off-part');
    expect(planFault(square, [half], [at('1', 120)])).toBe('off-sheet');
  });
});

describe('the recut finder', () => {
  const random = seededRandom(3);
  const offcuts = Array.from({ length: 200 }, (_, i) =>
    sheet(`K${i}`, blob(random, 4 + Math.floor(4 * random()), 30 + 120 * random()), { flowDeg: 90, offcut: true }),
  );

  it('names the smallest first, and each takes the piece where it is shown to lie', () => {
    for (const flowDeg of [null, 40]) {
      const piece = pieceOf('7', blob(random, 12, 45), { flowDeg, flowToleranceDeg: 10 });
      const takers = takersOfPiece(piece, offcuts, BY);
      expect(takers.length).toBeGreaterThan(20);
      const sizes = takers.map((taker) => areaOf(taker.outline));
      expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
      for (const taker of takers.slice(0, 12)) {
        const layout = layOn(piece, taker, BY);
        if (layout === null) continue;
        const job = { ...BY, pieces: [piece], sheets: [taker] };
        const faults = checkLayout(job, layout).filter((fault) => fault.code !== 'offcut-untold');
        expect(faults, taker.id).toEqual([]);
      }
      // None that was passed over without a try would have taken it.
      const others = offcuts.filter((one) => !takers.includes(one));
      for (const other of others.slice(0, 40)) expect(layOn(piece, other, BY), other.id).toBeNull();
    }
  });

  it('a whole sheet comes after offcuts; a disc goes in where its circle does', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 90, noNaN: true }), (radiusMm) => {
        const disc: Ring = Array.from({ length: 60 }, (_, i): Point => {
          const turn = (2 * Math.PI * i) / 60;
          return [radiusMm * Math.cos(turn), radiusMm * Math.sin(turn)];
        });
        const sheets = [sheet('A', upright(200, 200)), sheet('K', upright(120, 120), { offcut: true })];
        const names = takersOfPiece(pieceOf('1', disc), sheets, { ...BY, edgeMm: 0 }).map((one) => one.id);
        // Its hull is drawn a little large where it has many sides.
        if (radiusMm < 58) expect(names).toEqual(['K', 'A']);
        if (radiusMm > 61) expect(names).toEqual(['A']);
      }),
      { numRuns: 60 },
    );
  });
});
