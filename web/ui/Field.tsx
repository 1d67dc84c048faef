import { useId, type InputHTMLAttributes, type ReactNode } from 'react';

/** The box round what is entered, the same for a text, a choice and a day. */
export const BOX = 'min-h-11 w-full rounded-md border border-strong bg-raised px-3 text-ink aria-invalid:border-risk';

export interface FieldIds {
  readonly id: string;
  readonly 'aria-describedby': string;
  readonly 'aria-invalid': boolean;
}

export function Field({
  label,
  hint,
  problem,
  children,
}: {
  label: string;
  hint?: string;
  problem?: string | null;
  children: (ids: FieldIds) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className="text-[15px] text-mute">
        {label}
      </label>
      {children({ id, 'aria-describedby': `${id}-hint`, 'aria-invalid': Boolean(problem) })}
      <div id={`${id}-hint`} className={`text-[14px] ${problem ? 'font-semibold text-risk' : 'text-mute'}`}>
        {problem ?? hint ?? ''}
      </div>
    </div>
  );
}

interface TextProps extends InputHTMLAttributes<HTMLInputElement> {
  readonly label: string;
  readonly hint?: string;
  readonly problem?: string | null;
}
export function TextField({ label, hint, problem, className = '', onFocus, ...rest }: TextProps) {
  return (
    <Field label={label} hint={hint} problem={problem}>
      {(ids) => (
        <input
          {...ids}
          className={`${BOX} ${className}`}
          autoComplete="off"
          // A number that is typed takes the place of the one that stands there: 6 after a tap on 1 is not 16.
          onFocus={(event) => {
            if (rest.inputMode) event.currentTarget.select();
            onFocus?.(event);
          }}
          {...rest}
        />
      )}
    </Field>
  );
}
