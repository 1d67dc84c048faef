import { useSyncExternalStore } from 'react';
import type { GlassLook, LightKind } from '#core/glass';
import { onTile, tileUrl } from './painting.ts';

/** The picture of a glass, 256 mm square and without a seam, its flow from left to right; null until it is there. */
export const useTile = (look: GlassLook, light: LightKind = 'bench'): string | null =>
  useSyncExternalStore(
    (wake) => onTile(look, light, wake),
    () => tileUrl(look, light),
  );
