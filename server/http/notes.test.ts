import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { AnswerOf, ErrorAnswer } from '#contract';
import { hashOf } from '../store/packing.ts';
import { command, testServer } from '../testServer.ts';

/** What is taken for a JPEG: its first and last two bytes, and something between them. */
const JPEG = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(120, 7), Buffer.from([0xff, 0xd9])]);
let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
  await server.send(
    '/commands',
    command('save-commission', { id: 'c', title: 'Job', client: '', due: null, note: '' }),
  );
});
afterAll(() => server.stop());

const write = (id: string, more: object = {}, ask: object = {}) =>
  server.send('/notes', {
    ...command('write-note', { id, about: 'job', aboutId: 'c', words: 'look', picture: null, ...ask }),
    ...more,
  });
const notes = async () => ((await server.send('/notes/job/c')).body as AnswerOf<'notes'>).notes;

describe('a note and its photo', () => {
  it('are one step: the photo is kept, named by the note, and sent back as it was', async () => {
    expect((await write('n1', { jpeg: JPEG.toString('base64') })).status).toBe(200);
    const [note] = await notes();
    expect(note).toMatchObject({ id: 'n1', words: 'look', picture: hashOf(JPEG), panelId: null });
    const answer = await fetch(`${server.base}/api/pictures/${note?.picture}`);
    expect(Buffer.from(await answer.arrayBuffer())).toEqual(JPEG);
  });

  it('sent twice is entered once', async () => {
    const once = { ...command('write-note', { id: 'n2', about: 'job', aboutId: 'c', words: 'twice', picture: null }) };
    for (let i = 0; i < 2; i++) expect((await server.send('/notes', once)).status).toBe(200);
    expect((await notes()).filter(({ id }) => id === 'n2')).toHaveLength(1);
  });

  it.each([
    ['no picture at all', { jpeg: Buffer.from('hello').toString('base64') }],
    ['no text', { jpeg: 7 }],
    ['another act', command('drop-note', { id: 'n1' })],
    ['nothing', { command: null }],
  ])('%s: one plain sentence, and nothing is entered', async (_, more) => {
    const before = (await notes()).length;
    const { status, body } = await write('n3', more);
    expect(status).toBe(400);
    expect((body as ErrorAnswer).words).toMatch(/\.$/);
    expect(await notes()).toHaveLength(before);
  });

  it('of what is not there it is refused; a list of nothing is empty', async () => {
    expect((await write('n4', {}, { aboutId: 'nowhere' })).status).toBe(409);
    expect((await server.send('/notes/sheet/S1')).body).toMatchObject({ notes: [] });
    expect((await server.send('/notes/weather/S1')).status).toBe(404);
  });
});
