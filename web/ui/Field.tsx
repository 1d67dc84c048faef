import { useId, type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes } from 'react';

const BOX = 'min-h-11 w-full rounded-md border border-strong bg-raised px-3 text-ink aria-invalid:border-risk';

export function Field({
  label,
  hint,
  problem,
  children,
}: {
  label: string;
  hint?: string;
  problem?: string | null;
  children: (ids: { id: string; 'aria-describedby': string; 'aria-invalid': boolean }) => ReactNode;
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
export function TextField({ label, hint, problem, className = '', ...rest }: TextProps) {
  return (
    <Field label={label} hint={hint} problem={problem}>
      {(ids) => <input {...ids} className={`${BOX} ${className}`} autoComplete="off" {...rest} />}
    </Field>
  );
}

interface ChoiceProps extends SelectHTMLAttributes<HTMLSelectElement> {
  readonly label: string;
  readonly hint?: string;
  readonly options: readonly { readonly value: string; readonly text: string }[];
}
export function ChoiceField({ label, hint, options, ...rest }: ChoiceProps) {
  return (
    <Field label={label} hint={hint}>
      {(ids) => (
        <select {...ids} className={BOX} {...rest}>
          {options.map(({ value, text }) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
