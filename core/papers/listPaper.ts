import { allFoil, wantedSupplies } from '../materials/index.ts';
import { amountWords, SUPPLY_WORDS, supplyNeeds } from '../stock/index.ts';
import { showLength, showMoney } from '../units/index.ts';
import { headed, workArea, type Heading } from './heading.ts';
import { listed, type Column } from './listed.ts';
import { text, type Mark, type Page } from './page.ts';
import type { PaperSize } from './sizes.ts';
import type { PaperPanel } from './types.ts';

const COLUMNS: readonly Column[] = [
  { title: 'What', share: 0.36, face: 'bold' },
  { title: 'Needed', share: 0.17, isNumber: true },
  { title: 'On the rack', share: 0.16, isNumber: true },
  { title: 'To buy', share: 0.17, isNumber: true },
  { title: 'Cost', share: 0.14, isNumber: true },
];

/** What the panel takes: glass, foil or came, solder; and what is to be bought of it. */
export function listPages(panel: PaperPanel, paper: PaperSize, heading: Heading): Page[] {
  const [widthMm, heightMm] = [paper.widthMm, paper.heightMm ?? paper.widthMm * Math.SQRT2];
  const room = workArea(widthMm, heightMm);
  const rows = listRows(panel);
  const pages = listed(COLUMNS, rows, () => ({ ...room, minY: room.minY + 2 }));
  const note: Mark[] = [
    text(
      [room.minX, room.maxY + 2],
      'Glass before waste in cutting. What is beside it is reckoned from the drawing; came in whole lengths.',
      3.1,
      { ink: 'soft' },
    ),
  ];
  return pages.map((marks, i) => ({
    name: `List ${i + 1}`,
    widthMm,
    heightMm,
    marks: [
      ...marks,
      ...note,
      ...headed(heading, { widthMm, heightMm, count: `page ${i + 1} of ${pages.length}`, isTrueScale: false }),
    ],
  }));
}

/** Each line of the list: what, how much of it, what the rack has, what to buy, what that costs. */
export const listRows = (panel: PaperPanel): string[][] => [
  ...panel.needs.map(({ what, needs, has, buy, cost }) => [what, needs, has, buy, cost]),
  ...metalRows(panel),
];

const metres = (mm: number): string => `${(mm / 1000).toFixed(1)} m`;

function metalRows({ materials, supplies, used, alloy, unit, technique, currency, locale }: PaperPanel): string[][] {
  if (!materials) return [];
  const { foil, weightG, cementMm } = materials;
  const needs = supplyNeeds(wantedSupplies(materials, { technique, alloy }), supplies, technique, used);
  const row = (what: string, amount: string) => [what, amount, '', '', ''];
  return [
    ...needs.map((need) => {
      const supply = supplies.find((one) => one.id === need.supplyId);
      const taken = need.kind === 'foil' ? allFoil(foil).find((one) => one.stock === need.sort) : undefined;
      const wide = taken ? `, ${showLength(taken.widthMm, unit, 2)} wide` : '';
      const code = supply && supply.code !== '' ? ` (${supply.code})` : '';
      return [
        `${supply?.name ?? `${SUPPLY_WORDS[need.kind]} ${need.sort}`.trim()}${code}${wide}`,
        amountWords(need.kind, need.needed),
        supply ? amountWords(need.kind, need.there) : '',
        supply
          ? need.packs > 0
            ? `${need.packs} × ${amountWords(need.kind, supply.packAmount)}`
            : ''
          : amountWords(need.kind, need.needed),
        need.buyCents > 0 ? showMoney(need.buyCents, currency, locale) : '',
      ];
    }),
    ...(technique === 'lead' ? [row('Edges to cement, each face', metres(cementMm))] : []),
    row('Weight when finished', `${(weightG.total / 1000).toFixed(1)} kg`),
  ];
}
