import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { ARROWS, FORBIDDEN_PACKAGES, WEB_ARROWS } from './rooms.ts';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const PLACES = ['core', 'contract', 'server', 'web', 'cli', 'demo'];

function* sources(folder: string): Generator<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* sources(path);
    else if (/\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name)) yield path;
  }
}

const roomOf = (path: string): string => {
  const [top, second] = path.split('/');
  return top === 'core' ? `core/${second}` : (top as string);
};

interface Import {
  readonly from: string;
  readonly what: string;
  readonly to: string | null;
}

/** Imports of every kind: written at the head, when they are wanted, or as the address of a worker. */
const REACHES = /(?:\bfrom\s+|\bimport\s+|\bimport\(\s*|new URL\(\s*)'([^']+)'/g;

function importsOf(file: string): Import[] {
  const from = relative(ROOT, file);
  return [...readFileSync(file, 'utf8').matchAll(REACHES)].map(([, what]) => {
    const spec = what as string;
    if (spec.startsWith('#core/')) return { from, what: spec, to: `core/${spec.slice(6)}/index.ts` };
    if (spec === '#contract') return { from, what: spec, to: 'contract/index.ts' };
    return { from, what: spec, to: spec.startsWith('.') ? relative(ROOT, resolve(dirname(file), spec)) : null };
  });
}

/** Every import that goes where the table has no arrow, reaches past a room's index, or brings a package where it may not be. */
export function wrongImports(imports: readonly Import[]): string[] {
  return imports.flatMap(({ from, what, to }) => {
    const room = roomOf(from);
    if (to === null)
      return (FORBIDDEN_PACKAGES[room.startsWith('core/') ? 'core' : room] ?? []).some(
        (p) => what === p || what.startsWith(`${p}/`) || (p === 'node:' && what.startsWith(p)),
      )
        ? [`${from} brings in ${what}`]
        : [];
    const target = roomOf(to);
    if (target === room) return [];
    if (!(ARROWS[room] ?? []).includes(target)) return [`${from} reaches ${to}`];
    return target.startsWith('core/') && !to.endsWith('/index.ts') && target !== 'core/test'
      ? [`${from} reaches past the index of ${target}: ${to}`]
      : [];
  });
}

const webRoomOf = (path: string): string | null => /^web\/[^/]+(?=\/)/.exec(path)?.[0] ?? null;

export function wrongInWeb(imports: readonly Import[]): string[] {
  return imports.flatMap(({ from, to }) => {
    const [room, target] = [webRoomOf(from), to === null ? null : webRoomOf(to)];
    if (room === null || target === null || room === target) return [];
    return (WEB_ARROWS[room] ?? []).includes(target) ? [] : [`${from} reaches ${to}`];
  });
}

const all = PLACES.flatMap((place) => [...sources(join(ROOT, place))])
  .filter((f) => !/^(core|server)\/test\//.test(relative(ROOT, f)))
  .flatMap(importsOf);

describe('the rooms', () => {
  it('imports run along the arrows only', () => expect(wrongImports(all)).toEqual([]));
  it('the rooms of the interface keep their own arrows', () => expect(wrongInWeb(all)).toEqual([]));
  it('places of the interface do not import one another', () => {
    const place = (path: string) => /^web\/places\/([^/]+)\//.exec(path)?.[1];
    expect(
      all
        .filter(({ from, to }) => to && place(from) && place(to) && place(from) !== place(to))
        .map((i) => `${i.from} → ${i.to}`),
    ).toEqual([]);
  });
  it('there is no ring of imports', () => {
    const next = new Map<string, string[]>();
    for (const { from, to } of all) if (to) next.set(from, [...(next.get(from) ?? []), to]);
    const state = new Map<string, 'open' | 'done'>();
    const rings: string[] = [];
    const walk = (file: string, path: string[]) => {
      if (state.get(file) === 'done') return;
      if (state.get(file) === 'open') return void rings.push([...path.slice(path.indexOf(file)), file].join(' → '));
      state.set(file, 'open');
      for (const to of next.get(file) ?? []) walk(to, [...path, file]);
      state.set(file, 'done');
    };
    for (const file of next.keys()) walk(file, []);
    expect(rings).toEqual([]);
  });
  it('the check bites: a wrong arrow, a way past an index, a forbidden package', () => {
    expect(
      wrongImports([{ from: 'core/stock/x.ts', what: '../bench/index.ts', to: 'core/bench/index.ts' }]),
    ).toHaveLength(1);
    expect(
      wrongImports([{ from: 'core/bench/x.ts', what: '../stock/take.ts', to: 'core/stock/take.ts' }]),
    ).toHaveLength(1);
    expect(
      wrongImports([
        { from: 'core/units/x.ts', what: 'node:fs', to: null },
        { from: 'core/units/x.ts', what: 'react', to: null },
        { from: 'web/x.ts', what: 'express', to: null },
      ]),
    ).toHaveLength(3);
  });
  it('… and in the interface: written at the head, fetched when wanted, or as a worker', () => {
    expect(wrongInWeb([{ from: 'web/ui/x.tsx', what: '', to: 'web/state/send.ts' }])).toHaveLength(1);
    expect(wrongInWeb([{ from: 'web/panel/x.tsx', what: '', to: 'web/places/rack/Rack.tsx' }])).toHaveLength(1);
    const found = [
      ...`import '../a.ts';\nconst x = import('../b.ts');\nnew Worker(new URL('../c.ts', import.meta.url));`.matchAll(
        REACHES,
      ),
    ];
    expect(found.map((m) => m[1])).toEqual(['../a.ts', '../b.ts', '../c.ts']);
    expect(all.some(({ to }) => to === 'web/worker/drawing.worker.ts')).toBe(true);
    expect(all.some(({ from, to }) => from === 'web/app/places.tsx' && to === 'web/places/rack/Rack.tsx')).toBe(true);
  });
  it('the compiler refuses document, console and node: in the core', () => {
    const folder = join(ROOT, '.cache', 'canary');
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'canary.ts'), "import 'node:fs';\nconsole.log(document);\n");
    writeFileSync(
      join(folder, 'tsconfig.json'),
      JSON.stringify({ extends: '../../core/tsconfig.json', include: ['./canary.ts'] }),
    );
    const tsc = join(ROOT, 'node_modules/typescript/bin/tsc');
    expect(existsSync(tsc)).toBe(true);
    let said = '';
    try {
      execFileSync(process.execPath, [tsc, '-p', folder], { encoding: 'utf8' });
    } catch (error) {
      said = (error as { stdout: string }).stdout;
    }
    expect(said).toMatch(/console/);
    expect(said).toMatch(/document/);
  }, 60_000);
});
