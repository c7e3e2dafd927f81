/** Where things stand in one engraved line, in CSS pixels from its top left corner. */
export interface LineLayout {
  readonly width: number;
  readonly height: number;
  /** Middles of note heads and rests, and how wide they are. */
  readonly notes: ReadonlyMap<string, { readonly x: number; readonly y: number; readonly width: number }>;
  /** From bar line to bar line, from the first line of the highest staff to the last of the lowest. */
  readonly bars: ReadonlyMap<
    string,
    { readonly x: number; readonly width: number; readonly top: number; readonly height: number }
  >;
}

/** Elements of an engraved line: what opens, and what closes. */
const TAG = /<(\/?)([a-zA-Z]+)([^>]*?)(\/?)>/g;
const attributeOf = (attributes: string, name: string): string | null =>
  new RegExp(`\\s${name}="([^"]*)"`).exec(attributes)?.[1] ?? null;
const numbersIn = (text: string): readonly number[] => (text.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

/** What stands where it is drawn: heads and rests. */
const DRAWN = new Set(['note', 'rest', 'mRest']);
/** Widths of glyphs by their code, in units of their design: 1000 to four spaces of a staff. */
const GLYPH_WIDTH: Readonly<Record<string, number>> = {
  // Whole and double notes are wider than the others.
  E0A0: 700,
  E0A1: 700,
  E0A2: 406,
  E4E3: 300,
  E4E4: 300,
};
const USUAL_WIDTH = 314;

interface Open {
  readonly name: string;
  readonly id: string | null;
  readonly role: string;
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A glyph in the units of the drawing: where it is put, how wide it is, how far it is moved down. */
function glyphOf(attributes: string): { readonly x: number; readonly y: number; readonly width: number } | null {
  const [x, y, size] = numbersIn(attributeOf(attributes, 'transform') ?? '');
  if (x === undefined || y === undefined) return null;
  const code = /#([0-9A-F]{4})/.exec(attributes)?.[1] ?? '';
  return { x, y, width: (GLYPH_WIDTH[code] ?? USUAL_WIDTH) * (size ?? 1) };
}

/** A box around more points. */
const around = (box: Box | undefined, [x1 = 0, y1 = 0, x2 = x1, y2 = y1]: readonly number[]): Box => ({
  left: Math.min(box?.left ?? x1, x1, x2),
  right: Math.max(box?.right ?? x1, x1, x2),
  top: Math.min(box?.top ?? y1, y1, y2),
  bottom: Math.max(box?.bottom ?? y1, y1, y2),
});

/** What is found while a drawing is read, in its own units. */
class Found {
  readonly notes = new Map<string, { x: number; y: number; width: number }>();
  readonly bars = new Map<string, Box>();

  /** One element inside of others, the innermost last. */
  take(name: string, attributes: string, within: readonly Open[]): void {
    const parent = within[within.length - 1];
    if (name === 'use') {
      const owner = within.findLast((o) => DRAWN.has(o.role));
      const isHead = owner?.role !== 'note' || parent?.role === 'notehead';
      if (!owner?.id || !isHead || this.notes.has(owner.id)) return;
      const glyph = glyphOf(attributes);
      if (glyph) this.notes.set(owner.id, { x: glyph.x + glyph.width / 2, y: glyph.y, width: glyph.width });
      return;
    }
    // The lines of a staff stand directly in it.
    if (name !== 'path' || parent?.role !== 'staff') return;
    const bar = within.findLast((o) => o.role === 'measure');
    if (bar?.id) this.bars.set(bar.id, around(this.bars.get(bar.id), numbersIn(attributeOf(attributes, 'd') ?? '')));
  }
}

/**
 * Where the notes and bars of an engraved line stand, read from its drawing: nothing needs to be on a screen for it.
 */
export function lineLayout(svg: string): LineLayout {
  const found = new Found();
  const within: Open[] = [];
  let [width, height, scale] = [0, 0, 1];
  let shift: readonly number[] = [0, 0];
  for (const [, closes = '', name = '', attributes = '', alone = ''] of svg.matchAll(TAG)) {
    if (closes !== '') {
      within.pop();
      continue;
    }
    const role = attributeOf(attributes, 'class')?.split(' ')[0] ?? '';
    if (name === 'svg' && width === 0) {
      width = Number.parseFloat(attributeOf(attributes, 'width') ?? '0');
      height = Number.parseFloat(attributeOf(attributes, 'height') ?? '0');
    } else if (role === 'definition-scale') {
      const [, , units = 1] = numbersIn(attributeOf(attributes, 'viewBox') ?? '');
      scale = width / units;
    } else if (role === 'page-margin') shift = numbersIn(attributeOf(attributes, 'transform') ?? '');
    else found.take(name, attributes, within);
    if (alone === '') within.push({ name, id: attributeOf(attributes, 'id'), role });
  }
  const [dx = 0, dy = 0] = shift;
  const px = (units: number, by: number): number => (units + by) * scale;
  return {
    width,
    height,
    notes: new Map(
      [...found.notes].map(([id, { x, y, width: w }]) => [id, { x: px(x, dx), y: px(y, dy), width: w * scale }]),
    ),
    bars: new Map(
      [...found.bars].map(([id, { left, right, top, bottom }]) => [
        id,
        { x: px(left, dx), width: (right - left) * scale, top: px(top, dy), height: (bottom - top) * scale },
      ]),
    ),
  };
}
