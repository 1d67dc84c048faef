import { describe, expect, it } from 'vitest';
import { smallStudio } from '../test/smallStudio.ts';
import type { Panel, RefusalCode } from '../bench/index.ts';
import { nextThing, progressOf, refusalWords, tallyOf, waitOf } from './index.ts';

const CODES: RefusalCode[] = [
  'unknown-panel',
  'unknown-pieces',
  'unknown-glass',
  'unknown-stock',
  'unknown-person',
  'unknown-commission',
  'unknown-entry',
  'unknown-joints',
  'no-pieces',
  'nothing-to-do',
  'not-cut',
  'not-this-route',
  'already-in-hand',
  'no-glass',
  'wrong-glass',
  'not-enough',
  'left-too-large',
  'stock-gone',
  'label-taken',
  'code-taken',
  'not-back',
  'reason-needed',
  'not-in-place',
  'step-order',
  'step-done',
  'step-not-done',
  'joints-done',
  'clock-runs-not',
  'ends-before-start',
  'glass-in-use',
  'has-work',
  'nothing-to-undo',
  'nothing-to-redo',
  'changed-since',
  'stale',
  'in-the-future',
];

describe('refusals', () => {
  it.each(CODES)('%s is one plain sentence or two, without a code in it', (code) => {
    const words = refusalWords({ code, numbers: [3, 4], name: 'B7', haveMm2: 1000, wantMm2: 2000 }, 'mm');
    expect(words).toMatch(/^[A-Z“].*\.$/s);
    expect(words).not.toMatch(/undefined|NaN|null/);
  });
  it('says one piece in the singular', () => {
    expect(refusalWords({ code: 'not-cut', numbers: [9] }, 'mm')).toBe('Piece 9 is not cut yet; cut it first.');
    expect(refusalWords({ code: 'not-cut', numbers: [7, 8, 9] }, 'mm')).toBe(
      'Pieces 7–9 are not cut yet; cut them first.',
    );
  });
});

describe('what comes next', () => {
  const at = (s: ReturnType<typeof smallStudio>) => {
    const panel = s.studio.get('panels', 'p') as Panel;
    const pieces = [...s.studio.piecesOf('p')];
    const next = nextThing(panel, pieces);
    return {
      words: next.before + next.strong + next.after,
      share: progressOf(panel, pieces),
      tally: tallyOf(panel, pieces).map((t) => t.count),
    };
  };
  it('follows the work from the first cut to delivery', () => {
    const s = smallStudio();
    const all = Array.from({ length: 20 }, (_, i) => i + 1);
    expect(at(s)).toEqual({ words: 'Cut 20 pieces: 1–20.', share: 0, tally: [20, 0, 0, 0, 0] });
    s.do({
      kind: 'cut',
      ask: {
        panelId: 'p',
        sources: [
          { stockId: 'S1', numbers: all.slice(0, 12), left: { kind: 'stays' } },
          { stockId: 'S2', numbers: all.slice(12), left: { kind: 'stays' } },
        ],
      },
    });
    expect(at(s).words).toBe('Grind 20 pieces: 1–20.');
    s.do({ kind: 'break', ask: { panelId: 'p', numbers: [4], reason: 'lost', minutes: 0, recut: null } });
    expect(at(s).words).toBe('Recut 4 first.');
    s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [4], left: { kind: 'stays' } }] } });
    s.do({ kind: 'advance', ask: { panelId: 'p', numbers: all, to: 'in-place' } });
    expect(at(s).words).toBe('Now solder the front.');
    s.do({ kind: 'joints', ask: { panelId: 'p', side: 'front', joints: [1, 2, 3, 5, 6, 7, 8] } });
    expect(at(s).words).toBe('Solder 2 open joints on the front: 4, 9.');
    s.do({ kind: 'joints', ask: { panelId: 'p', side: 'front', joints: [4, 9] } });
    s.do({ kind: 'step', ask: { panelId: 'p', step: 'solder-back' } });
    expect(at(s).words).toBe('Now bead the rim, or leave it out.');
    s.do({ kind: 'step', ask: { panelId: 'p', step: 'deliver' } });
    expect(at(s)).toMatchObject({ words: 'Delivered; nothing is left to do.', share: 1 });
  });
});

describe('waits', () => {
  it('cement sets for a day, unless the panel is delivered', () => {
    const steps = { cement: 1_000_000 };
    expect(waitOf({ steps }, 1_000_001)).toEqual({ step: 'cement', until: 1_000_000 + 24 * 3_600_000 });
    expect(waitOf({ steps }, 1_000_000 + 24 * 3_600_000)).toBeNull();
    expect(waitOf({ steps: { ...steps, deliver: 1_000_002 } }, 1_000_003)).toBeNull();
  });
});
