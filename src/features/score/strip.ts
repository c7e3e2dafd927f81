import { barDifficulties, cornersOf, type BarDifficulty } from '@/core/difficulty';
import type { Score } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import type { StripBar, StripBracket } from '@/ui';

const difficulties = new WeakMap<Score, readonly BarDifficulty[]>();

export function difficultiesOf(score: Score): readonly BarDifficulty[] {
  const known = difficulties.get(score);
  if (known) return known;
  const fresh = barDifficulties(score);
  difficulties.set(score, fresh);
  return fresh;
}

export function stripBars(score: Score): StripBar[] {
  const hard = difficultiesOf(score);
  const corners = new Set(cornersOf(hard).map((d) => d.bar));
  return score.bars.map((bar, i) => ({
    id: bar.id,
    number: bar.number,
    length: bar.length,
    difficulty: hard[i]?.score ?? 0,
    corner: corners.has(i),
    repeatStart: bar.signs.repeatStart,
    repeatEnd: bar.signs.repeatEnd !== null,
    doubleBar: bar.signs.doubleBar !== null,
    family: null,
  }));
}

export const stripBrackets = (sections: readonly PlacedSection[]): StripBracket[] =>
  sections.map(({ section, from, to }) => ({ id: section.id, from, to, letter: section.letter, name: section.name, proposed: false }));
