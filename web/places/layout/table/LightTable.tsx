import { useState } from 'react';
import { stillToCut } from '#core/bench';
import type { Glass } from '#core/stock';
import { count } from '#core/units';
import { breakOutWords, layingWords, sizeWords } from '#core/words';
import { GlassChip } from '../../../panel/GlassChip.tsx';
import { Split } from '../../../panel/Split.tsx';
import type { PanelView } from '../../../panel/view.ts';
import { useSend } from '../../../state/send.ts';
import type { StockRow } from '../../../state/studio.ts';
import { Button } from '../../../ui/Button.tsx';
import { Check } from '../../../ui/Check.tsx';
import { ChoiceField } from '../../../ui/Choice.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { SideSheet } from '../../../ui/SideSheet.tsx';
import { PanelBeside } from './PanelBeside.tsx';
import { degrees, type Pose } from './pose.ts';
import { SheetBoard } from './SheetBoard.tsx';
import { stockFor } from '../../../panel/stockFor.ts';
import { useTable, type Table } from './useTable.ts';

/** So many sentences about what is wrong are read; the rest is seen. */
const MOST_TOLD = 3;

/**
 * One sheet on the light table: patterns of the pieces that it is to give are laid where the glass is as they want it, and
 * the panel beside it shows at once what that spot looks like in its place.
 */
export function LightTable({
  view,
  item,
  glass,
  onSheet,
  onBack,
}: {
  view: PanelView;
  item: StockRow;
  glass: Glass;
  onSheet: (stockId: string) => void;
  onBack: () => void;
}) {
  const table = useTable(view, item, glass);
  const [inHand, setInHand] = useState<string | null>(null);
  const [isTurnedOver, setTurnedOver] = useState(false);
  const send = useSend();
  const { patterns, poses, faults, out, isMoved, lifted } = table;
  const waiting = patterns.filter(({ id }) => !poses.has(id));
  const keep = async () => {
    const panelId = view.panel.id;
    const laid = table.toKeep();
    const numbersOf = (behind: boolean) =>
      lifted.flatMap(({ piece, of }) => ((of === 'back') === behind ? [piece.number] : []));
    const off = { panelId, numbers: numbersOf(false), backs: numbersOf(true) };
    if (lifted.length > 0 && !(await send.command({ kind: 'lift-off', ask: off }))) return;
    if (laid.pieces.length > 0) {
      const said = `${count(laid.pieces.length, 'piece')} laid on ${item.id}.`;
      if (!(await send.command({ kind: 'lay-out', ask: { panelId, sheets: [laid] } }, said))) return;
    }
    table.reset();
  };
  const told = faults.map((fault) => layingWords(fault, item.id));
  const side = (
    <SideSheet
      label="Light table"
      foot={
        <div className="flex flex-wrap gap-2">
          <Button look="go" unless={isMoved ? null : 'Nothing was moved.'} onClick={() => void keep()}>
            Keep it so
          </Button>
          {isMoved && <Button onClick={table.reset}>As it was</Button>}
          <Button look="line" onClick={onBack}>
            All sheets
          </Button>
        </div>
      }
    >
      <h2 className="text-2xl">Light table</h2>
      <SheetPick view={view} item={item} onSheet={onSheet} />
      <section aria-label="Patterns" className="grid gap-2">
        <p className="text-[15px] text-mute">
          {patterns.length === 0
            ? 'No piece of this glass is still to be cut.'
            : waiting.length === 0
              ? 'All pieces of this glass lie on this sheet.'
              : 'Still to lay; a press puts one down:'}
        </p>
        <div className="flex flex-wrap gap-1.5">
          {waiting.map((pattern) => (
            <Button
              key={pattern.id}
              className="min-w-11 px-2"
              aria-label={`Lay ${pattern.id} on the sheet`}
              onClick={() => {
                table.layDown(pattern, isTurnedOver);
                setInHand(pattern.id);
              }}
            >
              {pattern.id}
            </Button>
          ))}
        </div>
      </section>
      <Check
        checked={isTurnedOver}
        onCheck={(over) => {
          setTurnedOver(over);
          for (const [id, pose] of poses) table.put(id, { ...pose, turnedOver: over });
        }}
      >
        Scored on the back: patterns turned over
      </Check>
      {inHand !== null && <InHand key={inHand} id={inHand} table={table} />}
    </SideSheet>
  );
  return (
    <Split id="layout" side={side}>
      <main
        aria-label="Light table"
        className="flex min-h-0 flex-1 flex-col gap-3 bg-[var(--room-dark)] px-6 py-4 text-[var(--paper)] max-sm:px-3"
      >
        <header className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <GlassChip glass={glass} size={26} />
          <h3 className="text-[19px]">
            {item.id}, {glass.code} {glass.name}
          </h3>
          <p className="text-[15px] opacity-75">{sizeWords(item.widthMm, item.heightMm, view.settings.unit)}</p>
        </header>
        <div className="grid min-h-0 flex-1 grid-cols-[5fr_3fr] gap-5 max-[820px]:grid-cols-1 max-[820px]:grid-rows-[3fr_2fr]">
          <div className="min-h-0 min-w-0 drop-shadow-[0_0_22px_rgb(255_252_235/0.35)]">
            <SheetBoard table={table} item={item} glass={glass} inHand={inHand} onTake={setInHand} />
          </div>
          <div className="min-h-0 min-w-0">
            <PanelBeside view={view} item={item} patterns={patterns} poses={poses} inHand={inHand} />
          </div>
        </div>
        <p role="status" className="min-h-[3em] text-[16px]">
          {told.slice(0, MOST_TOLD).join(' ')} {told.length > MOST_TOLD && `${told.length - MOST_TOLD} more. `}
          {poses.size > 0 ? breakOutWords(out) : 'Lay a pattern on the glass: press its number.'}
          {waiting.length > 0 &&
            poses.size > 0 &&
            ` ${count(waiting.length, 'piece')} more of this glass left to the layout.`}
        </p>
      </main>
    </Split>
  );
}

/** Every sheet and offcut of the glasses that something is still to be cut from. */
function SheetPick({ view, item, onSheet }: { view: PanelView; item: StockRow; onSheet: (id: string) => void }) {
  const { panel, pieces, glasses, settings } = view;
  const wanted = new Set(
    pieces.flatMap((piece) => stillToCut(panel.route, piece).flatMap(({ glassId }) => glassId ?? [])),
  );
  wanted.add(item.glassId);
  const items = [...wanted]
    .flatMap((glassId) => stockFor(view, glassId))
    .sort((a, b) => a.glassId.localeCompare(b.glassId) || b.areaMm2 - a.areaMm2);
  return (
    <ChoiceField
      label="Sheet"
      value={item.id}
      options={items.map((s) => ({
        value: s.id,
        text: `${glasses.get(s.glassId)?.code ?? ''} · ${s.id} · ${sizeWords(s.widthMm, s.heightMm, settings.unit)}`,
      }))}
      onChoice={onSheet}
    />
  );
}

/** The pattern in hand: its angle as a number, its other side, off the sheet. */
function InHand({ id, table }: { id: string; table: Table }) {
  const pose = table.poses.get(id);
  const [typed, setTyped] = useState<string | null>(null);
  if (!pose) return null;
  const turn = (change: Partial<Pose>) => table.put(id, { ...pose, ...change });
  const value = Number(typed?.replace(',', '.'));
  const isNone = typed !== null && (typed.trim() === '' || !Number.isFinite(value));
  return (
    <section aria-label={`Piece ${id}`} className="grid gap-2 border-t border-line pt-3">
      <h3 className="text-[20px]">Piece {id}</h3>
      <TextField
        label="Turned, degrees clockwise"
        inputMode="decimal"
        value={typed ?? String(Math.round(pose.rotationDeg * 10) / 10)}
        problem={isNone ? 'An angle, please.' : null}
        onChange={(event) => {
          setTyped(event.target.value);
          const deg = Number(event.target.value.replace(',', '.'));
          if (event.target.value.trim() !== '' && Number.isFinite(deg)) turn({ rotationDeg: degrees(deg) });
        }}
        onBlur={() => setTyped(null)}
      />
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => turn({ rotationDeg: degrees(pose.rotationDeg - 5) })}>5° left</Button>
        <Button onClick={() => turn({ rotationDeg: degrees(pose.rotationDeg + 5) })}>5° right</Button>
        <Button look="line" onClick={() => table.put(id, null)}>
          Off the sheet
        </Button>
      </div>
      <p className="text-[14.5px] text-mute">
        Drag it, or turn it by its grip or with two fingers. Keys: arrows move it 1 mm, comma and full stop turn it 1°,
        with Shift ten times as far.
      </p>
    </section>
  );
}
