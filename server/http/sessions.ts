import { createHash, randomBytes, randomUUID, scryptSync } from 'node:crypto';
import Database from 'better-sqlite3';
import { desc, eq, lt, or, sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { codeOf, FULL } from '../store/folder.ts';
import { pauseAfter } from './tries.ts';

const DAY_MS = 86_400_000;
/** A session that nobody uses ends after so long; any ends after the longest, and the passcode is asked for again. */
export const UNUSED_MS = 14 * DAY_MS;
export const LONGEST_MS = 90 * DAY_MS;
/** That it is used is written down so often at most. */
const SEEN_EVERY_MS = 60_000;
/** Wrong tries are forgotten after a day without one. */
const TRIES_KEPT_MS = DAY_MS;
const TOGETHER = 'all';

const sessions = sqliteTable('sessions', {
  id: text('id').primaryKey(),
  /** Of the token that the browser holds (SHA-256, hex): the file alone opens nothing. */
  tokenHash: text('token_hash').notNull().unique(),
  /** Of the passcode it was opened with: another passcode ends it. */
  mark: text('mark').notNull(),
  device: text('device').$type<DeviceKind>().notNull(),
  address: text('address').notNull(),
  startedAt: integer('started_at').notNull(),
  seenAt: integer('seen_at').notNull(),
});
const tries = sqliteTable('tries', {
  address: text('address').primaryKey(),
  wrong: integer('wrong').notNull(),
  at: integer('at').notNull(),
});
const facts = sqliteTable('facts', { key: text('key').primaryKey(), value: text('value').notNull() });

const TABLES = `
create table if not exists sessions (id text primary key, token_hash text not null unique, mark text not null,
  device text not null, address text not null, started_at integer not null, seen_at integer not null);
create table if not exists tries (address text primary key, wrong integer not null, at integer not null);
create table if not exists facts (key text primary key, value text not null);
`;

export type DeviceKind = 'hand' | 'desk';
export type Session = Omit<typeof sessions.$inferSelect, 'tokenHash' | 'mark'>;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/**
 * Who has come in, and who has tried to: in a file of its own beside the studio's, so that it outlives a restart and is no
 * part of any copy.
 */
export class Sessions {
  readonly #sqlite: Database.Database;
  readonly #db: ReturnType<typeof drizzle>;
  readonly #clock: () => number;
  readonly #mark: string;

  constructor(file: string, passcode: string, clock: () => number) {
    this.#sqlite = new Database(file);
    this.#sqlite.pragma('journal_mode = WAL');
    this.#sqlite.exec(TABLES);
    this.#db = drizzle(this.#sqlite);
    this.#clock = clock;
    this.#mark = scryptSync(passcode, this.#salt(), 32).toString('hex');
    this.#forget();
  }

  #salt(): string {
    const known = this.#db.select().from(facts).where(eq(facts.key, 'salt')).get();
    if (known) return known.value;
    const value = randomBytes(16).toString('hex');
    this.#db.insert(facts).values({ key: 'salt', value }).run();
    return value;
  }

  /** @returns the token that the browser is to hold */
  begin(device: DeviceKind, address: string): string {
    this.#forget();
    const token = randomBytes(24).toString('base64url');
    const at = this.#clock();
    const facts = { mark: this.#mark, device, address, startedAt: at, seenAt: at };
    this.#db
      .insert(sessions)
      .values({ id: randomUUID(), tokenHash: hashOf(token), ...facts })
      .run();
    return token;
  }

  /** The session of a token that may still come in. */
  of(token: string): Session | null {
    const found = this.#db
      .select()
      .from(sessions)
      .where(eq(sessions.tokenHash, hashOf(token)))
      .get();
    const at = this.#clock();
    if (!found || found.mark !== this.#mark || hasEnded(found, at)) return null;
    if (at - found.seenAt > SEEN_EVERY_MS) this.#seen(found.id, at);
    const { id, device, address, startedAt, seenAt } = found;
    return { id, device, address, startedAt, seenAt };
  }

  /** On a full disk it is not written down, and nobody is turned away for that. */
  #seen(id: string, at: number): void {
    try {
      this.#db.update(sessions).set({ seenAt: at }).where(eq(sessions.id, id)).run();
    } catch (error) {
      if (!FULL.has(codeOf(error))) throw error;
    }
  }

  list(): Session[] {
    this.#forget();
    const { id, device, address, startedAt, seenAt } = sessions;
    return this.#db.select({ id, device, address, startedAt, seenAt }).from(sessions).orderBy(desc(seenAt)).all();
  }

  end(id: string): void {
    this.#db.delete(sessions).where(eq(sessions.id, id)).run();
  }

  /** How long an address has to wait before its next try is looked at, ms. */
  waitOf(address: string): number {
    const at = this.#clock();
    return Math.max(0, this.#endOfPause(address, false) - at, this.#endOfPause(TOGETHER, true) - at);
  }

  #endOfPause(address: string, isTogether: boolean): number {
    const found = this.#db.select().from(tries).where(eq(tries.address, address)).get();
    // A clock that was set back must not lock anybody out for longer than the pause itself.
    return found ? Math.min(found.at, this.#clock()) + pauseAfter(found.wrong, isTogether) : 0;
  }

  wrong(address: string): void {
    const at = this.#clock();
    this.#db
      .delete(tries)
      .where(lt(tries.at, at - TRIES_KEPT_MS))
      .run();
    for (const of of [address, TOGETHER])
      this.#db
        .insert(tries)
        .values({ address: of, wrong: 1, at })
        .onConflictDoUpdate({ target: tries.address, set: { wrong: sql`${tries.wrong} + 1`, at } })
        .run();
  }

  right(address: string): void {
    this.#db.delete(tries).where(eq(tries.address, address)).run();
  }

  #forget(): void {
    const at = this.#clock();
    this.#db
      .delete(sessions)
      .where(
        or(
          sql`${sessions.mark} <> ${this.#mark}`,
          lt(sessions.seenAt, at - UNUSED_MS),
          lt(sessions.startedAt, at - LONGEST_MS),
        ),
      )
      .run();
  }

  close(): void {
    this.#sqlite.close();
  }
}

const hasEnded = ({ seenAt, startedAt }: Session, at: number): boolean =>
  at - seenAt > UNUSED_MS || at - startedAt > LONGEST_MS;
