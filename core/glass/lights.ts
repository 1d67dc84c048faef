import { asChannel, type Light } from '#core/colour';
import { AMOUNT, type GlassTile } from './sheet.ts';

/** In what light a panel is looked at. */
export const LIGHT_KINDS = ['bench', 'clear', 'overcast', 'dusk', 'lamp', 'table'] as const;
export type LightKind = (typeof LIGHT_KINDS)[number];

/** A light that falls through a panel, and the room that it hangs in. */
export interface Lit {
  /** What comes through from behind, of a white screen. */
  readonly behind: Light;
  /** What falls on its face, and is thrown back. */
  readonly room: Light;
  /** The light over the height of the panel, at its top, middle and foot, as a share of `behind`. */
  readonly fall: readonly [Light, Light, Light];
  /** How much the lightest parts glow over the lead, 0 to 1. */
  readonly bloom: number;
  /** How much of what stands behind is seen through clear glass, 0 to 1. */
  readonly seen: number;
}

const EVEN: Lit['fall'] = [
  [1, 1, 1],
  [1, 1, 1],
  [1, 1, 1],
];

/** From memory: no two skies are alike. */
export const LIGHTS: Readonly<Record<LightKind, Lit>> = {
  bench: { behind: [0.97, 0.98, 1], room: [0.35, 0.36, 0.38], fall: EVEN, bloom: 0, seen: 0 },
  clear: {
    behind: [1.16, 1.13, 1.06],
    room: [0.03, 0.03, 0.035],
    fall: [
      [1.06, 1.1, 1.2],
      [1, 1, 1],
      [0.86, 0.83, 0.72],
    ],
    bloom: 0.34,
    seen: 0.5,
  },
  overcast: {
    behind: [0.88, 0.91, 0.96],
    room: [0.04, 0.042, 0.046],
    fall: [
      [1.06, 1.06, 1.06],
      [0.98, 0.98, 0.98],
      [0.78, 0.79, 0.8],
    ],
    bloom: 0.16,
    seen: 0.3,
  },
  dusk: {
    behind: [0.86, 0.64, 0.52],
    room: [0.02, 0.018, 0.016],
    fall: [
      [0.42, 0.56, 0.98],
      [0.86, 0.84, 0.92],
      [1.5, 1.12, 0.62],
    ],
    bloom: 0.3,
    seen: 0.55,
  },
  lamp: { behind: [1.12, 0.86, 0.56], room: [0.015, 0.014, 0.012], fall: EVEN, bloom: 0.42, seen: 0.7 },
  table: { behind: [1.02, 1.02, 1.0], room: [0.02, 0.02, 0.02], fall: EVEN, bloom: 0.1, seen: 0 },
};

/** Above so much of white light is pressed together instead of being cut off. */
const SHOULDER = 0.78;

/** A light as a screen can show it: as it is up to the shoulder, then ever less (from memory, as film does). */
const shown = (amount: number): number =>
  amount <= SHOULDER ? amount : SHOULDER + (1 - SHOULDER) * (1 - Math.exp(-(amount - SHOULDER) / (1 - SHOULDER)));

/** Amounts are looked up in so many steps. */
const STEPS = 8192;
const MOST = 2.2;

function table(share: number): Uint8ClampedArray {
  const list = new Uint8ClampedArray(STEPS);
  for (let i = 0; i < STEPS; i++) list[i] = 255 * asChannel(shown((i / STEPS) * MOST * share));
  return list;
}

/** A tile as it looks with a light behind it: dots of red, green, blue and alpha, for a canvas. */
export function developed(
  { through, sheen }: Pick<GlassTile, 'through' | 'sheen'>,
  { behind, room }: Pick<Lit, 'behind' | 'room'>,
): Uint8ClampedArray<ArrayBuffer> {
  const count = through.length / 3;
  const dots = new Uint8ClampedArray(4 * count);
  const perStep = STEPS / (AMOUNT * MOST);
  for (let c = 0; c < 3; c++) {
    const light = behind[c] ?? 1;
    const list = table(light);
    // What the face throws back is counted in the same light.
    const back = (room[c] ?? 0) / light;
    for (let k = 0; k < count; k++) {
      const amount = (through[3 * k + c] ?? 0) + back * (sheen[3 * k + c] ?? 0);
      dots[4 * k + c] = list[Math.min(STEPS - 1, (amount * perStep) | 0)] ?? 255;
    }
  }
  for (let k = 0; k < count; k++) dots[4 * k + 3] = 255;
  return dots;
}
