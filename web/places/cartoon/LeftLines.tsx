import type { CartoonFinding } from '#core/cartoon';

/** Lines that bound nothing and were left out, dashed where they were drawn. */
export function LeftLines({ findings, unit }: { findings: readonly CartoonFinding[]; unit: number }) {
  return findings.map((f, i) =>
    'lines' in f && f.lines ? (
      <path
        key={i}
        data-left-out
        d={f.lines.map((line) => `M${line.map((p) => p.join()).join('L')}`).join('')}
        fill="none"
        stroke="var(--crack)"
        strokeOpacity={0.75}
        strokeWidth={unit * 0.2}
        strokeDasharray={`${unit * 0.9} ${unit * 0.6}`}
      />
    ) : null,
  );
}
