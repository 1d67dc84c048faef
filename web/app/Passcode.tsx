import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../state/api.ts';
import { listenAgain } from '../state/live.ts';
import { outbox } from '../state/outboxHere.ts';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/Field.tsx';

/** The door of a studio that is open to its own network. */
export function Passcode() {
  const client = useQueryClient();
  const [passcode, setPasscode] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const enter = async () => {
    try {
      await api.enter(passcode);
      listenAgain();
      outbox.again();
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <main className="grid h-dvh place-items-center">
      <form
        className="flex w-80 flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void enter();
        }}
      >
        <h1 className="text-3xl">Nelvik</h1>
        <TextField
          label="Studio passcode"
          type="password"
          value={passcode}
          onChange={(e) => setPasscode(e.target.value)}
          problem={problem}
        />
        <Button look="go" type="submit">
          Come in
        </Button>
      </form>
    </main>
  );
}
