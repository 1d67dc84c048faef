import type { LineAllowance, Opening, Technique } from '../sizing/index.ts';
import type { JointKind } from '../cartoon/index.ts';
import { limitsWith, type Limits, type OwnLimits } from '../limits/index.ts';
import type { FinishPlan } from '../finish/index.ts';
import type { Glass, SheetPhoto, Spot, StockItem, StockMove, Supply, SupplyMove } from '../stock/index.ts';
import type { Branded, Currency, DisplayUnit, InstantMs, JointId, PieceId } from '../units/index.ts';
import type { BreakReason } from './reasons.ts';
import type { RepairWay } from './repairs.ts';
import { BEGINS, type RouteStep, type RouteVersion, type StepCode } from './routes/definition.ts';
import type { WorkStage } from './works.ts';

/** Every row knows the log position that last touched it: older than what a screen saw, it cannot be stale. */
export interface Row {
  readonly id: string;
  readonly rev: number;
}

/** Names of rows that hang on a drawing: the panel's, a slash and the id that the drawing gave for good. */
export type PieceRowId = Branded<string, 'piece-row'>;
export type JointRowId = Branded<string, 'joint-row'>;
export const pieceRowId = (panelId: string, id: PieceId): PieceRowId => `${panelId}/${id}` as PieceRowId;
export const jointRowId = (panelId: string, id: JointId): JointRowId => `${panelId}/${id}` as JointRowId;

/** Where something is that is not among the work any more: aside, or deleted and to be had back for a while. */
export const AWAY = ['archived', 'deleted'] as const;
export type Away = (typeof AWAY)[number];

/** What can be archived or deleted. */
export interface MayBeAway {
  readonly away: Away | null;
  /** When that was, ms since 1970. */
  readonly awayAt: number | null;
}

export interface Settings {
  readonly studio: string;
  readonly unit: DisplayUnit;
  readonly currency: Currency;
  readonly locale: string;
  /** A clock that has run longer than this is asked about. Minutes. */
  readonly longClockMin: number;
  /** Limits and measures that the studio has set itself. */
  readonly limits: OwnLimits;
  /** Why glass breaks here, beside what everybody knows, in the studio's own words. */
  readonly ownReasons: readonly string[];
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

/** A commission on its row: whether there is still something to do, kept with every change of its panels. */
export interface CommissionRow extends Commission, MayBeAway {
  readonly inHand: boolean;
}

/** Pieces by stage, and how many broken ones wait: what lists show, kept with every change of a piece. */
export interface PanelCounts {
  readonly stages: Readonly<Record<StepCode, number>>;
  readonly broken: number;
}

export interface Panel {
  readonly commissionId: string;
  readonly name: string;
  readonly technique: Technique;
  /** The version of the route that it goes; a changed route does not touch it. */
  readonly routeId: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  /** The opening it goes into, where there is one. */
  readonly opening: Opening | null;
  readonly cartoonId: string | null;
  readonly sourceName: string | null;
  /** Ids below it were given to parts of its drawings; never counts back, also when a drawing is taken back. */
  readonly freeId: number;
  readonly pieceCount: number;
  readonly jointCount: number;
  readonly counts: PanelCounts;
  /** When it left the studio; null while it is in hand. */
  readonly deliveredAt: number | null;
  readonly away: Away | null;
  readonly awayAt: number | null;
}

/** What a section of a panel is called. Its id is the panel's and the letter. */
export interface Section {
  readonly panelId: string;
  readonly letter: string;
  readonly name: string;
}

/** A step of the whole panel that was done. Its id is the panel's and the step. */
export interface StepDone {
  readonly panelId: string;
  readonly step: StepCode;
  readonly at: number;
}

export interface Piece {
  readonly panelId: string;
  /** The label on drawing and glass; it may change while the piece stays the same. */
  readonly number: number;
  /** False once the drawing has it no more; kept as long as something tells of it. */
  readonly drawn: boolean;
  readonly label: string | null;
  readonly glassId: string | null;
  readonly stage: StepCode;
  /** Steps of the route that only some pieces go through, and this one does. */
  readonly asks: readonly StepCode[];
  /** Set while a broken piece waits to be cut again. */
  readonly broken: BreakReason | null;
  readonly recuts: number;
  /** The sheet or offcut that its present glass came from. */
  readonly from: string | null;
  /** Of the glass that lies behind, where the way of working has one; null for one like that in front. */
  readonly backGlassId: string | null;
  /** The sheet or offcut that the glass behind came from. */
  readonly backFrom: string | null;
  /** Of the cut outline, whole mm². */
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly difficulty: number;
  /** Its drawing changed after its glass was cut: to be held against the new outline. */
  readonly recheck: boolean;
  /** The drawing grew over its glass: that does not reach as far as it has to. */
  readonly tooSmall: boolean;
  /** Of the glass in hand, whole mm², where that was cut to another outline than the drawing has now. */
  readonly glassMm2: number | null;
  /** Flow of the glass, degrees clockwise from x as seen, modulo 180; null for any way. */
  readonly flowDeg: number | null;
  /** Letter of the section it belongs to. */
  readonly section: string | null;
  /** Its number is not to be changed. */
  readonly locked: boolean;
  /** Where it is laid out to be cut, or was cut as laid out; null where nothing is known of that. */
  readonly spot: Spot | null;
  /** The same of the glass behind. */
  readonly backSpot: Spot | null;
}

/** The glass of every piece of a panel, kept under a name. Its id is the panel's and the name in lower case. */
export interface GlassChoice {
  readonly panelId: string;
  readonly name: string;
  /** Ids of glasses by ids of pieces. */
  readonly glasses: Readonly<Record<string, string>>;
}

/** The glass that lies behind, where a piece has one. */
export const backGlassOf = ({ backGlassId, glassId }: Pick<Piece, 'backGlassId' | 'glassId'>): string | null =>
  backGlassId ?? glassId;

/** The area of a piece's glass: of that in hand, else of what is to be cut, mm². */
export const glassAreaOf = ({ glassMm2, areaMm2 }: Pick<Piece, 'glassMm2' | 'areaMm2'>): number => glassMm2 ?? areaMm2;

/** Where lines meet, as the drawing in force has it, and when either side of it was soldered. */
export interface JointRow {
  readonly panelId: string;
  /** Running number: a label. */
  readonly number: number;
  readonly drawn: boolean;
  readonly kind: JointKind;
  readonly frontAt: number | null;
  readonly backAt: number | null;
}

/** One break or recut: what it cost. */
export interface Mishap {
  readonly panelId: string;
  readonly pieceId: PieceRowId;
  /** The piece's number when it happened. */
  readonly number: number;
  readonly at: number;
  readonly reason: BreakReason;
  readonly stage: StepCode;
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

export const NOTES_ABOUT = ['job', 'panel', 'piece', 'glass', 'sheet'] as const;
export type NoteAbout = (typeof NOTES_ABOUT)[number];

/** What somebody wrote or photographed of something. */
export interface Note {
  /** What it is about; see {@link subjectOf}. */
  readonly subject: string;
  /** The panel that it is about, or whose piece it is about. */
  readonly panelId: string | null;
  readonly words: string;
  /** Name of a kept JPEG. */
  readonly picture: string | null;
  readonly at: InstantMs;
  readonly personId: string | null;
}

/** How a note names what it is about: the kind, a colon, and its id. */
export const subjectOf = (about: NoteAbout, id: string): string => `${about}:${id}`;

/** How a panel is to be finished and hung or fitted. Its id is the panel's. */
export interface Finish extends FinishPlan {
  readonly panelId: string;
}

/** Who has the pieces of a section on their bench. Its id is the panel's and the letter. */
export interface Tray {
  readonly panelId: string;
  readonly letter: string;
  readonly personId: string;
  readonly at: InstantMs;
}

/** A day of one person's hours, looked at and signed. Its id is the person's and the day. */
export interface DaySheet {
  readonly personId: string;
  /** `YYYY-MM-DD`, where the studio is. */
  readonly day: string;
  /** The hours of that day as they were signed. */
  readonly minutes: number;
  readonly signedAt: InstantMs;
  readonly signedBy: string | null;
}

/** A rest that pieces or a panel need, with what it is for. */
export interface Wait {
  readonly panelId: string;
  /** None where the whole panel waits. */
  readonly pieces: readonly PieceRowId[];
  /** What they were called when it began. */
  readonly numbers: readonly number[];
  readonly name: string;
  readonly from: InstantMs;
  readonly until: InstantMs;
  /** Somebody has seen that it is over. */
  readonly isOver: boolean;
}

/** A crack that was seen after a piece was built in, and what is done about it. */
export interface Repair {
  readonly panelId: string;
  readonly pieceId: PieceRowId;
  /** The piece's number when it was seen. */
  readonly number: number;
  readonly way: RepairWay;
  readonly words: string;
  readonly openedAt: InstantMs;
  /** Steps of it that are done. */
  readonly done: readonly string[];
  readonly closedAt: InstantMs | null;
}

/** What was decided on the leading of a panel, beside what is worked out. Its id is the panel's. */
export interface LeadMarks {
  readonly panelId: string;
  /** Pieces of came that are cut, by where they begin and end. */
  readonly cut: readonly string[];
  /** At a joint, by its place, the direction in which the came that goes through leaves it, whole degrees. */
  readonly through: Readonly<Record<string, number>>;
  /** Pieces in the order in which somebody wants them laid; none for the best one. */
  readonly laid: readonly PieceRowId[];
}

export interface Tables {
  settings: Settings & Row;
  people: Person & MayBeAway & Row;
  glasses: Glass & MayBeAway & Row;
  stock: StockItem & Row;
  routes: RouteVersion & Row;
  routeSteps: RouteStep & Row;
  commissions: CommissionRow & Row;
  panels: Panel & Row;
  sections: Section & Row;
  steps: StepDone & Row;
  joints: JointRow & Row & { readonly id: JointRowId };
  pieces: Piece & Row & { readonly id: PieceRowId };
  choices: GlassChoice & Row;
  photos: SheetPhoto & Row;
  notes: Note & Row;
  moves: StockMove & Row;
  supplies: Supply & MayBeAway & Row;
  supplyMoves: SupplyMove & Row;
  finishes: Finish & Row;
  trays: Tray & Row;
  waits: Wait & Row;
  repairs: Repair & Row;
  leadMarks: LeadMarks & Row;
  mishaps: Mishap & Row;
  hours: Hours & Row;
  daySheets: DaySheet & Row;
}

export type TableName = keyof Tables;
/** Parents before children: rows are written in this order and taken away in the reverse. */
export const TABLE_NAMES = [
  'settings',
  'people',
  'glasses',
  'stock',
  'routes',
  'routeSteps',
  'commissions',
  'panels',
  'sections',
  'steps',
  'joints',
  'pieces',
  'choices',
  'photos',
  'notes',
  'moves',
  'supplies',
  'supplyMoves',
  'finishes',
  'trays',
  'waits',
  'repairs',
  'leadMarks',
  'mishaps',
  'hours',
  'daySheets',
] as const satisfies readonly TableName[];

export interface RowChange<T extends TableName = TableName> {
  readonly table: T;
  readonly id: string;
  readonly before: Tables[T] | null;
  readonly after: Tables[T] | null;
}

/** The key of a piece or joint by the number it is called: the panel's id, a bar and the number. */
export const numberedKey = (panelId: string, number: number): string => `${panelId}|${number}`;

/** In lower case as SQLite has it, which changes A to Z alone. */
export const plainLower = (text: string): string => text.replace(/[A-Z]/g, (letter) => letter.toLowerCase());

/**
 * What the rules ask the studio for beside single rows by their id. Each question names a table and gives the key by
 * which a row answers it, or null where it answers to none; whoever stores rows keeps an index for each.
 */
export const QUESTIONS = {
  piecesOfPanel: question('pieces', (p) => (p.drawn ? p.panelId : null)),
  /** By {@link numberedKey}. */
  pieceNumbered: question('pieces', (p) => (p.drawn ? numberedKey(p.panelId, p.number) : null)),
  /** Pieces that are laid out on a sheet or offcut and not cut yet. */
  laidOn: question('pieces', (p) => (p.drawn && p.stage === BEGINS ? (p.spot?.stockId ?? null) : null)),
  /** Pieces whose second glass is. */
  backsLaidOn: question('pieces', (p) => (p.drawn && p.backFrom === null ? (p.backSpot?.stockId ?? null) : null)),
  jointNumbered: question('joints', (j) => (j.drawn ? numberedKey(j.panelId, j.number) : null)),
  jointsOfPanel: question('joints', (j) => (j.drawn ? j.panelId : null)),
  sectionsOfPanel: question('sections', (s) => s.panelId),
  stepsOfRoute: question('routeSteps', (s) => s.routeId),
  versionsOfRoute: question('routes', (r) => r.key),
  stepsOfPanel: question('steps', (s) => s.panelId),
  mishapsOfPiece: question('mishaps', (m) => m.pieceId),
  notesAbout: question('notes', (n) => n.subject),
  traysOfPanel: question('trays', (t) => t.panelId),
  waitsOfPanel: question('waits', (w) => (w.isOver ? null : w.panelId)),
  repairsOfPanel: question('repairs', (r) => r.panelId),
  supplyMovesOfPanel: question('supplyMoves', (m) => m.panelId),
  peopleNamed: question('people', (p) => plainLower(p.name)),
  peopleInitialled: question('people', (p) => plainLower(p.initial)),
  panelsOfCommission: question('panels', (p) => p.commissionId),
  glassesWithCode: question('glasses', (g) => g.code.toLowerCase()),
  stockWithLabel: question('stock', (s) => s.id.toLowerCase()),
  stockOfGlass: question('stock', (s) => (s.gone === null ? s.glassId : null)),
  runningClocksOf: question('hours', (h) => (h.endedAt === null && !h.removed ? h.personId : null)),
  runningClocksOn: question('hours', (h) => (h.endedAt === null && !h.removed ? h.panelId : null)),
} as const;

interface QuestionOf<T extends TableName> {
  readonly table: T;
  readonly keyOf: (row: Tables[T]) => string | null;
}
function question<T extends TableName>(table: T, keyOf: (row: Tables[T]) => string | null): QuestionOf<T> {
  return { table, keyOf };
}
export type Question = keyof typeof QUESTIONS;
export type AnswerRow<Q extends Question> = Tables[(typeof QUESTIONS)[Q]['table']];

/** Read access to the studio as it stands. */
export interface Reader {
  get<T extends TableName>(table: T, id: string): Tables[T] | undefined;
  /** The rows that answer a question, in no order. */
  ask<Q extends Question>(question: Q, key: string): Iterable<AnswerRow<Q>>;
}

/** What something is that is among the work. */
export const HERE: MayBeAway = { away: null, awayAt: null };
/** What is archived or deleted stays so while it is changed. */
export const awayOf = (row: MayBeAway | undefined): MayBeAway => (row ? { away: row.away, awayAt: row.awayAt } : HERE);

export const DEFAULT_SETTINGS: Settings = {
  studio: 'My studio',
  unit: 'mm',
  currency: 'EUR',
  locale: 'en-GB',
  longClockMin: 240,
  limits: {},
  ownReasons: [],
};

/** The settings, or what they are before anybody has set them. */
export const settingsOf = (state: Reader): Settings => state.get('settings', 'studio') ?? DEFAULT_SETTINGS;

/** What the studio judges and measures by. */
export const limitsOf = (state: Reader): Limits => limitsWith(settingsOf(state).limits);

export type PanelRow = Tables['panels'];
export type PieceRow = Tables['pieces'];
export type StockRow = Tables['stock'];
