import type { ReactNode } from 'react';
import type { HelpPlace } from './help.ts';

/** Five panes of a small light: a hill, a sun, a sky. */
const PANES = [
  'M0 0H44C40 18 46 30 38 46L0 52Z',
  'M44 0H100V40C84 46 70 44 62 38C54 32 44 34 38 46C46 30 40 18 44 0Z',
  'M0 52L38 46C52 60 50 78 34 90L0 96Z',
  'M38 46C44 34 54 32 62 38C70 44 84 46 100 40V84C80 92 60 82 34 90C50 78 52 60 38 46Z',
  'M0 96L34 90C60 82 80 92 100 84V140H0Z',
] as const;
const COLOURS = ['var(--pane-1)', 'var(--pane-2)', 'var(--pane-3)', 'var(--pane-4)', 'var(--pane-5)'] as const;
const MIDDLES = [
  [20, 26],
  [72, 20],
  [20, 72],
  [66, 62],
  [52, 116],
] as const;
const JOINTS = [
  [44, 0],
  [38, 46],
  [100, 40],
  [0, 52],
  [34, 90],
  [0, 96],
  [100, 84],
] as const;

function Light({ at = [0, 0], scale = 1, upTo = 5, lead = false }: LightProps) {
  return (
    <g transform={`translate(${at[0]} ${at[1]}) scale(${scale})`} strokeLinejoin="round">
      {PANES.map((d, i) => (
        <path key={d} d={d} fill={i < upTo ? COLOURS[i] : 'var(--paper)'} stroke="var(--score)" strokeWidth={0.6} />
      ))}
      {lead && <path d={PANES.join('')} fill="none" stroke="var(--came)" strokeWidth={4} />}
    </g>
  );
}
interface LightProps {
  readonly at?: readonly [number, number];
  readonly scale?: number;
  readonly upTo?: number;
  readonly lead?: boolean;
}

/** A finger that has just tapped. */
const Tap = ({ at: [x, y] }: { at: readonly [number, number] }) => (
  <g fill="none" stroke="var(--copper)">
    <circle cx={x} cy={y} r={5} fill="var(--copper)" fillOpacity={0.3} strokeWidth={2} />
    <circle cx={x} cy={y} r={11} strokeWidth={1.2} strokeOpacity={0.6} />
  </g>
);

const PICTURES: Readonly<Record<HelpPlace, ReactNode>> = {
  today: (
    <>
      <Light at={[40, 30]} scale={0.75} lead />
      <Light at={[150, 51]} scale={0.6} upTo={3} />
      <path d="M20 136H280" stroke="var(--joint-edge)" strokeWidth={7} />
    </>
  ),
  jobs: (
    <>
      {[0, 1, 2].map((i) => (
        <g key={i} transform={`translate(30 ${16 + i * 46})`}>
          <Light scale={0.28} upTo={5 - 2 * i} lead={i === 0} />
          <path d="M46 12H150M46 26H110" stroke="var(--strong)" strokeWidth={4} strokeLinecap="round" />
          <path d="M196 18H240" stroke="var(--copper)" strokeWidth={5} strokeLinecap="round" />
        </g>
      ))}
    </>
  ),
  job: (
    <>
      <Light at={[40, 10]} scale={0.95} lead />
      <g fill="var(--strong)">
        {[0, 1, 2].map((i) => (
          <circle key={i} cx={190 + i * 16} cy={40} r={5} />
        ))}
      </g>
      <rect x={176} y={60} width={92} height={70} rx={6} fill="var(--raised)" stroke="var(--line)" strokeWidth={1.5} />
      <path d="M190 78H246M190 96H232M190 114H240" stroke="var(--mute)" strokeWidth={4} strokeLinecap="round" />
    </>
  ),
  rack: (
    <>
      {COLOURS.map((colour, i) => (
        <g key={colour}>
          <rect
            x={30 + i * 50}
            y={20 + i * 12}
            width={36}
            height={110 - i * 12}
            fill={colour}
            fillOpacity={0.3}
            stroke="var(--score)"
          />
          <rect x={30 + i * 50} y={50 + i * 12} width={36} height={80 - i * 12} fill={colour} />
        </g>
      ))}
      <path d="M16 134H290" stroke="var(--joint-edge)" strokeWidth={7} />
    </>
  ),
  supplies: (
    <>
      <path d="M16 130H290" stroke="var(--ledge-3)" strokeWidth={8} />
      <circle cx={70} cy={90} r={34} fill="var(--copper)" />
      <circle cx={70} cy={90} r={16} fill="var(--sheet)" stroke="var(--strong)" />
      {[0, 1, 2, 3, 4].map((i) => (
        <rect key={i} x={130 + i * 11} y={20} width={8} height={106} fill="var(--came)" />
      ))}
      <rect x={214} y={64} width={54} height={62} rx={6} fill="var(--raised)" stroke="var(--strong)" strokeWidth={2} />
      <rect x={218} y={92} width={46} height={30} rx={3} fill="var(--supply-patina)" />
      <rect x={230} y={52} width={22} height={12} rx={3} fill="var(--strong)" />
    </>
  ),
  materials: (
    <>
      <Light at={[26, 8]} lead />
      <rect x={160} y={64} width={100} height={26} fill="var(--section-glass)" stroke="var(--score)" />
      <path d="M190 60H156V94H190" fill="none" stroke="var(--copper)" strokeWidth={5} />
      <path d="M160 116H260M160 130H220" stroke="var(--strong)" strokeWidth={4} strokeLinecap="round" />
    </>
  ),
  reckoning: (
    <>
      {[120, 180, 90, 60].map((w, i) => (
        <rect
          key={w}
          x={40}
          y={20 + i * 30}
          width={w}
          height={18}
          rx={3}
          fill={i === 1 ? 'var(--copper)' : 'var(--bar)'}
        />
      ))}
      <path d="M40 10V142" stroke="var(--strong)" strokeWidth={2} />
    </>
  ),
  setup: (
    <>
      <circle cx={90} cy={62} r={26} fill="var(--copper)" />
      <path d="M50 134C54 100 126 100 130 134Z" fill="var(--copper)" fillOpacity={0.6} />
      <rect x={160} y={60} width={116} height={30} fill="var(--raised)" stroke="var(--strong)" strokeWidth={1.5} />
      <path
        d="M170 60V72M186 60V68M202 60V72M218 60V68M234 60V72M250 60V68M266 60V72"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
    </>
  ),
  measure: (
    <>
      <rect x={150} y={58} width={130} height={36} fill="var(--section-glass)" stroke="var(--score)" />
      <rect x={138} y={52} width={12} height={48} fill="var(--section-lead)" />
      <rect x={96} y={38} width={96} height={15} rx={6} fill="var(--section-lead)" />
      <rect x={96} y={99} width={96} height={15} rx={6} fill="var(--section-lead)" />
      <path d="M30 20H66V112H96V138H30Z" fill="var(--section-stone)" />
      <path d="M96 24V146M150 24V146M192 24V146" stroke="var(--mute)" strokeDasharray="4 4" />
    </>
  ),
  cartoon: (
    <g transform="translate(90 6)">
      {PANES.map((d) => (
        <path key={d} d={d} fill="var(--paper)" stroke="var(--ink-line)" strokeWidth={1.2} />
      ))}
      {MIDDLES.map(([x, y], i) => (
        <text key={x} x={x} y={y} fontSize={11} textAnchor="middle" fill="var(--pencil-mute)" fontWeight={600}>
          {i + 1}
        </text>
      ))}
      <path d="M62 38L70 88" stroke="var(--copper)" strokeWidth={2} strokeDasharray="5 3" />
      <circle cx={62} cy={38} r={4} fill="var(--bright)" stroke="var(--copper)" strokeWidth={2} />
    </g>
  ),
  glass: (
    <>
      <Light at={[40, 8]} upTo={3} />
      <Tap at={[106, 74]} />
      {COLOURS.map((colour, i) => (
        <rect
          key={colour}
          x={190}
          y={12 + i * 27}
          width={72}
          height={20}
          rx={4}
          fill={colour}
          stroke={i === 3 ? 'var(--copper)' : 'var(--line)'}
          strokeWidth={i === 3 ? 3 : 1}
        />
      ))}
    </>
  ),
  bench: (
    <>
      <Light at={[40, 4]} scale={0.8} upTo={3} />
      <g transform="translate(40 4) scale(0.8)" fill="none">
        <path d={PANES[0]} stroke="var(--foil)" strokeWidth={4} />
        <path d={PANES[2]} stroke="var(--frost)" strokeWidth={4} />
      </g>
      <rect x={30} y={124} width={240} height={26} rx={5} fill="var(--raised)" stroke="var(--copper)" strokeWidth={2} />
      <text x={42} y={142} fontSize={14} fill="var(--ink)">
        2 4 cut
      </text>
      <text x={258} y={142} fontSize={12} textAnchor="end" fill="var(--mute)">
        2 pieces cut
      </text>
    </>
  ),
  finish: (
    <>
      <Light at={[100, 6]} lead />
      <g transform="translate(100 6)">
        {JOINTS.map(([x, y], i) => (
          <circle
            key={`${x} ${y}`}
            cx={x}
            cy={y}
            r={4.5}
            fill={i === 4 ? 'var(--paper)' : 'var(--tin)'}
            stroke={i === 4 ? 'var(--copper)' : 'var(--joint-edge)'}
            strokeWidth={i === 4 ? 2 : 0.8}
          />
        ))}
      </g>
      <path
        d="M60 132L122 100M110 98L123 99L117 111"
        fill="none"
        stroke="var(--copper)"
        strokeWidth={3}
        strokeLinecap="round"
      />
    </>
  ),
  hours: (
    <>
      <circle cx={90} cy={76} r={52} fill="var(--raised)" stroke="var(--strong)" strokeWidth={3} />
      <path d="M90 76V24A52 52 0 0 1 138 96Z" fill="var(--copper)" fillOpacity={0.55} />
      <path d="M90 76V38M90 76L118 90" stroke="var(--ink)" strokeWidth={4} strokeLinecap="round" />
      <path d="M176 44H270M176 74H250M176 104H262" stroke="var(--strong)" strokeWidth={5} strokeLinecap="round" />
    </>
  ),
  papers: (
    <>
      {[
        [54, 10],
        [152, 10],
      ].map(([x = 0, y = 0]) => (
        <rect key={x} x={x} y={y} width={92} height={132} fill="var(--print-paper)" stroke="var(--strong)" />
      ))}
      <Light at={[99, 22]} scale={0.75} upTo={0} />
      <path d="M141 14V138M157 14V138" stroke="var(--copper)" strokeWidth={1.4} strokeDasharray="5 4" />
      <path d="M62 134H112M62 134V128M87 134V130M112 134V128" stroke="var(--print)" strokeWidth={1.6} fill="none" />
    </>
  ),
};

/** A small picture of what is done at a place. */
export const HelpPicture = ({ place }: { place: HelpPlace }) => (
  <svg aria-hidden viewBox="0 0 300 156" className="w-full rounded-md border border-line bg-top">
    {PICTURES[place]}
  </svg>
);
