import type { LeadPlan } from '#core/leading';
import type { PanelPaths } from '../../../panel/paths.ts';
import { open } from '../../../panel/paths.ts';

/** The panel as it grows: what lies already is glass and came, what comes now stands out, the rest is paper. */
export function LeadingLayer({
  plan,
  paths,
  step,
  faceMm,
}: {
  plan: LeadPlan;
  paths: PanelPaths;
  step: number;
  faceMm: number;
}) {
  const now = plan.order[step];
  const later = plan.order.slice(step + 1).flatMap(({ piece }) => piece ?? []);
  const laid = plan.order.slice(0, step).flatMap(({ runs }) => runs);
  const pathOf = (run: number) =>
    (plan.runs[run]?.lines ?? []).map((ref) => open(plan.lines[ref < 0 ? ~ref : ref]?.path ?? [])).join('');
  return (
    <g aria-hidden className="pointer-events-none" strokeLinecap="round" strokeLinejoin="round" fill="none">
      {later.map((piece) => (
        <path key={piece} d={paths.region.get(piece) ?? ''} fill="var(--paper)" fillOpacity={0.86} />
      ))}
      {plan.runs.map((_, run) => (
        <path key={run} d={pathOf(run)} stroke="var(--paper-line)" strokeWidth={0.8} strokeDasharray="3 2.5" />
      ))}
      {laid.map((run) => (
        <path key={run} d={pathOf(run)} stroke="var(--came)" strokeWidth={faceMm} />
      ))}
      {now !== undefined && now.piece !== null && (
        <path d={paths.region.get(now.piece) ?? ''} stroke="var(--copper)" strokeWidth={faceMm * 0.55} />
      )}
      {now?.runs.map((run) => (
        <path key={run} d={pathOf(run)} stroke="var(--copper)" strokeWidth={faceMm} />
      ))}
    </g>
  );
}
