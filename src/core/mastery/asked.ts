import type { Score } from '../score';
import type { Facet, Mark, Teaching } from '../studio';

/**
 * What a run of bars asks of a student: marks printed or written there, and how the piece is taught. A voice has no
 * fingers to hear.
 *
 * @example [...askedFacets(score, 0, 3, [], USUAL_TEACHING)] // → ['notes', 'rhythm', 'fingering', 'joined']
 */
export function askedFacets(
  score: Score,
  from: number,
  to: number,
  marks: readonly Mark[],
  teaching: Teaching,
  hasFingers = true,
): ReadonlySet<Facet> {
  const asked = new Set<Facet>(['notes', 'rhythm', ...(hasFingers ? (['fingering'] as const) : []), 'joined']);
  const ids = new Set<string>();
  let touches = false;
  for (const n of score.notes) {
    if (n.bar < from || n.bar > to) continue;
    ids.add(n.id);
    touches ||= n.marks.slurs.length > 0 || n.marks.articulations.some((a) => a !== 'breath-mark');
  }
  if (touches) asked.add('articulation');
  const printed = score.directions.some(
    (d) => d.bar >= from && d.bar <= to && (d.kind === 'dynamic' || d.kind === 'wedge'),
  );
  if (printed || marks.some((m) => (m.kind === 'dynamic' || m.kind === 'wedge') && ids.has(m.noteId)))
    asked.add('dynamics');
  if (teaching.memory === 'asked') asked.add('memory');
  return asked;
}
