/**
 * Labels for several sheets that arrive together: the number at the end counts on, over those that are taken.
 * @param first the label of the first one; without a number at its end the second is its `-2`
 * @param taken by what stands on the rack, in any case of letters
 */
export function labelsFrom(first: string, howMany: number, taken: readonly string[]): string[] {
  const used = new Set(taken.map((label) => label.toLowerCase()));
  const [, stem = '', digits] = /^(.*?)(\d+)?$/.exec(first) ?? [];
  const labels = [first];
  const named = (n: number): string =>
    digits === undefined ? `${stem}-${n}` : `${stem}${String(n).padStart(digits.length, '0')}`;
  for (let n = digits === undefined ? 2 : Number(digits) + 1; labels.length < howMany; n++)
    if (!used.has(named(n).toLowerCase())) labels.push(named(n));
  return labels.slice(0, howMany);
}
