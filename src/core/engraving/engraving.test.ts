import { describe, expect, it } from 'vitest';
import { engraverOptions, isSafeDrawing } from '.';

describe('what the engraver is told', () => {
  it('is a page as wide as there is room at that size, and staves closer on paper', () => {
    expect(engraverOptions({ width: 300, scale: 50 })).toMatchObject({ pageWidth: 600, scale: 50 });
    const gap = (close: boolean) => Number(engraverOptions({ width: 300, scale: 50, close })['spacingStaff']);
    expect(gap(true)).toBeLessThan(gap(false));
  });
});

describe('a drawing', () => {
  it('is let through as the engraver writes it', () => {
    expect(isSafeDrawing('<svg><defs><g id="E0A4"/></defs><use href="#E0A4"/><path d="M1 2"/></svg>')).toBe(true);
  });
  it.each([
    '<svg><script>alert(1)</script></svg>',
    '<svg><foreignObject><p/></foreignObject></svg>',
    '<svg><use href="https://example.org/x.svg#y"/></svg>',
    '<svg><a href="#x"/></svg>',
    '<svg><g onclick="x()"/></svg>',
    '<svg><image href="#x"/></svg>',
  ])('is held back where it could run or load: %s', (svg) => {
    expect(isSafeDrawing(svg)).toBe(false);
  });
});
