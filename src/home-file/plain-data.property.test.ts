import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asText, fromText } from './plain-data';
import { slimDrawings } from './slim-drawings';

describe('data that stands in a page', () => {
  it('is read as it was written, maps and sets with it', () => {
    const leaf = fc.oneof(
      fc.string(),
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.boolean(),
      fc.constant(null),
    );
    const data = fc.letrec((tie) => ({
      any: fc.oneof(
        { depthSize: 'small' },
        leaf,
        fc.array(tie('any'), { maxLength: 4 }),
        fc.dictionary(fc.string({ maxLength: 6 }), tie('any'), { maxKeys: 4, noNullPrototype: true }),
        fc.array(fc.tuple(fc.string(), tie('any')), { maxLength: 4 }).map((pairs) => new Map(pairs)),
        fc.array(fc.string(), { maxLength: 4 }).map((all) => new Set(all)),
      ),
    })).any;
    fc.assert(
      fc.property(data, (value) => {
        const plain = JSON.stringify(value) === undefined ? null : value;
        // -0 is written as 0 by every JSON.
        expect(fromText(asText(plain))).toEqual(normal(plain));
      }),
    );
  });
  it('can neither end its element nor begin another, whatever it holds', () => {
    fc.assert(
      fc.property(fc.string(), (words) => {
        for (const text of [
          asText({ words }),
          asText(new Map([[`</script><img src=x onerror=alert(1)>${words}`, words]])),
        ])
          expect(text).not.toMatch(/[<\u2028\u2029]/);
      }),
    );
  });
});

/** Without what no JSON tells apart. */
function normal(value: unknown): unknown {
  if (Object.is(value, -0)) return 0;
  if (value instanceof Map) return new Map([...value].map(([k, v]) => [k, normal(v)]));
  if (Array.isArray(value)) return value.map(normal);
  if (value instanceof Set || typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, normal(v)]));
}

describe('drawings in one page', () => {
  const svg = (id: string): string => `<svg id="${id}">
    <desc>made</desc><defs><g id="E0A4-${id}"><path d="M0 1" /></g></defs>
    <g><use href="#E0A4-${id}" /></g>
    <style type="text/css">@font-face { font-family: 'Leipzig'; src: url(data:x) }</style></svg>`;
  it('share their glyphs and their face', () => {
    const { slim, glyphs, face } = slimDrawings();
    const both = ['a', 'b'].map((id) => slim(svg(id)));
    for (const one of both) {
      expect(one).toContain('href="#glyph-E0A4"');
      expect(one).not.toMatch(/font-face|<defs>|<desc>|>\s+</);
    }
    expect(glyphs().match(/id="glyph-E0A4"/g)).toHaveLength(1);
    expect(face()).toMatch(/^@font-face/);
  });
});
