import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { drawingText } from './drawingText.ts';

const svg = '<svg><title>Öffnung</title></svg>';
const bigEndian = (text: string) => Buffer.from(`\ufeff${text}`, 'utf16le').swap16();

describe('the text of a drawing file', () => {
  it.each([
    ['plain', Buffer.from(svg)],
    ['with a byte order mark', Buffer.from(`\ufeff${svg}`)],
    ['UTF-16, little end first', Buffer.from(`\ufeff${svg}`, 'utf16le')],
    ['UTF-16, big end first', bigEndian(svg)],
    ['packed', gzipSync(svg)],
  ])('%s', async (_, bytes) => {
    expect(await drawingText(new Blob([new Uint8Array(bytes)]), 1000)).toBe(svg);
  });
  it.each([
    ['too long', Buffer.from('x'.repeat(1001))],
    ['too long once it is unpacked', gzipSync('x'.repeat(1_000_000))],
    ['packed and cut off', gzipSync(svg.repeat(20)).subarray(0, 30)],
  ])('%s is none', async (_, bytes) => {
    expect(await drawingText(new Blob([new Uint8Array(bytes)]), 1000)).toBeNull();
  });
});
