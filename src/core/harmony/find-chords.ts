import type { Score } from '../score';
import { ticks } from '../units';
import { CANDIDATES, keyAt, scaleOf, type Candidate } from './chord-fit';
import { flagMotion } from './chord-motion';
import { degreeName, rootName } from './chord-names';
import { chordPath } from './chord-path';
import { findSequences } from './chord-sequences';
import { findKeys, type KeySpan } from './find-keys';
import type { BeatChord, ChordFlag, Harmony } from './harmony';
import { heardBeats, type HeardBeat } from './heard-beats';
import { findPedals } from './pedals';

/** In a broken-chord figure the lowest note of the chord in its bar is the bass of all its beats. */
function bassOf(heard: readonly HeardBeat[], path: readonly number[], i: number): number | null {
  const h = heard[i];
  if (!h?.figure) return h?.bass ?? null;
  let low = h.bass;
  for (const way of [-1, 1])
    for (let k = i + way; heard[k]?.segment.bar === h.segment.bar && path[k] === path[i]; k += way) {
      const other = heard[k]?.bass ?? null;
      if (other !== null && (low === null || other < low)) low = other;
    }
  return low;
}

function flagsOf({ root, kind }: Candidate, key: KeySpan): ChordFlag[] {
  const scale = scaleOf(key);
  const flags: ChordFlag[] = [];
  if (kind.name === 'dominant') flags.push('dominant');
  if (kind.name.startsWith('diminished') || kind.name === 'half-diminished') flags.push('diminished');
  if (!kind.tones.every((t) => scale.includes((root + t - key.tonic + 24) % 12))) flags.push('outside-the-key');
  return flags;
}

/** A chord as it is named over its bass, in its key. */
function beatChord(h: HeardBeat, chord: Candidate | undefined, bass: number | null, key: KeySpan): BeatChord {
  const base = {
    bar: h.segment.bar,
    beat: h.segment.beat,
    onset: ticks(h.segment.from),
    length: ticks(h.segment.to - h.segment.from),
    notes: h.notes,
  };
  if (!chord || h.silent) return { ...base, symbol: '', degree: '', root: null, kind: '', bass: null, flags: [] };
  const { root, kind } = chord;
  const place = bass === null ? -1 : kind.tones.indexOf((bass - root + 12) % 12);
  const slash = bass !== null && place > 0 ? `/${rootName(bass, key)}` : '';
  return {
    ...base,
    symbol: `${rootName(root, key)}${kind.suffix}${slash}`,
    degree: degreeName(root, kind, Math.max(0, place), key),
    root,
    kind: kind.name,
    bass,
    flags: flagsOf(chord, key),
  };
}

/**
 * Chords beat by beat as a best path: what sounds against every chord, with a price on changing where the meter is
 * weak.
 *
 * @example findHarmony(scoreOf('[CEG]4|[DFB]4|')).beats[4].symbol // → 'Bdim/D'
 */
export function findHarmony(score: Score): Harmony {
  const keys = findKeys(score);
  const heard = heardBeats(score);
  const alone = heard.every((h) => h.notes.length === 0 || h.most <= 1);
  const path = chordPath(heard, keys, alone);
  const beats = heard.map((h, i) => {
    const bass = bassOf(heard, path, i);
    return beatChord(
      h,
      CANDIDATES[path[i] ?? 0],
      alone || bass === null ? null : bass % 12,
      keyAt(keys, h.segment.bar),
    );
  });
  const flagged = flagMotion(beats, keys);
  const pedals = findPedals(flagged, keys);
  const inPedal = (b: BeatChord): boolean =>
    pedals.some((p) => b.bar >= p.from && b.bar <= p.to && b.bass === p.pitchClass);
  return {
    beats: flagged.map((b) => (inPedal(b) ? { ...b, flags: [...b.flags, 'pedal' as const] } : b)),
    keys,
    pedals,
    sequences: findSequences(flagged),
  };
}
