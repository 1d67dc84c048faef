import { notifyManager, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { Accepted, PanelEdit } from '#contract';
import type { Command, SavePanel, UndoPlace, WriteNote } from '#core/bench';
import { askedWords } from '#core/words';
import { ApiError } from './api.ts';
import { basisOf, knownUpTo } from './basis.ts';
import { sayCaution } from './cautions.ts';
import { useBench } from './bench.ts';
import { heard } from './freshness.ts';
import { useLargeStep } from './largeStep.ts';
import { outbox } from './outboxHere.ts';
import { newId } from './ids.ts';
import { once } from './once.ts';

/** What an edit makes of the panel with it: its name, opening, what its lines take up. */
export type PanelWish = Omit<SavePanel, 'id'>;

export type NoteAsk = Pick<WriteNote, 'id' | 'about' | 'aboutId' | 'words'>;

export interface Send {
  /**
   * @param by who did it, where that is not who works here
   * @returns true when it was carried out; a refusal is told to the user and gives false
   */
  command(command: Command, said?: string, by?: string): Promise<boolean>;
  /** What somebody did last at a place goes back, or is done again. What is large is asked about first. */
  putBack(direction: 'undo' | 'redo', place: UndoPlace): Promise<boolean>;
  /** One entry of the log goes back, whoever made it. */
  putEntryBack(seq: number): Promise<boolean>;
  /** A note, with a photo as a JPEG: one step, kept as a whole until the studio has it. */
  note(ask: NoteAsk, jpeg: Blob | null): Promise<boolean>;
  cartoon(panelId: string, body: Record<string, unknown>): Promise<boolean>;
  /** A light change of the panel's drawing; with a wish the panel is made, or changed, in the same act. */
  edit(panelId: string, edit: PanelEdit, said?: string, panel?: PanelWish): Promise<boolean>;
}

export function useSend(): Send {
  const client = useQueryClient();
  return useMemo(() => {
    const facts = () => {
      const { benchId, personId } = useBench.getState();
      return { commandId: newId(), bench: benchId, personId };
    };
    const ofPanel = (panelId: string) => knownUpTo(client, [['panel', panelId]]);
    return {
      command: (command, said, by) => {
        const body = {
          ...facts(),
          ...(by === undefined ? {} : { personId: by }),
          basis: basisOf(client, command),
          command,
        };
        return once({ by, command }, async () => {
          const isDone = await run(client, () => step('/commands', body, askedWords(command)), said);
          if (isDone) sayCaution(client, command, body.personId, new Date());
          return isDone;
        });
      },
      putBack: (direction, place) => {
        const body = { ...facts(), direction, place };
        const said = direction === 'undo' ? 'taken back' : 'done again';
        // Each press is one step back, and what is done after it is done anew.
        return once({ putBack: body.commandId }, () =>
          run(
            client,
            () => step('/put-back', body, direction),
            (done) => `${sentence(done.of)}: ${said}.`,
            asksFirst,
          ),
        );
      },
      putEntryBack: (entry) => {
        const body = { ...facts(), entry };
        return run(
          client,
          () => step('/put-back', body, 'take one step back'),
          (done) => `${sentence(done.of)}: taken back.`,
        );
      },
      note: async (ask, jpeg) => {
        const command = { kind: 'write-note' as const, ask: { ...ask, picture: null } };
        const photo = jpeg === null ? {} : { jpeg: await base64(jpeg) };
        const body = { ...facts(), basis: basisOf(client, command), command, ...photo };
        return run(client, () => step('/notes', body, jpeg === null ? 'a note' : 'a photo'), 'Kept.');
      },
      cartoon: (panelId, more) => {
        const body = { ...facts(), basis: ofPanel(panelId), ...more };
        return run(client, () => step(`/panels/${encodeURIComponent(panelId)}/cartoon`, body, 'take the drawing in'));
      },
      edit: (panelId, edit, said, panel) => {
        const body = { ...facts(), basis: ofPanel(panelId), edit, ...(panel ? { panel } : {}) };
        const words = `change the drawing: ${edit.kind.replaceAll('-', ' ')}`;
        return once({ panelId, edit, panel }, () =>
          run(client, () => step(`/panels/${encodeURIComponent(panelId)}/edit`, body, words), said),
        );
      },
    };
  }, [client]);
}

/** Kept in the browser until it is answered, and sent in the order in which things were done. */
const step = (path: string, body: { readonly commandId: string }, words: string): Promise<Accepted> =>
  outbox.send({ commandId: body.commandId, at: Date.now(), path, body, words });

/** A file as text, so that it can wait among the steps. */
async function base64(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = '';
  for (let i = 0; i < bytes.length; i += TURN) text += String.fromCharCode(...bytes.subarray(i, i + TURN));
  return btoa(text);
}
const TURN = 0x8000;

const sentence = (words = ''): string =>
  words === '' ? 'The step' : `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

const isKeptForLater = (error: unknown): boolean => error instanceof ApiError && error.code === 'kept-for-later';

/** A large step is named, and the question about it is put. */
function asksFirst(error: unknown): boolean {
  const refusal = error instanceof ApiError ? error.refusal : undefined;
  if (refusal?.code !== 'asks-first' || refusal.seq === undefined) return false;
  useLargeStep.getState().ask({ seq: refusal.seq, words: refusal.name ?? '' });
  return true;
}

/** When whoever looks at an answer has been told of it: it is fetched a turn before that. */
const shown = (): Promise<void> => new Promise((resolve) => notifyManager.schedule(resolve));

/** Sends, says how it went, and comes back when the screen shows what stands now. */
async function run(
  client: QueryClient,
  post: () => Promise<Accepted>,
  said?: string | ((done: Accepted) => string),
  isAnsweredElsewhere: (error: unknown) => boolean = () => false,
): Promise<boolean> {
  try {
    const done = await post();
    const { seq, touched, told, again } = done;
    // What was said before is done with: the next thing has succeeded.
    toast.dismiss();
    if (said) toast.success(typeof said === 'string' ? said : said(done));
    // Carried out before, but its answer was lost: whatever it changed may have been missed.
    if (again) await client.invalidateQueries();
    else await heard.change(client, seq, touched, told);
    await shown();
    return true;
  } catch (error) {
    if (isAnsweredElsewhere(error) || isKeptForLater(error)) return false;
    toast.error(error instanceof Error ? error.message : 'Something went wrong; nothing was changed.', {
      duration: 9000,
    });
    // Whatever the refusal was decided on, the screen is to show it.
    await client.invalidateQueries();
    return false;
  }
}
