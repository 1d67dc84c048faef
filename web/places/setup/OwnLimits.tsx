import { useState } from 'react';
import type { Settings } from '#core/bench';
import { isLimit, LIMIT_NAMES, LIMITS, limitsWith, type LimitName } from '#core/limits';
import { trimNumber } from '#core/units';
import { useSend } from '../../state/send.ts';
import { Button } from '../../ui/Button.tsx';

/** What the studio judges and measures by: each with its unit and where the value comes from, to be set by the studio. */
export function OwnLimits({ settings }: { settings: Settings }) {
  const [typed, setTyped] = useState<Partial<Record<LimitName, string>>>({});
  const send = useSend();
  const now = limitsWith(settings.limits);
  const valueOf = (name: LimitName) => (typed[name] === undefined ? now[name] : Number(typed[name].replace(',', '.')));
  const wrong = LIMIT_NAMES.filter((name) => !isLimit(name, valueOf(name)));
  const isChanged = LIMIT_NAMES.some((name) => valueOf(name) !== now[name]);
  const keep = async () => {
    const own = LIMIT_NAMES.filter((name) => valueOf(name) !== LIMITS[name].value).map((name) => [name, valueOf(name)]);
    const ask = { limits: Object.fromEntries(own) as Settings['limits'] };
    if (await send.command({ kind: 'change-settings', ask }, 'Kept; drawings are judged by it from now on.'))
      setTyped({});
  };
  return (
    <form
      className="lg:col-span-2"
      aria-label="Limits and measures"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2 className="mb-1 text-xl">Limits and measures</h2>
      <p className="mb-3 max-w-prose text-mute">
        What drawings are judged by, and what new panels begin with. Set what your own glass, came and hand ask for.
      </p>
      <ul className="grid gap-x-14 lg:grid-cols-2">
        {LIMIT_NAMES.map((name) => (
          <LimitLine
            key={name}
            name={name}
            text={typed[name] ?? trimNumber(now[name], 3)}
            isWrong={wrong.includes(name)}
            write={(text) => setTyped({ ...typed, [name]: text })}
          />
        ))}
      </ul>
      <div className="mt-4 flex gap-2">
        <Button look="go" type="submit" disabled={!isChanged || wrong.length > 0}>
          Keep these
        </Button>
        {isChanged && <Button onClick={() => setTyped({})}>Leave them</Button>}
      </div>
    </form>
  );
}

function LimitLine({
  name,
  text,
  isWrong,
  write,
}: {
  name: LimitName;
  text: string;
  isWrong: boolean;
  write: (text: string) => void;
}) {
  const { words, unit, value, source, least, most } = LIMITS[name];
  const inUnit = (n: number) =>
    `${trimNumber(n, 3)}${unit === '°' || unit === 'ratio' ? '' : ' '}${unit === 'ratio' ? '' : unit}`;
  return (
    <li className="border-t border-line py-2">
      <label className="flex min-h-11 items-center gap-4">
        <span className="flex-1 text-[15.5px]">
          {words}
          <span className={`block text-[14px] ${isWrong ? 'font-semibold text-risk' : 'text-mute'}`}>
            {isWrong ? `From ${inUnit(least)} to ${inUnit(most)}.` : `${inUnit(value)} unless set otherwise, ${source}`}
          </span>
        </span>
        <input
          className="min-h-11 w-28 rounded-md border border-strong bg-raised px-3 text-right text-ink aria-invalid:border-risk"
          inputMode="decimal"
          value={text}
          aria-invalid={isWrong}
          onChange={(e) => write(e.target.value)}
        />
        <span className="w-9 text-mute">{unit === 'ratio' ? '' : unit}</span>
      </label>
    </li>
  );
}
