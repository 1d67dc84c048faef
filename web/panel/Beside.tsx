import type { Drawn, Scene } from '../material/scene.ts';
import { useLight } from '../state/light.ts';
import type { Placed } from './camera.ts';
import { GlassLayer } from './GlassLayer.tsx';
import { roomColour } from './rooms.ts';

/** So far every board reaches, px. */
const FAR = 9999;

/** The same panel in another light, over the first from a share of its width on. */
export function Beside({ drawn, scene, placed }: { drawn: Drawn; scene: Scene; placed: Placed }) {
  const from = useLight((light) => light.from);
  const x = placed.x + placed.pxPerMm * (drawn.box.x + from * drawn.box.width);
  return (
    <div
      className="pointer-events-none absolute inset-0 print:hidden"
      style={{ clipPath: `polygon(${x}px ${-FAR}px, ${FAR}px ${-FAR}px, ${FAR}px ${FAR}px, ${x}px ${FAR}px)` }}
    >
      <div
        className="absolute -inset-[200%]"
        style={{ background: scene.lighting ? roomColour(scene.lighting) : undefined }}
      />
      <GlassLayer drawn={drawn} scene={scene} placed={placed} />
      <div className="absolute w-0.5 bg-copper" style={{ left: x, top: -FAR, bottom: -FAR }} data-parting />
    </div>
  );
}
