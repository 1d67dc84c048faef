import { ArrowLeft, ChevronLeft, ChevronRight } from 'lucide-react';
import { useEffect, useState } from 'react';
import { brokenParts, outAfter, type Layout, type LayoutSheet } from '#core/layout';
import { centroid, contains } from '#core/geometry';
import type { Glass } from '#core/stock';
import type { DisplayUnit } from '#core/units';
import { breakWords, idsCalled } from '#core/words';
import { Button } from '../../ui/Button.tsx';
import type { SheetLaid } from '../../panel/sheetLaid.ts';
import { SheetPicture } from '../../panel/SheetPicture.tsx';

/**
 * One sheet taken apart break by break, in the order in which it is done at the bench. Where its layout is kept, what is
 * out of it by now can be entered as cut.
 */
export function OneSheet({
  laid,
  glass,
  unit,
  onCut,
  onTable,
  onBack,
}: {
  laid: SheetLaid;
  glass: Glass;
  unit: DisplayUnit;
  onCut: (pieceIds: readonly string[]) => void;
  onTable: () => void;
  onBack: () => void;
}) {
  const { sheet, layout, kept } = laid;
  const [done, setDone] = useState(0);
  const breaks = layout.breaks.filter((one) => one.sheetId === sheet.id);
  const at = Math.min(done, breaks.length);
  const isApart = at === breaks.length;
  const out = kept
    ? outAfter(brokenParts(sheet.outline, breaks.slice(0, at), 0), kept.insides).sort((a, b) =>
        a.localeCompare(b, 'en', { numeric: true }),
      )
    : [];
  const most = breaks.length;
  const step = (to: number) => setDone(Math.max(0, Math.min(most, to)));
  // Wherever the focus is: a button that comes to its end takes its focus with it.
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof Element && event.target.closest('input, textarea, [role="dialog"]');
      if (isTyping || event.defaultPrevented) return;
      if (event.key === 'ArrowRight') setDone(Math.min(most, at + 1));
      else if (event.key === 'ArrowLeft') setDone(Math.max(0, at - 1));
      else if (event.key === 'Escape') onBack();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [at, most, onBack]);
  return (
    <section aria-label={`Sheet ${sheet.id}`} className="flex h-full min-h-[420px] flex-col">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-2">
        <Button look="line" onClick={onBack}>
          <ArrowLeft aria-hidden size={18} />
          All sheets
        </Button>
        <h3 className="text-[20px]">
          {sheet.id}, {glass.code} {glass.name}
        </h3>
        <Button look="line" className="ml-auto" onClick={onTable}>
          Light table
        </Button>
      </div>
      <div className="min-h-0 flex-1">
        <SheetPicture {...laid} glass={glass} unit={unit} breaksDone={at} pxPerMm={null} />
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-2 print:hidden">
        <Button
          look="line"
          aria-label="Break before"
          unless={at === 0 ? 'This is the whole sheet.' : null}
          onClick={() => step(at - 1)}
        >
          <ChevronLeft aria-hidden size={20} />
        </Button>
        <Button
          look={isApart && kept ? 'line' : 'go'}
          unless={isApart ? 'The sheet is apart.' : null}
          onClick={() => step(at + 1)}
        >
          {at === 0 ? 'First break' : 'Next break'}
          <ChevronRight aria-hidden size={20} />
        </Button>
        {out.length > 0 && (
          <Button look={isApart ? 'go' : 'line'} onClick={() => onCut(out)}>
            Cut: {idsCalled(out)}
          </Button>
        )}
        <p role="status" className="text-[17px]">
          {isApart
            ? `All ${breaks.length} breaks are made.`
            : `Break ${at + 1} of ${breaks.length} ${whatItDoes(sheet, layout, at)}.`}
        </p>
      </div>
      <p className="pt-2 text-[14.5px] text-mute print:hidden">
        {kept === null && 'Keep the layout to enter from here what is cut. '}
        Score each line right across the part in hand, then run it; wear eye protection.
      </p>
    </section>
  );
}

/** What the next break of a sheet does. */
function whatItDoes(sheet: LayoutSheet, layout: Layout, done: number): string {
  const breaks = layout.breaks.filter((one) => one.sheetId === sheet.id);
  const before = new Set(brokenParts(sheet.outline, breaks.slice(0, done), 0).map((p) => JSON.stringify(p.outline)));
  const made = brokenParts(sheet.outline, breaks.slice(0, done + 1), 0).filter(
    (p) => !before.has(JSON.stringify(p.outline)),
  );
  const isIn = (part: (typeof made)[number], ring: Layout['placements'][number]['outline']) =>
    contains(part.outline, centroid([ring]));
  return breakWords(
    made.map((part) => ({
      pieces: layout.placements
        .filter((one) => one.sheetId === sheet.id && isIn(part, one.outline))
        .map((one) => one.pieceId),
      isOffcut: layout.offcuts.some((offcut) => offcut.sheetId === sheet.id && isIn(part, offcut.outline)),
    })),
  );
}
