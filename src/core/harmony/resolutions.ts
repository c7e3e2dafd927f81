import { chordKind } from './chord-kinds';
import { resolves } from './chord-motion';
import type { BeatChord } from './harmony';
import type { ChordKindName } from './chord-kinds';

/** Dominants and diminished chords that go where they want to are flagged on their last beat. */
export function flagResolutions(beats: readonly BeatChord[]): readonly BeatChord[] {
  return beats.map((b, i) => {
    const to = beats[i + 1];
    if (b.root === null || to?.root == null || (to.root === b.root && to.kind === b.kind)) return b;
    const from = { root: b.root, kind: chordKind(b.kind as ChordKindName) };
    return resolves(from, { root: to.root, kind: chordKind(to.kind as ChordKindName) })
      ? { ...b, flags: [...b.flags, 'resolves' as const] }
      : b;
  });
}
