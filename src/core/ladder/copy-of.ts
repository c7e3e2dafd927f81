import { compareRanges, movedInWords } from '../sameness';
import { notesByBar, pitchName, type Note, type Score } from '../score';

/** An earlier section that this one is a copy of, and where it differs, bar by bar in words. */
export interface CopyOf {
  /** Of the model; with how far the copy lies from it, where it does: `A, a fourth lower`. */
  readonly name: string;
  readonly differences: readonly { readonly bar: number; readonly words: string }[];
}

/** Bars with differences that are named one by one; more would be another section. */
const MOST_DIFFERENCES = 4;

const spell = (notes: readonly Note[]): string =>
  notes
    .slice(0, 4)
    .map((n) => (n.pitch ? pitchName(n.pitch).replace(/-?\d+$/, '') : '?'))
    .join(' ');

/**
 * Where `copy` is not as `model` (bars, both ends included): the notes it has instead, by bar of the copy.
 *
 * @example
 * describeCopy(score, 'A', [0, 3], [4, 7])
 * // → { name: 'A', differences: [{ bar: 6, words: 'F instead of G' }, { bar: 7, words: 'G instead of C' }] }
 */
export function describeCopy(
  score: Score,
  name: string,
  model: readonly [number, number],
  copy: readonly [number, number],
): CopyOf {
  const { steps, onlyA, onlyB } = compareRanges(score, model, copy);
  const notesOf = ([from, to]: readonly [number, number]): readonly Note[] =>
    notesByBar(score)
      .slice(from, to + 1)
      .flat();
  const byId = new Map([...notesOf(model), ...notesOf(copy)].map((n) => [n.id, n]));
  const there = new Map<number, { was: Note[]; is: Note[] }>();
  const at = (bar: number): { was: Note[]; is: Note[] } => {
    const entry = there.get(bar) ?? { was: [], is: [] };
    there.set(bar, entry);
    return entry;
  };
  for (const id of onlyA) {
    const note = byId.get(id);
    if (note) at(Math.min(copy[1], note.bar - model[0] + copy[0])).was.push(note);
  }
  for (const id of onlyB) {
    const note = byId.get(id);
    if (note) at(note.bar).is.push(note);
  }
  const differences = [...there]
    .sort(([a], [b]) => a - b)
    .slice(0, MOST_DIFFERENCES)
    .map(([bar, { was, is }]) => ({
      bar,
      words:
        is.length > 0 && was.length > 0
          ? `${spell(is)} instead of ${spell(was)}`
          : is.length > 0
            ? `${spell(is)} more`
            : `without ${spell(was)}`,
    }));
  return { name: steps === 0 ? name : `${name}, ${movedInWords({ steps, semitones: 0 })}`, differences };
}
