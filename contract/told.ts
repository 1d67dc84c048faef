import type { Row } from '#core/bench';

/** Tables of which a change tells the rows themselves. */
export const TOLD_TABLES = ['panels', 'sections', 'steps', 'joints', 'pieces'] as const;
export type ToldTable = (typeof TOLD_TABLES)[number];

/** Rows of one panel as a change left them; not sent where the panel is better fetched anew. */
export interface Told {
  readonly panelId: string;
  readonly rows: Readonly<Partial<Record<ToldTable, readonly Row[]>>>;
}

/** An answer about a panel: its row, and those of its tables. */
type OfPanel = { readonly panel: Row } & Readonly<Record<Exclude<ToldTable, 'panels'>, readonly Row[]>>;

/** What a screen knows of a panel once it has been told of a change: the answer that it would get if it asked. */
export function withTold<T extends OfPanel>(answer: T, { rows }: Told, seq: number): T {
  const changed: Record<string, unknown> = {};
  for (const table of TOLD_TABLES) {
    const byId = new Map(rows[table]?.map((row) => [row.id, row]));
    if (byId.size === 0) continue;
    if (table === 'panels') changed['panel'] = byId.get(answer.panel.id) ?? answer.panel;
    else changed[table] = answer[table].map((row) => byId.get(row.id) ?? row);
  }
  return { ...answer, ...changed, seq };
}
