import { describe, expect, it } from 'vitest';
import { readCartoon } from '../cartoon/index.ts';
import { nth } from '../units/index.ts';
import { cells, courses, grid, PINWHEEL } from '../test/leadDrawings.ts';
import {
  alloyInUse,
  alloyNamed,
  ALLOYS,
  cameSection,
  foilFor,
  materialsOf,
  seamSection,
  segmentArea,
  wantedSupplies,
  type MaterialsWish,
} from './index.ts';

const WISH: MaterialsWish = {
  technique: 'foil',
  thicknessMm: 3,
  overlapMm: 1.2,
  gapMm: 0.8,
  came: null,
  border: null,
  alloy: nth(ALLOYS, 0),
  rings: 2,
  spreadDeg: 60,
};
const LEAD: Partial<MaterialsWish> = {
  technique: 'lead',
  came: { code: 'h6x1.6', faceMm: 6, heartMm: 1.6 },
  border: { code: 'u10x1.6', faceMm: 10, heartMm: 1.6 },
};
function of(svg: string, more: Partial<MaterialsWish> = {}) {
  const reading = readCartoon(svg, {});
  if ('refusal' in reading) throw new Error(reading.refusal);
  return { cartoon: reading.cartoon, materials: materialsOf(reading.cartoon, { ...WISH, ...more }) };
}

describe('alloys', () => {
  it.each([
    ['60/40', 8.5, 183, 190],
    ['50/50', 8.87, 183, 215],
    ['63/37', 8.4, 183, 183],
  ])(
    '%s: density of the mixture and melting range as published (CRC handbook; ASTM B32)',
    (code, density, from, to) => {
      const alloy = alloyNamed(code);
      expect(alloy?.gPerCm3).toBeCloseTo(density, 2);
      expect([alloy?.solidusC, alloy?.liquidusC]).toEqual([from, to]);
    },
  );
  it('what is no alloy is none', () => expect(alloyNamed('70/30')).toBeNull());
});

describe('the alloy that is reckoned with', () => {
  const spool = (id: string, sort: string, amount: number) => ({ id, kind: 'solder' as const, sort, amount });
  it('is what was booked last, else that of which most is there, else the first', () => {
    const shelf = [spool('a', '60/40', 100), spool('b', 'Lead-free', 900), spool('c', 'own mix', 5000)];
    expect(alloyInUse(shelf, []).code).toBe('lead-free');
    expect(alloyInUse(shelf, ['b', 'a', 'roll']).code).toBe('60/40');
    expect(alloyInUse([], []).code).toBe('60/40');
  });
});

describe('glasses that lie on each other', () => {
  const area = (svg: string) => of(svg).cartoon.pieces.reduce((sum, piece) => sum + piece.areaMm2, 0);
  const bound = (...numbers: number[]) => [{ thicknessMm: 3, textureMm: 0, layers: 2, numbers }];
  const all = of(PINWHEEL).cartoon.pieces.map((piece) => piece.number);
  const sorts = (more: Partial<MaterialsWish>) =>
    wantedSupplies(of(PINWHEEL, more).materials, { technique: 'foil', alloy: WISH.alloy })
      .filter((one) => one.kind === 'foil')
      .map((one) => one.sort);
  it('two bound layers take foil of 1/2 in, wound twice (common practice), and weigh twice as much', () => {
    const one = of(PINWHEEL).materials;
    const two = of(PINWHEEL, { kinds: bound(...all) }).materials;
    expect(two.foil).toMatchObject({ stock: '1/2 in', edge: { layers: 2 }, others: [] });
    expect(two.foil?.lengthMm).toBeCloseTo(2 * (one.foil?.lengthMm ?? 0), 6);
    expect(two.weightG.glass).toBeCloseTo(2 * one.weightG.glass, 6);
    expect(two.findings.map((finding) => finding.code)).not.toContain('foil-too-narrow');
    expect(sorts({ kinds: [{ thicknessMm: 2, textureMm: 0, layers: 2, numbers: all }] })).toEqual(['1/2 in']);
  });
  it('only what is plated is bound so; its plate weighs as glass', () => {
    const one = of(PINWHEEL).materials;
    const { cartoon, materials } = of(PINWHEEL, { kinds: bound(1) });
    const [first] = cartoon.pieces;
    const round = (first?.perimeterMm ?? 0) + 10;
    expect(materials.foil?.others).toMatchObject([{ stock: '1/2 in' }]);
    expect(materials.foil?.others[0]?.lengthMm).toBeCloseTo(1.05 * 2 * round, 6);
    expect(materials.foil?.lengthMm).toBeCloseTo((one.foil?.lengthMm ?? 0) - 1.05 * round, 6);
    const more = materials.weightG.glass / one.weightG.glass - 1;
    expect(more).toBeCloseTo((first?.areaMm2 ?? 0) / area(PINWHEEL), 9);
    expect(sorts({ kinds: bound(1) })).toEqual(['7/32 in', '1/2 in']);
  });
  it('each piece takes foil by its own glass, and weighs by its own thickness; what is most comes first', () => {
    const kinds = [
      { thicknessMm: 2, textureMm: 0, layers: 1, numbers: all.slice(0, 1) },
      { thicknessMm: 3, textureMm: 0.6, layers: 1, numbers: all.slice(1, 2) },
    ];
    expect(sorts({ kinds })[0]).toBe('7/32 in');
    expect([...sorts({ kinds })].sort()).toEqual(['1/4 in', '3/16 in', '7/32 in']);
    const { cartoon, materials } = of(PINWHEEL, { kinds });
    const grams = cartoon.pieces.reduce(
      (sum, { number, areaMm2 }) => sum + (areaMm2 * (number === all[0] ? 2 : 3) * 2.5) / 1000,
      0,
    );
    expect(materials.weightG.glass).toBeCloseTo(grams, 6);
    const total = [materials.foil, ...(materials.foil?.others ?? [])].reduce(
      (sum, one) => sum + (one?.lengthMm ?? 0),
      0,
    );
    expect(total).toBeCloseTo(of(PINWHEEL).materials.foil?.lengthMm ?? 0, 6);
  });
  it('a box is sealed along its seams, a panel bedded along its rim: fillet and bed by hand', () => {
    const { materials } = of(PINWHEEL, { sealsSeams: true, isBeddedInSealant: true });
    expect(materials.sealantMl).toBeCloseTo((materials.seamMm * 12.5 + materials.rimMm * 36) / 1000, 9);
    const wanted = wantedSupplies(materials, { technique: 'foil', alloy: WISH.alloy });
    expect(wanted.at(-1)).toMatchObject({ kind: 'sealant', amount: materials.sealantMl });
    expect(of(PINWHEEL).materials.sealantMl).toBeUndefined();
  });
});

describe('foil', () => {
  it('glass of 1/8 in takes foil of 7/32 in (common practice)', () => {
    expect(foilFor(25.4 / 8, (3 / 64) * 25.4)).toMatchObject({ stock: '7/32 in', isTooNarrow: false });
  });
  it('is wide enough for its overlap, and no wider than it has to be; beyond 1/2 in the widest is too narrow', () => {
    expect(foilFor(3, 1.2)).toMatchObject({ stock: '7/32 in', widthMm: (7 / 32) * 25.4 });
    expect(foilFor(2, 0.9)).toMatchObject({ stock: '5/32 in' });
    expect(foilFor(4, 1.2).stock).toBe('5/16 in');
    const none = foilFor(12, 1.2);
    expect(none).toMatchObject({ stock: '1/2 in', isTooNarrow: true });
    expect(none.overlapMm).toBeCloseTo(0.35, 9);
  });
});

describe('solder', () => {
  it('a segment of a circle is what its slices add up to; a half disc is one', () => {
    expect(segmentArea(4, 2)).toBeCloseTo(Math.PI * 2, 9);
    const [chord, crown] = [3.36, 0.9];
    const radius = (chord * chord) / (8 * crown) + crown / 2;
    let sum = 0;
    const slices = 200_000;
    for (let k = 0; k < slices; k++) {
      const x = -chord / 2 + ((k + 0.5) * chord) / slices;
      sum += ((Math.sqrt(radius * radius - x * x) - (radius - crown)) * chord) / slices;
    }
    expect(segmentArea(chord, crown)).toBeCloseTo(sum, 6);
    expect(seamSection(0.8, 3, 1.28)).toBeCloseTo(0.8 * 3 + 2 * sum, 6);
  });
});

describe('what a panel takes', () => {
  it('of foil: a pinwheel by hand', () => {
    const { materials } = of(PINWHEEL);
    // Four oblongs of 100 × 200 and a square of 100: perimeters 600 and 400, and 10 mm each, and 5 %.
    expect(materials.foil?.lengthMm).toBeCloseTo((4 * 610 + 410) * 1.05, 6);
    expect(materials.seamMm).toBeCloseTo(800, 6);
    expect(materials.rimMm).toBeCloseTo(1200, 6);
    expect(materials.joints).toEqual({ L: 4, T: 8, X: 0, more: 0 });
    // 0.09 m² of glass 3 mm thick at 7.5 kg/m² (EN 572-1).
    expect(materials.weightG.glass).toBeCloseTo(675, 6);
    const overlap = ((7 / 32) * 25.4 - 3) / 2;
    expect(materials.solder.volumeMm3).toBeCloseTo(800 * seamSection(0.8, 3, overlap), 6);
    expect(materials.solder.massG).toBeCloseTo((materials.solder.volumeMm3 * 8.5) / 1000, 0);
    expect(materials.came).toEqual([]);
    expect(materials.cementMm).toBe(0);
  });

  it('of lead: a grid by hand, with the fewest lengths that its cames can be cut from', () => {
    const { materials } = of(grid(3, 4, 50), LEAD);
    expect(materials.foil).toBeNull();
    // Three cames of 150 right through, eight between them; each end loses half the face that it meets.
    const inner = 3 * 140 + 4 * 42 + 4 * 44;
    expect(materials.came).toEqual([
      { profile: 'h6x1.6', lengthMm: expect.closeTo(inner, 6) as number, bought: 1 },
      { profile: 'u10x1.6', lengthMm: expect.closeTo(700, 6) as number, bought: 1 },
    ]);
    expect(materials.joints).toEqual({ L: 4, T: 10, X: 6, more: 0 });
    expect(materials.solder.massG).toBeCloseTo(20 * 0.8, 9);
    // Each piece is cemented all round.
    expect(materials.cementMm).toBeCloseTo(12 * 200, 6);
  });

  it('a border of the same came as inside is cut from the same lengths', () => {
    const came = { code: 'h6', faceMm: 6, heartMm: 1.6 };
    const { materials } = of(grid(3, 4, 50), { technique: 'lead', came, border: came });
    expect(materials.came).toHaveLength(1);
    // Three cames of 150 right through and eight of 50 between them, each less half a face at both ends; 700 round them.
    expect(materials.came[0]).toMatchObject({ profile: 'h6', bought: 1 });
    expect(materials.came[0]?.lengthMm).toBeCloseTo(3 * 144 + 8 * 44 + 700, 6);
  });

  it('a weight on two rings and lines at 60° pulls as a textbook of statics says: W/2, and W/(2 sin 60°)', () => {
    const { materials } = of(courses(5, 6), LEAD);
    const newton = (materials.weightG.total / 1000) * 9.80665;
    expect(materials.hanging.perRingN).toBeCloseTo(newton / 2, 9);
    expect(materials.hanging.perLineN).toBeCloseTo(newton / Math.sqrt(3), 9);
    const { glass, foil, came, solder, total } = materials.weightG;
    expect(glass + foil + came + solder).toBeCloseTo(total, 9);
  });

  it.each([1, 2, 3, 4])(
    'random cells %d: seams twice and the rim once are all perimeters; areas weigh what they weigh',
    (seed) => {
      const { cartoon, materials } = of(cells(20, seed), LEAD);
      const around = cartoon.pieces.reduce((sum, piece) => sum + piece.perimeterMm, 0);
      expect(2 * materials.seamMm + materials.rimMm).toBeCloseTo(around, 3);
      expect(materials.weightG.glass).toBeCloseTo(600 * 500 * 3 * 0.0025, 3);
      for (const { lengthMm, bought } of materials.came) expect(bought * 1805).toBeGreaterThanOrEqual(lengthMm);
    },
  );

  it('says what is worth a second look', () => {
    expect(of(PINWHEEL, { thicknessMm: 12 }).materials.findings).toEqual([
      { code: 'overlap-too-small', overlapMm: expect.closeTo(0.35, 9) as number },
    ]);
    expect(of(PINWHEEL, { thicknessMm: 10.6 }).materials.findings[0]?.code).toBe('foil-too-narrow');
    expect(of(cells(9, 1), { spreadDeg: 20 }).materials.findings.map((one) => one.code)).toEqual(['flat-spread']);
    expect(of(grid(14, 15, 60), LEAD).materials.findings.map((one) => one.code)).toEqual(['heavy']);
  });
});

describe('cames by their own measures', () => {
  const section = (metal: 'lead' | 'zinc' | 'brass' | 'copper', isRound = false) =>
    cameSection({ code: 'x', faceMm: 10, heartMm: 2, metal, isRound }, 3);

  it('a flat one of lead: two leaves of 1 mm and the heart between, by hand', () => {
    // 2 × 10 × 1 and 2 × (3 + 1.2) are 28.4 mm²; at 11.34 g/cm³ a metre weighs 322 g.
    expect(section('lead').areaMm2).toBeCloseTo(28.4, 9);
    expect(section('lead').gPerM).toBeCloseTo(322.06, 1);
  });
  it.each([
    ['zinc', 7.14, 0.7],
    ['brass', 8.44, 0.6],
    ['copper', 8.96, 0.6],
  ] as const)('of %s: thinner leaves, and its own density (CRC handbook, from memory)', (metal, density, leafMm) => {
    expect(section(metal).leafMm).toBe(leafMm);
    expect(section(metal).gPerM).toBeCloseTo((2 * 10 * leafMm + 2 * 4.2) * density, 9);
    expect(section(metal).gPerM).toBeLessThan(section('lead').gPerM);
  });
  it('a domed leaf is half an ellipse: as much as many thin strips of it add up to', () => {
    const { leafMm, areaMm2 } = section('lead', true);
    const strips = 20_000;
    const half = Array.from({ length: strips }, (_, i) => (i + 0.5) / strips).reduce(
      (sum, at) => sum + (leafMm * Math.sqrt(1 - (2 * at - 1) ** 2) * 10) / strips,
      0,
    );
    expect(areaMm2).toBeCloseTo(2 * half + 2 * 4.2, 4);
  });
  it('a panel with a border of zinc weighs less than with the same one of lead, by just that', () => {
    const border = { code: 'u10', faceMm: 10, heartMm: 2 };
    const came = (metal: 'lead' | 'zinc') =>
      of(grid(2, 1, 100), { ...LEAD, border: { ...border, metal } }).materials.weightG.came;
    const lessPerM = section('lead').gPerM - section('zinc').gPerM;
    // Round 200 × 100 mm.
    expect(came('lead') - came('zinc')).toBeCloseTo(0.6 * lessPerM, 6);
  });
});
