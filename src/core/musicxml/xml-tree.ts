/**
 * XML as small trees with their places in the source text. Streaming over saxes: strict, no entity of a DTD is
 * expanded, nothing is fetched. Only the subtrees a caller asks for are built.
 */
import { SaxesParser } from 'saxes';
import { fail, ok, type Result } from '../result';
import { LIMITS } from './limits';

export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
  /** Character data directly inside, joined. */
  readonly text: string;
  /** Character range in the source, tags included. */
  readonly start: number;
  readonly end: number;
  /** Where the start tag ends: children begin here. Equal to `end` for `<a/>`. */
  readonly contentStart: number;
}

type Growing = { -readonly [K in keyof XmlElement]: XmlElement[K] } & { children: XmlElement[] };

export type XmlCode = 'broken-xml' | 'too-deep';

class Stop extends Error {
  constructor(
    readonly code: XmlCode,
    message: string,
  ) {
    super(message);
  }
}

export interface XmlVisitor {
  /**
   * Called at each start tag outside a subtree being built, with the place after it in the text; true builds this
   * element as a tree.
   */
  readonly wants: (path: readonly string[], attributes: Readonly<Record<string, string>>, after: number) => boolean;
  readonly tree: (element: XmlElement, path: readonly string[]) => void;
  readonly entity?: (name: string) => void;
}

/**
 * Walks `text` once. `path` holds the names from the root to the element itself. A visitor may throw `StopReading`
 * by way of its own closure; any other exception is a bug.
 */
export function walkXml(text: string, visitor: XmlVisitor, file: string): Result<null, XmlCode> {
  const parser = new SaxesParser();
  const path: string[] = [];
  const open: Growing[] = [];
  parser.on('error', (error) => {
    const undefinedEntity = /undefined entity/i.test(error.message);
    if (undefinedEntity) {
      visitor.entity?.(error.message);
      return;
    }
    throw new Stop('broken-xml', error.message.replace(/^\d+:\d+:\s*/, ''));
  });
  parser.on('opentag', (tag) => {
    path.push(tag.name);
    if (path.length > LIMITS.depth) throw new Stop('too-deep', 'elements are nested too deep');
    const attributes = tag.attributes as Record<string, string>;
    if (open.length > 0 || visitor.wants(path, attributes, parser.position)) {
      const end = parser.position;
      open.push({
        name: tag.name,
        attributes,
        children: [],
        text: '',
        start: text.lastIndexOf('<', end - 1),
        end,
        contentStart: end,
      });
    }
  });
  parser.on('text', (chunk) => {
    const top = open[open.length - 1];
    if (top) top.text += chunk;
  });
  parser.on('cdata', (chunk) => {
    const top = open[open.length - 1];
    if (top) top.text += chunk;
  });
  parser.on('closetag', () => {
    const element = open.pop();
    if (element) {
      element.end = parser.position;
      const parent = open[open.length - 1];
      if (parent) parent.children.push(element);
      else visitor.tree(element, path);
    }
    path.pop();
  });
  try {
    parser.write(text).close();
    return ok(null);
  } catch (error) {
    if (error instanceof Stop) {
      const line = parser.line;
      return fail(
        error.code,
        `${file} is not well-formed XML near line ${line}: ${error.message}. The file may be cut off or damaged; export it again.`,
        {
          file,
        },
      );
    }
    throw error;
  }
}

/** Parses a fragment with one root element, as cut out of a document that was read before. */
export function parseFragment(text: string): XmlElement | null {
  let root: XmlElement | null = null;
  const result = walkXml(text, { wants: () => true, tree: (element) => (root ??= element) }, 'fragment');
  return result.ok ? root : null;
}

export const child = (element: XmlElement, name: string): XmlElement | undefined =>
  element.children.find((c) => c.name === name);

export const childText = (element: XmlElement, name: string): string | undefined => child(element, name)?.text.trim();

export const childrenNamed = (element: XmlElement, name: string): readonly XmlElement[] =>
  element.children.filter((c) => c.name === name);

// Control characters other than tab and line ends are not allowed in XML 1.0 at all.
const FORBIDDEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g;

/**
 * A text as it is written into XML.
 *
 * @example escapeXml('<Trio & coda>') // → '&lt;Trio &amp; coda&gt;'
 */
export const escapeXml = (text: string): string =>
  text
    .replace(FORBIDDEN, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
