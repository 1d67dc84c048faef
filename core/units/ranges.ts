import { numberAt } from './access.ts';
/**
 * Piece numbers as an artist would call them: `[12,13,14,18]` → `12–14, 18`.
 * Two in a row stay apart (`12, 13`); three or more become a range.
 */
export function showNumbers(numbers: readonly number[], most = Infinity): string {
  const sorted = [...new Set(numbers)].sort((a, b) => a - b);
  const parts: string[] = [];
  for (let i = 0; i < sorted.length;) {
    let j = i;
    while (j + 1 < sorted.length && sorted[j + 1] === numberAt(sorted, j) + 1) j++;
    if (j - i >= 2) parts.push(`${sorted[i]}–${sorted[j]}`);
    else for (let k = i; k <= j; k++) parts.push(String(sorted[k]));
    i = j + 1;
  }
  if (parts.length <= most) return parts.join(', ');
  return `${parts.slice(0, most).join(', ')} and ${parts.length - most} more`;
}

/** `1 piece`, `7 pieces`. */
export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}
