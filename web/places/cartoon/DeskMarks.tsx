import type { CartoonAnswer } from '#contract';
import type { Point } from '#core/geometry';
import type { PanelPaths } from '../../panel/paths.ts';
import { LeftLines } from './LeftLines.tsx';
import type { Desk } from './useDesk.ts';

/** What is being tapped, proposed or pointed at, over the sheet. */
export function DeskMarks({ desk, paths, answer }: { desk: Desk; paths: PanelPaths; answer: CartoonAnswer }) {
  const { cartoon } = answer;
  const unit = Math.max(paths.box.width, paths.box.height) / 100;
  const node = desk.node === null ? undefined : cartoon.map.nodes[desk.node];
  const line = (points: readonly Point[]) => `M${points.map((p) => p.join(' ')).join('L')}`;
  return (
    <g style={{ pointerEvents: 'none' }} fill="none">
      {(desk.mode === 'look' || desk.mode === 'add-line') && <LeftLines findings={answer.findings} unit={unit} />}
      {(desk.mode === 'move-node' || desk.mode === 'add-line') &&
        cartoon.map.nodes.map(([x, y], i) => (
          <circle
            key={i}
            cx={x}
            cy={y}
            r={unit * 0.45}
            fill="var(--bright)"
            stroke="var(--held)"
            strokeWidth={unit * 0.14}
          />
        ))}
      {[...desk.lines].map((i) => (
        <path
          key={i}
          d={paths.lines[i]}
          stroke="var(--copper)"
          strokeWidth={unit * 0.7}
          strokeLinecap="round"
          data-picked-line={i}
        />
      ))}
      {desk.mode === 'look' &&
        desk.cure.answer?.lines.map((points, i) => (
          <path key={i} d={line(points)} stroke="var(--bright)" strokeWidth={unit * 0.8} strokeLinecap="round" />
        ))}
      {desk.mode === 'look' &&
        desk.cure.answer?.lines.map((points, i) => (
          <path
            key={`p${i}`}
            d={line(points)}
            stroke="var(--copper)"
            strokeWidth={unit * 0.5}
            strokeDasharray={`${unit * 1.1} ${unit * 0.6}`}
            data-proposed
          />
        ))}
      {desk.taps.length > 0 && (
        <>
          <path d={line(desk.taps)} stroke="var(--copper)" strokeWidth={unit * 0.4} />
          {desk.taps.map(([x, y], i) => (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={unit * 0.6}
              fill="var(--bright)"
              stroke="var(--copper)"
              strokeWidth={unit * 0.25}
            />
          ))}
        </>
      )}
      {node && (
        <circle
          cx={node[0]}
          cy={node[1]}
          r={unit * 1.1}
          stroke="var(--copper)"
          strokeWidth={unit * 0.4}
          data-picked-node={desk.node}
        />
      )}
      {desk.caught && (
        <g stroke="var(--copper)" data-caught={desk.caught.node === null ? 'line' : 'joint'}>
          {desk.caught.line !== null && (
            <path
              d={paths.lines[desk.caught.line]}
              strokeOpacity={0.55}
              strokeWidth={unit * 0.5}
              strokeLinecap="round"
            />
          )}
          <circle
            cx={desk.caught.at[0]}
            cy={desk.caught.at[1]}
            r={unit * (desk.caught.node === null ? 0.5 : 0.9)}
            fill="var(--bright)"
            strokeWidth={unit * 0.3}
          />
        </g>
      )}
      {desk.spot && (
        <g stroke="var(--crack)" strokeWidth={unit * 0.35} data-spot>
          <circle cx={desk.spot[0]} cy={desk.spot[1]} r={unit * 2.6} />
          <circle cx={desk.spot[0]} cy={desk.spot[1]} r={unit * 0.5} fill="var(--crack)" />
        </g>
      )}
    </g>
  );
}
