import { cameLines, CEMENT_MM, seamLines } from '../material/lines.ts';
import type { Metal } from '../material/scene.ts';
import { StrokeLine } from './StrokeLine.tsx';

/** Lead or solder over the glass, for a print. Inside an svg, in mm. */
export const Metalwork = ({ metal: { bands, cemented, seams, dots } }: { metal: Metal }) => (
  <g fill="none" strokeLinecap="round" strokeLinejoin="round" style={{ pointerEvents: 'none' }}>
    {seams && seamLines(seams).map((line) => <StrokeLine key={line.colour} d={seams.d} line={line} />)}
    {bands.map((band) => (
      <g
        key={`${band.isBorder ? 'border' : 'inside'} ${band.faceMm}`}
        {...(band.isBorder ? { strokeLinecap: 'butt' as const, strokeLinejoin: 'miter' as const } : {})}
      >
        {cemented && <path d={band.d} stroke="var(--cement)" strokeWidth={band.faceMm + CEMENT_MM} />}
        {cameLines(band).map((line) => (
          <StrokeLine key={line.colour} d={band.d} line={line} />
        ))}
      </g>
    ))}
    {dots.map(({ x, y, r, is, edged }) => (
      <circle
        key={`${x} ${y}`}
        cx={x}
        cy={y}
        r={r}
        {...(is === 'tin'
          ? { fill: 'url(#solder-dot)', stroke: edged ? 'var(--tin-edge)' : 'none', strokeWidth: 0.4 }
          : { fill: 'var(--paper)', stroke: 'var(--copper)', strokeWidth: 1.1, strokeDasharray: '1.6 1.2' })}
      />
    ))}
  </g>
);
