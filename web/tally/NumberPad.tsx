import { Delete } from 'lucide-react';

const KEY = 'rounded-md font-semibold active:brightness-90';
const FIGURES = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '-', '0', 'space'] as const;

/** The tally line by touch. It lies over the piece in hand, so that the panel stays in sight and lights up. */
export function NumberPad({
  offered,
  text,
  write,
  enter,
  close,
}: {
  /** Words that may come next. */
  offered: readonly string[];
  text: string;
  write: (text: string) => void;
  enter: () => void;
  close: () => void;
}) {
  const verb = (word: string) => write(`${text.trim()} ${word} `.trimStart());
  return (
    <div
      role="group"
      aria-label="Number pad"
      className="absolute right-0 bottom-full z-10 flex w-[300px] flex-col max-sm:w-full gap-2 border-t border-l border-line bg-sheet p-3 shadow-[-6px_-6px_20px_var(--shade-2)] xl:w-[352px]"
    >
      <div className="flex max-h-[34vh] flex-wrap gap-1.5 overflow-y-auto" role="group" aria-label="Words">
        {offered.map((word) => (
          <button
            key={word}
            type="button"
            className={`${KEY} min-h-11 grow bg-soft px-3 text-[16px]`}
            onClick={() => verb(word)}
          >
            {word}
          </button>
        ))}
        <button
          type="button"
          className={`${KEY} min-h-11 grow px-3 text-[16px] underline decoration-line underline-offset-4`}
          onClick={close}
        >
          Close
        </button>
      </div>
      <div className="grid grid-cols-3 gap-1.5">
        {FIGURES.map((k) => (
          <button
            key={k}
            type="button"
            className={`${KEY} min-h-13 bg-soft text-[20px]`}
            onClick={() => write(text + (k === 'space' ? ' ' : k))}
            aria-label={k === '-' ? 'to' : k}
          >
            {k === 'space' ? '␣' : k === '-' ? '–' : k}
          </button>
        ))}
        <button
          type="button"
          className={`${KEY} min-h-13 bg-soft text-[20px]`}
          aria-label="Rub out"
          onClick={() => write(text.slice(0, -1))}
        >
          <Delete aria-hidden size={22} className="mx-auto" />
        </button>
        <button type="button" className={`${KEY} col-span-2 min-h-13 bg-copper text-[18px] text-white`} onClick={enter}>
          Do it
        </button>
      </div>
    </div>
  );
}
