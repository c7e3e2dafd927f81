import { compareRanges, type Repeat } from '@/core/sameness';
import type { PlacedSection } from '@/core/sections';
import type { Score } from '@/core/score';
import { repeatWords } from './comes-again';

/** Two places shown one under the other, and the notes that differ. */
export interface TwoPlaces {
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  readonly title: string;
  readonly differs: ReadonlySet<string>;
}

/** The two places of something that comes again; of one hand, only its notes are told apart. */
export function placesOfRepeat(score: Score, repeat: Repeat): TwoPlaces {
  const { onlyA, onlyB } =
    repeat.kind === 'changed' ? compareRanges(score, repeat.a, repeat.b) : { onlyA: [], onlyB: [] };
  const staffOf = new Map(score.notes.map((n) => [n.id, n.staff as number]));
  const isMine = (id: string): boolean => repeat.part === null || staffOf.get(id) === repeat.staff;
  return {
    a: repeat.a,
    b: repeat.b,
    title: repeatWords(score, repeat),
    differs: new Set([...onlyA, ...onlyB].filter(isMine)),
  };
}

/** A section beside another one. */
export function besideEachOther(score: Score, one: PlacedSection, other: PlacedSection): TwoPlaces {
  const a: readonly [number, number] = [one.from, one.to];
  const b: readonly [number, number] = [other.from, other.to];
  const { onlyA, onlyB } = compareRanges(score, a, b);
  return {
    a,
    b,
    title: `${one.section.letter} and ${other.section.letter}, side by side`,
    differs: new Set([...onlyA, ...onlyB]),
  };
}
