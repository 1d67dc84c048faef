/**
 * Labels for several sheets that arrive together: the number at the end counts on, over those that are taken.
 * @param first the label of the first one; without a number at its end the second is its `-2`
 * @param isTaken whether something has a label, in any case of letters
 */
export function labelsFrom(first: string, howMany: number, isTaken: (label: string) => boolean): string[] {
  const [, stem = '', digits] = /^(.*?)(\d+)?$/.exec(first) ?? [];
  const labels = [first];
  const named = (n: number): string =>
    digits === undefined ? `${stem}-${n}` : `${stem}${String(n).padStart(digits.length, '0')}`;
  for (let n = digits === undefined ? 2 : Number(digits) + 1; labels.length < howMany; n++)
    if (!isTaken(named(n))) labels.push(named(n));
  return labels.slice(0, howMany);
}
