import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { count } from '#core/units';
import { api } from '../../state/api.ts';

/** What is being done with copies just now, in words; one thing at a time. */
export interface Copying {
  readonly doing: string | null;
  saveNow(): void;
  bring(file: File): void;
  putBack(name: string): void;
}

export function useCopying(): Copying {
  const client = useQueryClient();
  const [doing, setDoing] = useState<string | null>(null);
  const run = async (words: string, work: () => Promise<string>) => {
    setDoing(words);
    try {
      toast.success(await work());
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'It could not be done; nothing was changed.', {
        duration: 9000,
      });
    } finally {
      setDoing(null);
      await client.invalidateQueries({ queryKey: ['copies'] });
    }
  };
  return {
    doing,
    saveNow: () =>
      void run('Saving everything …', async () => {
        client.setQueryData(['copies'], await api.saveCopy());
        return 'Everything is saved.';
      }),
    bring: (file) =>
      void run('Bringing the copy …', async () => {
        await api.bringCopy(file);
        return 'The copy lies with the others; nothing else was changed.';
      }),
    putBack: (name) =>
      void run('Looking through the copy, then putting it back …', async () => {
        const { entries } = await api.putCopyBack(name);
        await client.invalidateQueries();
        return `Put back: ${count(entries, 'step')} of the log. What was there is kept as a copy.`;
      }),
  };
}
