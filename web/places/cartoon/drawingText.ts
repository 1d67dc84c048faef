/** What a byte order mark says of the text after it. */
const encodingOf = ([a, b]: Uint8Array): string =>
  a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : 'utf-8';

/**
 * The text of a drawing file, unpacked where it was packed (SVGZ) and read as its byte order mark says.
 * @param mostBytes of the text; it is never unpacked further than that
 * @returns null when it is longer, or packed and damaged
 */
export async function drawingText(file: Blob, mostBytes: number): Promise<string | null> {
  const head = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  const isPacked = head[0] === 0x1f && head[1] === 0x8b;
  const stream = file.stream() as ReadableStream<Uint8Array<ArrayBuffer>>;
  const reader = (isPacked ? stream.pipeThrough(new DecompressionStream('gzip')) : stream).getReader();
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      size += value.length;
      if (size > mostBytes) return null;
      parts.push(value);
    }
  } catch {
    return null;
  } finally {
    // A stream that is left in the middle must not go on unpacking.
    void reader.cancel().catch(() => undefined);
  }
  const bytes = new Uint8Array(await new Blob(parts).arrayBuffer());
  return new TextDecoder(encodingOf(bytes)).decode(bytes);
}
