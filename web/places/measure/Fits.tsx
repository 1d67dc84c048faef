import { useState } from 'react';
import {
  drawnSize,
  evenOutside,
  finishedSize,
  misfitOf,
  outsideOf,
  panelInOpening,
  type LineAllowance,
  type Opening,
} from '#core/sizing';
import { showLength } from '#core/units';
import { cureWords, misfitWords } from '#core/words';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';

/** Whether the panel goes into its opening; where not, which side is too large and what would cure it. */
export function Fits({
  view,
  allowance,
  opening,
  begun,
}: {
  view: PanelView;
  allowance: LineAllowance;
  opening: Opening;
  begun: boolean;
}) {
  const { panel, answer } = view;
  const { unit } = view.settings;
  const send = useSend();
  const [busy, setBusy] = useState(false);
  const size = (s: { widthMm: number; heightMm: number }) =>
    `${showLength(s.widthMm, unit, 1)} × ${showLength(s.heightMm, unit, 1)}`;
  const room = panelInOpening(opening);
  const cartoon = answer?.cartoon ?? null;
  const outside = cartoon ? outsideOf(cartoon, allowance) : evenOutside(allowance);
  const finished = finishedSize(panel, outside);
  const misfit = misfitOf(panel, cartoon, allowance, opening);
  const cure = misfit && cureWords(misfit, unit);
  const fit = async () => {
    setBusy(true);
    const wish = {
      commissionId: panel.commissionId,
      name: panel.name,
      technique: panel.technique,
      widthMm: panel.widthMm,
      heightMm: panel.heightMm,
      allowance,
      opening,
    };
    await send.edit(
      panel.id,
      { kind: 'fit', ...drawnSize(room, outside), borderMm: 0 },
      'Fitted to its opening.',
      wish,
    );
    setBusy(false);
  };
  return (
    <section aria-label="Fit" className="grid max-w-2xl justify-items-start gap-2 text-[17px]" data-testid="fits">
      <p>
        The opening takes a panel of <b>{size(room)}</b>.{' '}
        {misfit ? (
          <span className="text-risk">
            This one finishes at {size(finished)}: <b>{misfitWords(misfit, unit)}</b>.
          </span>
        ) : (
          `This one finishes at ${size(finished)} and fits.`
        )}
      </p>
      {misfit && (
        <>
          {begun ? (
            <p>Glass of it is cut, so the drawing stays as large as it is.</p>
          ) : (
            answer && (
              <Button aria-disabled={busy} onClick={() => !busy && void fit()}>
                {busy ? 'Fitting it …' : 'Fit the drawing to the opening'}
              </Button>
            )
          )}
          {cure && <p>{cure}</p>}
        </>
      )}
    </section>
  );
}
