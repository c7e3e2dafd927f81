import type { HeardBeat } from './beats';
import { candidatesFor, type Candidate } from './chord-evidence';
import type { SpanContent } from './span-content';

/** Beats with the very same notes, lengths and figures have one number: music that comes again is weighed once. */
function beatClasses(beats: readonly HeardBeat[]): readonly number[] {
  const known = new Map<string, number>();
  return beats.map(({ from, to, strength, notes, ringing }) => {
    const heard = notes.map((n) => `${n.key} ${n.letter ?? ''} ${n.from - from} ${n.to - from} ${n.figure}`);
    const face = `${to - from} ${strength}|${heard.join()}|${ringing.map((n) => `${n.key} ${n.figure}`).join()}`;
    const there = known.get(face) ?? known.size;
    known.set(face, there);
    return there;
  });
}

/** The chords that fit the beats from one to before another, best first. */
export type Fits = (from: number, to: number) => readonly Candidate[];

/** The chords that fit a run best; a run of beats that came before is not weighed again. */
export function remembering(content: SpanContent, beats: readonly HeardBeat[], alone: boolean, count: number): Fits {
  const classes = beatClasses(beats);
  const base = classes.reduce((most, c) => Math.max(most, c), 0) + 1;
  // Runs as numbers: that of a run without its last beat, and the class of that; 0 is the run of no beats.
  const numbers = new Map<number, number>();
  const known: (readonly Candidate[])[] = [];
  return (from, to) => {
    let run = 0;
    for (let i = from; i < to; i += 1) {
      const longer = run * base + (classes[i] ?? 0);
      run = numbers.get(longer) ?? numbers.size + 1;
      numbers.set(longer, run);
    }
    return (known[run] ??= candidatesFor(content, from, to, alone, count));
  };
}
