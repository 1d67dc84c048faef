import { describe, expect, it } from 'vitest';
import { cuttability, panelFindings, studyRules } from '../cutting/index.ts';
import { allowanceFor, DEFAULT_ALLOWANCE, readProfile } from '../sizing/index.ts';
import { readCartoon } from '../cartoon/index.ts';
import { doc } from '../test/panels.ts';
import { BOUNDS, DEFAULT_LIMITS, isLimit, isWithin, LIMIT_NAMES, LIMITS, limitsWith } from './index.ts';

describe('limits', () => {
  it.each(LIMIT_NAMES)('%s says its unit, its source and why; what it is lies within what may be set', (name) => {
    const { value, least, most, words, source, unit } = LIMITS[name];
    expect(isLimit(name, value)).toBe(true);
    expect([isLimit(name, least), isLimit(name, most)]).toEqual([true, true]);
    expect([isLimit(name, least - 1e-9), isLimit(name, most + 1e-9), isLimit(name, Number.NaN)]).toEqual([
      false,
      false,
      false,
    ]);
    expect(words).toMatch(/^[A-Z][^.]+$/);
    expect(['from memory', 'common practice']).toContain(source);
    const ending = { mm: /Mm$/, 'mm²': /Mm2$/, '°': /Deg$/, ratio: /^((fussy|hard|most)Bite|bulbShare|slender)$/ }[
      unit
    ];
    expect(name).toMatch(ending);
    expect(DEFAULT_LIMITS[name]).toBe(value);
  });
  it('the ones that the trade is taught by heart (from memory)', () => {
    expect(DEFAULT_LIMITS).toMatchObject({ sharpDeg: 30, fussyBite: 0.25, hardBite: 0.5, cornerMm: 2, narrowMm: 6 });
    expect(DEFAULT_LIMITS).toMatchObject({
      slender: 12,
      leastDaylightMm2: 40,
      mostPanelMm2: 280_000,
      mostPanelMm: 600,
    });
    expect(DEFAULT_LIMITS).toMatchObject({ sheetEdgeMm: 6, fittingMm: 3, foilGapMm: 0.8, heartMm: 1.6, playMm: 0.25 });
  });
  it('a studio’s own go before them, one by one', () => {
    expect(limitsWith({ narrowMm: 4 })).toEqual({ ...DEFAULT_LIMITS, narrowMm: 4 });
    expect(limitsWith({})).toEqual(DEFAULT_LIMITS);
  });
  it('decide what is found: a strip of 5 mm is narrow, unless the studio cuts such', () => {
    const rings = [
      [
        [0, 0],
        [40, 0],
        [40, 5],
        [0, 5],
      ] as [number, number][],
    ];
    const strip = { number: 1, rings, areaMm2: 200, perimeterMm: 90, widthMm: 40, heightMm: 5, daylightMm2: 200 };
    const found = (narrowMm: number) => cuttability(strip, limitsWith({ narrowMm })).findings.map((f) => f.kind);
    expect(found(6)).toContain('narrow');
    expect(found(5.01)).toContain('narrow');
    expect(found(4.99)).not.toContain('narrow');
  });
  it('decide when a panel wants bars: by its area or by its longest side', () => {
    const reading = readCartoon(doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M0 40L60 38L100 50"/>'));
    if ('refusal' in reading) throw new Error(reading.refusal);
    const bars = (widthMm: number, areaMm2: number, own = {}) =>
      panelFindings(reading.cartoon, { widthMm, heightMm: 1, areaMm2 }, limitsWith(own)).some(
        (f) => f.kind === 'wants-bars',
      );
    expect([bars(600, 280_000), bars(600.1, 1), bars(1, 280_001)]).toEqual([false, true, true]);
    expect(bars(700, 1, { mostPanelMm: 700 })).toBe(false);
  });
  it('give new panels their measures', () => {
    expect(allowanceFor('lead', limitsWith({ heartMm: 2, faceMm: 8 }))).toMatchObject({
      heartMm: 2,
      faceMm: 8,
      clearanceMm: 0.25,
    });
    expect(allowanceFor('foil', limitsWith({ foilGapMm: 1, beadMm: 6 }))).toMatchObject({
      gapMm: 1,
      heartMm: 0,
      faceMm: 6,
    });
    expect(allowanceFor('lead', DEFAULT_LIMITS)).toEqual(DEFAULT_ALLOWANCE.lead);
  });
  it('a study says by which it was made: any of those that judge glass makes it another one', () => {
    const judging = [
      'sharpDeg',
      'fussyBite',
      'hardBite',
      'cornerMm',
      'narrowMm',
      'slender',
      'leastDaylightMm2',
    ] as const;
    const rules = new Set(judging.map((name) => studyRules(limitsWith({ [name]: 3.21 }))));
    expect(rules.size).toBe(judging.length);
    expect(studyRules(limitsWith({ sheetEdgeMm: 9 }))).toBe(studyRules(DEFAULT_LIMITS));
  });
});

describe('bounds of entries', () => {
  it.each(Object.entries(BOUNDS))('%s: the ends belong to it, what lies beyond does not', (_, bounds) => {
    expect([isWithin(bounds.least, bounds), isWithin(bounds.most, bounds)]).toEqual([true, true]);
    expect([isWithin(bounds.least - 1e-9, bounds), isWithin(bounds.most + 1e-9, bounds)]).toEqual([false, false]);
    expect(isWithin(Number.NaN, bounds)).toBe(false);
  });
  it('a profile is read up to the widest came and gap, and not beyond', () => {
    expect(readProfile(`h${BOUNDS.faceMm.most}`)).not.toBeNull();
    expect(readProfile(`h${BOUNDS.faceMm.most + 0.1}`)).toBeNull();
    expect(readProfile(`f${BOUNDS.gapMm.most}`)).not.toBeNull();
    expect(readProfile(`f${BOUNDS.gapMm.most + 0.1}`)).toBeNull();
  });
});
