import { beatOnsets, type Bar } from '@/core/score';
import type { Mark } from '@/core/studio';

/** One stroke of a pattern in its bar. */
export interface Stroke {
  /** Ticks from the start of the piece. */
  readonly onset: number;
  readonly text: string;
}

/** The letters of the strokes as they are shown: down and up as arrows, fingers as they are. */
const SHOWN: Readonly<Record<string, string>> = { D: '↓', U: '↑', x: '×' };

/**
 * The strokes of a bar: each beat of the pattern on a beat of the bar, its letters sharing it evenly. A pattern shorter
 * than the bar begins again.
 */
export function strokesOf(bar: Bar, pattern: string, ticksPerQuarter: number): readonly Stroke[] {
  const groups = pattern.split(' ').filter((g) => g !== '');
  const beats = beatOnsets(bar, ticksPerQuarter);
  if (groups.length === 0) return [];
  return beats.flatMap(({ at }, i) => {
    const group = groups[i % groups.length] ?? '';
    const end = beats[i + 1]?.at ?? bar.length;
    return [...group].flatMap((letter, k) =>
      letter === '-'
        ? []
        : [{ onset: bar.onset + at + ((end - at) * k) / group.length, text: SHOWN[letter] ?? letter }],
    );
  });
}

/** The pattern that holds in each bar: from where one was written to the next. */
export function patternsOf(bars: readonly Bar[], marks: readonly Mark[]): ReadonlyMap<number, string> {
  const written = new Map(marks.flatMap((m) => (m.kind === 'strum' ? [[m.barId, m.pattern] as const] : [])));
  const held = new Map<number, string>();
  let pattern: string | undefined;
  for (const bar of bars) {
    pattern = written.get(bar.id) ?? pattern;
    if (pattern !== undefined) held.set(bar.index, pattern);
  }
  return held;
}
