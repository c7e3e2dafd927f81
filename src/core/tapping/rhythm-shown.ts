import type { TapJudgement } from './judge-taps';

/** In time at least so often, for the rhythm to be there **[from memory]**. */
const THERE = 0.9;
/** Fewer notes show nothing. */
const FEWEST = 4;

/** How a rhythm was tapped: so many notes in time, of so many. */
export interface Tapped {
  readonly right: number;
  readonly of: number;
}

/**
 * How many notes were in time; a tap too many counts as one that was not.
 *
 * @example tappedOf([{ notes: [{ noteId: 'a', at: 0, bar: 0, verdict: 'right', off: 0 }], extra: [1] }])
 * // → { right: 1, of: 2 }
 */
export function tappedOf(judged: readonly Pick<TapJudgement, 'notes' | 'extra'>[]): Tapped {
  const notes = judged.flatMap((j) => j.notes);
  return {
    right: notes.filter((n) => n.verdict === 'right').length,
    of: notes.length + judged.reduce((sum, j) => sum + j.extra.length, 0),
  };
}

/**
 * Whether a rhythm that was tapped so is there: nine of ten in time, of at least four. Null where too little was tapped
 * to say.
 *
 * @example rhythmIsThere({ right: 19, of: 20 }) // → true
 */
export const rhythmIsThere = ({ right, of }: Tapped): boolean | null => (of < FEWEST ? null : right >= THERE * of);
