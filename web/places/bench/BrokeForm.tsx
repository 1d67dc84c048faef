import { useState } from 'react';
import { BEGINS, BREAK_REASON_CODES, reasonWords, type BreakReason } from '#core/bench';
import { BOUNDS, isWithin } from '#core/limits';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import type { InHandProps } from './inHand.ts';

/** Why it broke and what that cost; then it is to be cut again, or is cut again at once. */
export function BrokeForm({ view, numbers, ask, close }: InHandProps & { close: () => void }) {
  const [reason, setReason] = useState<BreakReason>('score-ran-off');
  const [minutes, setMinutes] = useState('');
  const send = useSend();
  const time = Number(minutes || 0);
  const { least, most } = BOUNDS.breakMin;
  const problem = isWithin(time, BOUNDS.breakMin) ? null : `Minutes as a number, ${least} to ${most}.`;
  const same = new Set(view.pieces.filter((p) => numbers.includes(p.number)).map((p) => p.glassId));
  const [glassId] = same;
  // Glass in hand has left the rack; what breaks while it is cut leaves it now.
  const isUncut = view.pieces.some((p) => numbers.includes(p.number) && p.stage === BEGINS);
  const from = (isLost: boolean) => {
    close();
    ask([{ glassId: glassId as string, numbers }], { reason, minutes: time, ...(isLost ? { isLost } : {}) });
  };
  return (
    <form className="flex flex-col gap-2.5" onSubmit={(event) => event.preventDefault()} aria-label="What broke it">
      <ChoiceField
        label="Why"
        value={reason}
        onChoice={setReason}
        options={BREAK_REASON_CODES.map((value) => ({ value, text: reasonWords(value) }))}
      />
      <TextField
        label="Minutes it cost"
        inputMode="numeric"
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        placeholder="0"
        problem={problem}
      />
      <Button
        look="go"
        disabled={problem !== null || (isUncut && (same.size !== 1 || !glassId))}
        onClick={() =>
          isUncut
            ? from(true)
            : void send
                .command({
                  kind: 'break',
                  ask: { panelId: view.panel.id, numbers, reason, minutes: time, recut: null },
                })
                .then((done) => done && close())
        }
      >
        {isUncut ? 'Broke in cutting, out of …' : 'Broke: back to be cut'}
      </Button>
      <div className="grid grid-cols-2 gap-2">
        <Button disabled={problem !== null || same.size !== 1 || !glassId} onClick={() => from(false)}>
          Recut from …
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
    </form>
  );
}
