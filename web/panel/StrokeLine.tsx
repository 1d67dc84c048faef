import type { Line } from '../material/lines.ts';

/** A line of a material along a path, for a print. Inside an svg, in mm. */
export const StrokeLine = ({ d, line: { colour, widthMm, alpha, dash } }: { d: string | undefined; line: Line }) => (
  <path
    d={d}
    fill="none"
    stroke={`var(--${colour})`}
    strokeWidth={widthMm}
    strokeOpacity={alpha}
    strokeDasharray={dash?.join(' ')}
  />
);
