import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { LogLine } from '#contract';
import { useLargeStep } from '../state/largeStep.ts';
import { useSend } from '../state/send.ts';
import { Pop } from '../ui/Pop.tsx';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';

interface HistoryLinesProps {
  readonly lines: readonly LogLine[];
  readonly locale: string;
  readonly label: string;
}

/** What happened, line by line; each can be opened, and taken back where nothing rests on it. */
export function HistoryLines({ lines, locale, label }: HistoryLinesProps) {
  return (
    <ol className="grid border-l-2 border-line pl-2 text-[14.5px]" aria-label={label}>
      {lines.map((line) => (
        <li key={line.seq}>
          {line.mayGoBack ? <LineBack line={line} locale={locale} /> : <Words line={line} locale={locale} />}
        </li>
      ))}
    </ol>
  );
}

function Words({ line, locale }: { line: LogLine; locale: string }) {
  return (
    <span className={`block px-1.5 py-1 text-left ${line.mishap ? 'text-risk' : ''}`}>
      <span className="text-mute">{momentWords(line.at, locale)}</span> {line.words}
      {line.who && <span className="text-mute"> · {line.who}</span>}
    </span>
  );
}

const LINE = 'min-h-11 w-full rounded hover:bg-soft data-[state=open]:bg-soft';

/** A line is a button alone until it is first opened: of many lines few ever are. */
function LineBack({ line, locale }: { line: LogLine; locale: string }) {
  const send = useSend();
  const ask = useLargeStep((s) => s.ask);
  const [wasOpened, setWasOpened] = useState(false);
  const words = <Words line={line} locale={locale} />;
  if (!wasOpened)
    return (
      <button
        type="button"
        aria-haspopup="dialog"
        aria-expanded={false}
        className={LINE}
        onClick={() => setWasOpened(true)}
      >
        {words}
      </button>
    );
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger className={LINE}>{words}</Popover.Trigger>
      <Pop label={line.words} className="grid w-72 gap-3 p-4 text-[15px]">
        <p>
          <b>{line.words}</b>
          {line.who && ` · ${line.who}`}
        </p>
        <p className="text-mute">
          As if it had never been: glass goes back to its sheet, marks and steps to what they were. Where later work
          rests on it, it stays.
        </p>
        <Popover.Close asChild>
          <Button onClick={() => (line.isLarge ? ask(line) : void send.putEntryBack(line.seq))}>Take this back</Button>
        </Popover.Close>
      </Pop>
    </Popover.Root>
  );
}
