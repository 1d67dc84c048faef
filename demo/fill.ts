import { nth } from '#core/units';
import type { Desk } from '../server/desk.ts';
import { drawHeron, heronPart } from './drawings/heron.ts';
import { drawDiamonds, drawFanlight, drawFish, drawLantern, drawTideLight } from './drawings/others.ts';
import { photographOf } from './photograph.ts';
import { GLASSES, SHEETS } from './rack.ts';
import { SUPPLIES } from './shelf.ts';
import { DAY, Works } from './works.ts';

const glass = (code: string): string => `glass-${code.toLowerCase()}`;
const pick = (codes: readonly string[], n: number): string => glass(nth(codes, n % codes.length));

/** The invented studio at the middle of its year: weeks of work, made by issuing real commands in order of time. */
export function fillDemo(desk: Desk, now: number, random: () => number, id: () => string): void {
  const works = new Works(desk, now - 125 * DAY, random);
  works.morning(0);
  const day = (days: number) => new Date(now + days * DAY).toISOString().slice(0, 10);
  setUp(works, random);
  finishedJobs(works, day);
  const at = (daysAgo: number) => {
    works.at = Math.max(works.at, now - daysAgo * DAY);
    works.morning(0);
  };
  at(29);
  tideLights(works, day(11));
  at(20);
  lantern(works, day(60));
  at(14);
  fanlight(works, day(99));
  at(12);
  transom(works, day(45));
  at(10);
  hangings(works, day(19));
  at(5);
  heron(works, day(25));
  offcuts(works, random);
  // The transom was cemented last night: it waits to set.
  works.at = now - 15 * 3_600_000;
  works.do({ kind: 'finish-step', ask: { panelId: 'transom', step: 'cement' } }, 'morven');
  works.do(
    {
      kind: 'plan-finish',
      ask: {
        panelId: 'transom',
        plan: { hold: 'fitted', edge: 'lead', place: 'window', bedding: 'putty', hasOuterGlass: true },
        measured: { widthMm: 368.3, heightMm: 247.6 },
      },
    },
    'morven',
  );
  works.at = now - 42 * 60_000;
  works.do({ kind: 'start-clock', ask: { id: id(), personId: 'kesta', panelId: 'heron', stage: 'grinding' } }, 'kesta');
}

function setUp(works: Works, random: () => number): void {
  works.do({
    kind: 'change-settings',
    ask: { studio: 'Saltmarsh Glass', unit: 'mm', currency: 'EUR', locale: 'en-GB' },
  });
  works.do({
    kind: 'save-person',
    ask: { id: 'kesta', name: 'Kesta', initial: 'K', rateCentsPerHour: 4200, active: true },
  });
  works.do({
    kind: 'save-person',
    ask: { id: 'morven', name: 'Morven', initial: 'M', rateCentsPerHour: 3600, active: true },
  });
  for (const entry of GLASSES) works.do({ kind: 'save-glass', ask: entry });
  for (const sheet of SHEETS) {
    const price = GLASSES.find((g) => g.id === sheet.glassId)?.priceCentsPerM2 ?? 0;
    works.do({
      kind: 'receive',
      ask: { ...sheet, kind: 'sheet', costCents: Math.round((sheet.widthMm * sheet.heightMm * price) / 1e6) },
    });
  }
  for (const { supply, amount } of SUPPLIES) {
    works.do({ kind: 'save-supply', ask: supply });
    works.do({
      kind: 'move-supply',
      ask: { id: `came-${supply.id}`, supplyId: supply.id, kind: 'bought', amount, panelId: null, reckoned: null },
    });
  }
  for (let i = 0; i < 31; i++) {
    const entry = nth(GLASSES, (i * 5 + 2) % GLASSES.length);
    const ask = {
      label: `T${i + 1}`,
      glassId: entry.id,
      kind: 'offcut' as const,
      widthMm: Math.round(90 + 240 * random()),
      heightMm: Math.round(70 + 180 * random()),
      place: `tray ${1 + Math.floor(i / 6)}`,
      costCents: 0,
    };
    works.do({ kind: 'receive', ask });
  }
  photographed(works, PHOTOGRAPHED);
}

/** An offcut that looks like no other of its glass. */
const PHOTOGRAPHED = 'T4';

function photographed(works: Works, label: string): void {
  const { state, store } = works.desk;
  const item = state.get('stock', label);
  const glass = item && state.get('glasses', item.glassId);
  if (!glass) throw new Error(`the demo has no ${label}`);
  const { widthMm, heightMm } = item;
  const own = { ...glass, texture: 'streaky', second: '#6d4f94' } as const;
  const hash = store.drawings.keepFile(photographOf(own, widthMm, heightMm), 'image/jpeg');
  const photo = { hash, x: 0, y: 0, widthMm, heightMm };
  works.do({ kind: 'photo-sheet', ask: { stockId: label, photo } });
}

function finishedJobs(works: Works, day: (n: number) => string): void {
  const jobs = [
    [
      'pantry',
      'Pantry door light',
      'the harbour kitchen',
      drawDiamonds(360, 520, 4),
      ['C-00', 'C-04'],
      'kesta',
      ['score-ran-off'],
      -96,
    ],
    [
      'landing',
      'Landing light',
      'number nine',
      drawTideLight(280, 600, 5, 6),
      ['C-00', 'S-10', 'R-118'],
      'morven',
      ['inside-curve', 'point-snapped'],
      -72,
    ],
    [
      'chapel',
      'Reading room diamonds',
      'the reading room',
      drawDiamonds(420, 640, 5),
      ['C-04', 'C-00', 'H-02'],
      'kesta',
      ['dropped', 'chipped', 'brittle'],
      -51,
    ],
    [
      'bathroom',
      'Bathroom light',
      'the pilot house',
      drawTideLight(320, 480, 8, 5),
      ['C-00', 'L-16', 'S-14'],
      'morven',
      ['too-small'],
      -38,
    ],
  ] as const;
  for (const [key, title, client, svg, codes, person, reasons, due] of jobs) {
    works.do({ kind: 'save-commission', ask: { id: `job-${key}`, title, client, due: day(due), note: '' } });
    works.panel(key, `job-${key}`, title, 'lead', svg, (_, n) => pick(codes, n * 3 + (n % 4)));
    works.work(key, person, 'design', 110);
    works.finish(key, person, reasons);
    works.morning(2);
  }
}

function tideLights(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: {
      id: 'job-tide',
      title: 'Tide lines, three stair lights',
      client: 'the lock keeper',
      due,
      note: 'One border for all three; the glass is to be spread over the set.',
    },
  });
  const sizes = [
    [260, 820],
    [260, 740],
    [260, 660],
  ] as const;
  sizes.forEach(([w, h], k) => {
    works.panel(`tide-${k + 1}`, 'job-tide', `Light ${k + 1}`, 'lead', drawTideLight(w, h, 11 + k), ([x, y], n) => {
      if (x < 32 || x > w - 32 || y < 32 || y > h - 32) return pick(['W-05', 'S-10'], n);
      return pick(['C-00', 'S-10', 'S-14', 'R-118', 'R-122'], Math.floor((5 * (y - 32)) / (h - 64)));
    });
  });
  works.work('tide-1', 'morven', 'design', 240);
  const numbers = (panel: string) =>
    [...works.desk.state.ask('piecesOfPanel', panel)].map((p) => p.number).sort((a, b) => a - b);
  for (const panel of ['tide-1', 'tide-2', 'tide-3'])
    for (let i = 0; i < 100; i += 14) {
      const some = numbers(panel).slice(i, i + 14);
      if (some.length > 0) works.cut(panel, some, 'morven');
    }
  for (const panel of ['tide-1', 'tide-2']) works.advance(panel, numbers(panel), 'ground', 'morven');
  works.do(
    { kind: 'break', ask: { panelId: 'tide-2', numbers: [12], reason: 'does-not-fit', minutes: 9, recut: null } },
    'morven',
  );
  works.cut('tide-2', [12], 'morven');
  works.advance('tide-2', [12], 'ground', 'morven');
  works.advance('tide-1', numbers('tide-1'), 'leaded', 'morven');
  works.advance('tide-2', numbers('tide-2').slice(0, 22), 'leaded', 'morven');
  works.do({ kind: 'finish-step', ask: { panelId: 'tide-1', step: 'solder-front' } }, 'morven');
  works.do(
    {
      kind: 'plan-finish',
      ask: { panelId: 'tide-1', plan: { hold: 'fitted', edge: 'lead', place: 'window', bars: [410] } },
    },
    'morven',
  );
  // The spool was weighed before and after a job.
  works.do(
    {
      kind: 'move-supply',
      ask: { id: 'weighed', supplyId: 'supply-7', kind: 'used', amount: 81, panelId: 'chapel', reckoned: 68 },
    },
    'morven',
  );
  const joints = works.desk.state.get('panels', 'tide-1')?.jointCount ?? 0;
  const most = Array.from({ length: joints }, (_, i) => i + 1).filter((j) => j !== 17 && j !== 40);
  works.work('tide-1', 'morven', 'soldering', 95);
  works.do({ kind: 'solder-joints', ask: { panelId: 'tide-1', side: 'back', joints: most } }, 'morven');
}

function lantern(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: {
      id: 'job-lantern',
      title: 'Porch lantern',
      client: 'the ferry house',
      due,
      note: 'Six sides; brass cap 60 mm.',
    },
  });
  works.panel('lantern', 'job-lantern', 'Six sides', 'foil', drawLantern(), ([, y], n) =>
    y < 132 ? pick(['H-02', 'C-04'], n) : y < 186 ? pick(['E-09', 'A-03'], n) : glass('V-07'),
  );
  const all = [...works.desk.state.ask('piecesOfPanel', 'lantern')].map((p) => p.number).sort((a, b) => a - b);
  for (let i = 0; i < all.length; i += 15) works.cut('lantern', all.slice(i, i + 15), 'kesta');
  works.advance('lantern', all, 'ground', 'kesta');
  works.advance('lantern', all, 'foiled', 'kesta');
  works.advance('lantern', all.slice(0, 20), 'in-place', 'kesta');
}

function fanlight(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: {
      id: 'job-fan',
      title: 'Ferry office fanlight',
      client: 'the ferry office',
      due,
      note: 'Re-leading of a half-round light; nine pieces are cracked. Keep the sound old glass.',
    },
  });
  works.panel('fanlight', 'job-fan', 'Half-round', 'lead', drawFanlight(), ([, y], n) =>
    y > 250 ? glass('C-04') : pick(['C-00', 'C-04', 'V-12'], n),
  );
  works.do({ kind: 'follow-route', ask: { panelId: 'fanlight', route: 're-leading' } }, 'morven');
  works.work('fanlight', 'morven', 'design', 150);
  for (const step of ['rubbing', 'photographed', 'apart'])
    works.do({ kind: 'finish-step', ask: { panelId: 'fanlight', step } }, 'morven');
  const cracked = [2, 5, 6, 8, 11, 12, 14, 17, 25];
  const sound = [...works.desk.state.ask('piecesOfPanel', 'fanlight')]
    .map((p) => p.number)
    .filter((n) => !cracked.includes(n));
  works.do({ kind: 'take-in', ask: { panelId: 'fanlight', numbers: sound, as: 'old' } }, 'morven');
  works.do(
    {
      kind: 'write-note',
      ask: {
        id: 'note-bar',
        about: 'panel',
        aboutId: 'fanlight',
        words: 'The old saddle bar is sound: keep it, with new ties.',
        picture: null,
      },
    },
    'morven',
  );
}

function transom(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: { id: 'job-transom', title: 'Boathouse transom', client: 'the rowing club', due, note: '' },
  });
  works.panel('transom', 'job-transom', 'Transom', 'lead', drawDiamonds(360, 240, 4), (_, n) =>
    pick(['C-04', 'V-12', 'H-02'], n),
  );
  works.opening('transom', { widthMm: 372, heightMm: 252, clearanceMm: 2, coverMm: 9 });
  works.finish('transom', 'morven', ['score-ran-off'], 'solder-back');
}

function hangings(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: { id: 'job-fish', title: 'Small hangings, six fish', client: 'the quay shop', due, note: 'Lead-free solder.' },
  });
  works.panel('fish', 'job-fish', 'Six fish', 'foil', drawFish(), (_, n) =>
    pick(['R-118', 'S-14', 'H-02', 'R-122'], n),
  );
  works.do({ kind: 'follow-route', ask: { panelId: 'fish', route: 'lead-free' } }, 'kesta');
  const all = [...works.desk.state.ask('piecesOfPanel', 'fish')].map((p) => p.number).sort((a, b) => a - b);
  works.cut('fish', all, 'kesta');
  works.advance('fish', all, 'ground', 'kesta');
  works.advance('fish', all, 'foiled', 'kesta');
  works.advance('fish', all, 'in-place', 'kesta');
  works.work('fish', 'kesta', 'soldering', 70);
  works.do({ kind: 'finish-step', ask: { panelId: 'fish', step: 'solder-front' } }, 'kesta');
}

function heron(works: Works, due: string): void {
  works.do({
    kind: 'save-commission',
    ask: {
      id: 'job-heron',
      title: 'Heron at low water',
      client: 'the tide mill',
      due,
      note: 'Hangs in a north window, seen from both sides.',
    },
  });
  const glassOf = {
    bill: ['H-02'],
    cap: ['G-38'],
    white: ['W-01'],
    wing: ['G-31'],
    grey: ['W-05'],
    leg: ['C-04'],
    reed: ['V-07'],
    sun: ['A-03'],
    dawn: ['S-21', 'S-24'],
    sky: ['S-10', 'S-14'],
    shore: ['V-12'],
    water: ['R-118', 'R-122'],
  } as const;
  works.panel('heron', 'job-heron', 'Heron at low water', 'foil', drawHeron(), (at, n) =>
    pick(glassOf[heronPart(at)], n),
  );
  works.work('heron', 'kesta', 'design', 210);
  const pieces = [...works.desk.state.ask('piecesOfPanel', 'heron')].sort((a, b) => a.number - b.number);
  const all = pieces.map((p) => p.number);
  // Sky, dawn and water lie level.
  const level = new Set(['S-10', 'S-14', 'S-21', 'S-24', 'R-118', 'R-122'].map(glass));
  const flowing = pieces.filter((p) => p.glassId !== null && level.has(p.glassId)).map((p) => p.number);
  works.do({ kind: 'mark', ask: { panelId: 'heron', numbers: flowing, flowDeg: 0 } }, 'kesta');
  const cutNow = all.filter((n) => n > 17);
  for (let i = 0; i < cutNow.length; i += 13) works.cut('heron', cutNow.slice(i, i + 13), 'kesta');
  works.do(
    { kind: 'break', ask: { panelId: 'heron', numbers: [60], reason: 'inside-curve', minutes: 24, recut: null } },
    'kesta',
  );
  works.cut('heron', [60], 'kesta');
  works.advance(
    'heron',
    all.filter((n) => n >= 41),
    'ground',
    'kesta',
  );
  works.do(
    { kind: 'break', ask: { panelId: 'heron', numbers: [89], reason: 'point-snapped', minutes: 14, recut: null } },
    'kesta',
  );
  works.cut('heron', [89], 'kesta');
  works.advance('heron', [89], 'ground', 'kesta');
  works.advance(
    'heron',
    all.filter((n) => n >= 68),
    'foiled',
    'kesta',
  );
  works.advance(
    'heron',
    all.filter((n) => n >= 88),
    'in-place',
    'kesta',
  );
  works.do(
    { kind: 'break', ask: { panelId: 'heron', numbers: [35], reason: 'chipped', minutes: 8, recut: null } },
    'kesta',
  );
}

/** Some sheets are taken in hand once more and what is left measured: that is where labelled offcuts come from. */
function offcuts(works: Works, random: () => number): void {
  const pieces = [...works.desk.state.ask('piecesOfPanel', 'heron')].filter(
    (p) => p.number >= 9 && p.number <= 17 && p.number !== 12,
  );
  for (const piece of pieces.slice(0, 6)) {
    const item = [...works.desk.state.all('stock')]
      .filter((s) => s.glassId === piece.glassId && s.gone === null && s.areaMm2 > piece.areaMm2 + 60_000)
      .sort((a, b) => a.areaMm2 - b.areaMm2)[0];
    if (!item) continue;
    const size = () => Math.round(90 + 90 * random());
    const left = {
      kind: 'offcuts' as const,
      offcuts: [
        { widthMm: size(), heightMm: size() },
        { widthMm: size(), heightMm: size() },
      ],
    };
    works.do(
      { kind: 'cut', ask: { panelId: 'heron', sources: [{ stockId: item.id, numbers: [piece.number], left }] } },
      'kesta',
    );
  }
}
