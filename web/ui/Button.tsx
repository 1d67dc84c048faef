import type { ButtonHTMLAttributes, MouseEvent } from 'react';
import { toast } from 'sonner';
import { Hint } from './Hint.tsx';

const LOOKS = {
  go: 'bg-copper text-white hover:brightness-110 aria-disabled:bg-soft aria-disabled:text-mute',
  plain: 'bg-soft text-ink hover:brightness-95 dark:hover:brightness-125 aria-disabled:text-mute',
  line: 'bg-raised border border-line text-ink hover:border-strong aria-pressed:border-ink aria-pressed:shadow-[inset_0_-3px_0_var(--ink)] data-[state=on]:border-ink data-[state=on]:shadow-[inset_0_-3px_0_var(--ink)] aria-disabled:text-mute',
  quiet:
    'text-ink underline decoration-line decoration-2 underline-offset-4 hover:decoration-copper aria-disabled:text-mute',
} as const;

const SHAPE = 'inline-flex print:hidden min-h-11 items-center justify-center gap-2 rounded-md px-4 font-semibold';
/** For a link that is pressed as a button is: one that leads to a file. */
export const BUTTON_LOOKS = {
  go: `${SHAPE} ${LOOKS.go}`,
  line: `${SHAPE} ${LOOKS.line}`,
} as const;

export interface ButtonProps extends Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'disabled'> {
  readonly look?: keyof typeof LOOKS;
  /** Why it can do nothing just now: said beside it, and to whoever presses it all the same. */
  readonly unless?: string | null;
}

/** At least 44 px high: it is pressed with wet hands. */
export function Button({ look = 'plain', className = '', type = 'button', unless, onClick, ...rest }: ButtonProps) {
  const why = unless ?? null;
  const sayWhy = (event: MouseEvent) => {
    event.preventDefault();
    if (why !== null) toast(why, { id: 'why-not' });
  };
  const button = (
    <button
      type={type}
      className={`${SHAPE} ${LOOKS[look]} ${className}`}
      {...rest}
      {...(why === null ? { onClick } : { onClick: sayWhy, 'aria-disabled': true })}
    />
  );
  // A button that can do nothing at times is one and the same button all the time, or it would lose its focus.
  return unless === undefined ? button : <Hint words={why}>{button}</Hint>;
}
