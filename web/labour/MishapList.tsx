import { BEGINS, reasonWords, spokenCode, type Mishap, type Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { showArea, showMinutes, showMoney } from '#core/units';
import { momentWords } from '../ui/dates.ts';

/** Breaks and recuts, each with its reason and what it cost in glass and time. */
export function MishapList({
  mishaps,
  glasses,
  settings,
  nameOf,
}: {
  mishaps: readonly (Omit<Mishap, 'pieceId'> & { id: string })[];
  glasses: ReadonlyMap<string, Glass>;
  settings: Settings;
  /** The panel's name, where mishaps of several are told. */
  nameOf?: (panelId: string) => string;
}) {
  if (mishaps.length === 0) return <p className="text-mute">None: nothing has broken.</p>;
  return (
    <ul className="grid gap-2 text-[15px]">
      {[...mishaps]
        .sort((a, b) => b.at - a.at)
        .map((m) => (
          <li key={m.id} className="border-l-2 border-risk pl-3">
            <b>
              {nameOf ? `${nameOf(m.panelId)}, piece ` : 'Piece '}
              {m.number}
            </b>
            , {m.stage === BEGINS ? 'while being cut' : `when ${spokenCode(m.stage)}`}: {reasonWords(m.reason)}.
            <span className="text-mute">
              {' '}
              {momentWords(m.at, settings.locale)} · {showArea(m.glassMm2, settings.unit)} of{' '}
              {glasses.get(m.glassId ?? '')?.code ?? 'glass'},{' '}
              {showMoney(m.glassCents, settings.currency, settings.locale)}
              {m.minutes > 0 &&
                ` · ${showMinutes(m.minutes)}, ${showMoney(m.labourCents, settings.currency, settings.locale)}`}
            </span>
          </li>
        ))}
    </ul>
  );
}
