import { describe, expect, it } from 'vitest';
import { checkMap, facesOf, perimeter, signedArea } from '../geometry/index.ts';
import { doc, paneNet } from '../test/panels.ts';
import {
  neighbourTowards,
  outlineArea,
  pieceRings,
  piecesAlong,
  readCartoon,
  type CartoonReading,
  type ReadOptions,
} from './index.ts';

function read(source: string, options?: ReadOptions): CartoonReading {
  const reading = readCartoon(source, options);
  if ('refusal' in reading) throw new Error(reading.refusal);
  return reading;
}
const refusal = (source: string, options?: ReadOptions) => {
  const reading = readCartoon(source, options);
  return 'refusal' in reading ? reading.refusal : null;
};
const areas = (source: string, options?: ReadOptions) =>
  read(source, options)
    .cartoon.pieces.map((p) => p.areaMm2)
    .sort((a, b) => a - b);
/** The same body with every number twice as large. */
const double = (body: string) => body.replace(/\d+/g, (n) => String(2 * Number(n)));
const kinds = (r: CartoonReading) => r.findings.map((f) => f.kind);

describe('path data', () => {
  // Areas by elementary geometry: circle πr², ellipse πab, rounded rectangle wh − (4 − π)r².
  it.each([
    ['a circle', '<circle cx="50" cy="50" r="40"/>', Math.PI * 1600],
    ['an ellipse', '<ellipse cx="50" cy="50" rx="40" ry="20"/>', Math.PI * 800],
    ['a rounded rectangle', '<rect x="10" y="10" width="80" height="60" rx="12"/>', 4800 - (4 - Math.PI) * 144],
    ['two half arcs', '<path d="M10 50A40 40 0 0 1 90 50A40 40 0 0 1 10 50Z"/>', Math.PI * 1600],
    ['compact arc flags', '<path d="M10,50a40,40,0,0180,0a40,40,0,01-80,0z"/>', Math.PI * 1600],
    ['arcs too small, scaled up', '<path d="M10 50A1 1 0 0 1 90 50A1 1 0 0 1 10 50Z"/>', Math.PI * 1600],
    ['a turned ellipse', '<path d="M50 10A40 20 90 0 1 50 90A40 20 90 0 1 50 10Z"/>', Math.PI * 800],
    ['relative and axis commands', '<path d="m10 10h80v60H10z"/>', 4800],
    ['exponents and no spaces', '<path d="M1e1.1e2L9e1 10 90,7e1L10 70.0e0z"/>', 4800],
    ['a polygon', '<polygon points="10,10 90,10 90,70 10,70"/>', 4800],
  ])('%s', (_, body, expected) => {
    const [area] = areas(doc(100, 100, body));
    // 0.02 mm of flatness along the outline is the most that may be missing.
    expect(Math.abs((area as number) - expected)).toBeLessThan(0.02 * 400);
  });
  it('quadratic and smooth curves enclose what the integral says', () => {
    // Under y = x(100 − x)/50 from 0 to 100: ∫ = 100³/300.
    expect(areas(doc(100, 100, '<path d="M0 0Q50 100 100 0Z"/>'))[0]).toBeCloseTo(1e6 / 300, -1);
    const smooth = areas(
      doc(200, 100, '<path d="M0 50Q25 0 50 50T100 50T150 50T200 50L200 100L0 100Z"/>'),
    )[0] as number;
    expect(smooth).toBeCloseTo(200 * 50, 0);
    const cubic = areas(
      doc(100, 100, '<path d="M0 50C0 22.386 22.386 0 50 0S100 22.386 100 50S77.614 100 50 100S0 77.614 0 50Z"/>'),
    )[0] as number;
    expect(Math.abs(cubic - Math.PI * 2500)).toBeLessThan(12);
  });
  it('keeps the sound part of a path with a bad tail, and says so', () => {
    const reading = read(doc(100, 100, '<path d="M10 10H90V70H10Z M20 bogus"/>'));
    expect(reading.cartoon.pieces).toHaveLength(1);
    expect(kinds(reading)).toContain('path-cut-short');
  });
});

describe('size', () => {
  const square = (attributes: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}><rect width="100" height="100" fill="none" stroke="#000"/></svg>`;
  it.each([
    ['width="100mm" height="100mm" viewBox="0 0 100 100"', 100],
    ['width="10cm" height="10cm" viewBox="0 0 100 100"', 100],
    ['width="4in" height="4in" viewBox="0 0 100 100"', 101.6],
    ['width="72pt" height="72pt" viewBox="0 0 100 100"', 25.4],
    ['width="100" height="100"', 26.4583],
    ['viewBox="0 0 100 100"', 26.4583],
    ['width="100%" height="100%" viewBox="0 0 100 100"', 26.4583],
    ['width="50mm" viewBox="0 0 100 100"', 50],
    ['width="200mm" height="100mm" viewBox="0 0 100 100"', 100],
    ['width="200mm" height="100mm" viewBox="0 0 100 100" preserveAspectRatio="none"', 200],
  ])('%s → %d mm wide', (attributes, mm) => {
    const { cartoon } = read(square(attributes));
    expect(cartoon.box.maxX - cartoon.box.minX).toBeCloseTo(mm, 3);
  });
  it('says when no real size is given, and takes one known measure', () => {
    expect(kinds(read(square('viewBox="0 0 100 100"')))).toContain('assumed-96');
    const { cartoon } = read(square('viewBox="0 0 100 100"'), { widthMm: 420 });
    expect(cartoon.pieces[0]?.areaMm2).toBeCloseTo(420 * 420, 6);
    expect(refusal(square('viewBox="0 0 100 100"'), { widthMm: 0 })).toBe('bad-size');
  });
  it('nested transforms, use and symbol land where SVG puts them', () => {
    const body = `<defs><symbol id="s" viewBox="0 0 10 10"><rect width="10" height="10" fill="none" stroke="#000"/></symbol><g id="g"><rect width="10" height="10"/></g></defs>
      <g transform="translate(10 10) rotate(90) scale(2)"><use href="#g" x="5" y="-8"/></g><use xlink:href="#s" x="50" y="50" width="30" height="30"/>`;
    const { cartoon } = read(doc(100, 100, body));
    expect(cartoon.pieces.map((p) => [p.areaMm2, ...p.centroid].map((v) => Math.round(v)))).toEqual(
      expect.arrayContaining([
        [400, 16, 30],
        [900, 65, 65],
      ]),
    );
  });
});

describe('what is no lead line', () => {
  const frame = '<rect width="100" height="100"/>';
  it.each([
    ['display none', '<path d="M50 0V100" display="none"/>'],
    ['visibility', '<path d="M50 0V100" visibility="hidden"/>'],
    ['opacity 0', '<g opacity="0"><path d="M50 0V100"/></g>'],
    ['a css class', '<style>.helper{stroke:none}</style><path class="helper" d="M50 0V100"/>'],
    ['dashes', '<path d="M50 0V100" stroke-dasharray="4 2"/>'],
    ['a thin grey arrow', '<path d="M50 0V100" stroke="grey" stroke-width="0.2" marker-end="url(#a)"/>'],
    [
      'dimension lines and a title block inside, in groups that say so',
      '<g class="Dimensions" stroke="grey" stroke-width="0.2"><path d="M0 30H100M30 0V100"/></g><g id="titleBlock"><rect x="70" y="80" width="30" height="20"/></g>',
    ],
    ['what a switch does not choose', '<switch><g/><path d="M50 0V100"/></switch>'],
    ['a clip that leaves nothing', '<clipPath id="c"/><g clip-path="url(#c)"><path d="M50 0V100"/></g>'],
    ['a clip path', '<clipPath id="c"><path d="M50 0V100"/></clipPath>'],
    ['a fill among strokes', '<path d="M0 0H50V100H0Z" stroke="none" fill="red"/>'],
    ['a guide layer', '<g id="guides"><path d="M50 0V100"/></g>'],
    ['a stroke of nothing', '<path d="M50 0V100" stroke-width="0"/>'],
    ['text', '<text x="20" y="20">note</text>'],
    ['a script', '<script>document.title="x"</script>'],
    ['an image', '<image href="file:///etc/passwd" width="50" height="100"/>'],
  ])('%s', (_, extra) => {
    expect(areas(doc(100, 100, frame + extra))).toEqual([10_000]);
  });
  it.each([
    ['with an arrowhead, like the others', '<path d="M50 0V100" marker-end="url(#a)"/>'],
    ['in a link', '<a href="#x"><path d="M50 0V100"/></a>'],
    ['made visible again', '<g visibility="hidden"><path d="M50 0V100" visibility="visible"/></g>'],
    [
      'by an important rule',
      '<style>path.l{stroke:black!important}</style><path class="l" style="stroke:none" d="M50 0V100"/>',
    ],
    [
      'through a clip as wide as it',
      '<clipPath id="c"><rect x="20" width="60" height="100"/></clipPath><g clip-path="url(#c)"><path d="M50 0V100"/></g>',
    ],
  ])('but a line is one %s', (_, extra) => {
    expect(areas(doc(100, 100, frame + extra))).toEqual([5000, 5000]);
  });
  it('takes a hidden layer in when it is asked for', () => {
    const source = doc(
      100,
      100,
      `${frame}<g xmlns:x="urn:x" x:groupmode="layer" x:label="spare" style="display:none"><path d="M50 0V100"/></g>`,
    );
    expect(areas(source)).toHaveLength(1);
    expect(areas(source, { layersIn: ['spare'] })).toEqual([5000, 5000]);
    expect(read(source).layers).toEqual([{ name: 'spare', hidden: true, shapes: 1 }]);
  });
  it('cascades: id over class over tag, inline over all, important over inline', () => {
    const source = doc(
      100,
      100,
      `<style>path{stroke:none} .a{stroke:black} #b{stroke:none} #c{stroke:none!important}</style>${frame}
      <path class="a" d="M25 0V100"/><path class="a" id="b" d="M50 0V100"/><path id="d" class="a" style="stroke:none" d="M60 0V100"/><path id="c" style="stroke:black" d="M75 0V100"/>`,
    );
    expect(areas(source)).toEqual([2500, 7500]);
  });
  it('where nothing is stroked the edges of the fills are the drawing', () => {
    const source = `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" viewBox="0 0 100 50"><path d="M0 0H50V50H0Z" fill="red"/><path d="M50 0H100V50H50Z" fill="blue"/></svg>`;
    expect(areas(source)).toEqual([2500, 2500]);
  });
});

describe('numbers', () => {
  it('takes the number written in a piece, and numbers the rest in rows round it', () => {
    const source = doc(
      90,
      60,
      '<path d="M0 0H90V60H0ZM30 0V60M60 0V60M0 30H90"/><g stroke="none" fill="#000" font-size="6"><text x="42" y="18">2</text><text x="70" y="48">sky</text></g>',
    );
    const { pieces } = read(source).cartoon;
    expect(pieces.map((p) => p.number)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(pieces.find((p) => p.number === 2)?.centroid.map(Math.round)).toEqual([45, 15]);
    expect(pieces.find((p) => p.label === 'sky')?.centroid.map(Math.round)).toEqual([75, 45]);
    const rows = pieces.filter((p) => p.number !== 2);
    expect(rows.map((p) => Math.round(p.centroid[1]))).toEqual([15, 15, 45, 45, 45]);
  });
  it('a number written twice is nobody’s', () => {
    const { pieces } = read(
      doc(
        60,
        30,
        '<path d="M0 0H60V30H0ZM30 0V30"/><text x="10" y="18" font-size="6">7</text><text x="40" y="18" font-size="6">7</text>',
      ),
    ).cartoon;
    expect(pieces.map((p) => p.number)).toEqual([1, 2]);
  });
  it('knows true neighbours', () => {
    const { pieces } = read(doc(90, 60, '<path d="M0 0H90V60H0ZM30 0V60M60 0V60M0 30H90"/>')).cartoon;
    const byNumber = new Map(pieces.map((p) => [p.number, p]));
    expect(byNumber.get(1)?.neighbours).toEqual([2, 4]);
    expect(neighbourTowards(byNumber, 1, 'right')).toBe(2);
    expect(neighbourTowards(byNumber, 1, 'down')).toBe(4);
    expect(neighbourTowards(byNumber, 1, 'up')).toBeNull();
  });
});

describe('places on the page', () => {
  // Each drawing holds one square of 80 by 80 mm, cut in two, by the rules of SVG 2 (8.6 view boxes, 8.9 units).
  const halves = '<rect x="10" y="10" width="80" height="80"/><path d="M10 50H90"/>';
  const page = (attributes: string, body: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}><g fill="none" stroke="black">${body}</g></svg>`;
  const mm = 'width="100mm" height="100mm" viewBox="0 0 100 100"';
  it.each([
    [
      'percentages',
      page(mm, '<rect x="10%" y="10%" width="80%" height="80%"/><line x1="10%" y1="50%" x2="90%" y2="50%"/>'),
    ],
    ['a transform in style', page(mm, `<g style="transform: translate(5px,5px) scale(.5)">${double(halves)}</g>`)],
    [
      'a transform about its own origin',
      page(mm, `<g style="transform:rotate(.25turn);transform-origin:50px 50px">${halves}</g>`),
    ],
    ['a nested page', page(mm, `<svg overflow="visible" width="50" height="50" viewBox="0 0 50 50">${halves}</svg>`)],
    ['a nested page as large as its place', page(mm, `<svg viewBox="0 0 200 200">${double(halves)}</svg>`)],
    [
      'a page that is stretched',
      page(
        'width="100mm" height="100mm" viewBox="0 0 200 100" preserveAspectRatio="none"',
        `<g transform="scale(2 1)">${halves}</g>`,
      ),
    ],
    ['a page laid into a wider one', page('width="300mm" height="100mm" viewBox="0 0 100 100"', halves)],
  ])('%s', (_, source) => {
    expect(areas(source)).toEqual([expect.closeTo(3200, 3), expect.closeTo(3200, 3)]);
  });
  it('a circle in per cent is measured by the root mean square of both sides', () => {
    const source = page('width="100mm" height="100mm" viewBox="0 0 100 100"', '<circle cx="50%" cy="50%" r="40%"/>');
    expect(Math.abs((areas(source)[0] as number) - Math.PI * 1600)).toBeLessThan(4);
  });
  it.each(['display:none', 'visibility:hidden', 'opacity:0'])('a layer left out by %s can be switched in', (style) => {
    const layer = `<g xmlns:e="urn:e" e:groupmode="layer" e:label="idea" style="${style}" fill="none" stroke="red"><path d="M50 10V90"/></g>`;
    const source = page(mm, halves).replace('</svg>', `${layer}</svg>`);
    expect(read(source).cartoon.pieces).toHaveLength(2);
    expect(read(source, { layersIn: ['idea'] }).cartoon.pieces).toHaveLength(4);
  });
  it('a group that is not shown can be switched in by its name, whatever program wrote it', () => {
    const source = page(mm, '').replace(
      '</svg>',
      `<g id="lines_2" display="none" stroke="red" fill="none"><path d="M50 10V90"/></g><g stroke="red" fill="none">${halves}</g></svg>`,
    );
    expect(read(source).layers).toEqual([{ name: 'lines 2', hidden: true, shapes: 1 }]);
    expect(read(source).cartoon.pieces).toHaveLength(2);
    expect(read(source, { layersIn: ['lines 2'] }).cartoon.pieces).toHaveLength(4);
  });
});

it('names the pieces along a straight line in the order in which it meets them', () => {
  const { cartoon } = read(doc(90, 30, '<rect width="90" height="30"/><path d="M30 0V30M60 0V30"/>'));
  expect(piecesAlong(cartoon, [85, 10], [35, 20])).toEqual([3, 2]);
  expect(piecesAlong(cartoon, [-20, 10], [20, 10])).toEqual([1]);
  expect(piecesAlong(cartoon, [-20, 10], [-5, 10])).toEqual([]);
});

describe('repairs', () => {
  const with_ = (d: string) => read(doc(100, 100, `<rect width="100" height="100"/><path d="${d}"/>`));
  it.each([
    ['short by 0.5', 'M50 0.5V99.5', 'snapped'],
    ['over by 0.5', 'M50 -0.5V100.5', 'trimmed'],
  ])('an end %s is joined and told', (_, d, kind) => {
    const reading = with_(d);
    expect(reading.cartoon.pieces.map((p) => p.areaMm2)).toEqual([5000, 5000]);
    const told = reading.repairs.filter((r) => r.kind === kind);
    expect(told).toHaveLength(2);
    for (const repair of told) expect(repair.movedMm).toBeCloseTo(0.5, 3);
  });
  it('what is too far off stays open and is told with its place', () => {
    const reading = with_('M50 3V97');
    expect(reading.cartoon.pieces).toHaveLength(1);
    expect(reading.findings.find((f) => f.kind === 'short-of-joint')).toEqual({
      kind: 'short-of-joint',
      at: [50, 3],
      lines: [
        [
          [50, 3],
          [50, 97],
        ],
      ],
      gapMm: 3,
      ends: [
        { at: [50, 3], gapMm: 3 },
        { at: [50, 97], gapMm: 3 },
      ],
      pieces: [1],
    });
    // Of two ends the one further off is told: joining over so much joins both.
    const other = with_('M50 1V96').findings.find((f) => f.kind === 'short-of-joint');
    expect(other).toMatchObject({ at: [50, 96], gapMm: 4 });
  });
  it('is drawn on where that is asked for, and nothing else is joined any further', () => {
    // The second line stops as short as the first; only the first one is asked for.
    const source = doc(100, 100, '<rect width="100" height="100"/><path d="M50 3V100M20 0V97"/>');
    const short = read(source).findings.flatMap((f) => (f.kind === 'short-of-joint' && f.at[0] === 50 ? f.ends : []));
    const reading = read(source, { drawOn: short });
    expect(reading.cartoon.pieces.map((p) => p.areaMm2)).toEqual([5000, 5000]);
    expect(reading.repairs).toEqual([{ kind: 'snapped', at: [50, 3], movedMm: 3 }]);
    expect(reading.toleranceMm).toBe(0.8);
    expect(kinds(reading)).toEqual(['short-of-joint']);
    // The user's own tolerance of nothing at all does not stand in the way.
    expect(read(source, { drawOn: short, snapMm: 0 }).cartoon.pieces).toHaveLength(2);
  });
  it('an end that runs past its joint further than the tolerance is an overrun, up to 5 mm', () => {
    const found = with_('M50 -4V100M20 -6V100').findings.filter((f) => 'lines' in f);
    expect(found).toMatchObject([
      { kind: 'overrun', at: [50, -4], lengthMm: 4, pieces: [] },
      { kind: 'loose-line', at: [20, -6], lengthMm: 6, pieces: [] },
    ]);
  });
  it('a line that ends in the middle of nowhere is no slip of the hand', () => {
    const reading = with_('M50 0V40M20 20L32 36');
    expect(reading.findings.filter((f) => f.kind === 'loose-line')).toMatchObject([
      { at: [50, 40], lengthMm: 40, pieces: [1] },
      { at: [20, 20], lengthMm: 20, pieces: [1] },
    ]);
  });
  it('what hung on a dropped line goes with it and is no finding of its own', () => {
    const [finding, ...more] = with_('M0 90H97M40 90V20').findings.filter((f) => 'lines' in f);
    expect(more).toHaveLength(1);
    expect([finding, ...more].flatMap((f) => (f && 'lines' in f ? f.lines : []))).toHaveLength(3);
  });
  it('what the chords of a curve are off by is no repair', () => {
    const wheel = '<circle cx="50" cy="50" r="40"/><path d="M50 50V10M50 50L84.641 70M50 50L15.359 70"/>';
    expect(read(doc(100, 100, wheel))).toMatchObject({ repairs: [], cartoon: { pieces: { length: 3 } } });
  });
  it('two lines that stop short of their corner meet in the corner', () => {
    const reading = read(doc(100, 100, '<path d="M0.6 0H100V100H0V0.6"/>'));
    expect(reading.cartoon.pieces.map((p) => p.areaMm2)).toEqual([10_000]);
  });
  it('every border drawn twice is told once, at its place', () => {
    const tiles = [0, 1, 2].map((i) => `<rect x="${30 * i}" width="30" height="30"/>`).join('');
    const doubled = read(doc(90, 30, tiles)).repairs.filter((r) => r.kind === 'doubled');
    expect(doubled.map((r) => r.at).sort((a, b) => a[0] - b[0])).toEqual([
      [30, 15],
      [60, 15],
    ]);
    const thrice = '<path d="M0 0H50V50H0ZM20 0V50"/><path d="M20 0V50"/><path d="M20 10V50"/>';
    expect(read(doc(50, 50, thrice)).repairs.filter((r) => r.kind === 'doubled')).toHaveLength(2);
  });
  it('a wider snap closes what a narrow one leaves', () => {
    const source = doc(100, 100, '<rect width="100" height="100"/><path d="M50 1.5V100"/>');
    expect(areas(source)).toHaveLength(1);
    expect(areas(source, { snapMm: 2 })).toEqual([5000, 5000]);
  });
  it('a gap in the outline is closed', () => {
    expect(areas(doc(100, 100, '<path d="M0.6 0H100V100H0V0"/>'))[0]).toBeCloseTo(10_000, -2);
  });
  it('true nodes close together stay two', () => {
    const { cartoon } = read(doc(100, 100, '<path d="M0 0H100V100H0ZM50 0V50M0 50H100M50.4 50V100"/>'));
    expect(
      cartoon.joints
        .filter((j) => Math.abs(j.at[1] - 50) < 0.01 && j.at[0] > 49 && j.at[0] < 51)
        .map((j) => j.at[0])
        .sort(),
    ).toEqual([50, 50.4]);
  });
  it('borders drawn twice, not quite alike, are one line; a real small piece stays', () => {
    const source = doc(
      100,
      50,
      '<path d="M0 0H50V50H0Z"/><path d="M49.7 0H100V50H49.75Z"/><path d="M20 20h1.6v1.6h-1.6z"/>',
    );
    const reading = read(source);
    expect(reading.cartoon.pieces).toHaveLength(3);
    expect(kinds(reading)).toContain('one-by-one');
  });
  it('a raster of panes, each drawn with its own border a tenth too large, is that raster', () => {
    const panes = Array.from({ length: 25 }, (_, k) => {
      const e = ((k * 7) % 5) / 40;
      return `<rect x="${(k % 5) * 40 - 0.1 + e}" y="${Math.floor(k / 5) * 40 - 0.1}" width="40.2" height="40.2"/>`;
    });
    const { pieces } = read(doc(200, 200, panes.join(''))).cartoon;
    expect(pieces).toHaveLength(25);
    for (const piece of pieces) expect(Math.abs(piece.areaMm2 - 1600)).toBeLessThan(24);
  });
  it('a line of very many points is read as the same line', () => {
    const wave = Array.from({ length: 4001 }, (_, i) => `${i / 10} ${(50 + 3 * Math.sin(i / 400)).toFixed(4)}`).join(
      ' ',
    );
    const found = areas(doc(400, 100, `<rect width="400" height="100"/><path d="M${wave}"/>`));
    const under = 400 * 50 + ((3 * 400) / 10) * (1 - Math.cos(10));
    expect(found).toHaveLength(2);
    expect(Math.abs((found[0] as number) - (40_000 - under))).toBeLessThan(1);
  });
  it('joints: L at the corners, T at the rim, X inside', () => {
    const { joints } = read(doc(100, 100, '<rect width="100" height="100"/><path d="M50 0V100M0 50H100"/>')).cartoon;
    const kindCount = (kind: string) => joints.filter((j) => j.kind === kind).length;
    expect([kindCount('L'), kindCount('T'), kindCount('X')]).toEqual([4, 4, 1]);
  });
});

describe('nets of many panes', () => {
  it.each([
    [false, 20, 26],
    [true, 20, 26],
  ])('clean, curved %s: every piece, area complete, the map holds', (curved, across, down) => {
    const { cartoon, findings } = read(paneNet(across, down, 24, { curved }));
    expect(cartoon.pieces).toHaveLength(across * down);
    expect(findings.filter((f) => f.kind !== 'many-lines')).toEqual([]);
    expect(checkMap(cartoon.map, facesOf(cartoon.map))).toEqual([]);
    expect(cartoon.pieces.reduce((sum, p) => sum + p.areaMm2, 0)).toBeCloseTo(outlineArea(cartoon), 3);
    for (const piece of cartoon.pieces) {
      const rings = pieceRings(cartoon, piece);
      expect(rings.reduce((s, r) => s + signedArea(r), 0)).toBeCloseTo(piece.areaMm2, 6);
      expect(rings.reduce((s, r) => s + perimeter(r), 0)).toBeCloseTo(piece.perimeterMm, 6);
    }
  });
  it('every end off by up to 0.5 mm and one line in twenty doubled: none is lost', () => {
    const { cartoon } = read(paneNet(12, 14, 26, { jitterMm: 0.5, doubledShare: 0.05, seed: 4 }));
    expect(cartoon.pieces).toHaveLength(12 * 14);
  });
  it('agrees with a general polygonizer on clean input', async () => {
    const source = paneNet(6, 7, 30, { seed: 9 });
    const polygons = await polygonize(source);
    const ours = areas(source);
    expect(ours).toHaveLength(polygons.length);
    polygons.sort((a, b) => a - b).forEach((area, i) => expect(ours[i]).toBeCloseTo(area, 2));
  });
});

/** Areas by the polygonizer of jsts 2.12 (a port of a reference planar-geometry library). */
async function polygonize(source: string): Promise<number[]> {
  const load = async (path: string) =>
    (
      (await import(/* @vite-ignore */ path)) as {
        default: new (...a: unknown[]) => Record<string, (...a: unknown[]) => unknown>;
      }
    ).default;
  const [Polygonizer, WKTReader] = await Promise.all([
    load('jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js'),
    load('jsts/org/locationtech/jts/io/WKTReader.js'),
  ]);
  const reader = new WKTReader();
  const polygonizer = new Polygonizer();
  for (const [, ax, ay, bx, by] of source.matchAll(/M([\d.-]+) ([\d.-]+)L([\d.-]+) ([\d.-]+)/g))
    polygonizer.add?.(reader.read?.(`LINESTRING(${ax} ${ay}, ${bx} ${by})`));
  const found = polygonizer.getPolygons?.() as {
    toArray(): { getExteriorRing(): { getCoordinates(): { x: number; y: number }[] } }[];
  };
  return found.toArray().map((p) =>
    Math.abs(
      signedArea(
        p
          .getExteriorRing()
          .getCoordinates()
          .map(({ x, y }) => [x, y] as const),
      ),
    ),
  );
}

describe('refusals', () => {
  it.each([
    ['plain text', 'hello', 'not-a-drawing'],
    ['another kind of XML', '<html></html>', 'not-a-drawing'],
    ['nothing', '', 'not-a-drawing'],
    ['an empty drawing', doc(10, 10, ''), 'nothing-drawn'],
    ['open lines', doc(100, 100, '<path d="M0 0L50 50"/><path d="M10 90L80 90"/>'), 'nothing-closed'],
    [
      'a viewBox of nothing',
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 0 0"><rect width="9" height="9"/></svg>',
      'no-size',
    ],
    [
      'a size of 0',
      '<svg xmlns="http://www.w3.org/2000/svg" width="0mm" height="0mm" viewBox="0 0 9 9"><rect width="9" height="9" stroke="#000"/></svg>',
      'no-size',
    ],
    ['NaN', doc(100, 100, '<path d="MNaN NaNL10 10"/>'), 'no-numbers'],
    [
      'NaN in the viewBox',
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 NaN 9"><rect width="9" height="9"/></svg>',
      'no-numbers',
    ],
    ['13 m across', doc(13_000, 100, '<rect width="13000" height="100"/>'), 'too-wide'],
  ])('%s', (_, source, code) => expect(refusal(source)).toBe(code));
  it('a scribble', () => {
    const d = Array.from(
      { length: 900 },
      (_, i) => `L${50 + 45 * Math.cos(i * 2.4)} ${50 + 45 * Math.sin(i * 2.4)}`,
    ).join('');
    expect(refusal(doc(100, 100, `<path d="M50 50${d}"/>`))).toBe('scribble');
  });
  it('an entity bomb, an external entity and a loop of use are not followed; the drawing in them is read', () => {
    const bomb = `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;"><!ENTITY x SYSTEM "file:///etc/passwd">]>${doc(100, 100, '<rect width="100" height="100"/><text x="5" y="9">&b;&x;</text><g id="l"><use href="#l"/></g><use href="#l"/>')}`;
    const reading = read(bomb);
    expect(reading.cartoon.pieces).toHaveLength(1);
    expect(JSON.stringify(reading)).not.toContain('root:');
  });
  it('BOM, CRLF, an XML head and a declared short entity are all right', () => {
    const source = `\ufeff<?xml version="1.0"?>\r\n<!DOCTYPE svg PUBLIC "a" "b" [<!ENTITY k "black">]>\r\n${doc(100, 100, '<rect width="100" height="100" stroke="&k;"/>')}`;
    expect(areas(source)).toEqual([10_000]);
  });
});
