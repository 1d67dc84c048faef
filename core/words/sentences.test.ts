import { describe, expect, it } from 'vitest';
import { smallStudio } from '../test/smallStudio.ts';
import { effectWords, happeningWords, type Command } from '../bench/index.ts';
import { cartoonFindingWords, cuttingFindingWords, repairWords } from './index.ts';

describe('findings and repairs', () => {
  it.each([
    [{ kind: 'left-out', what: 'dashed lines', count: 3 }, 'Left out: 3 × dashed lines.'],
    [
      { kind: 'loose-line', at: [0, 0], lengthMm: 94, lines: [], pieces: [2] },
      'A line of 94 mm ends in the open and closes nothing.',
    ],
    [
      { kind: 'overrun', at: [0, 0], lengthMm: 3.12, lines: [], pieces: [2] },
      'A line runs 3.1 mm past its joint; it ends at the joint now.',
    ],
    [
      { kind: 'short-of-joint', at: [0, 0], gapMm: 1.64, ends: [], lines: [], pieces: [2] },
      'A line stops 1.6 mm short of the next one and was left out; draw it on, or join ends over so much.',
    ],
    [{ kind: 'hole', at: [0, 0], pieces: [4] }, 'Piece 4 goes all round another: glass cannot be cut so. Add a line.'],
    [{ kind: 'path-cut-short', count: 1 }, '1 path had a damaged end; the sound part was kept.'],
    [
      { kind: 'many-lines', at: [0, 0], pieces: [1, 2, 3, 4, 5] },
      'Four lines or more meet at one point, among pieces 1–5: the joint gets lumpy; let one line end a little beside the others.',
    ],
  ] as const)('%j', (finding, words) => {
    expect(cartoonFindingWords(finding as Parameters<typeof cartoonFindingWords>[0], 'mm')).toBe(words);
  });
  it('speaks inches to those who measure so', () => {
    expect(
      cartoonFindingWords({ kind: 'loose-line', at: [0, 0], lengthMm: 25.4, lines: [], pieces: [] }, 'in'),
    ).toContain('1 in');
    expect(cuttingFindingWords({ kind: 'little-light', number: 1, daylightMm2: 32.258 }, 'in')).toContain('0.1 sq in');
  });
  it('says how far a repair moved something', () => {
    expect(repairWords({ kind: 'snapped', at: [0, 0], movedMm: 0.312 })).toBe(
      'An end that stopped short was drawn 0.31 mm to its line.',
    );
    expect(repairWords({ kind: 'sliver', at: [0, 0], movedMm: 0.2 })).toContain('taken as one line');
  });
  it('gives a remedy with what is hard to cut', () => {
    expect(
      cuttingFindingWords({ kind: 'inside-curve', number: 1, at: [0, 0], bite: 0.6, grade: 'hard' }, 'mm'),
    ).toContain('several shallow scores');
    expect(cuttingFindingWords({ kind: 'sharp-point', number: 1, at: [0, 0], degrees: 19.6 }, 'mm')).toContain('20°');
  });
});

describe('acts in words', () => {
  const COMMANDS: [Command, string, RegExp][] = [
    [
      { kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2, 3], left: { kind: 'stays' } }] } },
      '3 pieces cut from S1: 30 cm² of glass',
      /^1–3 cut from S1$/,
    ],
    [
      { kind: 'advance', ask: { panelId: 'p', numbers: [1, 2], to: 'ground' } },
      '2 pieces: 1, 2 go from cut to ground',
      /^1, 2 ground$/,
    ],
    [
      { kind: 'break', ask: { panelId: 'p', numbers: [2], reason: 'chipped', minutes: 12, recut: null } },
      'piece 2 broke: chipped at the grinder · to be cut again',
      /^2 broke: chipped at the grinder, 12 min$/,
    ],
    [
      { kind: 'send-back', ask: { panelId: 'p', numbers: [1], reason: 'rough edge' } },
      'piece 1 returned to the stage before: rough edge',
      /^1 returned: rough edge$/,
    ],
    [
      { kind: 'choose-glass', ask: { panelId: 'p', numbers: [9], glassId: 'red' } },
      '1 piece: glass R-1',
      /^9: glass R-1$/,
    ],
    [
      {
        kind: 'receive',
        ask: { label: 'N1', glassId: 'red', kind: 'offcut', widthMm: 9, heightMm: 9, place: '', costCents: 0 },
      },
      '',
      /^offcut N1 put on the rack$/,
    ],
    [{ kind: 'move-stock', ask: { stockId: 'N1', place: 'tray 2' } }, '', /^N1 moved to tray 2$/],
    [
      {
        kind: 'correct-stock',
        ask: { stockId: 'N1', glassId: 'red', widthMm: 9, heightMm: 8, place: '', costCents: 0 },
      },
      '',
      /^N1 corrected$/,
    ],
    [{ kind: 'write-off', ask: { stockId: 'N1', reason: 'dropped' } }, '', /^N1 written off: dropped$/],
    [
      { kind: 'start-clock', ask: { id: 'h', personId: 'ada', panelId: 'p', stage: 'foiling' } },
      '',
      /^clock started: foiling$/,
    ],
    [{ kind: 'stop-clock', ask: { personId: 'ada', endedAt: null } }, '', /^clock stopped$/],
    [{ kind: 'change-settings', ask: { unit: 'in' } }, '', /^studio settings changed$/],
  ];
  it('state the effect before and the fact after', () => {
    const s = smallStudio();
    for (const [command, effect, fact] of COMMANDS) {
      expect(effectWords(command, s.studio, 'mm')).toBe(effect);
      s.do(command);
      const last = s.log.at(-1);
      expect(last && happeningWords(last.happening, s.studio)).toMatch(fact);
    }
  });
});
