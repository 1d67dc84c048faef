import { and, desc, eq, getTableColumns, notInArray, sql } from 'drizzle-orm';
import type { Cartoon, CartoonReading } from '#core/cartoon';
import type { Study } from '#core/cutting';
import type { WantedSupply } from '#core/materials';
import type { LineAllowance } from '#core/sizing';
import type { Db } from './database.ts';
import { hashOf, pack, packJson, unpack, unpackJson } from './packing.ts';
import { drawings, files, fileUses, reckonings, studies } from './schema/index.ts';

/** What a version of a drawing says: all that cannot be worked out again. */
export interface StoredReading extends Pick<CartoonReading, 'findings' | 'repairs' | 'toleranceMm'> {
  readonly cartoon: Cartoon;
}

export interface NewDrawing {
  readonly id: string;
  readonly panelId: string;
  readonly at: number;
  readonly sourceName: string;
  /** The file it came from; a changed drawing names the one that it goes back to. */
  readonly source: string | { readonly hash: string };
  readonly allowance: LineAllowance;
  readonly reading: StoredReading;
  readonly study: Study;
  /** By which the study was made. */
  readonly rules: string;
  readonly sketch: unknown;
}

export type FileUse = typeof fileUses.$inferSelect;
/** A version of a drawing as an export tells it. */
export interface ToldDrawing extends Omit<typeof drawings.$inferSelect, 'packed'> {
  readonly reading: unknown;
}

/** Of a panel, the newest studies are kept at hand; others are made again when they are asked for. */
const STUDIES_KEPT = 3;
/** Places after the decimal point that a study keeps: a tenth of a micrometre. */
const STUDY_GRID = 1e4;

/** Drawings by version, their sources by content, and what follows from them. */
export class DrawingStore {
  readonly #db: Db;

  constructor(db: Db) {
    this.#db = db;
  }

  /** Keeps a version; inside the transaction that names it. */
  keep({ id, panelId, at, sourceName, source, allowance, reading, study, rules, sketch }: NewDrawing): void {
    const sourceHash = typeof source === 'string' ? this.keepFile(source, 'image/svg+xml') : source.hash;
    const packed = packJson(reading);
    this.#db.insert(drawings).values({ id, panelId, at, sourceName, sourceHash, allowance, packed }).run();
    const use = { hash: sourceHash, ofTable: 'drawings', ofId: id, role: 'source', name: sourceName, at };
    this.#db.insert(fileUses).values(use).run();
    this.keepStudy(id, study, rules, sketch);
    this.#forgetOldStudies(panelId);
  }

  /** Keeps a version as an export tells it, with its file already here; what follows from it is made anew when asked for. */
  keepTold({ reading, ...facts }: ToldDrawing): void {
    this.#db
      .insert(drawings)
      .values({ ...facts, packed: packJson(reading) })
      .run();
  }

  keepUse(use: FileUse): void {
    this.#db.insert(fileUses).values(use).run();
  }

  /** Keeps a content once. @returns its hash */
  keepFile(content: string | Uint8Array, mediaType: string): string {
    const hash = hashOf(content);
    const bytes = typeof content === 'string' ? Buffer.byteLength(content) : content.byteLength;
    this.#db
      .insert(files)
      .values({ hash, mediaType, bytes, packed: pack(content) })
      .onConflictDoNothing()
      .run();
    return hash;
  }

  keepStudy(drawingId: string, study: Study, rules: string, sketch: unknown): void {
    const values = { drawingId, rules, packed: pack(studyText(study)), sketch: packJson(sketch) };
    this.#db.insert(studies).values(values).onConflictDoUpdate({ target: studies.drawingId, set: values }).run();
  }

  #forgetOldStudies(panelId: string): void {
    const newest = this.#db
      .select({ id: drawings.id })
      .from(drawings)
      .where(eq(drawings.panelId, panelId))
      .orderBy(desc(drawings.at), desc(sql`rowid`))
      .limit(STUDIES_KEPT)
      .all()
      .map((d) => d.id);
    const ofPanel = this.#db.select({ id: drawings.id }).from(drawings).where(eq(drawings.panelId, panelId));
    for (const kept of [studies, reckonings])
      this.#db
        .delete(kept)
        .where(and(sql`${kept.drawingId} in ${ofPanel}`, notInArray(kept.drawingId, newest)))
        .run();
  }

  /** As it lies: JSON of a {@link StoredReading}, packed. */
  packed(id: string): Buffer | null {
    return this.#db.select({ packed: drawings.packed }).from(drawings).where(eq(drawings.id, id)).get()?.packed ?? null;
  }

  /** Cut outlines and what is hard, or the sketch: packed JSON; null where it has to be made anew. */
  packedStudy(id: string, part: 'packed' | 'sketch', rules: string): Buffer | null {
    const found = this.#db
      .select({ part: studies[part] })
      .from(studies)
      .where(and(eq(studies.drawingId, id), eq(studies.rules, rules)))
      .get();
    return found?.part ?? null;
  }

  /** What a version takes beside glass, where it was reckoned for that very wish. */
  reckoning(id: string, wish: string): readonly WantedSupply[] | null {
    const { drawingId, wanted } = reckonings;
    const found = this.#db
      .select({ wanted })
      .from(reckonings)
      .where(and(eq(drawingId, id), eq(reckonings.wish, wish)))
      .get();
    return found?.wanted ?? null;
  }

  keepReckoning(drawingId: string, wish: string, wanted: readonly WantedSupply[]): void {
    const values = { drawingId, wish, wanted: [...wanted] };
    this.#db.insert(reckonings).values(values).onConflictDoUpdate({ target: reckonings.drawingId, set: values }).run();
  }

  reading(id: string): StoredReading | null {
    const packed = this.packed(id);
    return packed && unpackJson(packed);
  }

  study(id: string, rules: string): Study | null {
    const packed = this.packedStudy(id, 'packed', rules);
    return packed && unpackJson(packed);
  }

  facts(id: string): { allowance: LineAllowance; sourceName: string; sourceHash: string } | null {
    const { allowance, sourceName, sourceHash } = drawings;
    return (
      this.#db.select({ allowance, sourceName, sourceHash }).from(drawings).where(eq(drawings.id, id)).get() ?? null
    );
  }

  /** All that a version says beside its reading. */
  told(id: string): Omit<ToldDrawing, 'reading'> | null {
    const { packed: _, ...facts } = getTableColumns(drawings);
    return this.#db.select(facts).from(drawings).where(eq(drawings.id, id)).get() ?? null;
  }

  /** What each file belongs to. */
  uses(): FileUse[] {
    return this.#db.select().from(fileUses).all();
  }

  source(id: string): { name: string; content: Buffer } | null {
    const found = this.#db
      .select({ name: drawings.sourceName, packed: files.packed })
      .from(drawings)
      .innerJoin(files, eq(files.hash, drawings.sourceHash))
      .where(eq(drawings.id, id))
      .get();
    return found ? { name: found.name, content: unpack(found.packed) } : null;
  }

  /** Ids of all versions, oldest first. */
  ids(): string[] {
    return this.#db
      .select({ id: drawings.id })
      .from(drawings)
      .orderBy(sql`rowid`)
      .all()
      .map((d) => d.id);
  }

  fileHashes(): string[] {
    return this.#db
      .select({ hash: files.hash })
      .from(files)
      .all()
      .map((f) => f.hash);
  }

  file(hash: string): { bytes: number; mediaType: string; packed: Buffer } | null {
    const { bytes, mediaType, packed } = files;
    return this.#db.select({ bytes, mediaType, packed }).from(files).where(eq(files.hash, hash)).get() ?? null;
  }
}

const studyText = (study: Study): string =>
  JSON.stringify(study, (_, value: unknown) =>
    typeof value === 'number' && !Number.isInteger(value) ? Math.round(value * STUDY_GRID) / STUDY_GRID : value,
  );
