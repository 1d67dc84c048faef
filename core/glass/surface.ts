import { seededRandom } from '#core/units';
import type { Texture } from '#core/stock';
import { dragged, each, noise, rounds, strewn, type Field } from './field.ts';

/** Bubbles and seeds as low domes, drawn out along the flow. */
function seeds(size: number, mm: number, random: () => number): Field {
  const at = new Float32Array(size * size);
  const dots = size / mm;
  const wrap = (n: number) => ((n % size) + size) % size;
  const count = Math.round((mm * mm) / 240);
  for (let i = 0; i < count; i++) {
    const [bx, by] = [random() * size, random() * size];
    const r = (0.45 + 1.5 * random() ** 3) * dots;
    const long = 1 + 1.8 * random();
    for (let y = Math.floor(by - r); y <= by + r; y++)
      for (let x = Math.floor(bx - r * long); x <= bx + r * long; x++) {
        const away = Math.hypot((x - bx) / long, y - by) / r;
        if (away < 1) {
          const k = wrap(y) * size + wrap(x);
          at[k] = Math.max(at[k] ?? 0, Math.sqrt(1 - away * away));
        }
      }
  }
  return { size, at };
}

/** Waves across the flow or along it, bent by a slow field so that no two run alike. */
function waves(size: number, mm: number, everyMm: number, sway: Field, swayMm: number): Field {
  const crests = Math.max(2, Math.round(mm / everyMm));
  return each(size, (k, _x, y) => {
    const turn = (y / size) * crests + ((sway.at[k] ?? 0) * swayMm) / everyMm;
    return Math.sin(2 * Math.PI * turn);
  });
}

/**
 * The relief of a glass: heights in rough tenths of a millimetre; the flow runs from left to right.
 * @param size dots a side; @param mm millimetres a side
 */
export function relief(texture: Texture, size: number, mm: number, seed: number): Field {
  const random = seededRandom(seed ^ 0x5bd1e995);
  const grain = (hillMm: number, layers: number, stretch = 1): Field =>
    noise(size, seed + 31, {
      across: Math.max(2, Math.round(mm / (hillMm * stretch))),
      down: Math.max(2, Math.round(mm / hillMm)),
      layers,
    });
  switch (texture) {
    case 'hammered': {
      const dots = size / mm;
      const marks = strewn(size, 4.2 * dots, random).map(([x, y]) => ({ x, y, r: (4.2 + 2.2 * random()) * dots }));
      // Each blow of the hammer leaves a hollow, and the hollows run into each other.
      const hollows = rounds(
        size,
        marks,
        (share) => (1 - share * share) ** 2,
        (under, mark) => Math.max(under, mark) + 0.3 * Math.min(under, mark),
      );
      return each(size, (k) => -2.4 * (hollows.at[k] ?? 0));
    }
    case 'granite': {
      const [coarse, fine] = [grain(3.4, 2), noise(size, seed + 77, { across: 200, down: 200, layers: 1 })];
      return each(size, (k) => 0.9 * (coarse.at[k] ?? 0) + 0.25 * (fine.at[k] ?? 0));
    }
    case 'ripple': {
      const sway = grain(22, 2, 1.6);
      const crests = waves(size, mm, 5.2, sway, 7);
      const rough = grain(9, 2, 2);
      return each(size, (k) => 1.25 * (crests.at[k] ?? 0) + 0.45 * (rough.at[k] ?? 0));
    }
    case 'reeded': {
      const reeds = waves(size, mm, 5, grain(60, 1), 0.5);
      return each(size, (k) => 1.3 * Math.abs(reeds.at[k] ?? 0));
    }
    case 'corded': {
      const cords = dragged(grain(4, 3, 14), grain(40, 2), grain(30, 2), 6, 22);
      return each(size, (k) => 1.8 * Math.max(0, cords.at[k] ?? 0));
    }
    case 'drapery': {
      const folds = waves(size, mm, 24, grain(48, 3), 24);
      const fine = grain(14, 2, 3);
      return each(size, (k) => 4.6 * Math.abs(folds.at[k] ?? 0) ** 1.4 + 0.5 * (fine.at[k] ?? 0));
    }
    case 'seedy': {
      const [domes, slow] = [seeds(size, mm, random), grain(30, 2)];
      return each(size, (k) => 1.1 * (domes.at[k] ?? 0) + 0.5 * (slow.at[k] ?? 0));
    }
    case 'smooth':
    case 'streaky':
    case 'wispy':
    case 'ring-mottled':
    case 'fracture-streamer': {
      const slow = grain(26, 2, 1.8);
      return each(size, (k) => 0.7 * (slow.at[k] ?? 0));
    }
  }
}
