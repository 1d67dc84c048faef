import type { Joint } from '#core/cartoon';
import type { LayingPlan } from '#core/laying';
import type { PanelPaths } from '../../../panel/paths.ts';

/** The panel as it is laid out: what is to come is paper, the piece in hand stands out, with strips and what is tacked now. */
export function LayingLayer({
  plan: { steps, holding },
  paths,
  joints,
  step,
}: {
  plan: LayingPlan;
  paths: PanelPaths;
  joints: readonly Joint[];
  step: number;
}) {
  const now = steps[step];
  const unit = Math.max(paths.box.width, paths.box.height) / 100;
  const all = step >= steps.length - 1;
  const strips = all ? [...holding.first, ...holding.last] : holding.first;
  const tacks = joints.filter((joint) => now?.tacks.includes(joint.number));
  return (
    <g aria-hidden className="pointer-events-none" fill="none" strokeLinecap="round">
      {steps.slice(step + 1).map(({ piece }) => (
        <path key={piece} d={paths.region.get(piece) ?? ''} fill="var(--paper)" fillOpacity={0.86} />
      ))}
      {strips.map(({ from, to }) => (
        <path
          key={`${from.join()} ${to.join()}`}
          d={`M${from.join(' ')}L${to.join(' ')}`}
          stroke="var(--ledge-3)"
          strokeWidth={unit * 1.6}
          strokeLinecap="butt"
        />
      ))}
      {now && <path d={paths.region.get(now.piece) ?? ''} stroke="var(--copper)" strokeWidth={unit * 0.7} />}
      {tacks.map(({ number, at: [x, y] }) => (
        <circle
          key={number}
          cx={x}
          cy={y}
          r={unit * 1.1}
          fill="var(--bright)"
          stroke="var(--copper)"
          strokeWidth={unit * 0.35}
        />
      ))}
    </g>
  );
}
