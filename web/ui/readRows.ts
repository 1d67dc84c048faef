import { parse } from 'papaparse';

/** A list of the trade is a few kilobytes; what is larger is another file. */
const MOST_BYTES = 2_000_000;

/**
 * The rows of a CSV, heads first; or why it is none.
 * @param of what it is a list of: `glass`
 */
export async function readRows(file: File, of: string): Promise<string[][] | string> {
  if (file.size > MOST_BYTES) return `This file is too large for a list of ${of}; save the rows alone as CSV.`;
  return parse<string[]>(await file.text(), { skipEmptyLines: 'greedy' }).data;
}
