import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';

const keyOf = (name: string): string => `nelvik-form-${name}`;

/** What was typed into a form before, if it was left half filled; only what the form still asks for, in its own kind. */
function draftOf(name: string, start: FieldValues): FieldValues {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(keyOf(name)) ?? '{}');
    if (typeof kept !== 'object' || kept === null) return {};
    return Object.fromEntries(Object.entries(kept).filter(([field, value]) => typeof value === typeof start[field]));
  } catch {
    return {};
  }
}

/** @returns whether it is kept: a browser that keeps nothing loses what was typed with the page */
function keepDraft(name: string, values: object | null): boolean {
  try {
    if (values === null) sessionStorage.removeItem(keyOf(name));
    else sessionStorage.setItem(keyOf(name), JSON.stringify(values));
    return true;
  } catch {
    return false;
  }
}

/** Whether one form's fields stand as in the other. */
const isSame = (one: FieldValues, other: FieldValues): boolean =>
  Object.entries(other).every(([field, value]) => JSON.stringify(one[field]) === JSON.stringify(value));

export interface KeptForm<S extends z.ZodType<FieldValues, FieldValues>> extends UseFormReturn<
  z.input<S>,
  unknown,
  z.output<S>
> {
  /** It was left half filled before. */
  readonly wasKept: boolean;
  /** What was typed is done with: it was sent, and stands as it was sent, or is not wanted any more. */
  forget(sent?: z.input<S>): void;
}

/**
 * A form whose half-filled fields outlive Escape, a step back and a reload, until it is sent.
 * @param name tells its draft from those of other forms: with the id of what is changed, or `new`
 * @param start what stands in it at first; as long as nobody has touched it, it follows that
 */
export function useKeptForm<S extends z.ZodType<FieldValues, FieldValues>>(
  name: string,
  schema: S,
  start: z.input<S>,
): KeptForm<S> {
  // The form is one and the same object at every change: what is spread from it has to be read anew each time.
  'use no memo';
  const [draft, setDraft] = useState(() => draftOf(name, start));
  const form = useForm<z.input<S>, unknown, z.output<S>>({
    resolver: zodResolver(schema),
    mode: 'onChange',
    defaultValues: { ...start, ...draft } as DefaultValues<z.input<S>>,
  });
  const { subscribe, getValues, reset } = form;
  const untouched = useRef(start);
  const begin = (values: z.input<S>) => {
    untouched.current = values;
    reset(values as DefaultValues<z.input<S>>);
    keepDraft(name, null);
  };
  const follow = useEffectEvent(() => {
    if (isSame(start, untouched.current)) return;
    if (isSame(getValues(), untouched.current)) begin(start);
  });
  const startsAs = JSON.stringify(start);
  useEffect(() => follow(), [startsAs]);
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values }) => void keepDraft(name, values),
      }),
    [subscribe, name],
  );
  return {
    ...form,
    wasKept: Object.entries(draft).some(([field, value]) => JSON.stringify(value) !== JSON.stringify(start[field])),
    forget: (sent) => {
      setDraft({});
      begin(sent ?? start);
    },
  };
}
