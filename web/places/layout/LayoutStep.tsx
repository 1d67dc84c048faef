import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { count } from '#core/units';
import { usePanelView } from '../../panel/usePanelView.ts';
import { Split } from '../../panel/Split.tsx';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Toggles } from '../../ui/Toggles.tsx';
import { GlassLines } from './GlassLines.tsx';
import { foundSheets, GlassSheets } from './GlassSheets.tsx';
import { OneSheet } from './OneSheet.tsx';
import { toKeep } from '../../panel/sheetLaid.ts';
import { LightTable } from './table/LightTable.tsx';
import { LaidTogether } from './LaidTogether.tsx';
import { useCutFrom } from './useCutFrom.ts';
import { useLayouts } from './useLayouts.ts';
import { usePanelsBeside } from './usePanelsBeside.ts';
import { proposalOf, wishesOf } from './wishes.ts';

/** How often longer it is looked for when more is asked. */
const LONGER = 6;

/** The layout of a panel, or one of its sheets on the light table. */
export function LayoutStep() {
  const view = usePanelView();
  const [params, setParams] = useSearchParams();
  const item = view.reader.get('stock', params.get('table') ?? '');
  const glass = item && view.glasses.get(item.glassId);
  if (!item || !glass || item.gone !== null) return <Sheets view={view} onTable={(id) => setParams({ table: id })} />;
  return (
    <LightTable
      // Another sheet, or the same after a cut, has its own patterns on it.
      key={`${item.id} ${item.areaMm2}`}
      view={view}
      item={item}
      glass={glass}
      onSheet={(id) => setParams({ table: id }, { replace: true })}
      onBack={() => setParams({})}
    />
  );
}

/** Pieces that are not cut yet, laid out on what the rack has of their glass so that straight breaks take them out. */
function Sheets({ view, onTable }: { view: PanelView; onTable: (stockId: string) => void }) {
  const { panel, pieces } = view;
  const [prefers, setPrefers] = useState<'offcuts' | 'use'>('offcuts');
  const [isTurnedOver, setTurnedOver] = useState(false);
  const [effort, setEffort] = useState(1);
  const [open, setOpen] = useState<{ glassId: string; sheetId: string } | null>(null);
  const [isAnew, setAnew] = useState(false);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const { mayLie, beside, isWhole } = usePanelsBeside(view, picked);
  const send = useSend();
  const cutFrom = useCutFrom();
  const wishes = useMemo(
    () => wishesOf(view, beside, { prefersUse: prefers === 'use', isTurnedOver, effort, isAnew }),
    [view, beside, prefers, isTurnedOver, effort, isAnew],
  );
  // What lies on a shared sheet has to be known first, or it would be laid over.
  const looking = useMemo(
    () => (isWhole ? wishes.filter((wish) => wish.job.pieces.length > 0) : []),
    [wishes, isWhole],
  );
  const { of, isLooking, stop, isBroken } = useLayouts(looking);
  const found = wishes.flatMap((wish) => {
    const layout = proposalOf(wish, wish.job.pieces.length > 0 ? (of(wish.key)?.layout ?? null) : null);
    return layout === null ? [] : toKeep(wish.job, layout, (id) => wish.pieceOf.get(id), wish.handSpots);
  });
  const hasKept = wishes.some((wish) => wish.kept.length > 0);
  const waiting = pieces.filter((piece) => piece.glassId === null).length;
  const opened = open === null ? undefined : wishes.find((wish) => wish.glass.id === open.glassId);
  const sheet =
    opened && [...opened.kept, ...foundSheets(opened, of(opened.key))].find((s) => s.sheet.id === open?.sheetId);
  const keep = async () => {
    const pieces = found.reduce((sum, { pieces: list }) => sum + list.length, 0);
    const said = `${count(pieces, 'piece')} laid out on ${count(found.length, 'sheet')}.`;
    if (await send.command({ kind: 'lay-out', ask: { panelId: panel.id, sheets: found } }, said)) setAnew(false);
  };
  const side = (
    <SideSheet
      label="Layout"
      foot={
        <div className="flex flex-wrap gap-2">
          {isLooking ? (
            <Button onClick={stop}>Leave it at the best so far</Button>
          ) : looking.length > 0 || found.length > 0 ? (
            <>
              <Button
                look="go"
                unless={found.length === 0 ? 'No sheet takes any of these pieces.' : null}
                onClick={() => void keep()}
              >
                Keep this layout
              </Button>
              <Button onClick={() => setEffort(effort * LONGER)}>Look longer</Button>
              {isAnew && <Button onClick={() => setAnew(false)}>Leave it as it was</Button>}
            </>
          ) : (
            <Button unless={hasKept ? null : 'Nothing is to be laid out.'} onClick={() => setAnew(true)}>
              Lay out anew
            </Button>
          )}
          <Button look="line" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      }
    >
      <h2 className="text-2xl">Lay out on glass</h2>
      <Toggles
        label="What comes first"
        value={prefers}
        options={[
          ['offcuts', 'Offcuts first'],
          ['use', 'Least glass'],
        ]}
        onPick={setPrefers}
      />
      <Check checked={isTurnedOver} onCheck={setTurnedOver}>
        Scored on the back: traced turned over
      </Check>
      {mayLie.length > 0 && <LaidTogether mayLie={mayLie} picked={picked} onPick={setPicked} />}
      {isBroken && (
        <p className="text-risk">The search went wrong; what it had found stands. Look longer to try again.</p>
      )}
      <GlassLines wishes={wishes} of={of} unit={view.settings.unit} />
      {waiting > 0 && (
        <p className="text-[15px]">
          {count(waiting, 'piece')} without glass:{' '}
          <Link className="underline" to={`/panels/${panel.id}/glass`}>
            choose it
          </Link>
          .
        </p>
      )}
    </SideSheet>
  );
  return (
    <Split id="layout" side={side}>
      <main className="min-h-0 flex-1 overflow-y-auto px-6 py-3" tabIndex={0} aria-label="Sheets">
        {opened && sheet ? (
          <OneSheet
            // What was cut from it leaves another sheet.
            key={JSON.stringify(sheet.sheet.outline)}
            laid={sheet}
            glass={opened.glass}
            unit={view.settings.unit}
            onCut={(ids) =>
              void cutFrom(
                sheet.sheet.id,
                ids.flatMap((id) => opened.pieceOf.get(id) ?? []),
              )
            }
            onTable={() => onTable(sheet.sheet.id)}
            onBack={() => setOpen(null)}
          />
        ) : wishes.length === 0 ? (
          <p className="max-w-prose py-4 text-[17px]">
            {panel.cartoonId === null ? (
              <>
                Bring in{' '}
                <Link className="underline" to={`/panels/${panel.id}/cartoon`}>
                  the drawing
                </Link>{' '}
                first.
              </>
            ) : waiting > 0 ? (
              'Pieces that have their glass and are not cut yet are laid out here.'
            ) : (
              'Every piece is cut: nothing is left to lay out.'
            )}
          </p>
        ) : (
          <div className="grid gap-7 pb-6">
            {wishes.map((wish) => (
              <GlassSheets
                key={wish.glass.id}
                wish={wish}
                news={of(wish.key)}
                unit={view.settings.unit}
                onOpen={(sheetId) => setOpen({ glassId: wish.glass.id, sheetId })}
                onTable={onTable}
              />
            ))}
          </div>
        )}
      </main>
    </Split>
  );
}
