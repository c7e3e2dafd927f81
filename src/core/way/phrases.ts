import type { SectionShape } from '../sections';
import { copyOf, earlierPlaces, isPlayed, type Bars, type Copy, type PlaceLines } from './copies';

/** A phrase in which something is played. */
export interface WayPhrase {
  readonly index: number;
  readonly bars: Bars;
  /** Index of its section among all sections. */
  readonly section: number;
  /** How far before its first bar line it begins, exact quarters. */
  readonly upbeatQuarters: string;
  /** How far before the end of its last bar the next phrase begins. */
  readonly endUpbeatQuarters: string;
  /** The earlier phrase it is the same as. */
  readonly copy: Copy | null;
  /** Index of that phrase; null where this one is new. */
  readonly model: number | null;
}

export interface WaySection {
  readonly index: number;
  readonly name: string;
  readonly letter: string;
  readonly bars: Bars;
  readonly upbeatQuarters: string;
  readonly endUpbeatQuarters: string;
  /** Indexes of its phrases in which something is played. */
  readonly phrases: readonly number[];
  /** Index of an earlier section it is the same as, phrase by phrase; null where it is new. */
  readonly model: number | null;
}

export interface WayForm {
  readonly phrases: readonly WayPhrase[];
  readonly sections: readonly WaySection[];
}

function phrasesOf(sections: readonly SectionShape[], lines: PlaceLines): readonly WayPhrase[] {
  const all = sections.flatMap((s, section) =>
    s.phrases.map((p) => ({ bars: [p.from, p.to] as const, section, upbeatQuarters: p.upbeatQuarters ?? '0' })),
  );
  const played = all
    .map((p, i) => ({ ...p, endUpbeatQuarters: all[i + 1]?.upbeatQuarters ?? '0' }))
    .filter((p) => isPlayed(lines, p.bars));
  const earlier = earlierPlaces(lines);
  const indexOf = new Map(played.map((p, index) => [p.bars as Bars, index] as const));
  return played.map((p, index): WayPhrase => {
    const copy = earlier.closest(p.bars);
    earlier.add(p.bars);
    return { ...p, index, copy, model: copy === null ? null : (indexOf.get(copy.like) ?? null) };
  });
}

/** Bars in which two sections differ; null where one is not the other, phrase by phrase. */
function differences(lines: PlaceLines, models: readonly Bars[], places: readonly Bars[]): number | null {
  if (models.length !== places.length) return null;
  let sum = 0;
  for (const [k, place] of places.entries()) {
    const model = models[k];
    const copy = model ? copyOf(lines, model, place) : null;
    if (!copy) return null;
    sum += copy.differs.length + (copy.kind === 'moved' ? 0.5 : 0);
  }
  return sum;
}

/** The earlier section of which every phrase is copied, in order: the closest, of equals the first; null for none. */
function sectionModel(
  lines: PlaceLines,
  phrases: readonly WayPhrase[],
  earlier: readonly WaySection[],
  mine: readonly number[],
): number | null {
  const barsOf = (indexes: readonly number[]): readonly Bars[] =>
    indexes.flatMap((i) => {
      const bars = phrases[i]?.bars;
      return bars ? [bars] : [];
    });
  let best: { readonly index: number; readonly differs: number } | null = null;
  for (const s of earlier) {
    const differs = differences(lines, barsOf(s.phrases), barsOf(mine));
    if (differs !== null && (best === null || differs < best.differs)) best = { index: s.index, differs };
  }
  return best?.index ?? null;
}

/** Sections and phrases of a piece with what each is a copy of. Bars in which nothing is played are no phrases. */
export function wayForm(sections: readonly SectionShape[], lines: PlaceLines): WayForm {
  const phrases = phrasesOf(sections, lines);
  const out: WaySection[] = [];
  const firstPhrases = earlierPlaces(lines);
  const ofSection = new Map<number, WayPhrase[]>();
  for (const p of phrases) ofSection.set(p.section, [...(ofSection.get(p.section) ?? []), p]);
  sections.forEach((s, index) => {
    const mine = ofSection.get(index) ?? [];
    const [first, last] = [mine[0], mine[mine.length - 1]];
    if (!first || !last) return;
    const indexes = mine.map((p) => p.index);
    out.push({
      index,
      name: s.name,
      letter: s.letter,
      bars: [s.from, s.to],
      upbeatQuarters: first.upbeatQuarters,
      endUpbeatQuarters: last.endUpbeatQuarters,
      phrases: indexes,
      model: sectionModel(
        lines,
        phrases,
        firstPhrases.likely(first.bars).flatMap((i) => out[i] ?? []),
        indexes,
      ),
    });
    firstPhrases.add(first.bars);
  });
  return { phrases, sections: out };
}
