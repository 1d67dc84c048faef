import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import type { Accepted, PanelAnswer, RackAnswer } from '#contract';
import { SHIPPED_ROUTES } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { seededRandom } from '#core/units';
import { paneNet } from '../core/test/panels.ts';
import { randomWork } from '../core/test/randomWork.ts';
import { smallStudio } from '../core/test/smallStudio.ts';
import { checkStudio } from './checkStudio.ts';
import { readName } from './copies/names.ts';
import { bookedWith } from './shelf.ts';
import { Store } from './store/store.ts';
import { MIGRATIONS } from './testServer.ts';

/** `npm run storm` runs it at its full size: 10,000 commands and 50 kills. */
const [COMMANDS = 1200, KILLS = 8] = (process.env.NELVIK_STORM ?? '').split(',').flatMap((n) => Number(n) || []);
const PANELS = ['p', 'q', 'r'] as const;
const MAIN = fileURLToPath(new URL('../.cache/test-server/main.mjs', import.meta.url));

/** A server that is killed and started again on one folder, always at the same address. */
class Mortal {
  readonly folder = mkdtempSync(join(tmpdir(), 'nelvik-storm-'));
  #child: ChildProcess | null = null;
  base = '';

  async start(): Promise<void> {
    const port = this.base === '' ? '0' : new URL(this.base).port;
    const child = spawn(process.execPath, [MAIN], {
      env: { ...process.env, NELVIK_DATA: this.folder, PORT: port, HOST: '127.0.0.1' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.#child = child;
    this.base = await new Promise((up, failed) => {
      child.stdout.on('data', (text: Buffer) => {
        const address = /http:\/\/[\d.]+:\d+/.exec(text.toString());
        if (address) up(address[0]);
      });
      child.once('exit', () => failed(new Error('the server stopped before it was up')));
    });
  }

  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await gone;
  }
}

interface Asked {
  readonly commandId: string;
  readonly path: string;
  readonly body: object;
}

/** What somebody at a tablet does: steps wait in a queue, go in order, and each is sent until it is answered. */
class Client {
  readonly #server: Mortal;
  readonly #random: () => number;
  readonly #name: string;
  readonly #queue: Asked[] = [];
  /** Log positions by the ids of what was acknowledged, in the order of asking. */
  readonly taken = new Map<string, number>();
  readonly refused = new Set<string>();
  cut = 0;
  faults = 0;
  /** Up to where this tablet knows the studio, and what it knows of its panel and the rack. */
  seen = 0;
  pieces: PanelAnswer['pieces'] = [];
  stock: RackAnswer['stock'] = [];

  constructor(
    server: Mortal,
    name: string,
    readonly panel: string,
    seed: number,
  ) {
    this.#server = server;
    this.#name = name;
    this.#random = seededRandom(seed);
  }

  ask(path: string, body: object): void {
    const commandId = `${this.#name}-${String(this.taken.size + this.refused.size + this.#queue.length).padStart(6, '0')}`;
    this.#queue.push({ commandId, path, body: { ...body, commandId, bench: this.#name } });
  }

  async sendAll(): Promise<void> {
    for (let step = this.#queue[0]; step; step = this.#queue[0]) {
      if (await this.#send(step)) this.#queue.shift();
      else await new Promise((done) => setTimeout(done, 5 + 40 * this.#random()));
    }
  }

  /** What a screen does when it hears of changes. */
  async look(): Promise<void> {
    try {
      const get = async <T>(path: string) => {
        const response = await fetch(`${this.#server.base}/api${path}`);
        // What was put away meanwhile is not there to be looked at.
        if (!response.ok) throw new Error(`${path}: ${response.status}`);
        return (await response.json()) as T;
      };
      const { seq, stock } = await get<RackAnswer>('/rack');
      const { pieces } = await get<PanelAnswer>(`/panels/${this.panel}`);
      Object.assign(this, { seen: seq, stock, pieces });
    } catch {
      // It is away, or what it asks for is; then it knows what it knew.
    }
  }

  /** Every ninth time the connection is cut while the command is under way. */
  async #send({ commandId, path, body }: Asked): Promise<boolean> {
    const cut = new AbortController();
    if (this.#random() < 1 / 9) setTimeout(() => cut.abort(), 12 * this.#random());
    try {
      const response = await fetch(`${this.#server.base}/api${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: cut.signal,
      });
      const answer = (await response.json()) as Accepted;
      if (response.status === 200) this.taken.set(commandId, answer.seq);
      else this.refused.add(commandId);
      if (response.status >= 500) this.faults++;
      return true;
    } catch {
      if (cut.signal.aborted) this.cut++;
      return false;
    }
  }
}

it(`${COMMANDS} commands of all kinds from three tablets, ${KILLS} kills: nothing lost, nothing doubled, rows equal the log`, async () => {
  const server = new Mortal();
  const begun = Date.now();
  try {
    await server.start();
    const office = new Client(server, 'office', 'p', 1);
    const s = smallStudio();
    const source = paneNet(4, 5, 30);
    setUp(office, s, source);
    await office.sendAll();
    expect([...office.refused]).toEqual([]);

    const clients = PANELS.map((panel, i) => new Client(server, `tablet-${i + 1}`, panel, 10 + i));
    const all = [office, ...clients];
    const count = () => all.reduce((sum, c) => sum + c.taken.size + c.refused.size, 0);
    let asked = 0;
    const working = clients.map(async (client, i) => {
      const work = randomWork(s, 'foil', 50 + i);
      const random = seededRandom(90 + i);
      await client.look();
      while (asked < COMMANDS) {
        // A few at a time, and sometimes what gathered while nobody answered.
        const burst = 1 + Math.floor((random() < 0.1 ? 25 : 4) * random());
        for (let n = 0; n < burst; n++) asked += askAnything(client, work, random, source);
        await client.sendAll();
        if (random() < 0.9) await client.look();
      }
    });
    let isOver = false;
    const finished = Promise.all(working).then(() => (isOver = true));
    const copying = copies(server, () => isOver);
    let kills = 0;
    const killing = (async () => {
      while (!isOver && kills < KILLS) {
        const until = count() + COMMANDS / (KILLS + 1);
        while (!isOver && count() < until) await new Promise((done) => setTimeout(done, 3));
        if (isOver) return;
        await server.kill();
        kills++;
        await server.start();
      }
    })();
    await Promise.all([finished, killing]);
    const made = await copying;
    await server.kill('SIGTERM');

    const store = new Store(server.folder, MIGRATIONS);
    const log = [...store.book.entries()];
    const wrong = checkStudio(store);
    store.close();
    const seqs = new Map(log.map((entry) => [entry.commandId, entry.seq]));
    const lost = all.flatMap((c) => [...c.taken].filter(([id, seq]) => seqs.get(id) !== seq));
    const known = new Set(all.flatMap((c) => [...c.taken.keys()]));
    // What a command books along with it is its own.
    const along = new Set([...known].map(bookedWith));
    const doubled = log.filter(({ commandId }) => !known.has(commandId) && !along.has(commandId));
    const kinds = new Set(log.map((entry) => entry.happening.kind));
    const figures = {
      commands: count(),
      taken: known.size,
      refused: all.reduce((sum, c) => sum + c.refused.size, 0),
      kills,
      cut: all.reduce((sum, c) => sum + c.cut, 0),
      copies: made.length,
      kinds: kinds.size,
      lost: lost.length,
      doubled: doubled.length,
      wrong: wrong.length,
      seconds: Math.round((Date.now() - begun) / 1000),
    };
    process.stdout.write(`storm: ${JSON.stringify(figures)}\n`);
    expect([lost, doubled, wrong]).toEqual([[], [], []]);
    expect(kills).toBe(KILLS);
    expect(all.reduce((sum, c) => sum + c.faults, 0)).toBe(0);
    expect(figures.taken).toBeGreaterThan(COMMANDS / 5);
    expect(kinds.size).toBeGreaterThanOrEqual(20);
    for (const client of all) {
      const order = [...client.taken.values()];
      expect(order).toEqual([...order].sort((a, b) => a - b));
    }
    expect(made.length).toBeGreaterThan(0);
    for (const copy of made) expect(inCopy(server.folder, copy)).toEqual([]);
  } finally {
    await server.kill();
    rmSync(server.folder, { recursive: true, force: true });
  }
}, 900_000);

interface Copy {
  readonly name: string;
  /** Entries that were acknowledged before it was asked for. */
  readonly least: number;
}

/** Copies made while all this goes on; a kill may end one half way, and nothing of it may be found under a copy's name. */
async function copies(server: Mortal, isOver: () => boolean): Promise<Copy[]> {
  const made: Copy[] = [];
  while (!isOver()) {
    try {
      const { seq: least } = (await (await fetch(`${server.base}/api/jobs`)).json()) as { seq: number };
      const response = await fetch(`${server.base}/api/copies`, { method: 'POST' });
      const { copies: list } = (await response.json()) as { copies: { name: string }[] };
      const [newest] = list;
      if (newest) made.push({ name: newest.name, least });
    } catch {
      // It was killed under it.
    }
    await new Promise((done) => setTimeout(done, 700));
  }
  const lying = readdirSync(join(server.folder, 'copies')).filter((name) => readName(name) !== null);
  return lying.map((name) => ({ name, least: made.find((m) => m.name === name)?.least ?? 0 }));
}

/** What is wrong in a copy. */
function inCopy(folder: string, { name, least }: Copy): string[] {
  const place = mkdtempSync(join(tmpdir(), 'nelvik-storm-copy-'));
  copyFileSync(join(folder, 'copies', name), join(place, 'nelvik.sqlite'));
  const store = new Store(place, MIGRATIONS);
  try {
    const wrong = checkStudio(store);
    const entries = store.book.lastSeq();
    return entries < least ? [...wrong, `${name} holds ${entries} entries of ${least}`] : wrong;
  } finally {
    store.close();
    rmSync(place, { recursive: true, force: true });
  }
}

const at = { personId: null, basis: 0 };

/** The small studio of the rules' tests, with a real drawing. */
function setUp(office: Client, s: ReturnType<typeof smallStudio>, source: string): void {
  const all = (kind: string, ask: object) => office.ask('/commands', { ...at, command: { kind, ask } });
  for (const { rev: _, away: __, awayAt: ___, ...person } of s.studio.all('people')) all('save-person', person);
  for (const { rev: _, away: __, awayAt: ___, ...glass } of s.studio.all('glasses')) all('save-glass', glass);
  for (const id of ['c', 'd']) all('save-commission', { id, title: id, client: '', due: null, note: '' });
  const size = { widthMm: 100, heightMm: 100 };
  all('save-route', { key: 'foil', name: 'With paint', technique: 'foil', steps: paintedSteps() });
  for (const id of PANELS)
    all('save-panel', {
      id,
      commissionId: 'c',
      name: id,
      technique: 'foil',
      ...size,
      allowance: DEFAULT_ALLOWANCE.foil,
    });
  for (const { id: label, glassId, kind, place } of s.studio.all('stock'))
    all('receive', { label, glassId, kind, widthMm: 900, heightMm: 900, place, costCents: 500 });
  for (const id of PANELS) office.ask(`/panels/${id}/cartoon`, { ...at, source, sourceName: 'p.svg' });
  // One of the panels is soldered and finished, and some of its pieces are painted.
  const panelId = 'r';
  const numbers = Array.from({ length: 20 }, (_, i) => i + 1);
  all('ask-steps', { panelId, numbers: [1, 2], steps: ['painted'] });
  all('choose-glass', { panelId, numbers, glassId: 'blue' });
  all('receive', {
    label: 'LARGE',
    glassId: 'blue',
    kind: 'sheet',
    widthMm: 900,
    heightMm: 900,
    place: '',
    costCents: 9,
  });
  all('cut', { panelId, sources: [{ stockId: 'LARGE', numbers, left: { kind: 'stays' } }] });
  for (const to of ['ground', 'painted', 'foiled', 'in-place']) {
    const those = to === 'painted' ? [1, 2] : numbers;
    all('advance', { panelId, numbers: those, to });
  }
}

/** One of the acts, an undo, or a change of the drawing. @returns 1 */
function askAnything(
  client: Client,
  work: ReturnType<typeof randomWork>,
  random: () => number,
  source: string,
): number {
  const facts = { personId: random() < 0.7 ? 'ada' : null, basis: client.seen };
  const { panel } = client;
  const chance = random();
  if (chance < 0.06) {
    const direction = random() < 0.6 ? 'undo' : 'redo';
    const place = (['rack', 'setup', { panelId: panel }] as const)[Math.floor(3 * random())];
    client.ask('/put-back', { personId: facts.personId, direction, place });
  } else if (chance < 0.08) {
    const edit = { kind: 'renumber', order: random() < 0.5 ? 'rows' : 'outwards' };
    client.ask(`/panels/${panel}/edit`, { ...facts, edit });
  } else if (chance < 0.085)
    client.ask(`/panels/${panel}/cartoon`, { ...facts, source, sourceName: 'p.svg', letGo: [] });
  else if (chance < 0.12) client.ask('/commands', { ...facts, command: hours(panel, random) });
  else if (chance < 0.17 && panel === 'r') client.ask('/commands', { ...facts, command: soldering(random) });
  else if (chance < 0.55) client.ask('/commands', { ...facts, command: onwards(client, random) });
  else {
    const command = work.command();
    if (command.kind === 'accept-drawing' || command.kind === 'put-back') return 0;
    const { ask } = command;
    const own = 'panelId' in ask && ask.panelId !== null ? { ...ask, panelId: panel } : ask;
    client.ask('/commands', { ...facts, command: { ...command, ask: own } });
  }
  return 1;
}

const HOUR_MS = 3_600_000;

/** Hours entered by hand, and some of them taken out again. */
function hours(panelId: string, random: () => number): object {
  if (random() < 0.4) return { kind: 'remove-hours', ask: { entryId: `hours-${Math.floor(made * random())}` } };
  const startedAt = Date.now() - 9 * HOUR_MS;
  const whose = { personId: 'ada', panelId, stage: 'design', startedAt, endedAt: startedAt + HOUR_MS, note: '' };
  return { kind: 'enter-hours', ask: { id: `hours-${made++}`, ...whose } };
}

function soldering(random: () => number): object {
  const side = random() < 0.5 ? 'front' : 'back';
  if (random() < 0.6)
    return { kind: 'solder-joints', ask: { panelId: 'r', side, joints: [1 + Math.floor(25 * random())] } };
  return { kind: 'finish-step', ask: { panelId: 'r', step: random() < 0.5 ? 'solder-front' : 'rim' } };
}

function paintedSteps(): object[] {
  const [{ steps }] = SHIPPED_ROUTES as readonly [(typeof SHIPPED_ROUTES)[number]];
  return steps.flatMap((step, i) =>
    step.code === 'ground'
      ? [
          step,
          {
            ...(steps[i] ?? step),
            code: 'painted',
            word: 'painted',
            verb: 'Paint',
            calls: ['painted'],
            onlyAsked: true,
          },
        ]
      : [step],
  );
}

const STAGES = ['cut', 'ground', 'foiled', 'in-place'];
let made = 0;

/** What brings the tablet's own panel on from where it stood when it last looked. */
function onwards({ panel: panelId, pieces, stock }: Client, random: () => number): object {
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  const some = pieces.filter(() => random() < 0.2);
  const bare = some.filter((p) => p.glassId === null).map((p) => p.number);
  if (bare.length > 0) return { kind: 'choose-glass', ask: { panelId, numbers: bare, glassId: pick(['blue', 'red']) } };
  const toCut = some.find((p) => p.stage === 'to-cut');
  const sheet = stock.find((one) => one.glassId === toCut?.glassId && one.gone === null && one.areaMm2 > 20_000);
  if (toCut && sheet) {
    const source = { stockId: sheet.id, numbers: [toCut.number], left: { kind: 'stays' } };
    return { kind: 'cut', ask: { panelId, sources: [source] } };
  }
  const next = some.find((p) => STAGES.includes(p.stage) && p.stage !== 'in-place');
  if (next && random() < 0.7) {
    const to = STAGES[STAGES.indexOf(next.stage) + 1];
    return { kind: 'advance', ask: { panelId, numbers: [next.number], to } };
  }
  const [one] = some;
  if (one && one.stage !== 'to-cut' && random() < 0.5)
    return { kind: 'break', ask: { panelId, numbers: [one.number], reason: 'dropped', minutes: 3, recut: null } };
  const glassId = toCut?.glassId ?? 'blue';
  const label = `sheet ${panelId}${++made}`;
  return {
    kind: 'receive',
    ask: { label, glassId, kind: 'sheet', widthMm: 900, heightMm: 900, place: '', costCents: 9 },
  };
}
