import { expect, it } from 'vitest';
import { cureWords, misfitWords } from './misfit.ts';
import { borderWords, profileWords } from './profiles.ts';
import { DEFAULT_ALLOWANCE } from '../sizing/index.ts';

const misfit = { overWideMm: 3.6, overHighMm: 0, playMm: 1.2, border: 'h8' };

it('says which side is too large, by how much, and what would cure it', () => {
  expect(misfitWords(misfit, 'mm')).toBe('3.6 mm too wide');
  expect(misfitWords({ ...misfit, overHighMm: 12 }, 'mm')).toBe('3.6 mm too wide and 12 mm too high');
  expect(misfitWords(misfit, 'in')).toBe('5⁄32 in (3.6 mm) too wide');
  expect(cureWords(misfit, 'mm')).toBe(
    'It would also go in with H came of 8 mm face as its border, or with a play of 1.2 mm a side.',
  );
  expect(cureWords({ ...misfit, border: null }, 'mm')).toBe('It would also go in with a play of 1.2 mm a side.');
  expect(cureWords({ ...misfit, border: null, playMm: null }, 'mm')).toBeNull();
});

it('cames are called as they are sold', () => {
  expect(profileWords('h6', 'in')).toBe('H came of 1⁄4 in (6 mm) face');
  expect(profileWords('u10', 'mm')).toBe('U came of 10 mm face');
  expect(profileWords('f0.4', 'in')).toBe('foil, gap of 1⁄32 in (0.4 mm)');
  expect(borderWords(DEFAULT_ALLOWANCE.foil, 'mm')).toBe('foil and a bead of solder');
  expect(borderWords({ ...DEFAULT_ALLOWANCE.lead, border: 'u6' }, 'mm')).toBe('U came of 6 mm face');
});
