import { describe, expect, it } from 'vitest';
import type { Glass } from '../stock/index.ts';
import type { Ring } from '../geometry/index.ts';
import { cementChecks, gateChecks } from './gates.ts';
import { SHIPPED_ROUTES } from './routes/shipped.ts';
import { makeRoute } from './routes/route.ts';

const [foil] = SHIPPED_ROUTES;
if (!foil) throw new Error('no route');
const ROUTE = makeRoute(
  foil.route,
  foil.steps.map((step, place) => ({ ...step, routeId: 'foil@1', place })),
);
const glass = (id: string, more: Partial<Glass> = {}) =>
  [id, { id, texture: 'smooth', flow: false, ...more } as Glass] as const;
const GLASSES = new Map([
  glass('plain'),
  glass('ripple', { texture: 'ripple' }),
  glass('sky', { flow: true }),
  glass('other'),
]);

const SHAPES: Record<string, Ring> = {
  diamond: [
    [0, -40],
    [25, 0],
    [0, 40],
    [-25, 0],
  ],
  kite: [
    [0, -60],
    [25, 0],
    [0, 30],
    [-25, 0],
  ],
  square: [
    [0, 0],
    [30, 0],
    [30, 30],
    [0, 30],
  ],
};
const look = (
  list: readonly {
    shape: keyof typeof SHAPES;
    glassId: string;
    flowDeg?: number | null;
    stage?: string;
    recheck?: boolean;
  }[],
) =>
  gateChecks(
    list.map(({ glassId, flowDeg = 90, stage = 'ground', recheck = false }, i) => ({
      number: i + 1,
      stage,
      glassId,
      flowDeg,
      recheck,
    })),
    list.map(
      ({ shape }, i) =>
        ({ number: i + 1, rings: [(SHAPES[shape] ?? []).map(([x, y]) => [x + i * 100, y] as const)] }) as never,
    ),
    GLASSES,
    ROUTE,
  );

describe('what is looked at before pieces are built in', () => {
  it('five diamonds of a glass that runs one way have a top; kites can only go in one way', () => {
    const sky = { glassId: 'sky' };
    expect(
      look([...Array.from({ length: 5 }, () => ({ shape: 'diamond', ...sky })), { shape: 'kite', ...sky }]),
    ).toEqual([{ code: 'has-a-top', numbers: [1, 2, 3, 4, 5] }]);
    expect(look([{ shape: 'diamond', glassId: 'plain' }])).toEqual([]);
    expect(look([{ shape: 'diamond', ...sky, flowDeg: null }])).toEqual([{ code: 'flow-unsaid', numbers: [1] }]);
  });
  it('a rough side has to face one way', () => {
    expect(
      look([
        { shape: 'kite', glassId: 'ripple' },
        { shape: 'square', glassId: 'plain' },
      ]),
    ).toEqual([{ code: 'texture-side', numbers: [1] }]);
  });
  it('equal shapes of different glass are taken for each other; of the same glass they may be', () => {
    expect(
      look([
        { shape: 'square', glassId: 'plain' },
        { shape: 'square', glassId: 'plain' },
      ]),
    ).toEqual([]);
    expect(
      look([
        { shape: 'square', glassId: 'plain' },
        { shape: 'square', glassId: 'other' },
      ]),
    ).toEqual([{ code: 'alike', numbers: [1, 2] }]);
  });
  it('only of what is in hand and not built in yet', () => {
    expect(look([{ shape: 'kite', glassId: 'ripple', stage: 'to-cut' }])).toEqual([]);
    expect(look([{ shape: 'kite', glassId: 'ripple', stage: 'foiled' }])).toEqual([]);
    expect(look([{ shape: 'kite', glassId: 'plain', recheck: true }])).toEqual([{ code: 'recheck', numbers: [1] }]);
  });
});

it('before cement: rough glass, and what is painted; a plate is no paint, and plain glass asks for nothing', () => {
  const of = (number: number, glassId: string | null, ...asks: string[]) => ({ number, glassId, asks });
  expect(cementChecks([of(3, 'ripple'), of(1, 'ripple', 'traced'), of(2, 'plain', 'plated')], GLASSES)).toEqual([
    { code: 'rough-to-cement', numbers: [1, 3] },
    { code: 'painted-to-cement', numbers: [1] },
  ]);
  expect(cementChecks([of(1, 'plain'), of(2, null), of(3, 'gone')], GLASSES)).toEqual([]);
});
