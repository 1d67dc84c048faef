import { expect, it } from 'vitest';
import type { Command } from '../bench/index.ts';
import { askedWords } from './index.ts';

it.each<[string, Command]>([
  ['12–14 in place', { kind: 'advance', ask: { panelId: 'p', numbers: [12, 13, 14], to: 'in-place' } }],
  [
    '1–3, 7 cut',
    {
      kind: 'cut',
      ask: {
        panelId: 'p',
        sources: [
          { stockId: 'A', numbers: [1, 2, 3], left: { kind: 'stays' } },
          { stockId: 'B', numbers: [7], left: { kind: 'waste' } },
        ],
      },
    },
  ],
  [
    '3b, 7b cut',
    { kind: 'cut-back', ask: { panelId: 'p', sources: [{ stockId: 'A', numbers: [3, 7], left: { kind: 'stays' } }] } },
  ],
  ['second glass 3', { kind: 'choose-back', ask: { panelId: 'p', numbers: [3], glassId: null } }],
  ['break 4', { kind: 'break', ask: { panelId: 'p', numbers: [4], reason: 'lost', minutes: 0, recut: null } }],
  ['solder joints 3–5', { kind: 'solder-joints', ask: { panelId: 'p', side: 'back', joints: [3, 4, 5] } }],
  ['delete', { kind: 'put-away', ask: { table: 'panels', id: 'p', as: 'deleted' } }],
  ['bring back', { kind: 'put-away', ask: { table: 'people', id: 'a', as: null } }],
  ['move stock', { kind: 'move-stock', ask: { stockId: 'A', place: 'window' } }],
])('%s', (words, command) => expect(askedWords(command)).toBe(words));
