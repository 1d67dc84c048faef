import { CAPACITY } from '../../limits/index.ts';
import { nth } from '../../units/index.ts';
import { SaxesParser } from 'saxes';

/** An element of the drawing file: a plain tree, never put into a page. Names come without prefix, in lower case. */
export interface MarkupNode {
  readonly name: string;
  readonly attributes: ReadonlyMap<string, string>;
  readonly children: MarkupNode[];
  readonly parent: MarkupNode | null;
  text: string;
}

export type MarkupProblem = 'not-markup' | 'too-deep' | 'too-many';

/**
 * Reads XML leniently into a tree: stray `&`, undeclared prefixes and unclosed tails are passed over.
 * Entities are replaced only where they are short plain text declared in the file itself; external ones never.
 */
export function readMarkup(source: string): { root: MarkupNode } | { problem: MarkupProblem } {
  let text = source.charCodeAt(0) === 0xfeff ? source.slice(1) : source;
  text = text.trimStart();
  if (!text.startsWith('<')) return { problem: 'not-markup' };
  const parser = new SaxesParser({ xmlns: false, fragment: false });
  const { body, entities } = withoutDoctype(text);
  for (const [name, value] of entities) parser.ENTITIES[name] = value;
  const root: MarkupNode = { name: '', attributes: new Map(), children: [], parent: null, text: '' };
  const open: MarkupNode[] = [root];
  let nodes = 0;
  let problem: MarkupProblem | null = null;
  parser.on('error', () => undefined);
  parser.on('opentag', (tag) => {
    if (problem) return;
    if (open.length > CAPACITY.nodesDeep) problem = 'too-deep';
    if (++nodes > CAPACITY.nodes) problem = 'too-many';
    const attributes = new Map<string, string>();
    for (const [key, value] of Object.entries(tag.attributes)) attributes.set(local(key), String(value));
    const parent = open.at(-1) ?? root;
    const node: MarkupNode = { name: local(tag.name), attributes, children: [], parent, text: '' };
    parent.children.push(node);
    open.push(node);
  });
  parser.on('closetag', () => {
    if (open.length > 1) open.pop();
  });
  const collect = (words: string) => {
    const node = open.at(-1);
    if (node && node.text.length < CAPACITY.textChars) node.text += words.slice(0, CAPACITY.textChars);
  };
  parser.on('text', collect);
  parser.on('cdata', collect);
  parser.write(withoutLongComments(body)).close();
  return problem ? { problem } : { root };
}

const local = (name: string): string => name.slice(name.indexOf(':') + 1).toLowerCase();

/** The parser gathers a comment whole before it lets go of it: one of many megabytes is taken out first. */
function withoutLongComments(text: string): string {
  let kept = '';
  let from = 0;
  for (let at = text.indexOf('<!--'); at >= 0; at = text.indexOf('<!--', at + 4)) {
    const end = text.indexOf('-->', at);
    const to = end < 0 ? text.length : end + 3;
    if (to - at > CAPACITY.commentChars) {
      kept += text.slice(from, at);
      from = to;
    }
    at = to - 4;
  }
  return from === 0 ? text : kept + text.slice(from);
}

function withoutDoctype(text: string): { body: string; entities: Map<string, string> } {
  const entities = new Map<string, string>();
  const start = text.search(/<!DOCTYPE/i);
  if (start < 0 || start > 20_000) return { body: text, entities };
  let at = start;
  let brackets = 0;
  let quote = '';
  for (; at < text.length; at++) {
    const c = nth(text, at);
    if (quote) {
      if (c === quote) quote = '';
    } else if (c === '"' || c === "'") quote = c;
    else if (c === '[') brackets++;
    else if (c === ']') brackets--;
    else if (c === '>' && brackets === 0) break;
  }
  const doctype = text.slice(start, at + 1);
  for (const [, name = '', , value] of doctype.matchAll(/<!ENTITY\s+([\w.-]+)\s+(["'])([^"']*)\2\s*>/g)) {
    if (value !== undefined && value.length <= CAPACITY.entityChars && !/[&<]/.test(value)) entities.set(name, value);
  }
  return { body: text.slice(0, start) + text.slice(at + 1), entities };
}
