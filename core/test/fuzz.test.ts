import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseTally, readTally, routeOf, vocabularyOf, type PanelRow } from '../bench/index.ts';
import { outlineArea, pieceRings, readCartoon } from '../cartoon/index.ts';
import { checkMap, facesOf, signedArea } from '../geometry/index.ts';
import { cutOutlines, DEFAULT_ALLOWANCE } from '../sizing/index.ts';
import { doc, paneNet } from './panels.ts';
import { smallStudio } from './smallStudio.ts';

/** What nobody has thought of: whatever comes in, the answer is a refusal or a sound cartoon, never a throw. */
describe('drawings at random', () => {
  const chord = fc.record({
    side: fc.integer({ min: 0, max: 3 }),
    other: fc.integer({ min: 1, max: 3 }),
    a: fc.integer({ min: 1, max: 199 }),
    b: fc.integer({ min: 1, max: 199 }),
  });
  const onRim = (side: number, along: number): string => {
    const at = along;
    return ([`${at} 0`, `200 ${at}`, `${at} 200`, `0 ${at}`] as const)[side % 4] as string;
  };

  it('chords across a square: pieces fill it, Euler holds, every piece has its rings', () => {
    let read = 0;
    fc.assert(
      fc.property(fc.array(chord, { minLength: 1, maxLength: 9 }), (chords) => {
        const lines = chords.map((c) => `M${onRim(c.side, c.a)}L${onRim(c.side + c.other, c.b)}`).join('');
        const reading = readCartoon(doc(200, 200, `<rect width="200" height="200"/><path d="${lines}"/>`), {
          snapMm: 0,
        });
        if ('refusal' in reading) return;
        read++;
        const { cartoon } = reading;
        expect(checkMap(cartoon.map, facesOf(cartoon.map))).toEqual([]);
        const sum = cartoon.pieces.reduce((s, p) => s + p.areaMm2, 0);
        expect(sum).toBeCloseTo(40_000, 2);
        expect(outlineArea(cartoon)).toBeCloseTo(40_000, 2);
        for (const piece of cartoon.pieces) {
          const area = pieceRings(cartoon, piece).reduce((s, ring) => s + signedArea(ring), 0);
          expect(area).toBeCloseTo(piece.areaMm2, 6);
        }
      }),
      { numRuns: 120 },
    );
    // A reader that refused all would pass otherwise.
    expect(read).toBeGreaterThan(90);
  });

  it('a cut outline is never larger than its region, nor outside of it by area', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.boolean(), (seed, curved) => {
        const reading = readCartoon(paneNet(4, 4, 22, { seed, curved }));
        if ('refusal' in reading) throw new Error(reading.refusal);
        for (const technique of ['foil', 'lead'] as const) {
          const cuts = cutOutlines(reading.cartoon, DEFAULT_ALLOWANCE[technique]);
          cuts.forEach((cut, i) => {
            const region = reading.cartoon.pieces[i]?.areaMm2 ?? 0;
            expect(cut.areaMm2).toBeLessThan(region);
            expect(cut.areaMm2).toBeGreaterThan(region * 0.7);
          });
        }
      }),
      { numRuns: 25 },
    );
  });

  const SOUND = doc(
    120,
    80,
    '<g transform="translate(5 5)"><path d="M0 0h100v60h-100zM50 0c5 20 -5 40 0 60"/><circle cx="20" cy="30" r="8"/></g><text x="30" y="30">7</text>',
  );
  it('a sound file with characters changed, lost or doubled is read or refused', () => {
    let read = 0;
    const change = fc.record({
      at: fc.integer({ min: 0, max: SOUND.length - 1 }),
      how: fc.constantFrom('drop', 'double', 'swap'),
      with: fc.constantFrom('<', '>', '"', '&', '-', '9', 'e', ' ', '/', 'M', '\0', '{', ';'),
    });
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 6 }), (changes) => {
        let text = SOUND;
        for (const { at, how, with: c } of changes) {
          const tail = text.slice(at + 1);
          text = text.slice(0, at) + (how === 'drop' ? '' : how === 'double' ? `${text[at]}${text[at]}` : c) + tail;
        }
        const reading = readCartoon(text);
        if ('refusal' in reading) expect(reading.refusal).toMatch(/^[a-z-]+$/);
        else {
          read++;
          expect(reading.cartoon.pieces.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 300 },
    );
    expect(read).toBeGreaterThan(60);
    expect(read).toBeLessThan(300);
  });
});

describe('tally lines at random', () => {
  const word = fc.constantFrom(
    '1',
    '12-18',
    '3-',
    '99999',
    '-4',
    'cut',
    'ground',
    'broke',
    'recut',
    'from',
    'S1',
    's1',
    'inside',
    'min',
    '12',
    'joints',
    'front',
    'back',
    'undo',
    'sky',
    'all',
    ',',
    'in',
    'place',
    'glass',
    'R-1',
    '…',
    '∞',
  );
  /** What somebody means, as they say it: numbers, then what was done to them. */
  const meant = fc
    .tuple(
      fc.constantFrom('1', '2-5', '12 14', '7-9 11', '20', 'sky'),
      fc.constantFrom(
        'cut from S1',
        'cut from S2',
        'cut from K1',
        'ground',
        'foiled',
        'in place',
        'broke',
        'broke 12 min',
      ),
    )
    .map((said) => [...said]);
  const line = fc.oneof(fc.array(word, { maxLength: 8 }), meant);
  const s = smallStudio();
  const panel = s.studio.get('panels', 'p') as PanelRow;
  const vocabulary = vocabularyOf(routeOf(s.studio, panel));
  it('are understood, unfinished or explained', () => {
    const met = { understood: 0, explained: 0, taken: 0 };
    fc.assert(
      fc.property(line, (words) => {
        const text = words.join(' ');
        const line = parseTally(text, vocabulary);
        expect(typeof line.kind).toBe('string');
        const meaning = readTally(text, s.studio, panel);
        if (meaning.problem !== null) {
          met.explained++;
          expect(meaning.problem).toMatch(/\.$/);
        }
        for (const n of meaning.numbers) expect(s.studio.get('pieces', `p/${n}`)).toBeDefined();
        if (meaning.command) {
          const seq = s.studio.seq;
          const refusal = s.try(meaning.command, { basis: seq });
          met.understood++;
          if (!refusal) met.taken++;
          expect(s.studio.seq).toBe(refusal ? seq : seq + 1);
        }
      }),
      { numRuns: 400 },
    );
    expect(met.understood).toBeGreaterThan(20);
    expect(met.explained).toBeGreaterThan(20);
    expect(met.taken).toBeGreaterThan(5);
  });
  it('any text at all does not throw', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => void readTally(text, s.studio, panel)),
      { numRuns: 400 },
    );
  });
});
