import { describe, expect, it } from 'vitest';
import { cut, sound } from '../../../test/asks.ts';
import { smallStudio, type SmallStudio } from '../../../test/smallStudio.ts';
import { SHIPPED_ROUTES } from '../../routes/shipped.ts';
import { checkRoute } from '../../routes/route.ts';

const follow = (s: SmallStudio, route: string) => s.try({ kind: 'follow-route', ask: { panelId: 'p', route } });
const advance = (numbers: number[], to: string) => ({ kind: 'advance' as const, ask: { panelId: 'p', numbers, to } });

describe('a panel that goes on by another route', () => {
  it('keeps all that has happened, and undo brings its old route back', () => {
    const s = smallStudio();
    s.do(cut([1, 2], 'S1'));
    s.do(advance([1], 'ground'));
    expect(follow(s, 'foil-painted')).toBeNull();
    expect(s.studio.get('panels', 'p')?.routeId).toBe('foil-painted@1');
    s.do({
      kind: 'ask-steps',
      ask: { panelId: 'p', numbers: [1, 3], steps: ['traced', 'trace-fired', 'stained', 'stain-fired'] },
    });
    // One that asks for nothing goes past all layers; one that asks stands at each in turn.
    s.do(advance([2], 'foiled'));
    expect(s.try(advance([2], 'traced'))?.code).toBe('not-this-route');
    for (const to of ['traced', 'trace-fired', 'stained', 'stain-fired', 'foiled']) s.do(advance([1], to));
    expect(sound(s)).toEqual([]);
    // What stands at a layer cannot go back to a route without layers.
    s.do(cut([3], 'S1'));
    s.do(advance([3], 'traced'));
    expect(follow(s, 'foil')).toMatchObject({ code: 'not-on-route', numbers: [1, 3] });
  });

  it('of another technique, unknown, its own, or without a step that is done: refused', () => {
    const s = smallStudio();
    expect(follow(s, 'lead')?.code).toBe('unknown-route');
    expect(follow(s, 'nowhere')?.code).toBe('unknown-route');
    expect(follow(s, 'foil')?.code).toBe('nothing-changes');
    expect(follow(s, 'planter')).toBeNull();
    expect(s.back('undo')).toBeNull();
    expect(s.studio.get('panels', 'p')?.routeId).toBe('foil@1');
  });

  it('a piece that breaks in the kiln goes through all of its layers again', () => {
    const s = smallStudio();
    follow(s, 'foil-painted');
    const steps = ['traced', 'trace-fired', 'matted', 'matt-fired'];
    s.do({ kind: 'ask-steps', ask: { panelId: 'p', numbers: [1], steps } });
    s.do(cut([1], 'S1'));
    for (const to of ['ground', ...steps]) s.do(advance([1], to));
    s.do({ kind: 'break', ask: { panelId: 'p', numbers: [1], reason: 'dropped', minutes: 90, recut: null } });
    expect(s.piece(1)).toMatchObject({ stage: 'to-cut', asks: steps });
    expect([...s.studio.all('mishaps')].at(-1)).toMatchObject({ stage: 'matt-fired', minutes: 90, labourCents: 4500 });
  });
});

describe('the shipped routes', () => {
  it.each(SHIPPED_ROUTES.map(({ route, steps }) => [route.id, steps] as const))('%s is sound', (_, steps) => {
    expect(checkRoute(steps)).toEqual([]);
  });
  it('those with poison, fire or fumes in them caution at that step', () => {
    for (const { steps } of SHIPPED_ROUTES)
      for (const { code, caution } of steps)
        if (/cement|patina|seal|apart|fired|pressed/.test(code)) expect(caution, code).not.toBeNull();
  });
});
