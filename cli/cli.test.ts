import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { readCartoon, readSvg } from '#core/cartoon';
import { checkLayout, type Layout, type LayoutJob } from '#core/layout';
import { atlasNet } from '../core/test/atlases.ts';
import { oracleAreas } from '../core/test/oracle.ts';

const CLI = fileURLToPath(new URL('../.cache/test-server/cli.mjs', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'nelvik-cli-'));
const run = (...args: string[]) =>
  spawnSync(process.execPath, [CLI, ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });
const file = (name: string, text: string | Buffer) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const panel = file(
  'panel.svg',
  '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="80mm" viewBox="0 0 100 80"><g fill="none" stroke="#000"><rect width="100" height="80"/><path d="M50 0V80"/></g></svg>',
);

describe('pieces', () => {
  it('prints what was understood, with the keys of the contract', () => {
    const { status, stdout, stderr } = run('pieces', panel);
    expect([status, stderr]).toEqual([0, '']);
    const report = JSON.parse(stdout) as {
      size: unknown;
      pieces: Record<string, unknown>[];
      joints: Record<string, unknown>[];
      findings: { kind: string }[];
    };
    expect(report).toMatchObject({ unit: 'mm', size: { width: 100, height: 80 }, repairs: [] });
    expect(report.findings.map((f) => f.kind)).toEqual(['hinge']);
    expect(report.pieces[0]).toMatchObject({
      number: 1,
      areaMm2: 4000,
      perimeterMm: 260,
      centroid: [25, 40],
      holes: [],
      neighbours: [2],
      difficulty: 1,
    });
    expect(report.pieces[0]?.outline).toHaveLength(4);
    expect(Object.keys(report.joints[0] ?? {})).toEqual(expect.arrayContaining(['id', 'at', 'kind', 'lines']));
  });
  it('sets the true size, and moves the cut outline by what the line takes up', () => {
    const wide = JSON.parse(run('pieces', panel, '--width', '8in').stdout) as {
      size: { width: number; height: number };
    };
    expect(wide.size).toEqual({ width: 203.2, height: 162.56 });
    const foil = JSON.parse(run('pieces', panel, '--foil', '1mm').stdout) as { pieces: { cutAreaMm2: number }[] };
    expect(foil.pieces[0]?.cutAreaMm2).toBeCloseTo(49.5 * 80, 1);
    const lead = JSON.parse(run('pieces', panel, '--came', 'h6').stdout) as { pieces: { cutAreaMm2: number }[] };
    expect(lead.pieces[0]?.cutAreaMm2).toBeCloseTo((50 - 1.05) * 80, 1);
  });
  it('reads UTF-16 and packed files; a packed bomb is refused', () => {
    const text = readFileSync(panel, 'utf8');
    const areas = (path: string) =>
      (JSON.parse(run('pieces', path).stdout) as { pieces: { areaMm2: number }[] }).pieces.map((p) => p.areaMm2);
    expect(areas(file('wide.svg', Buffer.from(`\ufeff${text}`, 'utf16le')))).toEqual([4000, 4000]);
    expect(areas(file('packed.svgz', gzipSync(text)))).toEqual([4000, 4000]);
    const { status, stderr } = run('pieces', file('bomb.svgz', gzipSync(Buffer.alloc(40_000_000))));
    expect([status, stderr.trim().split('\n').length]).toEqual([2, 1]);
  });
  it.each([
    [[], /Use: nelvik pieces/],
    [['bake'], /not a command/],
    [['pieces'], /Use:/],
    [['pieces', 'nowhere.svg'], /no file/],
    [['pieces', tmpdir()], /folder/],
    [['pieces', panel, '--width', '0mm'], /--width/],
    [['pieces', panel, '--width', '1m', '--height', '1m'], /not both/],
    [['pieces', panel, '--came', 'z'], /--came/],
    [['pieces', panel, '--snap', '-1mm'], /--snap/],
    [['pieces', panel, '--frob'], /Unknown option/],
    [['materials', panel, '--technique', 'mosaic'], /--technique must be/],
    [['materials', panel, '--alloy', '70/30'], /--alloy must be one of/],
    [['materials', panel, '--rings', '0'], /--rings must be/],
    [['materials', panel, '--spread', '0'], /--spread must be/],
    [['materials', panel, '--glass', 'thick'], /--glass must be a length/],
    [['lead'], /Use: nelvik lead/],
    [['lead', panel, '--came', 'u6x1.6'], /--came must be a profile/],
    [['lead', panel, '--border', 'tin'], /--border must be a profile/],
    [['lead', panel, '--corner', 'middle'], /--corner must be one of/],
    [['lead', panel, '--stock', '0'], /--stock must be a length/],
    [['lead', panel, '--stock', '10mm', '--kerf', '10mm'], /longer than what is lost/],
    [['lead', file('words.svg', 'not a drawing')], /not an SVG/],
    [['pieces', file('text.svg', 'not a drawing')], /not an SVG/],
  ])('refuses %j in one line, exit 2, nothing on standard output', (args, words) => {
    const { status, stdout, stderr } = run(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr).toMatch(words);
  });
  it(
    'reads real maps as a general library does: states and counties, drawn as nets of their borders',
    { timeout: 90_000 },
    () => {
      for (const name of ['states', 'counties'] as const) {
        const { svg } = atlasNet(name);
        const { status, stdout } = run('pieces', file(`${name}.svg`, svg), '--snap', '0mm');
        expect(status).toBe(0);
        const { pieces } = JSON.parse(stdout) as { pieces: { areaMm2: number }[] };
        const raw = readSvg(svg);
        const expected = 'refusal' in raw ? [] : oracleAreas(raw.lines);
        expect(pieces).toHaveLength(expected.length);
        const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
        expect(Math.abs(sum(pieces.map((p) => p.areaMm2)) - sum(expected))).toBeLessThan(0.2);
      }
    },
  );
  it('leads a panel up: joints, lines, runs, an order, and cuts packed into lengths, as the contract names them', () => {
    interface Lead {
      joints: { id: number; kind: string }[];
      lines: { id: number; border: boolean; left: number | null; lengthMm: number }[];
      runs: {
        id: string;
        lines: number[];
        profile: string;
        lengthMm: number;
        ends: { kind: string; against?: string }[];
      }[];
      order: { step: number; piece: number | null; runs: string[] }[];
      locked: unknown[];
      cuts: {
        lengths: { profile: string; runs: string[]; usedMm: number; leftMm: number }[];
        spliced: { run: string }[];
      };
      pieces: { number: number; outline: unknown[] }[];
    }
    const { status, stdout } = run('lead', panel, '--came', 'h8x1.6', '--stock', '90mm', '--kerf', '1mm');
    expect(status).toBe(0);
    const lead = JSON.parse(stdout) as Lead;
    expect(lead.joints.map((joint) => joint.kind).sort()).toEqual(['L', 'L', 'L', 'L', 'T', 'T']);
    expect(lead.pieces.map((piece) => piece.number)).toEqual([1, 2]);
    const inner = lead.runs.filter((one) => one.profile === 'h8x1.6');
    expect(inner).toHaveLength(1);
    expect(lead.runs.filter((one) => one.profile === 'u10x1.6')).toHaveLength(4);
    expect(lead.order.map((step) => step.piece)).toEqual([null, expect.any(Number), expect.any(Number), null]);
    // Of all that is cut each part stands once in the lengths, and they hold no more than they are long.
    const parts = lead.cuts.lengths.flatMap((one) => one.runs);
    expect(new Set(parts).size).toBe(parts.length);
    for (const { run: id } of lead.cuts.spliced) expect(parts).toContain(`${id}#1`);
    for (const { usedMm, leftMm } of lead.cuts.lengths) expect(usedMm + leftMm).toBeCloseTo(90, 3);
    const mm = lead.runs.reduce((sum, one) => sum + one.lengthMm, 0);
    const used = lead.cuts.lengths.reduce((sum, one) => sum + one.usedMm, 0);
    expect(used - mm).toBeCloseTo(parts.length, 3);
  });
  it('tells what a panel takes in the keys of the contract', () => {
    const { status, stdout } = run('materials', panel, '--glass', '3mm', '--alloy', '50/50', '--rings', '3');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({
      foil: { stock: '7/32 in', perPiece: [{ number: 1 }, { number: 2 }] },
      came: [],
      joints: { L: 4, T: 2, X: 0, more: 0 },
      solder: { alloy: '50/50', solidusC: 183, liquidusC: 215 },
      hanging: { rings: 3, spreadDeg: 60 },
      cementMm: 0,
      findings: [],
    });
  });
  it('reads a DXF, and proposes a line for a piece that cannot be cut', () => {
    const corners = [0, 0, 80, 0, 80, 60, 0, 60];
    const dxf = [
      '0',
      'SECTION',
      '2',
      'HEADER',
      '9',
      '$INSUNITS',
      '70',
      '4',
      '0',
      'ENDSEC',
      '0',
      'SECTION',
      '2',
      'ENTITIES',
    ];
    dxf.push('0', 'LWPOLYLINE', '8', '0', '90', '4', '70', '1');
    for (let i = 0; i < corners.length; i += 2) dxf.push('10', String(corners[i]), '20', String(corners[i + 1]));
    dxf.push(
      '0',
      'LWPOLYLINE',
      '8',
      '0',
      '90',
      '3',
      '70',
      '0',
      '10',
      '25',
      '20',
      '60',
      '10',
      '25',
      '20',
      '25',
      '10',
      '80',
      '20',
      '25',
    );
    dxf.push('0', 'ENDSEC', '0', 'EOF');
    const { status, stdout } = run('pieces', file('ell.dxf', `${dxf.join('\n')}\n`));
    expect(status).toBe(0);
    const report = JSON.parse(stdout) as { pieces: { difficulty: number; proposedLines?: number[][][] }[] };
    const ell = report.pieces.find((p) => p.difficulty === 5);
    expect(ell?.proposedLines).toHaveLength(1);
  });
  it('30 MB of path are refused in one line within 500 MB, and read in less than five seconds of work', () => {
    const path = file(
      'huge.svg',
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><path stroke="#000" d="M0 0${'L12.345 67.891'.repeat(2_100_000)}"/></svg>`,
    );
    const { status, stderr } = spawnSync(process.execPath, ['--max-old-space-size=500', CLI, 'pieces', path], {
      encoding: 'utf8',
    });
    expect([status, stderr.trim().split('\n').length]).toEqual([2, 1]);
    // Work, not waiting: the processor's time does not depend on what else the machine is doing.
    const source = readFileSync(path, 'utf8');
    const before = process.cpuUsage();
    expect(readCartoon(source)).toEqual({ refusal: 'too-large' });
    const { user, system } = process.cpuUsage(before);
    expect((user + system) / 1e6).toBeLessThan(5);
  });
});

describe('layout', () => {
  const job = {
    marginMm: 5,
    edgeMm: 6,
    sheets: [
      {
        id: 'S1',
        outline: [
          [0, 0],
          [600, 0],
          [600, 400],
          [0, 400],
        ],
      },
    ],
    pieces: Array.from({ length: 12 }, (_, i) => ({
      id: String(i),
      outline: [
        [0, 0],
        [70, 0],
        [50, 60],
        [10, 55],
      ],
    })),
  };
  const jobFile = (name: string, of: unknown) => file(name, typeof of === 'string' ? of : JSON.stringify(of));

  it('prints an answer that holds, with the keys of the contract, the same for the same steps', () => {
    const path = jobFile('job.json', job);
    const { status, stdout } = run('layout', path, '--steps', '200', '--seed', '3');
    expect(status).toBe(0);
    const answer = JSON.parse(stdout) as Layout & { steps: number };
    expect(Object.keys(answer)).toEqual([
      'placements',
      'unplaced',
      'breaks',
      'offcuts',
      'use',
      'glassConsumedMm2',
      'steps',
    ]);
    expect(answer.placements).toHaveLength(12);
    expect(answer.steps).toBe(200);
    const whole: LayoutJob = {
      ...job,
      keepMm: 60,
      sheets: job.sheets.map((s) => ({
        ...s,
        outline: s.outline.map(([x = 0, y = 0]) => [x, y] as const),
        flowDeg: null,
        offcut: false,
        flaws: [],
      })),
      pieces: job.pieces.map((p) => ({
        ...p,
        outline: p.outline.map(([x = 0, y = 0]) => [x, y] as const),
        flowDeg: null,
        flowToleranceDeg: 0,
        turnOver: false,
      })),
    };
    expect(checkLayout(whole, answer)).toEqual([]);
    expect(run('layout', path, '--steps', '200', '--seed', '3').stdout).toBe(stdout);
  });

  it('ends with its time', () => {
    const started = performance.now();
    expect(run('layout', jobFile('job.json', job), '--time', '2s').status).toBe(0);
    expect(performance.now() - started).toBeLessThan(7000);
  });

  it.each([
    ['no JSON', '{', 'This file is no JSON, so no job can be read from it.'],
    ['nothing in it', {}, 'In this job “marginMm” is missing.'],
    [
      'an outline that crosses itself',
      {
        ...job,
        sheets: [
          {
            id: 'S',
            outline: [
              [0, 0],
              [9, 9],
              [9, 0],
              [0, 9],
            ],
          },
        ],
      },
      'The outline of sheet S crosses itself.',
    ],
    [
      'a flaw outside',
      {
        ...job,
        sheets: [
          {
            ...job.sheets[0],
            flaws: [
              [
                [700, 1],
                [710, 1],
                [710, 9],
              ],
            ],
          },
        ],
      },
      'A flaw of sheet S1 lies outside it.',
    ],
    ['two of a name', { ...job, pieces: [job.pieces[0], job.pieces[0]] }, 'Two pieces are called 0.'],
    [
      'a point that is none',
      {
        ...job,
        pieces: [
          {
            id: '7',
            outline: [
              [0, 0],
              [1, 'x'],
              [2, 2],
            ],
          },
        ],
      },
      'In this job “pieces”, no. 1, “outline”, no. 2, no. 2 must be a number.',
    ],
  ])('refuses %s in one line', (_, of, words) => {
    const { status, stdout, stderr } = run('layout', jobFile('bad.json', of));
    expect([status, stdout, stderr]).toEqual([2, '', `${words}\n`]);
  });

  it.each([['--time', 'soon'], ['--seed', '-1'], ['--prefer', 'speed'], ['--frob']])('refuses %s %s', (...option) => {
    const { status, stdout, stderr } = run(
      'layout',
      jobFile('job.json', job),
      ...option.filter((o) => o !== undefined),
    );
    expect([status, stdout, stderr.trim().split('\n').length]).toEqual([2, '', 1]);
  });
});
