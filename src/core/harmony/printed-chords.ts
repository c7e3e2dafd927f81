import type { ChordSymbol, Score } from '../score';
import { CHORDS } from './chord-kinds';
import type { HeardBeat } from './beats';

/** Bars that a printed chord holds for where no other follows. */
const HOLDS_BARS = 8;

/** A printed chord over a beat: as it is printed, its tones, and the number of the chord it is nearest to. */
export interface PrintedChord {
  readonly text: string;
  readonly classes: readonly number[];
  readonly chord: number;
}

/** The chord known by us that shares the root and most tones with a printed one. */
function nearestChord(classes: readonly number[]): number {
  const [root = 0] = classes;
  let best = 0;
  let most = -Infinity;
  CHORDS.forEach((c, number) => {
    if (c.root !== root || c.kind.name.endsWith('-sixth')) return;
    const tones = c.kind.tones.map((t) => (root + t) % 12);
    const shared = tones.filter((t) => classes.includes(t)).length;
    const worth = shared - 0.6 * (tones.length - shared) - 0.6 * (classes.length - shared);
    if (worth > most) {
      most = worth;
      best = number;
    }
  });
  return best;
}

/**
 * The chord printed over each beat: from where a symbol stands to the next one of any part, at most eight bars. A
 * symbol inside a beat is the next beat’s, or this one’s where nothing is printed over its beginning. A symbol that
 * names no tones ("N.C.") ends the one before it.
 */
export function printedChords(
  score: Score,
  beats: readonly Pick<HeardBeat, 'bar' | 'from' | 'to'>[],
): readonly (PrintedChord | null)[] {
  const symbols = [...score.chords].sort((a, b) => a.onset - b.onset);
  const read = new Map<ChordSymbol, PrintedChord | null>();
  const printed = (symbol: ChordSymbol): PrintedChord | null => {
    const there = read.get(symbol);
    if (there !== undefined) return there;
    const { classes, text } = symbol;
    const fresh = classes === null || classes.length === 0 ? null : { text, classes, chord: nearestChord(classes) };
    read.set(symbol, fresh);
    return fresh;
  };
  let at = 0;
  let current: ChordSymbol | null = null;
  return beats.map((beat) => {
    for (let s = symbols[at]; s && s.onset <= beat.from; s = symbols[at]) {
      current = s;
      at += 1;
    }
    const next = symbols[at];
    const holds: ChordSymbol | null = current !== null && beat.bar - current.bar < HOLDS_BARS ? current : null;
    if (holds === null && next && next.onset < beat.to) return printed(next);
    return holds === null ? null : printed(holds);
  });
}
