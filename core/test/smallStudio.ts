import {
  decide,
  inverseOf,
  Studio,
  type AcceptCartoon,
  type Circumstance,
  type Command,
  type LogEntry,
  type Refusal,
} from '../bench/index.ts';
import { DEFAULT_ALLOWANCE, type Technique } from '../sizing/index.ts';

/** A studio in memory that takes commands and keeps its log, for tests of the rules. */
export class SmallStudio {
  readonly studio = new Studio();
  readonly log: LogEntry[] = [];
  at = 1_000_000;

  try(command: Command, facts: { bench?: string; basis?: number; personId?: string } = {}): Refusal | null {
    const now: Circumstance = {
      at: (this.at += 60_000),
      seq: this.studio.seq + 1,
      personId: facts.personId ?? 'ada',
      bench: facts.bench ?? 'bench-1',
    };
    const outcome = decide(this.studio, command, now, facts.basis ?? this.studio.seq);
    if ('refusal' in outcome) return outcome.refusal;
    this.log.push({
      ...now,
      commandId: `c${now.seq}`,
      happening: outcome.happening,
      before: inverseOf(outcome.changes),
    });
    this.studio.absorb(outcome.changes, now.seq);
    return null;
  }

  do(command: Command, facts?: { bench?: string; basis?: number; personId?: string }): void {
    const refusal = this.try(command, facts);
    if (refusal) throw new Error(`${command.kind}: ${JSON.stringify(refusal)}`);
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
  s.do({ kind: 'person', ask: { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3000, active: true } });
  s.do({ kind: 'commission', ask: { id: 'c', title: 'Test light', client: '', due: null, note: '' } });
  s.do({
    kind: 'panel',
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
      kind: 'glass',
      ask: {
        id,
        code,
        name: id,
        colour: '#336699',
        texture: 'smooth',
        thicknessMm: 3,
        hiding: 'clear',
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
    number: i + 1,
    label: i === 4 ? 'sky' : null,
    areaMm2: 1000,
    perimeterMm: 130,
    widthMm: 40,
    heightMm: 25,
    difficulty: 1,
    was: null,
    changed: true,
  }));
  s.do({ kind: 'cartoon', ask: drawing(pieces, technique) });
  const row = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);
  s.do({ kind: 'give-glass', ask: { panelId: 'p', numbers: row(1, 12), glassId: 'blue' } });
  s.do({ kind: 'give-glass', ask: { panelId: 'p', numbers: row(13, 20), glassId: 'red' } });
  return s;
}

/** A drawing for panel `p`, as a command asks for it. */
export function drawing(
  pieces: AcceptCartoon['pieces'],
  technique: Technique = 'foil',
  more: Partial<AcceptCartoon> = {},
): AcceptCartoon {
  return {
    panelId: 'p',
    cartoonId: 'k',
    sourceName: 'test.svg',
    origin: 'import',
    widthMm: 200,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE[technique],
    joints: 9,
    soldered: { front: [], back: [] },
    pieceCount: pieces.length,
    pieces,
    gone: [],
    letGo: [],
    ...more,
  };
}
