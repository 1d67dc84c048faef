import { expect, it } from 'vitest';
import { seededRandom } from '../../units/index.ts';
import { offers, parseTally, routeOf, Studio, vocabularyOf } from '../index.ts';

const names = { labels: ['B7', 'S1-1'], glasses: ['S-14', 'R-7'] };
const words = (line: string, route = 'foil@1') =>
  offers(line, vocabularyOf(routeOf(new Studio(), { routeId: route })), names);

it('only what this route says', () => {
  expect(words('12-18')).toContain('foiled');
  expect(words('12-18')).not.toContain('leaded');
  expect(words('12-18', 'lead@1')).toContain('leaded');
  expect(words('12-18', 'lead@1')).not.toContain('foiled');
  expect(words('')).not.toContain('cement');
});

it.each([
  ['12 cut', ['from']],
  ['12 cut from', ['B7', 'S1-1']],
  ['12 cut from B7', []],
  ['joints', ['all']],
  ['joints 3-9', ['front', 'back']],
  ['joints all', ['front', 'back']],
  ['12 broke chipped', ['from', '5 min', '10 min', '20 min']],
  ['12 broke chipped 5 min', ['from']],
  ['12 recut chipped', ['from']],
  ['12 recut chipped from', ['B7', 'S1-1']],
  ['12 recut chipped from B7', ['5 min', '10 min', '20 min']],
  ['12 glass', ['S-14', 'R-7']],
  ['12 ground', []],
  ['12 foiled nonsense', []],
])('“%s”', (line, next) => expect(words(line)).toEqual(next));

it('reasons are offered where one is due, and every one is known', () => {
  for (const reason of words('12 broke'))
    expect(parseTally(`12 broke ${reason}`, vocabularyOf(routeOf(new Studio(), { routeId: 'foil@1' }))).kind).toBe(
      'break',
    );
  for (const reason of words('12 return'))
    expect(parseTally(`12 return ${reason}`, vocabularyOf(routeOf(new Studio(), { routeId: 'foil@1' }))).kind).toBe(
      'return',
    );
});

it('whoever taps what is offered never gets a problem, and comes to an end', () => {
  const random = seededRandom(8);
  for (const route of ['foil@1', 'lead@1']) {
    const vocabulary = vocabularyOf(routeOf(new Studio(), { routeId: route }));
    for (let run = 0; run < 400; run++) {
      let line = ['', '12', '3-9 14', 'all'][run % 4] ?? '';
      for (let tap = 0; ; tap++) {
        expect(tap).toBeLessThan(8);
        expect([line, parseTally(line, vocabulary).kind]).not.toEqual([line, 'problem']);
        const next = offers(line, vocabulary, names);
        if (next.length === 0) break;
        line = `${line} ${next[Math.floor(random() * next.length)] ?? ''}`.trim();
        // Joints are numbered like pieces, by the keys beside the words.
        if (line.endsWith('joints') && random() < 0.5) line += ' 3-9';
      }
      expect([line, parseTally(line, vocabulary).kind]).not.toEqual([line, 'typing']);
    }
  }
});
