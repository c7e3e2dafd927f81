import type { PlacedSection, SectionShape } from '@/core/sections';

/** Bars of a phrase where none is marked **[common practice]**. */
const PHRASE_BARS = 4;

/** Kept sections as the order of chunks wants them; phrases are the sections inside, else four bars each. */
export function asProposed(sections: readonly PlacedSection[]): SectionShape[] {
  const top = sections.filter((p) => p.section.parentId === null);
  return top.map((p) => {
    const inside = sections.filter((c) => c.section.parentId === p.section.id).map((c) => ({ from: c.from, to: c.to }));
    const fours = Array.from({ length: Math.ceil((p.to - p.from + 1) / PHRASE_BARS) }, (_, i) => ({
      from: p.from + i * PHRASE_BARS,
      to: Math.min(p.to, p.from + (i + 1) * PHRASE_BARS - 1),
    }));
    const like = top.findIndex((m) => m.section.id === p.section.likeId);
    return {
      name: p.section.name,
      letter: p.section.letter,
      from: p.from,
      to: p.to,
      like: like < 0 ? null : like,
      phrases: inside.length > 0 ? inside : fours,
    };
  });
}
