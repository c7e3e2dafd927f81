/** Every example in the docstrings and READMEs of the core is run and gives what it says: `expression // → value`. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '@/core/studio/abc-for-tests';

const CORE = 'src/core';
const ROOMS = readdirSync(CORE, { withFileTypes: true }).flatMap((d) => (d.isDirectory() ? [d.name] : []));
/** Eight bars in C: the second four are as the first but for their end. */
const EIGHT = 'C D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=80\nK:C\n${music}`);

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
/** One line each: `@example f(1) // → 2` in code, `f(1) // → 2` in a README. */
const examplesIn = (path: string): Example[] =>
  readFileSync(path, 'utf8')
    .split('\n')
    .flatMap((line) => {
      const [, expression, value] = /^(?: \* @example )?(\w.*) \/\/ → (.+?)$/.exec(line) ?? [];
      return expression !== undefined && value !== undefined ? [{ path, expression, value }] : [];
    });

const evaluate = (text: string, names: Readonly<Record<string, unknown>>): unknown =>
  new Function(...Object.keys(names), `return (${text});`)(...Object.values(names)) as unknown;

describe.each(ROOMS)('examples of %s', (room) => {
  const examples = filesOf(join(CORE, room)).flatMap(examplesIn);
  it.each(examples.map((e) => [e.expression, e] as const))('%s', async (_, { expression, value, path }) => {
    const face = (await import(`../../src/core/${room}/index.ts`)) as Record<string, unknown>;
    const own = path.endsWith('.ts') ? ((await import(`../../${path}`)) as Record<string, unknown>) : {};
    const score = scoreOf(EIGHT);
    expect(evaluate(expression, { ...face, ...own, score, scoreOf })).toEqual(evaluate(value, {}));
  });
  it('has one in its README', () =>
    expect(
      examples.some((e) => e.path === join(CORE, room, 'README.md')),
      `src/core/${room}/README.md`,
    ).toBe(true));
});
