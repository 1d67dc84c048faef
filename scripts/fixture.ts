import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import Database from 'better-sqlite3';
import { SHIPPED_ROUTES, type StepDefinition } from '#core/bench';
import { DEFAULT_ALLOWANCE } from '#core/sizing';
import { testServer } from '../server/testServer.ts';

// `node --import tsx scripts/fixture.ts NAME`: a small studio in which every act has happened, as this state of Nelvik
// keeps it. Each state that lands leaves one; the tests open all of them.
const [name = ''] = process.argv.slice(2);
if (!/^[\w-]+$/.test(name)) throw new Error('say what the state is called, such as 2026-11-26');
const folder = mkdtempSync(join(tmpdir(), 'nelvik-fixture-'));
const server = await testServer({ folder });
let n = 0;
const envelope = (bench = 'bench-a', personId: string | null = null) => ({
  commandId: `fixture-${String(n++).padStart(5, '0')}`,
  basis: server.desk.seq,
  personId,
  bench,
});
async function must(path: string, body: object): Promise<void> {
  const { status, body: answer } = await server.send(path, body);
  if (status !== 200) throw new Error(`${path}: ${JSON.stringify(body).slice(0, 200)} → ${JSON.stringify(answer)}`);
}
const send = (kind: string, ask: object, bench?: string, personId?: string) =>
  must('/commands', { ...envelope(bench, personId), command: { kind, ask } });
const back = (direction: 'undo' | 'redo', panelId: string, bench?: string, personId?: string) => {
  const { basis: _, ...who } = envelope(bench, personId);
  return must('/put-back', { ...who, direction, place: { panelId } });
};
const draw = (panel: string, source: string) =>
  must(`/panels/${panel}/cartoon`, { ...envelope(), source, sourceName: `${panel}.svg` });
const edit = (panel: string, change: object, wish?: object) =>
  must(`/panels/${panel}/edit`, { ...envelope(), edit: change, ...(wish ? { panel: wish } : {}) });
const row = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

function grid(across: number, down: number, mm: number): string {
  const [w, h] = [across * mm, down * mm];
  const upright = row(0, across).map((i) => `M${i * mm} 0V${h}`);
  const level = row(0, down).map((j) => `M0 ${j * mm}H${w}`);
  const path = `<path d="${[...upright, ...level].join('')}" fill="none" stroke="#000"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}">${path}</svg>`;
}

/** The leaded route, with a step that only painted pieces go through. */
function withPaint(): StepDefinition[] {
  const steps = SHIPPED_ROUTES.find(({ route }) => route.key === 'lead')?.steps ?? [];
  const ground = steps.find((s) => s.code === 'ground');
  if (!ground) throw new Error('the leaded route has no grinding');
  const painted = { ...ground, code: 'painted', word: 'painted', verb: 'Paint', calls: ['painted'], onlyAsked: true };
  return steps.flatMap((s) => (s.code === 'ground' ? [s, painted] : [s]));
}

await send('change-settings', { studio: 'Old fixture', unit: 'in', currency: 'GBP' });
await send('change-settings', { longClockMin: 300 });
await send('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3000, active: true });
await send('save-person', { id: 'bo', name: 'Bo', initial: 'B', rateCentsPerHour: 4100, active: true });
const glass = { colour: '#336655', texture: 'seedy', thicknessMm: 3, hiding: 'clear', flow: false };
await send('save-glass', { id: 'g1', code: 'G-1', name: 'green', priceCentsPerM2: 9900, ...glass });
await send('save-glass', {
  id: 'g2',
  code: 'R-2',
  name: 'red',
  priceCentsPerM2: 21000,
  ...glass,
  colour: '#aa3322',
  flow: true,
});
await send('receive', {
  label: 'S1',
  glassId: 'g1',
  kind: 'sheet',
  widthMm: 600,
  heightMm: 400,
  place: 'slot 1',
  costCents: 2400,
});
await send('receive', {
  label: 'S2',
  glassId: 'g2',
  kind: 'sheet',
  widthMm: 500,
  heightMm: 300,
  place: 'slot 2',
  costCents: 3100,
});
await send('receive', {
  label: 'K1',
  glassId: 'g1',
  kind: 'offcut',
  widthMm: 120,
  heightMm: 90,
  place: 'tray',
  costCents: 10,
});
await send('save-commission', {
  id: 'c',
  title: 'Two lights',
  client: 'the mill',
  due: '2026-12-01',
  note: 'one border',
});
for (const [id, technique] of [
  ['p', 'foil'],
  ['q', 'lead'],
] as const)
  await send('save-panel', {
    id,
    commissionId: 'c',
    name: `Light ${id}`,
    technique,
    widthMm: 100,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE[technique],
  });
await send('save-route', { key: 'painted', name: 'Painted and leaded', technique: 'lead', steps: withPaint() });
await send('change-settings', { limits: { narrowMm: 5 } });

await draw('p', grid(4, 3, 40));
await draw('q', grid(3, 3, 50));
await send('choose-glass', { panelId: 'p', numbers: row(1, 8), glassId: 'g1' });
await send('choose-glass', { panelId: 'p', numbers: row(9, 12), glassId: 'g2' });
await send('choose-glass', { panelId: 'q', numbers: row(1, 9), glassId: 'g1' });
await send('mark', { panelId: 'p', numbers: [9, 10], flowDeg: 90, section: 'A', sectionName: 'sky' });
await send('mark', { panelId: 'p', numbers: [12], locked: true });
await edit('p', { kind: 'renumber', order: 'outwards' });
await edit('p', {
  kind: 'add-line',
  points: [
    [0, 20],
    [40, 20],
  ],
});
await edit('p', { kind: 'profile', lines: [2, 3], profile: 'f1.2' });
await back('undo', 'p');
await back('redo', 'p');
await back('undo', 'p');
await edit('p', { kind: 'number', from: 3, to: 33 });
await send('choose-glass', { panelId: 'p', numbers: [4], glassId: 'g1' });
await send(
  'cut',
  { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2], left: { kind: 'stays' } }] },
  'bench-a',
  'ada',
);
await send(
  'cut',
  { panelId: 'p', sources: [{ stockId: 'S1', numbers: [4], left: { kind: 'stays', widthMm: 500, heightMm: 380 } }] },
  'bench-a',
  'ada',
);
await send(
  'cut',
  {
    panelId: 'q',
    sources: [
      {
        stockId: 'K1',
        numbers: [1, 2],
        left: {
          kind: 'offcuts',
          offcuts: [
            { widthMm: 50, heightMm: 40 },
            { widthMm: 20, heightMm: 30, label: 'odd' },
          ],
        },
      },
    ],
  },
  'bench-b',
  'bo',
);
await back('undo', 'q', 'bench-b', 'bo');
await back('redo', 'q', 'bench-b', 'bo');
await send('advance', { panelId: 'p', numbers: [1, 2], to: 'ground' }, 'bench-a', 'ada');
await send('send-back', { panelId: 'p', numbers: [2], reason: 'rough edge' }, 'bench-a', 'ada');
await send('break', { panelId: 'p', numbers: [1], reason: 'chipped', minutes: 7, recut: null }, 'bench-a', 'ada');
await send(
  'break',
  { panelId: 'p', numbers: [2], reason: 'dropped', minutes: 11, recut: { stockId: 'S1', left: { kind: 'stays' } } },
  'bench-b',
  'bo',
);
await send(
  'cut',
  { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'stays' } }] },
  'bench-a',
  'ada',
);
await edit('p', { kind: 'move-node', node: 0, to: [0, 0] });
await send('save-person', { id: 'ada', name: 'Ada', initial: 'A', rateCentsPerHour: 3600, active: true });
await send('save-glass', { id: 'g1', code: 'G-1', name: 'green', priceCentsPerM2: 12000, ...glass });
await send('break', { panelId: 'q', numbers: [1], reason: 'brittle', minutes: 5, recut: null }, 'bench-b', 'ada');
await send(
  'break',
  {
    panelId: 'q',
    numbers: [3],
    reason: 'score-ran-off',
    minutes: 2,
    recut: null,
    lostFrom: { stockId: 'S1', left: { kind: 'stays' } },
  },
  'bench-b',
  'bo',
);
for (let i = 3; i <= 9; i++)
  await send(
    'cut',
    { panelId: 'q', sources: [{ stockId: 'S1', numbers: [i], left: { kind: 'stays' } }] },
    'bench-b',
    'bo',
  );
await send(
  'cut',
  { panelId: 'q', sources: [{ stockId: 'S1', numbers: [1], left: { kind: 'stays' } }] },
  'bench-b',
  'bo',
);
await send('advance', { panelId: 'q', numbers: row(1, 9), to: 'ground' }, 'bench-b', 'bo');
await send('advance', { panelId: 'q', numbers: row(1, 9), to: 'leaded' }, 'bench-b', 'bo');
await send('solder-joints', { panelId: 'q', side: 'front', joints: [1, 2, 5] }, 'bench-b', 'bo');
await send('finish-step', { panelId: 'q', step: 'solder-front' }, 'bench-b', 'bo');
await send('solder-joints', { panelId: 'q', side: 'back', joints: [3] }, 'bench-a', 'ada');
await back('undo', 'q', 'bench-a', 'ada');
await send('finish-step', { panelId: 'q', step: 'solder-back' }, 'bench-b', 'bo');
await send('finish-step', { panelId: 'q', step: 'cement' }, 'bench-b', 'bo');
// Archived, deleted and brought back; and what stays away.
await send('save-commission', { id: 'c9', title: 'By mistake', client: '', due: null, note: '' });
await send('put-away', { table: 'commissions', id: 'c9', as: 'deleted' });
await send('put-away', { table: 'panels', id: 'q', as: 'archived' });
await send('put-away', { table: 'panels', id: 'q', as: null });
await send('put-away', { table: 'glasses', id: 'g1', as: 'archived' });
await send('save-person', { id: 'cy', name: 'Cy', initial: 'C', rateCentsPerHour: 0, active: true });
await send('put-away', { table: 'people', id: 'cy', as: 'archived' });
await send('start-clock', { id: 'h1', personId: 'ada', panelId: 'p', stage: 'cutting' });
await send('start-clock', { id: 'h2', personId: 'ada', panelId: 'q', stage: 'leading' });
await send('stop-clock', { personId: 'ada', endedAt: null });
await send('start-clock', { id: 'h5', personId: 'bo', panelId: null, stage: 'other' });
await send('enter-hours', {
  id: 'h3',
  personId: 'bo',
  panelId: 'q',
  stage: 'soldering',
  startedAt: Date.now() - 3600000,
  endedAt: Date.now() - 600000,
  note: 'both sides',
});
await send('enter-hours', {
  id: 'h4',
  personId: 'bo',
  panelId: null,
  stage: 'other',
  startedAt: 1000,
  endedAt: 61000,
  note: '',
});
await send('remove-hours', { entryId: 'h4' });
await send('move-stock', { stockId: 'S2', place: 'slot 9' });
await send('correct-stock', {
  stockId: 'S2',
  glassId: 'g2',
  widthMm: 510,
  heightMm: 400,
  place: 'slot 9',
  costCents: 900,
});
await send('receive', {
  label: 'never',
  glassId: 'g1',
  kind: 'sheet',
  widthMm: 100,
  heightMm: 100,
  place: '',
  costCents: 0,
});
await send('withdraw-stock', { stockId: 'never' });
await send('write-off', { stockId: 'odd', reason: 'dropped' });
await edit(
  'r',
  { kind: 'fit', widthMm: 200, heightMm: 120, borderMm: 10, from: 'p' },
  { commissionId: 'c', name: 'Upper', technique: 'foil', widthMm: 1, heightMm: 1, allowance: DEFAULT_ALLOWANCE.foil },
);
await send('save-panel', {
  id: 's',
  commissionId: 'c',
  name: 'Painted',
  technique: 'lead',
  route: 'painted',
  widthMm: 100,
  heightMm: 100,
  allowance: DEFAULT_ALLOWANCE.lead,
});
await draw('s', grid(2, 2, 60));
await send('choose-glass', { panelId: 's', numbers: [1, 2, 3, 4], glassId: 'g1' });
await send('ask-steps', { panelId: 's', numbers: [2, 3], steps: ['painted'] });
await send(
  'cut',
  { panelId: 's', sources: [{ stockId: 'S1', numbers: [1, 2], left: { kind: 'stays' } }] },
  'bench-a',
  'ada',
);
await send('advance', { panelId: 's', numbers: [2], to: 'painted' }, 'bench-a', 'ada');

await send('take-in', { panelId: 's', numbers: [3], as: 'bought' });
const size = { widthMm: 100, heightMm: 100, allowance: DEFAULT_ALLOWANCE.foil };
await send('save-panel', { id: 't', commissionId: 'c', name: 'Beside', technique: 'foil', ...size });
await draw('t', grid(2, 1, 60));
await send('follow-route', { panelId: 't', route: 'lead-free' });
await send('choose-glass', { panelId: 't', numbers: [1, 2], glassId: 'g1' });
const sheet = { glassId: 'g1', kind: 'sheet', widthMm: 400, heightMm: 200, place: '', costCents: 900 };
await send('receive', { label: 'S7', ...sheet });
// Pieces of two panels on one sheet; those of the other stay laid out when one is cut.
const lies = { turnedOver: false, rotationDeg: 0, y: 0, byHand: false };
await send('lay-out', {
  panelId: 't',
  sheets: [
    {
      stockId: 'S7',
      breaks: [{ from: [100, 0], to: [100, 200] }],
      pieces: [
        { ...lies, number: 1, x: 0, at: [50, 50] },
        { ...lies, number: 4, panelId: 's', x: 100, at: [150, 50] },
      ],
    },
  ],
});
await send('cut', { panelId: 't', sources: [{ stockId: 'S7', numbers: [1], left: { kind: 'laid' } }] });

// Of two glasses each: chosen, cut, broken by itself.
await send('save-panel', {
  ...{ id: 'u', commissionId: 'c', name: 'Pressed', technique: 'foil', route: 'pressed-pair' },
  ...{ widthMm: 100, heightMm: 100, allowance: DEFAULT_ALLOWANCE.foil },
});
await draw('u', grid(2, 2, 50));
await send('choose-glass', { panelId: 'u', numbers: [1, 2, 3, 4], glassId: 'g2' });
await send('choose-back', { panelId: 'u', numbers: [3, 4], glassId: 'g1' });
const fresh = { kind: 'sheet', widthMm: 400, heightMm: 300, place: '', costCents: 1500 };
await send('receive', { label: 'S8', glassId: 'g2', ...fresh });
const fromS8 = (...numbers: number[]) => ({
  panelId: 'u',
  sources: [{ stockId: 'S8', numbers, left: { kind: 'stays' } }],
});
await send('cut', fromS8(1, 2, 3));
await send('cut-back', fromS8(1, 2));
await send('break', { panelId: 'u', numbers: [1], reason: 'dropped', minutes: 3, recut: null, only: 'back' });
await send('break', { panelId: 'u', numbers: [2], reason: 'chipped', minutes: 0, recut: null, only: 'front' });
await send('cut', fromS8(2));
await send('advance', { panelId: 'u', numbers: [2], to: 'pressed' });
// Second glasses laid out, cut as they lie, lifted off.
await send('receive', { label: 'S9', glassId: 'g2', ...fresh });
await send('receive', { label: 'S10', glassId: 'g1', ...fresh });
const behind = { ...lies, of: 'back' };
await send('lay-out', {
  panelId: 'u',
  sheets: [
    {
      stockId: 'S9',
      breaks: [{ from: [200, 0], to: [200, 300] }],
      pieces: [
        { ...behind, number: 1, x: 50, at: [100, 50] },
        { ...lies, number: 4, x: 250, at: [300, 50] },
      ],
    },
    { stockId: 'S10', breaks: null, pieces: [{ ...behind, number: 4, x: 50, at: [100, 50], byHand: true }] },
  ],
});
await send('cut-back', { panelId: 'u', sources: [{ stockId: 'S9', numbers: [1], left: { kind: 'laid' } }] });
await send('lift-off', { panelId: 'u', numbers: [], backs: [4] });

// What is used up beside glass; how a panel is finished; waits, trays, repairs, a day's hours.
const spool = { id: 'spool', kind: 'solder', sort: '60/40', code: 'T 4', packAmount: 500, packCents: 2000 };
await send('save-supply', { ...spool, name: 'Solder', low: 100, place: 'drawer' });
const entry = { supplyId: 'spool', panelId: null, reckoned: null };
await send('move-supply', { ...entry, id: 'm1', kind: 'bought', amount: 500 });
await send('move-supply', { ...entry, id: 'm2', kind: 'used', amount: 62.5, panelId: 'q', reckoned: 55 });
await send('move-supply', { ...entry, id: 'm3', kind: 'counted', amount: 430 });
const { basis: _, ...office } = envelope();
await must('/put-back', { ...office, direction: 'undo', place: 'rack' });
const wax = { id: 'wax', kind: 'wax', name: 'Wax', sort: '', code: '', packAmount: 225, packCents: 960 };
await send('book-used', { items: [{ id: 'm5', supplyId: entry.supplyId, panelId: 'q', amount: 12.5 }] });
await send('list-supplies', { items: [{ ...wax, low: 0, place: '', amount: 100, moveId: 'm4' }] });
await send('plan-finish', { panelId: 'q', plan: { hold: 'fitted', place: 'door', bars: [75] } });
await send('plan-finish', { panelId: 'q', plan: { tier: 2 } });
await send('plan-finish', { panelId: 'q', plan: {}, measured: { widthMm: 156.2, heightMm: 156 } });
await send('mark-lead', { panelId: 'q', cut: { name: '0.0,50.0 150.0,50.0', isCut: true } });
await send('mark-lead', { panelId: 'q', through: { joint: '50.0,50.0', deg: 90 } });
await send('mark-lead', { panelId: 'q', laid: [3, 1, 2] });
await send('begin-wait', { id: 'w1', panelId: 'q', numbers: [1, 2], name: 'glue', minutes: 360 });
await send('begin-wait', { id: 'w2', panelId: 'q', numbers: [], name: 'sealant', minutes: 1440 });
await send('end-wait', { id: 'w1' });
await send('hand-tray', { panelId: 'p', letter: 'A', personId: 'bo' });
await send('open-repair', { id: 'r1', panelId: 'q', number: 4, way: 'bond', words: 'by the sun', joints: [] });
await send('go-on-repair', { id: 'r1', step: 'cleaned' });
await send('sign-day', { personId: 'bo', day: '2026-11-27', minutes: 50 });
await send('change-settings', { ownReasons: ['kiln door jarred'] });
for (const [id, about, aboutId] of [
  ['n1', 'panel', 't'],
  ['n2', 'job', 'c'],
])
  await send('write-note', { id, about, aboutId, words: `of ${aboutId}`, picture: null });
await send('drop-note', { id: 'n2' });

await server.stop(true);
const file = join(folder, 'nelvik.sqlite');
const db = new Database(file);
db.pragma('wal_checkpoint(TRUNCATE)');
db.pragma('journal_mode = DELETE');
db.exec('vacuum');
db.close();
const packed = gzipSync(readFileSync(file), { level: 9 });
writeFileSync(new URL(`../server/store/fixtures/${name}.sqlite.gz`, import.meta.url), packed);
rmSync(folder, { recursive: true, force: true });
process.stdout.write(`${name}: ${n} commands, ${(packed.length / 1000).toFixed(0)} kB\n`);
