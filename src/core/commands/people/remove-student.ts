import { heldEvents } from '../../mastery';
import { ok } from '../../result';
import type { StudioEvent } from '../../studio';
import { command, put, remove, type RowToPut } from '../command';
import { gone } from '../refusals';

/** What is counted of a student's records, in the words of a teacher. */
const COUNTED = [
  ['level', 'level', 'levels'],
  ['lesson', 'lesson', 'lessons'],
  ['assignment', 'week', 'weeks'],
  ['practice', 'practice log', 'practice logs'],
] as const satisfies readonly (readonly [StudioEvent['kind'], string, string])[];

/** `12 levels, 3 lessons`; empty for nobody's. */
function inWords(events: readonly StudioEvent[]): string {
  return COUNTED.flatMap(([kind, one, several]) => {
    const count = events.filter((e) => e.kind === kind).length;
    return count === 0 ? [] : [`${count} ${count === 1 ? one : several}`];
  }).join(', ');
}

/**
 * Takes a student out of the studio. The records stay behind the removal, out of sight, so that undo or bringing the
 * student back shows them again.
 */
export const removeStudent = command({
  asks: ({ studentId }: { readonly studentId: string }) => ({
    students: { ids: [studentId] },
    events: { studentId, kinds: COUNTED.map(([kind]) => kind) },
  }),
  run: (stored) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const records = inWords(heldEvents(stored.events));
    return ok({
      label: `${student.name} removed`,
      changes: [remove('students', student.id)],
      says: `${student.name} removed${records === '' ? '' : `; hidden with the name: ${records}`}. Undo brings it all back.`,
    });
  },
});

/** Brings a removed student or piece back as it was, with everything that was hidden. */
export const bringBack = command({
  asks: () => ({}),
  run: (
    _,
    asked:
      | { readonly table: 'students'; readonly row: RowToPut<'students'> }
      | { readonly table: 'pieces'; readonly row: RowToPut<'pieces'> },
  ) => {
    const name = asked.table === 'students' ? asked.row.name : asked.row.title;
    return ok({
      label: `${name} brought back`,
      changes: [asked.table === 'students' ? put('students', asked.row) : put('pieces', asked.row)],
      says: `${name} is back.`,
    });
  },
});
