import type { Reader, Tables } from '../tables.ts';

export type Side = 'front' | 'back';
export const SIDES = ['front', 'back'] as const satisfies readonly Side[];

/** Which field of a joint's row says when a side of it was soldered. */
export const AT_OF = { front: 'frontAt', back: 'backAt' } as const satisfies Record<Side, keyof Tables['joints']>;

export const jointsOf = (state: Reader, panelId: string): Tables['joints'][] => [
  ...state.ask('jointsOfPanel', panelId),
];

export const openJoints = (state: Reader, panelId: string, side: Side): Tables['joints'][] =>
  jointsOf(state, panelId).filter((j) => j[AT_OF[side]] === null);
