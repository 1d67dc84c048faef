import {
  glassBehind,
  hasBack,
  lastStageOf,
  ownGlass,
  routeOf,
  REPAIR_WAYS,
  repairSteps,
  SHIPPED_ROUTES,
  settingsOf,
  sourcesAsLaid,
  wantsBack,
  type ActKind,
  type AskOf,
  type Command,
  type OneGlass,
  type StepDefinition,
} from '../bench/index.ts';
import { boxOf } from '../geometry/index.ts';
import { DEFAULT_ALLOWANCE, type Technique } from '../sizing/index.ts';
import { shapeLeft, SUPPLY_MOVES, type StockItem } from '../stock/index.ts';
import { lastOf, nth, seededRandom, type PieceId } from '../units/index.ts';
import { drawing, type SmallStudio } from './smallStudio.ts';

/** What somebody at a bench might ask next, by act; a new act does not compile until it is here too. */
type NextAsks = { readonly [K in ActKind]: () => AskOf<K> };

const REASONS = ['dropped', 'chipped', 'brittle'] as const;

/** Acts of every kind in the small studio, at random by `seed`; many of them are refused, as real ones are. */
export function randomWork(s: SmallStudio, technique: Technique, seed: number) {
  const random = seededRandom(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const pick = <T>(list: readonly T[]): T => nth(list, below(list.length));
  const some = (): number[] => Array.from(new Set(Array.from({ length: 1 + below(4) }, () => 1 + below(20))));
  const maybe = <T>(value: T): T | null => (random() < 0.5 ? value : null);
  const onRack = (): string => pick([...s.studio.all('stock')].filter((i) => i.gone === null)).id;
  const stock = (): string => pick([...s.studio.all('stock')]).id;
  const toCut = (): number[] => [...s.studio.all('pieces')].filter((p) => p.stage === 'to-cut').map((p) => p.number);
  const glass = (): string => pick(['blue', 'red']);
  const panelId = 'p';
  let made = 0;
  const fresh = (kind: string): string => `${kind}${++made}`;

  const left = () =>
    pick([
      { kind: 'stays' as const },
      { kind: 'laid' as const },
      { kind: 'waste' as const },
      { kind: 'offcuts' as const, offcuts: [{ widthMm: 30 * random() + 5, heightMm: 30 }] },
    ]);
  const panel = {
    id: panelId,
    commissionId: 'c',
    technique,
    widthMm: 100,
    heightMm: 100,
    allowance: DEFAULT_ALLOWANCE[technique],
  };
  const painted: StepDefinition = {
    ...nth(nth(SHIPPED_ROUTES, 0).steps, 2),
    code: 'painted',
    word: 'painted',
    verb: 'Paint',
    calls: ['painted'],
    onlyAsked: true,
  };
  const backed: StepDefinition = {
    ...painted,
    code: 'both-cut',
    word: 'both cut',
    verb: 'Cut the second glass of',
    calls: ['both'],
    deed: 'takes-back',
  };
  let routesMade = 0;
  /** The route as shipped, with a second glass for all or some and paint after grinding; another word each time, so that it is a version of its own. */
  const steps = (): StepDefinition[] => {
    const shipped = nth(SHIPPED_ROUTES, technique === 'foil' ? 0 : 1).steps;
    const more: Readonly<Record<string, StepDefinition>> = {
      cut: { ...backed, onlyAsked: routesMade++ % 2 === 1 },
      ground: { ...painted, word: fresh('paint ') },
    };
    return shipped.flatMap((step) => [step, ...(more[step.code] ? [more[step.code] as StepDefinition] : [])]);
  };
  /** Pieces of two glasses, where there are any. */
  const backs = (): number[] => {
    const own = s.studio.get('panels', panelId);
    const way = own && routeOf(s.studio, own);
    const two = [...s.studio.all('pieces')].filter((p) => way && hasBack(way, p)).map((p) => p.number);
    return two.length > 0 ? [pick(two)] : some();
  };
  const secondToCut = (): ReadonlySet<string> => {
    const own = s.studio.get('panels', panelId);
    const way = own && routeOf(s.studio, own);
    return new Set([...s.studio.all('pieces')].filter((p) => way && wantsBack(way, p)).map((p) => p.id));
  };
  const redrawn = () => {
    const measure = 20 + below(20);
    return some().map((number) => ({
      id: number as PieceId,
      number,
      label: null,
      areaMm2: measure * 30,
      perimeterMm: 2 * (measure + 30),
      widthMm: measure,
      heightMm: 30,
      difficulty: 1 + below(5),
      isNew: false,
      changed: random() < 0.5,
      grew: random() < 0.3,
    }));
  };

  const asks: NextAsks = {
    'change-settings': () => ({
      studio: fresh('Studio '),
      limits: { ...settingsOf(s.studio).limits, narrowMm: 5 + below(4) },
    }),
    'save-person': () => ({
      id: pick(['ada', 'bo']),
      name: fresh('Person '),
      initial: 'P',
      rateCentsPerHour: 1000 * (1 + below(9)),
      active: true,
    }),
    'save-glass': () => ({
      id: glass(),
      code: fresh('G-'),
      name: 'glass',
      colour: '#336699',
      texture: 'smooth',
      thicknessMm: 3,
      hiding: 'clear',
      second: null,
      coat: 'none',
      flow: false,
      priceCentsPerM2: 1000 * below(50),
    }),
    'save-commission': () => ({ id: pick(['c', 'd']), title: fresh('Title '), client: '', due: null, note: '' }),
    'save-panel': () => ({ ...panel, name: fresh('Light ') }),
    'put-away': () => {
      const [table, id] = pick([
        ['commissions', 'd'],
        ['panels', panelId],
        ['glasses', 'red'],
        ['people', 'bo'],
        ['supplies', 'roll'],
      ] as const);
      const isAway = (s.studio.get(table, id)?.away ?? null) !== null;
      return { table, id, as: isAway ? null : pick(['archived', 'deleted'] as const) };
    },
    'save-route': () => ({ key: technique, name: 'With paint', technique, steps: steps() }),
    'accept-drawing': () => {
      const pieces = redrawn();
      return drawing(pieces, technique, {
        cartoonId: fresh('k'),
        follows: s.studio.get('panels', panelId)?.cartoonId ?? null,
        pieceCount: 20,
        joints: [],
      });
    },
    'choose-glass': () => {
      // Mostly pieces that wait, so that kept choices differ from what is there.
      const waiting = toCut();
      return { panelId, numbers: waiting.length > 0 && random() < 0.7 ? waiting : some(), glassId: maybe(glass()) };
    },
    'keep-choice': () => ({ panelId, name: pick(['one', 'two']) }),
    'take-choice': () => ({ panelId, name: pick(['one', 'two', ...[...s.studio.all('choices')].map((c) => c.name)]) }),
    'drop-choice': () => ({ panelId, name: pick(['one', 'two']) }),
    mark: () => ({
      panelId,
      numbers: some(),
      ...pick([{ flowDeg: below(180) }, { section: pick(['A', 'B']), sectionName: 'sky' }, { locked: random() < 0.3 }]),
      ...(random() < 0.3 ? { recheck: false as const } : {}),
    }),
    'ask-steps': () => ({
      panelId,
      numbers: toCut().slice(0, 2),
      ...(random() < 0.2 ? { steps: [], without: askedSteps() } : { steps: maybe(askedSteps()) ?? [] }),
    }),
    'lay-out': () => {
      const item = pick([...s.studio.all('stock')]);
      const onIt = [...s.studio.all('pieces')]
        .flatMap((p) => [
          ...(p.stage === 'to-cut' ? [ownGlass(p)] : []),
          ...(secondToCut().has(p.id) ? [glassBehind(p)] : []),
        ])
        .filter(({ glassId }) => glassId === item.glassId);
      // Second glasses are few: they come first, as often as not.
      if (random() < 0.5) onIt.reverse().sort((a, b) => Number(b.of === 'back') - Number(a.of === 'back'));
      return { panelId, sheets: [laidInStrips(item, onIt.slice(0, 1 + below(4)))] };
    },
    'plan-finish': () => ({
      panelId,
      plan: pick([
        { hold: 'fitted' as const, bars: [below(90)] },
        { spreadDeg: 30 + below(60) },
        { hasOuterGlass: true, tier: maybe(1 + below(3)) },
        { hold: 'lamp' as const, tier: null },
      ]),
      ...(random() < 0.5 ? { measured: { widthMm: 99 + random(), heightMm: 100 } } : {}),
    }),
    'mark-lead': () => ({
      panelId,
      ...pick([
        { cut: { name: `${below(5)}`, isCut: random() < 0.6 } },
        { through: { joint: `${below(5)}`, deg: maybe(below(360)) } },
        { laid: maybe(some()) },
      ]),
    }),
    'begin-wait': () => ({
      id: fresh('w'),
      panelId,
      numbers: random() < 0.3 ? [] : some(),
      name: pick(['glue', 'paint']),
      minutes: 1 + below(900),
    }),
    'end-wait': () => ({ id: [...s.studio.all('waits')].find((one) => !one.isOver)?.id ?? 'none' }),
    'hand-tray': () => ({ panelId, letter: pick(['A', 'B']), personId: pick(['ada', 'bo', null]) }),
    'open-repair': () => {
      const built = [...s.studio.all('pieces')].filter((p) => p.stage === 'in-place' || p.stage === 'leaded');
      return {
        id: fresh('r'),
        panelId,
        number: built.length > 0 ? pick(built).number : 1,
        way: pick(REPAIR_WAYS),
        words: '',
        joints: [1 + below(9)],
      };
    },
    'go-on-repair': () => {
      const open = [...s.studio.all('repairs')].filter((one) => one.closedAt === null);
      if (open.length === 0) return { id: 'none', step: 'looked' };
      const { id, way, done } = pick(open);
      const next = repairSteps(way, technique).find((step) => !done.includes(step.code));
      return { id, step: next?.code ?? 'looked' };
    },
    'save-supply': () => ({
      id: pick(['spool', 'roll']),
      kind: 'solder',
      name: fresh('Solder '),
      sort: '60/40',
      code: '',
      packAmount: 500,
      packCents: 1900,
      low: 100,
      place: '',
    }),
    'list-supplies': () => ({
      items: [{ ...asks['save-supply'](), amount: maybe(below(400)), moveId: fresh('m') }],
    }),
    'move-supply': () => ({
      id: fresh('m'),
      supplyId: pick(['spool', 'roll']),
      kind: pick(SUPPLY_MOVES),
      amount: below(300) + 0.5,
      panelId: maybe(panelId),
      reckoned: maybe(below(200)),
    }),
    'book-used': () => ({
      items: [{ id: fresh('m'), supplyId: pick(['spool', 'roll']), panelId, amount: below(60) + 0.5 }],
    }),
    'sign-day': () => ({ personId: pick(['ada', 'bo']), day: `2026-03-0${1 + below(9)}`, minutes: below(500) }),
    'write-note': () => ({
      id: fresh('n'),
      ...pick([
        { about: 'piece', aboutId: pick([...s.studio.all('pieces')]).id },
        { about: 'panel', aboutId: panelId },
        { about: 'sheet', aboutId: stock() },
      ] as const),
      words: pick(['', 'a seed', 'too dark']),
      picture: maybe('c'.repeat(64)),
    }),
    'drop-note': () => ({ id: [...s.studio.all('notes')].at(-1)?.id ?? 'none' }),
    'take-in': () => ({ panelId, numbers: toCut().slice(0, 2), as: pick(['bought', 'old'] as const) }),
    'follow-route': () => ({
      panelId,
      route: pick(
        technique === 'foil'
          ? ['foil', 'lead-free', 'pressed-pair', 'pressed-pair', route.key]
          : ['lead', 'lead-layered', route.key],
      ),
    }),
    'lift-off': () => {
      const laid = [...s.studio.all('pieces')].filter((p) => p.spot !== null).map((p) => p.number);
      const behind = [...s.studio.all('pieces')].filter((p) => p.backSpot !== null).map((p) => p.number);
      if (behind.length > 0 && random() < 0.3) return { panelId, numbers: [], backs: [pick(behind)] };
      return { panelId, numbers: laid.length > 0 ? [pick(laid)] : some() };
    },
    cut: () => {
      const laid = [...s.studio.all('pieces')].filter((p) => p.spot !== null && p.stage === 'to-cut');
      if (laid.length === 0 || random() < 0.3)
        return { panelId, sources: [{ stockId: stock(), numbers: some(), left: left() }] };
      const { number, spot } = pick(laid);
      const source = { stockId: spot?.stockId ?? '', numbers: [number], left: { kind: 'laid' as const } };
      return { panelId, sources: [source] };
    },
    'choose-back': () => ({ panelId, numbers: backs(), glassId: maybe(glass()) }),
    'cut-back': () => {
      const laid = [...s.studio.all('pieces')].filter((p) => p.backSpot !== null && p.backFrom === null);
      if (laid.length === 0 || random() < 0.3)
        return { panelId, sources: [{ stockId: stock(), numbers: backs(), left: left() }] };
      return { panelId, sources: sourcesAsLaid([glassBehind(pick(laid))]) };
    },
    advance: () => ({
      panelId,
      numbers: some(),
      to: pick(['both-cut', 'ground', 'painted', 'foiled', 'leaded', 'in-place']),
    }),
    'send-back': () => ({ panelId, numbers: some(), reason: 'other' }),
    break: () => ({
      panelId,
      numbers: some(),
      reason: pick(REASONS),
      minutes: below(10),
      recut: maybe({ stockId: stock(), left: left() }),
      ...(random() < 0.4 ? { lostFrom: { stockId: stock(), left: left() } } : {}),
      ...(random() < 0.3 ? { only: pick(['front', 'back']) } : {}),
    }),
    'solder-joints': () => ({
      panelId,
      side: pick(['front', 'back']),
      joints: Array.from(new Set([1 + below(9), 1 + below(9)])),
    }),
    'finish-step': () => ({
      panelId,
      step: pick(['solder-front', 'solder-back', 'rim', 'cement', 'patina', 'deliver']),
    }),
    receive: () => ({
      label: fresh('N'),
      glassId: glass(),
      kind: 'offcut',
      widthMm: 60,
      heightMm: 60,
      place: '',
      costCents: 5,
    }),
    'receive-many': () => ({ items: [asks.receive(), asks.receive()] }),
    'move-many': () => ({ stockIds: [...new Set([stock(), stock()])], place: fresh('slot ') }),
    'keep-for': () => ({ stockIds: [onRack()], commissionId: pick([null, 'c', 'c', 'd']) }),
    'photo-sheet': () => ({
      stockId: stock(),
      photo: maybe({ hash: String(below(10)).repeat(64), x: 0, y: 0, widthMm: 100 + below(5), heightMm: 100 }),
    }),
    'split-stock': () => {
      const item = pick([...s.studio.all('stock')]);
      const { minX, minY, maxX, maxY } = boxOf(shapeLeft(item).outline);
      const x = minX + (maxX - minX) * random();
      return { stockId: item.id, at: { from: [x, minY], to: [x, maxY] } };
    },
    'join-stock': () => {
      const [one, other] = [pick([...s.studio.all('stock')]), pick([...s.studio.all('stock')])];
      const widthMm = one.widthMm + other.widthMm;
      return { stockId: one.id, otherId: other.id, widthMm, heightMm: Math.max(one.heightMm, other.heightMm) };
    },
    'move-stock': () => ({ stockId: stock(), place: fresh('slot ') }),
    'correct-stock': () => {
      const { id, glassId, widthMm, heightMm, costCents } = pick([...s.studio.all('stock')]);
      const other = random() < 0.1 ? glass() : glassId;
      return {
        stockId: id,
        glassId: other,
        widthMm: widthMm + below(4) - 1,
        heightMm,
        place: fresh('slot '),
        costCents,
      };
    },
    'shape-stock': () => {
      const { id, widthMm, heightMm } = pick([...s.studio.all('stock')]);
      const [knockedOff, bottom] = [below(10) + 1, heightMm - below(3)] as const;
      return {
        stockId: id,
        outline: [
          [knockedOff, 0],
          [widthMm, 0],
          [widthMm, bottom],
          [0, bottom],
        ],
        flaws: random() < 0.5 ? [] : [SPECK],
      };
    },
    'count-stock': () => {
      const items = [...new Set([stock(), stock()])];
      const found = items.map((stockId) => {
        const areaMm2 = s.studio.get('stock', stockId)?.areaMm2 ?? 0;
        return { stockId, areaMm2: random() < 0.2 ? null : Math.max(0, areaMm2 - below(50)) };
      });
      return { by: pick(['counted', 'weighed'] as const), place: '', found };
    },
    'withdraw-stock': () => ({ stockId: stock() }),
    'write-off': () => ({ stockId: stock(), reason: 'test' }),
    'start-clock': () => ({ id: fresh('t'), personId: 'ada', panelId: maybe(panelId), stage: 'cutting' }),
    'stop-clock': () => ({ personId: 'ada', endedAt: null }),
    'enter-hours': () => ({
      id: fresh('h'),
      personId: 'ada',
      panelId,
      stage: 'design',
      startedAt: s.at - 3_600_000,
      endedAt: s.at,
      note: '',
    }),
    'remove-hours': () => ({ entryId: lastOf([...s.studio.all('hours')])?.id ?? 'none' }),
    'put-back': () => {
      const back = s.putBack(pick(['undo', 'undo', 'redo']), 'ada', pick([{ panelId }, { panelId }, 'rack', 'setup']));
      if (back.kind !== 'put-back') throw new Error('no put-back');
      return back.ask;
    },
  };
  const route = asks['save-route']();
  s.do({ kind: 'save-route', ask: route });
  s.do({ kind: 'save-panel', ask: { ...asks['save-panel'](), route: route.key } });

  /** One of the steps that only some pieces of the panel's route go through. */
  const askedSteps = (): string[] => {
    const panel = s.studio.get('panels', panelId);
    const offered = panel ? routeOf(s.studio, panel).pieceSteps.filter((step) => step.onlyAsked) : [];
    const second = offered.find((step) => step.deed === 'takes-back');
    if (second && random() < 0.6) return [second.code];
    return offered.length > 0 ? [pick(offered).code] : ['painted'];
  };

  /** What brings the panel on from where it stands: glass chosen, cut, worked to the last stage, joints, steps. */
  const onwards = (): Command => {
    const pieces = [...s.studio.all('pieces')];
    const without = pieces.filter((p) => p.glassId === null).map((p) => p.number);
    if (without.length > 0) return { kind: 'choose-glass', ask: { panelId, numbers: without, glassId: glass() } };
    const toCut = pieces.find((p) => p.stage === 'to-cut');
    if (toCut) {
      const enough = [...s.studio.all('stock')].find(
        (i) => i.glassId === toCut.glassId && i.areaMm2 > 2000 && i.keptFor !== 'd',
      );
      const sheet = { ...asks.receive(), glassId: toCut.glassId ?? glass(), widthMm: 300, heightMm: 300 };
      if (!enough) return { kind: 'receive', ask: sheet };
      const source = { stockId: enough.id, numbers: [toCut.number], left: { kind: 'stays' as const } };
      return { kind: 'cut', ask: { panelId, sources: [source] } };
    }
    const panel = s.studio.get('panels', panelId);
    const half = panel && pieces.find((p) => wantsBack(routeOf(s.studio, panel), p));
    if (half) {
      const glassId = half.backGlassId ?? half.glassId ?? glass();
      const enough = [...s.studio.all('stock')].find(
        (i) => i.glassId === glassId && i.areaMm2 > 2000 && i.keptFor !== 'd',
      );
      if (!enough) return { kind: 'receive', ask: { ...asks.receive(), glassId, widthMm: 300, heightMm: 300 } };
      const source = { stockId: enough.id, numbers: [half.number], left: { kind: 'stays' as const } };
      return { kind: 'cut-back', ask: { panelId, sources: [source] } };
    }
    const last = panel ? lastStageOf(routeOf(s.studio, panel), { asks: [] }) : '';
    const small = pieces.filter((p) => p.tooSmall).map((p) => p.number);
    if (small.length > 0)
      return { kind: 'break', ask: { panelId, numbers: small, reason: 'dropped', minutes: 0, recut: null } };
    const behind = pieces.filter((p) => p.stage !== last).map((p) => p.number);
    if (behind.length > 0) return { kind: 'advance', ask: { panelId, numbers: behind, to: last } };
    const kind = pick(['solder-joints', 'finish-step'] as const);
    return { kind, ask: asks[kind]() } as Command;
  };
  return {
    bench: (): string => pick(BENCHES),
    onwards,
    /**
     * Half of what is asked are the acts of the bench itself; the rest is any act that there is.
     * @param untried kinds that have not been taken yet: now and then one of them
     */
    command: (untried: readonly ActKind[] = []): Command => {
      // What is away takes no work, so it is soon back.
      const away = { table: 'panels' as const, id: panelId, as: null };
      if ((s.studio.get('panels', panelId)?.away ?? null) !== null && random() < 0.7)
        return { kind: 'put-away', ask: away };
      const rare = untried.length > 0 && random() < 0.3 ? pick(untried) : null;
      if (rare !== null) return { kind: rare, ask: asks[rare]() } as Command;
      const kind = random() < 0.5 ? pick(DAILY) : pick(Object.keys(asks) as ActKind[]);
      return { kind, ask: asks[kind]() } as Command;
    },
  };
}

const SPECK = [
  [4, 4],
  [6, 4],
  [5, 6],
] as const;

/** Pieces beside each other over the full height of a sheet, with a break between each two. */
function laidInStrips(item: StockItem, pieces: readonly OneGlass[]) {
  const { outline } = shapeLeft(item);
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const step = (maxX - minX) / Math.max(1, pieces.length);
  const edge = (k: number): number => minX + k * step;
  return {
    stockId: item.id,
    breaks: pieces.slice(1).map((_, k) => ({
      from: [edge(k + 1), minY] as const,
      to: [edge(k + 1), maxY] as const,
    })),
    pieces: pieces.map(({ piece: { number }, of }, k) => ({
      number,
      ...(of ? { of } : {}),
      turnedOver: false,
      rotationDeg: 0,
      x: edge(k),
      y: minY,
      at: [edge(k) + step / 2, (minY + maxY) / 2] as const,
      byHand: false,
    })),
  };
}

const BENCHES = ['bench-1', 'bench-2'] as const;
const DAILY = ['lay-out', 'cut', 'advance', 'break', 'receive', 'solder-joints'] as const satisfies readonly ActKind[];
