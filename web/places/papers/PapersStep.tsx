import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { PAPER_KINDS, PAPER_NAMES, PAPER_TITLES, TABLED, type PaperKind, type PaperName } from '#core/papers';
import { count } from '#core/units';
import { Split } from '../../panel/Split.tsx';
import { useChange } from '../../ui/useChange.ts';
import { usePanelView } from '../../panel/usePanelView.ts';
import { paperFile, tableFile, usePaper, type PaperWish } from '../../state/papers.ts';
import { BUTTON_LOOKS } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { ChoiceField } from '../../ui/Choice.tsx';
import { OneOf } from '../../ui/OneOf.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { Outlines } from './Outlines.tsx';
import { Pages } from './Pages.tsx';

/** What each paper is for, in a few words. */
const FOR: Readonly<Record<PaperKind, string>> = {
  cartoon: 'the panel at true size, to work on',
  patterns: 'every piece at its cut size',
  sheets: 'the layout, break by break',
  lead: 'order, cames, lengths to cut',
  list: 'glass, foil or came, solder, what to buy',
  bench: 'the panel small, glasses, a code',
  labels: 'for every tray, sheet and piece',
  care: 'for the client: how to look after it',
  fitting: 'the day on site: play, tools, steps',
  job: 'all of these as one PDF',
};

/** Why a paper has no pages. */
const WHY_NONE: Partial<Record<PaperKind, string>> = {
  sheets: 'Nothing is laid out and still to be cut. Keep a layout first; its sheets are printed here.',
};

/** All papers of a panel, as they will be printed. */
export function PapersStep() {
  const view = usePanelView();
  const { panel } = view;
  const [params] = useSearchParams();
  const asked = PAPER_KINDS.find((one) => one === params.get('paper'));
  const [kind, setKind] = useState<PaperKind>(asked ?? 'cartoon');
  useChange(params, () => asked && setKind(asked));
  const [chosen, setPaper] = useState<PaperName | null>(null);
  const paper = chosen ?? (view.settings.unit === 'mm' ? 'A4' : 'Letter');
  const [isMirrored, setMirrored] = useState(false);
  const [isColoured, setColoured] = useState(false);
  const [isByGlass, setByGlass] = useState(false);
  const wish: PaperWish = { kind, paper, isMirrored, isColoured, isByGlass };
  const { data: pages, error, isFetching } = usePaper(panel.id, panel.cartoonId === null ? null : wish);
  if (panel.cartoonId === null)
    return (
      <main className="p-6 text-[17px]">
        Bring in{' '}
        <Link className="underline" to={`/panels/${panel.id}/cartoon`}>
          the drawing
        </Link>{' '}
        first; its papers follow from it.
      </main>
    );
  const kinds = PAPER_KINDS.filter((one) => one !== 'lead' || panel.technique === 'lead');
  const isEmpty = pages?.length === 0;
  const side = (
    <SideSheet
      label="Papers"
      foot={
        <div className="flex flex-wrap items-center gap-3">
          {pages && !isEmpty ? (
            <a className={BUTTON_LOOKS.go} href={paperFile(panel.id, wish)} download>
              Save as PDF
            </a>
          ) : null}
          {pages && !isEmpty && TABLED.some((one) => one === kind) && (
            <a className={BUTTON_LOOKS.line} href={tableFile(panel.id, wish)} download>
              CSV
            </a>
          )}
          <span className="text-[15px] text-mute" role="status">
            {isFetching ? 'Drawing the pages …' : pages && !isEmpty ? count(pages.length, 'page') : ''}
          </span>
        </div>
      }
    >
      <div className="flex items-end justify-between gap-3">
        <h2 className="text-2xl">Papers</h2>
        <div className="w-36">
          <ChoiceField
            label="Printed on"
            value={paper}
            options={PAPER_NAMES.map((value) => ({ value, text: value }))}
            onChoice={setPaper}
          />
        </div>
      </div>
      <OneOf
        label="Paper"
        value={kind}
        className="grid gap-1.5"
        cardClassName="min-h-12 gap-3 py-1.5"
        options={kinds.map((value) => ({
          value,
          content: (
            <span className="leading-tight">
              <b className="block font-semibold">{PAPER_TITLES[value]}</b>
              <span className="text-[14px] text-mute">{FOR[value]}</span>
            </span>
          ),
        }))}
        onPick={setKind}
      />
      {(kind === 'cartoon' || kind === 'job') && (
        <Check checked={isColoured} onCheck={setColoured}>
          In the colours of the glass
        </Check>
      )}
      {kind === 'cartoon' && (
        <Check checked={isMirrored} onCheck={setMirrored}>
          Seen from the back
        </Check>
      )}
      {kind === 'patterns' && (
        <>
          <Check checked={isMirrored} onCheck={setMirrored}>
            Rough glass turned over: scored on its smooth side
          </Check>
          <Check checked={isByGlass} onCheck={setByGlass}>
            Each glass on pages of its own
          </Check>
        </>
      )}
      <Outlines panelId={panel.id} unit={view.settings.unit} />
    </SideSheet>
  );
  return (
    <Split id="papers" side={side}>
      <main className="min-h-0 flex-1 overflow-y-auto px-6 py-4" tabIndex={0} aria-label="Pages">
        {error && <p className="max-w-prose text-[17px]">{error.message}</p>}
        {isEmpty && <p className="max-w-prose text-[17px]">{WHY_NONE[kind] ?? 'There is nothing to print here.'}</p>}
        {pages && !isEmpty && <Pages key={kind} pages={pages} title={PAPER_TITLES[kind]} isOld={isFetching} />}
        {!pages && isFetching && <p className="text-[17px] text-mute">Drawing the pages …</p>}
      </main>
    </Split>
  );
}
