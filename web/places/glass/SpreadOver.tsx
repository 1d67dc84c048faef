import { useMemo } from 'react';
import { BEGINS } from '#core/bench';
import { spreadOver, type Glass, type GlassSpread, type SpreadPanel, type Swap } from '#core/stock';
import { GlassChip } from '../../panel/GlassChip.tsx';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { usePanels } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';

/** How evenly each glass is spread over the panels of a job; the uneven ones first in sight, with a swap. */
export function SpreadOver({ view }: { view: PanelView }) {
  const { panel, pieces, set, glasses } = view;
  const others = usePanels(set.map((one) => one.id));
  const panels = useMemo(
    () => [
      { id: panel.id, name: panel.name, pieces: pieces.map(sharing) },
      ...others.map((one) => ({ id: one.panel.id, name: one.panel.name, pieces: one.pieces.map(sharing) })),
    ],
    [panel.id, panel.name, pieces, others],
  );
  const spread = useMemo(() => spreadOver(panels), [panels]);
  const names = new Map(panels.map(({ id, name }) => [id, name]));
  if (others.length < set.length) return <p className="text-[15px] text-mute">Fetching the other panels …</p>;
  if (spread.glasses.length === 0) return <p className="text-[15px] text-mute">No glass is chosen yet.</p>;
  const uneven = spread.glasses.filter((one) => one.isUneven);
  return (
    <div className="grid gap-3 pb-2">
      <p className="text-[15px]">
        {uneven.length === 0
          ? 'Every glass is spread evenly.'
          : `Not even: ${uneven.map((one) => glasses.get(one.glassId)?.code ?? '').join(', ')}.`}
      </p>
      {spread.swap && <SwapLine view={view} swap={spread.swap} names={names} />}
      <ul className="grid gap-2.5" aria-label="Glass by panel">
        {spread.glasses.map((one) => (
          <SpreadLine key={one.glassId} one={one} glass={glasses.get(one.glassId)} panels={panels} />
        ))}
      </ul>
    </div>
  );
}

const sharing = ({
  number,
  glassId,
  areaMm2,
  stage,
}: {
  readonly number: number;
  readonly glassId: string | null;
  readonly areaMm2: number;
  readonly stage: string;
}): SpreadPanel['pieces'][number] => ({ number, glassId, areaMm2, isCut: stage !== BEGINS });

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** One glass: a bar of it for each panel, in the glass itself, and a mark where it would be even. */
function SpreadLine({
  one,
  glass,
  panels,
}: {
  one: GlassSpread;
  glass: Glass | undefined;
  panels: readonly { readonly id: string; readonly name: string }[];
}) {
  const most = Math.max(...one.shares, one.share, 0.01);
  if (!glass) return null;
  return (
    <li className="grid grid-cols-[44px_1fr] gap-x-3">
      <GlassChip glass={glass} />
      <div className="min-w-0">
        <p className="flex items-baseline gap-2 text-[14.5px]">
          <b>{glass.code}</b>
          <span className="truncate text-mute">{glass.name}</span>
          <span className="ml-auto">{percent(one.share)}</span>
        </p>
        <ul className="grid gap-1">
          {panels.map(({ id, name }, i) => {
            const share = one.shares[i] ?? 0;
            return (
              <li key={id} className="grid grid-cols-[38%_1fr_46px] items-center gap-2 text-[13.5px]">
                <span className="truncate text-mute">{name}</span>
                <span className="relative h-2.5 rounded-sm bg-soft" aria-hidden>
                  <span
                    className="absolute inset-y-0 left-0 rounded-sm"
                    style={{ width: `${(share / most) * 100}%`, background: glass.colour }}
                  />
                  <span
                    className="absolute -inset-y-0.5 w-0.5 bg-ink"
                    style={{ left: `${(one.share / most) * 100}%` }}
                  />
                </span>
                <span className="text-right">{percent(share)}</span>
              </li>
            );
          })}
        </ul>
      </div>
    </li>
  );
}

function SwapLine({
  view: { glasses },
  swap: { one, other, beforeMm2, afterMm2 },
  names,
}: {
  view: PanelView;
  swap: Swap;
  names: ReadonlyMap<string, string>;
}) {
  const send = useSend();
  const code = (glassId: string) => glasses.get(glassId)?.code ?? '';
  const swap = async () => {
    const [a, b] = [
      { panelId: one.panelId, numbers: [one.number], glassId: other.glassId },
      { panelId: other.panelId, numbers: [other.number], glassId: one.glassId },
    ];
    if (await send.command({ kind: 'choose-glass', ask: a }))
      await send.command({ kind: 'choose-glass', ask: b }, 'Swapped; each panel takes back its own.');
  };
  return (
    <div className="grid gap-2 rounded-md border border-line p-3 text-[15px]">
      <p>
        Piece {one.number} of {names.get(one.panelId)} in {code(other.glassId)} instead of {code(one.glassId)}, and
        piece {other.number} of {names.get(other.panelId)} the other way round: {percent(1 - afterMm2 / beforeMm2)} more
        even.
      </p>
      <Button onClick={() => void swap()}>Swap them</Button>
    </div>
  );
}
