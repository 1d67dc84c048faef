import { memo } from 'react';
import type { PicturePaths } from './paths.ts';

/** The numbers of all joints. Inside an svg, in mm. */
export const JointNumbers = memo(function JointNumbers({ paths }: { paths: PicturePaths }) {
  const sizeMm = Math.max(5, Math.max(paths.box.width, paths.box.height) / 90);
  return (
    <g
      aria-hidden
      fill="var(--number)"
      fontSize={sizeMm}
      fontWeight={650}
      textAnchor="middle"
      style={{ pointerEvents: 'none', paintOrder: 'stroke', stroke: 'var(--halo-strong)', strokeWidth: 1.5 }}
    >
      {paths.joints.map(({ number, at: [x, y] }) => (
        <text key={number} x={x} y={y - sizeMm * 0.9}>
          {number}
        </text>
      ))}
    </g>
  );
});
