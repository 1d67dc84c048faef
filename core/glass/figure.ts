import { seededRandom } from '#core/units';
import type { Texture } from '#core/stock';
import { dragged, each, noise, rounds, sample, strewn, type Field } from './field.ts';

/** What runs through the body of a glass, each from 0 to 1 (thickness about 1). */
export interface Figure {
  /** How much of the second colour. */
  readonly second: Field;
  /** How much milk, that scatters the light. */
  readonly milk: Field;
  /** Thickness of the colour: 1 is the nominal one. */
  readonly depth: Field;
}

const clamp = (value: number) => Math.max(0, Math.min(1, value));
/** From 0 to 1 between two values, without a corner. */
const ramp = (from: number, to: number, value: number): number => {
  const part = clamp((value - from) / (to - from));
  return part * part * (3 - 2 * part);
};

/** Currents of molten glass: long grain dragged by slower grain. The flow runs from left to right. */
function current(size: number, mm: number, seed: number, hillMm: number, stretch: number, layers: number): Field {
  const grain = (s: number, hill: number, long: number, n: number): Field =>
    noise(size, seed + s, {
      across: Math.max(2, Math.round(mm / (hill * long))),
      down: Math.max(2, Math.round(mm / hill)),
      layers: n,
      gain: 0.55,
    });
  const far = (size / mm) * hillMm;
  return dragged(
    grain(1, hillMm, stretch, layers),
    grain(2, hillMm * 3, 2, 2),
    grain(3, hillMm * 2.4, 2.4, 2),
    far * 1.6,
    far * 0.9,
  );
}

/** Flakes as thin as paper, and threads, both laid on while it was soft. */
function flakesAndThreads(size: number, mm: number, seed: number): Field {
  const random = seededRandom(seed + 5);
  const dots = size / mm;
  const at = new Float32Array(size * size);
  const wrap = (n: number) => ((Math.round(n) % size) + size) % size;
  const put = (x: number, y: number, much: number) => {
    const k = wrap(y) * size + wrap(x);
    at[k] = Math.max(at[k] ?? 0, much);
  };
  for (let i = 0; i < (mm * mm) / 900; i++) {
    // A flake: a few half planes round a middle.
    const [fx, fy] = [random() * size, random() * size];
    const r = (3 + 7 * random()) * dots;
    const sides = Array.from(
      { length: 5 },
      (_, s) => [(s + 0.7 * random()) * 1.2566, r * (0.45 + 0.55 * random())] as const,
    );
    const much = 0.35 + 0.5 * random();
    for (let y = -r; y <= r; y++)
      for (let x = -r; x <= r; x++) {
        const inside = sides.every(([turn, far]) => x * Math.cos(turn) + y * Math.sin(turn) < far);
        if (inside) put(fx + x, fy + y, much);
      }
  }
  for (let i = 0; i < mm / 14; i++) {
    let [x, y, turn] = [random() * size, random() * size, random() * 6.283];
    const bend = (random() - 0.5) * 0.02;
    const steps = (50 + 90 * random()) * dots;
    for (let s = 0; s < steps; s += 0.5) {
      turn += bend + (random() - 0.5) * 0.12;
      x += 0.5 * Math.cos(turn);
      y += 0.5 * Math.sin(turn);
      for (let w = -0.45 * dots; w <= 0.45 * dots; w += 0.5) put(x - w * Math.sin(turn), y + w * Math.cos(turn), 1);
    }
  }
  return { size, at };
}

/** @param size dots a side; @param mm millimetres a side; @param milky how much milk is in all of it, 0 to 1 */
export function figure(
  texture: Texture,
  size: number,
  mm: number,
  seed: number,
  milky: number,
  flows: boolean,
): Figure {
  const even = (value: number) => each(size, () => value);
  const stretch = flows ? 4 : 1.6;
  switch (texture) {
    case 'streaky': {
      const run = current(size, mm, seed, 9, 5, 4);
      const cloud = current(size, mm, seed + 40, 16, 3.4, 4);
      return {
        second: each(size, (k) => ramp(-0.35, 0.75, (run.at[k] ?? 0) + 0.3 * (cloud.at[k] ?? 0))),
        milk: each(size, (k) => clamp(milky * (0.7 + 0.9 * (cloud.at[k] ?? 0)))),
        depth: each(size, (k) => 1 + 0.42 * (run.at[k] ?? 0)),
      };
    }
    case 'wispy': {
      const smoke = current(size, mm, seed, 13, stretch, 5);
      const slow = current(size, mm, seed + 9, 30, 2, 3);
      return {
        second: each(size, (k) => ramp(0.05, 0.8, (smoke.at[k] ?? 0) + 0.35 * (slow.at[k] ?? 0))),
        milk: each(size, (k) => clamp(milky * 0.5 + ramp(0.05, 0.9, (smoke.at[k] ?? 0) + 0.35 * (slow.at[k] ?? 0)))),
        depth: each(size, (k) => 1 + 0.2 * (slow.at[k] ?? 0)),
      };
    }
    case 'ring-mottled': {
      const random = seededRandom(seed + 3);
      const dots = size / mm;
      const marks = strewn(size, 10 * dots, random).map(([x, y]) => ({ x, y, r: (3.5 + 5.5 * random() ** 2) * dots }));
      const spots = rounds(size, marks, (share) => 1 - share, Math.max);
      const bend = noise(size, seed + 8, { across: Math.round(mm / 14), down: Math.round(mm / 14), layers: 3 });
      // How deep in its spot a dot lies: 0 between spots, 1 in the middle of one; the edges are never quite round.
      const deep = each(size, (k, x, y) => {
        const aside = 2.4 * dots * (bend.at[k] ?? 0);
        return sample(spots, x + aside, y + 2.4 * dots * sample(bend, x + size / 2, y + size / 3));
      });
      const ringOf = (depth: number) => ramp(0.02, 0.2, depth) - 0.7 * ramp(0.2, 0.62, depth);
      return {
        second: each(size, (k) => clamp(ringOf(deep.at[k] ?? 0))),
        milk: each(size, (k) => clamp(0.3 + 0.4 * milky + 0.5 * (ramp(0.3, 0.75, deep.at[k] ?? 0) - 0.5))),
        depth: each(size, (k) => 0.9 + 0.35 * ringOf(deep.at[k] ?? 0)),
      };
    }
    case 'fracture-streamer': {
      const flakes = flakesAndThreads(size, mm, seed);
      const slow = current(size, mm, seed + 9, 30, 2, 3);
      return { second: flakes, milk: even(milky * 0.6), depth: each(size, (k) => 1 + 0.12 * (slow.at[k] ?? 0)) };
    }
    default: {
      const slow = current(size, mm, seed + 9, flows ? 16 : 34, stretch, 3);
      return {
        second: even(0),
        milk: each(size, (k) => clamp(milky * (0.85 + 0.35 * (slow.at[k] ?? 0)))),
        depth: each(size, (k) => 1 + (flows ? 0.26 : 0.13) * (slow.at[k] ?? 0)),
      };
    }
  }
}
