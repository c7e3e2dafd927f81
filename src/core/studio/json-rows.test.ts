import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { JsonRows, type JsonTrouble } from './json-rows';

interface Read {
  readonly trouble: JsonTrouble | null;
  readonly values: Readonly<Record<string, unknown>>;
  readonly lists: Readonly<Record<string, readonly unknown[]>>;
}

/** What is read of a text that comes in portions of a length. */
function read(text: string, length: number): Read {
  const values: Record<string, unknown> = {};
  const lists: Record<string, unknown[]> = {};
  const rows = new JsonRows('studio', {
    value: (key, value) => {
      values[key] = JSON.parse(value);
    },
    list: (list) => {
      lists[list] = [];
    },
    row: (list, row) => void lists[list]?.push(JSON.parse(row)),
  });
  for (let at = 0; at < text.length; at += length) rows.write(text.slice(at, at + length));
  return { trouble: rows.end(), values, lists };
}

const name = fc.string({ minLength: 1 }).filter((key) => key !== 'studio' && key !== '__proto__');
const lists = fc.dictionary(name, fc.array(fc.jsonValue({ maxDepth: 3 })), { maxKeys: 4 });
const file = fc.record({ head: fc.dictionary(name, fc.jsonValue({ maxDepth: 2 }), { maxKeys: 3 }), lists });

describe('JSON taken apart as it comes in', () => {
  it('is what JSON.parse reads, however it is cut and spaced', () => {
    fc.assert(
      fc.property(
        file,
        fc.integer({ min: 1, max: 40 }),
        fc.constantFrom(0, 1, 2),
        ({ head, lists: own }, length, indent) => {
          const text = JSON.stringify({ ...head, studio: own }, null, indent);
          const whole = JSON.parse(text) as { studio: unknown } & Record<string, unknown>;
          const { studio, ...values } = whole;
          expect(read(text, length)).toEqual({ trouble: null, values, lists: studio });
        },
      ),
    );
  });
  it('is refused where JSON.parse refuses it', () => {
    fc.assert(
      fc.property(file, fc.nat(), fc.constantFrom('', ',', '}', ']', '"', ':', '{', 'x', '[', '\\'), (f, n, put) => {
        const text = JSON.stringify({ ...f.head, studio: f.lists });
        const at = n % text.length;
        const broken = text.slice(0, at) + put + text.slice(at + 1);
        let whole: unknown;
        try {
          whole = JSON.parse(broken);
        } catch {
          // What is read of the rows before it makes no difference: the whole is refused, at the latest by its rows.
          let trouble: unknown;
          try {
            ({ trouble } = read(broken, 7));
          } catch (error) {
            trouble = error;
          }
          expect(trouble).not.toBeNull();
          return;
        }
        if (typeof whole === 'object' && whole !== null && !Array.isArray(whole))
          expect(read(broken, 7).trouble).toBeNull();
      }),
      { numRuns: 500 },
    );
  });
  it('tells where a list is none, and where the whole is no object', () => {
    expect(read('{"studio":{"pieces":5,"events":[1,2]}}', 3)).toEqual({
      trouble: null,
      values: {},
      lists: { events: [1, 2] },
    });
    expect(read('{"studio":[]}', 3).values).toEqual({ studio: [] });
    for (const text of ['[]', '5', '"x"', '{"a":1', '{"a":1}}', '{"a":1,}', '{"studio":{"events":[1,]}}', ''])
      expect(read(text, 4).trouble, text).toBe('not-json');
  });
  it('does not hold more than a row may be long', () => {
    const rows = new JsonRows('studio', { value: () => undefined, list: () => undefined, row: () => undefined });
    rows.write('{"studio":{"pages":["');
    const megabyte = 'x'.repeat(1_000_000);
    let trouble: JsonTrouble | null = null;
    for (let i = 0; i < 70 && trouble === null; i += 1) trouble = rows.write(megabyte);
    expect(trouble).toBe('row-too-long');
  });
});
