import { useEffect, useId, useState } from 'react';
import { Droplets, Grip, Mic } from 'lucide-react';
import { useSettings } from '../state/studio.ts';
import { finished, stepThrough, usePastLines } from './pastLines.ts';
import { useVoice } from './useVoice.ts';
import { Button } from '../ui/Button.tsx';
import { useTallyCall } from '../state/tallyCall.ts';
import { NumberPad } from './NumberPad.tsx';
import type { Tally } from './useTally.ts';

/** What an artist would call across the room, written at the foot of the panel. */
export function TallyLine({
  tally,
  onWet,
}: {
  tally: Tally;
  /** The panel fills the screen, and a few large buttons do. */
  onWet: () => void;
}) {
  const [pad, setPad] = useState(false);
  const effect = useId();
  const { isCalled, answer } = useTallyCall();
  const { field } = tally;
  const { lines } = usePastLines();
  const [past, setPast] = useState<{ readonly at: number; readonly draft: string } | null>(null);
  const { locale } = useSettings();
  const voice = useVoice(locale, tally.write);
  /** Through the lines before, and back to the one that was being written. */
  const turn = (by: -1 | 1) => {
    const at = stepThrough(lines, past?.at ?? null, by);
    if (at === null && past === null) return;
    tally.write(at === null ? (past?.draft ?? '') : (lines[at] ?? ''));
    setPast(at === null ? null : { at, draft: past?.draft ?? tally.text });
  };
  useEffect(() => {
    if (!isCalled) return;
    field.current?.focus();
    answer();
  }, [isCalled, answer, field]);
  return (
    <footer className="relative shrink-0 border-t border-line bg-sheet print:hidden">
      {pad && tally.questions.length === 0 && (
        <NumberPad
          offered={tally.offered}
          text={tally.text}
          write={tally.write}
          enter={() => void tally.enter()}
          close={() => setPad(false)}
        />
      )}
      <form
        className="flex items-center gap-3 px-6 py-3.5"
        onSubmit={(event) => {
          event.preventDefault();
          void tally.enter();
        }}
      >
        <label className="flex min-h-12 min-w-0 flex-1 items-center gap-3 rounded-md bg-raised px-4 shadow-[inset_0_0_0_2px_var(--copper)] focus-within:shadow-[inset_0_0_0_3px_var(--copper)]">
          <span className="sr-only">Tally line: pieces, then what happened</span>
          <input
            ref={tally.field}
            value={tally.text}
            onChange={(event) => {
              setPast(null);
              tally.write(event.target.value);
            }}
            placeholder="12-18 31 cut"
            spellCheck={false}
            autoCapitalize="none"
            autoComplete="off"
            aria-describedby={effect}
            className="min-w-24 flex-1 bg-transparent py-2 text-[20px] font-semibold outline-none placeholder:font-normal placeholder:text-mute"
            onKeyDown={(event) => {
              // The key that leads here means nothing more once it is here.
              if (event.key === '/' && event.currentTarget.value === '') event.preventDefault();
              if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
                event.preventDefault();
                turn(event.key === 'ArrowUp' ? -1 : 1);
              }
              // As long as there is something to finish; else Tab goes on to the next button as everywhere.
              const whole = event.key === 'Tab' && !event.shiftKey ? finished(tally.text, tally.offered) : null;
              if (whole !== null) {
                event.preventDefault();
                tally.write(whole);
              }
              if (event.key === 'Escape') {
                tally.write('');
                event.currentTarget.blur();
              }
            }}
          />
          <output
            id={effect}
            aria-live="polite"
            className={`max-w-[62%] text-right text-[15.5px] leading-tight ${tally.isProblem ? 'font-semibold text-risk' : 'text-ink'}`}
            data-testid="effect"
          >
            {tally.words}
          </output>
          {tally.canDo && !tally.isProblem && tally.text !== '' && (
            <kbd className="rounded font-sans bg-soft px-2 py-0.5 text-[13px] font-semibold">Enter</kbd>
          )}
        </label>
        {voice.canListen && (
          <Button
            aria-pressed={voice.isListening}
            onClick={voice.listen}
            aria-label="By voice"
            title="By voice"
            className="px-3.5 aria-pressed:bg-copper aria-pressed:text-white max-sm:hidden"
          >
            <Mic aria-hidden size={22} />
          </Button>
        )}
        <Button onClick={onWet} aria-label="For wet hands" title="For wet hands" className="px-3.5">
          <Droplets aria-hidden size={22} />
        </Button>
        <Button aria-pressed={pad} onClick={() => setPad(!pad)} aria-label="Number pad" className="px-3.5">
          <Grip aria-hidden size={22} />
        </Button>
      </form>
    </footer>
  );
}
