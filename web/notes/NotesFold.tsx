import type { NoteAbout } from '#core/bench';
import { useNotes } from '../state/studio.ts';
import { Fold } from '../ui/Fold.tsx';
import { Notes } from './Notes.tsx';

/** Notes and photos that are opened when they are wanted; how many there are stands on the outside. */
export function NotesFold({ about, id, of }: { about: NoteAbout; id: string; of: string }) {
  const { data } = useNotes(about, id);
  const count = data?.notes.length ?? 0;
  return (
    <Fold title={count === 0 ? 'Notes and photos' : `Notes and photos: ${count}`}>
      <Notes about={about} id={id} of={of} />
    </Fold>
  );
}
