import { glassLabel, stillToCut, type OneGlass } from '#core/bench';
import { signedArea, type Ring } from '#core/geometry';
import {
  breakOut,
  freeParts,
  NOTHING_LAID,
  glassJob,
  keptLayout,
  laidOutBy,
  sheetOf,
  withHandLaid,
  type GlassPiece,
  type HandLaidSheet,
  type KeptSheet,
  type LaidOutBy,
  type Layout,
  type SheetSize,
  type SpotFound,
} from '#core/layout';
import { outlineWhereItLies, type Glass } from '#core/stock';
import type { PieceOfPanel } from '../../panel/sheetLaid.ts';
import type { PanelView } from '../../panel/view.ts';
import type { StockRow } from '../../state/studio.ts';
import type { PanelBeside } from './usePanelsBeside.ts';
import type { LayoutWish } from '../../worker/layout.worker.ts';
import { stockFor } from '../../panel/stockFor.ts';
import type { SheetLaid } from '../../panel/sheetLaid.ts';

/** One glass of the panel: what is to be cut from it, on what, and what is laid out to stay. */
export interface GlassWish extends LayoutWish {
  readonly glass: Glass;
  readonly stock: readonly StockRow[];
  /** Sheets as they are laid out and kept. */
  readonly kept: readonly SheetLaid[];
  /** Sheets on which pieces lie by hand: others may be laid beside them. */
  readonly byHand: readonly HandLaidSheet[];
  /** Which piece each id of the job means. */
  readonly pieceOf: ReadonlyMap<string, PieceOfPanel>;
  /** Where those pieces lie, by their ids. */
  readonly handSpots: ReadonlyMap<string, SpotFound>;
  /** Sheets on which pieces lie by hand so that no straight break leads between them. */
  readonly stuck: readonly string[];
  /** Sheets and offcuts that another panel is laid out on. */
  readonly taken: readonly string[];
}

export interface HowLaid {
  readonly prefersUse: boolean;
  readonly isTurnedOver: boolean;
  /** How long it is looked for: 1 as a rule. */
  readonly effort: number;
  /** What was kept is lifted off and laid out with the rest. */
  readonly isAnew: boolean;
}

/** So many steps, and so many more for each piece, are enough for most; more are for whoever asks. */
const STEPS = 600;
const STEPS_A_PIECE = 40;

interface Waiting extends Omit<OneGlass, 'id'> {
  /** As it is labelled; of another panel, with the letter of that panel before it. */
  readonly id: string;
  readonly outline: Ring;
}

/**
 * What is to be laid out of a panel, and of those beside it in the same glasses: pieces that are not cut yet, by glass,
 * those with most pieces first.
 */
export function wishesOf(
  view: PanelView,
  beside: readonly PanelBeside[],
  { prefersUse, isTurnedOver, effort, isAnew }: HowLaid,
): GlassWish[] {
  const { glasses, reader, limits } = view;
  const by = laidOutBy(limits);
  return [...waitingByGlass(view, beside)]
    .flatMap(([glassId, list]): GlassWish[] => {
      const glass = glasses.get(glassId);
      if (glass === undefined) return [];
      const all = [...reader.all('stock')].filter((item) => item.glassId === glassId);
      const stock = stockFor(view, glassId);
      const { kept, byHand, stuck, open } = divided(list, stock, glass, isAnew, by);
      const own = new Set(list.map(({ spot }) => spot?.stockId));
      const taken = stock.filter((item) => item.breaks !== null && !own.has(item.id));
      const spoken = new Set([...kept, ...byHand, ...stuck].map(({ sheet }) => sheet.id));
      const free = stock.filter((item) => !spoken.has(item.id) && !taken.includes(item));
      const pieces = open.map(({ id, piece, outline }): GlassPiece => ({
        id,
        outline,
        flowDeg: piece.flowDeg,
      }));
      const plain = glassJob(pieces, glass, free, by, isTurnedOver);
      const job = { ...plain, sheets: [...byHand.flatMap((one) => freeParts(one)), ...plain.sheets] };
      const steps = (STEPS + STEPS_A_PIECE * pieces.length) * effort;
      const size = largest(all);
      const key = JSON.stringify([job, size, prefersUse, steps]);
      return [
        {
          key,
          job,
          size,
          prefersUse,
          steps,
          glass,
          stock,
          kept,
          byHand,
          pieceOf: new Map(
            list.map(({ id, piece: { panelId, number }, of }) => [id, { panelId, number, ...(of ? { of } : {}) }]),
          ),
          handSpots: new Map(byHand.flatMap((one) => handSpots(one, list))),
          stuck: stuck.map(({ sheet }) => sheet.id),
          taken: taken.map((item) => item.id),
        },
      ];
    })
    .sort((a, b) => countOf(b) - countOf(a) || a.glass.code.localeCompare(b.glass.code));
}

const countOf = ({ job, kept }: GlassWish): number =>
  job.pieces.length + kept.reduce((sum, { layout }) => sum + layout.placements.length, 0);

function waitingByGlass(
  { panel: { route }, pieces, answer }: PanelView,
  beside: readonly PanelBeside[],
): Map<string, Waiting[]> {
  const byGlass = new Map<string, Waiting[]>();
  const own = { letter: '', route, pieces, cuts: answer?.cuts ?? [] };
  for (const panel of [own, ...beside]) {
    const cuts = new Map(panel.cuts.map((cut) => [cut.number, cut]));
    for (const row of panel.pieces) {
      const outline = cuts.get(row.number)?.rings.find((ring) => signedArea(ring) > 0);
      if (outline === undefined) continue;
      for (const one of stillToCut(panel.route, row)) {
        if (one.glassId === null) continue;
        const list = byGlass.get(one.glassId);
        const label = glassLabel(panel.route, one);
        const waits = { ...one, id: panel.letter === '' ? label : `${panel.letter} ${label}`, outline };
        if (list) list.push(waits);
        // A glass that the panel itself does not wait for is no matter of its layout.
        else if (panel === own) byGlass.set(one.glassId, [waits]);
      }
    }
  }
  return byGlass;
}

type Lying = Pick<KeptSheet, 'sheet' | 'placements' | 'insides'>;

/** What lies on one sheet by the spots of its pieces. */
function lyingOn(item: StockRow, glass: Glass, list: readonly Waiting[]): Lying {
  const here = list.flatMap(({ id: pieceId, spot, outline }) => {
    if (spot?.stockId !== item.id) return [];
    const { rotationDeg, turnedOver, at } = spot;
    const lies = outlineWhereItLies(outline, spot);
    return [
      { placement: { pieceId, sheetId: item.id, rotationDeg, turnedOver, outline: lies }, inside: { id: pieceId, at } },
    ];
  });
  return {
    sheet: sheetOf(item, glass),
    placements: here.map((one) => one.placement),
    insides: here.map((one) => one.inside),
  };
}

function handSpots({ placements }: HandLaidSheet, list: readonly Waiting[]) {
  return placements.flatMap(({ pieceId }) => {
    const spot = list.find(({ id }) => id === pieceId)?.spot;
    if (!spot) return [];
    const { turnedOver, rotationDeg, x, y, at, byHand } = spot;
    return [[pieceId, { turnedOver, rotationDeg, x, y, at, byHand }] as const];
  });
}

/** Sheets as they are kept, those that were laid by hand, and the pieces that are still to be laid out. */
function divided(
  list: readonly Waiting[],
  stock: readonly StockRow[],
  glass: Glass,
  isAnew: boolean,
  { marginMm, keepMm }: LaidOutBy,
) {
  const kept: SheetLaid[] = [];
  const byHand: HandLaidSheet[] = [];
  const stuck: Lying[] = [];
  const isOpen = new Set(list);
  const isHand = ({ spot }: Waiting) => spot?.byHand === true;
  const settle = (lying: readonly Waiting[]) => {
    for (const one of lying) isOpen.delete(one);
  };
  const onlyByHand: { item: StockRow; lying: Waiting[] }[] = [];
  for (const item of stock) {
    const all = list.filter(({ spot }) => spot?.stockId === item.id);
    const lying = isAnew || item.breaks === null ? all.filter(isHand) : all;
    if (lying.length === 0) continue;
    settle(lying);
    if (lying.every(isHand)) onlyByHand.push({ item, lying });
    else kept.push(keptOn(item, glass, lying, keepMm));
  }
  for (const { item, lying } of onlyByHand) {
    // With nothing else to lay out there is nothing to look for on it.
    if (isOpen.size === 0 && item.breaks !== null && !isAnew) {
      kept.push(keptOn(item, glass, lying, keepMm));
      continue;
    }
    const laid = lyingOn(item, glass, lying);
    const pieces = laid.placements.map(({ pieceId, outline }) => ({ id: pieceId, outline }));
    const out = breakOut(laid.sheet.outline, pieces, marginMm, keepMm);
    if ('between' in out) stuck.push(laid);
    else byHand.push({ ...laid, out });
  }
  return { kept, byHand, stuck, open: [...isOpen] };
}

/** A sheet with what lies on it, as its layout was kept. */
function keptOn(item: StockRow, glass: Glass, laid: readonly Waiting[], keepMm: number): SheetLaid {
  const kept: KeptSheet = { ...lyingOn(item, glass, laid), breaks: item.breaks ?? [] };
  return { sheet: kept.sheet, rootId: item.rootId, layout: keptLayout([kept], keepMm), kept };
}

/** What is proposed for a glass: what the search found, with what lies by hand; null as long as it has found nothing. */
export function proposalOf({ job, byHand }: GlassWish, found: Layout | null): Layout | null {
  if (found === null && (job.pieces.length > 0 || byHand.length === 0)) return null;
  return withHandLaid(found ?? NOTHING_LAID, byHand, job.keepMm);
}

/** The largest sheet of a glass that was ever on the rack: so large it is sold. */
function largest(stock: readonly StockRow[]): SheetSize | null {
  const sheets = stock.filter((item) => item.kind === 'sheet');
  const [first] = sheets.sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
  return first === undefined ? null : { widthMm: first.widthMm, heightMm: first.heightMm };
}
