import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  go: 'bg-copper text-white hover:brightness-110 disabled:bg-soft disabled:text-mute',
  plain: 'bg-soft text-ink hover:brightness-95 dark:hover:brightness-125 disabled:text-mute',
  line: 'bg-raised border border-line text-ink hover:border-strong aria-pressed:border-ink aria-pressed:shadow-[inset_0_-3px_0_var(--ink)] data-[state=on]:border-ink data-[state=on]:shadow-[inset_0_-3px_0_var(--ink)]',
  quiet: 'text-ink underline decoration-line decoration-2 underline-offset-4 hover:decoration-copper',
} as const;

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: keyof typeof LOOKS;
}

/** At least 44 px high: it is pressed with wet hands. */
export function Button({ look = 'plain', className = '', type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={`inline-flex print:hidden min-h-11 items-center justify-center gap-2 rounded-md px-4 font-semibold ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
