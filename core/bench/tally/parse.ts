import { isOneOf, nth } from '../../units/index.ts';
import { BACK_REASONS, readBreakReason, type BackReason, type BreakReason } from '../reasons.ts';
import type { GlassOfTwo } from '../acts/breakPieces/act.ts';
import type { StepCode } from '../routes/definition.ts';
import { SIDES, type Side } from '../acts/joints.ts';
import { TAKEN_IN_KINDS, type TakenIn } from '../acts/takeIn/act.ts';
import { WORKS, WORK_STAGES, type WorkStage } from '../works.ts';
import { wordsOf, type Word } from './tokens.ts';

/** The words that a panel's route is called by. Of several words that begin alike the longest counts. */
export interface Vocabulary {
  /** Steps of pieces that come after “cut”. */
  readonly pieceSteps: ReadonlyMap<string, StepCode>;
  /** Steps of the panel as a whole. */
  readonly panelSteps: ReadonlyMap<string, StepCode>;
  /** What the step is called at which a second glass is cut; pieces have 12a and 12b only where there is one. */
  readonly backCalls?: readonly string[];
  /** Why glass breaks, in the studio's own words. */
  readonly ownReasons?: readonly string[];
}

/** What pieces a line names: numbers, ranges, words for a group (a glass code or a label), the rest, and all but some. */
export type Pick =
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  | { readonly kind: 'group'; readonly word: string }
  | { readonly kind: 'all' }
  /** What the verb has not been done to yet. */
  | { readonly kind: 'rest' }
  /** Left out of what is named before it. */
  | { readonly kind: 'but'; readonly picks: readonly Pick[] };

/** Where in a line something stands: from the first character to behind the last. */
export type Place = readonly [number, number];

/** A tally line understood as far as it goes. `typing` is a line that is not finished but not wrong either. */
export type TallyLine = Said & {
  /** Who did it, as called; else whoever works here. */
  readonly by?: string;
  /** Of pieces of two glasses, which: `12a`, `12b`. */
  readonly of?: GlassOfTwo;
};

type Said =
  | { readonly kind: 'empty' }
  | { readonly kind: 'typing'; readonly picks: readonly Pick[]; readonly hint: string }
  | { readonly kind: 'problem'; readonly picks: readonly Pick[]; readonly problem: string; readonly at?: Place }
  | { readonly kind: 'cut'; readonly picks: readonly Pick[]; readonly from: string | null }
  | { readonly kind: 'advance'; readonly picks: readonly Pick[]; readonly to: StepCode }
  | { readonly kind: 'return'; readonly picks: readonly Pick[]; readonly reason: BackReason }
  | {
      readonly kind: 'break';
      readonly picks: readonly Pick[];
      readonly reason: BreakReason;
      readonly from: string | null;
      readonly minutes: number;
    }
  | {
      readonly kind: 'recut';
      readonly picks: readonly Pick[];
      readonly reason: BreakReason | null;
      readonly from: string;
      readonly minutes: number;
    }
  | { readonly kind: 'glass'; readonly picks: readonly Pick[]; readonly code: string }
  | { readonly kind: 'take-in'; readonly picks: readonly Pick[]; readonly as: TakenIn }
  /** No pieces: of the panel. */
  | { readonly kind: 'note'; readonly picks: readonly Pick[]; readonly words: string }
  | { readonly kind: 'wait'; readonly picks: readonly Pick[]; readonly name: string; readonly minutes: number }
  | { readonly kind: 'clock'; readonly work: WorkStage | 'stop' }
  | { readonly kind: 'joints'; readonly side: Side; readonly picks: readonly Pick[] }
  | { readonly kind: 'step'; readonly step: StepCode }
  | { readonly kind: 'undo'; readonly times: number }
  | { readonly kind: 'redo'; readonly times: number };

/** What can be said of pieces on every route. */
const VERBS = ['cut', 'return', 'returned', 'broke', 'broken', 'recut', 'glass', 'note', 'wait', ...TAKEN_IN_KINDS];
const LINE_WORDS = ['joints', 'clock', 'undo', 'redo'];
/** A range longer than this is a slip of the finger. */
const LONGEST_RANGE = 5000;
/** Nobody calls more than this across the room. */
const LONGEST_LINE = 2000;
/** More steps at once are taken back from the history, where they are seen. */
const MOST_BACK = 20;
const MOST_MINUTES = 600;
const LONGEST_WAIT_MIN = 525_600;
const LONGEST_NOTE = 2000;
const LONGEST_NAME = 40;

/**
 * Reads what an artist would call across the room: `12-18 31 cut`, `41 broke inside curve`,
 * `41 recut from B7 12 min`, `sky foiled by Ada`, `joints 3-9 back`, `12 wait glue 6 h`, `clock grinding`, `undo`.
 */
export function parseTally(line: string, vocabulary: Vocabulary): TallyLine {
  if (line.length > LONGEST_LINE) return problem('This line is too long; say it in several.');
  const words = wordsOf(line);
  if (words.length === 0) return { kind: 'empty' };
  // A note is in its writer's own words to the end.
  const noteAt = words.findIndex((word) => word.text === 'note');
  if (noteAt >= 0) return note(line, words, noteAt);
  const { rest, by } = signed(words);
  const said = read(rest, vocabulary);
  if (by === undefined) return said;
  // “stand by me foiled”: the word was part of a name.
  const whole = said.kind === 'typing' ? read(words, vocabulary) : said;
  return whole.kind === said.kind ? { ...said, by } : whole;
}

/** “… by Ada” at the end says who. */
function signed(words: readonly Word[]): { rest: readonly Word[]; by?: string } {
  const at = words.findIndex((word, i) => word.text === 'by' && i > 0);
  if (at < 0) return { rest: words };
  const name = words.slice(at + 1).map((word) => word.raw);
  return name.length === 0 ? { rest: words.slice(0, at) } : { rest: words.slice(0, at), by: name.join(' ') };
}

function read(words: readonly Word[], vocabulary: Vocabulary): Said & { readonly of?: GlassOfTwo } {
  const text = textOf(words);
  const [first] = words;
  if (first?.text === 'undo' || first?.text === 'redo') return backs(first.text, words.slice(1));
  if (first?.text === 'clock' || text === 'stop clock') return clock(words);
  const step = vocabulary.panelSteps.get(text);
  if (step !== undefined) return { kind: 'step', step };
  const sided = vocabulary.backCalls ? glassesOf(words) : null;
  if (sided !== null) return readSided(sided, vocabulary);
  if (first?.text === 'joints' || first?.text === 'joint') return joints(words.slice(1));
  const calls = [...vocabulary.pieceSteps.keys(), ...(vocabulary.backCalls ?? [])];
  const firsts = new Set(calls.map((call) => call.split(' ')[0]));
  const verbAt = words.findIndex((word) => VERBS.includes(word.text) || firsts.has(word.text));
  const named = picksOf(verbAt < 0 ? words : words.slice(0, verbAt));
  if ('problem' in named) return problem(named.problem, named.at);
  if (verbAt < 0) return unfinished(named.picks, words, vocabulary);
  const verb = nth(words, verbAt);
  const picks = meant(named.picks);
  if (picks.some((pick) => pick.kind === 'but' && pick.picks.length === 0))
    return problem(`Say which are left out: “all but 3 7 ${verb.text}”.`, verb.at);
  if (picks.length === 0 && verb.text !== 'wait')
    return problem(`Say which pieces first: “12-18 ${verb.text}”.`, verb.at);
  return backwards(words.slice(0, verbAt)) ?? act(words.slice(verbAt), picks, vocabulary);
}

interface Sided {
  /** The line with plain numbers. */
  readonly words: readonly Word[];
  readonly of: GlassOfTwo;
  /** A number that is said of the other glass, or of none. */
  readonly odd: Word | null;
}

const OF_TWO = { a: 'front', b: 'back' } as const;

/** `12a`, `12-18b`: numbers of one of the two glasses; null where none is said so. */
function glassesOf(words: readonly Word[]): Sided | null {
  const told = words.map((word) => /^(\d{1,5}(?:-\d{1,5})?)([ab])$/.exec(word.text));
  const [first] = told.flatMap((match) => match ?? []).slice(2);
  if (first !== 'a' && first !== 'b') return null;
  const isOdd = ({ text }: Word, i: number) => (told[i] ? told[i][2] !== first : NUMBERED.test(text));
  const verbAt = words.findIndex((word) => VERBS.includes(word.text));
  return {
    words: words.map((word, i) => ({ ...word, text: told[i]?.[1] ?? word.text })),
    of: OF_TWO[first],
    odd: words.find((word, i) => (verbAt < 0 || i < verbAt) && isOdd(word, i)) ?? null,
  };
}
const NUMBERED = /^\d{1,5}(-\d{1,5})?$/;

/** One of two glasses is cut, chosen and broken by itself; from then on they are one piece. */
function readSided({ words, of, odd }: Sided, vocabulary: Vocabulary): Said & { readonly of?: GlassOfTwo } {
  if (odd) return problem('Say one of the two glasses at a time: “12b 14b cut”.', odd.at);
  const said = read(words, vocabulary);
  const letter = of === 'front' ? 'a' : 'b';
  if (said.kind === 'cut' || said.kind === 'break' || said.kind === 'recut' || said.kind === 'glass')
    return { ...said, of };
  if (said.kind === 'typing' || said.kind === 'problem') return said;
  return problem(`Only cutting, choosing and breaking know the two glasses apart; say it without the “${letter}”.`);
}

const textOf = (words: readonly Word[]): string => words.map((word) => word.text).join(' ');
const placeOf = (words: readonly Word[]): Place | undefined => {
  const [first, last] = [words[0], words.at(-1)];
  return first && last ? [first.at[0], last.at[1]] : undefined;
};

/** "all sky" is all of the sky. */
function meant(picks: readonly Pick[]): readonly Pick[] {
  const groups = picks.filter((p) => p.kind === 'group');
  return groups.length > 0 ? picks.filter((p) => p.kind !== 'all') : picks;
}

const problem = (words: string, at?: Place, picks: readonly Pick[] = []): Said => ({
  kind: 'problem',
  picks,
  problem: words,
  ...(at ? { at } : {}),
});

/** While "12-1" is on its way to "12-18" nothing is wrong with it; with a verb behind it, it is a slip. */
function backwards(words: readonly Word[]): Said | null {
  for (const word of words) {
    const range = /^(\d{1,5})-(\d{1,5})$/.exec(word.text);
    const [from, to] = [Number(range?.[1]), Number(range?.[2])];
    if (range && to < from)
      return problem(`${from}–${to} runs backwards; say ${to}-${from}, or mend the slip.`, word.at);
  }
  return null;
}

function backs(kind: 'undo' | 'redo', rest: readonly Word[]): Said {
  const [times] = rest;
  if (times === undefined) return { kind, times: 1 };
  const count = /^\d{1,3}$/.test(times.text) ? Number(times.text) : 0;
  if (rest.length > 1 || count < 1 || count > MOST_BACK)
    return problem(`After “${kind}” comes nothing, or how many steps, ${MOST_BACK} at most.`, placeOf(rest));
  return { kind, times: count };
}

const WORK_NAMES = WORK_STAGES.map((stage) => ({ stage, name: WORKS[stage].word.toLowerCase() }));

function clock(words: readonly Word[]): Said {
  const said = words.filter((word) => word.text !== 'clock');
  const text = textOf(said);
  const hint = `then stop, or a work: ${WORK_NAMES.map(({ name }) => name).join(', ')}`;
  if (text === '') return { kind: 'typing', picks: [], hint };
  if (text === 'stop' || text === 'off') return { kind: 'clock', work: 'stop' };
  const works = WORK_NAMES.filter(({ stage, name }) => name.startsWith(text) || stage.startsWith(text));
  const [work] = works;
  if (work && works.length === 1) return { kind: 'clock', work: work.stage };
  return works.length > 1
    ? { kind: 'typing', picks: [], hint }
    : problem(`“${text}” is no work that hours are booked to.`, placeOf(said));
}

function note(line: string, words: readonly Word[], noteAt: number): Said {
  const verb = nth(words, noteAt);
  const named = picksOf(words.slice(0, noteAt));
  if ('problem' in named) return problem(named.problem, named.at);
  const said = line.slice(verb.at[1]).trim();
  if (said === '') return { kind: 'typing', picks: meant(named.picks), hint: 'then what is to be noted' };
  if (said.length > LONGEST_NOTE) return problem('This note is too long; say it in several.');
  return backwards(words.slice(0, noteAt)) ?? { kind: 'note', picks: meant(named.picks), words: said };
}

function unfinished(picks: readonly Pick[], words: readonly Word[], vocabulary: Vocabulary): Said {
  const back = words.find((word) => word.text === 'back');
  if (back && picks.some((p) => p.kind === 'range'))
    return problem(
      '“back” is the back of the panel; a piece that has to be done over is “returned”, with a reason.',
      back.at,
    );
  const last = words.at(-1)?.text ?? '';
  const known = [...VERBS, ...LINE_WORDS, ...vocabulary.pieceSteps.keys(), ...vocabulary.panelSteps.keys()];
  const isVerbBegun = !/^\d/.test(last) && known.some((verb) => verb.startsWith(last));
  const steps = [...vocabulary.pieceSteps.entries()].filter(
    ([, code], i, all) => all.findIndex(([, c]) => c === code) === i,
  );
  const hint = `then cut, ${steps.map(([call]) => call).join(', ')}, broke, recut, return`;
  // Of a range on its way only the first number is meant so far.
  const begun = picks.map((p) => (p.kind === 'range' && p.to < p.from ? { ...p, to: p.from } : p));
  return { kind: 'typing', picks: meant(isVerbBegun ? begun.slice(0, -1) : begun), hint };
}

/** The longest call of a step that words begin with, as long as nothing else follows it. */
function stepCalled(words: readonly Word[], { pieceSteps }: Vocabulary): StepCode | null {
  return pieceSteps.get(textOf(words)) ?? pieceSteps.get(words[0]?.text ?? '') ?? null;
}

function act(
  words: readonly Word[],
  picks: readonly Pick[],
  vocabulary: Vocabulary,
): Said & { readonly of?: GlassOfTwo } {
  const [first, ...tail] = words;
  const verb = first?.text ?? '';
  const to = stepCalled(words, vocabulary);
  if (to !== null) {
    const isWhole = vocabulary.pieceSteps.has(textOf(words));
    if (isWhole || tail.length === 0) return { kind: 'advance', picks, to };
    return problem(`After “${verb}” comes nothing; “${textOf(tail)}” is not known.`, placeOf(tail), picks);
  }
  const as = TAKEN_IN_KINDS.find((kind) => kind === verb);
  if (as !== undefined) {
    const odd = tail.filter((word) => word.text !== 'glass');
    return odd.length === 0
      ? { kind: 'take-in', picks, as }
      : problem(`After “${verb}” comes nothing; “${textOf(odd)}” is not known.`, placeOf(odd), picks);
  }
  const clause = afterClauses(tail);
  if ('problem' in clause) return problem(clause.problem, clause.at, picks);
  const { from, minutes, rest } = clause;
  const said = textOf(rest);
  const { backCalls = [] } = vocabulary;
  if (backCalls.includes(verb) && (said === '' || backCalls.includes(`${verb} ${said}`)))
    return { kind: 'cut', picks, from, of: 'back' };
  switch (verb) {
    case 'cut':
      if (said !== '')
        return problem(
          `After “cut” comes nothing, or “from” and a sheet; “${said}” is not known.`,
          placeOf(rest),
          picks,
        );
      if (clause.minutesAt)
        return problem('Minutes belong to what broke; of cutting the clock tells.', clause.minutesAt, picks);
      return { kind: 'cut', picks, from };
    case 'glass':
      if (said === '') return { kind: 'typing', picks, hint: 'then the code of a glass' };
      return { kind: 'glass', picks, code: said };
    case 'wait':
      return wait(picks, tail);
    case 'return':
    case 'returned': {
      const reason =
        BACK_REASONS.find((r) => r === said) ??
        (said === '' ? undefined : BACK_REASONS.find((r) => r.startsWith(said)));
      return reason
        ? { kind: 'return', picks, reason }
        : { kind: 'typing', picks, hint: `a reason: ${BACK_REASONS.join(' · ')}` };
    }
    case 'broke':
    case 'broken': {
      const reason = readBreakReason(said, vocabulary.ownReasons);
      if (reason) return { kind: 'break', picks, reason, from, minutes };
      return {
        kind: 'typing',
        picks,
        hint: 'a reason: ran off · inside curve · point · dropped · brittle · chipped · too small …',
      };
    }
    case 'recut': {
      const reason = said === '' ? null : readBreakReason(said, vocabulary.ownReasons);
      if (said !== '' && reason === null)
        return { kind: 'typing', picks, hint: `“${said}” is no reason that is known; then “from” and a sheet` };
      return from === null
        ? { kind: 'typing', picks, hint: 'then “from” and the label of a sheet or offcut' }
        : { kind: 'recut', picks, reason, from, minutes };
    }
    default:
      return problem(`“${verb}” is not known here.`, first?.at, picks);
  }
}

/** `wait glue 6 h`: what for, and how long. */
function wait(picks: readonly Pick[], tail: readonly Word[]): Said {
  const rest: Word[] = [];
  let minutes = 0;
  for (let i = 0; i < tail.length; i++) {
    const word = nth(tail, i);
    const together = /^(\d+(?:[.]\d+)?)(min|m|h|d)$/.exec(word.text);
    const next = tail[i + 1];
    if (together) minutes += Number(together[1]) * (IN_MINUTES.get(together[2] ?? '') ?? 0);
    else if (/^\d+([.]\d+)?$/.test(word.text) && next && IN_MINUTES.has(next.text)) {
      minutes += Number(word.text) * (IN_MINUTES.get(next.text) ?? 0);
      i++;
    } else rest.push(word);
  }
  const name = rest
    .map((word) => word.raw)
    .join(' ')
    .replace(/^(for )?(the )?/i, '');
  if (minutes === 0 || name === '')
    return { kind: 'typing', picks, hint: 'then what for and how long: “wait glue 6 h”' };
  if (name.length > LONGEST_NAME) return problem('What it waits for is said in a few words.', placeOf(rest), picks);
  if (minutes > LONGEST_WAIT_MIN) return problem('More than a year of waiting cannot be meant.', placeOf(tail), picks);
  return { kind: 'wait', picks, name, minutes: Math.round(minutes) };
}

const IN_MINUTES: ReadonlyMap<string, number> = new Map([
  ...['m', 'min', 'minute', 'minutes'].map((unit) => [unit, 1] as const),
  ...['h', 'hour', 'hours'].map((unit) => [unit, 60] as const),
  ...['d', 'day', 'days'].map((unit) => [unit, 1440] as const),
]);

/** Takes `from X` and `N min` out of a tail; the label keeps the case it was written in. */
function afterClauses(
  tail: readonly Word[],
):
  { from: string | null; minutes: number; rest: readonly Word[]; minutesAt?: Place } | { problem: string; at?: Place } {
  const rest: Word[] = [];
  let from: string | null = null;
  let minutes = 0;
  let minutesAt: Place | undefined;
  for (let i = 0; i < tail.length; i++) {
    const word = nth(tail, i);
    const next = tail[i + 1];
    if (word.text === 'from') {
      if (next === undefined) break;
      if (from !== null)
        return { problem: `It is cut from one sheet: ${from}, or ${next.raw}?`, at: [word.at[0], next.at[1]] };
      from = next.raw;
      i++;
    } else if (/^\d+$/.test(word.text) && (next?.text === 'min' || next?.text === 'm' || next?.text === 'minutes')) {
      if (minutesAt) return { problem: 'Say the minutes once.', at: [word.at[0], next.at[1]] };
      minutes = Number(word.text);
      minutesAt = [word.at[0], next.at[1]];
      i++;
    } else if (/^\d+(min|m)$/.test(word.text)) {
      if (minutesAt) return { problem: 'Say the minutes once.', at: word.at };
      minutes = Number.parseInt(word.text, 10);
      minutesAt = word.at;
    } else rest.push(word);
  }
  if (minutes > MOST_MINUTES)
    return { problem: 'More than 600 minutes for a recut cannot be meant.', ...(minutesAt ? { at: minutesAt } : {}) };
  return { from, minutes, rest, ...(minutesAt ? { minutesAt } : {}) };
}

function joints(words: readonly Word[]): Said {
  const side = words.map((word) => word.text).find((word) => isOneOf(SIDES, word));
  const named = picksOf(words.filter((word) => word.text !== side));
  if ('problem' in named) return problem(named.problem, named.at);
  if (!side || named.picks.length === 0)
    return { kind: 'typing', picks: [], hint: 'numbers of joints, then front or back' };
  return backwards(words) ?? { kind: 'joints', side, picks: named.picks };
}

const WHOLE = ['all', 'everything'];
const BUT = ['but', 'except', 'without'];

type Picked = { readonly picks: Pick[] } | { readonly problem: string; readonly at?: Place };

/** What is named, and after “but” what of it is left out. */
function picksOf(words: readonly Word[]): Picked {
  const at = words.findIndex((word) => BUT.includes(word.text));
  if (at < 0) return plainPicks(words);
  const [named, left] = [plainPicks(words.slice(0, at)), plainPicks(words.slice(at + 1))];
  if ('problem' in named) return named;
  if ('problem' in left) return left;
  const picks: Pick[] = named.picks.length > 0 ? named.picks : [{ kind: 'all' }];
  return { picks: [...picks, { kind: 'but', picks: left.picks }] };
}

function plainPicks(words: readonly Word[]): Picked {
  const picks: Pick[] = [];
  for (const { text, at } of words) {
    const range = /^(\d{1,5})-(\d{1,5})?$/.exec(text);
    if (/^\d{1,5}$/.test(text)) picks.push({ kind: 'range', from: Number(text), to: Number(text) });
    else if (range) {
      const from = Number(range[1]);
      const to = range[2] === undefined ? from : Number(range[2]);
      if (to - from > LONGEST_RANGE) return { problem: `${from}–${to} is more pieces than a panel has.`, at };
      picks.push({ kind: 'range', from, to });
    } else if (WHOLE.includes(text)) picks.push({ kind: 'all' });
    else if (text === 'rest') picks.push({ kind: 'rest' });
    else picks.push({ kind: 'group', word: text });
  }
  const all = words.find((word) => WHOLE.includes(word.text));
  if (all && picks.some((p) => p.kind === 'range'))
    return { problem: 'Say “all”, or say numbers; not both.', at: all.at };
  return { picks };
}
