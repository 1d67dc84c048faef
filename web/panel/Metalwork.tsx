import { memo, useMemo } from 'react';
import { isBuiltIn, stepOf, type Side } from '#core/bench';
import { cameBands, type LineAllowance } from '#core/sizing';
import { open, type PicturePaths } from './paths.ts';
import { looks, solderStep, type Pictured, type PicturedPiece } from './standing.ts';

const always = () => true;

interface MetalworkProps {
  readonly paths: PicturePaths;
  readonly panel: Pictured;
  readonly pieces: readonly PicturedPiece[];
  readonly side: Side;
  readonly jointsOnly: boolean;
  readonly lit: boolean;
}

/** Lead or solder over the glass: cames at their face width, tacks, seams of the side in view, ticked joints. */
export const Metalwork = memo(function Metalwork({ paths, panel, pieces, side, jointsOnly, lit }: MetalworkProps) {
  const { route, steps } = panel;
  const tacked = new Set(pieces.filter((p) => isBuiltIn(route, p)).map((p) => p.number));
  const leaded = new Set(pieces.filter((p) => stepOf(route, p.stage)?.look === 'leaded').map((p) => p.number));
  const onSide = new Set(panel.soldered[side]);
  const onOther = new Set(panel.soldered[side === 'front' ? 'back' : 'front']);
  // Looking for joints, one counts as done when both sides are: the missed one on the back is the classic fault.
  const soldered = jointsOnly ? new Set([...onSide].filter((id) => onOther.has(id))) : onSide;
  const labelMm = Math.max(5, Math.max(paths.box.width, paths.box.height) / 90);
  const isWhole = steps[solderStep(route, side) ?? ''] !== undefined;
  const dark = looks(panel, 'dark');
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round" style={{ pointerEvents: 'none' }}>
      {panel.technique === 'lead' ? (
        <Cames
          paths={paths}
          allowance={panel.allowance}
          isLed={(line) => (paths.sides[line] ?? []).some((n) => leaded.has(n))}
          cemented={looks(panel, 'cemented')}
        />
      ) : isWhole ? (
        <>
          <Seams paths={paths} dark={dark} lit={lit} />
          {paths.cartoon && <Cames paths={paths} allowance={panel.allowance} isLed={always} cemented={false} />}
        </>
      ) : null}
      {!lit &&
        paths.joints.map((joint) => {
          const [x, y] = joint.at;
          const isTacked =
            panel.technique === 'foil' && joint.pieces.length > 0 && joint.pieces.every((n) => tacked.has(n));
          const done = soldered.has(joint.number);
          if (done && panel.technique === 'lead')
            return <SolderedJoint key={joint.number} x={x} y={y} r={panel.allowance.faceMm * 0.72} />;
          if ((!isWhole || jointsOnly) && (done || (isTacked && !jointsOnly)))
            return (
              <circle
                key={joint.number}
                cx={x}
                cy={y}
                r={done ? 3.6 : 2.3}
                fill="url(#solder-dot)"
                stroke={done ? 'var(--tin-edge)' : 'none'}
                strokeWidth={0.4}
              />
            );
          return jointsOnly && !done ? (
            <circle
              key={joint.number}
              cx={x}
              cy={y}
              r={3.4}
              fill="var(--paper)"
              stroke="var(--copper)"
              strokeWidth={1.1}
              strokeDasharray="1.6 1.2"
            />
          ) : null;
        })}
      {jointsOnly && (
        <g aria-hidden fill="var(--number)" fontSize={labelMm} fontWeight={650} textAnchor="middle" stroke="none">
          {paths.joints.map(({ number, at: [x, y] }) => (
            <text
              key={number}
              x={x}
              y={y - labelMm * 0.9}
              style={{ paintOrder: 'stroke', stroke: 'var(--halo-strong)', strokeWidth: 1.5 }}
            >
              {number}
            </text>
          ))}
        </g>
      )}
    </g>
  );
});

interface CamesProps {
  readonly paths: PicturePaths;
  readonly allowance: LineAllowance;
  /** Whether the came along a line lies there already. */
  readonly isLed: (line: number) => boolean;
  readonly cemented: boolean;
}

/** Cames at their own widths; that of the border lies beside the outline, on the glass's edge. */
function Cames({ paths, allowance, isLed, cemented }: CamesProps) {
  const { cartoon, lines } = paths;
  const bands = useMemo(
    () =>
      cartoon
        ? cameBands(cartoon, allowance).map((band) => ({ ...band, d: open(band.points) }))
        : lines.map((d, line) => ({ line, d, faceMm: allowance.faceMm, isBorder: false })),
    [cartoon, lines, allowance],
  );
  const widths = new Map<string, { d: string; faceMm: number; isBorder: boolean }>();
  for (const { line, d, faceMm, isBorder } of bands) {
    if (!isLed(line)) continue;
    const key = `${isBorder ? 'border' : 'inside'} ${faceMm}`;
    widths.set(key, { d: `${widths.get(key)?.d ?? ''}${d}`, faceMm, isBorder });
  }
  return (
    <>
      {[...widths].map(([key, { d, faceMm, isBorder }]) => (
        <g key={key} {...(isBorder ? { strokeLinecap: 'butt' as const, strokeLinejoin: 'miter' as const } : {})}>
          {cemented && <path d={d} stroke="var(--cement)" strokeWidth={faceMm + 1.6} />}
          <path d={d} stroke="var(--came)" strokeWidth={faceMm} />
          <path d={d} stroke="var(--came-shine)" strokeWidth={faceMm * 0.42} />
          <path d={d} stroke="var(--came-glint)" strokeOpacity={0.5} strokeWidth={faceMm * 0.1} />
        </g>
      ))}
    </>
  );
}

function Seams({ paths, dark, lit }: { paths: PicturePaths; dark: boolean; lit: boolean }) {
  const all = paths.lines.join('');
  if (lit) return <path d={all} stroke="var(--dark-seam)" strokeWidth={4.4} />;
  return (
    <>
      <path d={all} stroke={dark ? 'var(--patina)' : 'var(--solder)'} strokeWidth={4.6} />
      <path d={all} stroke={dark ? 'var(--patina-mid)' : 'var(--solder-mid)'} strokeWidth={2.3} />
      <path
        d={all}
        stroke={dark ? 'var(--patina-shine)' : 'var(--solder-shine)'}
        strokeOpacity={0.9}
        strokeWidth={0.6}
      />
    </>
  );
}

function SolderedJoint({ x, y, r }: { x: number; y: number; r: number }) {
  return <circle cx={x} cy={y} r={r} fill="url(#solder-dot)" stroke="var(--joint-edge)" strokeWidth={0.35} />;
}
