import type { Glass, SheetPhoto } from '#core/stock';

/** All that says how a glass looks. */
export type GlassLook = Pick<Glass, 'colour' | 'second' | 'texture' | 'hiding' | 'coat' | 'flow'> & {
  /** Of the very sheet, where there is one: it is what shows then. */
  readonly photo?: Omit<SheetPhoto, 'id'> | undefined;
};

/** The same look has the same name: what is drawn of it is drawn once. */
export const lookName = ({ colour, second, texture, hiding, coat, flow, photo }: GlassLook): string =>
  [
    colour.toLowerCase(),
    second?.toLowerCase() ?? '',
    texture,
    hiding,
    coat,
    flow ? 'flow' : '',
    ...placeOf(photo),
  ].join(' ');
const placeOf = (photo: GlassLook['photo']): (string | number)[] =>
  photo ? [photo.hash, photo.x, photo.y, photo.widthMm, photo.heightMm] : [];

/** A number that a name stands for: the same glass looks the same everywhere (FNV-1a, 32 bits). */
export function seedOf(name: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** Where the square of a glass lies on a sheet, mm, and how it is turned: the flow of a sheet runs along its height. */
export function squareOnSheet(rootId: string): { readonly x: number; readonly y: number; readonly turnDeg: number } {
  const seed = seedOf(rootId);
  return { x: seed % 251, y: (seed >>> 8) % 251, turnDeg: 90 };
}
