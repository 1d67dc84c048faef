import { expect, it } from 'vitest';
import { ironReading } from './ironStation.ts';

const MIN = 60_000;
const iron = (more: object = {}) => ({ setC: 360, since: 0, takenAt: 0, tipMin: 30, ...more });

it('is at the room’s warmth when off, and keeps the hours of its tip', () => {
  expect(ironReading(iron({ since: null }), 5 * MIN)).toEqual({
    isOn: false,
    setC: 360,
    tipC: 20,
    idleMin: 0,
    tipMin: 30,
  });
});
it('warms to what is set, and never beyond', () => {
  const warm = [0, 10, 30, 60, 300].map((s) => ironReading(iron(), s * 1000).tipC);
  expect(warm[0]).toBe(20);
  expect(warm).toEqual([...warm].sort((a, b) => a - b));
  expect(warm.at(-1)).toBe(360);
});
it('rests in its stand after ten minutes, and is hot again once taken', () => {
  expect(ironReading(iron(), 15 * MIN)).toMatchObject({ tipC: 180, idleMin: 15, tipMin: 45 });
  expect(ironReading(iron({ takenAt: 14 * MIN }), 15 * MIN)).toMatchObject({ tipC: 360, idleMin: 1 });
});
