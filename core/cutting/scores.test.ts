import { describe, expect, it } from 'vitest';
import { DEFAULT_LIMITS } from '../limits/index.ts';
import { nth, pointAt, seededRandom } from '../units/index.ts';
import { cutAway, perimeter, poleOf, signedArea, type Point, type Ring } from '../geometry/index.ts';
import { planScores, type ScorePlan } from './index.ts';

/** No score may enter the piece further, nor end further from the edge of the glass that is left. */
const PROMISED_MM = 0.05;

/** Playing a hundred shapes through by other means takes long. */
const LONG_MS = 120_000;

const clockwise = (ring: Ring): Ring => (signedArea(ring) > 0 ? ring : [...ring].reverse());
const clean = (ring: Ring): Ring =>
  ring.filter(
    (p, i) =>
      Math.hypot(p[0] - pointAt(ring, (i + 1) % ring.length)[0], p[1] - pointAt(ring, (i + 1) % ring.length)[1]) > 1e-6,
  );
const arc = (cx: number, cy: number, r: number, from: number, to: number, n = 40): Point[] =>
  Array.from({ length: n + 1 }, (_, k) => {
    const t = ((from + ((to - from) * k) / n) * Math.PI) / 180;
    return [cx + r * Math.cos(t), cy + r * Math.sin(t)];
  });
const polar = (radius: (t: number) => number, n = 160): Point[] =>
  Array.from({ length: n }, (_, k) => {
    const t = (k * 2 * Math.PI) / n;
    return [radius(t) * Math.cos(t), radius(t) * Math.sin(t)];
  });
const polygon = (radii: readonly number[]): Point[] =>
  radii.map((r, k): Point => {
    const t = (k * 2 * Math.PI) / radii.length - Math.PI / 2;
    return [r * Math.cos(t), r * Math.sin(t)];
  });
/** A band of even width along a curve. */
const band = (along: (t: number) => Point, widthMm: number, n = 80): Point[] => {
  const sides = [-1, 1].map((side) =>
    Array.from({ length: n + 1 }, (_, i): Point => {
      const t = i / n;
      const [[ax, ay], [bx, by]] = [along(t - 1e-4), along(t + 1e-4)];
      const mm = Math.hypot(bx - ax, by - ay);
      const [x, y] = along(t);
      return [x - (side * widthMm * (by - ay)) / (2 * mm), y + (side * widthMm * (bx - ax)) / (2 * mm)];
    }),
  );
  return [...nth(sides, 0), ...nth(sides, 1).reverse()];
};

const crescent = (): Point[] => {
  const [R, r, d] = [40, 34, 18];
  const x = (R * R - r * r + d * d) / (2 * d);
  const y = Math.sqrt(R * R - x * x);
  const [outer, inner] = [(Math.atan2(y, x) * 180) / Math.PI, (Math.atan2(y, x - d) * 180) / Math.PI];
  return [...arc(0, 0, R, outer, 360 - outer, 60), ...arc(d, 0, r, 360 - inner, inner, 60)];
};

const SHAPES: Readonly<Record<string, Ring>> = {
  heart: Array.from({ length: 160 }, (_, k): Point => {
    const t = (k * 2 * Math.PI) / 160;
    return [
      32 * Math.sin(t) ** 3,
      -2 * (13 * Math.cos(t) - 5 * Math.cos(2 * t) - 2 * Math.cos(3 * t) - Math.cos(4 * t)),
    ];
  }),
  crescent: crescent(),
  star: polygon([40, 16, 40, 16, 40, 16, 40, 16, 40, 16]),
  'gothic arch': [...arc(40, 0, 60, 180, 228.19, 30), ...arc(-40, 0, 60, -48.19, 0, 30), [20, 60], [-20, 60]],
  leaf: [...arc(0, 38.3, 50, -140, -40), ...arc(0, -26, 50, 40, 140)],
  wave: [-1, 1].flatMap((side) => {
    const bow = Array.from({ length: 81 }, (_, i): Point => [
      1.5 * i,
      10 * Math.sin((i / 80) * 4 * Math.PI) + 12 * side,
    ]);
    return side < 0 ? bow : bow.reverse();
  }),
  keyhole: [...arc(0, -20, 20, 120, 420, 50), [18, 40], [-18, 40]],
  boomerang: [
    [-50, -30],
    [0, -15],
    [50, -30],
    [10, 20],
    [-10, 20],
  ],
  pear: polar((t) => 30 + 8 * Math.cos(2 * t) + 6 * Math.cos(t)),
  S: band(
    (t) =>
      t < 0.5
        ? [-30 * Math.cos(2 * Math.PI * t), -30 * Math.sin(2 * Math.PI * t)]
        : [60 - 30 * Math.cos(2 * Math.PI * (t - 0.5)), 30 * Math.sin(2 * Math.PI * (t - 0.5))],
    20,
  ),
};

const FAMILIES: Readonly<Record<string, (random: () => number) => Ring>> = {
  petals: (random) => {
    const [k, a, b, turn] = [2 + Math.floor(random() * 4), 0.1 + random() * 0.3, random() * 0.15, random() * 6];
    return polar((t) => 30 * (1 + a * Math.cos(k * t) + b * Math.cos((k + 1) * t + turn)), 120);
  },
  're-entrant polygons': (random) =>
    polygon(Array.from({ length: 5 + Math.floor(random() * 6) }, () => 15 + 35 * random())),
  'S-shaped bands': (random) => {
    const [high, long, often, wide] = [5 + random() * 15, 80 + random() * 80, 1 + random() * 1.5, 12 + random() * 15];
    const bow = (side: number) =>
      Array.from({ length: 41 }, (_, i): Point => [
        (long * i) / 40,
        high * Math.sin((i / 40) * often * 2 * Math.PI) + (side * wide) / 2,
      ]);
    return [...bow(-1), ...bow(1).reverse()];
  },
  'sickles and lenses': (random) => {
    const upper = 5 + random() * 25;
    const lower = upper - 8 - random() * 20;
    const bow = (high: number) =>
      Array.from({ length: 41 }, (_, i): Point => [-25 + 1.25 * i, -high * (1 - (i / 20 - 1) ** 2)]);
    return [...bow(upper), ...bow(lower).reverse().slice(1, -1)];
  },
};

/** As it comes from a tracing: a point every half millimetre, each a little off. */
function traced(ring: Ring, random: () => number): Ring {
  const points = sampled([...ring, pointAt(ring, 0)], 0.5);
  return points.map(([x, y]): Point => [x + (random() - 0.5) * 0.06, y + (random() - 0.5) * 0.06]);
}

const distance = ([px, py]: Point, [ax, ay]: Point, [bx, by]: Point): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(px - ax - t * dx, py - ay - t * dy);
};
const toBorder = (point: Point, ring: Ring): number =>
  ring.reduce((best, a, i) => Math.min(best, distance(point, a, pointAt(ring, (i + 1) % ring.length))), Infinity);
const isIn = ([x, y]: Point, ring: Ring): boolean =>
  ring.reduce((inside, [ax, ay], i) => {
    const [bx, by] = pointAt(ring, (i + 1) % ring.length);
    return ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax ? !inside : inside;
  }, false);
const sampled = (path: readonly Point[], everyMm: number): Point[] =>
  path.slice(1).flatMap((b, i) => {
    const a = nth(path, i);
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / everyMm));
    return Array.from({ length: steps }, (_, k): Point => [
      a[0] + ((b[0] - a[0]) * (k + 0.5)) / steps,
      a[1] + ((b[1] - a[1]) * (k + 0.5)) / steps,
    ]);
  });

/** The parts of a ring on both sides of a line across it, less a hair's breadth (by a library for polygons). */
function parted(ring: Ring, path: readonly Point[]): Ring[] {
  const beyond = (a: Point, b: Point): Point => {
    const mm = Math.hypot(a[0] - b[0], a[1] - b[1]) || 1;
    return [a[0] + (0.01 * (a[0] - b[0])) / mm, a[1] + (0.01 * (a[1] - b[1])) / mm];
  };
  const n = path.length;
  const long = [beyond(nth(path, 0), nth(path, 1)), ...path, beyond(nth(path, n - 1), nth(path, n - 2))];
  return cutAway([ring], [{ points: long, halfMm: 0.001 }]);
}

/** Whether a part goes straight away from another in some direction: no place of its border meets it on the way. */
function comesOff(part: Ring, rest: Ring): boolean {
  const places = sampled([...part, pointAt(part, 0)], 1.5).filter((p) => toBorder(p, rest) > 0.03 || !isIn(p, rest));
  return Array.from({ length: 72 }, (_, k) => (k * Math.PI) / 36).some((angle) => {
    const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
    return places.every(([x, y]) => {
      // Along the way there is nothing of the rest deeper than a scratch.
      const meets = [0.0];
      rest.forEach(([ax, ay], i) => {
        const [bx, by] = pointAt(rest, (i + 1) % rest.length);
        const cross = dx * (by - ay) - dy * (bx - ax);
        const t = ((ax - x) * (by - ay) - (ay - y) * (bx - ax)) / cross;
        const u = ((ax - x) * dy - (ay - y) * dx) / cross;
        if (t > 0 && u >= 0 && u <= 1) meets.push(t);
      });
      meets.sort((a, b) => a - b);
      return meets.slice(1).every((t, i) => {
        const half = (t + nth(meets, i)) / 2;
        const middle: Point = [x + dx * half, y + dy * half];
        return !isIn(middle, rest) || toBorder(middle, rest) < 0.06;
      });
    });
  });
}

/** Plays a plan through on the glass and tells the first thing that does not hold. */
function faultOf(ring: Ring, { blank, scores, stuck }: ScorePlan, isPullSeen: boolean): string | null {
  const { at: inside } = poleOf([ring], 0.1);
  let glass: Ring = blank;
  const kinds = scores.map((s) => s.kind);
  if (kinds.lastIndexOf('inside') > kinds.findIndex((k) => k !== 'inside') && kinds.some((k) => k !== 'inside'))
    return 'an inside bend after others';
  for (const [number, { points, reliefs }] of scores.entries()) {
    for (const path of [...reliefs, points]) {
      const enters = sampled(path, 0.4).find((p) => isIn(p, ring) && toBorder(p, ring) > PROMISED_MM);
      if (enters) return `score ${number} enters at ${enters.join()}`;
      for (const end of [nth(path, 0), nth(path, path.length - 1)])
        if (toBorder(end, glass) > PROMISED_MM) return `score ${number} ends in the glass at ${end.join()}`;
      const parts = parted(glass, path);
      const rest = parts.find((part) => isIn(inside, part));
      if (!rest || parts.length < 2) return `score ${number} parts nothing`;
      const waste = parts.filter((part) => part !== rest && Math.abs(signedArea(part)) > 0.5);
      if (isPullSeen && !waste.every((part) => comesOff(part, rest))) return `the waste of score ${number} is held`;
      glass = rest;
    }
  }
  const off = Math.abs(signedArea(glass)) - signedArea(ring);
  return stuck.length === 0 && Math.abs(off) > PROMISED_MM * perimeter(ring) ? `${off} mm² left over` : null;
}

describe('the order of scores', () => {
  it.each(Object.entries(SHAPES))(
    '%s: from edge to edge, out of the piece, and all of the waste comes off',
    (_, shape) => {
      const ring = clockwise(clean(shape));
      const plan = planScores(ring, DEFAULT_LIMITS);
      expect(plan.stuck).toEqual([]);
      expect(faultOf(ring, plan, true)).toBeNull();
    },
  );
  it.each(Object.entries(FAMILIES))('125 %s', { timeout: LONG_MS }, (_, family) => {
    const random = seededRandom(11);
    const faults: string[] = [];
    for (let k = 0; k < 125; k++) {
      const ring = clockwise(family(random));
      const plan = planScores(ring, DEFAULT_LIMITS);
      const fault = plan.stuck.length > 0 ? 'stuck' : faultOf(ring, plan, k % 12 === 0);
      if (fault) faults.push(`${k}: ${fault}`);
    }
    expect(faults).toEqual([]);
  });
  it('outlines that are traced, and not quite smooth', () => {
    const random = seededRandom(23);
    const faults: string[] = [];
    for (let k = 0; k < 24; k++) {
      const plain = Object.values(FAMILIES)[k % 4]?.(random) ?? [];
      const quad: Ring = [
        [0, 0],
        [40 + 20 * random(), 10 * random()],
        [50 + 20 * random(), 40 + 20 * random()],
        [10 * random(), 45],
      ];
      const ring = clockwise(traced(k % 3 === 0 ? plain : quad, random));
      const plan = planScores(ring, DEFAULT_LIMITS);
      const fault = plan.stuck.length > 0 ? 'stuck' : faultOf(ring, plan, false);
      if (fault) faults.push(`${k}: ${fault}`);
      if (k % 3 !== 0 && plan.scores.length > 8) faults.push(`${k}: ${plan.scores.length} scores for four sides`);
    }
    expect(faults).toEqual([]);
  });
  it('16 long S-shaped strips that are traced', { timeout: LONG_MS }, () => {
    const random = seededRandom(77);
    const faults: string[] = [];
    for (let k = 0; k < 16; k++) {
      const ring = clockwise(traced(FAMILIES['S-shaped bands']?.(random) ?? [], random));
      const plan = planScores(ring, DEFAULT_LIMITS);
      const fault = plan.stuck.length > 0 ? 'stuck' : faultOf(ring, plan, false);
      if (fault) faults.push(`${k}: ${fault}`);
    }
    expect(faults).toEqual([]);
  });
  it('what the mouth of a keyhole bay holds is told, not scored', () => {
    const bay = arc(0, -10, 20.4, -101, -439, 60);
    const ring = clockwise([[-40, -40], [-4, -40], ...bay, [4, -40], [40, -40], [40, 40], [-40, 40]]);
    const plan = planScores(ring, DEFAULT_LIMITS);
    expect(plan.stuck.length).toBeGreaterThan(0);
    expect(faultOf(ring, plan, true)).toBeNull();
    expect(plan.scores.some((s) => s.kind === 'inside')).toBe(false);
  });
  it('the deepest inside bend comes first, in slices as deep as the studio runs them', () => {
    const bow = (deep: number) =>
      Array.from({ length: 31 }, (_, k): Point => [
        30 - 15 * Math.cos((k / 30) * Math.PI),
        deep * Math.sin((k / 30) * Math.PI),
      ]);
    const ring: Ring = [[0, 0], ...bow(12), [60, 0], [60, 60], [45, 60], [30, 55], [15, 60], [0, 60]];
    const passes = (sliceMm: number) => nth(planScores(ring, { sliceMm }).scores, 0).passes;
    expect([passes(12.01), passes(11.99), passes(4.01), passes(3.99)]).toEqual([1, 2, 3, 4]);
    const kinds = planScores(ring, DEFAULT_LIMITS).scores.map((s) => s.kind);
    expect(kinds.slice(0, 3)).toEqual(['inside', 'inside', 'straight']);
  });
  it('a closed outside curve is several scores, none of which turns much more than a right angle', () => {
    for (const ring of [polar(() => 20, 90), polar(() => 20, 90).map(([x, y]): Point => [3 * x, y])]) {
      const { scores } = planScores(ring, DEFAULT_LIMITS);
      expect(scores.length).toBeGreaterThan(2);
      expect(scores.every((s) => s.kind === 'outside')).toBe(true);
    }
  });
  it('two straight sides that form a notch are one inside bend', () => {
    const { scores } = planScores(
      [
        [0, 0],
        [20, 0],
        [30, 30],
        [40, 0],
        [60, 0],
        [60, 50],
        [0, 50],
      ],
      DEFAULT_LIMITS,
    );
    expect(scores[0]).toMatchObject({
      kind: 'inside',
      along: [
        [20, 0],
        [30, 30],
        [40, 0],
      ],
    });
  });
});
