import { describe, expect, it } from 'vitest';
import { asChannel } from '#core/colour';
import {
  cornersFault,
  evenlyLit,
  inPerspective,
  meanColour,
  straightened,
  throughPhoto,
  type Corners,
  type Dots,
} from './photo.ts';
import { AMOUNT } from './sheet.ts';

const picture = (
  width: number,
  height: number,
  of: (x: number, y: number) => readonly [number, number, number],
): Dots => {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set([...of(x, y), 255], 4 * (y * width + x));
  return { width, height, data };
};
/** Light as a channel of a picture. */
const channel = (light: number): number => 255 * asChannel(light);

const TILTED: Corners = [
  [40, 30],
  [290, 50],
  [270, 210],
  [20, 180],
];

describe('a sheet in a photo', () => {
  it('its corners and its straight lines are where perspective puts them', () => {
    const place = inPerspective(TILTED);
    for (const [u, v, i] of [
      [0, 0, 0],
      [1, 0, 1],
      [1, 1, 2],
      [0, 1, 3],
    ] as const) {
      expect(place(u, v)[0]).toBeCloseTo(TILTED[i][0], 9);
      expect(place(u, v)[1]).toBeCloseTo(TILTED[i][1], 9);
    }
    // Straight stays straight, and the diagonals of a square cross in its middle: so do those of its picture.
    const [x, y] = place(0.5, 0.5);
    const cross = (a: readonly number[], b: readonly number[]) =>
      ((b[0] ?? 0) - (a[0] ?? 0)) * (y - (a[1] ?? 0)) - ((b[1] ?? 0) - (a[1] ?? 0)) * (x - (a[0] ?? 0));
    expect(cross(TILTED[0], TILTED[2])).toBeCloseTo(0, 6);
    expect(cross(TILTED[1], TILTED[3])).toBeCloseTo(0, 6);
  });

  it('comes out straight: what was drawn at a place of the sheet lies there', () => {
    const place = inPerspective(TILTED);
    const marks = [
      [0.25, 0.25],
      [0.75, 0.4],
      [0.5, 0.8],
    ] as const;
    const photo = picture(320, 240, (x, y) =>
      marks.some(([u, v]) => Math.hypot(place(u, v)[0] - x - 0.5, place(u, v)[1] - y - 0.5) < 6)
        ? [0, 0, 0]
        : [200, 210, 220],
    );
    const sheet = straightened(photo, TILTED, 200, 120);
    for (const [u, v] of marks)
      expect(sheet.data[4 * (Math.floor(v * 120) * 200 + Math.floor(u * 200))]).toBeLessThan(20);
    expect(sheet.data[4 * (60 * 200 + 10)]).toBe(200);
  });

  it.each([
    ['corners in the wrong order', [TILTED[1], TILTED[0], TILTED[2], TILTED[3]]],
    ['a dent', [TILTED[0], TILTED[1], [120, 90], TILTED[3]]],
    [
      'a speck',
      [
        [0, 0],
        [4, 0],
        [4, 4],
        [0, 4],
      ],
    ],
  ] as const)('is refused with %s', (_, corners) => {
    expect(cornersFault(corners as unknown as Corners, { width: 320, height: 240 })).toBe(true);
    expect(cornersFault(TILTED, { width: 320, height: 240 })).toBe(false);
  });

  it('is lit evenly afterwards: the lamp’s fall goes, the streaks stay', () => {
    const streak = (x: number) => (Math.floor(x / 8) % 2 === 0 ? 0.3 : 0.5);
    const lamp = (x: number, y: number) => 1 - 0.5 * ((x - 100) / 100) ** 2 - 0.3 * (y / 120);
    const lit = picture(200, 120, (x, y) => {
      const light = streak(x) * lamp(x, y);
      return [channel(light), channel(0.8 * light), channel(0.4 * light)];
    });
    const even = evenlyLit(lit);
    const red = (dots: Dots, x: number, y: number) => dots.data[4 * (y * 200 + x)] ?? 0;
    // The same streak at the corner and in the middle differed by half, and does not any more.
    expect(red(lit, 100, 5) / red(lit, 4, 115)).toBeGreaterThan(1.25);
    expect(red(even, 100, 5) / red(even, 4, 115)).toBeCloseTo(1, 1);
    expect(red(even, 108, 60) / red(even, 100, 60)).toBeCloseTo(red(lit, 108, 60) / red(lit, 100, 60), 1);
  });

  it('lets through as much on the whole as the colour of its glass', () => {
    const blue = picture(30, 20, (x) => (x % 2 === 0 ? [60, 90, 150] : [80, 130, 220]));
    const tile = throughPhoto(blue, { colour: '#7090c0', coat: 'none' });
    const mean = (c: number) => {
      let sum = 0;
      for (let k = 0; k < 600; k++) sum += (tile.through[3 * k + c] ?? 0) / AMOUNT;
      return sum / 600;
    };
    const light = 0.2126 * mean(0) + 0.7152 * mean(1) + 0.0722 * mean(2);
    // #7090c0 has a luminance of 0.271 (by hand, IEC 61966-2-1).
    expect(light).toBeCloseTo(0.271, 2);
    expect(throughPhoto(blue, { colour: '#7090c0', coat: 'mirror' }).through.every((t) => t === 0)).toBe(true);
  });

  it('has a colour at a place: the mean of its light, not of its numbers', () => {
    const half = picture(20, 20, (x) => (x < 10 ? [0, 0, 0] : [255, 255, 255]));
    // Half of white light is #bcbcbc.
    expect(meanColour(half, [9.5, 9.5], 9)).toBe('#bcbcbc');
    expect(meanColour(half, [15, 10], 3)).toBe('#ffffff');
  });
});
