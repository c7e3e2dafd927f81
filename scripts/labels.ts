/** Writes docs/labels.md: every label of the screens, once, with the features that say it. `npm run labels`. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import prettier from 'prettier';
import ts from 'typescript';

export const LABELS_FILE = 'docs/labels.md';

/** Attributes that name a control or a place. */
const NAMING = new Set(['label', 'title', 'aria-label', 'placeholder', 'heading', 'shown', 'what']);
/** Elements whose text is a name. */
const NAMED = new Set([
  'Button',
  'PrintButton',
  'button',
  'h1',
  'h2',
  'h3',
  'th',
  'legend',
  'summary',
  'Link',
  'option',
  'dt',
]);

/** A text with `…` where something is put in. */
function wordsOf(node: ts.Node): string[] {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return [node.text];
  if (ts.isTemplateExpression(node))
    return [node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join('')];
  if (ts.isJsxExpression(node)) return node.expression ? wordsOf(node.expression) : [];
  if (ts.isConditionalExpression(node)) return [...wordsOf(node.whenTrue), ...wordsOf(node.whenFalse)];
  if (ts.isBinaryExpression(node)) return wordsOf(node.right);
  return [];
}

function labelsOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxAttribute(node) && node.initializer && NAMING.has(node.name.getText()))
      found.push(...wordsOf(node.initializer));
    if (ts.isJsxElement(node) && NAMED.has(node.openingElement.tagName.getText())) {
      const texts = node.children.map((child) =>
        ts.isJsxText(child)
          ? child.text.replace(/\s+/g, ' ')
          : (wordsOf(child)[0] ?? (ts.isJsxExpression(child) ? '…' : '')),
      );
      found.push(texts.join(''));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found.map((label) => label.replace(/\s+/g, ' ').trim()).filter((label) => /[A-Za-z]{2}/.test(label));
}

/** Every label and the rooms that say it, by the alphabet. */
export function allLabels(): ReadonlyMap<string, readonly string[]> {
  const rooms = new Map<string, Set<string>>();
  for (const name of readdirSync('src', { recursive: true }) as string[]) {
    const room = /^(?:features\/)?(features|ui|[^/]+)\//.exec(name)?.[1];
    if (!name.endsWith('.tsx') || name.includes('.test.') || room === undefined) continue;
    for (const label of labelsOf(`src/${name}`)) rooms.set(label, (rooms.get(label) ?? new Set()).add(room));
  }
  const sorted = [...rooms].sort(([a], [b]) => a.localeCompare(b, 'en'));
  return new Map(sorted.map(([label, of]) => [label, [...of].sort()]));
}

/** The file as it is to be. */
export async function labelsFile(): Promise<string> {
  const lines = [...allLabels()].map(
    ([label, rooms]) => `- ${label.replace(/[*_<>|`\\]/g, '\\$&')} – ${rooms.join(', ')}`,
  );
  const text = `# Labels\n\nEvery name on a control or over a place, and the rooms that say it; \`…\` is put in. Made by \`npm run labels\` and\nchecked by the tests. What the words mean is in [glossary.md](glossary.md).\n\n${lines.join('\n')}\n`;
  return prettier.format(text, { ...(await prettier.resolveConfig(LABELS_FILE)), parser: 'markdown' });
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) writeFileSync(LABELS_FILE, await labelsFile());
