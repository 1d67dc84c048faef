import { describe, expect, it } from 'vitest';
import { shippedRows, type Command } from '#core/bench';
import type { StudioAnswer } from '#contract';
import { workOf } from './cautions.ts';

const routeSteps = shippedRows().routeSteps as unknown as StudioAnswer['routeSteps'];
const of = (command: Command) => workOf(command, { routeSteps });

describe('the work that a command tells of', () => {
  it('is that of its step, of its clock, or its own', () => {
    expect(of({ kind: 'cut', ask: { panelId: 'p', sources: [] } })).toBe('cutting');
    expect(of({ kind: 'advance', ask: { panelId: 'p', numbers: [1], to: 'ground' } })).toBe('grinding');
    expect(of({ kind: 'advance', ask: { panelId: 'p', numbers: [1], to: 'leaded' } })).toBe('leading');
    expect(of({ kind: 'solder-joints', ask: { panelId: 'p', side: 'back', joints: [1] } })).toBe('soldering');
    expect(of({ kind: 'start-clock', ask: { id: 'x', personId: 'a', panelId: null, stage: 'grinding' } })).toBe(
      'grinding',
    );
  });
  it('is none where nothing is worked with the hands', () => {
    expect(of({ kind: 'stop-clock', ask: { personId: 'a', endedAt: null } })).toBeNull();
    expect(of({ kind: 'drop-note', ask: { id: 'n' } })).toBeNull();
    expect(workOf({ kind: 'advance', ask: { panelId: 'p', numbers: [1], to: 'ground' } }, undefined)).toBeNull();
  });
});
