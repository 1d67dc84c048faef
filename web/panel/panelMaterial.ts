import type { Lighting } from '../material/scene.ts';
import type { Lightings } from './useLighting.ts';
import type { Material } from './Board.tsx';
import { metalOf } from './metal.ts';
import type { View } from './PanelPrint.tsx';
import { drawnOf, sceneOf } from './sceneOf.ts';
import type { Shown } from './shown.ts';
import type { PicturedPiece } from './standing.ts';

interface Asked {
  readonly look: View;
  readonly lighting: Lighting;
  readonly beside?: Lightings['beside'];
  readonly chosen?: boolean;
}

/** A panel as a board shows it; against the light it is seen as it will be with all its lead or solder. */
export function panelMaterial(
  shown: Shown,
  { look, lighting, beside = null, chosen = false }: Asked,
): Omit<Material, 'ref'> {
  const lit = look === 'lit';
  const { paths, panel, pieces } = shown;
  const metal = metalOf({
    paths,
    panel,
    pieces,
    side: look === 'back' ? 'back' : 'front',
    jointsOnly: look === 'joints',
    finished: lit,
  });
  const sceneIn = (light: Lighting | null) =>
    sceneOf(shown, metal, { lighting: light, chosen, mirrored: look === 'back', dots: false });
  return {
    drawn: drawnOf(paths),
    scene: sceneIn(lit ? lighting : null),
    beside: lit && beside ? sceneIn(beside) : null,
    dots: chosen ? null : shown.glasses,
    numbered: lit || look === 'joints' ? NONE : pieces,
  };
}

const NONE: readonly PicturedPiece[] = [];
