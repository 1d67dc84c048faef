import type { Lab } from './lab.ts';

const DEGREE = Math.PI / 180;
const cosDeg = (deg: number): number => Math.cos(deg * DEGREE);

/** Hue of a colour in degrees, 0 to 360; 0 of a grey. */
function hueOf(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const deg = Math.atan2(b, a) / DEGREE;
  return deg < 0 ? deg + 360 : deg;
}

/** The mean of two hues along the shorter way round; their sum where one is of a grey. */
function meanHue(one: number, other: number, isGrey: boolean): number {
  const sum = one + other;
  if (isGrey) return sum;
  if (Math.abs(one - other) <= 180) return sum / 2;
  return sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
}

/**
 * How different two colours look: CIEDE2000 with all weights 1. About 1 is just seen side by side.
 * Source: CIE 142-2001, in the wording of G. Sharma, W. Wu, E. N. Dalal, “The CIEDE2000 Color-Difference Formula”,
 * Color Research and Application 30 (2005), 21–30.
 */
export function colourDifference(one: Lab, other: Lab): number {
  const meanChroma = (Math.hypot(one.a, one.b) + Math.hypot(other.a, other.b)) / 2;
  const grey = 0.5 * (1 - Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + 25 ** 7)));
  const [a1, a2] = [(1 + grey) * one.a, (1 + grey) * other.a];
  const [c1, c2] = [Math.hypot(a1, one.b), Math.hypot(a2, other.b)];
  const [h1, h2] = [hueOf(a1, one.b), hueOf(a2, other.b)];
  const isGrey = c1 * c2 === 0;

  const turn = h2 - h1;
  const shorter = Math.abs(turn) <= 180 ? turn : turn - Math.sign(turn) * 360;
  const byLightness = other.l - one.l;
  const byChroma = c2 - c1;
  const byHue = isGrey ? 0 : 2 * Math.sqrt(c1 * c2) * Math.sin((shorter / 2) * DEGREE);

  const l = (one.l + other.l) / 2;
  const c = (c1 + c2) / 2;
  const h = meanHue(h1, h2, isGrey);
  const t = 1 - 0.17 * cosDeg(h - 30) + 0.24 * cosDeg(2 * h) + 0.32 * cosDeg(3 * h + 6) - 0.2 * cosDeg(4 * h - 63);
  const rotation =
    -2 * Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7)) * Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * DEGREE);

  const lightness = byLightness / (1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2));
  const chroma = byChroma / (1 + 0.045 * c);
  const hue = byHue / (1 + 0.015 * c * t);
  return Math.sqrt(lightness ** 2 + chroma ** 2 + hue ** 2 + rotation * chroma * hue);
}
