/** Ways to end at one beat with one chord: for each key the best, and the step that led there. */
export interface Ending {
  readonly best: Float64Array;
  readonly steps: Int32Array;
}

/** A chord with which the music may come to a beat, and how. */
export interface Reached {
  readonly chord: number;
  readonly ending: Ending;
}

/** A step as one number: how many beats its run has, and the chord and the key before it, -1 for none. 0 is no step. */
export const stepOf = (beats: number, chord: number, key: number): number =>
  (beats << 16) | ((chord + 1) << 8) | (key + 1);
export const beatsOf = (step: number): number => step >>> 16;
export const chordBefore = (step: number): number => ((step >>> 8) & 0xff) - 1;
export const keyBefore = (step: number): number => (step & 0xff) - 1;

/** Endings are used again: a piece has many beats, and of a beat that is behind only the steps are asked for. */
export function endingsFor(keys: number): {
  readonly fresh: () => Ending;
  readonly giveBack: (used: Iterable<Ending>) => void;
} {
  const free: Ending[] = [];
  return {
    fresh: () => {
      const used = free.pop();
      if (!used) return { best: new Float64Array(keys).fill(-Infinity), steps: new Int32Array(keys) };
      used.best.fill(-Infinity);
      used.steps.fill(0);
      return used;
    },
    giveBack: (used) => free.push(...used),
  };
}

/** The steps to a beat that is behind: its chords, and for each of them the steps by key. */
export interface StepsTo {
  readonly chords: readonly number[];
  readonly steps: Int32Array;
}

export function stepsTo(reached: readonly Reached[], keys: number): StepsTo {
  const steps = new Int32Array(reached.length * keys);
  reached.forEach(({ ending }, place) => steps.set(ending.steps, place * keys));
  return { chords: reached.map(({ chord }) => chord), steps };
}
