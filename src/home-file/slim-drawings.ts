/** Drawings without what all of them have in common, and what that is. */
export interface Slim {
  readonly slim: (svg: string) => string;
  /** Every glyph once, to stand in front of the drawings. */
  readonly glyphs: () => string;
  /** The engraver's face for words, where a drawing needs it; a style sheet. */
  readonly face: () => string;
}

const GLYPH = /<g id="([0-9A-F]{4,5})-[^"]+">\s*([\s\S]*?)\s*<\/g>/g;
const DEFS = /<defs>[\s\S]*?<\/defs>/g;
const STYLE = /<style[^>]*>([\s\S]*?)<\/style>/g;
const FACE = /@font-face\s*\{[^}]*\}/;

/** Takes glyphs and faces out of drawings: each is kept once for all of them. */
export function slimDrawings(): Slim {
  const glyphs = new Map<string, string>();
  let face = '';
  return {
    slim: (svg) => {
      for (const [, code = '', path = ''] of svg.matchAll(GLYPH)) glyphs.set(code, path);
      for (const [, style = ''] of svg.matchAll(STYLE)) face = FACE.exec(style)?.[0] ?? face;
      return svg
        .replace(DEFS, '')
        .replace(STYLE, (whole, style: string) => (FACE.test(style) ? '' : whole))
        .replace(/<desc>[\s\S]*?<\/desc>/g, '')
        .replace(/href="#([0-9A-F]{4,5})-[^"]+"/g, 'href="#glyph-$1"')
        .replace(/>\s+</g, '><');
    },
    glyphs: () =>
      `<svg width="0" height="0" style="position:absolute" aria-hidden="true"><defs>${[...glyphs]
        .map(([code, path]) => `<g id="glyph-${code}">${path}</g>`)
        .join('')}</defs></svg>`,
    face: () => face,
  };
}
