import { lexer } from 'css-tree';
import { isOneOf } from '../../units/index.ts';
import type { MarkupNode } from './markup.ts';
import { readDeclarations, rulesFor, type Declaration, type StyleSheets } from './styleSheets.ts';

/** The properties that decide whether, where and how something is seen. */
const PROPERTIES = [
  'display',
  'visibility',
  'opacity',
  'stroke',
  'stroke-width',
  'stroke-opacity',
  'stroke-dasharray',
  'fill',
  'fill-opacity',
  'fill-rule',
  'clip-rule',
  'color',
  'marker-start',
  'marker-end',
  'clip-path',
  'mask',
  'overflow',
  'transform',
  'transform-origin',
  'font-size',
  'text-anchor',
] as const;
type Property = (typeof PROPERTIES)[number];
/** A drawing's own values, by which others can be said. */
type Custom = `--${string}`;
export type Style = Readonly<Partial<Record<Property | Custom, string>>>;

/** What children do not take over from their parent; all the rest is inherited (SVG 2, property index). */
const OWN: ReadonlySet<string> = new Set<Property>([
  'display',
  'opacity',
  'clip-path',
  'mask',
  'overflow',
  'transform',
  'transform-origin',
]);

/** What is not said in a way that means something is not said at all: then the weaker rule holds. */
const CHECKED: ReadonlySet<string> = new Set<Property>(['stroke', 'fill', 'color', 'display', 'visibility', 'opacity']);

/** The style of an element, given its parent's. */
export function styleOf(node: MarkupNode, parent: Style, sheets: StyleSheets): Style {
  const style: Record<string, string | undefined> = {};
  for (const [property, value] of Object.entries(parent)) if (!OWN.has(property)) style[property] = value;
  const settled = new Set<string>();
  const set = ({ property, value, important }: Declaration) => {
    if (!isKnown(property) || (settled.has(property) && !important) || !isSound(property, value)) return;
    if (important) settled.add(property);
    const word = value.toLowerCase();
    const takesOver = word === 'inherit' || ((word === 'unset' || word === 'revert') && !OWN.has(property));
    if (takesOver) style[property] = parent[property];
    else if (word === 'initial' || word === 'unset' || word === 'revert') style[property] = undefined;
    else style[property] = value;
  };
  for (const property of PROPERTIES) {
    const value = node.attributes.get(property);
    if (value !== undefined) set({ property, value: value.trim(), important: false });
  }
  // Of one weight the later holds, important ones before all the others: in the attribute, then in the sheets.
  const rules = rulesFor(sheets, node).flatMap((rule) => rule.declarations);
  const all = [...rules, ...readOwn(node)];
  for (const declaration of all) if (!declaration.important) set(declaration);
  for (const declaration of all) if (declaration.important) set(declaration);
  const result: Record<string, string> = {};
  for (const [property, value] of Object.entries(style)) {
    // A value that is not there after all leaves what the parent says.
    const said = value?.includes('var(')
      ? (withValues(value, style) ?? (OWN.has(property) ? undefined : own(parent, property)))
      : value;
    if (said !== undefined) result[property] = said;
  }
  return result;
}

/** Files are full of the same few styles and values; one of many different ones must not fill the memory. */
const MOST_KEPT = 1000;
const read = new Map<string, Declaration[]>();

function readOwn(node: MarkupNode): Declaration[] {
  const text = node.attributes.get('style');
  if (text === undefined) return [];
  const found = read.get(text) ?? readDeclarations(text);
  if (read.size < MOST_KEPT) read.set(text, found);
  return found;
}

const isKnown = (property: string): property is Property | Custom =>
  property.startsWith('--') || isOneOf(PROPERTIES, property);

const sound = new Map<string, boolean>();

function isSound(property: string, value: string): boolean {
  if (!CHECKED.has(property) || value.includes('var(')) return true;
  const key = `${property}:${value}`;
  let known = sound.get(key);
  if (known === undefined) {
    known = lexer.matchProperty(property, value).error === null;
    if (sound.size < MOST_KEPT) sound.set(key, known);
  }
  return known;
}

const own = (style: Readonly<Record<string, string | undefined>>, property: string): string | undefined =>
  style[property];

/** The style of an element where it stands in the file, whoever draws it. */
export function styleInFile(node: MarkupNode, sheets: StyleSheets): Style {
  return styleOf(node, node.parent ? styleInFile(node.parent, sheets) : {}, sheets);
}

/** A value with the drawing's own values put in. Undefined where one of them is not said anywhere. */
function withValues(value: string, style: Readonly<Record<string, string | undefined>>, depth = 0): string | undefined {
  let isMissing = false;
  const said = value.replace(/var\(\s*(--[\w-]+)\s*(?:,\s*([^()]*))?\)/g, (_, name: string, instead?: string) => {
    const own = style[name] ?? instead;
    if (own === undefined) isMissing = true;
    return own ?? '';
  });
  if (isMissing || depth > 8) return undefined;
  return said.includes('var(') ? withValues(said, style, depth + 1) : said;
}
