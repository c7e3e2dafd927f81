import { isBlankBar, type Score } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import type { StripBar, StripBracket } from '@/ui';
import type { HardPlaces } from '@/workers';

/** The bars of the strip; level where nothing is known yet of how hard they are. */
export function stripBars(score: Score, found: HardPlaces | null): StripBar[] {
  const hard = new Set(found?.corners);
  return score.bars.map((bar, i) => ({
    id: bar.id,
    number: bar.name,
    length: bar.length,
    difficulty: found?.scores[i] ?? 0,
    corner: hard.has(i),
    ...(bar.blankFrom === undefined ? {} : { blank: isBlankBar(bar) ? ('whole' as const) : ('end' as const) }),
    repeatStart: bar.signs.repeatStart,
    repeatEnd: bar.signs.repeatEnd !== null,
    doubleBar: bar.signs.doubleBar !== null,
    family: null,
  }));
}

export const stripBrackets = (sections: readonly PlacedSection[]): StripBracket[] =>
  sections.map(({ section, from, to }) => ({
    id: section.id,
    from,
    to,
    letter: section.letter,
    name: section.name,
    proposed: false,
  }));
