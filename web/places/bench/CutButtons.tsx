import { useNavigate } from 'react-router';
import {
  backQuestions,
  backsCalled,
  BEGINS,
  isLaidToCut,
  sourcesAsLaid,
  wantsBack,
  type Source,
  type SourceQuestion,
} from '#core/bench';
import { useSend } from '../../state/send.ts';
import type { PieceRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import type { InHandProps } from './inHand.ts';
import { candidates } from './sources.ts';

type CutButtonsProps = Pick<InHandProps, 'view' | 'ask'> & { readonly chosen: readonly PieceRow[] };

/** Glass is cut by one press from what is best for it, or from what is chosen. */
export function CutButtons({ view, chosen, ask }: CutButtonsProps) {
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
  return (
    <FromBest
      view={view}
      questions={questions}
      verb={again}
      ask={ask}
      onCut={(sources) => void send.command({ kind: 'cut', ask: { panelId, sources } })}
    />
  );
}

/** The second glass of pieces of two: 12b. */
export function BackButtons({ view, chosen, ask }: CutButtonsProps) {
  const send = useSend();
  const { panel } = view;
  const waiting = chosen.filter((piece) => wantsBack(panel.route, piece));
  return (
    <FromBest
      view={view}
      questions={backQuestions(waiting)}
      verb={`Cut ${waiting.length === 1 ? backsCalled(waiting.map((p) => p.number)) : 'the second glasses'}`}
      ask={ask}
      onCut={(sources) => void send.command({ kind: 'cut-back', ask: { panelId: panel.id, sources } })}
    />
  );
}

/** By one press where all of it is of one glass and something on the rack takes it; else it is asked from what. */
function FromBest({
  view,
  questions,
  verb,
  ask,
  onCut,
}: Pick<InHandProps, 'view' | 'ask'> & {
  readonly questions: readonly SourceQuestion[];
  readonly verb: string;
  onCut(sources: Source[]): void;
}) {
  const [only, ...others] = questions;
  const best = only && others.length === 0 ? candidates(view, only).items.find(({ tooSmall }) => !tooSmall) : undefined;
  if (!only || !best)
    return (
      <Button look="go" className="col-span-2" onClick={() => ask(questions)}>
        {verb} …
      </Button>
    );
  const stockId = best.item.id;
  return (
    <>
      <Button
        look="go"
        className="col-span-2"
        onClick={() => onCut([{ stockId, numbers: only.numbers, left: { kind: 'stays' } }])}
      >
        {verb} from {stockId}
      </Button>
      <Button className="px-1" onClick={() => ask(questions)}>
        From another …
      </Button>
    </>
  );
}
