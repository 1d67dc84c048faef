import { useState } from 'react';
import { BEGINS, stageIndex, stepOf, TAKES_GLASS, wayOf, workCaution, type StepCode } from '#core/bench';
import { count, showArea, showNumbers } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { BackForm } from './BackForm.tsx';
import { BrokeForm } from './BrokeForm.tsx';
import type { InHandProps } from './inHand.ts';
import { NothingInHand } from './NothingInHand.tsx';
import { OnePiece } from './OnePiece.tsx';
import { PieceHistory } from './PieceHistory.tsx';

/** What is in hand: one piece in sentences with its history, or several with what can be done to them. */
export function Inspector({ view, numbers, ask }: InHandProps) {
  const { panel, pieces } = view;
  const chosen = pieces.filter((p) => numbers.includes(p.number));
  const [asking, setAsking] = useState<'broke' | 'back' | null>(null);
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
  const cut = () => {
    const byGlass = new Map<string, number[]>();
    for (const p of chosen)
      if (p.stage === BEGINS && p.glassId) byGlass.set(p.glassId, [...(byGlass.get(p.glassId) ?? []), p.number]);
    ask([...byGlass].map(([glassId, own]) => ({ glassId, numbers: own })));
  };
  const advance = (to: StepCode) =>
    void send.command({ kind: 'advance', ask: { panelId: panel.id, numbers: list, to } });
  const noGlass = chosen.some((p) => p.stage === BEGINS && !p.glassId);
  const caution = next && (next.caution ?? workCaution(next.work));
  const acts =
    asking === 'broke' ? (
      <BrokeForm view={view} numbers={list} ask={ask} close={() => setAsking(null)} />
    ) : asking === 'back' ? (
      <BackForm view={view} numbers={list} close={() => setAsking(null)} />
    ) : (
      <div className="grid grid-cols-2 gap-2">
        {next?.code === TAKES_GLASS && (
          <Button look="go" className="col-span-2" disabled={noGlass} onClick={cut}>
            {noGlass ? 'Choose its glass first' : first.broken ? 'Cut again' : 'Cut'}
          </Button>
        )}
        {next && next.code !== TAKES_GLASS && (
          <Button look="go" className="col-span-2" onClick={() => advance(next.code)}>
            {next.word.replace(/^./, (c) => c.toUpperCase())}
          </Button>
        )}
        <Button onClick={() => setAsking('broke')} disabled={chosen.every((p) => p.broken) || noGlass}>
          Broke …
        </Button>
        <Button className="px-1" onClick={() => setAsking('back')} disabled={stageIndex(route, lowest) < 2}>
          Return …
        </Button>
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
      {caution && <p className="border-l-4 border-line pl-3 text-[14px] text-mute">{caution}</p>}
      {chosen.length === 1 && <PieceHistory piece={first} locale={view.settings.locale} />}
    </SideSheet>
  );
}
