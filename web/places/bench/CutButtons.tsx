import { useNavigate } from 'react-router';
import {
  backQuestions,
  backsCalled,
  BEGINS,
  glassBehind,
  ownGlass,
  sourcesIfLaid,
  wantsBack,
  type OneGlass,
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
  return (
    <FromWhat
      view={view}
      glasses={uncut.map(ownGlass)}
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
    <FromWhat
      view={view}
      glasses={waiting.map(glassBehind)}
      questions={backQuestions(waiting)}
      verb={`Cut ${waiting.length === 1 ? backsCalled(waiting.map((p) => p.number)) : 'the second glasses'}`}
      ask={ask}
      onCut={(sources) => void send.command({ kind: 'cut-back', ask: { panelId: panel.id, sources } })}
    />
  );
}

/**
 * By one press where all of it is laid out, or is of one glass and something on the rack takes it; else it is asked from
 * what.
 */
function FromWhat({
  view,
  glasses,
  questions,
  verb,
  ask,
  onCut,
}: Pick<InHandProps, 'view' | 'ask'> & {
  readonly glasses: readonly OneGlass[];
  readonly questions: readonly SourceQuestion[];
  readonly verb: string;
  onCut(sources: Source[]): void;
}) {
  const [only, ...others] = questions;
  const laid = sourcesIfLaid(view.reader, glasses);
  const best = only && others.length === 0 ? candidates(view, only).items.find(({ tooSmall }) => !tooSmall) : undefined;
  const sources =
    laid ?? (only && best && [{ stockId: best.item.id, numbers: only.numbers, left: { kind: 'stays' as const } }]);
  if (!sources)
    return (
      <Button look="go" className="col-span-2" onClick={() => ask(questions)}>
        {verb} …
      </Button>
    );
  return (
    <>
      <Button look="go" className="col-span-2" onClick={() => onCut(sources)}>
        {verb} {laid ? 'as laid out, ' : ''}from {sources.map(({ stockId }) => stockId).join(', ')}
      </Button>
      <Button className="px-1" onClick={() => ask(questions)}>
        From another …
      </Button>
    </>
  );
}
