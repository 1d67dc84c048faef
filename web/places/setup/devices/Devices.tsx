import { Mailbox, Scale, Thermometer } from 'lucide-react';
import type { ReactNode } from 'react';
import { simulatedScale, useOnScale } from '../../../devices/benchScale.ts';
import { simulatedIron, useIron } from '../../../devices/ironStation.ts';
import { simulatedPost, useSent } from '../../../devices/outbox.ts';
import { count, showMinutes } from '#core/units';
import { Button } from '../../../ui/Button.tsx';
import { momentWords } from '../../../ui/dates.ts';
import { Fold } from '../../../ui/Fold.tsx';
import { Slider } from '../../../ui/Slider.tsx';
import { useSecond } from './useSecond.ts';

/** What stands in for devices outside, each in a drawer that can be opened. */
export function Devices({ locale }: { locale: string }) {
  return (
    <section aria-label="Devices" className="lg:col-span-2">
      <h2 className="mb-1 text-xl">Devices</h2>
      <p className="mb-2 max-w-prose text-[15.5px] text-mute">
        None of these is real: each stands in for a device that a studio may have one day, and is worked by hand here.
        Printed labels lie in their tray on the rack; a scanner types the code of a label wherever one is asked for.
      </p>
      <div className="grid gap-x-14 lg:grid-cols-2">
        <ScaleDrawer />
        <IronDrawer />
        <OutboxDrawer locale={locale} />
      </div>
    </section>
  );
}

const Title = ({ icon, children }: { icon: ReactNode; children: ReactNode }) => (
  <span className="flex items-center gap-2.5">
    {icon}
    {children}
  </span>
);

function ScaleDrawer() {
  const { grams, lay } = useOnScale();
  return (
    <Fold title={<Title icon={<Scale aria-hidden size={20} />}>{simulatedScale.name}</Title>}>
      <div className="grid gap-2 pb-4">
        <p className="font-head text-[34px] tabular-nums" data-testid="scale">
          {grams} g
        </p>
        <Slider
          label="What lies on the scale, grams"
          value={grams}
          least={0}
          most={2000}
          step={1}
          said={`${grams} grams`}
          onSlide={lay}
        />
        <p className="text-mute">Slide to what lies on it; a spool without its reel, an offcut as it is.</p>
      </div>
    </Fold>
  );
}

function IronDrawer() {
  const now = useSecond();
  const iron = useIron();
  const { isOn, tipC, idleMin, tipMin } = simulatedIron.read(now);
  return (
    <Fold title={<Title icon={<Thermometer aria-hidden size={20} />}>{simulatedIron.name}</Title>}>
      <div className="grid gap-2 pb-4">
        <p className="font-head text-[34px] tabular-nums">
          {tipC} °C <span className="text-[17px] text-mute">of {iron.setC}</span>
        </p>
        <Slider
          label="Temperature"
          value={iron.setC}
          least={200}
          most={450}
          step={5}
          said={`${iron.setC} degrees`}
          onSlide={iron.set}
        />
        <p className="text-mute">
          {isOn ? (idleMin >= 1 ? `In its stand for ${showMinutes(idleMin)}. ` : 'In the hand. ') : 'Off. '}
          This tip was hot for {showMinutes(tipMin)}.
        </p>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => iron.turn(!isOn, now)}>{isOn ? 'Switch it off' : 'Switch it on'}</Button>
          <Button onClick={() => iron.take(now)} unless={isOn ? null : 'It is off.'}>
            Take it
          </Button>
          <Button onClick={() => iron.newTip(now)}>A new tip</Button>
        </div>
      </div>
    </Fold>
  );
}

function OutboxDrawer({ locale }: { locale: string }) {
  const { letters, empty } = useSent();
  return (
    <Fold title={<Title icon={<Mailbox aria-hidden size={20} />}>{simulatedPost.name}</Title>}>
      <div className="grid gap-2 pb-4">
        {letters.length === 0 ? (
          <p className="text-mute">Empty. Letters are written at a panel’s fitting.</p>
        ) : (
          <>
            <p>{count(letters.length, 'letter')}, none of them sent anywhere.</p>
            <ul>
              {letters.map((letter) => (
                <li key={letter.at} className="border-t border-line py-2">
                  <b>{letter.to}</b> · {letter.about}{' '}
                  <span className="text-mute">{momentWords(letter.at, locale)}</span>
                  <p className="whitespace-pre-line">{letter.words}</p>
                </li>
              ))}
            </ul>
            <Button className="justify-self-start" onClick={empty}>
              Empty it
            </Button>
          </>
        )}
      </div>
    </Fold>
  );
}
