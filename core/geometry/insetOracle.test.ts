import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import GeometryFactory from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
import BufferOp from 'jsts/org/locationtech/jts/operation/buffer/BufferOp.js';
import BufferParameters from 'jsts/org/locationtech/jts/operation/buffer/BufferParameters.js';
import { describe, expect, it } from 'vitest';
import { nth, pointAt, seededRandom } from '../units/index.ts';
import { areaOfRings, cutAway, insetRegion, mitredInset, signedArea, type Point, type Ring } from './index.ts';

/** Nothing may lie nearer to a line than it asks for by more than this. */
const NEAR_MM = 0.05;

/** A ring with many spikes and bays, none of which crosses another: radii at random round a middle. */
function spiky(random: () => number, least: number): Point[] {
  const n = 5 + Math.floor(26 * random());
  return Array.from({ length: n }, (_, k): Point => {
    const a = (2 * Math.PI * k) / n;
    const r = least + 40 * random();
    return [60 + r * Math.cos(a), 60 + r * Math.sin(a)];
  });
}

const distance = ([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(px - ax - t * dx, py - ay - t * dy);
};

function* along(ring: Ring): Generator<Point> {
  for (let i = 0; i < ring.length; i++) {
    const [ax, ay] = pointAt(ring, i);
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    for (let k = 0; k < 4; k++) yield [ax + ((bx - ax) * k) / 4, ay + ((by - ay) * k) / 4];
  }
}

const isInside = ([x, y]: Point, ring: Ring): boolean => {
  let inside = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [ax, ay] = pointAt(ring, i);
    const [bx, by] = pointAt(ring, j);
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
};

/** How much nearer than it may the nearest point of an outline lies to a line of the piece. */
function tooNear(ring: Ring, byMm: readonly number[], outlines: readonly Ring[]): number {
  let worst = -Infinity;
  for (const outline of outlines)
    for (const point of along(outline)) {
      let nearest = Infinity;
      for (let i = 0; i < ring.length; i++) {
        const mm = distance(point, pointAt(ring, i), pointAt(ring, (i + 1) % ring.length));
        nearest = Math.min(nearest, mm);
        worst = Math.max(worst, nth(byMm, i) - mm);
      }
      if (nearest > NEAR_MM && !isInside(point, ring)) worst = Math.max(worst, nearest);
    }
  return worst;
}

/** Area of what JTS leaves of a ring drawn in evenly. Without a limit of mitres its corners are round: no more can be left. */
function oracleArea(ring: Ring, d: number, mitreLimit: number | null): number {
  const factory = new GeometryFactory();
  const shell = [...ring, pointAt(ring, 0)].map(([x, y]) => new Coordinate(x, y));
  const params =
    mitreLimit === null
      ? new BufferParameters(32)
      : new BufferParameters(8, BufferParameters.CAP_ROUND, BufferParameters.JOIN_MITRE, mitreLimit);
  return BufferOp.bufferOp(factory.createPolygon(shell), -d, params).getArea();
}

/** Four corners or so, each side a bow of a dozen chords to either side. */
function bowed(random: () => number, sizeMm: number): Ring {
  const n = 3 + Math.floor(random() * 3);
  const corners = Array.from({ length: n }, (_, k): Point => {
    const [angle, r] = [((k + 0.5 * random()) / n) * 2 * Math.PI, sizeMm * (0.5 + 0.5 * random())];
    return [r * Math.cos(angle), r * Math.sin(angle)];
  });
  return corners.flatMap(([ax, ay], k) => {
    const [bx, by] = pointAt(corners, (k + 1) % n);
    const bow = 0.35 * (random() - 0.5);
    return Array.from({ length: 12 }, (_, i): Point => {
      const t = i / 12;
      const off = 4 * t * (1 - t) * bow;
      return [ax + (bx - ax) * t - (by - ay) * off, ay + (by - ay) * t + (bx - ax) * off];
    });
  });
}

const quickly = (ring: Ring, byMm: readonly number[]): Ring[] => {
  const quick = mitredInset(ring, byMm);
  return quick ? [quick] : [];
};

describe('the quick inset over random re-entrant shapes', () => {
  it.each([0.4, 1.05, 4.05])('drawn in by %d mm: never nearer, never turned over, as large as JTS says', (d) => {
    const random = seededRandom(Math.round(d * 100));
    let answered = 0;
    for (let i = 0; i < 1700; i++) {
      const ring = spiky(random, i % 2 === 0 ? 8 : 2);
      const even = ring.map(() => d);
      const outlines = quickly(ring, even);
      if (outlines.length === 0) continue;
      answered++;
      expect(tooNear(ring, even, outlines)).toBeLessThan(NEAR_MM);
      expect(Math.sign(signedArea(nth(outlines, 0)))).toBe(Math.sign(signedArea(ring)));
      if (i % 10 === 0) expect(Math.abs(areaOfRings(outlines) - oracleArea(ring, d, 4))).toBeLessThan(0.5);
    }
    // At 4 mm nearly every spike is eaten, and the general offset has to do it.
    expect(answered).toBeGreaterThan(d < 1 ? 400 : d < 2 ? 100 : 1);
  });
  it.each([0.4, 1.05, 2.4, 4.05])('bowed sides of short chords drawn in by %d mm: as large as JTS says', (d) => {
    const random = seededRandom(Math.round(d * 70));
    let answered = 0;
    for (let i = 0; i < 500; i++) {
      const ring = bowed(random, 8 + 30 * random());
      const even = ring.map(() => d);
      const outlines = quickly(ring, even);
      if (outlines.length === 0) continue;
      answered++;
      expect(tooNear(ring, even, outlines)).toBeLessThan(NEAR_MM);
      expect(Math.abs(areaOfRings(outlines) - oracleArea(ring, d, 4))).toBeLessThan(0.1);
    }
    expect(answered).toBeGreaterThan(d < 2 ? 350 : 100);
  });
  it('with another measure at each line: never nearer to any of them', () => {
    const random = seededRandom(5);
    let answered = 0;
    for (let i = 0; i < 2000; i++) {
      const ring = spiky(random, i % 2 === 0 ? 20 : 4);
      const byMm = ring.map(() => [0, 0.4, 1.05, 4.05][Math.floor(4 * random())] ?? 0);
      const outlines = quickly(ring, byMm);
      if (outlines.length > 0) answered++;
      expect(tooNear(ring, byMm, outlines)).toBeLessThan(NEAR_MM);
    }
    expect(answered).toBeGreaterThan(0);
  });
});

describe('the general offset over the same', () => {
  it.each([0.4, 1.05, 4.05])('drawn in by %d mm', (d) => {
    const random = seededRandom(Math.round(d * 1000));
    for (let i = 0; i < 300; i++) {
      const ring = spiky(random, 4);
      const outlines = insetRegion([ring], d);
      const even = ring.map(() => d);
      expect(tooNear(ring, even, outlines)).toBeLessThan(NEAR_MM);
      // Where a mitre would run too far both cut it off, each in its own way.
      const area = areaOfRings(outlines);
      expect(area).toBeLessThan(oracleArea(ring, d, null) + 0.5);
      expect(area).toBeGreaterThan(oracleArea(ring, d, 40) - 0.5);
    }
  });
  it('edge by edge', () => {
    const random = seededRandom(17);
    for (let i = 0; i < 300; i++) {
      const ring = spiky(random, 4);
      const byMm = ring.map(() => [0, 0.4, 1.05, 4.05][Math.floor(4 * random())] ?? 0);
      const strips = byMm.map((halfMm, k) => ({
        points: [pointAt(ring, k), pointAt(ring, (k + 1) % ring.length)],
        halfMm,
      }));
      expect(tooNear(ring, byMm, cutAway([ring], strips))).toBeLessThan(NEAR_MM);
    }
  });
});
