import type { Accepted, Submit } from '#contract';
import {
  backGlassOf,
  buildOf,
  routeOf,
  type Command,
  type PanelRow,
  type PieceRow,
  type Refusal,
  type Tables,
} from '#core/bench';
import { isBeddedInSealant, USUAL_FINISH } from '#core/finish';
import { supplyShare } from '#core/labour';
import { alloyInUse, type Alloy, type MaterialsWish } from '#core/materials';
import { materialsWish } from '#core/papers';
import { bySupply, lessInWork, notBooked, SUPPLY_KINDS, type InWork } from '#core/stock';
import type { Desk } from './desk.ts';
import type { Drawings } from './drawings.ts';
import { stepsOf } from './queries/glance.ts';

type Result = Accepted | { readonly refusal: Refusal };
type Supplies = readonly Tables['supplies'][];

/** The shelf as one panel sees it. */
interface PanelShelf {
  readonly supplies: Supplies;
  /** What went into the panel already, by supply. */
  readonly used: ReadonlyMap<string, number>;
  readonly alloy: Alloy;
  readonly wish: MaterialsWish;
}

/** What has to be booked with a command: which of what is in work, and on which side of it. */
interface Settling {
  readonly when: 'before' | 'after';
  readonly inWork: readonly InWork[];
}

/** The id of the command that books what went into work, beside the one that it goes along with. */
export const bookedWith = (commandId: string): string => `${commandId}:used`;

/** What work takes off the shelf beside glass: reckoned as the work goes on, booked when the reckoning would get lost. */
export class Shelf {
  readonly #desk: Desk;
  readonly #drawings: Drawings;

  constructor(desk: Desk, drawings: Drawings) {
    this.#desk = desk;
    this.#drawings = drawings;
  }

  /** What went into the panels in hand and is not booked yet. */
  async inWork(): Promise<InWork[]> {
    return this.#of(this.#desk.state.where('panels', 'delivered_at is null and away is null order by rowid'));
  }

  /** Supplies as they stand on the shelf. */
  async supplies(): Promise<Supplies> {
    return lessInWork(this.#listed(), await this.inWork());
  }

  /** What stands there, what went into one panel already, and what is asked of its materials. */
  async forPanel(panel: PanelRow): Promise<PanelShelf> {
    const { state } = this.#desk;
    const inWork = await this.inWork();
    const moves = [...state.ask('supplyMovesOfPanel', panel.id)];
    const supplies = lessInWork(this.#listed(), inWork);
    const own = inWork.filter((one) => one.panelId === panel.id);
    const alloy = alloyOf(supplies, moves);
    const wish = this.#wish(panel, [...state.ask('piecesOfPanel', panel.id)], alloy);
    return { supplies, used: bySupply([...moves.map(asUsed), ...own]), alloy, wish };
  }

  #wish(
    panel: PanelRow,
    pieces: readonly Pick<PieceRow, 'number' | 'glassId' | 'backGlassId' | 'asks'>[],
    alloy: Alloy,
  ): MaterialsWish {
    const { state } = this.#desk;
    const ids = new Set(pieces.flatMap((piece) => [piece.glassId, backGlassOf(piece)]));
    const glasses = new Map([...ids].map((id) => [id, id === null ? undefined : state.get('glasses', id)]));
    const withGlass = pieces.map((piece) => ({
      number: piece.number,
      glass: glasses.get(piece.glassId) ?? null,
      back: glasses.get(backGlassOf(piece)) ?? null,
    }));
    return materialsWish(panel.allowance, withGlass, {
      alloy,
      ...buildOf(routeOf(state, panel), pieces),
      isBeddedInSealant: isBeddedInSealant(state.get('finishes', panel.id) ?? USUAL_FINISH),
    });
  }

  /**
   * Carries a command out, and books with it what its panel took so far when it leaves, or what is gone of a supply
   * before that is counted: what was counted has lost it already.
   */
  async submit(request: Submit, at: number): Promise<Result> {
    const { when, inWork } = await this.#settling(request.command);
    if (inWork.length === 0) return this.#desk.submit(request, at);
    const { commandId, bench, personId } = request;
    const items = inWork.map((one, i) => ({ ...one, id: `${commandId}:${i}` }));
    const command = { kind: 'book-used', ask: { items } } as const;
    const along = { commandId: bookedWith(commandId), bench, personId, basis: this.#desk.seq, command };
    return this.#desk.submitWith(request, along, when, at);
  }

  async #settling(command: Command): Promise<Settling> {
    const { state } = this.#desk;
    switch (command.kind) {
      case 'finish-step': {
        const panel = state.get('panels', command.ask.panelId);
        const step = panel && routeOf(state, panel).panelSteps.find((one) => one.code === command.ask.step);
        return { when: 'after', inWork: panel && step?.deed === 'delivers' ? await this.#of([panel]) : [] };
      }
      case 'put-away': {
        const { table, id } = command.ask;
        const panel = table === 'panels' ? state.get('panels', id) : undefined;
        const panels = table === 'commissions' ? [...state.ask('panelsOfCommission', id)] : panel ? [panel] : [];
        const inHand = panels.filter((one) => one.deliveredAt === null && one.away === null);
        return { when: 'after', inWork: await this.#of(inHand) };
      }
      case 'move-supply': {
        const { supplyId, kind, reckoned, panelId } = command.ask;
        // Weighed for one panel, what others took of it is not that panel's.
        const isCounted = kind === 'counted' || (kind === 'used' && reckoned !== null);
        const all = isCounted ? await this.inWork() : [];
        const inWork = all.filter(
          (one) => one.supplyId === supplyId && (kind === 'counted' || one.panelId !== panelId),
        );
        return { when: 'before', inWork };
      }
      case 'list-supplies': {
        const counted = new Set(command.ask.items.flatMap(({ id, amount }) => (amount === null ? [] : [id])));
        const all = counted.size > 0 ? await this.inWork() : [];
        return { when: 'before', inWork: all.filter((one) => counted.has(one.supplyId)) };
      }
      default:
        return { when: 'before', inWork: [] };
    }
  }

  async #of(panels: readonly PanelRow[]): Promise<InWork[]> {
    const found: InWork[] = [];
    for (const panel of panels) {
      // What one panel takes is not there for the next.
      const inWork = await this.#ofPanel(panel, lessInWork(this.#listed(), found));
      for (const one of inWork) found.push({ ...one, panelId: panel.id });
    }
    return found;
  }

  async #ofPanel(panel: PanelRow, supplies: Supplies): Promise<readonly Omit<InWork, 'panelId'>[]> {
    const { state } = this.#desk;
    if (panel.cartoonId === null || supplies.length === 0) return [];
    const ofPanel = 'panel_id = ? and drawn = 1';
    const pieces = state.fieldsWhere(
      'pieces',
      ['number', 'stage', 'perimeterMm', 'glassId', 'backGlassId', 'asks'],
      ofPanel,
      panel.id,
    );
    const joints = state.fieldsWhere('joints', ['frontAt', 'backAt'], ofPanel, panel.id);
    const soldered = joints.reduce(
      (sum, { frontAt, backAt }) => sum + Number(frontAt !== null) + Number(backAt !== null),
      0,
    );
    const steps = stepsOf(state, panel.id);
    const route = routeOf(state, panel);
    const work = { route, pieces, joints: joints.length, soldered, isStepDone: (code: string) => code in steps };
    const shares = new Map(SUPPLY_KINDS.map((kind) => [kind, supplyShare(work, kind)]));
    if ([...shares.values()].every((share) => share === 0)) return [];
    const moves = [...state.ask('supplyMovesOfPanel', panel.id)];
    const wish = this.#wish(panel, pieces, alloyOf(supplies, moves));
    const wanted = (await this.#drawings.wanted(panel.cartoonId, wish)) ?? [];
    return notBooked(wanted, supplies, panel.technique, (kind) => shares.get(kind) ?? 0, bySupply(moves.map(asUsed)));
  }

  #listed(): Supplies {
    return this.#desk.state.where('supplies', 'away is null order by kind, name, id');
  }
}

const asUsed = ({ supplyId, delta }: Tables['supplyMoves']) => ({ supplyId, amount: -delta });

const alloyOf = (supplies: Supplies, moves: readonly Tables['supplyMoves'][]): Alloy =>
  alloyInUse(
    supplies,
    moves.map((move) => move.supplyId),
  );
