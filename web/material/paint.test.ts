import { describe, expect, it } from 'vitest';
import { FIRST_COLOUR, FIRST_SECOND } from '#core/stock';
import { changedAreas, ReadyDrawing } from './paint.ts';
import type { Scene, Standing } from './scene.ts';

const COUNT = 20;
/** A row of squares of 20 mm. */
const drawing = new ReadyDrawing({
  id: 'row',
  box: { x: 0, y: 0, width: 20 * COUNT, height: 20 },
  pieces: Array.from({ length: COUNT }, (_, i) => ({
    number: i + 1,
    region: [Float32Array.from([20 * i, 0, 20 * i + 20, 0, 20 * i + 20, 20, 20 * i, 20])],
    glass: [],
    labelAt: [20 * i + 10, 10] as const,
    labelRadiusMm: 10,
  })),
});

const sky = {
  colour: FIRST_COLOUR,
  second: null,
  texture: 'streaky',
  hiding: 'veiled',
  coat: 'none',
  flow: true,
} as const;
const sun = { ...sky, colour: FIRST_SECOND } as const;
const pieceOf = (i: number): Standing => ({
  number: i + 1,
  isPaper: true,
  look: 'glass',
  glass: i % 2,
  broken: false,
  tooSmall: false,
  turn: 0,
  onSheet: null,
});
const scene: Scene = {
  glasses: [sky, sun],
  pieces: Array.from({ length: COUNT }, (_, i) => pieceOf(i)),
  metal: { bands: [], cemented: false, seams: null, dots: [] },
  lighting: null,
  chosen: false,
  mirrored: false,
  dots: false,
};
const withPiece = (number: number, change: Partial<Standing>): Scene => ({
  ...scene,
  pieces: scene.pieces.map((piece) => (piece.number === number ? { ...piece, ...change } : piece)),
});

describe('what has to be painted anew', () => {
  it('is nothing where nothing changed', () => {
    expect(changedAreas(drawing, scene, { ...scene, pieces: [...scene.pieces] })).toEqual([]);
  });
  it.each([
    ['it was cut', { isPaper: false }],
    ['it was ground', { look: 'frosted' }],
    ['it broke', { broken: true }],
    ['it grew over its glass', { tooSmall: true }],
    ['its flow was turned', { turn: 30 }],
    ['it has another glass', { glass: 0 }],
  ] as const)('is the surroundings of one piece: %s', (_, change) => {
    const areas = changedAreas(drawing, scene, withPiece(4, change));
    expect(areas).toEqual([{ x: 60 - 12, y: -12, width: 44, height: 44 }]);
  });
  it('a glass that is corrected changes all pieces of it, which is quicker done at once', () => {
    expect(changedAreas(drawing, scene, { ...scene, glasses: [sky, { ...sun, second: FIRST_COLOUR }] })).toBeNull();
  });
  it('another order of the same glasses changes nothing', () => {
    const turned = scene.pieces.map((piece) => ({ ...piece, glass: 1 - piece.glass }));
    expect(changedAreas(drawing, scene, { ...scene, glasses: [sun, sky], pieces: turned })).toEqual([]);
  });
  it('is the place of a joint that was soldered, or is open again', () => {
    const dot = { x: 40, y: 0, r: 3, is: 'tin', edged: true } as const;
    const soldered: Scene = { ...scene, metal: { ...scene.metal, dots: [dot] } };
    const around = [{ x: 35, y: -5, width: 10, height: 10 }];
    expect(changedAreas(drawing, scene, soldered)).toEqual(around);
    expect(changedAreas(drawing, soldered, scene)).toEqual(around);
  });
  it.each([
    ['the light', { lighting: { kind: 'dusk', roomLit: false } }],
    ['the side', { mirrored: true }],
    ['what is shown', { chosen: true }],
    ['its seams', { metal: { ...scene.metal, seams: { d: 'M0 0L9 9', dark: false } } }],
    ['the width of its cames', { metal: { ...scene.metal, bands: [{ d: 'M0 0L9 9', faceMm: 6, isBorder: false }] } }],
    ['its pieces', { pieces: scene.pieces.slice(1) }],
  ] as const)('is all of it where %s changed', (_, change) => {
    expect(changedAreas(drawing, scene, { ...scene, ...change })).toBeNull();
  });
  it('is all of it against the light, which spills over its neighbours', () => {
    const lighting = { kind: 'clear', roomLit: false } as const;
    const now = { ...withPiece(4, { glass: 0 }), lighting };
    expect(changedAreas(drawing, { ...scene, lighting }, now)).toBeNull();
  });
});
