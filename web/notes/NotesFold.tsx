import type { NoteAbout } from '#core/bench';
import { useNotes } from '../state/studio.ts';
import { Fold } from '../ui/Fold.tsx';
import { Notes } from './Notes.tsx';

interface NotesFoldProps {
  readonly about: NoteAbout;
  readonly id: string;
  readonly of: string;
}

/**
 * Notes and photos that are opened when they are wanted; how many there are stands on the outside.
 * @param count where it is known already, so that nothing is asked for until they are opened
 */
export function NotesFold({ count, ...notes }: NotesFoldProps & { count?: number }) {
  return count === undefined ? <CountedFold {...notes} /> : <FoldOf {...notes} count={count} />;
}

function CountedFold(notes: NotesFoldProps) {
  const { data } = useNotes(notes.about, notes.id);
  return <FoldOf {...notes} count={data?.notes.length ?? 0} />;
}

function FoldOf({ about, id, of, count }: NotesFoldProps & { count: number }) {
  return (
    <Fold title={count === 0 ? 'Notes and photos' : `Notes and photos: ${count}`}>
      <Notes key={id} about={about} id={id} of={of} />
    </Fold>
  );
}
