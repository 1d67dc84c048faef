import { USUAL_FINISH } from '../finish/index.ts';
import { readCartoon } from '../cartoon/index.ts';
import { leadOf, type PaperGlass, type PaperPanel } from '../papers/index.ts';
import { ALLOYS } from '../materials/index.ts';
import { nth } from '../units/index.ts';
import { cutOutlines, DEFAULT_ALLOWANCE } from '../sizing/index.ts';

export const SKY: PaperGlass = {
  code: 'S-1',
  name: 'sky',
  colour: '#86a8d0',
  texture: null,
  thicknessMm: 3,
  hasFlow: true,
};
export const RIPPLE: PaperGlass = { ...SKY, code: 'R-2', name: 'water', texture: 'ripple' };

/** A panel as its papers see it: glass by turns, each third without. */
export function paperPanel(svg: string, technique: 'foil' | 'lead' = 'foil'): PaperPanel {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  const { cartoon } = reading;
  const allowance = DEFAULT_ALLOWANCE[technique];
  const { minX, minY, maxX, maxY } = cartoon.box;
  return {
    ...{ name: 'Light', job: 'Chapel', client: 'the vestry', due: 'for 7 March 2027', technique, unit: 'mm' },
    ...{ widthMm: maxX - minX, heightMm: maxY - minY, allowance, cartoon, cuts: cutOutlines(cartoon, allowance) },
    pieces: cartoon.pieces.map(({ number }) => ({
      ...{ number, section: null, flowDeg: 90 },
      glass: [SKY, RIPPLE, null][number % 3] ?? null,
    })),
    sheets: [],
    needs: [{ what: 'S-1 sky', needs: '0.2 m²', has: '1 m²', buy: '', cost: '' }],
    materials: null,
    supplies: [],
    used: new Map(),
    alloy: nth(ALLOYS, 0),
    currency: 'EUR',
    locale: 'en-GB',
    through: {},
    laid: [],
    finish: USUAL_FINISH,
    opening: null,
    lead: technique === 'lead' ? leadOf(cartoon, allowance) : null,
    code: 'http://localhost/panels/p/bench',
    clocks: ['cutting', 'grinding', 'stop'].map((word) => ({
      word,
      code: `http://localhost/panels/p/bench?clock=${word}`,
    })),
  };
}
