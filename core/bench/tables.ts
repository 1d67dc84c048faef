import type { LineAllowance, Opening, Technique } from '../sizing/index.ts';
import type { Glass, StockItem, StockMove } from '../stock/index.ts';
import type { Currency, DisplayUnit } from '../units/index.ts';
import type { BreakReason, PanelStep, Stage, WorkStage } from './route.ts';

/**
 * Every row knows the log position that last touched it (`rev`: how a stale command is noticed) and the one that
 * made what it says (`made`: an undo touches a row, but gives it back what an earlier act had made of it).
 */
export interface Row {
  readonly id: string;
  readonly rev: number;
  readonly made: number;
}

export interface Settings {
  readonly studio: string;
  readonly unit: DisplayUnit;
  readonly currency: Currency;
  readonly locale: string;
  /** A clock that has run longer than this is asked about. Minutes. */
  readonly longClockMin: number;
}

export interface Person {
  readonly name: string;
  readonly initial: string;
  readonly rateCentsPerHour: number;
  readonly active: boolean;
}

export interface Commission {
  readonly title: string;
  readonly client: string;
  /** `YYYY-MM-DD`, or null when no day was agreed. */
  readonly due: string | null;
  readonly note: string;
}

export interface Panel {
  readonly commissionId: string;
  readonly name: string;
  readonly technique: Technique;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  /** The opening it goes into, where there is one. */
  readonly opening?: Opening | null;
  /** Names of its sections by their letters. */
  readonly sections?: Readonly<Record<string, string>>;
  readonly cartoonId: string | null;
  readonly sourceName: string | null;
  readonly pieceCount: number;
  readonly jointCount: number;
  readonly soldered: { readonly front: readonly number[]; readonly back: readonly number[] };
  /** When each step was done, as an instant. */
  readonly steps: Readonly<Partial<Record<PanelStep, number>>>;
}

export interface Piece {
  readonly panelId: string;
  readonly number: number;
  readonly label: string | null;
  readonly glassId: string | null;
  readonly stage: Stage;
  /** Set while a broken piece waits to be cut again. */
  readonly broken: BreakReason | null;
  readonly recuts: number;
  /** The sheet or offcut that its present glass came from. */
  readonly from: string | null;
  /** Of the cut outline, whole mm². */
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly difficulty: number;
  /** Its drawing changed after its glass was cut: to be held against the new outline. */
  readonly recheck?: boolean;
  /** Flow of the glass, degrees clockwise from x as seen, modulo 180; null for any way. */
  readonly flowDeg?: number | null;
  /** Letter of the section it belongs to. */
  readonly section?: string | null;
  /** Its number is not to be changed. */
  readonly locked?: boolean;
}

/** One break or recut: what it cost. */
export interface Mishap {
  readonly panelId: string;
  readonly number: number;
  readonly at: number;
  readonly reason: BreakReason;
  readonly stage: Stage;
  readonly glassId: string | null;
  readonly glassMm2: number;
  readonly glassCents: number;
  readonly minutes: number;
  readonly labourCents: number;
  readonly recutFrom: string | null;
}

export interface Hours {
  readonly personId: string;
  readonly panelId: string | null;
  readonly stage: WorkStage;
  readonly startedAt: number;
  /** Null while the clock runs. */
  readonly endedAt: number | null;
  readonly byHand: boolean;
  readonly note: string;
  /** The person's rate when the work was done. */
  readonly rateCentsPerHour: number;
  readonly removed: boolean;
}

export interface Tables {
  settings: Settings & Row;
  people: Person & Row;
  glasses: Glass & Row;
  stock: StockItem & Row;
  moves: StockMove & Row;
  commissions: Commission & Row;
  panels: Panel & Row;
  pieces: Piece & Row;
  mishaps: Mishap & Row;
  hours: Hours & Row;
}

export type TableName = keyof Tables;
export const TABLE_NAMES: readonly TableName[] = [
  'settings',
  'people',
  'glasses',
  'stock',
  'moves',
  'commissions',
  'panels',
  'pieces',
  'mishaps',
  'hours',
];

export interface RowChange<T extends TableName = TableName> {
  readonly table: T;
  readonly id: string;
  readonly before: Tables[T] | null;
  readonly after: Tables[T] | null;
}

/** Read access to the studio as it stands. */
export interface Reader {
  get<T extends TableName>(table: T, id: string): Tables[T] | undefined;
  all<T extends TableName>(table: T): Iterable<Tables[T]>;
  piecesOf(panelId: string): Iterable<Tables['pieces']>;
}

export const pieceId = (panelId: string, number: number): string => `${panelId}/${number}`;

export const DEFAULT_SETTINGS: Settings = {
  studio: 'My studio',
  unit: 'mm',
  currency: 'EUR',
  locale: 'en-GB',
  longClockMin: 240,
};

/** The settings, or what they are before anybody has set them. */
export const settingsOf = (state: Reader): Settings => state.get('settings', 'studio') ?? DEFAULT_SETTINGS;

export type StockRow = Tables['stock'];
