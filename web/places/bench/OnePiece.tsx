import { useMemo } from 'react';
import { BEGINS, glassAreaOf, glassBehind, hasBack, isLaidToCut, ownGlass, reasonWords, stepOf } from '#core/bench';
import { minutesByPiece } from '#core/labour';
import { showArea, showMinutes, trimNumber } from '#core/units';
import { cuttingFindingWords } from '#core/words';
import { ScorePicture } from '../../panel/ScorePicture.tsx';
import { useSend } from '../../state/send.ts';
import { usePanelHours, type PieceRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Measures } from '../../ui/Length.tsx';
import type { PanelView } from '../../panel/view.ts';
import { BrokeOften, OFTEN } from './BrokeOften.tsx';
import { PieceDrawing } from './PieceDrawing.tsx';
import { LaidOn } from './LaidOn.tsx';
import { Takers } from './Takers.tsx';

/** One piece: its glass as cut, its facts in words. */
export function OnePiece({ view, piece }: { view: PanelView; piece: PieceRow }) {
  const { glasses, answer, settings, reader, panel } = view;
  const { data: labour } = usePanelHours(panel.id);
  const glass = piece.glassId ? glasses.get(piece.glassId) : undefined;
  const behind = glasses.get(piece.backGlassId ?? '');
  const findings = answer?.cuttability.find((c) => c.number === piece.number)?.findings ?? [];
  const cut = answer?.cuts.find((c) => c.number === piece.number);
  const send = useSend();
  const [own, second] = [ownGlass(piece), glassBehind(piece)].map((one) =>
    isLaidToCut(reader, one) ? one.spot?.stockId : undefined,
  );
  const spent = useMemo(() => {
    return minutesByPiece(labour?.hours ?? [], panel.route, view.pieces, Date.now()).get(piece.number) ?? 0;
  }, [labour, panel, view.pieces, piece.number]);
  return (
    <>
      <h2 className="flex items-baseline gap-2.5 text-[34px]">
        {piece.number}
        <span className="font-sans text-[15.5px] font-medium text-mute">
          {piece.broken
            ? `broken, to cut again: ${reasonWords(piece.broken)}`
            : (stepOf(panel.route, piece.stage)?.word ?? piece.stage)}
        </span>
      </h2>
      {piece.recheck && (
        <div className="grid gap-2 border-l-4 border-risk pl-3 text-[15px]">
          <p>
            {piece.tooSmall
              ? `Too small for its place: the drawing grew over its glass. Cut it anew (Broke, then Recut), or say that it fits.`
              : 'Its outline in the drawing changed after it was cut: hold it against the new one.'}
          </p>
          <Button
            onClick={() =>
              void send.command({ kind: 'mark', ask: { panelId: panel.id, numbers: [piece.number], recheck: false } })
            }
          >
            It fits
          </Button>
        </div>
      )}
      {piece.recuts >= OFTEN && <BrokeOften view={view} piece={piece} />}
      {piece.stage === BEGINS && cut ? (
        <ScorePicture rings={cut.rings} number={piece.number} limits={view.limits} />
      ) : (
        <PieceDrawing view={view} piece={piece} />
      )}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3.5 gap-y-1 text-[15px] [&_dt]:text-mute">
        <dt>Glass</dt>
        <dd>
          {glass
            ? `${glass.code} ${glass.name}, ${glass.texture}${glass.flow ? ', with a flow' : ''}`
            : 'not chosen yet'}
        </dd>
        {hasBack(panel.route, piece) && (
          <>
            <dt>Second glass</dt>
            <dd>
              {piece.number}b: {piece.backGlassId === null ? 'the same' : `${behind?.code ?? ''} ${behind?.name ?? ''}`}
              {piece.backFrom && `, cut from ${piece.backFrom}`}
              {second !== undefined && (
                <>
                  , laid out on <LaidOn panelId={panel.id} stockId={second} />
                </>
              )}
            </dd>
          </>
        )}
        <dt>Cut size</dt>
        <dd>
          <Measures widthMm={piece.widthMm} heightMm={piece.heightMm} unit={settings.unit} /> ·{' '}
          {showArea(glassAreaOf(piece), settings.unit)}
          {piece.glassMm2 !== null && `; the drawing wants ${showArea(piece.areaMm2, settings.unit)}`}
        </dd>
        <dt>Edge</dt>
        <dd>
          {settings.unit === 'mm'
            ? `${trimNumber(piece.perimeterMm, 0)} mm round`
            : `${trimNumber(piece.perimeterMm / 25.4, 1)} in round`}
        </dd>
        <dt>Cutting</dt>
        <dd>
          {findings.length === 0 ? 'steady' : findings.map((f) => cuttingFindingWords(f, settings.unit)).join(' ')}
        </dd>
        {spent > 0.5 && (
          <>
            <dt>Time</dt>
            <dd>{showMinutes(spent)}, its share by length</dd>
          </>
        )}
        {piece.from && (
          <>
            <dt>Cut from</dt>
            <dd>{piece.from}</dd>
          </>
        )}
        {own !== undefined && (
          <>
            <dt>Laid out</dt>
            <dd>
              on <LaidOn panelId={panel.id} stockId={own} />
            </dd>
          </>
        )}
        {piece.recuts > 0 && (
          <>
            <dt>Broken</dt>
            <dd>{piece.recuts === 1 ? 'once' : `${piece.recuts} times`}</dd>
          </>
        )}
      </dl>
      {own === undefined && <Takers view={view} piece={piece} />}
    </>
  );
}
