import { readdirSync, readFileSync } from 'node:fs';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

/** One word for one thing on every screen: ours, and those that would be a second one. */
const WORDS = [
  ['student', /\b(pupil|learner)s?\b/i],
  ['remove, take away, take back', /\b(delete|erase)[sd]?\b/i],
  ['piece', /\b(song sheet|work item|track)s?\b/i],
  ['section', /\b(segment|passage)s?\b/i],
  ['rung', /\bpractice (task|item)s?\b/i],
  ['mark', /\b(annotation|markup)s?\b/i],
  ['lesson', /\b(appointment|class session)s?\b/i],
  ['corner', /\b(hot ?spot|problem spot)s?\b/i],
  ['beat', /\bpulse\b/i],
  ['tempo', /\bbpm\b/i],
  ['finger, fingering', /\bdigits? of the hand\b/i],
  ['settings', /\b(preferences|options)\b/i],
  ['bring in', /\b(import|upload)(s|ed|ing)?\b/i],
  ['save', /\bexport(s|ed|ing)?\b/i],
  ['archive', /\b(hide|hidden) (student|piece)s?\b/i],
  ['choose', /\bselect(s|ed|ing)?\b/i],
  ['due', /\boverdue\b/i],
  ['studio', /\b(workspace|account)s?\b/i],
] as const satisfies readonly (readonly [string, RegExp])[];

/** Sentences in which one of those words is the right one, and why. */
const ALLOWED: readonly (readonly [string, string])[] = [
  ['Delete', 'the name of a key'],
  ['until you export it', 'of data that leave the browser'],
];

const files = (readdirSync('src/features', { recursive: true }) as string[])
  .filter((f) => f.endsWith('.tsx') && !f.includes('.test.'))
  .map((f) => `src/features/${f}`);

/** What is read on screen: text between tags, and texts with a space or a capital that are no code. */
function textsOf(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxAttribute(node) && node.name.getText() === 'className') return;
    if (ts.isJsxText(node) || ts.isStringLiteral(node) || ts.isTemplateHead(node) || ts.isTemplateTail(node))
      texts.push(node.text.trim());
    if (ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateMiddle(node)) texts.push(node.text.trim());
    ts.forEachChild(node, visit);
  };
  visit(source);
  return texts.filter((t) => /[A-Z ]/.test(t) && !/^[a-z-]+:|[{}[\]_/]/.test(t));
}

describe('the words on the screens', () => {
  const all = files.flatMap((file) => textsOf(file).map((text) => ({ file, text })));
  it('are many', () => expect(all.length).toBeGreaterThan(600));
  it.each(WORDS)('%s is said by one word only', (_, other) => {
    const wrong = all.filter(({ text }) => other.test(text) && !ALLOWED.some(([ok]) => text.includes(ok)));
    expect(wrong).toEqual([]);
  });
});
