import { actOf, differences, happeningWords, replay, type ActKind, type Command } from '../bench/index.ts';
import { checkLedger } from '../stock/index.ts';
import { lastOf } from '../units/index.ts';
import type { SmallStudio } from './smallStudio.ts';

/** Commands of the small studio's panel, as its tests give them. */
export const cut = (
  numbers: number[],
  stockId: string,
  left: Extract<Command, { kind: 'cut' }>['ask']['sources'][number]['left'] = { kind: 'stays' },
): Command => ({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId, numbers, left }] } });
export const advance = (numbers: number[], to: 'ground' | 'foiled' | 'leaded' | 'in-place'): Command => ({
  kind: 'advance',
  ask: { panelId: 'p', numbers, to },
});
export const broke = (numbers: number[], more: Partial<Extract<Command, { kind: 'break' }>['ask']> = {}): Command => ({
  kind: 'break',
  ask: { panelId: 'p', numbers, reason: 'chipped', minutes: 0, recut: null, ...more },
});
export const back = (s: SmallStudio, direction: 'undo' | 'redo', personId?: string) => s.back(direction, personId);
export const all = Array.from({ length: 20 }, (_, i) => i + 1);
export const sound = (s: SmallStudio) => [
  ...checkLedger(s.studio.all('stock'), s.studio.all('moves')),
  ...differences(s.studio, replay(s.log)),
];

/** How the act done last is told. */
export const told = (s: SmallStudio): string => happeningWords(lastOf(s.log).happening, s.studio);

/** A fact of the first version, as it is said today. */
export function brought(s: SmallStudio, kind: ActKind, old: unknown): unknown {
  const now = { at: s.at, seq: s.studio.seq + 1, personId: 'ada', bench: 'bench-1' };
  const drawing = () => {
    throw new Error('no drawing was asked for');
  };
  return actOf(kind).upcasts[1]?.(old as never, { state: s.studio, now, inverseOf: () => null, drawing } as never);
}
