import { SIDES, workWord } from '#core/bench';
import { minutesOf, panelSum } from '#core/labour';
import { fitsInto } from '#core/sizing';
import { costOf } from '#core/stock';
import { count, showMinutes, showMoney, showNumbers } from '#core/units';
import { jointsWords, waitOf } from '#core/words';
import type { PanelPaths } from '../../panel/paths.ts';
import type { PanelView } from '../../panel/view.ts';
import { useSend } from '../../state/send.ts';
import { Link } from 'react-router';
import { useInWork, usePanelHours, usePlans, useSupplies } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { dayAndTime } from '../../ui/dates.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { useMinute } from '../../ui/useMinute.ts';

/** Asked before a panel leaves: what is still running or open, and what it took altogether. */
export function Delivery({
  view,
  paths,
  onDeliver,
  onClose,
}: {
  view: PanelView;
  paths: PanelPaths | null;
  onDeliver: () => void;
  onClose: () => void;
}) {
  const { panel, pieces, settings, glasses, reader } = view;
  const now = useMinute();
  const send = useSend();
  const { data } = usePanelHours(panel.id);
  const hours = data?.hours ?? [];
  const priceOf = (glassId: string) => glasses.get(glassId)?.priceCentsPerM2 ?? 0;
  const sum = panelSum(hours, data?.mishaps ?? [], pieces, priceOf, now);
  const money = (cents: number) => showMoney(cents, settings.currency, settings.locale);
  const running = hours.filter((h) => h.endedAt === null && !h.removed);
  const { data: plans } = usePlans(panel.id);
  const mending = plans?.repairs.filter((repair) => repair.closedAt === null) ?? [];
  const measured = plans?.finish?.measured ?? null;
  const isTooLarge = measured !== null && panel.opening !== null && !fitsInto(measured, panel.opening);
  const { data: shelf } = useSupplies();
  const { data: work } = useInWork();
  const toBook = (work?.inWork ?? []).flatMap(({ supplyId, panelId, amount }) => {
    const supply = shelf?.supplies.find((one) => one.id === supplyId);
    return panelId === panel.id && supply ? [{ name: supply.name, cents: costOf(supply, amount) }] : [];
  });
  const besideCents = [...(plans?.used ?? []), ...toBook].reduce((all, { cents }) => all + cents, 0);
  const wait = waitOf(panel, now);
  const joints = paths?.cartoon.joints ?? [];
  const open = SIDES.filter((side) => joints.length > 0 && panel.soldered[side].length < joints.length);
  return (
    <Sheet title="Before it leaves" open onClose={onClose}>
      {running.map((h) => (
        <section key={h.id} className="flex items-center gap-3 border-l-4 border-risk pl-3">
          <p className="min-w-0 flex-1">
            {reader.get('people', h.personId)?.name ?? 'Somebody'}’s clock still runs on it: {workWord(h.stage)},{' '}
            {showMinutes(minutesOf(h, now))}.
          </p>
          <Button
            onClick={() => void send.command({ kind: 'stop-clock', ask: { personId: h.personId, endedAt: null } })}
          >
            Stop it
          </Button>
        </section>
      ))}
      {wait && (
        <p className="border-l-4 border-risk pl-3">
          It still waits: {wait.name}, until {dayAndTime(wait.until, settings.locale, now)}.
        </p>
      )}
      {open.map((side) => (
        <p key={side} className="border-l-4 border-risk pl-3">
          {jointsWords(joints, panel.soldered[side], side)}
        </p>
      ))}
      {mending.length > 0 && (
        <p className="border-l-4 border-risk pl-3">
          {showNumbers(
            mending.map((repair) => repair.number),
            8,
          )}{' '}
          {mending.length === 1 ? 'is' : 'are'} still being mended.
        </p>
      )}
      {isTooLarge && <p className="border-l-4 border-risk pl-3">Measured it is larger than its opening.</p>}
      {plans && measured === null && (
        <p className="border-l-4 border-line pl-3">
          Its finished size was not measured.{' '}
          <Link className="underline" to="?part=fit" onClick={onClose}>
            Measure it
          </Link>
        </p>
      )}
      {running.length === 0 && !wait && open.length === 0 && mending.length === 0 && (
        <p>No clock runs on it, nothing waits, every joint is soldered on both sides.</p>
      )}
      <dl className="grid grid-cols-[1fr_auto_auto] gap-x-4 border-y border-line py-2 text-[16.5px] *:py-1.5">
        <dt>Work</dt>
        <dd className="text-right text-mute">{showMinutes(sum.minutes)}</dd>
        <dd className="text-right">{money(sum.labourCents)}</dd>
        <dt>Glass in it</dt>
        <dd className="text-right text-mute">{count(sum.begun, 'piece')}</dd>
        <dd className="text-right">{money(sum.glassCents)}</dd>
        <dt>Glass that broke</dt>
        <dd className="text-right text-mute">
          {sum.breaks === 0 ? 'none' : sum.breaks === 1 ? 'once' : `${sum.breaks} times`}
        </dd>
        <dd className="text-right">{money(sum.lostCents)}</dd>
        <dt>Beside glass</dt>
        <dd className="text-right text-mute">
          {toBook.length > 0 ? `${count(toBook.length, 'supply', 'supplies')} booked with it` : ''}
        </dd>
        <dd className="text-right">{money(besideCents)}</dd>
        <dt className="font-semibold">Together</dt>
        <dd />
        <dd className="text-right font-semibold">
          {money(sum.labourCents + sum.glassCents + sum.lostCents + besideCents)}
        </dd>
      </dl>
      <p className="text-[15px] text-mute">
        At cost: each person’s hourly rate, the price of the glass, and what came off the shelf.
      </p>
      <div className="mt-auto grid grid-cols-2 gap-2">
        <Button onClick={onClose}>Leave it</Button>
        <Button look="go" onClick={onDeliver}>
          {running.length > 0 || wait || open.length > 0 ? 'Deliver all the same' : 'Deliver'}
        </Button>
      </div>
    </Sheet>
  );
}
