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
  const known = new Map<string, readonly Candidate[]>();
  return (from, to) => {
    const face = classes.slice(from, to).join();
    const there = known.get(face) ?? candidatesFor(content, from, to, alone, count);
    known.set(face, there);
    return there;
  };
}
