import { knownIn, nth, showNumbers } from '../../units/index.ts';
import type { Left } from '../../stock/index.ts';
import type { Command } from '../acts/index.ts';
import { glassBehind, ownGlass, sourcesIfLaid } from '../acts/laid.ts';
import { backStep, BEGINS, routeOf, stageIndex, wantsBack, type Route } from '../routes/route.ts';
import { backGlassOf, plainLower, settingsOf, type PanelRow, type PieceRow, type Reader } from '../tables.ts';
import { wordsOf } from './tokens.ts';
import { parseTally, type Pick, type Place, type TallyLine, type Vocabulary } from './parse.ts';

/** Glass of these pieces is cut, but from which sheet, and what is left of it, was not said. */
export interface SourceQuestion {
  readonly glassId: string;
  readonly numbers: readonly number[];
  /** The second glass of pieces of two; the first where it is left out. */
  readonly of?: 'back';
}

/** A tally line held against the panel: what it means, ready to be decided. */
export interface TallyMeaning {
  readonly line: TallyLine;
  /** Pieces to light up while the line is typed. */
  readonly numbers: readonly number[];
  /** Joints to light up. */
  readonly joints: readonly number[];
  readonly command: Command | null;
  readonly direction: 'undo' | 'redo' | null;
  /** How many steps are taken back or done again. */
  readonly times: number;
  /** Who did it, where the line says so; null for whoever works here. */
  readonly personId: string | null;
  /** Asked before the command can be made. */
  readonly questions: readonly SourceQuestion[];
  readonly problem: string | null;
  /** Where in the line that stands which is wrong; null where it is the line as a whole. */
  readonly at: Place | null;
}

const REST_STAYS: Left = { kind: 'stays' };

/**
 * The words that a route is called by.
 * @param asked steps that only some pieces go through are known where one asks for them; all of them where it is left out
 */
export function vocabularyOf(route: Route, asked?: ReadonlySet<string>): Vocabulary {
  const calls = (steps: Route['pieceSteps']) =>
    new Map(steps.flatMap((step) => step.calls.map((call) => [call.toLowerCase(), step.code] as const)));
  const back = backStep(route);
  return {
    pieceSteps: calls(
      route.pieceSteps.filter(
        (s) => s.deed === 'nothing' && (asked === undefined || !s.onlyAsked || asked.has(s.code)),
      ),
    ),
    panelSteps: calls(route.panelSteps),
    ...(back && (asked === undefined || !back.onlyAsked || asked.has(back.code)) ? { backCalls: back.calls } : {}),
  };
}

/** What a line is read by beside the panel: ids for what it makes, and who works here. */
export interface TallyCircumstance {
  readonly newId?: () => string;
  readonly personId?: string | null;
}

/** Reads a tally line for one panel: names pieces, picks the sheet where there is no doubt, or says what is missing. */
export function readTally(
  text: string,
  state: Reader,
  panel: PanelRow,
  { newId = () => 'new', personId = null }: TallyCircumstance = {},
): TallyMeaning {
  const { ownReasons } = settingsOf(state);
  const line = parseTally(text, { ...vocabularyOf(routeOf(state, panel)), ownReasons });
  const nothing: TallyMeaning = {
    line,
    numbers: [],
    joints: [],
    command: null,
    direction: null,
    times: 1,
    personId: null,
    questions: [],
    problem: null,
    at: null,
  };
  if (line.kind === 'empty') return nothing;
  const by = line.by === undefined ? null : personCalled(state, line.by);
  if (line.by !== undefined && by === null && line.kind !== 'typing')
    return { ...nothing, problem: `Nobody here is called “${line.by}”.`, at: placeOf(text, line.by.toLowerCase()) };
  const meaning = { ...meant(line, nothing, state, panel, { newId, personId: by ?? personId }), personId: by };
  if (meaning.problem === null || meaning.at !== null) return meaning;
  const culprit = /[“](.+?)[”]|piece (\d+)/.exec(meaning.problem);
  return { ...meaning, at: placeOf(text, (culprit?.[1] ?? culprit?.[2] ?? '').toLowerCase()) };
}

/** The only person at work who is called so, by name or initial. */
function personCalled(state: Reader, name: string): string | null {
  const said = plainLower(name);
  for (const question of ['peopleNamed', 'peopleInitialled'] as const) {
    const people = [...state.ask(question, said)].filter((person) => person.active && person.away === null);
    if (people.length === 1) return people[0]?.id ?? null;
  }
  return null;
}

/** Where a word stands in a line, or the range that ends with it. */
function placeOf(text: string, said: string): Place | null {
  if (said === '') return null;
  const found = wordsOf(text).find(
    (word) => word.text === said || word.text.endsWith(`-${said}`) || word.text.startsWith(`${said}-`),
  );
  if (found) return found.at;
  const at = text.toLowerCase().indexOf(said);
  return at < 0 ? null : [at, at + said.length];
}

function meant(
  line: Exclude<TallyLine, { kind: 'empty' }>,
  nothing: TallyMeaning,
  state: Reader,
  panel: PanelRow,
  { newId, personId }: Required<TallyCircumstance>,
): TallyMeaning {
  if (line.kind === 'undo' || line.kind === 'redo') return { ...nothing, direction: line.kind, times: line.times };
  if (line.kind === 'step')
    return { ...nothing, command: { kind: 'finish-step', ask: { panelId: panel.id, step: line.step } } };
  if (line.kind === 'clock') {
    if (personId === null)
      return { ...nothing, problem: 'Say who works: “clock grinding by Ada”, or sit down at this bench.' };
    return {
      ...nothing,
      command:
        line.work === 'stop'
          ? { kind: 'stop-clock', ask: { personId, endedAt: null } }
          : { kind: 'start-clock', ask: { id: newId(), personId, panelId: panel.id, stage: line.work } },
    };
  }
  if (line.kind === 'problem') {
    const { problem, at = null } = line;
    if (line.picks.length === 0) return { ...nothing, problem, at };
  }
  if (line.kind === 'joints') {
    const joints = line.picks.flatMap((pick) =>
      pick.kind === 'range' ? span(pick) : pick.kind === 'all' ? span({ from: 1, to: panel.jointCount }) : [],
    );
    return {
      ...nothing,
      joints,
      command: { kind: 'solder-joints', ask: { panelId: panel.id, side: line.side, joints } },
    };
  }
  const pieces = new Map([...state.ask('piecesOfPanel', panel.id)].map((p) => [p.number, p]));
  const named = numbersOf(line.picks, pieces, state, restOf(line, routeOf(state, panel)));
  if ('problem' in named) return { ...nothing, problem: line.kind === 'typing' ? null : named.problem };
  const { numbers } = named;
  const meaning = { ...nothing, numbers };
  if (line.kind === 'typing') return meaning;
  if (line.kind === 'problem') return { ...meaning, problem: line.problem, at: line.at ?? null };
  const chosen = numbers.map((n) => knownIn(pieces, n));
  switch (line.kind) {
    case 'advance':
      return { ...meaning, command: { kind: 'advance', ask: { panelId: panel.id, numbers, to: line.to } } };
    case 'return':
      return { ...meaning, command: { kind: 'send-back', ask: { panelId: panel.id, numbers, reason: line.reason } } };
    case 'take-in':
      return { ...meaning, command: { kind: 'take-in', ask: { panelId: panel.id, numbers, as: line.as } } };
    case 'wait':
      return {
        ...meaning,
        command: {
          kind: 'begin-wait',
          ask: { id: newId(), panelId: panel.id, numbers, name: line.name, minutes: line.minutes },
        },
      };
    case 'note': {
      if (numbers.length > 1)
        return { ...meaning, problem: 'A note is about one piece, or about the panel; say one number, or none.' };
      const [piece] = chosen;
      const about = piece
        ? { about: 'piece' as const, aboutId: piece.id }
        : { about: 'panel' as const, aboutId: panel.id };
      return {
        ...meaning,
        command: { kind: 'write-note', ask: { id: newId(), ...about, words: line.words, picture: null } },
      };
    }
    case 'glass': {
      const glass = [...state.ask('glassesWithCode', line.code)][0];
      if (!glass) return { ...meaning, problem: `There is no glass with the code “${line.code}”.` };
      const kind = line.of === 'back' ? 'choose-back' : 'choose-glass';
      return { ...meaning, command: { kind, ask: { panelId: panel.id, numbers, glassId: glass.id } } };
    }
    case 'break': {
      const recut = line.from === null ? null : { stockId: labelOf(state, line.from), left: REST_STAYS };
      return {
        ...meaning,
        command: {
          kind: 'break',
          ask: { panelId: panel.id, numbers, reason: line.reason, minutes: line.minutes, recut, only: line.of },
        },
      };
    }
    case 'recut': {
      const stockId = labelOf(state, line.from);
      if (line.of === 'back' && chosen.every((p) => wantsBack(routeOf(state, panel), p)))
        return { ...meaning, command: backCommand(panel.id, stockId, numbers) };
      if (chosen.every((p) => p.stage === BEGINS && p.broken !== null))
        return { ...meaning, command: cutCommand(panel.id, stockId, numbers) };
      if (line.reason === null) return { ...meaning, problem: 'Say why it is cut again: “41 recut chipped from B7”.' };
      return {
        ...meaning,
        command: {
          kind: 'break',
          ask: {
            panelId: panel.id,
            numbers,
            reason: line.reason,
            minutes: line.minutes,
            recut: { stockId, left: REST_STAYS },
            only: line.of,
          },
        },
      };
    }
    case 'cut':
      return {
        ...meaning,
        ...(line.of === 'back' ? backMeaning : cutMeaning)(line.from, chosen, state, panel),
      };
  }
}

function cutMeaning(
  from: string | null,
  chosen: readonly PieceRow[],
  state: Reader,
  panel: PanelRow,
): Partial<TallyMeaning> {
  const open = chosen.filter((p) => p.stage === BEGINS);
  if (open.length === 0) {
    const called = showNumbers(
      chosen.map((p) => p.number),
      8,
    );
    return {
      problem: chosen.length === 1 ? `Piece ${called} is cut already.` : `Pieces ${called} are cut already.`,
    };
  }
  const bare = open.filter((p) => p.glassId === null).map((p) => p.number);
  if (bare.length > 0) return { problem: bareWords(bare) };
  if (from !== null)
    return {
      command: cutCommand(
        panel.id,
        labelOf(state, from),
        open.map((p) => p.number),
      ),
      numbers: open.map((p) => p.number),
    };
  const sources = sourcesIfLaid(state, open.map(ownGlass));
  if (sources)
    return { command: { kind: 'cut', ask: { panelId: panel.id, sources } }, numbers: open.map((p) => p.number) };
  const byGlass = new Map<string, number[]>();
  for (const p of open) byGlass.set(p.glassId as string, [...(byGlass.get(p.glassId as string) ?? []), p.number]);
  return {
    numbers: open.map((p) => p.number),
    questions: [...byGlass].map(([glassId, list]) => ({ glassId, numbers: list })),
  };
}

/** The glass behind: cut where it still has to be, else both are in hand and the piece moves on. */
function backMeaning(
  from: string | null,
  chosen: readonly PieceRow[],
  state: Reader,
  panel: PanelRow,
): Partial<TallyMeaning> {
  const route = routeOf(state, panel);
  const open = chosen.filter((p) => wantsBack(route, p));
  const numbers = open.map((p) => p.number);
  const step = backStep(route);
  if (open.length === 0 && step)
    return {
      command: { kind: 'advance', ask: { panelId: panel.id, numbers: chosen.map((p) => p.number), to: step.code } },
    };
  const bare = open.filter((p) => backGlassOf(p) === null).map((p) => p.number);
  if (bare.length > 0) return { problem: bareWords(bare) };
  if (from !== null) return { command: backCommand(panel.id, labelOf(state, from), numbers), numbers };
  const sources = sourcesIfLaid(state, open.map(glassBehind));
  if (sources) return { command: { kind: 'cut-back', ask: { panelId: panel.id, sources } }, numbers };
  return { numbers, questions: backQuestions(open) };
}

/** Of which glasses the second ones of pieces are. */
export function backQuestions(pieces: readonly PieceRow[]): SourceQuestion[] {
  const byGlass = new Map<string, number[]>();
  for (const piece of pieces) {
    const glassId = backGlassOf(piece);
    if (glassId !== null) byGlass.set(glassId, [...(byGlass.get(glassId) ?? []), piece.number]);
  }
  return [...byGlass].map(([glassId, numbers]) => ({ glassId, numbers, of: 'back' }));
}

const bareWords = (bare: readonly number[]): string =>
  `Choose the glass first: ${bare.slice(0, 8).join(', ')}${bare.length > 8 ? ' …' : ''} ${bare.length === 1 ? 'has' : 'have'} none.`;

const backCommand = (panelId: string, stockId: string, numbers: readonly number[]): Command => ({
  kind: 'cut-back',
  ask: { panelId, sources: [{ stockId, numbers, left: REST_STAYS }] },
});

const cutCommand = (panelId: string, stockId: string, numbers: readonly number[]): Command => ({
  kind: 'cut',
  ask: { panelId, sources: [{ stockId, numbers, left: REST_STAYS }] },
});

/** The label as the rack writes it, whatever case it was typed in. */
function labelOf(state: Reader, typed: string): string {
  return [...state.ask('stockWithLabel', typed.toLowerCase())][0]?.id ?? typed;
}

const span = ({ from, to }: { from: number; to: number }): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** What is the rest for a line: pieces that its verb has not been done to. */
function restOf(line: TallyLine, route: Route): (piece: PieceRow) => boolean {
  const placeOf = (code: string) => stageIndex(route, code);
  if (line.kind === 'cut' && line.of === 'back') return (piece) => wantsBack(route, piece);
  if (line.kind === 'glass') return (piece) => piece.glassId === null;
  if (line.kind === 'advance') return (piece) => piece.stage !== BEGINS && placeOf(piece.stage) < placeOf(line.to);
  return (piece) => piece.stage === BEGINS;
}

function numbersOf(
  picks: readonly Pick[],
  pieces: ReadonlyMap<number, PieceRow>,
  state: Reader,
  isRest: (piece: PieceRow) => boolean,
): { numbers: number[] } | { problem: string } {
  const numbers = new Set<number>();
  const wrong: number[] = [];
  const groupOf = groupsOf(pieces, state);
  for (let i = 0; i < picks.length; i++) {
    const pick = nth(picks, i);
    if (pick.kind === 'all') for (const n of pieces.keys()) numbers.add(n);
    else if (pick.kind === 'rest') {
      for (const piece of pieces.values()) if (isRest(piece)) numbers.add(piece.number);
    } else if (pick.kind === 'but') {
      const left = numbersOf(pick.picks, pieces, state, isRest);
      if ('problem' in left) return left;
      for (const n of left.numbers) numbers.delete(n);
    } else if (pick.kind === 'range') {
      const found = span(pick).filter((n) => pieces.has(n));
      if (
        pick.from === pick.to
          ? found.length === 0
          : found.length === 0 || !pieces.has(pick.from) || !pieces.has(pick.to)
      )
        wrong.push(pieces.has(pick.from) ? pick.to : pick.from);
      for (const n of found) numbers.add(n);
    } else {
      const found = longestGroup(picks.slice(i), groupOf);
      if (!found) return { problem: `“${pick.word}” is no piece, glass, section or group of this panel.` };
      for (const p of found.group) numbers.add(p.number);
      i += found.words - 1;
    }
  }
  if (wrong.length > 0) return { problem: `There is no piece ${wrong[0]} in this panel; it has ${pieces.size}.` };
  return { numbers: [...numbers].sort((a, b) => a - b) };
}

/** A name may be of several words, "left wing": as many of them as name something together. */
function longestGroup(
  picks: readonly Pick[],
  groupOf: (name: string) => readonly PieceRow[],
): { group: readonly PieceRow[]; words: number } | null {
  const end = picks.findIndex((p) => p.kind !== 'group');
  const words = picks.slice(0, end < 0 ? MOST_WORDS : Math.min(end, MOST_WORDS));
  for (let n = words.length; n > 0; n--) {
    const name = words.slice(0, n).flatMap((p) => (p.kind === 'group' ? [p.word] : []));
    const group = groupOf(name.join(' '));
    if (group.length > 0) return { group, words: n };
  }
  return null;
}
/** A name of more words than this is a sentence. */
const MOST_WORDS = 6;

/** Pieces by what groups of them are called: a glass by its code, a section by letter or name, a word in the drawing. */
function groupsOf(pieces: ReadonlyMap<number, PieceRow>, state: Reader): (name: string) => readonly PieceRow[] {
  const [any] = pieces.values();
  const sections = any ? [...state.ask('sectionsOfPanel', any.panelId)] : [];
  return (name) => {
    const glassIds = new Set([...state.ask('glassesWithCode', name)].map((g) => g.id));
    const letters = new Set([name, ...sections.filter((s) => s.name.toLowerCase() === name).map((s) => s.letter)]);
    return [...pieces.values()].filter(
      (p) =>
        p.label?.toLowerCase() === name ||
        (p.glassId !== null && glassIds.has(p.glassId)) ||
        (p.section !== null && (letters.has(p.section) || letters.has(p.section.toLowerCase()))),
    );
  };
}
