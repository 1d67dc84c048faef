import { setTimeout } from 'node:timers/promises';
import { expect, test, type Page, type Route } from '@playwright/test';
import { seen, field } from './handsOf.ts';
import { benchPage, choose } from './parts.ts';
import { DRAWINGS } from './servers.ts';
import { boardOn } from '../scripts/onBoard.ts';

/** Drawn by hand: ends short and over, a hidden layer, dimensions; an L in the lower left that nobody can cut. */
const svg = (body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:e="urn:editor" width="300mm" height="200mm" viewBox="0 0 300 200"><g fill="none" stroke="#000">${body}</g>
  <g e:groupmode="layer" e:label="old idea" style="display:none" fill="none" stroke="#000"><path d="M150 0V100"/></g>
  <g e:groupmode="layer" e:label="dimensions" stroke="#000"><path d="M0 210H300"/></g></svg>`;
const FIRST = svg(
  '<path d="M0 0H300V200H0Z"/><path d="M0 100H299.5"/><path d="M100 99.6V0"/><path d="M200 0.4V100.5"/><path d="M60 100V160H180V200"/>',
);
const SECOND = svg(
  '<path d="M0 0H300V200H0Z"/><path d="M0 100H300"/><path d="M100 100V0"/><path d="M215 0V100"/><path d="M60 100V160H180V200"/><path d="M250 100V200"/>',
);
const file = (name: string, text: string) => ({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });

test.describe.configure({ mode: 'serial' });
let page: Page;
test.beforeAll(async ({ browser }) => {
  page = await benchPage(browser, 'e2e-drawing');
});
test.afterAll(() => page.close());

const mode = (name: string) =>
  page.getByRole('toolbar', { name: 'Changes to the drawing' }).getByRole('button', { name, exact: true }).click();
/** Taps the drawing at a place in mm, whatever is being worked out. */
const tapNow = async (x: number, y: number) => {
  const at = await boardOn(page).evaluate(
    (svg, [mx, my]) => {
      const matrix = (svg.firstElementChild as SVGGElement).getScreenCTM() as DOMMatrix;
      const p = new DOMPoint(mx, my).matrixTransform(matrix);
      return [p.x, p.y] as const;
    },
    [x, y] as const,
  );
  await page.mouse.click(...at);
};
/** Taps the drawing at a place in mm, once it stands. */
const tap = async (x: number, y: number) => {
  await expect(page.getByText('Working it out …')).toHaveCount(0);
  await tapNow(x, y);
};
const newPanel = async (title: string) => {
  await page.goto(`${DRAWINGS}/jobs?new=1`);
  await field(page, 'What it is').fill(title);
  await page.getByRole('button', { name: 'Enter the job' }).click();
  await page.getByRole('button', { name: 'Add a panel' }).click();
  await field(page, 'Wide').fill('300');
  await field(page, 'High').fill('200');
  await page.getByRole('button', { name: 'Enter the panel' }).click();
};
/** So many pieces are drawn on the board, as it says itself. */
const pieces = (n: number) => expect(boardOn(page)).toHaveAccessibleName(new RegExp(`^The drawing, ${n} pieces`));

test('a line that stops short is shown where it was drawn, and joined by one press', async () => {
  await newPanel('Boathouse window');
  const short = '<path d="M0 0H300V200H0Z"/><path d="M0 90H298.2"/><path d="M120 90V20"/>';
  await seen(page.getByTestId('drawing-file')).setInputFiles(file('boathouse.svg', svg(short)));
  await expect(page.getByRole('heading', { name: '1 piece' })).toBeVisible();
  await expect(page.locator('[data-left-out]')).toHaveCount(2);
  await expect(page.getByText(/A line stops 1.8 mm short of the next one/)).toBeVisible();
  await page.getByRole('button', { name: 'Draw on the line that stops 1.8 mm short' }).click();
  await expect(page.getByRole('heading', { name: '2 pieces' })).toBeVisible();
  await expect(page.getByText('An end that stopped short was drawn 1.8 mm to its line.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
});

test('a hand-made drawing comes in: layers listed, repairs looked at and refused one by one', async () => {
  await newPanel('Harbour light');
  await seen(page.getByTestId('drawing-file')).setInputFiles(file('harbour.svg', FIRST));
  await expect(page.getByRole('heading', { name: '5 pieces' })).toBeVisible();
  await expect(page.getByText('4 repairs', { exact: true })).toBeVisible();
  await page
    .getByRole('button', { name: /stopped short was drawn 0.4 mm/ })
    .first()
    .click();
  await expect(page.locator('[data-spot]')).toBeVisible();
  // The middle line of the upper row, left as drawn, closes nothing: two pieces become one.
  await page.getByRole('listitem').filter({ hasText: 'drawn 0.4 mm' }).getByLabel('as drawn').first().check();
  await expect(page.getByRole('heading', { name: '4 pieces' })).toBeVisible();
  await field(page, 'as drawn').first().uncheck();
  await expect(page.getByRole('heading', { name: '5 pieces' })).toBeVisible();
  await field(page, 'take in “old idea” (1)').check();
  await expect(page.getByRole('heading', { name: '6 pieces' })).toBeVisible();
  await field(page, 'take in “old idea” (1)').uncheck();
  await page.getByRole('button', { name: 'Take in these 5 pieces' }).click();
  await expect(page.getByRole('heading', { name: 'Choose glass' })).toBeVisible();
});

test('a drawing that came in goes only when the question is answered, and can come again', async () => {
  const question = page.getByRole('alertdialog');
  await page.locator('body').press('Control+z');
  await expect(question).toContainText('drawing harbour.svg taken in: 5 pieces');
  await question.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByRole('heading', { name: 'Choose glass' })).toBeVisible();
  await page.getByRole('button', { name: /^Take back:/ }).click();
  await question.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/taken back\.$/)).toBeVisible();
  await page.getByRole('link', { name: /^Cartoon/ }).click();
  await expect(page.getByTestId('drawing-file')).toBeAttached();
  // The way forward is still where it was.
  await page.getByRole('button', { name: /^Do again:/ }).click();
  await pieces(5);
});

test('a drawing of an impossible size is asked about where it lies, and what is no length loses nothing', async () => {
  const panes = '<rect width="30" height="20"/><path d="M10 0V20M20 0V20"/>';
  const sized = (attributes: string) =>
    `<svg xmlns="http://www.w3.org/2000/svg" ${attributes} viewBox="0 0 30 20"><g fill="none" stroke="#000" stroke-width="0.2">${panes}</g></svg>`;
  await page.getByRole('link', { name: /^Cartoon/ }).click();
  const question = page.getByRole('region', { name: 'How large is it really?' });
  const bring = (name: string, attributes: string) =>
    seen(page.getByTestId('drawing-file')).setInputFiles(file(name, sized(attributes)));
  await bring('far too large.svg', 'width="30000mm" height="20000mm"');
  await expect(question).toContainText('more than 3.2 m');
  await question.getByLabel('is really').fill('-5');
  await question.getByLabel('is really').press('Enter');
  await expect(question).toContainText('A length above 0');
  await question.getByRole('button', { name: 'As planned, 300 mm wide' }).click();
  await expect(page.getByRole('heading', { name: '3 pieces' })).toBeVisible();
  await expect(page.getByText('300 × 200 mm').last()).toBeVisible();
  // Said once it is not asked again; and a measure that is none leaves the drawing as it was read.
  await expect(question).toHaveCount(0);
  await field(page, 'is really').fill('wide');
  await field(page, 'is really').press('Enter');
  await expect(page.getByText(/^A length above 0/)).toBeVisible();
  await expect(page.getByRole('heading', { name: '3 pieces' })).toBeVisible();
  await bring('without units.svg', '');
  await expect(question).toContainText('The file gives no real size');
  await bring('far too small.svg', 'width="0.3mm" height="0.2mm"');
  await expect(question).toContainText('less than 1 mm');
  await question.getByLabel('is really').fill('12 in');
  await question.getByLabel('is really').press('Enter');
  await expect(page.getByText(/30[45] × 203 mm/).last()).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
});

test('true size by one known length, tapped on the drawing', async () => {
  await page.getByRole('link', { name: /^Cartoon/ }).click();
  await mode('True size');
  await tap(0, 100);
  await tap(100, 100);
  await expect(page.getByText(/Drawn as/)).toBeVisible();
  await field(page, 'It is really').fill('200');
  await page.getByRole('button', { name: 'Set the size' }).click();
  await expect(page.getByText('True size set.')).toBeVisible();
  await expect(seen(page.getByText(/600 × 400 mm/)).first()).toBeVisible();
  await page.getByRole('button', { name: /^Take back:/ }).click();
  await expect(seen(page.getByText('300 × 200 mm')).first()).toBeVisible();
});

test('a piece that cannot be cut is divided by the line that is proposed', async () => {
  await mode('Look');
  await tap(30, 180);
  await expect(page.getByRole('heading', { name: /difficulty 5 of 5/ })).toBeVisible();
  await expect(page.getByText(/tight corner at the bottom of an inside curve/).first()).toBeVisible();
  await expect(page.locator('[data-proposed]')).toHaveCount(1);
  await expect(page.getByRole('img', { name: /Order of scores/ })).toBeVisible();
  await page.getByRole('button', { name: 'Add the line shown' }).click();
  await expect(page.getByText(/divided\./)).toBeVisible();
  await pieces(6);
});

test('a line is added, taken away, a joint moved; impossible things are told', async () => {
  await mode('Add a line');
  await tap(50, 50);
  await expect(page.getByText('Begin on a line of the drawing.')).toBeVisible();
  await tap(0, 50);
  await tap(100, 50);
  await pieces(7);
  await mode('Take away');
  await tap(50, 50);
  await page.getByRole('button', { name: /^Join \d+ and \d+$/ }).click();
  await pieces(6);
  await mode('Move a joint');
  await tap(200, 0);
  await tap(230, 0);
  await expect(page.getByText('Joint moved.')).toBeVisible();
  await tap(100, 0);
  await tap(250, 50);
  await expect(page.getByText('Moved there, lines would cross; move the joint less far.')).toBeVisible();
});

test('came by line, flow, sections and numbers', async () => {
  await mode('Came & gap');
  await tap(100, 40);
  await choose(page, 'They take up', 'foil, gap of 1.6 mm');
  await page.getByRole('button', { name: 'Give it to this line' }).click();
  await expect(page.locator('[data-profile="f1.6"]')).toHaveCount(1);
  await mode('Flow');
  await tap(20, 60);
  await tap(80, 60);
  await mode('Sections');
  await tap(50, 30);
  await tap(150, 30);
  await field(page, 'Name', { exact: true }).fill('sky');
  await page.getByRole('button', { name: 'Put them into section A' }).click();
  await expect(page.getByRole('button', { name: /^A sky:/ })).toBeVisible();
  await mode('Numbers');
  await page.getByRole('button', { name: 'Outwards from the middle' }).click();
  await expect(page.getByText('Numbered anew.')).toBeVisible();
  await pieces(6);
});

test('the crosshair does by keyboard what a tap does', async () => {
  await mode('Look');
  await boardOn(page).focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^Piece \d+ · difficulty/ })).toBeVisible();
});

test('what is tapped while the drawing is being changed is done on the drawing that comes of it', async () => {
  await mode('Look');
  await tap(-4, -4);
  const piece = page.getByRole('heading', { name: /^Piece \d+ · difficulty/ });
  await expect(piece).toHaveCount(0);
  await mode('Numbers');
  const late = async (route: Route) => {
    await setTimeout(1500);
    await route.continue();
  };
  await page.route('**/edit', late, { times: 1 });
  await page.getByRole('button', { name: 'In rows from the top' }).click();
  await mode('Look');
  await expect(page.getByText('Working it out …')).toBeVisible();
  await tapNow(20, 20);
  await expect(page.getByText('Working it out …')).toBeVisible();
  await expect(piece).toHaveText(/^Piece 1 /);
});

test('a changed drawing: what stays, changes, is new and gone is shown before it is accepted', async () => {
  await seen(page.getByTestId('drawing-file')).setInputFiles(file('harbour-2.svg', SECOND));
  const changes = page.getByTestId('changes');
  await expect(changes).toContainText(/\d pieces? stays? as/);
  await expect(changes).toContainText('Another outline:');
  await expect(changes).toContainText('New:');
  await page.getByRole('button', { name: /Take in these/ }).click();
  await expect(page.getByRole('toolbar', { name: 'Changes to the drawing' })).toBeVisible();
  await pieces(6);
});

test('a changed drawing with a line that stops short says so, and the line is drawn on by one press', async () => {
  const short = SECOND.replace('M250 100V200', 'M250 100V197');
  await seen(page.getByTestId('drawing-file')).setInputFiles(file('harbour-3.svg', short));
  await expect(page.getByText(/A line stops 3 mm short of the next one/)).toBeVisible();
  await expect(page.locator('[data-left-out]')).toHaveCount(1);
  const before = await page.getByRole('heading', { name: /^\d+ pieces$/ }).textContent();
  await page.getByRole('button', { name: 'Draw on the line that stops 3 mm short' }).click();
  await expect(page.getByRole('heading', { name: `${Number.parseInt(before ?? '', 10) + 1} pieces` })).toBeVisible();
  await expect(page.locator('[data-left-out]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Leave it' }).click();
});

test('the opening, the section through the border and a second light of the set', async () => {
  await page.getByRole('link', { name: /^Measure/ }).click();
  await field(page, 'Opening wide', { exact: true }).fill('310');
  await field(page, 'Opening high', { exact: true }).fill('210');
  await expect(page.getByTestId('fits')).toContainText('304 mm × 204 mm');
  await expect(page.getByTestId('fits')).toContainText('and fits');
  await expect(page.getByTestId('border-section')).toBeVisible();
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText(/^Kept/)).toBeVisible();
  await field(page, 'Name', { exact: true }).fill('Upper light');
  await field(page, 'Its opening wide').fill('406');
  await field(page, 'Its opening high').fill('206');
  await field(page, 'Border that stays').fill('10');
  await page.getByRole('button', { name: 'Fit the drawing to it' }).click();
  await page.getByRole('status').getByRole('link', { name: 'Upper light' }).click();
  await expect(page.getByText('400 × 200 mm').first()).toBeVisible();
  await pieces(6);
});
