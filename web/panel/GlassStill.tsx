import { useMemo, useRef } from 'react';
import type { Area, Drawn, Scene } from '../material/scene.ts';
import { fitted } from './camera.ts';
import { GlassLayer } from './GlassLayer.tsx';
import { useSize } from './useSize.ts';

/** A panel as glass that nobody moves, as large as its place allows. */
export function GlassStill({ drawn, scene, area }: { drawn: Drawn; scene: Scene; area: Area }) {
  const place = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(place, 'still');
  const placed = useMemo(() => fitted(area, width, height), [area, width, height]);
  return (
    <div ref={place} className="absolute inset-0">
      <GlassLayer drawn={drawn} scene={scene} placed={placed} />
    </div>
  );
}
