import { Link } from 'react-router';
import type { TodayAnswer } from '#contract';
import type { Settings } from '#core/bench';
import type { Glass } from '#core/stock';
import { priceOfArea, showArea, showMoney } from '#core/units';

/** Glass that the pieces still to cut need more of than the rack holds, and supplies of which little is left. */
export function RunningShort({
  short,
  low,
  glasses,
  settings,
}: {
  short: TodayAnswer['short'];
  low: TodayAnswer['low'];
  glasses: ReadonlyMap<string, Glass>;
  settings: Settings;
}) {
  if (short.length + low.length === 0) return <p>The rack holds the glass of every piece still to cut.</p>;
  return (
    <>
      {short.map(({ glassId, missingMm2 }) => {
        const glass = glasses.get(glassId);
        const cents = priceOfArea(missingMm2, glass?.priceCentsPerM2 ?? 0);
        return (
          <p key={glassId}>
            <b>{glass?.code}</b> {glass?.name}: {showArea(missingMm2, settings.unit)} short, before waste{' '}
            <span className="text-mute">(about {showMoney(cents, settings.currency, settings.locale)})</span>
          </p>
        );
      })}
      {low.map(({ supplyId, name }) => (
        <p key={supplyId}>
          Little left of{' '}
          <Link className="underline decoration-line underline-offset-4" to={`/rack/supplies?item=${supplyId}`}>
            {name}
          </Link>
        </p>
      ))}
    </>
  );
}
