import { lightOf, type Light } from '#core/colour';
import { each, type Field } from './field.ts';
import { figure } from './figure.ts';
import { lookName, seedOf, type GlassLook } from './look.ts';
import { relief } from './surface.ts';

/** A square of a glass that meets itself at its edges, as what it lets through, whatever light will fall on it. */
export interface GlassTile {
  /** Dots a side, and millimetres a side. */
  readonly size: number;
  readonly mm: number;
  /** What it lets through of red, green and blue, row after row: `AMOUNT` stands for all of it. */
  readonly through: Uint16Array;
  /** Light of the room that its face throws back, in red, green and blue likewise. */
  readonly sheen: Uint16Array;
}

/** What stands for all of the light; a lens may gather as much as sixteen times that. */
export const AMOUNT = 4095;
/** A tile covers so many millimetres. */
export const TILE_MM = 256;

/** Even a black glass lets a little through: its colour is told apart from its neighbour's. */
const LEAST = 0.0035;
/** Milk lets no more than so much of the light through, and takes this share of the colour with it. */
const MILK = { through: 0.74, colour: 0.42 } as const;
/** How strongly the relief bends the light, by what it hides. */
const LENS = { clear: 1, veiled: 0.72, opal: 0.4 } as const;
const MILKY = { clear: 0, veiled: 0.42, opal: 0.92 } as const;

const density = (light: Light): Light => [
  -Math.log(Math.max(LEAST, light[0])),
  -Math.log(Math.max(LEAST, light[1])),
  -Math.log(Math.max(LEAST, light[2])),
];

/** The second colour where none is named: wisps are milk, all else is the glass itself, deeper. */
function secondOf({ colour, second, texture }: GlassLook): Light {
  if (second !== null) return lightOf(second);
  const [r, g, b] = lightOf(colour);
  if (texture === 'wispy') return [0.82 + 0.1 * r, 0.83 + 0.1 * g, 0.84 + 0.1 * b];
  if (texture === 'fracture-streamer') return [r * 0.16, g * 0.12, b * 0.14];
  return [r ** 1.75, g ** 1.6, b ** 1.5];
}

/** How much light a relief gathers at each dot, 1 on the average: hollows spread it, hills gather it (thin lens). */
function lens(height: Field, mm: number, strength: number): Field {
  const { size, at } = height;
  const perMm = size / mm;
  const bend = 0.2 * strength * perMm * perMm;
  return each(size, (k, x, y) => {
    const left = at[y * size + (x === 0 ? size - 1 : x - 1)] ?? 0;
    const right = at[y * size + (x === size - 1 ? 0 : x + 1)] ?? 0;
    const up = at[(y === 0 ? size - 1 : y - 1) * size + x] ?? 0;
    const down = at[(y === size - 1 ? 0 : y + 1) * size + x] ?? 0;
    const curve = left + right + up + down - 4 * (at[k] ?? 0);
    // Light comes mostly from above: a slope that faces it is lighter.
    const slope = (down - up) * perMm * 0.16 * strength + (right - left) * perMm * 0.05 * strength;
    return Math.max(0.42, Math.min(1.75, 1 - bend * curve + slope));
  });
}

/**
 * What a glass lets through: absorption by thickness (Beer and Lambert) in linear light, its second colour by density,
 * its milk by scattering, its relief as a lens. Seeded by the look itself.
 * @param size dots a side: fewer are quicker, and show the same glass
 */
export function glassTile(look: GlassLook, size = 512): GlassTile {
  const mm = TILE_MM;
  const seed = seedOf(lookName(look)) & 0xffffff;
  const milky = MILKY[look.hiding];
  const height = relief(look.texture, size, mm, seed);
  const body = figure(look.texture, size, mm, seed, milky, look.flow);
  const gather = lens(height, mm, LENS[look.hiding]);
  const [one, two] = [density(lightOf(look.colour)), density(secondOf(look))];
  const own = lightOf(look.colour);
  const through = new Uint16Array(3 * size * size);
  const sheen = new Uint16Array(3 * size * size);
  const mirrored = look.coat === 'mirror';
  const iridescent = look.coat === 'iridescent';
  for (let k = 0; k < size * size; k++) {
    const share = body.second.at[k] ?? 0;
    const milk = body.milk.at[k] ?? 0;
    const thick = Math.max(0.3, (body.depth.at[k] ?? 1) * (1 + 0.05 * (height.at[k] ?? 0)));
    const bright = gather.at[k] ?? 1;
    for (let c = 0; c < 3; c++) {
      const lets = Math.exp(-((one[c] ?? 0) * (1 - share) + (two[c] ?? 0) * share) * thick);
      // Milk evens out what relief and thickness did, and is of the glass's own colour, paler.
      const base = own[c] ?? 0;
      const pale = MILK.through * (MILK.colour * lets + (1 - MILK.colour) * Math.sqrt(base * lets));
      const scattered = lets * (1 - milk) + milk * Math.max(pale, lets * 0.9);
      // A film as thin as light is long takes from one colour what it gives to another, and turns with the slope.
      const film = iridescent ? 0.5 + 0.5 * Math.cos(9 * (bright - 1) + 3 * (body.depth.at[k] ?? 1) + 2.1 * c) : 0;
      const passes = mirrored ? 0 : scattered * bright * (1 - 0.25 * film);
      through[3 * k + c] = Math.min(65535, AMOUNT * passes);
      const back = mirrored ? 0.62 * Math.sqrt(base) : 0.03 + 0.12 * milk + 0.5 * film;
      sheen[3 * k + c] = Math.min(65535, AMOUNT * back * bright * bright);
    }
  }
  return { size, mm, through, sheen };
}
