import { useState } from 'react';
import {
  backsCalled,
  BEGINS,
  glassBehind,
  ownGlass,
  sourcesIfLaid,
  stepOf,
  wantsBack,
  wayOf,
  type Command,
  type OneGlass,
  type Source,
  type StepDefinition,
} from '#core/bench';
import { nextThing } from '#core/words';
import type { PanelView } from '../../../panel/view.ts';
import type { PieceRow } from '../../../state/studio.ts';
import { candidates } from '../sources.ts';

/** The piece that is called out, what is done to it next, and how. */
export interface Called {
  readonly piece: PieceRow;
  readonly step: StepDefinition;
  /** Null where it cannot be done by one press; `why` says so. */
  readonly command: Command | null;
  readonly why: string | null;
  /** Said on the button: `Cut from T15`. */
  readonly words: string;
}

/** Which piece comes next: one that was tapped, else the first of those that the panel waits for, but for the skipped. */
export function useCalled(view: PanelView, tapped: number | null) {
  const { panel, pieces } = view;
  const [skipped, setSkipped] = useState<ReadonlySet<number>>(new Set());
  const next = nextThing(panel, pieces);
  const waiting = next.kind === 'stage' || next.kind === 'recut' ? next.numbers : [];
  const open = waiting.filter((number) => !skipped.has(number));
  // All were skipped: they are called again from the first.
  const number = tapped ?? open[0] ?? waiting[0];
  const piece = pieces.find((one) => one.number === number);
  return {
    called: piece === undefined ? null : calledOf(view, piece),
    next,
    left: open.length,
    skip: () => {
      if (number !== undefined) setSkipped(open.length <= 1 ? new Set() : (before) => new Set([...before, number]));
    },
  };
}

function calledOf(view: PanelView, piece: PieceRow): Called | null {
  const { panel } = view;
  const way = wayOf(panel.route, piece);
  const step = way[way.findIndex((one) => one.code === piece.stage) + 1];
  const done = stepOf(panel.route, piece.stage);
  if (!step)
    return done
      ? { piece, step: done, command: null, why: `${piece.number} is ${done.word} already.`, words: done.word }
      : null;
  if (step.deed === 'takes-back' && wantsBack(panel.route, piece)) return cutCalled(view, step, glassBehind(piece));
  if (piece.stage !== BEGINS) {
    const ask = { panelId: panel.id, numbers: [piece.number], to: step.code };
    return { piece, step, command: { kind: 'advance', ask }, why: null, words: step.word };
  }
  return cutCalled(view, step, ownGlass(piece));
}

/** Cut as it is laid out, else from what on the rack is best for it, where anything is. */
function cutCalled(view: PanelView, step: StepDefinition, glass: OneGlass): Called {
  const { piece, glassId, of } = glass;
  const kind = of === 'back' ? 'cut-back' : 'cut';
  const cut = of === 'back' ? `${backsCalled([piece.number])} cut` : 'cut';
  const from = (sources: Source[]): Called => {
    const command: Command = { kind, ask: { panelId: view.panel.id, sources } };
    return { piece, step, command, why: null, words: `${cut} from ${sources[0]?.stockId ?? ''}` };
  };
  const laid = sourcesIfLaid(view.reader, [glass]);
  if (laid) return from(laid);
  if (glassId === null) return { piece, step, command: null, why: 'Its glass is not chosen yet.', words: cut };
  const best = candidates(view, { glassId, numbers: [piece.number] }).items.find((one) => !one.tooSmall);
  if (!best) return { piece, step, command: null, why: 'Nothing on the rack takes it.', words: cut };
  return from([{ stockId: best.item.id, numbers: [piece.number], left: { kind: 'stays' } }]);
}
