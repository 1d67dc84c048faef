import { useNavigate } from 'react-router';
import { BEGINS, isLaidToCut, sourcesAsLaid } from '#core/bench';
import { useSend } from '../../state/send.ts';
import type { PieceRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import type { InHandProps } from './inHand.ts';
import { candidates } from './sources.ts';

/** Glass is cut by one press from what is best for it, or from what is chosen. */
export function CutButtons({
  view,
  chosen,
  ask,
}: Pick<InHandProps, 'view' | 'ask'> & { readonly chosen: readonly PieceRow[] }) {
  const send = useSend();
  const navigate = useNavigate();
  const panelId = view.panel.id;
  const uncut = chosen.filter((p) => p.stage === BEGINS);
  if (uncut.some((p) => p.glassId === null))
    return (
      <Button look="go" className="col-span-2" onClick={() => void navigate(`/panels/${panelId}/glass`)}>
        Choose its glass first
      </Button>
    );
  const byGlass = new Map<string, number[]>();
  for (const { glassId, number } of uncut)
    if (glassId !== null) byGlass.set(glassId, [...(byGlass.get(glassId) ?? []), number]);
  const questions = [...byGlass].map(([glassId, numbers]) => ({ glassId, numbers }));
  const [only, ...others] = questions;
  const best = only && others.length === 0 ? candidates(view, only).items.find(({ tooSmall }) => !tooSmall) : undefined;
  const again = uncut.every((p) => p.broken) ? 'Cut again' : 'Cut';
  if (uncut.length > 0 && uncut.every((p) => isLaidToCut(view.reader, p))) {
    const sources = sourcesAsLaid(uncut);
    return (
      <>
        <Button
          look="go"
          className="col-span-2"
          onClick={() => void send.command({ kind: 'cut', ask: { panelId, sources } })}
        >
          {again} as laid out, from {sources.map((s) => s.stockId).join(', ')}
        </Button>
        <Button className="px-1" onClick={() => ask(questions)}>
          From another …
        </Button>
      </>
    );
  }
  if (!only || !best)
    return (
      <Button look="go" className="col-span-2" onClick={() => ask(questions)}>
        {again} …
      </Button>
    );
  const stockId = best.item.id;
  const cut = {
    kind: 'cut' as const,
    ask: { panelId, sources: [{ stockId, numbers: only.numbers, left: { kind: 'stays' as const } }] },
  };
  return (
    <>
      <Button look="go" className="col-span-2" onClick={() => void send.command(cut)}>
        {again} from {stockId}
      </Button>
      <Button className="px-1" onClick={() => ask(questions)}>
        From another …
      </Button>
    </>
  );
}
