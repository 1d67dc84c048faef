import { isOneOf, nth } from '../../units/index.ts';
import { BACK_REASONS, readBreakReason, type BackReason, type BreakReason } from '../reasons.ts';
import type { StepCode } from '../routes/definition.ts';
import { SIDES, type Side } from '../acts/joints.ts';

/** The words that a panel's route is called by. Of several words that begin alike the longest counts. */
export interface Vocabulary {
  /** Steps of pieces that come after “cut”. */
  readonly pieceSteps: ReadonlyMap<string, StepCode>;
  /** Steps of the panel as a whole. */
  readonly panelSteps: ReadonlyMap<string, StepCode>;
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

/** A tally line understood as far as it goes. `typing` is a line that is not finished but not wrong either. */
export type TallyLine =
  | { readonly kind: 'empty' }
  | { readonly kind: 'typing'; readonly picks: readonly Pick[]; readonly hint: string }
  | { readonly kind: 'problem'; readonly picks: readonly Pick[]; readonly problem: string }
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
  | { readonly kind: 'joints'; readonly side: Side; readonly picks: readonly Pick[] }
  | { readonly kind: 'step'; readonly step: StepCode }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' };

/** What can be said of pieces on every route. */
const VERBS = ['cut', 'return', 'returned', 'broke', 'broken', 'recut', 'glass'];
const LINE_WORDS = ['joints', 'undo', 'redo'];
/** A range longer than this is a slip of the finger. */
const LONGEST_RANGE = 5000;
/** Nobody calls more than this across the room. */
const LONGEST_LINE = 2000;

/**
 * Reads what an artist would call across the room: `12-18 31 cut`, `41 broke inside curve`,
 * `41 recut from B7 12 min`, `sky foiled`, `joints 3-9 back`, `undo`.
 */
export function parseTally(line: string, vocabulary: Vocabulary): TallyLine {
  if (line.length > LONGEST_LINE) return problem('This line is too long; say it in several.');
  const text = plain(line).toLowerCase();
  if (text === '') return { kind: 'empty' };
  if (text === 'undo' || text === 'redo') return { kind: text };
  const step = vocabulary.panelSteps.get(text);
  if (step !== undefined) return { kind: 'step', step };
  const words = text.split(' ');
  if (words[0] === 'joints' || words[0] === 'joint') return joints(words.slice(1));
  const firsts = new Set([...vocabulary.pieceSteps.keys()].map((call) => call.split(' ')[0]));
  const verbAt = words.findIndex((word) => VERBS.includes(word) || firsts.has(word));
  const named = picksOf(verbAt < 0 ? words : words.slice(0, verbAt));
  if ('problem' in named) return problem(named.problem);
  if (verbAt < 0) return unfinished(named.picks, words, vocabulary);
  const picks = meant(named.picks);
  if (picks.some((pick) => pick.kind === 'but' && pick.picks.length === 0))
    return problem(`Say which are left out: “all but 3 7 ${words[verbAt]}”.`);
  if (picks.length === 0) return problem(`Say which pieces first: “12-18 ${words[verbAt]}”.`);
  return backwards(picks) ?? act(words.slice(verbAt), picks, plain(line).split(' '), vocabulary);
}

/** Single spaces between words, and none within a range. */
const plain = (line: string): string =>
  line
    .replace(/[–—]/g, '-')
    .replace(/[\s,]+/g, ' ')
    .replace(/ ?- ?/g, '-')
    .trim();

/** "all sky" is all of the sky. */
function meant(picks: readonly Pick[]): readonly Pick[] {
  const groups = picks.filter((p) => p.kind === 'group');
  return groups.length > 0 ? picks.filter((p) => p.kind !== 'all') : picks;
}

const problem = (words: string): TallyLine => ({ kind: 'problem', picks: [], problem: words });

/** While "12-1" is on its way to "12-18" nothing is wrong with it; with a verb behind it, it is a slip. */
function backwards(picks: readonly Pick[]): TallyLine | null {
  const all = picks.flatMap((p) => (p.kind === 'but' ? [...p.picks] : [p]));
  const slip = all.find((p) => p.kind === 'range' && p.to < p.from);
  return slip?.kind === 'range'
    ? problem(`${slip.from}–${slip.to} runs backwards; say ${slip.to}-${slip.from}, or mend the slip.`)
    : null;
}

function unfinished(picks: readonly Pick[], words: readonly string[], vocabulary: Vocabulary): TallyLine {
  if (words.includes('back') && picks.some((p) => p.kind === 'range'))
    return problem('“back” is the back of the panel; a piece that has to be done over is “returned”, with a reason.');
  const last = words.at(-1) ?? '';
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
function stepCalled(words: readonly string[], { pieceSteps }: Vocabulary): StepCode | null {
  return pieceSteps.get(words.join(' ')) ?? pieceSteps.get(words[0] ?? '') ?? null;
}

function act(
  words: readonly string[],
  picks: readonly Pick[],
  written: readonly string[],
  vocabulary: Vocabulary,
): TallyLine {
  const [verb = '', ...tail] = words;
  const to = stepCalled(words, vocabulary);
  if (to !== null) {
    const isWhole = vocabulary.pieceSteps.has(words.join(' '));
    if (isWhole || tail.length === 0) return { kind: 'advance', picks, to };
    const problem = `After “${verb}” comes nothing; “${tail.join(' ')}” is not known.`;
    return { kind: 'problem', picks, problem };
  }
  const clause = afterClauses(tail, written);
  if ('problem' in clause) return { kind: 'problem', picks, problem: clause.problem };
  const { from, minutes, rest } = clause;
  switch (verb) {
    case 'cut':
      if (rest !== '')
        return {
          kind: 'problem',
          picks,
          problem: `After “cut” comes nothing, or “from” and a sheet; “${rest}” is not known.`,
        };
      return { kind: 'cut', picks, from };
    case 'glass':
      if (rest === '') return { kind: 'typing', picks, hint: 'then the code of a glass' };
      return { kind: 'glass', picks, code: rest };
    case 'return':
    case 'returned': {
      const reason =
        BACK_REASONS.find((r) => r === rest) ??
        (rest === '' ? undefined : BACK_REASONS.find((r) => r.startsWith(rest)));
      return reason
        ? { kind: 'return', picks, reason }
        : { kind: 'typing', picks, hint: `a reason: ${BACK_REASONS.join(' · ')}` };
    }
    case 'broke':
    case 'broken': {
      const reason = readBreakReason(rest, vocabulary.ownReasons);
      if (reason) return { kind: 'break', picks, reason, from, minutes };
      return {
        kind: 'typing',
        picks,
        hint: 'a reason: ran off · inside curve · point · dropped · brittle · chipped · too small …',
      };
    }
    case 'recut': {
      const reason = rest === '' ? null : readBreakReason(rest, vocabulary.ownReasons);
      if (rest !== '' && reason === null)
        return { kind: 'typing', picks, hint: `“${rest}” is no reason that is known; then “from” and a sheet` };
      return from === null
        ? { kind: 'typing', picks, hint: 'then “from” and the label of a sheet or offcut' }
        : { kind: 'recut', picks, reason, from, minutes };
    }
    default:
      return { kind: 'problem', picks, problem: `“${verb}” is not known here.` };
  }
}

/** Takes `from X` and `N min` out of a tail; the label keeps the case it was written in. */
function afterClauses(
  tail: readonly string[],
  written: readonly string[],
): { from: string | null; minutes: number; rest: string } | { problem: string } {
  const rest: string[] = [];
  let from: string | null = null;
  let minutes = 0;
  for (let i = 0; i < tail.length; i++) {
    const word = nth(tail, i);
    const next = tail[i + 1];
    if (word === 'from') {
      if (next === undefined) break;
      from = written.find((w) => w.toLowerCase() === next) ?? next;
      i++;
    } else if (/^\d+$/.test(word) && (next === 'min' || next === 'm' || next === 'minutes')) {
      minutes = Number(word);
      i++;
    } else if (/^\d+(min|m)$/.test(word)) minutes = Number.parseInt(word, 10);
    else rest.push(word);
  }
  if (minutes > 600) return { problem: 'More than 600 minutes for a recut cannot be meant.' };
  return { from, minutes, rest: rest.join(' ') };
}

function joints(words: readonly string[]): TallyLine {
  const side = words.find((word) => isOneOf(SIDES, word));
  const named = picksOf(words.filter((word) => word !== side));
  if ('problem' in named) return problem(named.problem);
  if (!side || named.picks.length === 0)
    return { kind: 'typing', picks: [], hint: 'numbers of joints, then front or back' };
  return backwards(named.picks) ?? { kind: 'joints', side, picks: named.picks };
}

const BUT = ['but', 'except', 'without'];

/** What is named, and after “but” what of it is left out. */
function picksOf(words: readonly string[]): { picks: Pick[] } | { problem: string } {
  const at = words.findIndex((word) => BUT.includes(word));
  if (at < 0) return plainPicks(words);
  const [named, left] = [plainPicks(words.slice(0, at)), plainPicks(words.slice(at + 1))];
  if ('problem' in named) return named;
  if ('problem' in left) return left;
  const picks: Pick[] = named.picks.length > 0 ? named.picks : [{ kind: 'all' }];
  return { picks: [...picks, { kind: 'but', picks: left.picks }] };
}

function plainPicks(words: readonly string[]): { picks: Pick[] } | { problem: string } {
  const picks: Pick[] = [];
  for (const word of words) {
    const range = /^(\d{1,5})-(\d{1,5})?$/.exec(word);
    if (/^\d{1,5}$/.test(word)) picks.push({ kind: 'range', from: Number(word), to: Number(word) });
    else if (range) {
      const from = Number(range[1]);
      const to = range[2] === undefined ? from : Number(range[2]);
      if (to - from > LONGEST_RANGE) return { problem: `${from}–${to} is more pieces than a panel has.` };
      picks.push({ kind: 'range', from, to });
    } else if (word === 'all') picks.push({ kind: 'all' });
    else if (word === 'rest') picks.push({ kind: 'rest' });
    else picks.push({ kind: 'group', word });
  }
  if (picks.some((p) => p.kind === 'all') && picks.some((p) => p.kind === 'range'))
    return { problem: 'Say “all”, or say numbers; not both.' };
  return { picks };
}
