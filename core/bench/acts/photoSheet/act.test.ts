import { expect, it } from 'vitest';
import { sound, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';

const photo = (hash: string) => ({ hash, x: 0, y: 0, widthMm: 200, heightMm: 100 });

it('a photo is of the whole sheet: its parts show the same; another takes its place, undo brings the first back', () => {
  const s = smallStudio();
  const of = (stockId: string, shown: ReturnType<typeof photo> | null) =>
    ({ kind: 'photo-sheet', ask: { stockId, photo: shown } }) as const;
  expect(s.try(of('S1', null))?.code).toBe('no-photo');
  s.do({ kind: 'split-stock', ask: { stockId: 'S1', at: { from: [150, 0], to: [150, 100] } } });
  s.do(of('S1-1', photo('a'.repeat(64))));
  expect(told(s)).toBe('photo of S1-1 kept');
  expect(s.studio.get('photos', 'S1')).toMatchObject({ hash: 'a'.repeat(64), widthMm: 200 });
  s.do(of('S1', photo('b'.repeat(64))));
  expect(s.back('undo', 'ada', 'rack')).toBeNull();
  expect(s.studio.get('photos', 'S1')?.hash).toBe('a'.repeat(64));
  s.do(of('S1', null));
  expect(s.studio.get('photos', 'S1')).toBeUndefined();
  expect(sound(s)).toEqual([]);
});
