import type { Point } from '#core/geometry';
import type { PanelPaths } from './paths.ts';

/** What is marked on a panel as it lies on the board. */
export interface OnPanel {
  readonly paths: PanelPaths;
  readonly selected: ReadonlySet<number>;
  /** Pieces and joints that a line being typed means. */
  readonly meant: ReadonlySet<number>;
  readonly meantJoints: ReadonlySet<number>;
  readonly dark: boolean;
}

interface PickedProps extends OnPanel {
  readonly lasso: readonly Point[] | null;
  readonly crosshair: Point | null;
  /** How far the crosshair reaches each way, mm. */
  readonly pad: number;
}

/** What is picked, meant by a line being typed, or being drawn round, over the panel. Inside an svg, in mm. */
export function Picked({ paths, selected, meant, meantJoints, dark, lasso, crosshair, pad }: PickedProps) {
  return (
    <g fill="none">
      {[...meant].map((n) => (
        <path
          key={n}
          d={paths.region.get(n)}
          fill="var(--copper)"
          fillOpacity={0.22}
          stroke="var(--copper)"
          strokeWidth={1.4}
          data-meant={n}
        />
      ))}
      {paths.joints
        .filter((j) => meantJoints.has(j.number))
        .map((j) => (
          <circle
            key={j.number}
            cx={j.at[0]}
            cy={j.at[1]}
            r={5.5}
            stroke="var(--copper)"
            strokeWidth={1.6}
            data-meant-joint={j.number}
          />
        ))}
      {[...selected].map((n) => (
        <g key={n} data-selected={n}>
          <path d={paths.region.get(n)} stroke={dark ? 'var(--pick-dark)' : 'var(--pencil)'} strokeWidth={1.9} />
          <path
            d={paths.region.get(n)}
            stroke={dark ? 'var(--pencil)' : 'var(--bright)'}
            strokeWidth={0.8}
            strokeDasharray="3.5 2.6"
          />
        </g>
      ))}
      {crosshair && (
        <path
          d={`M${crosshair[0] - pad} ${crosshair[1]}h${2 * pad}M${crosshair[0]} ${crosshair[1] - pad}v${2 * pad}`}
          stroke="var(--copper)"
          strokeWidth={0.7}
        />
      )}
      {lasso && (
        <path
          d={`M${lasso.map((p) => p.join(' ')).join('L')}Z`}
          stroke="var(--copper)"
          strokeWidth={1.2}
          strokeDasharray="4 3"
          fill="var(--copper)"
          fillOpacity={0.08}
        />
      )}
    </g>
  );
}
