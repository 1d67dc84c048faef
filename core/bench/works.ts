import { keysOf } from '../units/index.ts';
/** Kinds of work that hours are booked to, with what to take care of (common practice). */
export const WORKS = {
  design: { word: 'Drawing', caution: null },
  cutting: { word: 'Cutting', caution: 'Eye protection when scoring and breaking; sweep often.' },
  grinding: {
    word: 'Grinding',
    caution: 'Eye protection; keep the sponge wet; textured glass has needle-sharp edges.',
  },
  foiling: { word: 'Foiling', caution: null },
  painting: {
    word: 'Painting and firing',
    caution:
      'Vitreous paints and stains hold lead and other metals: gloves, no dust, wet wiping, no food; the kiln by its maker and licensed trades.',
  },
  leading: {
    word: 'Leading',
    caution: 'Lead: no eating or smoking at the bench, gloves or washing, wet cleaning only, children away.',
  },
  soldering: {
    word: 'Soldering',
    caution: 'Fume extraction or a respirator for flux and solder; wash hands; follow the labels.',
  },
  finishing: { word: 'Finishing', caution: null },
  other: { word: 'Other', caution: null },
} as const satisfies Readonly<Record<string, { readonly word: string; readonly caution: string | null }>>;

export type WorkStage = keyof typeof WORKS;
export const WORK_STAGES = keysOf(WORKS);
export const workWord = (work: WorkStage): string => WORKS[work].word;
export const workCaution = (work: WorkStage): string | null => WORKS[work].caution;
