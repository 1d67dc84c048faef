import type { Mishap, Settings, Studio } from '#core/bench';
import { showArea, showMinutes, showMoney } from '#core/units';
import { reasonWords, STAGE_WORDS } from '#core/words';
import { momentWords } from '../ui/dates.ts';

/** Breaks and recuts, each with its reason and what it cost in glass and time. */
export function MishapList({
  mishaps,
  reader,
  settings,
  named = false,
}: {
  mishaps: readonly (Mishap & { id: string })[];
  reader: Studio;
  settings: Settings;
  named?: boolean;
}) {
  if (mishaps.length === 0) return <p className="text-mute">None: nothing has broken.</p>;
  return (
    <ul className="grid gap-2 text-[15px]">
      {[...mishaps]
        .sort((a, b) => b.at - a.at)
        .map((m) => (
          <li key={m.id} className="border-l-2 border-risk pl-3">
            <b>
              {named ? `${reader.get('panels', m.panelId)?.name ?? ''}, piece ` : 'Piece '}
              {m.number}
            </b>
            , {m.stage === 'to-cut' ? 'while being cut' : `when ${STAGE_WORDS[m.stage]}`}: {reasonWords(m.reason)}.
            <span className="text-mute">
              {' '}
              {momentWords(m.at, settings.locale)} · {showArea(m.glassMm2, settings.unit)} of{' '}
              {reader.get('glasses', m.glassId ?? '')?.code ?? 'glass'},{' '}
              {showMoney(m.glassCents, settings.currency, settings.locale)}
              {m.minutes > 0 &&
                ` · ${showMinutes(m.minutes)}, ${showMoney(m.labourCents, settings.currency, settings.locale)}`}
            </span>
          </li>
        ))}
    </ul>
  );
}
