import type { PracticeEvent } from '../studio';
import { atHome, type AtHome } from './at-home';

/** What was practised of one piece or section, or of what belongs to none. */
export interface PlaceAtHome extends AtHome {
  readonly pieceId: string | null;
  readonly sectionId: string | null;
  /** Boxes that were ticked. */
  readonly ticks: number;
  /** The longest row of right ones; null where nothing was judged. */
  readonly row: number | null;
  /** What was written to it, once each. */
  readonly notes: readonly string[];
}

/**
 * What was practised, place by place, the longest first.
 *
 * @example homeByPlace([practised('2026-05-21', 15)]).map((p) => p.minutes) // → [15]
 */
export function homeByPlace(logs: readonly PracticeEvent[]): readonly PlaceAtHome[] {
  const places = new Map<string, PracticeEvent[]>();
  for (const log of logs) {
    const key = `${log.pieceId ?? ''} ${log.sectionId ?? ''}`;
    places.set(key, [...(places.get(key) ?? []), log]);
  }
  return [...places.values()]
    .flatMap((those): PlaceAtHome[] => {
      const [first] = those;
      const sum = atHome(those);
      if (!first || !sum) return [];
      const rows = those.flatMap((l) => (l.row === undefined ? [] : [l.row]));
      return [
        {
          ...sum,
          pieceId: first.pieceId,
          sectionId: first.sectionId,
          ticks: those.reduce((n, l) => n + (l.ticks ?? 0), 0),
          row: rows.length > 0 ? Math.max(...rows) : null,
          notes: [...new Set(those.flatMap((l) => (l.note === '' ? [] : [l.note])))],
        },
      ];
    })
    .sort((a, b) => b.minutes - a.minutes);
}
