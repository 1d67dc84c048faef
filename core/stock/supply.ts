/** What a studio uses up beside glass. */
export const SUPPLY_KINDS = [
  'foil',
  'came',
  'solder',
  'flux',
  'patina',
  'cement',
  'whiting',
  'wax',
  'sealant',
  'other',
] as const;
export type SupplyKind = (typeof SUPPLY_KINDS)[number];

export type SupplyMeasure = 'mm' | 'g' | 'ml' | 'count';
/** What each kind is counted in. */
export const SUPPLY_MEASURES: Readonly<Record<SupplyKind, SupplyMeasure>> = {
  foil: 'mm',
  came: 'mm',
  solder: 'g',
  flux: 'ml',
  patina: 'ml',
  cement: 'g',
  whiting: 'g',
  wax: 'g',
  sealant: 'ml',
  other: 'count',
};

/** Kinds of which it matters which: the width of a foil, the profile of a came, the alloy of a solder. */
export const SORTED_KINDS: readonly SupplyKind[] = ['foil', 'came', 'solder'];

/** Kinds of work that a supply is used for differently. */
export type SupplyWork = 'foil' | 'lead';

/** What was really used for a kind of work, beside what was reckoned for the same work; in the supply's measure. */
export type Learnt = Readonly<Partial<Record<SupplyWork, { readonly used: number; readonly reckoned: number }>>>;

/** A roll, a bundle of cames, a spool, a bottle. Amounts are in the measure of its kind: mm, g, ml or pieces. */
export interface Supply {
  readonly kind: SupplyKind;
  readonly name: string;
  /** Which of its kind, as the reckoning calls it: `7/32 in`, `h6`, `60/40`; empty where that does not matter. */
  readonly sort: string;
  /** What its supplier calls it. */
  readonly code: string;
  /** What one of it holds as it is bought, and what that costs. */
  readonly packAmount: number;
  readonly packCents: number;
  /** What is there. */
  readonly amount: number;
  /** Less than this is little. */
  readonly low: number;
  readonly place: string;
  readonly learnt: Learnt;
}

export const SUPPLY_MOVES = ['bought', 'used', 'counted'] as const;
export type SupplyMoveKind = (typeof SUPPLY_MOVES)[number];

/** One entry of what came, went, or was found to be there. */
export interface SupplyMove {
  readonly supplyId: string;
  readonly kind: SupplyMoveKind;
  /** What it changed, and what was there after. */
  readonly delta: number;
  readonly balance: number;
  readonly cents: number;
  readonly panelId: string | null;
  readonly at: number;
  readonly personId: string | null;
}

/** Amounts are kept to a thousandth, so that sums of many come out as they went in. */
export const tidyAmount = (amount: number): number => Math.round(amount * 1000) / 1000;

/** What so much of a supply costs, cents; 0 where nothing is known of how it is bought. */
export const costOf = ({ packAmount, packCents }: Pick<Supply, 'packAmount' | 'packCents'>, amount: number): number =>
  packAmount > 0 ? Math.round((packCents * amount) / packAmount) : 0;

/** From so much reckoned on a studio's own use tells more than what everybody says, in packs. From memory. */
const TELLS_FROM = 0.1;
/** Own use that is so far from what is reckoned has another cause. From memory. */
const ODDEST = 5;

/**
 * By how much the studio's own use differs from what is reckoned: 1.2 for a fifth more.
 * @returns null as long as too little was used for it to tell
 */
export function ownShare(
  { learnt, packAmount }: Pick<Supply, 'learnt' | 'packAmount'>,
  work: SupplyWork,
): number | null {
  const { used, reckoned } = learnt[work] ?? NOTHING;
  if (reckoned <= 0 || reckoned < TELLS_FROM * packAmount) return null;
  const share = used / reckoned;
  return share > 0 && share <= ODDEST && share >= 1 / ODDEST ? share : null;
}

const NOTHING = { used: 0, reckoned: 0 };

export interface SupplyNeed {
  readonly kind: SupplyKind;
  readonly sort: string;
  /** By the figures that everybody uses, and by the studio's own where it has any. */
  readonly reckoned: number;
  readonly needed: number;
  /** What of it went into the work already; the rest is to come. */
  readonly gone: number;
  /** The studio's own figure beside the usual one; null where it has none. */
  readonly share: number | null;
  readonly there: number;
  /** The supply that it is taken from; null where the studio has none of that sort. */
  readonly supplyId: string | null;
  /** Packs to be bought, and their cost; what is used costs its part of a pack. */
  readonly packs: number;
  readonly buyCents: number;
  readonly costCents: number;
}

type Known = Supply & { readonly id: string };

/** Whether a supply is of a kind and sort; a supply that says no sort serves for each. */
export const servesFor = (supply: Pick<Supply, 'kind' | 'sort'>, kind: SupplyKind, sort: string): boolean =>
  supply.kind === kind && (supply.sort === '' || supply.sort.toLowerCase() === sort.toLowerCase());

/** What serves for a kind and sort, in the order in which it is taken: of that very sort first, then the most. */
export const fitFor = (supplies: readonly Known[], kind: SupplyKind, sort: string): Known[] =>
  supplies
    .filter((one) => servesFor(one, kind, sort))
    .sort((a, b) => Number(b.sort !== '') - Number(a.sort !== '') || b.amount - a.amount);

/**
 * What work takes, held against what is there.
 * @param wanted amounts by the usual figures, in the measure of their kind
 * @param used what went into this work already, by supply
 */
export function supplyNeeds(
  wanted: readonly { readonly kind: SupplyKind; readonly sort: string; readonly amount: number }[],
  supplies: readonly Known[],
  work: SupplyWork,
  used: ReadonlyMap<string, number> = new Map(),
): SupplyNeed[] {
  const left = new Map(used);
  return wanted.map(({ kind, sort, amount }) => {
    const fit = fitFor(supplies, kind, sort);
    const [first] = fit;
    const share = fit.map((one) => ownShare(one, work)).find((one) => one !== null) ?? null;
    const needed = tidyAmount(amount * (share ?? 1));
    const there = tidyAmount(fit.reduce((sum, one) => sum + one.amount, 0));
    let gone = 0;
    for (const { id } of fit) {
      const some = Math.min(needed - gone, left.get(id) ?? 0);
      left.set(id, (left.get(id) ?? 0) - some);
      gone += some;
    }
    const short = Math.max(0, needed - gone - there);
    const packs = first && first.packAmount > 0 ? Math.max(0, Math.ceil(short / first.packAmount - 1e-9)) : 0;
    return {
      kind,
      sort,
      reckoned: amount,
      needed,
      gone: tidyAmount(gone),
      share,
      there,
      supplyId: first?.id ?? null,
      packs,
      buyCents: packs * (first?.packCents ?? 0),
      costCents: first ? costOf(first, needed) : 0,
    };
  });
}
