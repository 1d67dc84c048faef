import { describe, expect, it } from 'vitest';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import type { NoteAbout } from '../../tables.ts';

const PICTURE = 'b'.repeat(64);
const write = (
  s: SmallStudio,
  about: NoteAbout,
  aboutId: string,
  words = 'keep the old bar',
  picture: string | null = null,
) => s.try({ kind: 'write-note', ask: { id: `n-${about}`, about, aboutId, words, picture } }, { personId: 'ada' });
const notes = (s: SmallStudio) => [...s.studio.all('notes')];

describe('a note', () => {
  it.each([
    ['job', 'c', null],
    ['panel', 'p', 'p'],
    ['piece', 'p/12', 'p'],
    ['glass', 'blue', null],
    ['sheet', 'S1', null],
  ] as const)('on a %s is kept with who wrote it and when', (about, id, panelId) => {
    const s = smallStudio();
    expect(write(s, about, id)).toBeNull();
    expect(notes(s)).toMatchObject([{ subject: `${about}:${id}`, panelId, personId: 'ada', at: s.at, picture: null }]);
    expect([...s.studio.ask('notesAbout', `${about}:${id}`)]).toHaveLength(1);
  });

  it('may be a photo alone, but not nothing; of what is not there it is refused', () => {
    const s = smallStudio();
    expect(write(s, 'piece', 'p/3', '', PICTURE)).toBeNull();
    expect(write(s, 'panel', 'p', '')?.code).toBe('empty-note');
    for (const [about, code] of [
      ['job', 'unknown-commission'],
      ['panel', 'unknown-panel'],
      ['piece', 'unknown-piece'],
      ['glass', 'unknown-glass'],
      ['sheet', 'unknown-stock'],
    ] as const) {
      s.do({ kind: 'drop-note', ask: { id: 'n-piece' } });
      expect(write(s, about, 'nowhere')?.code).toBe(code);
      s.do({ kind: 'write-note', ask: { id: 'n-piece', about: 'piece', aboutId: 'p/3', words: 'x', picture: null } });
    }
    expect(write(s, 'piece', 'p/3')?.code).toBe('entry-taken');
  });

  it('goes and comes back with undo at its panel, taken away by hand too', () => {
    const s = smallStudio();
    write(s, 'piece', 'p/3', 'a seed at its edge', PICTURE);
    s.do({ kind: 'drop-note', ask: { id: 'n-piece' } });
    expect(notes(s)).toEqual([]);
    expect(s.back('undo')).toBeNull();
    expect(notes(s)).toMatchObject([{ words: 'a seed at its edge', picture: PICTURE }]);
    expect(s.back('undo')).toBeNull();
    expect(notes(s)).toEqual([]);
    expect(s.try({ kind: 'drop-note', ask: { id: 'n-piece' } })?.code).toBe('unknown-note');
  });
});
