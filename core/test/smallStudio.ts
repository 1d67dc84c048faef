import {
  backOf,
  decide,
  isOwnAt,
  nextBack,
  restingOn,
  Studio,
  type AcceptDrawing,
  type Circumstance,
  type Command,
  type DrawnPiece,
  type History,
  type LogEntry,
  type UndoPlace,
  type Refusal,
} from '../bench/index.ts';
import { DEFAULT_ALLOWANCE, type Technique } from '../sizing/index.ts';
import type { JointId, PieceId } from '../units/index.ts';

/** A studio in memory that takes commands and keeps its log, for tests of the rules. */
export class SmallStudio {
  readonly studio = new Studio();
  readonly log: LogEntry[] = [];
  at = 1_000_000;

  readonly history: History = {
    othersAfter: (seq, bench) => this.log.filter((e) => e.seq > seq && e.bench !== bench),
  };

  try(command: Command, facts: { bench?: string; basis?: number; personId?: string } = {}): Refusal | null {
    const now: Circumstance = {
      at: (this.at += 60_000),
      seq: this.studio.seq + 1,
      personId: facts.personId ?? 'ada',
      bench: facts.bench ?? 'bench-1',
    };
    const outcome = decide(this.studio, command, now, facts.basis ?? this.studio.seq, this.history);
    if ('refusal' in outcome) return outcome.refusal;
    const { happening, inverse, changes } = outcome;
    this.log.push({ ...now, commandId: `c${now.seq}`, happening, inverse });
    this.studio.absorb(changes, now.seq);
    return null;
  }

  do(command: Command, facts?: { bench?: string; basis?: number; personId?: string }): void {
    const refusal = this.try(command, facts);
    if (refusal) throw new Error(`${command.kind}: ${JSON.stringify(refusal)}`);
  }

  /** Undo or redo by one person at a place, as the server asks for it. */
  back(direction: 'undo' | 'redo', personId = 'ada', place: UndoPlace = { panelId: 'p' }): Refusal | null {
    return this.try(this.putBack(direction, personId, place), { personId });
  }

  putBack(direction: 'undo' | 'redo', personId: string, place: UndoPlace): Command {
    const isOwn = (e: LogEntry) => isOwnAt(e, { personId, bench: '' }, place);
    const entry = nextBack(this.log.filter(isOwn).reverse(), direction);
    const later = this.log.filter((e) => entry !== null && e.seq > entry.seq);
    const touched = restingOn(later, isOwn);
    return { kind: 'put-back', ask: { target: entry && backOf(entry, this.studio), direction, touched } };
  }

  /** One entry taken back from the list, whoever made it and whenever. */
  takeBack(seq: number): Refusal | null {
    const entry = this.log.find((e) => e.seq === seq);
    const target = entry ? backOf(entry, this.studio) : null;
    const touched = restingOn(this.log.filter((e) => e.seq > seq));
    return this.try({ kind: 'put-back', ask: { target, direction: target?.direction ?? 'undo', touched } });
  }

  piece(number: number) {
    const row = this.studio.get('pieces', `p/${number}`);
    if (!row) throw new Error(`no piece ${number}`);
    return row;
  }
}

/** Twenty pieces of 1,000 mm², the first twelve of glass `blue`, the rest `red`; two sheets and an offcut. */
export function smallStudio(technique: Technique = 'foil'): SmallStudio {
  const s = new SmallStudio();
  s.do({ kind: 'save-person', ask: { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3000, active: true } });
  s.do({ kind: 'save-commission', ask: { id: 'c', title: 'Test light', client: '', due: null, note: '' } });
  s.do({
    kind: 'save-panel',
    ask: {
      id: 'p',
      commissionId: 'c',
      name: 'Light',
      technique,
      widthMm: 100,
      heightMm: 100,
      allowance: DEFAULT_ALLOWANCE[technique],
    },
  });
  for (const [id, code, price] of [
    ['blue', 'B-1', 10_000],
    ['red', 'R-1', 20_000],
  ] as const) {
    s.do({
      kind: 'save-glass',
      ask: {
        id,
        code,
        name: id,
        colour: '#336699',
        texture: 'smooth',
        thicknessMm: 3,
        hiding: 'clear',
        second: null,
        coat: 'none',
        flow: false,
        priceCentsPerM2: price,
      },
    });
  }
  s.do({
    kind: 'receive',
    ask: { label: 'S1', glassId: 'blue', kind: 'sheet', widthMm: 200, heightMm: 100, place: 'slot 1', costCents: 200 },
  });
  s.do({
    kind: 'receive',
    ask: { label: 'S2', glassId: 'red', kind: 'sheet', widthMm: 150, heightMm: 100, place: 'slot 2', costCents: 300 },
  });
  s.do({
    kind: 'receive',
    ask: { label: 'K1', glassId: 'blue', kind: 'offcut', widthMm: 50, heightMm: 40, place: 'tray', costCents: 0 },
  });
  const pieces = Array.from({ length: 20 }, (_, i) => ({
    id: (i + 1) as PieceId,
    number: i + 1,
    label: i === 4 ? 'sky' : null,
    areaMm2: 1000,
    perimeterMm: 130,
    widthMm: 40,
    heightMm: 25,
    difficulty: 1,
    isNew: true,
    changed: true,
    grew: false,
  }));
  s.do({ kind: 'accept-drawing', ask: drawing(pieces, technique) });
  const row = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
  s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: row(1, 12), glassId: 'blue' } });
  s.do({ kind: 'choose-glass', ask: { panelId: 'p', numbers: row(13, 20), glassId: 'red' } });
  return s;
}

/** Ids of the small studio's joints begin here. */
export const FIRST_JOINT = 101;

/** A drawing for panel `p`, as a command asks for it; the first one has nine joints. */
export function drawing(
  pieces: readonly DrawnPiece[],
  technique: Technique = 'foil',
  more: Partial<AcceptDrawing> = {},
): AcceptDrawing {
  const joints = Array.from({ length: 9 }, (_, i) => ({
    id: (FIRST_JOINT + i) as JointId,
    number: i + 1,
    kind: 'T' as const,
    isNew: true,
    moved: false,
  }));
  return {
    panelId: 'p',
    cartoonId: 'k',
    follows: null,
    sourceName: 'test.svg',
    origin: 'import',
    widthMm: 200,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE[technique],
    freeId: 200,
    jointCount: 9,
    joints,
    jointsGone: [],
    pieceCount: pieces.length,
    pieces,
    gone: [],
    letGo: [],
    ...more,
  };
}
