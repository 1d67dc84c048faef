import type { Texture } from '#core/stock';

/** What a texture is called. */
export const textureWords = (texture: Texture): string =>
  texture === 'fracture-streamer' ? 'fracture and streamer' : texture;
