import { describe, expect, it } from 'vitest';
import { cut, told } from '../../../test/asks.ts';
import { smallStudio } from '../../../test/smallStudio.ts';
import { DEFAULT_ALLOWANCE } from '../../../sizing/index.ts';
import { SHIPPED_ROUTES, type StepDefinition } from '../../index.ts';

const FOIL = SHIPPED_ROUTES[0]?.steps ?? [];
const route = (steps: readonly StepDefinition[], key = 'foil') =>
  ({ kind: 'save-route', ask: { key, name: 'Ours', technique: 'foil', steps } }) as const;
const light = (more: object) =>
  ({
    kind: 'save-panel',
    ask: {
      id: 'p',
      commissionId: 'c',
      name: 'L',
      technique: 'foil',
      widthMm: 1,
      heightMm: 1,
      allowance: DEFAULT_ALLOWANCE.foil,
      ...more,
    },
  }) as const;

describe('a route of the studio’s own', () => {
  it('is a version after the one before, and the panels under way keep theirs', () => {
    const s = smallStudio();
    s.do(route(FOIL));
    expect(s.studio.get('routes', 'foil@2')).toMatchObject({ key: 'foil', version: 2, name: 'Ours' });
    expect(told(s)).toBe('route “Ours”, version 2, entered');
    s.do(cut([1], 'S1'));
    s.do(light({}));
    expect(s.studio.get('panels', 'p')?.routeId).toBe('foil@1');
    expect(s.try(light({ route: 'foil' }))).toMatchObject({ code: 'has-work', numbers: [1] });
    s.do(light({ id: 'q' }));
    expect(s.studio.get('panels', 'q')?.routeId).toBe('foil@2');
  });
  it('is of the panel’s technique', () => {
    const s = smallStudio();
    expect(s.try(light({ id: 'q', route: 'lead' }))).toMatchObject({ code: 'unknown-route', name: 'lead' });
    expect(s.try(light({ id: 'q', route: 'none' }))?.code).toBe('unknown-route');
  });
  it('without a way to glass is refused, and nothing is kept of it', () => {
    const s = smallStudio();
    expect(s.try(route(FOIL.filter((step) => step.deed !== 'takes-glass')))?.code).toBe('route-unsound');
    expect(s.studio.get('routes', 'foil@2')).toBeUndefined();
  });
});
