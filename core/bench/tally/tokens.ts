/** A word of a line: as it counts, as it was written, and where it stands. */
export interface Word {
  /** In lower case; a range with its dash and no spaces. */
  readonly text: string;
  readonly raw: string;
  /** Where it begins and ends in the line. */
  readonly at: readonly [number, number];
}

/** What a speech recogniser writes out. */
const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
};
/** Between two numbers they mean a range. */
const UP_TO: ReadonlySet<string> = new Set(['to', 'through', 'until', 'till']);
/** Said beside numbers, and meaning nothing. */
const PIECE_WORDS: ReadonlySet<string> = new Set(['piece', 'pieces', 'number', 'numbers', 'no', 'nos']);
const WHOLES: ReadonlySet<string> = new Set(['rest', 'all']);
const NUMBER = /^\d{1,5}$/;
const DASH = /[–—−]/g;
/** A scanned sticker of a sheet is the address of its card. */
const SCANNED = /^\S*[?&]item=([^&\s]+)\S*$/;
/** … and a code of the bench card the address at which a clock is started, or stopped. */
const SCANNED_CLOCK = /^\S*[?&]clock=([^&\s]+)\S*$/;

/** The words of a line with their places; ranges are one word however they were spaced or said. */
export function wordsOf(line: string): Word[] {
  const found: Word[] = [];
  for (const match of line.matchAll(/(?:[^\s,;&+]|&(?=[a-z]+=))+/g)) {
    const raw = match[0].replace(DASH, '-');
    const sheet = SCANNED.exec(raw)?.[1];
    const clock = SCANNED_CLOCK.exec(raw)?.[1];
    const scanned = sheet ?? clock;
    const at = [match.index, match.index + match[0].length] as const;
    const said = scanned === undefined ? spoken(raw) : decoded(scanned);
    const before = sheet === undefined ? 'clock' : 'from';
    if (scanned !== undefined && found.at(-1)?.text !== before) found.push({ text: before, raw: before, at });
    const number = NUMBER_WORDS[said.toLowerCase()];
    const text = number === undefined || !Object.hasOwn(NUMBER_WORDS, said.toLowerCase()) ? said : String(number);
    found.push({ text: text.toLowerCase(), raw: number === undefined ? said : text, at });
  }
  return withoutFillers(withRanges(found));
}

/** As it counts: without a full stop at its end, or a sign before its number. */
const spoken = (raw: string): string => raw.replace(/^#(?=\d)/, '').replace(/(?<=.)[.!?]+$/, '');

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** `12 - 18`, `12- 18`, `12 to 18`: one range. */
function withRanges(words: readonly Word[]): Word[] {
  const found: Word[] = [];
  for (let i = 0; i < words.length; i++) {
    const [word, next, after] = [words[i], words[i + 1], words[i + 2]];
    if (!word) break;
    const last = found.at(-1);
    const joined = (to: Word, text: string): Word => ({
      text,
      raw: text,
      at: [word.at[0], to.at[1]],
    });
    if (
      NUMBER.test(word.text) &&
      next &&
      after &&
      NUMBER.test(after.text) &&
      (next.text === '-' || UP_TO.has(next.text))
    ) {
      found.push(joined(after, `${word.text}-${after.text}`));
      i += 2;
    } else if (/^\d{1,5}-$/.test(word.text) && next && NUMBER.test(next.text)) {
      found.push(joined(next, `${word.text}${next.text}`));
      i++;
    } else if (NUMBER.test(word.text) && next && /^-\d{0,5}$/.test(next.text)) {
      found.push(joined(next, `${word.text}${next.text}`));
      i++;
    } else if (word.text === '-' && last === undefined) continue;
    else found.push(word);
  }
  return found;
}

/** “pieces 3 and 4” are 3 and 4; “left and right” stays a name. */
function withoutFillers(words: readonly Word[]): Word[] {
  const isNumber = (word: Word | undefined) => word !== undefined && /^\d/.test(word.text);
  const named = words.filter(
    (word, i) =>
      word.text !== 'please' &&
      !(word.text === 'the' && WHOLES.has(words[i + 1]?.text ?? '')) &&
      !(PIECE_WORDS.has(word.text) && (isNumber(words[i + 1]) || isNumber(words[i - 1]))),
  );
  return named.filter((word, i) => !(word.text === 'and' && isNumber(named[i - 1]) && isNumber(named[i + 1])));
}
