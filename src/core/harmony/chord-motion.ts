import { keyAt } from './chord-fit';
import type { KeySpan } from './find-keys';
import type { BeatChord } from './harmony';

/**
 * Where dominants and diminished chords resolve (root a fifth down, or a half step up), and the cadences at ends of
 * phrases of four bars.
 */
export function flagMotion(beats: readonly BeatChord[], keys: readonly KeySpan[]): BeatChord[] {
  const changes = beats.flatMap((b, i) =>
    b.root !== null && (i === 0 || beats[i - 1]?.symbol.split('/')[0] !== b.symbol.split('/')[0]) ? [i] : [],
  );
  const next = new Map<number, BeatChord>();
  changes.forEach((i, k) => {
    const following = beats[changes[k + 1] ?? -1];
    for (let j = i; j < (changes[k + 1] ?? beats.length); j += 1) if (following) next.set(j, following);
  });
  return beats.map((b, i) => {
    const to = next.get(i);
    const flags = [...b.flags];
    const last = to !== undefined && beats[i + 1] === to;
    if (b.root !== null && to?.root != null && last) {
      const up = (to.root - b.root + 12) % 12;
      // A diminished chord resolves a half step up, a dominant a fifth down [common practice].
      if ((flags.includes('diminished') && up === 1) || (flags.includes('dominant') && up === 5))
        flags.push('resolves');
    }
    const key = keyAt(keys, b.bar);
    const before = changes.filter((c) => c < i).pop();
    const previous = before === undefined ? undefined : beats[before];
    const fresh = changes.includes(i);
    if (fresh && b.root !== null && previous?.root != null && b.beat === 1) {
      const degree = (b.root - key.tonic + 12) % 12;
      const from = (previous.root - key.tonic + 12) % 12;
      if (from === 7 && degree === 0) flags.push('authentic-cadence');
      else if (from === 5 && degree === 0) flags.push('plagal-cadence');
      else if (from === 7 && (degree === 9 || degree === 8)) flags.push('deceptive-cadence');
    }
    return { ...b, flags };
  });
}
