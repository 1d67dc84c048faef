/** A piece of a panel as far as its share of the glass goes. */
export interface SpreadPiece {
  readonly number: number;
  readonly glassId: string | null;
  readonly areaMm2: number;
  /** Its glass is cut: it keeps it. */
  readonly isCut: boolean;
}
export interface SpreadPanel {
  readonly id: string;
  readonly pieces: readonly SpreadPiece[];
}

/** How much of a glass each panel of a set has, as a share of the panel's own glass. */
export interface GlassSpread {
  readonly glassId: string;
  /** Of the whole set, and of each panel in their order. */
  readonly share: number;
  readonly shares: readonly number[];
  /** A panel has clearly more or less of it than the set. */
  readonly isUneven: boolean;
}

/** Two pieces of two panels that change their glasses. */
export interface Swap {
  readonly one: { readonly panelId: string; readonly number: number; readonly glassId: string };
  readonly other: { readonly panelId: string; readonly number: number; readonly glassId: string };
  /** How much glass stands where it is not even, before and after, mm². */
  readonly beforeMm2: number;
  readonly afterMm2: number;
}

export interface Spread {
  /** The glass that most of the set is made of first. */
  readonly glasses: readonly GlassSpread[];
  /** The swap that evens it out most; null where none does. */
  readonly swap: Swap | null;
}

/** A glass of less than this share of a set is an accent: it may stand in one panel alone. From memory. */
const LEAST_SHARE = 0.03;
/** By so much the share in a panel may differ from the set's before it is seen. From memory. */
const SEEN = 0.08;
/** Pieces that change places are of about one size: at most so much of the larger one apart. */
const ALIKE = 0.35;
/** A swap that moves less than this share of the set's glass is not worth a word. */
const WORTH_SHARE = 0.002;
/** Of each panel so many of the largest pieces that may change are looked at. */
const MOST_TRIED = 120;

/** How evenly every glass is spread over the panels of a set, and a swap that would even it out. */
export function spreadOver(panels: readonly SpreadPanel[]): Spread {
  const table = panels.map((panel) => {
    const byGlass = new Map<string, number>();
    let mm2 = 0;
    for (const { glassId, areaMm2 } of panel.pieces) {
      if (glassId === null) continue;
      mm2 += areaMm2;
      byGlass.set(glassId, (byGlass.get(glassId) ?? 0) + areaMm2);
    }
    return { panel, byGlass, mm2 };
  });
  const wholeMm2 = table.reduce((sum, one) => sum + one.mm2, 0);
  if (wholeMm2 === 0) return { glasses: [], swap: null };
  const ids = [...new Set(table.flatMap((one) => [...one.byGlass.keys()]))];
  const shareOf = new Map(
    ids.map((id) => [id, table.reduce((sum, one) => sum + (one.byGlass.get(id) ?? 0), 0) / wholeMm2]),
  );
  const glasses = ids
    .map((glassId): GlassSpread => {
      const share = shareOf.get(glassId) ?? 0;
      const shares = table.map((one) => (one.mm2 === 0 ? 0 : (one.byGlass.get(glassId) ?? 0) / one.mm2));
      const isUneven =
        share >= LEAST_SHARE && table.some((one, i) => one.mm2 > 0 && Math.abs((shares[i] ?? 0) - share) > SEEN);
      return { glassId, share, shares, isUneven };
    })
    .sort((a, b) => b.share - a.share);
  return { glasses, swap: bestSwap(table, shareOf, wholeMm2) };
}

interface Line {
  readonly panel: SpreadPanel;
  readonly byGlass: ReadonlyMap<string, number>;
  readonly mm2: number;
}

function bestSwap(table: readonly Line[], shareOf: ReadonlyMap<string, number>, wholeMm2: number): Swap | null {
  /** How far a panel is off its share of a glass, with so much of it added. */
  const off = ({ byGlass, mm2 }: Line, glassId: string, addMm2 = 0): number =>
    Math.abs((byGlass.get(glassId) ?? 0) + addMm2 - (shareOf.get(glassId) ?? 0) * mm2);
  const over = (line: Line, glassId: string) =>
    (line.byGlass.get(glassId) ?? 0) > (shareOf.get(glassId) ?? 0) * line.mm2;
  const movable = table.map((line) =>
    line.panel.pieces
      .flatMap(({ glassId, isCut, ...piece }) =>
        glassId !== null && !isCut && over(line, glassId) ? [{ ...piece, glassId }] : [],
      )
      .sort((a, b) => b.areaMm2 - a.areaMm2)
      .slice(0, MOST_TRIED),
  );
  const beforeMm2 = [...shareOf.keys()].reduce((sum, id) => sum + table.reduce((s, line) => s + off(line, id), 0), 0);
  let best: Swap | null = null;
  for (const [i, one] of table.entries())
    for (const [j, other] of table.entries()) {
      if (j <= i) continue;
      for (const a of movable[i] ?? [])
        for (const b of movable[j] ?? []) {
          if (a.glassId === b.glassId) continue;
          if (Math.abs(a.areaMm2 - b.areaMm2) > ALIKE * Math.max(a.areaMm2, b.areaMm2)) continue;
          const change =
            off(one, a.glassId, -a.areaMm2) +
            off(one, b.glassId, a.areaMm2) +
            off(other, b.glassId, -b.areaMm2) +
            off(other, a.glassId, b.areaMm2) -
            off(one, a.glassId) -
            off(one, b.glassId) -
            off(other, b.glassId) -
            off(other, a.glassId);
          const afterMm2 = beforeMm2 + change;
          if (-change < WORTH_SHARE * wholeMm2 || (best !== null && afterMm2 >= best.afterMm2)) continue;
          best = {
            one: { panelId: one.panel.id, number: a.number, glassId: a.glassId },
            other: { panelId: other.panel.id, number: b.number, glassId: b.glassId },
            beforeMm2,
            afterMm2,
          };
        }
    }
  return best;
}
