import { expect, it } from 'vitest';
import type { ZodType } from 'zod';
import { label, length, money, wanted } from './fields.ts';

const read = (schema: ZodType, text: string) => {
  const result = schema.safeParse(text);
  return result.success ? result.data : result.error.issues[0]?.message;
};

it.each([
  ['', 'A price.'],
  [' 12,50 ', 1250],
  ['12.5', 1250],
  ['-3', 'A price.'],
  ['ten', 'A price.'],
])('money “%s”', (text, cents) => expect(read(money('A price.'), text)).toBe(text === '' ? 0 : cents));

it.each([
  ['600', 600],
  ['1 1/2 in', 38.1],
  ['60cm', 600],
  ['0', 'So long.'],
  ['', 'So long.'],
  ['99999', 'So long.'],
])('a length “%s”', (text, mm) => {
  const found = read(length('mm', { least: 1, most: 3200 }, 'So long.'), text);
  if (typeof mm === 'number') expect(found).toBeCloseTo(mm, 6);
  else expect(found).toBe(mm);
});

it('a label is wanted, and is letters, digits, dots and dashes', () => {
  expect(read(label('Its label.'), '  ')).toBe('Its label.');
  expect(read(label('Its label.'), ' B7-1 ')).toBe('B7-1');
  expect(read(label('Its label.'), 'B 7')).toBe('Letters, digits, dots and dashes.');
  expect(read(wanted('A name.'), ' ')).toBe('A name.');
});
