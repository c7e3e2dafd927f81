import { keyAt } from './chord-fit';
import { rootName } from './chord-names';
import type { KeySpan } from './find-keys';
import type { BeatChord, Pedal } from './harmony';

/** A bass that stays for at least two bars while the chords over it change. */
export function findPedals(beats: readonly BeatChord[], keys: readonly KeySpan[]): Pedal[] {
  const out: Pedal[] = [];
  let start = 0;
  for (let i = 1; i <= beats.length; i += 1) {
    if (i < beats.length && beats[i]?.bass !== null && beats[i]?.bass === beats[start]?.bass) continue;
    const run = beats.slice(start, i);
    const first = run[0];
    const last = run[run.length - 1];
    const chords = new Set(run.map((b) => `${b.root} ${b.kind}`));
    if (first && last && first.bass !== null && last.bar - first.bar >= 1 && chords.size >= 2 && run.length >= 4)
      out.push({
        from: first.bar,
        to: last.bar,
        pitchClass: first.bass,
        name: rootName(first.bass, keyAt(keys, first.bar)),
      });
    start = i;
  }
  return out;
}
