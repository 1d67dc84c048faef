import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { TABLE_NAMES } from '#core/bench';
import type { Store } from './store/store.ts';
import { unpack } from './store/packing.ts';

/** Parts are written until so much waits to be sent; then others have their turn. */
const TURN_BYTES = 64 * 1024;

/**
 * Writes everything there is as one JSON text, a row at a time, from a view of the studio that stands still meanwhile:
 * settings to hours (the removed ones too), the log, every drawing with its source, every file.
 */
export async function writeExport(store: Store, to: Writable): Promise<void> {
  const { rows, book, drawings, close } = store.snapshot();
  let written = 0;
  const put = async (text: string): Promise<void> => {
    const isFull = !to.write(text);
    written += text.length;
    if (isFull) await once(to, 'drain');
    else if (written > TURN_BYTES) await new Promise((turn) => setImmediate(turn));
    if (written > TURN_BYTES) written = 0;
  };
  const list = async (name: string, items: Iterable<unknown>): Promise<void> => {
    await put(`,\n"${name}": [`);
    let isFirst = true;
    for (const item of items) {
      await put(`${isFirst ? '\n' : ',\n'}${JSON.stringify(item)}`);
      isFirst = false;
    }
    await put(']');
  };
  try {
    await put(`{"nelvik": 2, "databaseId": ${JSON.stringify(store.id)}`);
    for (const table of TABLE_NAMES) await list(table, rows.all(table));
    await list('log', book.entries());
    await list('drawings', drawnParts(drawings));
    await list('files', fileParts(drawings));
    await put('\n}\n');
  } finally {
    close();
  }
}

function* drawnParts(drawings: Store['drawings']): Generator {
  for (const id of drawings.ids()) yield { id, ...drawings.facts(id), reading: drawings.reading(id) };
}

/** Drawings are text and stand as that; anything else in base 64. */
function* fileParts(drawings: Store['drawings']): Generator {
  for (const hash of drawings.fileHashes()) {
    const file = drawings.file(hash);
    if (!file) continue;
    const content = unpack(file.packed);
    const isText = file.mediaType.startsWith('image/svg') || file.mediaType.startsWith('text/');
    yield {
      hash,
      mediaType: file.mediaType,
      [isText ? 'text' : 'base64']: content.toString(isText ? 'utf8' : 'base64'),
    };
  }
}
