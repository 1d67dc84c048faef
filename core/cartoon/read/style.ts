import { CAPACITY } from '../../limits/index.ts';
import { isOneOf, nth } from '../../units/index.ts';
import type { MarkupNode } from './markup.ts';

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
  'marker-start',
  'marker-end',
  'clip-path',
  'transform',
  'transform-origin',
  'font-size',
  'text-anchor',
] as const;
type Property = (typeof PROPERTIES)[number];
export type Style = Readonly<Partial<Record<Property, string>>>;

/** What children do not take over from their parent; all the rest is inherited (SVG 2, property index). */
const OWN: ReadonlySet<Property> = new Set(['display', 'opacity', 'clip-path', 'transform', 'transform-origin']);
const INHERITED = PROPERTIES.filter((property) => !OWN.has(property));

interface Simple {
  readonly tag: string | null;
  readonly id: string | null;
  readonly classes: readonly string[];
}
interface Rule {
  /** From the element outwards, each with how it hangs on the one before it. */
  readonly chain: readonly { readonly simple: Simple; readonly child: boolean }[];
  readonly weight: number;
  readonly declarations: readonly Declaration[];
}
interface Declaration {
  readonly property: Property;
  readonly value: string;
  readonly important: boolean;
}

/** Rules in the order in which they win, found by what the element itself must be. */
export type StyleSheets = ReadonlyMap<string, readonly { readonly rule: Rule; readonly order: number }[]>;

/** Style sheets of a drawing: tag, class, id, descendant and child selectors; the rest is passed over. */
export function readStyleSheets(texts: readonly string[]): StyleSheets {
  const rules: Rule[] = [];
  for (const text of texts) {
    const bare = text.replace(/\/\*[\s\S]*?\*\//g, '').replace(/<!--|-->/g, '');
    for (const [, selectors = '', body = ''] of bare.matchAll(/([^{}@;]+)\{([^{}]*)\}/g)) {
      const declarations = readDeclarations(body);
      for (const selector of selectors.split(',')) {
        const rule = readSelector(selector.trim(), declarations);
        if (rule) rules.push(rule);
      }
    }
  }
  const byKey = new Map<string, { rule: Rule; order: number }[]>();
  rules
    .map((rule, order) => ({ rule, order }))
    .sort((a, b) => a.rule.weight - b.rule.weight || a.order - b.order)
    .forEach(({ rule }, order) => {
      const { id, classes, tag } = nth(rule.chain, 0).simple;
      const key = id !== null ? `#${id}` : classes[0] !== undefined ? `.${classes[0]}` : (tag ?? '*');
      const list = byKey.get(key);
      if (list) list.push({ rule, order });
      else byKey.set(key, [{ rule, order }]);
    });
  return byKey;
}

const classesOf = (node: MarkupNode): string[] => (node.attributes.get('class') ?? '').split(/\s+/).filter(Boolean);

/** The rules that might be meant for an element, weakest first. */
function candidates(sheets: StyleSheets, node: MarkupNode): Rule[] {
  if (sheets.size === 0) return [];
  const keys = [`#${node.attributes.get('id') ?? ''}`, ...classesOf(node).map((c) => `.${c}`), node.name, '*'];
  return [...new Set(keys)]
    .flatMap((key) => sheets.get(key) ?? [])
    .sort((a, b) => a.order - b.order)
    .map(({ rule }) => rule);
}

function readSelector(text: string, declarations: readonly Declaration[]): Rule | null {
  const tokens = text
    .replace(/\s*>\s*/g, ' > ')
    .split(/\s+/)
    .filter(Boolean);
  const chain: { simple: Simple; child: boolean }[] = [];
  let child = false;
  let weight = 0;
  for (const token of tokens.reverse()) {
    if (token === '>') {
      child = true;
      continue;
    }
    const parts = /^(\*|[a-z][\w-]*)?((?:[.#][\w-]+)*)$/i.exec(token);
    if (!parts) return null;
    const marks = [...(parts[2] ?? '').matchAll(/([.#])([\w-]+)/g)];
    const classes = marks.filter((m) => m[1] === '.').map((m) => nth(m, 2));
    const id = marks.find((m) => m[1] === '#')?.[2] ?? null;
    const tag = parts[1] && parts[1] !== '*' ? parts[1].toLowerCase() : null;
    weight += (id ? 10_000 : 0) + classes.length * 100 + (tag ? 1 : 0);
    chain.push({ simple: { tag, id, classes }, child });
    child = false;
  }
  return chain.length > 0 && chain.length <= CAPACITY.selectorSteps ? { chain, weight, declarations } : null;
}

function readDeclarations(text: string): Declaration[] {
  const found: Declaration[] = [];
  for (const part of text.split(';')) {
    const colon = part.indexOf(':');
    if (colon < 0) continue;
    const property = part.slice(0, colon).trim().toLowerCase();
    const raw = part.slice(colon + 1).trim();
    const important = /!\s*important$/i.test(raw);
    if (isOneOf(PROPERTIES, property)) {
      found.push({ property, value: raw.replace(/!\s*important$/i, '').trim(), important });
    }
  }
  return found;
}

/** The style of an element inside `ancestors` (outermost first), given its parent's. */
export function styleOf(node: MarkupNode, ancestors: readonly MarkupNode[], parent: Style, sheets: StyleSheets): Style {
  const style: Partial<Record<Property, string>> = {};
  for (const property of INHERITED) if (parent[property] !== undefined) style[property] = parent[property];
  const settled = new Set<Property>();
  const set = ({ property, value, important }: Declaration) => {
    if (settled.has(property) && !important) return;
    if (important) settled.add(property);
    if (value === 'inherit') {
      if (parent[property] === undefined) delete style[property];
      else style[property] = parent[property];
    } else style[property] = value;
  };
  for (const property of PROPERTIES) {
    const value = node.attributes.get(property);
    if (value !== undefined) set({ property, value: value.trim(), important: false });
  }
  for (const rule of candidates(sheets, node)) if (matches(rule, node, ancestors)) rule.declarations.forEach(set);
  readDeclarations(node.attributes.get('style') ?? '').forEach(set);
  return style;
}

function matches(rule: Rule, node: MarkupNode, ancestors: readonly MarkupNode[]): boolean {
  const fits = ({ tag, id, classes }: Simple, on: MarkupNode) =>
    (tag === null || tag === on.name) &&
    (id === null || id === on.attributes.get('id')) &&
    (classes.length === 0 || classes.every((c) => classesOf(on).includes(c)));
  const [first, ...outer] = rule.chain;
  if (!first || !fits(first.simple, node)) return false;
  const walk = (step: number, level: number): boolean => {
    const want = outer[step];
    if (!want) return true;
    for (let i = level; i >= 0; i--) {
      if (fits(want.simple, nth(ancestors, i)) && walk(step + 1, i - 1)) return true;
      if (want.child) return false;
    }
    return false;
  };
  return walk(0, ancestors.length - 1);
}
