import type { TimedMusic } from './timed-music';

/**
 * Music played again and again: `times` over, `gap` seconds of nothing between. The count-in is heard once, or with
 * `countEach` every time.
 *
 * @example looped({ sounds: [], clicks: [], bars: [], before: 1, seconds: 3 }, 2, 0.5, false).seconds // → 5.5
 */
export function looped(music: TimedMusic, times: number, gap: number, countEach: boolean): TimedMusic {
  const skipped = countEach ? 0 : music.before;
  const length = music.seconds - skipped;
  const turns = Math.max(...music.bars.map((b) => b.turn + 1), 0);
  const passes = Array.from({ length: times }, (_, pass) => {
    const later = pass === 0 ? 0 : music.seconds + gap + (pass - 1) * (length + gap) - skipped;
    const isHeard = (at: number): boolean => pass === 0 || at >= skipped;
    return {
      sounds: music.sounds.map((s) => ({ ...s, at: s.at + later })),
      clicks: music.clicks.filter((c) => isHeard(c.at)).map((c) => ({ ...c, at: c.at + later })),
      bars: music.bars.map((b) => ({ ...b, at: b.at + later, turn: b.turn + pass * turns })),
    };
  });
  return {
    sounds: passes.flatMap((p) => p.sounds),
    clicks: passes.flatMap((p) => p.clicks),
    bars: passes.flatMap((p) => p.bars),
    before: music.before,
    seconds: times < 1 ? 0 : music.seconds + (times - 1) * (gap + length),
  };
}
