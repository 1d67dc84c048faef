import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { TABLE_NAMES } from '#core/bench';
import { basisOf } from './basis.ts';
import { askedAgain, Heard, heard } from './freshness.ts';

let client: QueryClient;
beforeEach(() => {
  client = new QueryClient();
});
const asked = (spy: { mock: { calls: unknown[][] } }) =>
  spy.mock.calls
    .filter(([filter]) => filter === undefined || 'queryKey' in (filter as object))
    .map(([filter]) => (filter as { queryKey?: unknown } | undefined)?.queryKey ?? 'everything');

describe('what is asked again after a change', () => {
  it('a mark on pieces: that panel, the lists that show it, its history; not the rack, not the studio', () => {
    const keys = askedAgain({ pieces: ['heron'], panels: ['heron', 'job-1'] });
    expect(keys).toContainEqual(['panel', 'heron']);
    expect(keys).toContainEqual(['today']);
    expect(keys).toContainEqual(['history', 'heron']);
    expect(keys.map(([name]) => name)).not.toContain('rack');
    expect(keys.map(([name]) => name)).not.toContain('studio');
  });
  it('a stock move: the rack and what runs short, no panel', () => {
    expect(askedAgain({ stock: ['S1'], moves: ['S1'] })).toEqual([
      ['rack'],
      ['today'],
      ['away'],
      ['paper'],
      ['undo', 'rack'],
      ['ledger', 'S1'],
    ]);
  });
  it('every table of the studio has its questions; one that nobody knows is passed over', () => {
    for (const table of TABLE_NAMES) expect(askedAgain({ [table]: ['x'] }), table).not.toEqual([]);
    expect(askedAgain({ somewhere: ['x'] })).toEqual([]);
  });
});

describe('what a screen has heard', () => {
  it('fetches a change once, whether the stream or the answer comes first', async () => {
    const spy = vi.spyOn(client, 'invalidateQueries');
    const ears = new Heard();
    await Promise.all([ears.change(client, 7, { stock: [] }), ears.change(client, 7, { stock: [] })]);
    expect(asked(spy)).toEqual([['rack'], ['today'], ['away'], ['paper'], ['undo', 'rack']]);
    expect(ears.last).toBe(7);
  });
  it('a first answer that was on its way before the change is asked for again', async () => {
    const answers = [6, 7];
    let asks = 0;
    let first: () => void = () => undefined;
    const observer = new QueryObserver(client, {
      queryKey: ['rack'],
      queryFn: async () => {
        const seq = answers[asks++];
        if (asks === 1) await new Promise<void>((arrives) => (first = arrives));
        return { seq };
      },
      staleTime: 60_000,
    });
    const leave = observer.subscribe(() => undefined);
    const heardOf = new Heard().change(client, 7, { stock: [] });
    first();
    await heardOf;
    expect(client.getQueryData(['rack'])).toEqual({ seq: 7 });
    expect(asks).toBe(2);
    leave();
  });
  describe('rows that a change tells', () => {
    // As the server tells it: a panel's row belongs to its commission too.
    const touched = { pieces: ['p'], panels: ['p', 'job'] };
    const told = (stage: string) => ({ panelId: 'p', rows: { pieces: [{ id: 'p/1', rev: 0, stage }] } });
    const panel = () => client.getQueryData<{ seq: number; pieces: { stage: string }[] }>(['panel', 'p']);
    const begun = () => {
      client.setQueryData(['panel', 'p'], { seq: 4, pieces: [{ id: 'p/1', stage: 'uncut' }, { id: 'p/2' }] });
      const ears = new Heard();
      ears.begin(client, 4, 'db');
      return ears;
    };
    it('are shown at once, and the panel is not fetched; another piece stays the very row it was', async () => {
      const ears = begun();
      const spy = vi.spyOn(client, 'invalidateQueries');
      const other = panel()?.pieces[1];
      await ears.change(client, 5, touched, told('cut'));
      expect(panel()).toMatchObject({ seq: 5, pieces: [{ stage: 'cut' }, {}] });
      expect(panel()?.pieces[1]).toBe(other);
      expect(asked(spy)).not.toContainEqual(['panel', 'p']);
      expect(asked(spy)).toContainEqual(['history', 'p']);
      // The history of the piece that was marked, and of no other one.
      expect(asked(spy)).toContainEqual(['piece', 'p/1']);
      expect(asked(spy)).not.toContainEqual(['piece']);
    });
    it('are not put onto an answer that may lack what came between: then all is fetched', async () => {
      const ears = begun();
      const spy = vi.spyOn(client, 'invalidateQueries');
      await ears.change(client, 6, touched, told('ground'));
      expect(panel()?.pieces[0]).toMatchObject({ stage: 'uncut' });
      expect(asked(spy)).toContainEqual(['panel', 'p']);
      // The one between comes late; what is being fetched is not written over with it.
      await ears.change(client, 5, touched, told('cut'));
      expect(panel()?.pieces[0]).toMatchObject({ stage: 'uncut' });
    });
    it('older than the answer are not put onto it', async () => {
      const ears = begun();
      await ears.change(client, 3, touched, told('broken'));
      expect(panel()).toMatchObject({ seq: 4, pieces: [{ stage: 'uncut' }, {}] });
    });
  });
  it('a change that comes late is not taken for one that is known', async () => {
    const spy = vi.spyOn(client, 'invalidateQueries');
    const ears = new Heard();
    await ears.change(client, 9, { stock: [] });
    await ears.change(client, 8, { settings: [] });
    expect(asked(spy)).toContainEqual(['studio']);
    expect(ears.last).toBe(9);
  });
  it('after a gap in the stream everything is fetched; after none nothing is', () => {
    const spy = vi.spyOn(client, 'invalidateQueries');
    const ears = new Heard();
    ears.begin(client, 5, 'db');
    ears.begin(client, 5, 'db');
    expect(asked(spy)).toEqual([]);
    ears.begin(client, 6, 'db');
    expect(asked(spy)).toEqual(['everything']);
  });
  it('what the browser kept from before the page was loaded is fetched anew when the line opens, and no more', () => {
    const mine = new QueryClient();
    mine.setQueryData(['today'], { seq: 3 });
    mine.setQueryData(['rack'], { seq: 5 });
    mine.setQueryData(['sketch', 'x'], { lines: [] });
    const ears = new Heard();
    ears.begin(mine, 5, 'db');
    const isOld = (key: string[]) => mine.getQueryState(key)?.isInvalidated;
    expect([isOld(['today']), isOld(['rack']), isOld(['sketch', 'x'])]).toEqual([true, false, false]);
  });
  it('an older database put back: the screen starts afresh, also from a lower position', () => {
    const spy = vi.spyOn(client, 'invalidateQueries');
    const ears = new Heard();
    ears.begin(client, 50, 'db');
    ears.begin(client, 20, 'another');
    expect(asked(spy)).toEqual(['everything']);
    expect(ears.last).toBe(20);
  });
});

describe('the position that a command was decided on', () => {
  const mark = { kind: 'mark', ask: { panelId: 'p', numbers: [1], locked: true } } as const;
  beforeEach(() => heard.begin(client, 0, crypto.randomUUID()));
  it('an answer that no change has touched holds up to the last one heard of', () => {
    client.setQueryData(['panel', 'p'], { seq: 10 });
    void heard.change(client, 25, {});
    expect(basisOf(client, mark)).toBe(25);
  });
  it('one that is to be asked again is as old as it says', async () => {
    client.setQueryData(['panel', 'p'], { seq: 10 });
    await heard.change(client, 26, { pieces: ['p'] });
    expect(basisOf(client, mark)).toBe(10);
  });
  it('cutting looks at the rack too', async () => {
    client.setQueryData(['panel', 'p'], { seq: 30 });
    client.setQueryData(['rack'], { seq: 4 });
    await heard.change(client, 31, { stock: ['S1'] });
    const cut = { kind: 'cut', ask: { panelId: 'p', sources: [] } } as const;
    expect(basisOf(client, cut)).toBe(4);
    expect(basisOf(client, mark)).toBe(31);
  });
  it('setting up looks at the studio', async () => {
    client.setQueryData(['studio'], { seq: 3 });
    await heard.change(client, 40, { people: [] });
    expect(basisOf(client, { kind: 'change-settings', ask: { unit: 'in' } })).toBe(3);
  });
});
