import { createHash } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';

/** Quick to pack, and within a tenth of the smallest. */
const LEVEL = 5;

/** Packed with gzip, so that it can be sent as it lies. */
export const pack = (text: string | Uint8Array): Buffer => gzipSync(text, { level: LEVEL });
export const packJson = (value: unknown): Buffer => pack(JSON.stringify(value));
export const unpack = (packed: Uint8Array): Buffer => gunzipSync(packed);
/** JSON that this program wrote itself, as what it was then. */
export const fromJson = <T>(text: string): T => JSON.parse(text) as T;
export const unpackJson = <T>(packed: Uint8Array): T => fromJson(unpack(packed).toString('utf8'));

/** The name of a content: SHA-256, hex. */
export const hashOf = (content: string | Uint8Array): string => createHash('sha256').update(content).digest('hex');
