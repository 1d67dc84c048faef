/**
 * How well a thing answers to what was typed: every word has to stand in its name or in what more is said of it, at the
 * beginning of a word before within one.
 * @returns 0 for not at all, 1 for exactly
 */
export function rankOf(name: string, more: string, typed: string): number {
  const [own, other] = [name.toLowerCase(), more.toLowerCase()];
  const text = typed.trim().toLowerCase();
  if (text === '') return 1;
  if (own === text) return 1;
  const scores = text.split(/\s+/).map((word) => {
    const isIn = (of: string, how: (part: string) => boolean) => of.split(/[\s,·-]+/).some(how);
    if (isIn(own, (part) => part === word)) return 0.95;
    if (own.startsWith(word)) return 0.9;
    if (isIn(own, (part) => part.startsWith(word)) || own.includes(`${word} `)) return 0.8;
    if (own.includes(word)) return 0.5;
    if (isIn(other, (part) => part.startsWith(word))) return 0.4;
    return other.includes(word) ? 0.2 : 0;
  });
  return Math.min(...scores);
}
