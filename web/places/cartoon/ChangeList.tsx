import { isInHand } from '#core/bench';
import type { DrawingChanges } from '#core/cutting';
import { count, showNumbers } from '#core/units';
import type { PieceRow } from '../../state/studio.ts';
import { Check } from '../../ui/Check.tsx';

/** What a drawing brought in again would change, before it is accepted. */
export function ChangeList({
  changes,
  pieces,
  letGo,
  setLetGo,
}: {
  changes: DrawingChanges;
  pieces: readonly PieceRow[];
  letGo: boolean;
  setLetGo: (letGo: boolean) => void;
}) {
  const begun = new Set(pieces.filter(isInHand).map((p) => p.number));
  const fresh = changes.pieces.filter((p) => p.was === null).map((p) => p.number);
  const changed = changes.pieces.filter((p) => p.was !== null && p.changed).map((p) => p.number);
  const same = changes.pieces.length - fresh.length - changed.length;
  const inHand = changed.filter((n) => begun.has(n));
  const small = changes.pieces.filter((p) => p.grew && begun.has(p.number)).map((p) => p.number);
  const lost = changes.gone.filter((n) => begun.has(n));
  return (
    <section aria-label="What changes" className="grid gap-1.5 text-[15.5px]" data-testid="changes">
      <p>
        <b>{count(same, 'piece')}</b> {same === 1 ? 'stays' : 'stay'} as {same === 1 ? 'it is' : 'they are'}, with
        number, glass and history.
      </p>
      {changed.length > 0 && (
        <p>
          Another outline: <b>{showNumbers(changed, 12)}</b>.
        </p>
      )}
      {fresh.length > 0 && (
        <p>
          New: <b>{showNumbers(fresh, 12)}</b>.
        </p>
      )}
      {changes.gone.length > 0 && (
        <p>
          Gone: <b>{showNumbers(changes.gone, 12)}</b>.
        </p>
      )}
      {inHand.length > 0 && (
        <p className="border-l-4 border-risk pl-3">
          Glass of <b>{showNumbers(inHand, 12)}</b> is cut already and will be marked to be held against the new
          outline.
        </p>
      )}
      {small.length > 0 && (
        <p className="border-l-4 border-risk pl-3">
          <b>{showNumbers(small, 12)}</b> {small.length === 1 ? 'grows' : 'grow'} over what is cut:{' '}
          {small.length === 1 ? 'its glass is' : 'their glass is'} too small then.
        </p>
      )}
      {lost.length > 0 && (
        <Check className="border-l-4 border-risk pl-3" checked={letGo} onCheck={setLetGo}>
          Let {showNumbers(lost, 12)} go, though {lost.length === 1 ? 'its' : 'their'} glass is cut.
        </Check>
      )}
    </section>
  );
}
