import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { cells, courses, grid } from '../test/leadDrawings.ts';
import { nth, seededRandom } from '../units/index.ts';
import {
  barAt,
  bestRings,
  edgeFor,
  fittingOrder,
  fittingSteps,
  fittingTools,
  footDepth,
  frameFor,
  gaugeMm,
  gravityOf,
  hangingOn,
  lampFitting,
  outerGlassFor,
  placeCaution,
  playIn,
  ratedKg,
  ringPlaces,
  SPOTS,
  stiffeningOf,
  USUAL_FINISH,
  wireFor,
} from './index.ts';

function drawn(svg: string) {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading.cartoon;
}
const THREE = () => 3;
const G = 9.80665;

describe('where a panel balances', () => {
  it('a grid in its middle, however heavy its metal; its weight is glass by EN 572-1 and metal', () => {
    const { at, totalG } = gravityOf(drawn(grid(3, 4, 50)), THREE, 400);
    expect(at).toEqual([expect.closeTo(75, 6), expect.closeTo(100, 6)]);
    expect(totalG).toBeCloseTo(0.03 * 7500 + 400, 6);
  });
  it('glass twice as thick on the left draws it there: by the law of the lever', () => {
    const cartoon = drawn(grid(2, 1, 100));
    const left = cartoon.pieces.find((p) => p.centroid[0] < 100)?.number;
    const { at } = gravityOf(cartoon, (n) => (n === left ? 6 : 3), 0);
    expect(at[0]).toBeCloseTo((50 * 2 + 150) / 3, 6);
  });
});

describe('wire', () => {
  // ASTM B258: diameters of the gauges, in.
  it.each([
    [10, 0.1019],
    [12, 0.0808],
    [14, 0.0641],
    [16, 0.0508],
    [18, 0.0403],
    [20, 0.032],
  ])('gauge %d is %f in', (gauge, inches) => expect(gaugeMm(gauge) / 25.4).toBeCloseTo(inches, 4));
  it('bears ten times its pull: thicker for more, and says when none does', () => {
    expect(wireFor(5).gauge).toBe(20);
    for (const pull of [5, 15, 30, 60, 90]) {
      const { mm, isTooThin } = wireFor(pull);
      expect(isTooThin).toBe(false);
      expect(((mm / 2) ** 2 * Math.PI * 200) / 10).toBeGreaterThanOrEqual(pull);
    }
    expect(wireFor(500)).toMatchObject({ gauge: 10, isTooThin: true });
    expect(ratedKg(G)).toBe(5);
    expect(ratedKg(0.1)).toBe(0.5);
  });
});

describe('hanging', () => {
  const cartoon = drawn(grid(4, 3, 60));
  const gravity = gravityOf(cartoon, THREE, 100);
  const places = ringPlaces(cartoon);

  it('rings go where a seam meets the rim, and on corners; never elsewhere', () => {
    expect(places).toHaveLength(4 + 2 * 3 + 2 * 2);
    expect(places.filter((place) => place.isCorner)).toHaveLength(4);
    for (const { at, seams, isCorner } of places) {
      expect(seams).toBe(isCorner ? 0 : 1);
      const onRim = [0, 240].includes(Math.round(at[0])) || [0, 180].includes(Math.round(at[1]));
      expect(onRim).toBe(true);
    }
  });
  it('the best two lie level, high and even about the middle', () => {
    const rings = bestRings(places, gravity, 0);
    expect(rings?.map((ring) => Math.round(ring.at[1]))).toEqual([0, 0]);
    expect((nth(rings ?? [], 0).at[0] + nth(rings ?? [], 1).at[0]) / 2).toBeCloseTo(120, 6);
  });
  it('a beam on two supports: each bears by the other’s arm (statics, any textbook)', () => {
    const hung = hangingOn(
      [
        [0, 0],
        [180, 0],
      ],
      places,
      { at: [60, 90], totalG: 3000 },
      90,
    );
    const newton = 3 * G;
    expect(hung?.bears).toEqual([expect.closeTo((newton * 120) / 180, 9), expect.closeTo((newton * 60) / 180, 9)]);
    expect(hung?.hook).toBeNull();
    expect(hung?.tiltDeg).toBeCloseTo(0, 9);
  });
  it('a picture on two wires at 60°: each pulls W / (2 sin 60°) (statics, any textbook), and it hangs straight', () => {
    const hung = hangingOn(
      [
        [60, 0],
        [180, 0],
      ],
      places,
      { at: [120, 90], totalG: 2000 },
      60,
    );
    expect(hung?.pullN).toBeCloseTo((2 * G) / Math.sqrt(3), 9);
    expect(hung?.hook).toEqual([expect.closeTo(120, 9), expect.closeTo(-60 * Math.sqrt(3), 9)]);
    expect(hung?.tiltDeg).toBeCloseTo(0, 9);
    expect(hung?.findings).toEqual([]);
  });
  it('heavier on the right it turns until the weight is under the hook', () => {
    const hung = hangingOn(
      [
        [60, 0],
        [180, 0],
      ],
      places,
      { at: [140, 90], totalG: 1000 },
      45,
    );
    expect(hung?.tiltDeg).toBeCloseTo((Math.atan2(20, 150) * 180) / Math.PI, 9);
    expect(hung?.findings).toMatchObject([{ code: 'hangs-askew', leftDown: false }]);
  });
  it('says what is wrong: foil alone, one side, too low, too few seams, too heavy for wire', () => {
    const codes = (rings: [number, number][], at: [number, number], totalG = 500) =>
      hangingOn(rings, places, { at, totalG }, 60)?.findings.map((one) => one.code);
    expect(
      codes(
        [
          [30, 0],
          [180, 0],
        ],
        [105, 90],
      ),
    ).toContain('ring-on-nothing');
    expect(
      codes(
        [
          [60, 0],
          [120, 0],
        ],
        [150, 90],
      ),
    ).toContain('one-sided');
    expect(
      codes(
        [
          [0, 120],
          [240, 120],
        ],
        [120, 90],
      ),
    ).toContain('rings-low');
    expect(
      codes(
        [
          [60, 0],
          [180, 0],
        ],
        [120, 90],
        6000,
      ),
    ).toContain('seams-few');
    expect(
      codes(
        [
          [60, 0],
          [180, 0],
        ],
        [120, 90],
        60_000,
      ),
    ).toContain('wire-thin');
    expect(hangingOn([[60, 0]], places, gravity, 60)).toBeNull();
  });
  it.each([1, 2, 3, 4, 5, 6])('of random cells %d: the weight is borne, whatever the rings', (seed) => {
    const random = drawn(cells(24, seed));
    const weight = gravityOf(random, THREE, 500);
    const rings = bestRings(ringPlaces(random), weight, 0);
    expect(rings).not.toBeNull();
    const hung = hangingOn(rings?.map((ring) => ring.at) ?? [], ringPlaces(random), weight, 90);
    expect(hung?.bears.reduce((sum, n) => sum + n, 0)).toBeCloseTo((weight.totalG / 1000) * G, 6);
    expect(hung?.findings.map((one) => one.code)).not.toContain('ring-on-nothing');
  });
});

describe('what keeps it flat', () => {
  it('0.7 × 1.0 m is always framed (common practice); half of that is not', () => {
    expect(stiffeningOf(drawn(grid(7, 10, 100)), 'lead').isFramed).toBe(true);
    expect(stiffeningOf(drawn(grid(5, 7, 100)), 'lead').isFramed).toBe(false);
  });
  it('a bar follows the line nearest to where it is wanted, and then shows over no piece', () => {
    const { bars } = stiffeningOf(drawn(grid(4, 8, 100)), 'lead');
    expect(bars).toHaveLength(1);
    expect(nth(bars, 0).y).toBeCloseTo(400, 0);
    expect(nth(bars, 0)).toMatchObject({ crosses: [], overLinesMm: expect.closeTo(400, 6) as number });
  });
  it('between lines it shows over every piece of its row', () => {
    const cartoon = drawn(grid(4, 3, 60));
    const bar = barAt(cartoon, 90);
    expect(bar).toMatchObject({ overLinesMm: 0, lengthMm: expect.closeTo(240, 6) as number });
    const row = cartoon.pieces.filter((p) => Math.abs(p.centroid[1] - 90) < 1).map((p) => p.number);
    expect(bar.crosses).toEqual(row.sort((a, b) => a - b));
  });
  it('lines right across bend like hinges until a bar holds them', () => {
    const cartoon = drawn(grid(4, 8, 100));
    const free = stiffeningOf(cartoon, 'lead', []);
    expect(free.hinges).toHaveLength(3 + 7);
    expect(free.hinges.every((hinge) => !hinge.isHeld)).toBe(true);
    const held = stiffeningOf(cartoon, 'lead', [400]);
    expect(held.hinges.filter((hinge) => hinge.isHeld)).toHaveLength(3 + 1);
    expect(stiffeningOf(drawn(courses(5, 6)), 'lead', []).hinges.every(({ from, to }) => from[1] === to[1])).toBe(true);
  });
});

describe('edges and fitting', () => {
  it('small foil keeps its beaded rim, larger foil gets zinc, lead gets lead, the largest a frame', () => {
    const size = (mm: number) => ({ widthMm: mm, heightMm: mm });
    expect(edgeFor('foil', size(200), 'hung', false).edge).toBe('bare');
    expect(edgeFor('foil', size(400), 'hung', false).edge).toBe('zinc');
    expect(edgeFor('lead', size(400), 'hung', false).edge).toBe('lead');
    expect(edgeFor('foil', size(900), 'hung', true).edge).toBe('frame');
    expect(edgeFor('foil', size(900), 'fitted', true).edge).toBe('lead');
  });
  it('a frame leaves play all round and stands its panel on blocks at the quarter points', () => {
    expect(frameFor(394, 600, 6)).toEqual({ widthMm: 400, heightMm: 606, depthMm: 14, blocksMm: [100, 300] });
  });
  it('a foot is as deep as its height asks: pushed by ten degrees the weight is still over it', () => {
    const depth = footDepth(300);
    expect((Math.atan(depth / 2 / 300) * 180) / Math.PI).toBeCloseTo(10, 9);
  });
  it('play is even from side to side and never more than there is', () => {
    expect(playIn({ widthMm: 406, heightMm: 608 }, { widthMm: 400, heightMm: 600 })).toEqual({
      leftMm: 3,
      rightMm: 3,
      topMm: 5,
      bottomMm: 3,
    });
    const tight = playIn({ widthMm: 399, heightMm: 602 }, { widthMm: 400, heightMm: 600 });
    expect(tight).toEqual({ leftMm: -0.5, rightMm: -0.5, topMm: 1, bottomMm: 1 });
  });
  it('every place has its steps and tools; where glass hurts people the caution comes before the panel', () => {
    for (const place of SPOTS) {
      const plan = { ...USUAL_FINISH, hold: 'fitted' as const, place, bars: [300], hasOuterGlass: true };
      const steps = fittingSteps(plan);
      expect(steps.length).toBeGreaterThan(7);
      expect(fittingTools(plan).join()).toMatch(/bars and tie wires/);
      const caution = placeCaution(plan);
      if (caution !== null) {
        expect(caution).toMatch(/rules|qualified/);
        expect(steps.findIndex((one) => one.caution === caution)).toBeLessThan(
          steps.findIndex((one) => /Dry-fit/.test(one.says)),
        );
      }
    }
    expect(placeCaution({ place: 'overhead' })).not.toBeNull();
    expect(placeCaution({ place: 'inside' })).toBeNull();
    for (const hold of ['hung', 'stood'] as const)
      expect(
        fittingSteps({ ...USUAL_FINISH, hold })
          .map((one) => one.says)
          .join(),
      ).not.toMatch(/rebate/);
  });
});

describe('an opening of several lights', () => {
  const light = (name: string, tier: number, widthMm: number, playMm: number | null) => ({
    id: name,
    name,
    tier,
    widthMm,
    playMm,
  });
  const names = (lights: Parameters<typeof fittingOrder>[0]) => fittingOrder(lights).lights.map(({ name }) => name);

  it('row by row from the top, in the lowest the one with the most play last', () => {
    const lights = [light('A', 2, 300, 4), light('B', 2, 300, 9), light('C', 2, 300, 5), light('rose', 1, 500, 20)];
    expect(names(lights)).toEqual(['rose', 'A', 'C', 'B']);
    expect(fittingOrder(lights).last).toBe('most-play');
  });
  it('where not all openings are measured, the widest; one alone in its row is simply last', () => {
    const lights = [light('A', 1, 420, null), light('B', 1, 300, 9), light('C', 1, 300, 5)];
    expect(names(lights)).toEqual(['B', 'C', 'A']);
    expect(fittingOrder(lights).last).toBe('widest');
    expect(fittingOrder([light('A', 1, 1, 1), light('B', 3, 1, 1)]).last).toBe('alone');
    expect(names([])).toEqual([]);
  });
  it('each light stands in the order once, however they are given', () => {
    const random = seededRandom(4);
    for (let i = 0; i < 40; i++) {
      const lights = Array.from({ length: 1 + Math.floor(random() * 7) }, (_, k) =>
        light(`${k}`, 1 + Math.floor(random() * 3), 100 + random(), random() < 0.3 ? null : random() * 9),
      );
      const order = fittingOrder(lights).lights;
      expect([...order].sort((a, b) => a.name.localeCompare(b.name))).toEqual(lights);
      expect(order.every(({ tier }, k) => tier >= (order[k - 1]?.tier ?? 0))).toBe(true);
    }
  });
});

it('glass outside: 4 mm at half a square metre weighs 5 kg by 2.5 g/cm³ (EN 572-1); the largest is for others to say', () => {
  expect(outerGlassFor(1000, 500)).toMatchObject({ thicknessMm: 4, massKg: 5 });
  expect(outerGlassFor(1000, 1500)).toMatchObject({ thicknessMm: 6, massKg: 22.5 });
  expect(outerGlassFor(2000, 1000)).toMatchObject({ thicknessMm: null, massKg: null });
});

it('a heavier shade wants a larger cap, arms across it, and a chain for five times its weight', () => {
  expect(lampFitting(1200, 300)).toEqual({ spider: 'cap', capMm: 50, ratedKg: 6, baseKg: 1.2, baseMm: 180 });
  // Six sides drawn in a row stand up to a ring of a third of their width.
  expect(lampFitting(1200, 600, 6).baseMm).toBeCloseTo((0.6 * 600) / 3.14159, 2);
  const caps = [1, 3, 6, 12].map((kg) => lampFitting(kg * 1000, 400));
  expect(caps.map(({ capMm }) => capMm)).toEqual([50, 75, 100, 125]);
  expect(caps.map(({ spider }) => spider)).toEqual(['cap', 'three arms', 'three arms', 'six arms']);
  expect(fittingSteps({ ...USUAL_FINISH, hold: 'lamp' }).some(({ caution }) => caution?.includes('electrician'))).toBe(
    true,
  );
});
