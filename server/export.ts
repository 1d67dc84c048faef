import { TABLE_NAMES } from '#core/bench';
import { unpack } from './store/packing.ts';
import type { Store } from './store/store.ts';

/** Counts up when the text says something in another way; version 3 is the first that can be read back. */
export const EXPORT_VERSION = 3;

/** Written at one go; then others have their turn. */
const TURN_CHARS = 64 * 1024;

/**
 * Everything there is as one JSON text, a part at a time, from a view of the studio that stands still meanwhile: settings
 * to hours (the removed ones too), the log, every drawing with its source, every file.
 */
export async function* exportParts(store: Store): AsyncGenerator<string> {
  const view = store.snapshot();
  let text = '';
  try {
    for (const part of parts(store.id, view)) {
      text += part;
      if (text.length < TURN_CHARS) continue;
      yield text;
      text = '';
      await new Promise((turn) => setImmediate(turn));
    }
    yield text;
  } finally {
    view.close();
  }
}

function* parts(databaseId: string, { rows, book, drawings }: ReturnType<Store['snapshot']>): Generator<string> {
  yield `{"nelvik": ${EXPORT_VERSION}, "databaseId": ${JSON.stringify(databaseId)}`;
  for (const table of TABLE_NAMES) yield* list(table, rows.all(table), JSON.stringify);
  yield* list('log', book.entries(), JSON.stringify);
  yield* list('originals', book.originals(), JSON.stringify);
  yield* list('drawings', drawings.ids(), (id) => drawingText(drawings, id));
  yield* list('files', drawings.fileHashes(), (hash) => fileText(drawings, hash));
  yield* list('fileUses', drawings.uses(), JSON.stringify);
  yield '\n}\n';
}

function* list<T>(name: string, items: Iterable<T>, textOf: (item: T) => string): Generator<string> {
  yield `,\n"${name}": [`;
  let between = '\n';
  for (const item of items) {
    yield between + textOf(item);
    between = ',\n';
  }
  yield ']';
}

/** The reading is JSON as it lies: it is not taken apart. */
function drawingText(drawings: Store['drawings'], id: string): string {
  const reading = unpack(drawings.packed(id) ?? Buffer.alloc(0)).toString('utf8');
  return `{"told":${JSON.stringify(drawings.told(id))},"reading":${reading}}`;
}

/** Drawings are text and stand as that; anything else in base 64. */
function fileText(drawings: Store['drawings'], hash: string): string {
  const file = drawings.file(hash);
  if (!file) throw new Error(`the file ${hash} is gone`);
  const { mediaType, packed } = file;
  const isText = mediaType.startsWith('image/svg') || mediaType.startsWith('text/');
  const content = unpack(packed).toString(isText ? 'utf8' : 'base64');
  return JSON.stringify({ hash, mediaType, [isText ? 'text' : 'base64']: content });
}
