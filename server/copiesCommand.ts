import { createWriteStream, existsSync, renameSync, rmSync } from 'node:fs';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { count } from '#core/units';
import { Copies, keepAs } from './copies/copies.ts';
import { CopyJobs } from './copies/copyJobs.ts';
import { COPIES_FOLDER } from './copies/names.ts';
import { exportParts } from './export.ts';
import { openStore } from './openStore.ts';
import { FULL } from './store/folder.ts';
import { own } from './owner.ts';
import type { Store } from './store/store.ts';

/** `npm run copies -- …`: copies of the studio from the command line, where Setup cannot be opened or is not wanted. */
const USAGE =
  'Use: npm run copies -- list | save [FILE] | export FILE.json | put-back yesterday | put-back NAME | put-back FILE';
const folder = process.env.NELVIK_DATA ?? join(homedir(), 'nelvik');
const place = process.env.NELVIK_COPIES ?? join(folder, COPIES_FOLDER);
const studio = join(folder, 'nelvik.sqlite');
const migrations = fileURLToPath(new URL('./migrations', import.meta.url));

/** One plain sentence and the end. */
class Refused extends Error {}

const say = (words: string): void => void process.stdout.write(`${words}\n`);

const at: { store: Store | null } = { store: null };
function store(): Store {
  if (at.store) return at.store;
  if (!existsSync(studio)) throw new Refused(`There is no studio in ${folder}; set NELVIK_DATA to its folder.`);
  const opened = openStore(folder, migrations, place);
  if ('problem' in opened) throw new Refused(opened.problem);
  return (at.store = opened.store);
}

const jobs = new CopyJobs(null);
const copies = new Copies({
  folder: place,
  store,
  jobs,
  clock: Date.now,
});

function list(): void {
  const all = copies.list();
  say(all.length === 0 ? `There are no copies in ${place} yet.` : `Copies in ${place}:`);
  for (const { name, entries, bytes } of all)
    say(
      `  ${name}  ${entries === null ? 'brought from elsewhere' : count(entries, 'entry', 'entries')}, ${Math.ceil(bytes / 1e5) / 10} MB`,
    );
}

async function save(target: string | undefined): Promise<void> {
  if (target === undefined) return say(`Saved as ${join(place, (await copies.save('asked')).name)}`);
  const file = resolve(target);
  if (existsSync(file)) throw new Refused(`${file} is there already; name another file.`);
  const part = `${file}.part`;
  try {
    await jobs.copy(store().file, part);
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
  }
  say(`Saved as ${file}`);
}

async function exportTo(target: string | undefined): Promise<void> {
  if (target === undefined) throw new Refused(USAGE);
  const file = resolve(target);
  if (existsSync(file)) throw new Refused(`${file} is there already; name another file.`);
  const part = `${file}.part`;
  try {
    await pipeline(Readable.from(exportParts(store())), createWriteStream(part));
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
  }
  say(`Everything readable is in ${file}`);
}

async function putBack(wanted: string | undefined): Promise<void> {
  if (wanted === undefined) throw new Refused(USAGE);
  const owned = own(folder);
  if ('problem' in owned) throw new Refused(`${owned.problem} While it runs, copies are put back under its Setup.`);
  const room = join(folder, 'coming');
  try {
    const prepared = await jobs.prepare({ file: fileOf(wanted), folder: room, migrations });
    if ('problem' in prepared) throw new Refused(prepared.problem);
    const kept = exchange(prepared.file);
    say(
      `Put back: ${count(prepared.entries, 'entry', 'entries')}.${kept === null ? '' : ` What was there is kept as ${kept}`}`,
    );
  } finally {
    rmSync(room, { recursive: true, force: true });
    owned.release();
  }
}

function fileOf(wanted: string): string {
  const name = wanted === 'yesterday' ? yesterday() : wanted;
  const file = copies.fileOf(name) ?? resolve(name);
  if (!existsSync(file)) throw new Refused(`There is no copy and no file “${wanted}”. ${USAGE}`);
  if (file === studio) throw new Refused('That is the studio itself; name a copy of it.');
  return file;
}

/** Of a studio that can still be read, its own yesterday; else the last copy that was made by itself. */
function yesterday(): string {
  let found: string | undefined;
  try {
    found = copies.yesterday()?.name;
  } catch {
    found = copies.list().find((copy) => copy.reason === 'daily')?.name;
  }
  if (found === undefined) throw new Refused(`There is no copy of yesterday in ${place}.`);
  return found;
}

/** What is there is kept first, even where it is damaged and can be read no more. */
function exchange(file: string): string | null {
  let kept: string | null = null;
  if (existsSync(studio)) {
    let entries = 0;
    try {
      entries = store().book.lastSeq();
      store().closeForGood();
    } catch (error) {
      if ((error as { code?: string }).code === 'SQLITE_BUSY')
        throw new Refused(
          'Somebody else reads the studio’s file just now; nothing was changed. Try again in a minute.',
        );
    }
    kept = join(place, copies.freeName('before', entries));
    for (const end of ['', '-wal']) if (existsSync(studio + end)) keepAs(studio + end, kept + end);
    for (const end of ['-wal', '-shm']) rmSync(studio + end, { force: true });
  }
  renameSync(file, studio);
  return kept;
}

/** What is said of a fault that no sentence was made for. */
function faultWords(error: unknown): string {
  const { code, message } = error as { code?: string; message?: string };
  if (code !== undefined && FULL.has(code)) return 'The disk is full; make room and do it again. Nothing was changed.';
  return `It could not be done (${(message ?? String(error)).split('\n')[0]}); nothing was changed.`;
}

const [command, name, ...more] = process.argv.slice(2);
try {
  if (more.length > 0) throw new Refused(USAGE);
  if (command === 'list' || command === undefined) list();
  else if (command === 'save') await save(name);
  else if (command === 'export') await exportTo(name);
  else if (command === 'put-back') await putBack(name);
  else throw new Refused(`“${command}” is not a command. ${USAGE}`);
} catch (error) {
  process.stderr.write(`${error instanceof Refused ? error.message : faultWords(error)}\n`);
  process.exitCode = 2;
} finally {
  if (at.store?.sqlite.open === true) at.store.close();
}
