import { describe, expect, it } from 'vitest';
import { checkMap, facesOf, intersection, areaOfRings, regionContains } from '../geometry/index.ts';
import {
  makeCartoon,
  pieceRings,
  readCartoon,
  readSvg,
  type CartoonPiece,
  type CartoonReading,
  type RawDrawing,
} from '../cartoon/index.ts';
import { TOLERANCE } from '../limits/index.ts';
import { seededRandom } from '../units/index.ts';
import { atlasNet, atlasRegions, data, type AtlasName } from './atlases.ts';
import { oracleAreas } from './oracle.ts';
import { doc, paneNet } from './panels.ts';

const lines = (svg: string): RawDrawing => {
  const raw = readSvg(svg);
  if ('refusal' in raw) throw new Error(raw.refusal);
  return raw;
};
const sound = (reading: ReturnType<typeof makeCartoon>): CartoonReading => {
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading;
};
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

describe('real planar maps, beside a general planar-geometry library', () => {
  it.each([
    ['states', 0],
    ['counties', 0],
    // Of the coarse world map, whose borders cross a little, one sliver of 0.00006 mm² is thinner than our grid.
    ['countries', 1],
  ] as [AtlasName, number][])('%s: the same regions and areas', (name, may) => {
    const raw = lines(atlasNet(name).svg);
    const { cartoon } = sound(makeCartoon(raw, { snapMm: 0 }));
    const areas = cartoon.pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
    const expected = oracleAreas(raw.lines);
    expect(Math.abs(areas.length - expected.length)).toBeLessThanOrEqual(may);
    expect(Math.abs(sum(areas) - sum(expected))).toBeLessThan(may === 0 ? 1e-3 : 0.05);
    if (may === 0) areas.forEach((area, i) => expect(Math.abs(area - (expected[i] as number))).toBeLessThan(0.01));
    expect(checkMap(cartoon.map, facesOf(cartoon.map))).toEqual([]);
  });
  it('states with the usual tolerance: a clean drawing loses no islet', () => {
    expect(sound(makeCartoon(lines(atlasNet('states').svg))).cartoon.pieces).toHaveLength(197);
  });
  it.each([
    ['counties', 'net', 0.4],
    ['counties', 'regions', 1],
    ['counties', 'net', 2],
    ['countries', 'net', 1],
    ['countries', 'regions', 0.7],
  ] as const)(
    '%s as %s at %d times the size: with the usual tolerance no two regions become one',
    (name, kind, size) => {
      const all =
        kind === 'net' ? atlasNet(name).lines.map((line) => data(line)) : atlasRegions(name).map((r) => data(r, 'Z'));
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${975 * size}mm" height="${610 * size}mm" viewBox="0 0 975 610"><g fill="none" stroke="black">${all.map((d) => `<path d="${d}"/>`).join('')}</g></svg>`;
      const exact = sound(readCartoon(svg, { snapMm: 0 })).cartoon;
      const usual = sound(readCartoon(svg)).cartoon;
      const regions = usual.pieces.map((p) => pieceRings(usual, p));
      // Whatever else a map has is thinner than a line of lead.
      const isGlass = (p: CartoonPiece) => p.areaMm2 > 4 && (2 * p.areaMm2) / p.perimeterMm > TOLERANCE.snapMm;
      const places = exact.pieces.filter(isGlass).map((p) => p.labelAt);
      const homes = places.map((at) => regions.findIndex((rings) => regionContains(rings, at)));
      expect(homes.filter((home) => home < 0)).toEqual([]);
      expect(new Set(homes).size).toBe(places.length);
    },
  );
  it('states drawn region by region, every border twice, are the same map', () => {
    const svg = doc(
      975,
      610,
      atlasRegions('states')
        .map((ring) => `<path d="${data(ring, 'Z')}"/>`)
        .join(''),
    );
    const { cartoon } = sound(makeCartoon(lines(svg), { snapMm: 0 }));
    const net = sound(makeCartoon(lines(atlasNet('states').svg), { snapMm: 0 })).cartoon;
    expect(cartoon.pieces).toHaveLength(net.pieces.length);
    expect(sum(cartoon.pieces.map((p) => p.areaMm2))).toBeCloseTo(sum(net.pieces.map((p) => p.areaMm2)), 1);
  });
  it('panes, straight and curved, as the library finds them', () => {
    for (const curved of [false, true]) {
      const raw = lines(paneNet(12, 9, 25, { curved, seed: 4 }));
      const areas = sound(makeCartoon(raw))
        .cartoon.pieces.map((p) => p.areaMm2)
        .sort((a, b) => a - b);
      const expected = oracleAreas(raw.lines);
      expect(areas).toHaveLength(expected.length);
      areas.forEach((area, i) => expect(Math.abs(area - (expected[i] as number))).toBeLessThan(0.01));
    }
  });
});

describe('drawings in any order and position', () => {
  const SEEDS = [1, 2, 3, 4, 5, 6];
  /** Straight sticks across a rectangle: a random panel. */
  const sticks = (seed: number) => {
    const random = seededRandom(seed);
    return Array.from({ length: 24 }, () => {
      const side = random() < 0.5;
      return side
        ? ([
            [0, random() * 200],
            [300, random() * 200],
          ] as const)
        : ([
            [random() * 300, 0],
            [random() * 300, 200],
          ] as const);
    });
  };
  const svgOf = (all: readonly (readonly (readonly number[])[])[], transform = '') =>
    doc(
      600,
      600,
      `<g transform="${transform}"><path d="M0 0H300V200H0Z"/>${all.map(([a, b]) => `<path d="M${a?.join(' ')}L${b?.join(' ')}"/>`).join('')}</g>`,
    );
  const areasOf = (svg: string) =>
    sound(readCartoon(svg, { snapMm: 0 }))
      .cartoon.pieces.map((p) => p.areaMm2)
      .sort((a, b) => a - b);
  it.each(SEEDS)('random panel %d: Euler holds, areas add up, no two pieces overlap, all sides known', (seed) => {
    const { cartoon } = sound(readCartoon(svgOf(sticks(seed)), { snapMm: 0 }));
    expect(checkMap(cartoon.map)).toEqual([]);
    expect(sum(cartoon.pieces.map((p) => p.areaMm2))).toBeCloseTo(60_000, 3);
    const byNumber = new Map(cartoon.pieces.map((p) => [p.number, p]));
    for (const piece of cartoon.pieces.slice(0, 40)) {
      for (const other of piece.neighbours) {
        const both = intersection(pieceRings(cartoon, piece), pieceRings(cartoon, byNumber.get(other) as typeof piece));
        expect(areaOfRings(both)).toBeLessThan(0.01);
      }
    }
  });
  it.each(SEEDS)('random panel %d: shuffled and turned, the same pieces', (seed) => {
    const all = sticks(seed);
    const random = seededRandom(seed + 100);
    const shuffled = [...all]
      .map((line) => [random(), line] as const)
      .sort((a, b) => a[0] - b[0])
      .map(([, line]) => line);
    const reversed = shuffled.map(([a, b]) => [b, a] as const);
    const expected = areasOf(svgOf(all));
    const turned = areasOf(svgOf(reversed, 'translate(220 20) rotate(33)'));
    expect(areasOf(svgOf(reversed))).toHaveLength(expected.length);
    expect(turned).toHaveLength(expected.length);
    turned.forEach((area, i) => expect(Math.abs(area - (expected[i] as number))).toBeLessThan(0.05));
  });
});
