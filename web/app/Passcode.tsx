import { useQueryClient } from '@tanstack/react-query';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { api } from '../state/api.ts';
import { listenAgain } from '../state/live.ts';
import { outbox } from '../state/outboxHere.ts';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/Field.tsx';

const PASSCODE = z.object({
  passcode: z.string().min(1, 'It stands on the screen of the computer that Nelvik runs on.'),
});

/** The door of a studio that is open to its own network. What is typed here is kept nowhere. */
export function Passcode() {
  const client = useQueryClient();
  const { register, handleSubmit, setError, formState } = useForm({
    resolver: zodResolver(PASSCODE),
    defaultValues: { passcode: '' },
  });
  const enter = async ({ passcode }: z.output<typeof PASSCODE>) => {
    try {
      await api.enter(passcode);
      listenAgain();
      outbox.again();
      await client.invalidateQueries();
    } catch (error) {
      setError('passcode', { message: error instanceof Error ? error.message : String(error) });
    }
  };
  return (
    <main className="grid h-dvh place-items-center">
      <form noValidate className="flex w-80 flex-col gap-3" onSubmit={(event) => void handleSubmit(enter)(event)}>
        <h1 className="text-3xl">Nelvik</h1>
        <TextField
          label="Studio passcode"
          type="password"
          autoFocus
          problem={formState.errors.passcode?.message ?? null}
          {...register('passcode')}
        />
        <Button look="go" type="submit">
          Come in
        </Button>
      </form>
    </main>
  );
}
