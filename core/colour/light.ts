/** Red, green and blue as amounts of light, 0 to 1 of what a white screen gives. */
export type Light = readonly [red: number, green: number, blue: number];

/** A channel of sRGB, 0 to 1, as light (IEC 61966-2-1). */
export const asLight = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

/** Light as a channel of sRGB, 0 to 1 (IEC 61966-2-1); more light than white is white. */
export function asChannel(amount: number): number {
  const light = Math.max(0, Math.min(1, amount));
  return light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
}

/**
 * @param hex a colour of the screen, `#rrggbb`
 * @throws where it is none
 */
export function lightOf(hex: string): Light {
  const [match, r = '', g = '', b = ''] = /^#([\da-f]{2})([\da-f]{2})([\da-f]{2})$/i.exec(hex) ?? [];
  if (match === undefined) throw new Error(`“${hex}” is no colour`);
  const of = (two: string) => asLight(parseInt(two, 16) / 255);
  return [of(r), of(g), of(b)];
}
