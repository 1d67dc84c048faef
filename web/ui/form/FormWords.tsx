import { useFormContext } from 'react-hook-form';
import { BOX, Field } from '../Field.tsx';
import { useProblem } from './Form.tsx';

/** Several lines of words in a form. */
export function FormWords({ name, label, rows }: { name: string; label: string; rows: number }) {
  // A field registers at each drawing: once its form starts afresh it is known by nothing else.
  'use no memo';
  const { register } = useFormContext();
  return (
    <Field label={label} problem={useProblem(name)}>
      {(ids) => <textarea {...ids} rows={rows} className={`${BOX} py-2 leading-snug`} {...register(name)} />}
    </Field>
  );
}
