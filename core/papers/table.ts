import { nth } from '../units/index.ts';
import { endsWords } from '../words/index.ts';
import { runName } from './leadPaper.ts';
import { listRows } from './listPaper.ts';
import type { PaperPanel } from './types.ts';

/** Papers that are tables too, and go out as such. */
export const TABLED = ['list', 'lead', 'labels'] as const;
export type TabledKind = (typeof TABLED)[number];

export interface PaperTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

const DECIMALS = 2;
const round = (value: number): number => Number(value.toFixed(DECIMALS));

/** What a paper says as a table: what it takes; its cames; its pieces. Lengths in mm, areas in mm². */
export function paperTable(kind: TabledKind, panel: PaperPanel): PaperTable {
  switch (kind) {
    case 'list':
      return { columns: ['what', 'needed', 'on the rack', 'to buy', 'cost'], rows: listRows(panel) };
    case 'lead':
      return { columns: ['came', 'step', 'piece', 'length mm', 'border', 'ends'], rows: cameRows(panel) };
    case 'labels':
      return {
        columns: [
          'number',
          'glass',
          'section',
          'flow deg',
          'cut width mm',
          'cut height mm',
          'cut area mm2',
          'cut edge mm',
        ],
        rows: pieceRows(panel),
      };
  }
}

function cameRows({ lead }: PaperPanel): (string | number)[][] {
  if (!lead) return [];
  const { plan } = lead;
  let i = 0;
  return plan.order.flatMap(({ piece, runs }, step) =>
    runs.map((run) => {
      const { lengthMm, isBorder, ends } = nth(plan.runs, run);
      return [runName(i++), step + 1, piece ?? '', round(lengthMm), isBorder ? 'border' : '', endsWords(ends)];
    }),
  );
}

function pieceRows({ pieces, cuts }: PaperPanel): (string | number)[][] {
  const cutOf = new Map(cuts.map((cut) => [cut.number, cut]));
  return pieces.map(({ number, glass, section, flowDeg }) => {
    const cut = cutOf.get(number);
    const measures = cut ? [cut.widthMm, cut.heightMm, cut.areaMm2, cut.perimeterMm].map(round) : ['', '', '', ''];
    return [number, glass?.code ?? '', section ?? '', flowDeg ?? '', ...measures];
  });
}
