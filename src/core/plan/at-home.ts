import type { PracticeEvent } from '../studio';
import type { Tapped } from '../tapping';

/** What practice at home came to. */
export interface AtHome {
  readonly minutes: number;
  readonly days: number;
  /** Repetitions that were judged, and those that were right. */
  readonly judged: number;
  readonly right: number;
  /** The fastest tempo, quarters a minute; null where none was taken. */
  readonly fastest: number | null;
  /** Notes tapped in time; null where nothing was tapped. */
  readonly tapped: Tapped | null;
}

/**
 * What practice logs come to, all together; null for none.
 *
 * @example
 * atHome([practised('2026-05-21', 15), practised('2026-05-22', 10)])
 * // → { minutes: 25, days: 2, judged: 0, right: 0, fastest: null, tapped: null }
 */
export function atHome(logs: readonly PracticeEvent[]): AtHome | null {
  if (logs.length === 0) return null;
  const judged = logs.filter((l) => l.right !== undefined);
  const tempos = logs.flatMap((l) => (l.tempo === null ? [] : [l.tempo]));
  const taps = logs.flatMap((l) => (l.tapped ? [l.tapped] : []));
  const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
  return {
    minutes: Math.round(sum(logs.map((l) => l.minutes))),
    days: new Set(logs.map((l) => l.day)).size,
    judged: sum(judged.map((l) => l.times)),
    right: sum(judged.map((l) => l.right ?? 0)),
    fastest: tempos.length > 0 ? Math.max(...tempos) : null,
    tapped: taps.length > 0 ? { right: sum(taps.map((t) => t.right)), of: sum(taps.map((t) => t.of)) } : null,
  };
}
