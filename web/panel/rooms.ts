import { roomOf } from '../material/lighting.ts';
import type { Lighting } from '../material/scene.ts';

/** The room round a panel, as a style says it. */
export const roomColour = (lighting: Lighting): string => `var(--${roomOf(lighting)})`;
