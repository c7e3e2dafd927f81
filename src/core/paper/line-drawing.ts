import type { PageLine } from './page-lines';

/** A note of a typed bar: where in the bar it sounds, as a share of its length, and in which staff from 0. */
export interface TypedNote {
  readonly id: string;
  readonly at: number;
  readonly staff: number;
  readonly kind: 'note' | 'rest';
}

/** What stands on a line besides its picture. */
export interface LineContent {
  /** Notes of typed bars, by bar. */
  readonly notes: ReadonlyMap<string, readonly TypedNote[]>;
  /** Numbers that are written over bars, by bar. */
  readonly names: ReadonlyMap<string, string>;
}

/** Clef, key and meter take so much of the first bar of a system, in heights of a staff. */
const PREFIX = 2.2;
/** CSS pixels of the letters of a bar's number. */
const NUMBER = 11;
const plain = (text: string): string => text.replace(/[^\w. -]/g, '');
const rounded = (value: number): string => String(Math.round(value * 100) / 100);
const isId = (id: string): boolean => /^[A-Za-z_][\w.-]*$/.test(id);

/** The rows of the staves across a bar: nothing to see, but it is known from them where the bar is. */
function staffRows({ staves }: PageLine, x: number, width: number): string {
  const rows = staves.flat();
  return [Math.min(...rows), Math.max(...rows)]
    .map(
      (y) => `<path d="M${rounded(x)} ${rounded(y)} L${rounded(x + width)} ${rounded(y)}" fill="none" stroke="none"/>`,
    )
    .join('');
}

/** The number of a bar over its beginning. */
function numberOver({ staves }: PageLine, x: number, name: string | undefined): string {
  if (name === undefined) return '';
  const [top = 0, foot = 0] = staves[0] ?? [0, 0];
  const y = Math.max(NUMBER, top - (foot - top) / 4);
  return `<text class="bar-number" x="${rounded(x + 1)}" y="${rounded(y)}" font-size="${NUMBER}">${plain(name)}</text>`;
}

function noteAt({ staves }: PageLine, { id, at, staff, kind }: TypedNote, x: number, width: number): string {
  const [top = 0, foot = 0] = staves[staff] ?? staves[0] ?? [0, 0];
  const place = `<use transform="translate(${rounded(x + at * width)}, ${rounded((top + foot) / 2)}) scale(0.01, 0.01)"/>`;
  return kind === 'rest'
    ? `<g id="${id}" class="rest">${place}</g>`
    : `<g id="${id}" class="note"><g class="notehead">${place}</g></g>`;
}

/**
 * A line cut from a page as a drawing: the picture, and where bars and typed notes are in it, in the form in which
 * engraved lines say it.
 *
 * @example
 * lineDrawing(pageLines(paper, 0, 0, { width: 800, space: 10 })[0], 'data:,', { notes: new Map(),
 *   names: new Map() }).slice(0, 4) // → '<svg'
 */
export function lineDrawing(line: PageLine, picture: string, { notes, names }: LineContent): string {
  const [width, height] = [rounded(line.width), rounded(line.height)];
  const staff = (line.staves[0]?.[1] ?? 0) - (line.staves[0]?.[0] ?? 0);
  const bars = line.bars
    .filter((bar) => isId(bar.id))
    .map((bar) => {
      const before = bar.begins ? Math.min(bar.width / 2, PREFIX * staff) : 0;
      const drawn = (notes.get(bar.id) ?? [])
        .filter((n) => isId(n.id))
        .map((n) => noteAt(line, n, bar.x + before, bar.width - before))
        .join('');
      return `<g id="${bar.id}" class="measure"><g class="staff">${staffRows(line, bar.x, bar.width)}</g>${drawn}${numberOver(line, bar.x, names.get(bar.id))}</g>`;
    })
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" class="from-page" width="${width}px" height="${height}px" viewBox="0 0 ${width} ${height}"><image href="${picture}" x="0" y="0" width="${width}" height="${height}" preserveAspectRatio="none"/>${bars}</svg>`;
}
