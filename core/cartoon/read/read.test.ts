import { describe, expect, it } from 'vitest';
import { readMarkup, type MarkupNode } from './markup.ts';
import { drawPathData, PathPen } from './pathData.ts';
import { readSvg } from './readSvg.ts';
import { styleOf } from './style.ts';
import { readStyleSheets } from './styleSheets.ts';
import { readTransform } from './transform.ts';

const root = (source: string): MarkupNode => {
  const markup = readMarkup(source);
  if ('problem' in markup) throw new Error(markup.problem);
  return markup.root;
};

describe('markup', () => {
  it('drops prefixes and lowers names', () => {
    const svg = root('<svg:svg xmlns:svg="urn:x"><svg:linearGradient svg:viewBox="0 0 1 1"/></svg:svg>').children[0];
    expect(svg?.name).toBe('svg');
    expect(svg?.children[0]?.name).toBe('lineargradient');
    expect(svg?.children[0]?.attributes.get('viewbox')).toBe('0 0 1 1');
  });
  it('reads on past a stray ampersand, an undeclared prefix and an unclosed tail', () => {
    expect(root('<svg><g x:y="1"><path d="M0 0"/><text>a & b</text>').children[0]?.children[0]?.children).toHaveLength(
      2,
    );
  });
  it.each([99_000, 101_000, 300_000])(
    'a comment of %d letters is passed over, and what stands round it is read',
    (n) => {
      const long = `<!--${'x'.repeat(n)}-->`;
      const children = root(`<svg><a/>${long}<b/><!-- short --><c/>${long}${long}<d/></svg>`).children[0]?.children;
      expect(children?.map((node) => node.name)).toEqual(['a', 'b', 'c', 'd']);
      const open = root(`<svg><a/>${long}<b/><!--${'y'.repeat(n)}`).children[0]?.children;
      expect(open?.map((node) => node.name)).toEqual(['a', 'b']);
    },
  );
  it('keeps the text of CDATA', () => {
    expect(root('<svg><style><![CDATA[.a{fill:none}]]></style></svg>').children[0]?.children[0]?.text).toBe(
      '.a{fill:none}',
    );
  });
  it('does not take what is no markup, nor a tower of ten thousand groups', () => {
    expect(readMarkup('{"a":1}')).toEqual({ problem: 'not-markup' });
    expect(readMarkup(`<svg>${'<g>'.repeat(10_000)}`)).toEqual({ problem: 'too-deep' });
  });
  it('an entity counts only when it is short plain text', () => {
    const doctype = '<!DOCTYPE svg [<!ENTITY a "red"><!ENTITY b "&a;&a;"><!ENTITY c SYSTEM "file:///x">]>';
    const attributes = root(`${doctype}<svg a="&a;" b="&b;" c="&c;"/>`).children[0]?.attributes;
    expect(attributes?.get('a')).toBe('red');
    expect(attributes?.get('b')).not.toContain('redred');
    expect(attributes?.get('c')).not.toContain('/');
  });
});

describe('styles', () => {
  const rules = readStyleSheets([
    '/* note */ path { stroke: red } .thin { stroke-width: 1 } #one { stroke: blue } g.layer > path { fill: none } svg path.deep { opacity: 0 } a:hover { stroke: none }',
  ]);
  const node = (name: string, attributes: Record<string, string>, parent: MarkupNode | null = null): MarkupNode => ({
    name,
    attributes: new Map(Object.entries(attributes)),
    children: [],
    parent,
    text: '',
  });
  const svg = node('svg', {});
  const layer = node('g', { class: 'layer' }, svg);
  const deeper = node('g', {}, layer);
  it.each([
    ['a tag', node('path', {}, svg), { stroke: 'red' }],
    ['an id beats a tag', node('path', { id: 'one' }, svg), { stroke: 'blue' }],
    ['a class among others', node('path', { class: 'x thin' }, svg), { stroke: 'red', 'stroke-width': '1' }],
    ['a child', node('path', {}, layer), { stroke: 'red', fill: 'none' }],
    ['no grandchild', node('path', {}, deeper), { stroke: 'red' }],
    ['a descendant', node('path', { class: 'deep' }, deeper), { stroke: 'red', opacity: '0' }],
    [
      'inline over a sheet',
      node('path', { style: 'stroke: green; FILL:none' }, svg),
      { stroke: 'green', fill: 'none' },
    ],
    ['a sheet over an attribute', node('path', { stroke: 'grey' }, svg), { stroke: 'red' }],
  ])('%s', (_, at, style) => expect(styleOf(at, {}, rules)).toEqual(style));
  it('hands on what is inherited and keeps the rest to itself', () => {
    const parent = { stroke: 'red', opacity: '0', display: 'none', visibility: 'hidden' };
    expect(styleOf(node('rect', {}), parent, new Map())).toEqual({ stroke: 'red', visibility: 'hidden' });
    expect(styleOf(node('rect', { opacity: 'inherit' }), parent, new Map())).toMatchObject({ opacity: '0' });
  });
});

describe('transforms', () => {
  const at = (text: string, [x, y]: [number, number]) => {
    const m = readTransform(text);
    return m ? [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]].map((v) => Math.round(v * 1e6) / 1e6) : null;
  };
  // SVG 2, 8.5: each by the definition of its function; a list works from the right.
  it.each([
    ['translate(3)', [4, 1]],
    ['translate(3,4)', [4, 5]],
    ['scale(2)', [2, 2]],
    ['scale(2 -1)', [2, -1]],
    ['rotate(90)', [-1, 1]],
    ['rotate(90 1 0)', [0, 0]],
    ['skewX(45)', [2, 1]],
    ['skewY(45)', [1, 2]],
    ['matrix(1 2 3 4 5 6)', [9, 12]],
    ['translate(10 0) scale(2)', [12, 2]],
    ['scale(2) translate(10 0)', [22, 2]],
    ['translateX(3mm) scaleY(2)', [1 + 3 / (25.4 / 96), 2]],
    ['rotate(0.25turn)', [-1, 1]],
    ['rotate(100grad)', [-1, 1]],
    ['', [1, 1]],
    ['none', [1, 1]],
  ])('%s', (text, expected) => expect(at(text, [1, 1])).toEqual(expected.map((v) => Math.round(v * 1e6) / 1e6)));
  it.each(['spin(3)', 'matrix(1 2 3)', 'scale(NaN)', 'rotate'])('%s is no transform', (text) => {
    expect(readTransform(text)).toBeNull();
  });
});

describe('pens', () => {
  const draw = (d: string) => {
    const pen = new PathPen([1, 0, 0, 1, 0, 0]);
    return { whole: drawPathData(d, pen), paths: pen.paths };
  };
  it('a moveto goes on with lines, a close goes back to where it began', () => {
    const { paths } = draw('M0 0 10 0 10 10zl5 5');
    expect(paths.map((p) => [p.points, p.closed])).toEqual([
      [
        [
          [0, 0],
          [10, 0],
          [10, 10],
        ],
        true,
      ],
      [
        [
          [0, 0],
          [5, 5],
        ],
        false,
      ],
    ]);
  });
  it.each(['L1 1', 'M0 0 L1', 'M0 0 X3', 'M0 0 L1 1e999', 'M0 0 A1 1 0 2 0 3 3'])('%s is told to be damaged', (d) => {
    expect(draw(d).whole).toBe(false);
  });
  it('keeps within the flatness of the true circle, and no closer than it has to', () => {
    const { paths } = draw('M300 0A300 300 0 0 1 -300 0');
    const points = paths[0]?.points ?? [];
    for (let i = 1; i < points.length; i++) {
      const [ax, ay] = points[i - 1] as [number, number];
      const [bx, by] = points[i] as [number, number];
      expect(300 - Math.hypot((ax + bx) / 2, (ay + by) / 2)).toBeLessThanOrEqual(0.0201);
    }
    expect(points.length).toBeLessThan(160);
  });
});

describe('texts', () => {
  const texts = (body: string) => {
    const raw = readSvg(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 96" width="1in" height="1in"><rect width="96" height="96" stroke="#000"/>${body}</svg>`,
    );
    return 'refusal' in raw ? [] : raw.texts;
  };
  it('stand where their middle is, by anchor and size', () => {
    const [start] = texts('<text x="48" y="48" font-size="10">12</text>');
    const [middle] = texts('<text x="48" y="48" font-size="10" text-anchor="middle">12</text>');
    expect(start?.at[0]).toBeGreaterThan(middle?.at[0] ?? 0);
    expect(middle?.at[0]).toBeCloseTo(12.7, 6);
  });
  it('of spans are read one by one; hidden ones are not', () => {
    expect(texts('<text><tspan x="5" y="9">a</tspan><tspan x="50" y="9">b</tspan></text>').map((t) => t.text)).toEqual([
      'a',
      'b',
    ]);
    expect(texts('<text x="5" y="9" display="none">a</text>')).toEqual([]);
  });
});
