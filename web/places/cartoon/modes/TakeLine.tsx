import { isInHand } from '#core/bench';
import { showNumbers } from '#core/units';
import { Button } from '../../../ui/Button.tsx';
import { CHANGING, type ModeProps } from './ModeProps.ts';

/** The line that is picked, and which two pieces it would join. */
export function TakeLine({ view, answer, desk }: ModeProps) {
  const [line] = desk.lines;
  if (line === undefined) return null;
  const sides = answer.cartoon.pieces.filter((p) => p.rings.flat().some((ref) => ref === line || ref === ~line));
  const [a, b] = sides;
  if (!a || !b) return <p className="text-[15px] text-risk">This line is the edge of the panel; it stays.</p>;
  const held = view.pieces.filter((p) => (p.number === a.number || p.number === b.number) && isInHand(p));
  if (held.length > 0)
    return (
      <p className="text-[15px] text-risk">
        Glass of {showNumbers(held.map((p) => p.number))} is cut already, so {a.number} and {b.number} stay two pieces.
      </p>
    );
  return (
    <Button
      look="go"
      unless={desk.busy ? CHANGING : null}
      onClick={() => void desk.edit({ kind: 'take-line', line }, 'Line taken away.')}
    >
      Join {a.number} and {b.number}
    </Button>
  );
}
