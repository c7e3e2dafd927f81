import type { TimedMusic } from '../performance';

/** A breath as it comes while one plays. */
export interface BreathInTime {
  /** Seconds from the beginning of the music: where the note before it ends. */
  readonly at: number;
  readonly bar: number;
  /** Seconds of playing behind it, to the next breath or the end. */
  readonly span: number;
}

/**
 * Breaths where they come in the music as it sounds: behind the notes of `after`, and one before the first note. The
 * span of each is what it has to last for.
 *
 * @example
 * breathsInTime(timedMusic(score, PLAIN_PLAN), new Set()) // → [{ at: 0, bar: 0, span: 3 }]
 */
export function breathsInTime(music: TimedMusic, after: ReadonlySet<string>): readonly BreathInTime[] {
  const [first] = music.sounds;
  if (!first) return [];
  const breaths = music.sounds.flatMap((sound, i) => {
    if (!after.has(sound.noteId)) return [];
    const next = music.sounds.slice(i + 1).find((s) => s.at > sound.at);
    return next ? [{ at: Math.min(next.at, sound.at + sound.seconds), bar: next.bar, from: next.at }] : [];
  });
  const all = [{ at: first.at, bar: first.bar, from: first.at }, ...breaths];
  return all.map(({ at, bar, from }, i) => ({ at, bar, span: (all[i + 1]?.at ?? music.seconds) - from }));
}
