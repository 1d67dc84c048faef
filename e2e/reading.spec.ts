import { expect, test } from '@playwright/test';
import { readSvg } from '../core/cartoon/index.ts';
import { seededRandom } from '../core/units/index.ts';

/**
 * What a browser draws as a stroke is a line to the reader, and what it does not draw is none. Every cell of a sheet
 * holds one level line, said in one of many ways; the browser's own picture of the sheet and the reader's lines are
 * asked on the left and on the right of its middle.
 */
const ACROSS = 8;
const CELL = 20;
const SHEETS = 20;

type Pick = <T>(of: readonly T[]) => T;

/** One line in a cell: `rules` for the sheet's style, `body` for its place. */
function said(id: string, x: number, y: number, pick: Pick): { rules: string; body: string } {
  const d = `M${x - 6} ${y}H${x + 6}`;
  const path = (attributes = '') => `<path id="${id}" class="${id} c" d="${d}" ${attributes}/>`;
  const box = (from: number, to: number) => `<rect x="${x + from}" y="${y - 6}" width="${to - from}" height="12"/>`;
  const paint = pick([
    'black',
    'none',
    '#333',
    'transparent',
    'rgba(0,0,0,0)',
    '#00000000',
    'rgb(40 40 40 / 0)',
    'hsl(0 0% 10%)',
    'nonsense',
    'currentColor',
    'url(#nowhere)',
    'url(#nowhere) navy',
    'url(#shade)',
    'inherit',
    'unset',
    'initial',
  ]);
  const other = pick(['black', 'none', 'navy']);
  const [left, right] = pick([
    [-8, 8],
    [-8, 0],
    [0, 8],
    [20, 30],
  ] as const);
  const way = pick([
    () => ({ rules: '', body: path(`stroke="${paint}"`) }),
    () => ({ rules: `.${id}{stroke:${paint}}`, body: path(`stroke="${other}"`) }),
    () => ({ rules: `#${id}{stroke:${other}} path.${id}.c{stroke:${paint}}`, body: path() }),
    () => ({
      rules: `.${id}{stroke:${paint}!important} #${id}{stroke:${other}}`,
      body: path(`style="stroke:${other}"`),
    }),
    () => ({ rules: `.${id}{stroke:${paint}!important}`, body: path(`style="stroke:${other}!important"`) }),
    () => ({ rules: `@media print{.${id}{stroke:${paint}}}`, body: path() }),
    () => ({ rules: `@media screen{.${id}{stroke:${paint}}}`, body: path() }),
    () => ({ rules: `@media not print{.${id}{stroke:${paint}}}`, body: path() }),
    () => ({ rules: `g[data-k="${id}"]>path{stroke:${paint}}`, body: `<g data-k="${id}">${path()}</g>` }),
    () => ({
      rules: `g[data-k^=${id}] path:not(.z){stroke:${paint}}`,
      body: `<g data-k="${id}x"><g>${path()}</g></g>`,
    }),
    () => ({ rules: `.${id}:first-child{stroke:${paint}}`, body: `<g>${pick(['', '<g/>'])}${path()}</g>` }),
    () => ({ rules: `.${id}:nth-child(2){stroke:${paint}}`, body: `<g><g/>${path()}</g>` }),
    () => ({ rules: `i+.${id},g+.${id}{stroke:${paint}}`, body: `<g><g/>${path()}</g>` }),
    () => ({ rules: `:is(#none,.${id}){stroke:${paint}} .${id}{stroke:${other}}`, body: path() }),
    () => ({ rules: `:where(#${id}){stroke:${paint}} path{}`, body: path(`stroke="${other}"`) }),
    () => ({ rules: `.${id}{--ink:${paint};stroke:var(--ink)}`, body: path() }),
    () => ({ rules: `.${id}{stroke:var(--nothing, ${other})}`, body: path() }),
    () => ({ rules: `/* .${id}{stroke:none} */ .${id} { stroke : ${other} ; } .${id}{stroke:`, body: path() }),
    () => ({
      rules: '',
      body: `<g visibility="hidden">${path(`visibility="${pick(['visible', 'hidden', 'inherit', 'collapse'])}"`)}</g>`,
    }),
    () => ({ rules: '', body: `<g visibility="${pick(['hidden', 'visible'])}"><g>${path()}</g></g>` }),
    () => ({
      rules: '',
      body: `<g display="${pick(['none', 'inline'])}">${path('display="inline" visibility="visible"')}</g>`,
    }),
    () => ({ rules: `.${id}{display:${pick(['none', 'block'])}}`, body: path('display="inline"') }),
    () => ({ rules: '', body: `<g opacity="${pick(['0', '0.6', '0%'])}">${path('opacity="1"')}</g>` }),
    () => ({ rules: '', body: path(`stroke-opacity="${pick(['0', '0.5', '0%', '80%'])}"`) }),
    () => ({ rules: '', body: path(`stroke-width="${pick(['0', '0px', '1', '1px', '0.0'])}"`) }),
    () => ({ rules: '', body: path(`marker-${pick(['start', 'mid', 'end'])}="url(#${pick(['tip', 'nowhere'])})"`) }),
    () => ({ rules: '', body: `<a href="#top">${path()}</a>` }),
    () => ({ rules: '', body: `<a href="#top" display="${pick(['none', 'inline'])}">${path()}</a>` }),
    () => ({
      rules: '',
      body: `<switch>${pick(['<g/>', '', '<g systemLanguage="xx"/>', '<g requiredExtensions="urn:x"/>', '<text x="-99">t</text>'])}${path()}</switch>`,
    }),
    () => ({ rules: '', body: path(`systemLanguage="${pick(['xx', 'en', 'xx, en'])}"`) }),
    () => ({ rules: '', body: `<group>${path()}</group>` }),
    () => ({
      rules: '',
      body: `<clipPath id="k${id}">${box(left, right)}</clipPath><g clip-path="url(#k${id})">${path()}</g>`,
    }),
    () => ({
      rules: '',
      body: `<clipPath id="k${id}" transform="translate(${pick([0, 6, 40])})">${box(-8, 0)}</clipPath>${path(`clip-path="url(#k${id})"`)}`,
    }),
    () => ({
      rules: '',
      body: `<clipPath id="k${id}">${pick(['', box(-8, 0).replace('<rect', '<rect display="none"'), box(-8, 8)])}</clipPath>${path(`clip-path="url(#k${id})"`)}`,
    }),
    () => ({ rules: '', body: path('clip-path="url(#nowhere)"') }),
    () => ({
      rules: '',
      body: `<clipPath id="k${id}" clipPathUnits="objectBoundingBox"><rect width="${pick([0.4, 1])}" height="1" x="${pick([0, 0.5])}" y="-1"/></clipPath><g clip-path="url(#k${id})">${path()}<path d="M${x} ${y - 4}V${y + 4}" stroke="none"/></g>`,
    }),
    () => ({
      rules: '',
      body: `<mask id="m${id}" maskUnits="userSpaceOnUse" x="${x - 9}" y="${y - 9}" width="18" height="18"><g fill="${pick(['white', 'black', '#888'])}">${box(left, right)}</g></mask><g mask="url(#m${id})">${path()}</g>`,
    }),
    () => ({
      rules: '',
      body: `<mask id="m${id}" maskUnits="userSpaceOnUse" x="${x - 9}" y="${y - 9}" width="18" height="18">${box(-8, 8).replace('/>', ' fill="white"/>')}${box(left, right)}</mask><g mask="url(#m${id})">${path()}</g>`,
    }),
    () => ({ rules: '', body: path('mask="url(#nowhere)"') }),
    () => ({
      rules: '',
      body: `<svg x="${x - 8}" y="${y - 8}" width="${pick([8, 16])}" height="16" overflow="${pick(['visible', 'hidden', 'auto'])}"><path d="M2 8H14"/></svg>`,
    }),
    () => ({
      rules: '',
      body: `<symbol id="s${id}" viewBox="0 0 16 16"><path d="M2 8H14"/></symbol><use href="#s${id}" x="${x - 8}" y="${y - 8}" width="16" height="16" ${pick(['', 'visibility="hidden"', 'display="none"', 'stroke="none"'])}/>`,
    }),
    () => ({
      rules: `.o${id} path{stroke:none}`,
      body: `<defs><path id="p${id}" d="${d}"/></defs><g class="o${id}"><use href="#p${id}"/></g>`,
    }),
    () => ({ rules: '', body: `<defs>${path()}</defs>` }),
    () => ({ rules: '', body: `<pattern id="q${id}">${path()}</pattern>` }),
  ] as const);
  return way();
}

function sheet(seed: number): { source: string; cells: { id: string; x: number; y: number; body: string }[] } {
  const random = seededRandom(seed);
  const pick: Pick = (of) => {
    const one = of[Math.floor(random() * of.length)];
    if (one === undefined) throw new Error('nothing to pick from');
    return one;
  };
  const cells = Array.from({ length: ACROSS * ACROSS }, (_, k) => {
    const [x, y, id] = [CELL * (k % ACROSS) + CELL / 2, CELL * Math.floor(k / ACROSS) + CELL / 2, `c${seed}x${k}`];
    return { id, x, y, ...said(id, x, y, pick) };
  });
  const side = ACROSS * CELL;
  // A broken rule ends its own sheet, so each has one.
  const styles = cells
    .map(({ rules }) => (rules === '' ? '' : `<style>${rules.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</style>`))
    .join('');
  const source = `<svg xmlns="http://www.w3.org/2000/svg" width="${side}mm" height="${side}mm" viewBox="0 0 ${side} ${side}">${styles}<linearGradient id="shade" gradientUnits="userSpaceOnUse"><stop stop-color="navy"/></linearGradient><marker id="tip"><path d="M0 0L1 1"/></marker><g fill="none" stroke="black">${cells.map((c) => c.body).join('')}<path d="M1 1H${side - 1}"/></g></svg>`;
  return { source, cells };
}

test('what a browser draws is what is read, over hundreds of ways to say it', async ({ page }) => {
  const wrong: string[] = [];
  let drawn = 0;
  for (let seed = 1; seed <= SHEETS; seed++) {
    const { source, cells } = sheet(seed);
    const places = cells.flatMap(
      ({ x, y }) =>
        [
          [x - 3, y],
          [x + 3, y],
        ] as [number, number][],
    );
    const seen = await page.evaluate(
      async ({ svg, at, side }) => {
        const scale = 6;
        const image = new Image();
        image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
        await image.decode();
        const canvas = document.createElement('canvas');
        canvas.width = canvas.height = side * scale;
        const context = canvas.getContext('2d');
        context?.drawImage(image, 0, 0, side * scale, side * scale);
        return at.map(([x, y]) =>
          (context?.getImageData(x * scale - 1, y * scale - 1, 3, 3).data ?? []).some((v, i) => i % 4 === 3 && v > 20),
        );
      },
      { svg: source, at: places, side: ACROSS * CELL },
    );
    const reading = readSvg(source);
    if ('refusal' in reading) throw new Error(reading.refusal);
    const isLine = ([x, y]: [number, number]) =>
      reading.lines.some(({ points }) =>
        points.some((p, i) => {
          const q = points[i + 1];
          return (
            q &&
            Math.abs(p[1] - y) < 0.4 &&
            Math.abs(q[1] - y) < 0.4 &&
            Math.min(p[0], q[0]) <= x &&
            Math.max(p[0], q[0]) >= x
          );
        }),
      );
    places.forEach((place, i) => {
      if (seen[i]) drawn++;
      if (seen[i] !== isLine(place)) {
        const cell = cells[i >> 1];
        const rules = source.match(new RegExp(`<style>[^<]*${cell?.id}[^<]*</style>`))?.[0] ?? '';
        wrong.push(`${seen[i] ? 'drawn' : 'not drawn'}, ${i % 2 ? 'right' : 'left'}: ${rules} ${cell?.body}`);
      }
    });
  }
  expect(wrong).toEqual([]);
  expect(drawn).toBeGreaterThan(400);
});
