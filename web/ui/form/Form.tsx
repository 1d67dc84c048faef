import { useRef, type ComponentProps, type FormEvent, type InputHTMLAttributes, type ReactNode } from 'react';
import { Controller, FormProvider, useFormContext, type FieldValues, type UseFormReturn } from 'react-hook-form';
import { Check } from '../Check.tsx';
import { ChoiceField, type Option } from '../Choice.tsx';
import { DayField } from '../DayField.tsx';
import { TextField } from '../Field.tsx';
import { OneOf } from '../OneOf.tsx';

/** A form whose fields know it; sending it with a fault leads to the field and says why beside it. */
export function Form<I extends FieldValues, O extends FieldValues>({
  form,
  onSend,
  label,
  className = 'flex flex-col gap-2',
  children,
}: {
  form: UseFormReturn<I, unknown, O> & Pick<Kept, 'wasKept' | 'forget'>;
  onSend: (values: O) => void | Promise<void>;
  label?: string;
  className?: string;
  children: ReactNode;
}) {
  // A finger that presses twice means it once.
  const isUnderWay = useRef(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    // A sheet of a form may lie in the tree of another one.
    event.stopPropagation();
    if (isUnderWay.current) return;
    isUnderWay.current = true;
    try {
      await form.handleSubmit((values) => onSend(values))(event);
    } finally {
      isUnderWay.current = false;
    }
  };
  return (
    <FormProvider {...form}>
      <form noValidate aria-label={label} className={className} onSubmit={(event) => void submit(event)}>
        <KeptWord form={form} />
        {children}
      </form>
    </FormProvider>
  );
}

/** Says that a form stands as it was left, and offers it as it was at first. */
export function KeptWord({ form: { wasKept, forget } }: { form: Kept }) {
  if (!wasKept) return null;
  return (
    <p className="col-span-full flex flex-wrap items-center gap-x-3 border-l-4 border-line pl-3 text-[15px] text-mute">
      Still as you left it.
      <button
        type="button"
        className="min-h-11 font-semibold text-ink underline decoration-line underline-offset-4"
        onClick={() => forget()}
      >
        Start afresh
      </button>
    </p>
  );
}

export function useProblem(name: string): string | null {
  const { getFieldState, formState } = useFormContext();
  return getFieldState(name, formState).error?.message ?? null;
}

/** What a form that keeps its draft tells beside the rest. */
interface Kept {
  readonly wasKept: boolean;
  forget(): void;
}

interface Named {
  readonly name: string;
  readonly label: string;
}

export function FormText({
  name,
  label,
  hint,
  ...rest
}: Named & { readonly hint?: string } & Omit<InputHTMLAttributes<HTMLInputElement>, 'name'>) {
  // A field registers at each drawing: once its form starts afresh it is known by nothing else.
  'use no memo';
  const { register } = useFormContext();
  return <TextField label={label} hint={hint} problem={useProblem(name)} {...rest} {...register(name)} />;
}

export function FormChoice<T extends string>({
  name,
  label,
  options,
  onChoice,
}: Named & {
  readonly options: readonly Option<T>[];
  /** What else follows from a choice. */
  readonly onChoice?: (value: NoInfer<T>) => void;
}) {
  return (
    <Controller
      name={name}
      render={({ field }) => (
        <ChoiceField
          label={label}
          value={field.value as T}
          onChoice={(value) => {
            field.onChange(value);
            onChoice?.(value);
          }}
          options={options}
        />
      )}
    />
  );
}

export function FormOneOf<T extends string>({
  name,
  ...rest
}: { readonly name: string } & Omit<ComponentProps<typeof OneOf<T>>, 'value' | 'onPick'>) {
  return (
    <Controller
      name={name}
      render={({ field }) => <OneOf<T> {...rest} value={field.value as T} onPick={field.onChange} />}
    />
  );
}

export function FormCheck({ name, children }: { name: string; children: ReactNode }) {
  return (
    <Controller
      name={name}
      render={({ field }) => (
        <Check checked={field.value === true} onCheck={field.onChange}>
          {children}
        </Check>
      )}
    />
  );
}

export function FormDay({
  name,
  label,
  locale,
  mayBeNone = false,
  last,
}: Named & { locale: string; mayBeNone?: boolean; last?: Date }) {
  return (
    <Controller
      name={name}
      render={({ field }) => (
        <DayField
          label={label}
          value={field.value as string}
          locale={locale}
          mayBeNone={mayBeNone}
          last={last}
          onDay={field.onChange}
        />
      )}
    />
  );
}
