import { useState } from 'react';
import { BACK_REASONS, type BackReason } from '#core/bench';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import type { InHandProps } from './inHand.ts';

/** Why pieces go back a stage. */
export function BackForm({ view, numbers, close }: Omit<InHandProps, 'ask'> & { close: () => void }) {
  const [reason, setReason] = useState<BackReason>('rough edge');
  const send = useSend();
  return (
    <form className="flex flex-col gap-2.5" onSubmit={(event) => event.preventDefault()} aria-label="Why it goes back">
      <ChoiceField
        label="Why does it go back a stage?"
        value={reason}
        onChoice={setReason}
        options={BACK_REASONS.map((value) => ({ value, text: value }))}
      />
      <div className="grid grid-cols-2 gap-2">
        <Button
          look="go"
          onClick={() =>
            void send
              .command({ kind: 'send-back', ask: { panelId: view.panel.id, numbers, reason } })
              .then((done) => done && close())
          }
        >
          Back a stage
        </Button>
        <Button onClick={close}>Leave it</Button>
      </div>
    </form>
  );
}
