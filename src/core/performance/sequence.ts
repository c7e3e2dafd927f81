import type { TimedMusic } from './timed-music';

/**
 * Music one after the other, `gap` seconds of nothing between. What each has before its music stays: see
 * `withoutCountIn`. Nothing at all for no parts.
 *
 * @example inSequence([timedMusic(score, PLAIN_PLAN), timedMusic(score, PLAIN_PLAN)], 0.5).seconds // → 6.5
 */
export function inSequence(parts: readonly TimedMusic[], gap = 0): TimedMusic {
  let at = 0;
  let turns = 0;
  const later = parts.map((music, i) => {
    const by = at;
    const turn = turns;
    at += music.seconds + (i < parts.length - 1 ? gap : 0);
    turns += Math.max(...music.bars.map((b) => b.turn + 1), 0);
    return {
      sounds: music.sounds.map((s) => ({ ...s, at: s.at + by })),
      clicks: music.clicks.map((c) => ({ ...c, at: c.at + by })),
      bars: music.bars.map((b) => ({ ...b, at: b.at + by, turn: b.turn + turn })),
      phases: music.phases.map((p) => ({ ...p, at: p.at + by })),
    };
  });
  return {
    sounds: later.flatMap((p) => p.sounds),
    clicks: later.flatMap((p) => p.clicks),
    bars: later.flatMap((p) => p.bars),
    phases: later.flatMap((p) => p.phases),
    before: parts[0]?.before ?? 0,
    seconds: at,
  };
}

/**
 * Music from its first note on: what is counted in front of it is left out. Grace notes in front go with it.
 *
 * @example withoutCountIn(timedMusic(score, { ...PLAIN_PLAN, countInBars: 1 })).seconds // → 3
 */
export function withoutCountIn(music: TimedMusic): TimedMusic {
  const by = music.before;
  if (by === 0) return music;
  return {
    sounds: music.sounds.map((s) => ({ ...s, at: Math.max(0, s.at - by) })),
    clicks: music.clicks.filter((c) => !c.before).map((c) => ({ ...c, at: c.at - by })),
    bars: music.bars.map((b) => ({ ...b, at: b.at - by })),
    phases: music.phases.map((p) => ({ ...p, at: Math.max(0, p.at - by) })),
    before: 0,
    seconds: music.seconds - by,
  };
}

/**
 * Music played again and again: `times` over, `gap` seconds of nothing between. The count-in is heard once, or with
 * `countEach` every time.
 *
 * @example looped(timedMusic(score, PLAIN_PLAN), 2, 0.5, false).seconds // → 6.5
 */
export function looped(music: TimedMusic, times: number, gap: number, countEach: boolean): TimedMusic {
  const again = countEach ? music : withoutCountIn(music);
  return inSequence(
    Array.from({ length: Math.max(0, times) }, (_, pass) => (pass === 0 ? music : again)),
    gap,
  );
}
