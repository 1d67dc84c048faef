import { memo } from 'react';
import { sightLine, type LineAllowance, type Opening } from '#core/sizing';
import { closed, type PanelPaths } from './paths.ts';

/** Where the frame will cover the panel, drawn over it: thin at any zoom, light and dark so that it is seen on any glass. */
export const SightLine = memo(function SightLine({
  paths,
  allowance,
  opening,
}: {
  paths: PanelPaths;
  allowance: LineAllowance;
  opening: Opening;
}) {
  const d = closed(sightLine(paths.cartoon, allowance, opening));
  const line = { d, fill: 'none', vectorEffect: 'non-scaling-stroke' as const };
  return (
    <g style={{ pointerEvents: 'none' }} data-testid="sight-line">
      <title>The sight line: what lies outside of it the frame covers.</title>
      <path {...line} stroke="var(--halo-strong)" strokeWidth={2.6} />
      <path {...line} stroke="var(--number)" strokeWidth={1.1} strokeDasharray="7 4" />
    </g>
  );
});
