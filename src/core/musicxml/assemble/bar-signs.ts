import type { BarSigns } from '../../score';
import type { GrowingPart } from '../growing-part';
import type { RawMeasure } from '../measure';

type RawSigns = RawMeasure['signs'];

export const NO_SIGNS: BarSigns = {
  repeatStart: false,
  repeatEnd: null,
  ending: null,
  segno: null,
  coda: null,
  toCoda: false,
  fine: false,
  jump: null,
  doubleBar: null,
};

/** What any part says of a bar. */
function mergedSigns(parts: readonly GrowingPart[], count: number): RawSigns[] {
  return Array.from({ length: count }, (_, i) => {
    const all = parts.flatMap((p) => (p.measures[i] ? [p.measures[i].signs] : []));
    return {
      repeatStart: all.some((s) => s.repeatStart),
      repeatEnd: all.find((s) => s.repeatEnd !== null)?.repeatEnd ?? null,
      endingStart: all.find((s) => s.endingStart !== null)?.endingStart ?? null,
      endingStop: all.some((s) => s.endingStop),
      segno: all.find((s) => s.segno !== null)?.segno ?? null,
      coda: all.find((s) => s.coda !== null)?.coda ?? null,
      codaGlyph: all.some((s) => s.codaGlyph),
      toCoda: all.some((s) => s.toCoda),
      fine: all.some((s) => s.fine),
      jump: all.find((s) => s.jump !== null)?.jump ?? null,
      doubleBar: all.find((s) => s.doubleBar !== null)?.doubleBar ?? null,
    };
  });
}

/**
 * Coda signs without a sound: where the way there is marked otherwise they are the goal, else the first of two leads to
 * the second. Changes them in place.
 */
function tellCodas(merged: readonly RawSigns[]): void {
  const saysTo = merged.some((s) => s.toCoda);
  const glyphs = merged.flatMap((s, i) => (s.codaGlyph && s.coda === null && !s.toCoda ? [i] : []));
  glyphs.forEach((i, n) => {
    const signs = merged[i];
    if (!signs) return;
    const leads = !saysTo && glyphs.length > 1 && n < glyphs.length - 1;
    if (leads) signs.toCoda = true;
    else signs.coda = '';
  });
}

/** Repeats, endings, jumps and double bars of every bar. */
export function barSigns(parts: readonly GrowingPart[], count: number): BarSigns[] {
  const merged = mergedSigns(parts, count);
  tellCodas(merged);
  let open: readonly number[] | null = null;
  let previous: readonly number[] = [];
  return merged.map((s, i) => {
    const starts = s.endingStart !== null;
    if (s.endingStart !== null) {
      open = s.endingStart.length > 0 ? s.endingStart : [Math.max(0, ...previous) + 1];
      previous = open;
    }
    const covering = open;
    const stops =
      covering !== null &&
      (s.endingStop ||
        s.repeatEnd !== null ||
        i + 1 >= count ||
        merged[i + 1]?.endingStart != null ||
        s.doubleBar === 'light-heavy');
    if (stops) open = null;
    return {
      ...NO_SIGNS,
      repeatStart: s.repeatStart,
      repeatEnd: s.repeatEnd,
      segno: s.segno,
      coda: s.coda,
      toCoda: s.toCoda,
      fine: s.fine,
      jump: s.jump,
      doubleBar: s.doubleBar,
      ending: covering === null ? null : { numbers: covering, starts, stops },
    };
  });
}
