import { nth } from '#core/units';
import { randomUUID } from 'node:crypto';
import type { Submit } from '#contract';
import { routeOf, stepOf, type Command, type StepCode, type WorkStage } from '#core/bench';
import { DEFAULT_ALLOWANCE, type Opening, type Technique } from '#core/sizing';
import { drawnIn } from '../server/drawings.ts';
import type { Desk } from '../server/desk.ts';
import { readDrawing } from '#core/cutting';
import { DEFAULT_LIMITS } from '#core/limits';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
export const DAY = 24 * HOUR;
/** Minutes a piece takes at each stage in the demo (from memory). */
const MINUTES_A_PIECE: Readonly<Record<StepCode, number>> = {
  cut: 4.2,
  ground: 2.6,
  foiled: 3.4,
  leaded: 6.5,
  'in-place': 1.1,
};

/** The demo studio at work: issues real commands at instants of the past. */
export class Works {
  readonly desk: Desk;
  at: number;
  readonly #random: () => number;
  /** Drawings by their source: a studio that makes one light many times reads it once. */
  readonly #read = new Map<string, ReturnType<typeof readDrawing>>();

  constructor(desk: Desk, at: number, random: () => number) {
    this.desk = desk;
    this.at = at;
    this.#random = random;
  }

  do(command: Command, personId: string | null = null): void {
    const submit: Submit = {
      commandId: randomUUID(),
      basis: this.desk.seq,
      personId,
      bench: `demo-${personId ?? 'office'}`,
      command,
    };
    const result = this.desk.submit(submit, this.at);
    if ('refusal' in result)
      throw new Error(`the demo's ${command.kind} was refused: ${JSON.stringify(result.refusal)}`);
  }

  /** Enters a commission with panels, each with its drawing, and gives every piece its glass. */
  panel(
    panelId: string,
    commissionId: string,
    name: string,
    technique: Technique,
    svg: string,
    glassFor: (at: readonly [number, number], number: number) => string | null,
  ): void {
    this.do({
      kind: 'save-panel',
      ask: {
        id: panelId,
        commissionId,
        name,
        technique,
        widthMm: 100,
        heightMm: 100,
        allowance: DEFAULT_ALLOWANCE[technique],
      },
    });
    const key = `${technique} ${svg}`;
    const allowance = DEFAULT_ALLOWANCE[technique];
    const result =
      this.#read.get(key) ?? readDrawing({ kind: 'read', source: svg, options: {}, allowance, limits: DEFAULT_LIMITS });
    this.#read.set(key, result);
    if ('refusal' in result) throw new Error(`the drawing of ${name} was refused: ${result.refusal}`);
    const { cartoon } = result;
    const { ask, drawing } = drawnIn(this.desk.state, { id: panelId, cartoonId: null }, result, {
      at: this.at,
      source: svg,
      sourceName: `${panelId}.svg`,
      allowance,
      origin: 'import',
      letGo: [],
    });
    const sender = { commandId: randomUUID(), personId: null, bench: 'demo-office', basis: this.desk.seq };
    const taken = this.desk.acceptDrawing(ask, drawing, sender, this.at);
    if ('refusal' in taken) throw new Error(`the drawing of ${name} was refused: ${taken.refusal.code}`);
    const byGlass = new Map<string, number[]>();
    for (const piece of cartoon.pieces) {
      const glassId = glassFor(piece.labelAt, piece.number);
      if (glassId !== null) byGlass.set(glassId, [...(byGlass.get(glassId) ?? []), piece.number]);
    }
    for (const [glassId, numbers] of byGlass) this.do({ kind: 'choose-glass', ask: { panelId, numbers, glassId } });
  }

  /** Says which opening a panel goes into. */
  opening(id: string, opening: Opening): void {
    const row = this.desk.state.get('panels', id);
    if (!row) throw new Error(`there is no panel ${id}`);
    const { commissionId, name, technique, widthMm, heightMm, allowance } = row;
    this.do({
      kind: 'save-panel',
      ask: { id, commissionId, name, technique, widthMm, heightMm, allowance, opening },
    });
  }

  /** Cuts pieces glass by glass from the fullest sheet, leaving an offcut now and then. */
  cut(panelId: string, numbers: readonly number[], personId: string): void {
    const { state } = this.desk;
    const byGlass = new Map<string, number[]>();
    for (const piece of state.ask('piecesOfPanel', panelId)) {
      if (numbers.includes(piece.number) && piece.glassId)
        byGlass.set(piece.glassId, [...(byGlass.get(piece.glassId) ?? []), piece.number]);
    }
    const sources = [...byGlass].map(([glassId, list]) => {
      const item = [...state.ask('stockOfGlass', glassId)].sort((a, b) => b.areaMm2 - a.areaMm2)[0];
      if (!item) throw new Error(`the demo has no ${glassId}`);
      return { stockId: item.id, numbers: list, left: { kind: 'stays' as const } };
    });
    this.work(panelId, personId, 'cutting', numbers.length * (MINUTES_A_PIECE.cut ?? 4));
    this.do({ kind: 'cut', ask: { panelId, sources } }, personId);
  }

  advance(panelId: string, numbers: readonly number[], to: StepCode, personId: string): void {
    const panel = this.desk.state.get('panels', panelId);
    if (numbers.length === 0 || !panel) return;
    const work = stepOf(routeOf(this.desk.state, panel), to)?.work ?? 'other';
    this.work(panelId, personId, work, numbers.length * (MINUTES_A_PIECE[to] ?? 2));
    this.do({ kind: 'advance', ask: { panelId, numbers, to } }, personId);
  }

  /** Hours as the clock would have them: from now, in one go; time moves on past them and over the night. */
  work(panelId: string | null, personId: string, stage: WorkStage, minutes: number): void {
    const startedAt = this.at;
    const endedAt = startedAt + Math.round(minutes * (0.85 + 0.4 * this.#random())) * MINUTE;
    this.at = endedAt + 10 * MINUTE;
    this.do(
      { kind: 'enter-hours', ask: { id: randomUUID(), personId, panelId, stage, startedAt, endedAt, note: '' } },
      personId,
    );
    if (new Date(this.at).getHours() >= 17) this.morning(1);
  }

  /** Goes on at nine in the morning, some days later. */
  morning(days: number): void {
    const next = new Date(this.at + days * DAY);
    next.setHours(9, 5, 0, 0);
    this.at = next.getTime();
  }

  /** Takes a whole panel through its route, a handful of pieces at a time, with breaks as they come. */
  finish(
    panelId: string,
    personId: string,
    reasons: readonly Extract<Command, { kind: 'break' }>['ask']['reason'][],
    last: StepCode = 'deliver',
  ): void {
    const panel = this.desk.state.get('panels', panelId);
    if (!panel) return;
    const numbers = [...this.desk.state.ask('piecesOfPanel', panelId)].map((p) => p.number).sort((a, b) => a - b);
    const route = routeOf(this.desk.state, panel);
    for (let i = 0; i < numbers.length; i += 12) this.cut(panelId, numbers.slice(i, i + 12), personId);
    for (const [i, reason] of reasons.entries()) {
      const broken = [nth(numbers, (i * 7 + 3) % numbers.length)];
      this.do(
        {
          kind: 'break',
          ask: { panelId, numbers: broken, reason, minutes: 6 + Math.round(this.#random() * 12), recut: null },
        },
        personId,
      );
      this.cut(panelId, broken, personId);
    }
    for (const { code } of route.pieceSteps.slice(2))
      for (let i = 0; i < numbers.length; i += 24) this.advance(panelId, numbers.slice(i, i + 24), code, personId);
    const steps =
      panel.technique === 'foil'
        ? (['solder-front', 'solder-back', 'rim', 'patina', 'wash', 'wax', 'deliver'] as const)
        : (['solder-front', 'solder-back', 'cement', 'wash', 'deliver'] as const);
    for (const step of steps) {
      this.work(
        panelId,
        personId,
        step.startsWith('solder') || step === 'rim' ? 'soldering' : 'finishing',
        30 + numbers.length * 0.8,
      );
      this.do({ kind: 'finish-step', ask: { panelId, step } }, personId);
      if (step === last) return;
    }
  }
}
