import { lightOf } from './light.ts';

/** A colour as it is seen: lightness 0 to 100, green to red, blue to yellow (CIE 1976 L*a*b*). */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/** White of daylight, D65 seen by the 2° observer, of Y = 1 (CIE 15). */
const WHITE = { x: 0.95047, y: 1, z: 1.08883 } as const;

/** Below this a colour's share of the white is taken as a straight line (CIE 15: 6/29 cubed). */
const BEND = (6 / 29) ** 3;

const share = (t: number): number => (t > BEND ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);

/**
 * @param hex a colour of the screen, `#rrggbb`
 * @throws where it is none
 */
export function labOf(hex: string): Lab {
  const [red, green, blue] = lightOf(hex);
  // The primaries of sRGB under D65 (IEC 61966-2-1).
  const x = share((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / WHITE.x);
  const y = share((0.2126729 * red + 0.7151522 * green + 0.072175 * blue) / WHITE.y);
  const z = share((0.0193339 * red + 0.119192 * green + 0.9503041 * blue) / WHITE.z);
  return { l: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) };
}
