import { useState } from 'react';
import { BEGINS, stageIndex, stepOf, TAKES_GLASS, wantsBack, wayOf, workCaution } from '#core/bench';
import { count, showArea, showNumbers } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { AlsoGoesThrough } from './AlsoGoesThrough.tsx';
import { BrokeForm } from './BrokeForm.tsx';
import { BackButtons, CutButtons } from './CutButtons.tsx';
import type { InHandProps } from './inHand.ts';
import { NothingInHand } from './NothingInHand.tsx';
import { NotCutHere } from './NotCutHere.tsx';
import { OnePiece } from './OnePiece.tsx';
import { PieceStory } from './PieceStory.tsx';
import { ReturnForm } from './ReturnForm.tsx';

/** What is in hand: one piece in sentences with its history, or several with what can be done to them. */
export function Inspector({ view, numbers, ask }: InHandProps) {
  const { panel, pieces } = view;
  const chosen = pieces.filter((p) => numbers.includes(p.number));
  const [asking, setAsking] = useState<'broke' | 'return' | null>(null);
  const send = useSend();
  const [first] = chosen;
  if (!first)
    return (
      <SideSheet label="Piece in hand">
        <NothingInHand view={view} />
      </SideSheet>
    );
  const stages = [...new Set(chosen.map((p) => p.stage))];
  const { route } = panel;
  const last = chosen.reduce((a, b) => (stageIndex(route, a.stage) <= stageIndex(route, b.stage) ? a : b));
  const lowest = last.stage;
  const way = wayOf(route, last);
  const next = way[way.findIndex((s) => s.code === lowest) + 1];
  const list = chosen.map((p) => p.number);
  const isBackNext = next?.deed === 'takes-back' && chosen.some((p) => p.stage === lowest && wantsBack(route, p));
  const noGlass = chosen.some((p) => p.stage === BEGINS && !p.glassId);
  const caution = next && (next.caution ?? workCaution(next.work));
  const acts =
    asking === 'broke' ? (
      <BrokeForm view={view} numbers={list} ask={ask} close={() => setAsking(null)} />
    ) : asking === 'return' ? (
      <ReturnForm view={view} numbers={list} close={() => setAsking(null)} />
    ) : (
      <div className="grid grid-cols-2 gap-2">
        {next?.code === TAKES_GLASS && <CutButtons view={view} chosen={chosen} ask={ask} />}
        {isBackNext && <BackButtons view={view} chosen={chosen} ask={ask} />}
        {chosen.every((p) => p.stage === BEGINS) && <NotCutHere panelId={panel.id} numbers={list} />}
        {next && next.code !== TAKES_GLASS && !isBackNext && (
          <Button
            look="go"
            className="col-span-2"
            onClick={() =>
              void send.command({ kind: 'advance', ask: { panelId: panel.id, numbers: list, to: next.code } })
            }
          >
            {next.word.replace(/^./, (c) => c.toUpperCase())}
          </Button>
        )}
        {!noGlass && chosen.some((p) => !p.broken) && <Button onClick={() => setAsking('broke')}>Broke …</Button>}
        {stageIndex(route, lowest) >= 2 && (
          <Button className="px-1" onClick={() => setAsking('return')}>
            Return …
          </Button>
        )}
      </div>
    );
  return (
    <SideSheet label="Piece in hand" foot={acts}>
      {chosen.length === 1 ? (
        <OnePiece view={view} piece={first} />
      ) : (
        <>
          <h2 className="text-3xl">{count(chosen.length, 'piece')}</h2>
          <p className="text-[15.5px]">{showNumbers(list, 14)}</p>
          <p className="text-mute">
            {stages
              .map((s) => `${chosen.filter((p) => p.stage === s).length} ${stepOf(route, s)?.word ?? s}`)
              .join(' · ')}{' '}
            ·{' '}
            {showArea(
              chosen.reduce((sum, p) => sum + p.areaMm2, 0),
              view.settings.unit,
            )}{' '}
            of glass
          </p>
        </>
      )}
      <AlsoGoesThrough panelId={panel.id} route={route} chosen={chosen} />
      {caution && <p className="border-l-4 border-line pl-3 text-[14px] text-mute">{caution}</p>}
      {chosen.length === 1 && <PieceStory piece={first} locale={view.settings.locale} />}
    </SideSheet>
  );
}
