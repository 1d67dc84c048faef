import { useSend } from '../state/send.ts';
import { Button } from '../ui/Button.tsx';
import type { MayGo } from './DeleteQuestion.tsx';

/** Brings back what was archived or deleted. */
export function BringBackButton({ of }: { of: MayGo }) {
  const send = useSend();
  return (
    <Button
      look="line"
      aria-label={`Bring back ${of.name}`}
      onClick={() =>
        void send.command(
          { kind: 'put-away', ask: { table: of.table, id: of.id, as: null } },
          `“${of.name}” is back among the work.`,
        )
      }
    >
      Bring back
    </Button>
  );
}
