import { describe, expect, it } from 'vitest';
import { smallStudio } from '../test/smallStudio.ts';
import { REFUSAL_CODES, refusalWords, routeOf, standingOf, type PanelRow } from '../bench/index.ts';
import { nextThing, progressOf, standingWords, tallyOf, waitOf } from './index.ts';

describe('refusals', () => {
  it.each(REFUSAL_CODES)('%s is one plain sentence or two, without a code in it', (code) => {
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

it('how a panel stands, in one line', () => {
  const s = smallStudio();
  const words = (recuts: number, withJoints: boolean) =>
    standingWords(standingOf(s.studio, s.studio.get('panels', 'p') as PanelRow), recuts, withJoints);
  expect(words(0, false)).toBe('20 to cut');
  s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2], left: { kind: 'stays' } }] } });
  expect(words(0, true)).toBe('18 to cut · 2 cut · joints soldered: front 0, back 0 of 9');
  expect(words(3, false)).toBe('18 to cut · 2 cut · 3 recut');
});

describe('what comes next', () => {
  const at = (s: ReturnType<typeof smallStudio>) => {
    const panel = standingOf(s.studio, s.studio.get('panels', 'p') as PanelRow);
    const pieces = [...s.studio.ask('piecesOfPanel', 'p')];
    const next = nextThing(panel, pieces);
    return {
      words: next.before + next.strong + next.after,
      share: progressOf(panel),
      tally: tallyOf(panel).map((t) => t.count),
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
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [1, 2, 3, 5, 6, 7, 8] } });
    expect(at(s).words).toBe('Solder 2 open joints on the front: 4, 9.');
    s.do({ kind: 'solder-joints', ask: { panelId: 'p', side: 'front', joints: [4, 9] } });
    s.do({ kind: 'finish-step', ask: { panelId: 'p', step: 'solder-back' } });
    expect(at(s).words).toBe('Now bead the rim, or leave it out.');
    s.do({ kind: 'finish-step', ask: { panelId: 'p', step: 'deliver' } });
    expect(at(s)).toMatchObject({ words: 'Delivered; nothing is left to do.', share: 1 });
  });
});

describe('waits', () => {
  it('cement sets for a day, unless the panel is delivered', () => {
    const route = routeOf(smallStudio('lead').studio, { routeId: 'lead@1' });
    const steps = { cement: 1_000_000 };
    const until = 1_000_000 + 24 * 3_600_000;
    expect(waitOf({ route, steps }, until - 1)).toEqual({ step: 'cement', name: 'cement', until });
    expect(waitOf({ route, steps }, until)).toBeNull();
    expect(waitOf({ route, steps: { ...steps, deliver: 1_000_002 } }, 1_000_003)).toBeNull();
  });
});
