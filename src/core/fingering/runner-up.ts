import type { FingeredNote } from './types';

/** What can be had at a note, and the least that a whole fingering with it costs. */
export interface Answer {
  /** As it is shown: a finger, keys, a place. */
  readonly text: string;
  readonly cost: number;
}

/** What can be had at a note of a column: each place in which it is stopped, with the least cost through that place. */
export const answersAt = <Stop extends { readonly note: { readonly id: string } }>(
  places: readonly { readonly stops: readonly Stop[] }[],
  through: Float64Array | undefined,
  noteId: string,
  textOf: (stop: Stop) => string,
): readonly Answer[] =>
  places.flatMap((place, k) => {
    const stop = place.stops.find((s) => s.note.id === noteId);
    const cost = through?.[k];
    return stop && cost !== undefined ? [{ text: textOf(stop), cost }] : [];
  });

/** So little dearer is as good to many hands: the runner-up is said. */
const CLOSE = 1;

/**
 * How far the next best answer is behind the one that was taken, in costs, and which it is where it is close. Nothing
 * where there is no other.
 */
export function runnerUp(taken: string, answers: readonly Answer[]): Pick<FingeredNote, 'margin' | 'alternatives'> {
  const least = Math.min(...answers.filter((a) => a.text === taken).map((a) => a.cost));
  const others = answers.filter((a) => a.text !== taken).sort((a, b) => a.cost - b.cost);
  const [next] = others;
  if (!next || !Number.isFinite(least) || !Number.isFinite(next.cost)) return {};
  const margin = Math.max(0, Math.round((next.cost - least) * 100) / 100);
  return { margin, ...(margin <= CLOSE ? { alternatives: [next.text] } : {}) };
}
