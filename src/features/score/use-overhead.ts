import { useMemo } from 'react';
import { learnedOverhead, passSeconds, type LoggedWork, type StudentLevel } from '@/core/ladder';
import { practiceOf } from '@/core/mastery';
import { placeSections } from '@/core/sections';
import type { Score } from '@/core/score';
import type { Section, StudioEvent } from '@/core/studio';

/**
 * How many times as long as the bare playing practice takes this student, by the logs of the pieces whose scores are
 * given.
 */
export function useOverhead(
  events: readonly StudioEvent[],
  sections: readonly Section[],
  scores: ReadonlyMap<string, Score>,
  level: StudentLevel = 'intermediate',
): number {
  return useMemo(() => {
    const logs = practiceOf(events).flatMap((e): LoggedWork[] => {
      const score = scores.get(e.pieceId ?? '');
      const section = sections.find((s) => s.id === e.sectionId);
      const [placed] = score && section ? placeSections(score, [section]) : [];
      if (!score || !placed || e.tempo === null || e.times === 0) return [];
      return [{ playingSeconds: e.times * passSeconds(score, placed.from, placed.to, e.tempo), minutes: e.minutes }];
    });
    return learnedOverhead(logs, level);
  }, [events, sections, scores, level]);
}
