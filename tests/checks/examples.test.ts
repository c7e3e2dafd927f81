/** Every example in the docstrings and READMEs of the core is run and gives what it says: `expression // → value`. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { EXAMPLE_SCOPE } from './example-scope';

const CORE = 'src/core';
const IS_CLASS = /^class /;
const ROOMS = readdirSync(CORE, { withFileTypes: true }).flatMap((d) => (d.isDirectory() ? [d.name] : []));
const filesOf = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesOf(path);
    return /\.(ts|md)$/.test(entry.name) && !entry.name.endsWith('.test.ts') ? [path] : [];
  });

interface Example {
  readonly path: string;
  readonly expression: string;
  readonly value: string;
}
/** In a docstring `@example f(1) // → 2`, over several lines where it is long; in a README one line, `f(1) // → 2`. */
const examplesIn = (path: string): Example[] =>
  [
    ...readFileSync(path, 'utf8').matchAll(
      path.endsWith('.md') ? /^(\w.*) \/\/ → (.+)$/gm : /^ \* @example([\s\S]*?)\/\/ → (.+)$/gm,
    ),
  ].map(([, expression = '', value = '']) => ({
    path,
    expression: expression.replace(/\n \*/g, '').replace(/\s+/g, ' ').trim(),
    value,
  }));

/** The docstring of an exported function; empty where it has none, or where the function is not of this file. */
const docstringOf = (name: string, source: string): string =>
  new RegExp(`(/\\*\\*(?:(?!\\*/)[\\s\\S])*\\*/)\\nexport (?:async )?(?:function|const) ${name}\\b`).exec(
    source,
  )?.[1] ?? '';

const evaluate = (text: string, names: Readonly<Record<string, unknown>>): unknown =>
  new Function(...Object.keys(names), `return (${text});`)(...Object.values(names)) as unknown;

const faceOf = async (room: string): Promise<Record<string, unknown>> =>
  (await import(`../../src/core/${room}/index.ts`)) as Record<string, unknown>;
const everyFace = Promise.all(ROOMS.map(faceOf)).then((faces): Record<string, unknown> => Object.assign({}, ...faces));

describe.each(ROOMS)('examples of %s', (room) => {
  const examples = filesOf(join(CORE, room)).flatMap(examplesIn);
  it.each(examples.map((e) => [e.expression, e] as const))('%s', async (_, { expression, value, path }) => {
    const own = path.endsWith('.ts') ? ((await import(`../../${path}`)) as Record<string, unknown>) : {};
    const names = { ...(await everyFace), ...(await faceOf(room)), ...own, ...EXAMPLE_SCOPE };
    expect(await evaluate(expression, names)).toEqual(evaluate(value, {}));
  });
  it('has one in the docstring of every public function, after a sentence', async () => {
    const sources = filesOf(join(CORE, room)).map((path) => readFileSync(path, 'utf8'));
    const without = Object.entries(await faceOf(room))
      .filter(([name, value]) => typeof value === 'function' && !IS_CLASS.test(String(value)) && name !== 'default')
      .filter(([name]) => !sources.some((source) => /\* [\w`"][\s\S]*@example/.test(docstringOf(name, source))))
      .map(([name]) => name);
    expect(without).toEqual([]);
  });
  it('has one in its README', () =>
    expect(
      examples.some((e) => e.path === join(CORE, room, 'README.md')),
      `src/core/${room}/README.md`,
    ).toBe(true));
});
