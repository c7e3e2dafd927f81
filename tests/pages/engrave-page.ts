/**
 * Pages with known bars: pieces engraved by Verovio in one of its music fonts, drawn as a picture by resvg. Where the
 * bars are is read from the drawing, not from the picture.
 */
import { readFileSync } from 'node:fs';
import { Resvg } from '@resvg/resvg-js';
import type { VerovioToolkit as Toolkit } from 'verovio/esm';
import { STAFF_AT_FULL_SIZE } from '../../src/core/engraving';
import type { PageCorners, Picture } from '../../src/core/page';
import { openAbc } from '../../src/core/studio';
import { lineLayout } from '../../src/ui/line-layout';

export const MUSIC_FONTS = ['Leipzig', 'Bravura', 'Leland', 'Petaluma', 'Gootville'] as const;
export type MusicFont = (typeof MUSIC_FONTS)[number];

export interface TruePage {
  readonly picture: Picture;
  /** Bars in reading order, by system. */
  readonly systems: readonly (readonly PageCorners[])[];
}

export interface PageLook {
  readonly font: MusicFont;
  /** Dots an inch. */
  readonly dpi: number;
  /** Millimetres from the first line of a staff to its last. */
  readonly staff: number;
  /** Which page of the piece. */
  readonly page?: number;
}

/** A page of paper: A4 in millimetres (ISO 216). */
const [WIDTH, HEIGHT] = [210, 297];
const MM_AN_INCH = 25.4;

let kit: Promise<Toolkit> | null = null;
const engraver = (): Promise<Toolkit> =>
  (kit ??= (async () => {
    const [{ default: start }, { VerovioToolkit }] = await Promise.all([import('verovio/wasm'), import('verovio/esm')]);
    return new VerovioToolkit(await start());
  })());

/** What Verovio reads: MusicXML as it is, ABC by our own reader. */
function documentOf(file: string): string {
  const text = readFileSync(file, 'utf8');
  if (!file.endsWith('.abc')) return text;
  const opened = openAbc(text, file);
  if (!opened.ok) throw new Error(`${file}: ${opened.issue.message}`);
  return opened.value.text;
}

const MEASURE = /<g id="([^"]+)" class="measure[^"]*">/g;
const BAR_LINE = /<g id="[^"]*" class="barLine">([\s\S]*?)<\/g>/g;
const UPRIGHT = /<path d="M([\d.]+) [\d.]+ L\1 [\d.]+" stroke-width="([\d.]+)"/g;
const LEVEL = /<path d="M([\d.]+) ([\d.]+) L([\d.]+) \2"/;

/** By bar: how much of its width lies behind its last bar line, where a signature of the next line is announced. */
function behindLastLine(svg: string): ReadonlyMap<string, number> {
  const starts = [...svg.matchAll(MEASURE)];
  return new Map(
    starts.map((start, i) => {
      const own = svg.slice(start.index, starts[i + 1]?.index ?? svg.length);
      const [, left, , right] = LEVEL.exec(own) ?? [];
      const ends = [...own.matchAll(BAR_LINE)].flatMap(([, inside = '']) =>
        [...inside.matchAll(UPRIGHT)].map(([, x, stroke]) => Number(x) + Number(stroke) / 2),
      );
      const share = (Number(right) - Math.max(...ends)) / (Number(right) - Number(left));
      return [start[1] ?? '', ends.length > 0 && share < 0.5 ? Math.max(0, share) : 0] as const;
    }),
  );
}

/** A page of a piece in a file, white, upright and sharp; null where the piece has no such page. */
export const engravePage = (file: string, look: PageLook): Promise<TruePage | null> =>
  engraveMusic(documentOf(file), look);

/** The same of MusicXML as text. */
export async function engraveMusic(text: string, { font, dpi, staff, page = 1 }: PageLook): Promise<TruePage | null> {
  const toolkit = await engraver();
  const unitsAMm = STAFF_AT_FULL_SIZE / staff;
  toolkit.setOptions({
    pageWidth: Math.round(WIDTH * unitsAMm),
    pageHeight: Math.round(HEIGHT * unitsAMm),
    pageMarginLeft: Math.round(14 * unitsAMm),
    pageMarginRight: Math.round(14 * unitsAMm),
    pageMarginTop: Math.round(14 * unitsAMm),
    pageMarginBottom: Math.round(14 * unitsAMm),
    scale: 100,
    breaks: 'auto',
    font,
    fontLoadAll: true,
    header: 'auto',
    footer: 'none',
    svgRemoveXlink: true,
    justifyVertically: false,
  });
  if (!toolkit.loadData(text)) throw new Error('This music cannot be engraved.');
  if (page > toolkit.getPageCount()) return null;
  const svg = toolkit.renderToSVG(page);
  const zoom = ((staff / MM_AN_INCH) * dpi) / STAFF_AT_FULL_SIZE;
  const drawn = new Resvg(svg, {
    fitTo: { mode: 'zoom', value: zoom },
    background: 'white',
    font: { loadSystemFonts: true },
  }).render();
  const rgba = drawn.pixels;
  const gray = new Uint8Array(drawn.width * drawn.height);
  for (let i = 0; i < gray.length; i += 1) gray[i] = rgba[4 * i] ?? 255;
  const { bars, width: drawnWidth } = lineLayout(svg);
  const k = drawn.width / drawnWidth;
  const systems: PageCorners[][] = [];
  const behind = behindLastLine(svg);
  let last = Infinity;
  for (const [id, b] of bars) {
    const width = b.width * (1 - (behind.get(id) ?? 0));
    const [x0, y0, x1, y1] = [b.x * k, b.top * k, (b.x + width) * k, (b.top + b.height) * k];
    // As far to the left as the one before: one bar stands below another.
    if (x0 <= last) systems.push([]);
    last = x0;
    systems[systems.length - 1]?.push([
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ]);
  }
  return { picture: { width: drawn.width, height: drawn.height, gray }, systems };
}
