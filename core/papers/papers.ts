import { benchCard, careCard, labelPages } from './cards.ts';
import { cartoonBox, cartoonMarks } from './cartoonPaper.ts';
import { fittingPages } from './fittingPaper.ts';
import { leadPages } from './leadPaper.ts';
import { listPages } from './listPaper.ts';
import type { Page } from './page.ts';
import { patternPages } from './patterns.ts';
import { sheetPages } from './sheetsPaper.ts';
import { PAPER_SIZES, type PaperName } from './sizes.ts';
import { tiled } from './tiled.ts';
import type { PaperPanel } from './types.ts';
import { headingOf } from './words.ts';

export const PAPER_KINDS = [
  'cartoon',
  'patterns',
  'sheets',
  'lead',
  'list',
  'bench',
  'labels',
  'care',
  'fitting',
  'job',
] as const;
export type PaperKind = (typeof PAPER_KINDS)[number];

export interface PaperOptions {
  readonly paper: PaperName;
  /** Of the cartoon: seen from the back. Of patterns: those of rough glass turned over. */
  readonly isMirrored: boolean;
  /** Of the cartoon: each piece in its glass. */
  readonly isColoured: boolean;
  /** Of patterns: each glass on pages of its own. */
  readonly isByGlass: boolean;
}

export const PAPER_TITLES: Readonly<Record<PaperKind, string>> = {
  cartoon: 'Full-size cartoon',
  patterns: 'Patterns',
  sheets: 'Sheets to cut',
  lead: 'Leading plan',
  list: 'What it takes',
  bench: 'Bench card',
  labels: 'Labels',
  care: 'Care card',
  fitting: 'Fitting sheet',
  job: 'Everything',
};

/** All of a job in the order in which it is wanted; labels are printed on paper of their own. */
const OF_A_JOB = [
  'bench',
  'list',
  'cartoon',
  'patterns',
  'sheets',
  'lead',
  'care',
  'fitting',
] as const satisfies readonly PaperKind[];

/** The pages of one of a panel's papers; none where there is nothing to say, as a leading plan of copper foil. */
export function paperPages(kind: PaperKind, panel: PaperPanel, options: PaperOptions): Page[] {
  const paper = PAPER_SIZES[options.paper];
  const heading = headingOf(panel, PAPER_TITLES[kind]);
  switch (kind) {
    case 'cartoon': {
      const title = options.isMirrored ? `${heading.title}, from the back` : heading.title;
      return tiled(cartoonMarks(panel, options), cartoonBox(panel), paper, { ...heading, title });
    }
    case 'patterns': {
      const title = options.isMirrored ? `${heading.title}, rough glass turned over` : heading.title;
      const look = { isTurnedOver: options.isMirrored, isByGlass: options.isByGlass };
      return patternPages(panel, paper, look, { ...heading, title });
    }
    case 'sheets':
      return sheetPages(panel, paper, heading);
    case 'lead':
      return leadPages(panel, paper, heading);
    case 'list':
      return listPages(panel, paper, heading);
    case 'bench':
      return benchCard(panel, paper, heading);
    case 'labels':
      return labelPages(panel, paper, heading);
    case 'care':
      return careCard(panel, paper, heading);
    case 'fitting':
      return fittingPages(panel, paper, heading);
    case 'job':
      return OF_A_JOB.flatMap((one) => paperPages(one, panel, options));
  }
}
