import { describe, expect, it } from 'vitest';
import { asChannel, asLight, labOf, lightOf } from '#core/colour';
import { TEXTURES, type Texture } from '#core/stock';
import { noise, rounds, sample } from './field.ts';
import { AMOUNT, developed, glassTile, LIGHT_KINDS, LIGHTS, lookName, type GlassLook } from './index.ts';

const plain: GlassLook = {
  colour: '#8fbbdb',
  second: null,
  texture: 'smooth',
  hiding: 'clear',
  coat: 'none',
  flow: false,
};
const SIZE = 96;
const tileOf = (look: Partial<GlassLook>, size = SIZE) => glassTile({ ...plain, ...look }, size);

/** The mean of what a tile lets through, as a colour of the screen. */
function meanOf(look: Partial<GlassLook>): string {
  const { through, size } = tileOf(look);
  const hex = [0, 1, 2].map((c) => {
    let sum = 0;
    for (let k = 0; k < size * size; k++) sum += through[3 * k + c] ?? 0;
    const channel = Math.round(255 * asChannel(sum / (size * size) / AMOUNT));
    return channel.toString(16).padStart(2, '0');
  });
  return `#${hex.join('')}`;
}

describe('light and channels of a screen', () => {
  it('go there and back', () => {
    for (let i = 0; i <= 255; i++) expect(Math.round(255 * asChannel(asLight(i / 255)))).toBe(i);
  });
  it('mid grey of a screen is about a fifth of its light (IEC 61966-2-1: 119 is 0.1845)', () => {
    expect(asLight(119 / 255)).toBeCloseTo(0.1845, 3);
  });
});

describe('fields', () => {
  it('have no seam: a step over the edge is no larger than one inside', () => {
    const { at, size } = noise(64, 5, { across: 6, down: 9, layers: 3 });
    let [inside, over] = [0, 0];
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) {
        const step = Math.abs((at[y * size + x] ?? 0) - (at[y * size + ((x + 1) % size)] ?? 0));
        if (x === size - 1) over = Math.max(over, step);
        else inside = Math.max(inside, step);
      }
    expect(over).toBeLessThanOrEqual(inside);
  });
  it('are read between their dots, round the edges', () => {
    const field = { size: 2, at: Float32Array.from([0, 1, 2, 3]) };
    expect(sample(field, 0.5, 0)).toBeCloseTo(0.5);
    expect(sample(field, 1.5, 0)).toBeCloseTo(0.5);
    expect(sample(field, -2, 1)).toBeCloseTo(2);
    expect(sample(field, 0.5, 0.5)).toBeCloseTo(1.5);
  });
  it('a round mark goes round the edge too', () => {
    const { at } = rounds(
      16,
      [{ x: 0, y: 0, r: 3 }],
      () => 1,
      (_, mark) => mark,
    );
    expect([at[0], at[15], at[15 * 16], at[8 * 16 + 8]]).toEqual([1, 1, 1, 0]);
  });
});

describe('a glass', () => {
  it('has a name that tells all looks apart and is the same for the same one', () => {
    const names = TEXTURES.flatMap((texture) =>
      [null, '#112233'].flatMap((second) => [true, false].map((flow) => lookName({ ...plain, texture, second, flow }))),
    );
    expect(new Set(names).size).toBe(names.length);
    expect(lookName({ ...plain, colour: '#8FBBDB' })).toBe(lookName(plain));
  });

  it('looks the same each time', () => {
    expect(tileOf({ texture: 'streaky' }).through).toEqual(tileOf({ texture: 'streaky' }).through);
    expect(tileOf({ texture: 'streaky' }).through).not.toEqual(
      tileOf({ texture: 'streaky', colour: '#8fbbdc' }).through,
    );
  });

  it.each(['#8fbbdb', '#ee9a3c', '#2c3f5e', '#f1efe6'])(
    'of %s is on the average near the colour it was given',
    (colour) => {
      // Just about noticeable is 1 to 2 (CIEDE2000); relief and thickness scatter a few more.
      const [{ l, a, b }, wanted] = [labOf(meanOf({ colour })), labOf(colour)];
      expect(Math.hypot(l - wanted.l, a - wanted.a, b - wanted.b)).toBeLessThan(6);
    },
  );

  it.each(TEXTURES)('%s can be told from a smooth one, and stays within what a screen can show', (texture) => {
    const tile = tileOf({ texture, flow: true });
    expect(tile.through.some((amount) => amount > 0)).toBe(true);
    if (texture !== 'smooth') expect(tile.through).not.toEqual(tileOf({ flow: true }).through);
  });

  it('absorbs as Beer and Lambert say: twice the density in the second colour lets the square through', () => {
    const [r, g, b] = lightOf('#808080');
    const dense = `#${[r, g, b].map((light) => Math.round(255 * asChannel(light * light)).toString(16)).join('')}`;
    // Flakes of a second colour lie on a tile with no other figure: darkest of them against the mean of the rest.
    const { through } = tileOf({ colour: '#808080', second: dense, texture: 'fracture-streamer' }, 192);
    const greens = Array.from({ length: through.length / 3 }, (_, k) => (through[3 * k + 1] ?? 0) / AMOUNT).sort(
      (x, y) => x - y,
    );
    const darkest = greens[Math.floor(greens.length * 0.002)] ?? 0;
    const usual = greens[Math.floor(greens.length * 0.8)] ?? 0;
    expect(usual).toBeGreaterThan(g * 0.85);
    expect(darkest).toBeGreaterThan(g * g * 0.6);
    expect(darkest).toBeLessThan(g * g * 1.5);
  });

  it('its streaks run along the flow: it changes more across than along', () => {
    const { through, size } = tileOf({ texture: 'streaky', flow: true });
    let [along, across] = [0, 0];
    for (let y = 1; y < size; y++)
      for (let x = 1; x < size; x++) {
        const here = through[3 * (y * size + x)] ?? 0;
        along += Math.abs(here - (through[3 * (y * size + x - 1)] ?? 0));
        across += Math.abs(here - (through[3 * ((y - 1) * size + x)] ?? 0));
      }
    expect(across / along).toBeGreaterThan(1.5);
  });

  it('milk evens it out: opal varies less than clear', () => {
    const spread = (look: Partial<GlassLook>) => {
      const { through } = tileOf(look);
      const greens = through.filter((_, i) => i % 3 === 1);
      const mean = greens.reduce((sum, v) => sum + v, 0) / greens.length;
      return Math.sqrt(greens.reduce((sum, v) => sum + (v - mean) ** 2, 0) / greens.length) / mean;
    };
    expect(spread({ texture: 'ripple', hiding: 'opal' })).toBeLessThan(0.8 * spread({ texture: 'ripple' }));
  });

  it('a mirror lets nothing through, and throws the room back', () => {
    const { through, sheen } = tileOf({ coat: 'mirror' });
    expect(through.every((amount) => amount === 0)).toBe(true);
    expect(sheen.every((amount) => amount > AMOUNT / 20)).toBe(true);
  });

  it('an iridescent face throws back colours that the glass has not', () => {
    const { sheen } = tileOf({ coat: 'iridescent', texture: 'ripple' });
    const turns = new Set<number>();
    for (let k = 0; k < sheen.length; k += 3) {
      const [r = 0, g = 0, b = 0] = [sheen[k], sheen[k + 1], sheen[k + 2]];
      turns.add(r > g && r > b ? 0 : g > b ? 1 : 2);
    }
    expect(turns.size).toBe(3);
  });

  it('with fewer dots it is the same glass', () => {
    const [few, many] = [tileOf({ texture: 'streaky' }, 64), tileOf({ texture: 'streaky' }, 256)];
    let [sum, squares, of] = [0, 0, 0];
    const mean = (list: Uint16Array) => list.reduce((a, v) => a + v, 0) / list.length;
    const [m1, m2] = [mean(few.through), mean(many.through)];
    for (let y = 0; y < 64; y++)
      for (let x = 0; x < 64; x++) {
        const a = (few.through[3 * (y * 64 + x)] ?? 0) - m1;
        const b = (many.through[3 * (4 * y * 256 + 4 * x)] ?? 0) - m2;
        sum += a * b;
        squares += a * a;
        of += b * b;
      }
    expect(sum / Math.sqrt(squares * of)).toBeGreaterThan(0.8);
  });
});

describe('a tile in a light', () => {
  const tile = tileOf({});
  const meanRow = (light: Pick<(typeof LIGHTS)['clear'], 'behind' | 'room'>, of = tile) => {
    const dots = developed(of, light);
    return [0, 1, 2].map((c) => dots.reduce((sum, v, i) => sum + (i % 4 === c ? v : 0), 0) / (dots.length / 4));
  };
  it('is opaque, and lighter where more light falls through', () => {
    const dots = developed(tile, LIGHTS.clear);
    expect(dots.filter((_, i) => i % 4 === 3).every((alpha) => alpha === 255)).toBe(true);
    const dark: readonly [number, number, number] = [0, 0, 0];
    const [dim = 0] = meanRow({ behind: [0.3, 0.3, 0.3], room: dark });
    const [bright = 0] = meanRow({ behind: [0.9, 0.9, 0.9], room: dark });
    expect(dim).toBeLessThan(bright * 0.7);
  });
  it('a lamp makes it warmer than an overcast sky', () => {
    const [lampRed = 0, , lampBlue = 1] = meanRow(LIGHTS.lamp);
    const [skyRed = 0, , skyBlue = 1] = meanRow(LIGHTS.overcast);
    expect(lampRed / lampBlue).toBeGreaterThan(1.3 * (skyRed / skyBlue));
  });
  it.each(LIGHT_KINDS)('%s keeps the order of light and dark glass', (kind) => {
    const of = (colour: string, texture: Texture = 'smooth') =>
      meanRow(LIGHTS[kind], tileOf({ colour, texture }))[1] ?? 0;
    expect(of('#2c3f5e')).toBeLessThan(of('#8fbbdb'));
    expect(of('#8fbbdb')).toBeLessThan(of('#f1efe6'));
  });
});
