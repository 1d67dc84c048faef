import { stageIndex, type Route, type StepDefinition } from '#core/bench';
import { useSend } from '../../state/send.ts';
import type { PieceRow } from '../../state/studio.ts';
import { Check } from '../../ui/Check.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** Steps that only some pieces go through: layers of paint with their firings, a plate. Several are asked for together. */
export function AlsoGoesThrough({
  panelId,
  route,
  chosen,
}: {
  panelId: string;
  route: Route;
  chosen: readonly PieceRow[];
}) {
  const send = useSend();
  const groups = layersOf(route);
  if (groups.length === 0) return null;
  const numbers = chosen.map((p) => p.number);
  const asked = new Set(
    route.pieceSteps.filter((s) => chosen.every((p) => p.asks.includes(s.code))).map((s) => s.code),
  );
  const furthest = Math.max(...chosen.map((p) => stageIndex(route, p.stage)));
  const toggle = (group: readonly StepDefinition[], on: boolean) => {
    const codes = group.map(({ code }) => code);
    const change = on ? { steps: codes } : { steps: [], without: codes };
    void send.command({ kind: 'ask-steps', ask: { panelId, numbers, ...change } });
  };
  const words = groups.filter(([first]) => first && asked.has(first.code)).map((group) => group[0]?.word);
  return (
    <Fold title={words.length === 0 ? 'Painted, plated …' : `Also ${words.join(', ')}`} isOpen={words.length > 0}>
      <div className="grid">
        {groups.map((group) => {
          const [first] = group;
          if (!first) return null;
          const isPast = stageIndex(route, first.code) <= furthest;
          return (
            <Check
              key={first.code}
              checked={asked.has(first.code)}
              isFixed={isPast}
              onCheck={(on) => toggle(group, on)}
            >
              {group.map((step) => step.word).join(', then ')}
              {isPast && !asked.has(first.code) && <span className="block text-[14px] text-mute">it is past that</span>}
            </Check>
          );
        })}
      </div>
    </Fold>
  );
}

/** Each such step with the firing that follows it. */
function layersOf({ pieceSteps }: Route): StepDefinition[][] {
  const groups: StepDefinition[][] = [];
  for (const step of pieceSteps) {
    if (!step.onlyAsked) continue;
    if (step.code.endsWith('-fired')) groups.at(-1)?.push(step);
    else groups.push([step]);
  }
  return groups;
}
