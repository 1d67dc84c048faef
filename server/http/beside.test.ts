import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { BesideAnswer, PanelAnswer, RackAnswer } from '#contract';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { paneNet } from '../../core/test/panels.ts';
import { command, testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

const ok = async (kind: string, ask: unknown) =>
  expect((await server.send('/commands', command(kind, ask))).status).toBe(200);
const besideOf = async (id: string) => ((await server.send(`/panels/${id}/beside`)).body as BesideAnswer).panels;

/** A panel of four panes of one glass. */
async function panel(id: string, commissionId: string, glassId: string, route?: string): Promise<void> {
  const size = { widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.lead };
  await ok('save-panel', { id, commissionId, name: id, technique: 'lead', ...size });
  if (route) await ok('follow-route', { panelId: id, route });
  const envelope = { ...command('', null), command: undefined };
  const source = paneNet(2, 2, 60);
  expect((await server.send(`/panels/${id}/cartoon`, { ...envelope, source, sourceName: 'net.svg' })).status).toBe(200);
  await ok('choose-glass', { panelId: id, numbers: [1, 2, 3, 4], glassId });
}

describe('panels that may be laid out together', () => {
  it('wait for pieces of the same glass and are in hand; those on one sheet are, already', async () => {
    for (const id of ['c', 'd'])
      await ok('save-commission', { id, title: `Job ${id}`, client: '', due: null, note: '' });
    const look = { colour: '#336655', texture: 'seedy', thicknessMm: 3, hiding: 'clear', flow: false };
    for (const id of ['g', 'h'])
      await ok('save-glass', { id, code: `${id}-1`, name: id, ...look, priceCentsPerM2: 10_000 });
    const sheet = { glassId: 'g', kind: 'sheet', widthMm: 500, heightMm: 100, place: '', costCents: 1 };
    await ok('receive', { label: 'S', ...sheet });
    await panel('p', 'c', 'g');
    await panel('q', 'd', 'g');
    await panel('set', 'c', 'g');
    await panel('other', 'c', 'h');
    expect((await besideOf('p')).map(({ id, isSet, pieces, isBeside }) => [id, isSet, pieces, isBeside])).toEqual([
      ['set', true, 4, false],
      ['q', false, 4, false],
    ]);
    const lies = { turnedOver: false, rotationDeg: 0, y: 0, byHand: false };
    const pieces = [
      { ...lies, number: 1, x: 0, at: [50, 50] },
      { ...lies, number: 2, panelId: 'q', x: 100, at: [150, 50] },
    ];
    await ok('lay-out', {
      panelId: 'p',
      sheets: [{ stockId: 'S', breaks: [{ from: [100, 0], to: [100, 100] }], pieces }],
    });
    expect((await besideOf('p')).map(({ id, isBeside }) => [id, isBeside])).toEqual([
      ['set', false],
      ['q', true],
    ]);
    const q = (await server.send('/panels/q')).body as PanelAnswer;
    expect(q.pieces.map((piece) => piece.spot?.stockId ?? null)).toEqual([null, 'S', null, null]);
    await ok('put-away', { table: 'panels', id: 'q', as: 'archived' });
    expect((await besideOf('p')).map(({ id }) => id)).toEqual(['set']);
  });

  it('for their second glasses as well: those are told by their labels, and wait by themselves', async () => {
    await panel('two', 'c', 'h', 'lead-layered');
    const second = { panelId: 'two', numbers: [1, 2] };
    await ok('ask-steps', { ...second, steps: ['plated'] });
    await ok('choose-back', { ...second, glassId: 'g' });
    expect((await besideOf('set')).map(({ id, pieces, isBeside }) => [id, pieces, isBeside])).toEqual([
      ['p', 4, false],
      ['two', 2, false],
    ]);
    await ok('receive', {
      label: 'S2',
      glassId: 'g',
      kind: 'sheet',
      widthMm: 300,
      heightMm: 100,
      place: '',
      costCents: 1,
    });
    const lies = { turnedOver: false, rotationDeg: 0, y: 0, byHand: false };
    await ok('lay-out', {
      panelId: 'two',
      sheets: [
        {
          stockId: 'S2',
          breaks: [{ from: [100, 0], to: [100, 100] }],
          pieces: [
            { ...lies, number: 1, of: 'back', x: 0, at: [50, 50] },
            { ...lies, number: 3, panelId: 'set', x: 100, at: [150, 50] },
          ],
        },
      ],
    });
    expect((await besideOf('set')).find(({ id }) => id === 'two')).toMatchObject({ isBeside: true });
    const { laid } = (await server.send('/rack')).body as RackAnswer;
    expect(laid.filter(({ stockId }) => stockId === 'S2').map(({ panelId, names }) => [panelId, names])).toEqual([
      ['set', ['3']],
      ['two', ['1b']],
    ]);
  });
});
