import { X } from 'lucide-react';
import { useState } from 'react';
import { z } from 'zod';
import type { NoteAbout } from '#core/bench';
import { newId } from '../state/ids.ts';
import { useSend } from '../state/send.ts';
import { useNotes, useSettings, useStudio } from '../state/studio.ts';
import { Button } from '../ui/Button.tsx';
import { momentWords } from '../ui/dates.ts';
import { FilePick, FileProblem } from '../ui/FilePick.tsx';
import { free } from '../ui/form/fields.ts';
import { Form, FormText } from '../ui/form/Form.tsx';
import { useKeptForm } from '../ui/form/useKeptForm.ts';
import { asJpeg } from './asJpeg.ts';

const NOTE = z.object({ words: free });

/** What was written and photographed of a job, a panel, a piece, a glass or a sheet, and room for more. */
export function Notes({ about, id, of }: { about: NoteAbout; id: string; of: string }) {
  const send = useSend();
  const { data } = useNotes(about, id);
  const { data: studio } = useStudio();
  const { locale } = useSettings();
  const [problem, setProblem] = useState<string | null>(null);
  const form = useKeptForm(`note-${about}-${id}`, NOTE, { words: '' });
  const write = async (words: string, jpeg: Blob | null) => {
    if (!(await send.note({ id: newId(), about, aboutId: id, words }, jpeg))) return;
    form.forget();
    form.reset({ words: '' });
  };
  const take = async (file: File) => {
    const photo = await asJpeg(file);
    setProblem(typeof photo === 'string' ? photo : null);
    // What stands in the line goes with the photo.
    if (typeof photo !== 'string') await write(form.getValues('words').trim(), photo);
  };
  const nameOf = (personId: string | null) => studio?.people.find((p) => p.id === personId)?.name;
  return (
    <div className="grid gap-3">
      <Form
        form={form}
        label={`Write about ${of}`}
        className="grid gap-2"
        onSend={async ({ words }) => {
          if (words === '') setProblem('A note has words, or a photo.');
          else await write(words, null);
        }}
      >
        <FormText name="words" label={`Note on ${of}`} placeholder="keep the old bar" />
        <div className="flex flex-wrap gap-2">
          <Button type="submit">Keep the note</Button>
          <FilePick accept="image/*" onFile={(file) => void take(file)}>
            Photo …
          </FilePick>
        </div>
        <FileProblem words={problem} />
      </Form>
      {data && data.notes.length > 0 && (
        <ul aria-label={`Notes on ${of}`} className="grid gap-3">
          {data.notes.map((note) => (
            <li key={note.id} className="flex items-start gap-3 border-t border-line pt-2">
              {note.picture !== null && (
                <a
                  href={`/api/pictures/${note.picture}`}
                  target="_blank"
                  rel="noreferrer"
                  aria-label={`Photo of ${of}, large`}
                  className="shrink-0"
                >
                  <img
                    src={`/api/pictures/${note.picture}`}
                    alt={note.words === '' ? `Photo of ${of}` : note.words}
                    loading="lazy"
                    className="size-24 rounded-sm object-cover"
                  />
                </a>
              )}
              <p className="min-w-0 flex-1">
                {note.words}
                <span className="block text-[14px] text-mute">
                  {[nameOf(note.personId), momentWords(note.at, locale)].filter(Boolean).join(', ')}
                </span>
              </p>
              <Button
                look="quiet"
                className="px-1"
                aria-label={`Take away ${note.words === '' ? 'the photo' : `“${note.words}”`}`}
                onClick={() => void send.command({ kind: 'drop-note', ask: { id: note.id } }, 'Taken away.')}
              >
                <X aria-hidden size={18} />
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
