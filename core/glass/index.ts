export { lookName, seedOf, squareOnSheet, type GlassLook } from './look.ts';
export { glassTile, TILE_MM, AMOUNT, type GlassTile } from './sheet.ts';
export { developed, LIGHT_KINDS, LIGHTS, type LightKind, type Lit } from './lights.ts';
export { cornersFault, evenlyLit, meanColour, straightened, throughPhoto, type Corners, type Dots } from './photo.ts';
export type { Light } from '#core/colour';
