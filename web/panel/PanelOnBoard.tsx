import type { Metal } from '../material/scene.ts';
import { JointNumbers } from './JointNumbers.tsx';
import { PanelPrint, type View } from './PanelPrint.tsx';
import type { Shown } from './shown.ts';

/** What lies over the painted panel: its joints' numbers, and all of it in lines for a print. */
export function PanelOnBoard({
  shown,
  look,
  metal,
  chosen = false,
}: {
  shown: Shown;
  look: View;
  metal: Metal;
  chosen?: boolean;
}) {
  return (
    <>
      <PanelPrint shown={shown} view={look} metal={metal} numbers={look !== 'joints'} chosen={chosen} />
      {look === 'joints' && <JointNumbers paths={shown.paths} />}
    </>
  );
}
