import { describe, expect, it } from 'vitest';
import { readTally, type PanelRow } from '../bench/index.ts';
import { cut } from '../test/asks.ts';
import { smallStudio } from '../test/smallStudio.ts';
import { tallyWords } from './index.ts';

const s = smallStudio();
s.do(cut([1, 2], 'S1'));
const said = (text: string) => {
  const meaning = readTally(text, s.studio, s.studio.get('panels', 'p') as PanelRow);
  return tallyWords(meaning, s.studio, 'mm', 'ada');
};

describe('what the tally line says before Enter', () => {
  it.each([
    ['', ''],
    ['3-5 cut', '3 pieces cut · Enter asks from which sheet'],
    ['3 cut', '1 piece cut · Enter asks from which sheet'],
    ['undo', 'takes back the last step of this screen'],
    ['redo', 'does again what was taken back'],
    ['1 2 ground', '2 pieces: 1, 2 go from cut to ground'],
  ])('%j: %s', (text, words) => {
    expect(said(text)).toEqual({ words: words === '' ? expect.any(String) : words, isProblem: false });
  });
  it.each([
    ['99 ground', /99/],
    ['1 cut from S1', /^Piece 1 is cut already\.$/],
    ['1 2 cut', /^Pieces 1, 2 are cut already\.$/],
    ['7 ground', /7/],
    ['3 cut from S9', /S9/],
  ])('%j is told as what it is: wrong', (text, words) => {
    expect(said(text)).toEqual({ words: expect.stringMatching(words), isProblem: true });
  });
  it('changes nothing by saying it', () => {
    const { seq } = s.studio;
    said('1 ground');
    expect([s.studio.seq, s.piece(1).stage]).toEqual([seq, 'cut']);
  });
});
