import { compile } from 'css-select';
import { generate, parse as parseSheet, walk, type CssNode, type Rule as CssRule } from 'css-tree';
import { parse as parseSelector, SelectorType, type Selector } from 'css-what';
import { CAPACITY } from '../../limits/index.ts';
import type { MarkupNode } from './markup.ts';

export interface Declaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
}

interface Rule {
  readonly isMeant: (node: MarkupNode) => boolean;
  readonly weight: number;
  readonly declarations: readonly Declaration[];
}

/** Rules in the order in which they win, found by what the element itself must be. */
export type StyleSheets = ReadonlyMap<string, readonly { readonly rule: Rule; readonly order: number }[]>;

/** Style sheets of a drawing, as a screen shows it; what is no rule is passed over. */
export function readStyleSheets(texts: readonly string[]): StyleSheets {
  const rules: { rule: Rule; key: string }[] = [];
  for (const text of texts) {
    const sheet = parseSheet(text.replace(/<!--|-->/g, ''), { onParseError: () => undefined, parseValue: false });
    const take = (node: CssNode, isShown: boolean): void => {
      if (node.type === 'StyleSheet' || node.type === 'Block') node.children.forEach((child) => take(child, isShown));
      if (node.type === 'Atrule' && node.block) take(node.block, isShown && isForScreens(node.name, node.prelude));
      if (node.type === 'Rule' && isShown) rules.push(...rulesOf(node));
    };
    take(sheet, true);
  }
  const byKey = new Map<string, { rule: Rule; order: number }[]>();
  rules
    .map((entry, order) => ({ ...entry, order }))
    .sort((a, b) => a.rule.weight - b.rule.weight || a.order - b.order)
    .forEach(({ rule, key }, order) => {
      const list = byKey.get(key);
      if (list) list.push({ rule, order });
      else byKey.set(key, [{ rule, order }]);
    });
  return byKey;
}

/** The rules that are meant for an element, weakest first. */
export function rulesFor(sheets: StyleSheets, node: MarkupNode): Rule[] {
  if (sheets.size === 0) return [];
  const classes = (node.attributes.get('class') ?? '').split(/\s+/).filter(Boolean);
  const keys = [`#${node.attributes.get('id') ?? ''}`, ...classes.map((c) => `.${c}`), node.name, '*'];
  return [...new Set(keys)]
    .flatMap((key) => sheets.get(key) ?? [])
    .sort((a, b) => a.order - b.order)
    .filter(({ rule }) => rule.isMeant(node))
    .map(({ rule }) => rule);
}

/** What stands in a `style` attribute or between the braces of a rule. */
export function readDeclarations(text: string): Declaration[] {
  const found: Declaration[] = [];
  const list = parseSheet(text, { context: 'declarationList', onParseError: () => undefined, parseValue: false });
  walk(list, (node) => {
    if (node.type === 'Declaration') found.push(declarationOf(node));
  });
  return found;
}

const declarationOf = (node: CssNode & { type: 'Declaration' }): Declaration => ({
  property: node.property.startsWith('--') ? node.property : node.property.toLowerCase(),
  value: generate(node.value).trim(),
  important: node.important !== false,
});

/** A drawing is looked at on a screen; what only a width or a taste asks for is taken to hold. */
function isForScreens(name: string, prelude: CssNode | null): boolean {
  if (name.toLowerCase() === 'supports') return true;
  if (name.toLowerCase() !== 'media') return false;
  const queries = prelude ? generate(prelude).toLowerCase().split(',') : [''];
  return queries.some((query) => {
    const found = /^\s*(not\s+|only\s+)?(all|screen|print|speech)?/.exec(query);
    const isMeant = found?.[2] === undefined || found[2] === 'all' || found[2] === 'screen';
    return found?.[1]?.trim() === 'not' ? !isMeant : isMeant;
  });
}

function rulesOf(node: CssRule): { rule: Rule; key: string }[] {
  const declarations: Declaration[] = [];
  node.block.children.forEach((child) => {
    if (child.type === 'Declaration') declarations.push(declarationOf(child));
  });
  const alternatives =
    node.prelude.type === 'SelectorList' ? node.prelude.children.toArray().map((s) => generate(s)) : [];
  return alternatives.flatMap((text) => {
    const read = readSelector(text);
    return read ? [{ rule: { ...read, declarations }, key: read.key }] : [];
  });
}

/** A selector as a question to an element. Null where it is none, or asks for what no drawing on paper has. */
function readSelector(text: string): { isMeant: Rule['isMeant']; weight: number; key: string } | null {
  try {
    const [tokens] = parseSelector(text);
    if (!tokens || tokens.length > CAPACITY.selectorSteps) return null;
    const isMeant = compile<MarkupNode, MarkupNode>(text, { adapter: ADAPTER });
    return { isMeant, weight: weightOf(tokens), key: keyOf(tokens) };
  } catch {
    return null;
  }
}

const ID_WEIGHT = 10_000;
const CLASS_WEIGHT = 100;
/** Pseudo-classes that weigh what the heaviest of their arguments weighs (Selectors level 4, section 17). */
const BY_ARGUMENT: ReadonlySet<string> = new Set(['is', 'not', 'has', 'matches']);

function weightOf(tokens: Selector[]): number {
  return tokens.reduce((sum, token) => {
    switch (token.type) {
      case SelectorType.Attribute:
        return sum + (token.name === 'id' && token.action === 'equals' ? ID_WEIGHT : CLASS_WEIGHT);
      case SelectorType.Tag:
        return sum + 1;
      case SelectorType.Pseudo:
        if (token.name === 'where') return sum;
        if (BY_ARGUMENT.has(token.name) && Array.isArray(token.data))
          return sum + Math.max(0, ...token.data.map(weightOf));
        return sum + CLASS_WEIGHT;
      default:
        return sum;
    }
  }, 0);
}

/** What the element itself has to be: its id, a class, its name, or anything. */
function keyOf(tokens: readonly Selector[]): string {
  let key = '*';
  for (const token of [...tokens].reverse()) {
    if (token.type === SelectorType.Attribute && token.action === 'equals' && token.name === 'id')
      return `#${token.value}`;
    if (token.type === SelectorType.Attribute && token.action === 'element' && token.name === 'class')
      key = `.${token.value}`;
    else if (token.type === SelectorType.Tag && key === '*') key = token.name.toLowerCase();
    else if (!('name' in token) && token.type !== SelectorType.Universal) break;
  }
  return key;
}

const ADAPTER = {
  isTag: (node: MarkupNode): node is MarkupNode => node.name !== '',
  getAttributeValue: (node: MarkupNode, name: string) => node.attributes.get(name.toLowerCase()),
  getChildren: (node: MarkupNode) => node.children,
  getName: (node: MarkupNode) => node.name,
  getParent: (node: MarkupNode) => (node.parent?.name === '' ? null : (node.parent ?? null)),
  getSiblings: (node: MarkupNode) => node.parent?.children ?? [node],
  getText: (node: MarkupNode) => node.text,
  hasAttrib: (node: MarkupNode, name: string) => node.attributes.has(name.toLowerCase()),
  removeSubsets: (nodes: MarkupNode[]) => nodes,
};
