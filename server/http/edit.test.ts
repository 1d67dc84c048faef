import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { CartoonAnswer, ErrorAnswer, HistoryAnswer, PanelAnswer, PanelEdit } from '#contract';
import { standingOf, type PanelRow } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { doc } from '../../core/test/panels.ts';
import { checkStudio } from '../checkStudio.ts';
import { command, testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let n = 0;
let id = '';
const send = async (kind: string, ask: unknown) => server.send('/commands', command(kind, ask));
const envelope = () => ({ ...command('', null), command: undefined, basis: server.desk.seq });
const edit = (change: PanelEdit, more: Record<string, unknown> = {}) =>
  server.send(`/panels/${id}/edit`, { ...envelope(), edit: change, ...more });
const take = (source: string, more: Record<string, unknown> = {}) =>
  server.send(`/panels/${id}/cartoon`, { ...envelope(), source, sourceName: 'four.svg', ...more });
const panel = () => server.desk.state.get('panels', id);
const rows = async () => ((await server.send(`/panels/${id}`)).body as PanelAnswer).pieces;
const drawing = async () =>
  ({
    ...((await server.send(`/drawings/${panel()?.cartoonId}`)).body as object),
    ...((await server.send(`/drawings/${panel()?.cartoonId}/study`)).body as object),
  }) as CartoonAnswer;
const soldered = () => standingOf(server.desk.state, panel() as PanelRow).soldered;

const FOUR = doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M50 0V80"/><path d="M0 40H50"/><path d="M50 40H100"/>');

beforeAll(async () => {
  server = await testServer();
  await send('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 6000, active: true });
  await send('save-commission', { id: 'c', title: 'Set', client: '', due: null, note: '' });
  const glass = { code: 'G-1', name: 'g', colour: '#336655', texture: 'seedy', thicknessMm: 3, hiding: 'clear' };
  await send('save-glass', { id: 'g', ...glass, flow: false, priceCentsPerM2: 10_000 });
  const sheet = { glassId: 'g', kind: 'sheet', widthMm: 900, heightMm: 900, place: '', costCents: 1 };
  await send('receive', { label: 'S', ...sheet });
});
afterAll(() => server.stop());
beforeEach(async () => {
  id = `p${n++}`;
  const allowance = DEFAULT_ALLOWANCE.foil;
  const size = { widthMm: 100, heightMm: 80 };
  await send('save-panel', { id, commissionId: 'c', name: id, technique: 'foil', ...size, allowance });
  expect((await take(FOUR)).status).toBe(200);
  await send('choose-glass', { panelId: id, numbers: [1, 2, 3, 4], glassId: 'g' });
});

const takeBack = () => {
  const { basis: _, ...who } = envelope();
  return server.send('/put-back', { ...who, direction: 'undo', place: { panelId: id } });
};
const cut = (...numbers: number[]) =>
  send('cut', { panelId: id, sources: [{ stockId: 'S', numbers, left: { kind: 'stays' } }] });

describe('light changes over the wire', () => {
  it('true size: the panel, its pieces and its drawing grow alike; undo takes all back', async () => {
    expect((await edit({ kind: 'scale', factor: 2 })).status).toBe(200);
    expect(panel()).toMatchObject({ widthMm: 200, heightMm: 160 });
    expect((await rows())[0]?.widthMm).toBeCloseTo(99.6, 1);
    expect((await drawing()).cartoon.pieces[0]?.areaMm2).toBeCloseTo(8000, 3);
    expect((await takeBack()).status).toBe(200);
    expect(panel()).toMatchObject({ widthMm: 100, heightMm: 80 });
    expect((await drawing()).cartoon.pieces[0]?.areaMm2).toBeCloseTo(2000, 3);
  });
  it('a line divides a piece: its larger part keeps number and glass, the new one has none yet', async () => {
    const answer = await edit({
      kind: 'add-line',
      points: [
        [0, 10],
        [50, 10],
      ],
    });
    expect(answer.status).toBe(200);
    expect((await rows()).map((p) => [p.number, p.glassId])).toEqual([
      [1, 'g'],
      [2, 'g'],
      [3, 'g'],
      [4, 'g'],
      [5, null],
    ]);
    const { lines } = (await server.send(`/panels/${id}/history`)).body as HistoryAnswer;
    expect(lines[0]?.words).toBe('line added: pieces 1, 5');
  });
  it('not through glass that is cut: told by number, nothing changed', async () => {
    await cut(1);
    const before = panel()?.cartoonId;
    const change: PanelEdit = {
      kind: 'add-line',
      points: [
        [0, 10],
        [50, 10],
      ],
    };
    const { status, body } = await edit(change);
    expect([status, (body as ErrorAnswer).words]).toEqual([409, expect.stringContaining('cut already (1)')]);
    expect(panel()?.cartoonId).toBe(before);
    expect((await edit({ kind: 'scale', factor: 2 })).status).toBe(409);
  });
  it('a moved joint marks what is cut, to be held against the new outline', async () => {
    await cut(1);
    const { map } = (await drawing()).cartoon;
    const node = map.nodes.findIndex(([x, y]) => x === 50 && y === 40);
    expect((await edit({ kind: 'move-node', node, to: [54, 43] })).status).toBe(200);
    expect((await rows()).map((p) => p.recheck)).toEqual([true, false, false, false]);
  });
  it('a wider gap at one line: the glass on both sides is cut smaller, the rest is not touched', async () => {
    const { cartoon, cuts } = await drawing();
    const line = cartoon.map.lines.findIndex(
      ({ points }) => points.every(([x]) => x === 50) && points.some(([, y]) => y < 1),
    );
    const before = panel()?.allowance;
    expect((await edit({ kind: 'profile', lines: [line], profile: 'f3' })).status).toBe(200);
    const after = (await drawing()).cuts;
    const shrunk = after.filter((c, i) => c.areaMm2 < (cuts[i]?.areaMm2 ?? 0) - 1).map((c) => c.number);
    expect(shrunk).toEqual([1, 2]);
    expect(panel()?.allowance).toEqual(before);
  });
  it('what all lines take up changes the cut outlines at once', async () => {
    const allowance = { ...DEFAULT_ALLOWANCE.foil, gapMm: 2 };
    expect((await edit({ kind: 'allowance', allowance })).status).toBe(200);
    expect(panel()?.allowance.gapMm).toBe(2);
    expect((await drawing()).cuts[0]?.areaMm2).toBeCloseTo(49 * 39, 1);
  });
  it('numbers: what is on glass, or locked, stays', async () => {
    await cut(1);
    await send('mark', { panelId: id, numbers: [2], locked: true });
    const before = new Map((await drawing()).cartoon.pieces.map((p) => [p.number, p.centroid]));
    expect((await edit({ kind: 'renumber', order: 'outwards' })).status).toBe(200);
    const after = new Map((await drawing()).cartoon.pieces.map((p) => [p.number, p.centroid]));
    expect([after.get(1), after.get(2)]).toEqual([before.get(1), before.get(2)]);
    const { status, body } = await edit({ kind: 'number', from: 3, to: 1 });
    expect([status, (body as ErrorAnswer).words]).toEqual([422, expect.stringContaining('on glass')]);
  });
  it('the same drawing fitted to another panel of the set', async () => {
    const from = id;
    id = `p${n++}`;
    const size = { widthMm: 10, heightMm: 10 };
    await send('save-panel', {
      id,
      commissionId: 'c',
      name: id,
      technique: 'foil',
      ...size,
      allowance: DEFAULT_ALLOWANCE.foil,
    });
    expect((await edit({ kind: 'fit', widthMm: 160, heightMm: 80, borderMm: 10, from })).status).toBe(200);
    expect(panel()).toMatchObject({ widthMm: 160, heightMm: 80, pieceCount: 4 });
    expect(await rows()).toHaveLength(4);
  });
  it('another light of the set is one wish: made and drawn in one act, and taken back in one', async () => {
    const from = id;
    id = `p${n++}`;
    const size = { widthMm: 160, heightMm: 80 };
    const wish = { commissionId: 'c', name: 'Upper', technique: 'foil', ...size, allowance: DEFAULT_ALLOWANCE.foil };
    const before = server.desk.seq;
    expect((await edit({ kind: 'fit', ...size, borderMm: 10, from }, { panel: wish })).status).toBe(200);
    expect(server.desk.seq).toBe(before + 1);
    expect(panel()).toMatchObject({ name: 'Upper', widthMm: 160, pieceCount: 4 });
    expect((await takeBack()).status).toBe(200);
    expect(panel()).toBeUndefined();
    expect((await edit({ kind: 'fit', ...size, borderMm: 10, from })).status).toBe(404);
  });
  it('two changes made from one drawing do not lose the first', async () => {
    const line = (y: number): PanelEdit => ({
      kind: 'add-line',
      points: [
        [0, y],
        [50, y],
      ],
    });
    const both = await Promise.all([edit(line(10)), edit(line(30))]);
    const taken = both.filter((answer) => answer.status === 200).length;
    expect(taken).toBeGreaterThan(0);
    expect(both.every((answer) => [200, 409].includes(answer.status))).toBe(true);
    expect(panel()?.pieceCount).toBe(4 + taken);
  });
  it.each([
    [{ kind: 'take-line', line: 999 }, 422],
    [{ kind: 'move-node', node: 0, to: [1, Number.NaN] }, 400],
    [{ kind: 'scale', factor: -1 }, 400],
    [{ kind: 'profile', lines: [0], profile: 'steel' }, 400],
    [{ kind: 'paint' }, 400],
  ])('%j is answered with a plain sentence', async (change, status) => {
    const answer = await edit(change as PanelEdit);
    expect(answer.status).toBe(status);
    expect((answer.body as ErrorAnswer).words).toMatch(/\.$/);
  });
});

describe('a drawing brought in again', () => {
  const NEXT = doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M55 0V80"/><path d="M0 40H100"/><path d="M0 20H55"/>');
  it('keeps glass and history of what stays, and marks what is cut to another outline', async () => {
    await cut(1, 4);
    expect((await take(NEXT)).status).toBe(200);
    const after = await rows();
    expect(after.filter((p) => p.glassId === 'g').map((p) => p.number)).toEqual([1, 2, 3, 4]);
    expect(after.find((p) => p.number === 4)).toMatchObject({ stage: 'cut', recheck: true });
    expect(after.map((p) => p.number)).toEqual([1, 2, 3, 4, 5]);
  });
  it('does not drop glass in hand unless it is told to', async () => {
    await cut(1, 2, 3, 4);
    const other = doc(100, 80, '<path d="M0 0H100V80H0Z"/><path d="M50 0V80"/>');
    expect((await take(other)).status).toBe(409);
    expect((await rows()).length).toBe(4);
    const gone = (await rows()).map((p) => p.number);
    expect((await take(other, { letGo: gone })).status).toBe(200);
    expect((await rows()).length).toBe(2);
  });
  it('twice the same command counts once', async () => {
    const once = { ...envelope(), source: NEXT, sourceName: 'n.svg' };
    const first = (await server.send(`/panels/${id}/cartoon`, once)).body;
    const second = (await server.send(`/panels/${id}/cartoon`, once)).body;
    expect([(first as { again: boolean }).again, (second as { again: boolean }).again]).toEqual([false, true]);
  });
});

it('after all of this the log still equals the rows', async () => {
  expect(checkStudio(server.store)).toEqual([]);
  expect([...server.desk.state.all('panels')].length).toBeGreaterThan(10);
});

describe('joints that are soldered', () => {
  it('stay soldered under their new numbers when a line is added elsewhere', async () => {
    await cut(1, 2, 3, 4);
    for (const to of ['ground', 'foiled', 'in-place'])
      await send('advance', { panelId: id, numbers: [1, 2, 3, 4], to });
    const { joints } = (await drawing()).cartoon;
    const middle = joints.find((j) => j.at[0] === 50 && j.at[1] === 40);
    await send('solder-joints', { panelId: id, side: 'front', joints: [middle?.number] });
    expect(soldered().front).toEqual([middle?.number]);
    const { map } = (await drawing()).cartoon;
    const node = map.nodes.findIndex(([x, y]) => x === 50 && y === 0);
    expect((await edit({ kind: 'move-node', node, to: [58, 0] })).status).toBe(200);
    const now = (await drawing()).cartoon.joints.find((j) => j.at[0] === 50 && j.at[1] === 40);
    expect(now?.id).toBe(middle?.id);
    expect(soldered().front).toEqual([now?.number]);
  });
  it('a joint that moved far has to be soldered again', async () => {
    await cut(1, 2, 3, 4);
    for (const to of ['ground', 'foiled', 'in-place'])
      await send('advance', { panelId: id, numbers: [1, 2, 3, 4], to });
    const { joints, map } = (await drawing()).cartoon;
    const middle = joints.find((j) => j.at[0] === 50 && j.at[1] === 40);
    await send('solder-joints', { panelId: id, side: 'back', joints: [middle?.number] });
    const node = map.nodes.findIndex(([x, y]) => x === 50 && y === 40);
    expect((await edit({ kind: 'move-node', node, to: [56, 45] })).status).toBe(200);
    const now = (await drawing()).cartoon.joints.find((j) => j.at[0] === 56 && j.at[1] === 45);
    expect(now?.id).toBe(middle?.id);
    expect(soldered().back).toEqual([]);
  });
});

it('the original is given back under the kind of file it came as', async () => {
  const named = async () =>
    (await fetch(`${server.base}/api/drawings/${panel()?.cartoonId}/source`)).headers.get('content-disposition');
  expect(await named()).toContain('drawing.svg');
  const square = '10\n0\n20\n0\n10\n90\n20\n0\n10\n90\n20\n60\n10\n0\n20\n60\n';
  const dxf = `0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n8\n0\n90\n4\n70\n1\n${square}0\nENDSEC\n0\nEOF\n`;
  expect((await take(dxf, { sourceName: 'one.dxf' })).status).toBe(200);
  expect(await named()).toContain('drawing.dxf');
});
