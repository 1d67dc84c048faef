import { showNumbers } from '#core/units';
import { useSend } from '../../../state/send.ts';
import { Button } from '../../../ui/Button.tsx';
import type { ModeProps } from './ModeProps.ts';

/** The flow of picked pieces. */
export function Flow({ view, selected }: ModeProps) {
  const send = useSend();
  const numbers = [...selected];
  const withFlow = view.pieces
    .filter((p) => selected.has(p.number) && (p.flowDeg ?? null) !== null)
    .map((p) => p.number);
  return (
    <div className="grid gap-2">
      <p>
        {numbers.length === 0
          ? 'No pieces picked: the arrow is for the piece it begins in.'
          : `Picked: ${showNumbers(numbers)}.`}
      </p>
      <div className="grid grid-cols-4 gap-2">
        {[0, 45, 90, 135].map((deg) => (
          <Button
            key={deg}
            look="line"
            className="px-0"
            unless={numbers.length === 0 ? 'Pick the pieces first.' : null}
            aria-label={`Flow at ${deg} degrees`}
            onClick={() => void send.command({ kind: 'mark', ask: { panelId: view.panel.id, numbers, flowDeg: deg } })}
          >
            <svg aria-hidden width="30" height="30" viewBox="-15 -15 30 30">
              <path
                d="M-11 0H9M4 -5L10 0L4 5"
                transform={`rotate(${deg})`}
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
              />
            </svg>
          </Button>
        ))}
      </div>
      <Button
        unless={withFlow.length === 0 ? 'Nothing picked has a flow.' : null}
        onClick={() =>
          void send.command({ kind: 'mark', ask: { panelId: view.panel.id, numbers: withFlow, flowDeg: null } })
        }
      >
        Any way will do
      </Button>
    </div>
  );
}
