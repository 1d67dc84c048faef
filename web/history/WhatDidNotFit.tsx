import { useQueryClient } from '@tanstack/react-query';
import type { Step } from '../state/outbox.ts';
import { heard } from '../state/freshness.ts';
import { outbox } from '../state/outboxHere.ts';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';
import { Sheet } from '../ui/Sheet.tsx';

/**
 * Steps that were done here while the studio was out of reach and do not fit what has happened there since: one after the
 * other, both versions side by side, and a word for each.
 */
export function WhatDidNotFit({
  refused,
  locale,
  isOpen,
  onClose,
}: {
  refused: readonly Step[];
  locale: string;
  isOpen: boolean;
  onClose: () => void;
}) {
  const client = useQueryClient();
  const [step] = refused;
  if (!step) return null;
  const { commandId, at, words, refused: why, meanwhile = [] } = step;
  const rest = refused.length - 1;
  const decided = () => {
    if (rest === 0) onClose();
  };
  const insist = async () => {
    await client.refetchQueries({ type: 'active' });
    await outbox.insist(commandId, heard.last);
    decided();
  };
  return (
    <Sheet title="Which of the two holds?" open={isOpen} onClose={onClose}>
      <div className="grid grid-cols-2 gap-3">
        <section className="rounded-md border-2 border-copper p-4" aria-label="Done here">
          <h3 className="text-mute">Here, {momentWords(at, locale)}</h3>
          <p className="mt-1 text-lg font-semibold">{words}</p>
        </section>
        <section className="rounded-md border-2 border-line p-4" aria-label="In the studio">
          <h3 className="text-mute">In the studio since</h3>
          {meanwhile.length > 0 ? (
            <ul className="mt-1 grid gap-1 text-lg font-semibold">
              {meanwhile.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          ) : (
            <p className="mt-1">{why}</p>
          )}
        </section>
      </div>
      {meanwhile.length > 0 && <p className="text-mute">{why?.split(' Meanwhile: ')[0]}</p>}
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => void insist()}>Do mine all the same</Button>
        <Button
          look="go"
          onClick={() => {
            outbox.giveUp(commandId);
            decided();
          }}
        >
          Leave it as in the studio
        </Button>
      </div>
      {rest > 0 && <p className="text-mute">{rest === 1 ? 'One more after this.' : `${rest} more after this.`}</p>}
    </Sheet>
  );
}
