import papaparse from 'papaparse';
import type { Cartoon } from '#core/cartoon';
import type { Study } from '#core/cutting';
import { signedArea, type Ring } from '#core/geometry';
import { materialsOf, type MaterialsWish } from '#core/materials';
import {
  camesOf,
  leadOf,
  paperPages,
  paperTable,
  PAPER_TITLES,
  type PaperGlass,
  type PaperKind,
  type PaperOptions,
  type PaperPanel,
  type PaperPiece,
  type TabledKind,
} from '#core/papers';
import { outlineWhereItLies, servesFor, type Spot, type StraightBreak } from '#core/stock';
import { unpackJson } from '../store/packing.ts';
import { outlineFile, type OutlineFormat, type OutlineOptions } from './outlines.ts';
import { pdfOf } from './pdf.ts';

/** A piece that lies on a sheet, and of which drawing it is. */
export interface LyingPiece {
  readonly name: string;
  readonly number: number;
  readonly study: number;
  readonly spot: Spot;
}

/** What a panel's papers are made from: rows as they are, drawings as they lie packed. */
export interface PaperFacts extends Omit<PaperPanel, 'cartoon' | 'cuts' | 'pieces' | 'sheets' | 'materials' | 'lead'> {
  readonly reading: Uint8Array;
  readonly wish: MaterialsWish;
  /** Of this panel first, then of others whose pieces lie on the same sheets. */
  readonly studies: readonly Uint8Array[];
  readonly pieces: readonly PaperPiece[];
  readonly sheets: readonly {
    readonly label: string;
    readonly glass: PaperGlass;
    readonly outline: Ring;
    readonly breaks: readonly StraightBreak[];
    readonly lying: readonly LyingPiece[];
  }[];
}

export type PaperJob =
  | {
      readonly as: 'pages' | 'pdf';
      readonly kind: PaperKind;
      readonly options: PaperOptions;
      readonly facts: PaperFacts;
    }
  | { readonly as: 'csv'; readonly kind: TabledKind; readonly facts: PaperFacts }
  | {
      readonly as: 'outlines';
      readonly format: OutlineFormat;
      readonly options: OutlineOptions;
      readonly facts: PaperFacts;
    };

/** Pages as JSON, a PDF, or outlines as a file. */
export async function work(job: PaperJob): Promise<Uint8Array> {
  const panel = panelOf(job.facts, job.as !== 'outlines' && wantsMore(job.kind));
  if (job.as === 'outlines') return Buffer.from(outlineFile(panel, job.format, job.options));
  if (job.as === 'csv') {
    const { columns, rows } = paperTable(job.kind, panel);
    // Numbers stay numbers; words that a spreadsheet would work out are not.
    return Buffer.from(papaparse.unparse([[...columns], ...rows.map((row) => [...row])], { escapeFormulae: true }));
  }
  const pages = paperPages(job.kind, panel, job.options);
  return job.as === 'pages'
    ? Buffer.from(JSON.stringify(pages))
    : await pdfOf(pages, `${panel.name}: ${PAPER_TITLES[job.kind]}`);
}

/** What takes a while is worked out for the papers alone that tell it. */
/** The length in which the came inside the panel is bought, where the shelf says it. */
function cameStock({ allowance, supplies }: Pick<PaperFacts, 'allowance' | 'supplies'>): { stockMm?: number } {
  const code = camesOf(allowance).inner?.code;
  const supply = supplies.find((one) => code !== undefined && servesFor(one, 'came', code));
  return supply ? { stockMm: supply.packAmount } : {};
}

const wantsMore = (kind: PaperKind) => ({
  materials: kind === 'list' || kind === 'fitting' || kind === 'job',
  lead: kind === 'lead' || kind === 'job',
});

function panelOf(facts: PaperFacts, wants: ReturnType<typeof wantsMore> | false): PaperPanel {
  const { reading, studies, sheets, wish, ...plain } = facts;
  const { cartoon } = unpackJson<{ cartoon: Cartoon }>(reading);
  const cuts = studies.map((packed) => unpackJson<Study>(packed).cuts);
  const outlines = cuts.map(
    (list) => new Map(list.map(({ number, rings }) => [number, rings.find((r) => signedArea(r) > 0)])),
  );
  const { allowance } = plain;
  return {
    ...plain,
    cartoon,
    cuts: cuts[0] ?? [],
    sheets: sheets.map(({ lying, ...sheet }) => ({
      ...sheet,
      pieces: lying.flatMap(({ name, number, study, spot }) => {
        const outline = outlines[study]?.get(number);
        return outline ? [{ name, outline: outlineWhereItLies(outline, spot) }] : [];
      }),
    })),
    materials: wants && wants.materials ? materialsOf(cartoon, wish) : null,
    lead:
      wants && wants.lead && plain.technique === 'lead'
        ? leadOf(cartoon, allowance, {
            through: plain.through,
            ...(plain.laid.length > 0 && { order: plain.laid }),
            ...cameStock(plain),
          })
        : null,
  };
}
