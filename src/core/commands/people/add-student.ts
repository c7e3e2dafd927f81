import { instrumentFromWords } from '../../instruments';
import { fail, ok } from '../../result';
import { command, put } from '../command';

/** Minutes of a day until the teacher says otherwise: five days a week. */
const USUAL_MINUTES = [20, 20, 20, 20, 20, 0, 0];

export interface AddStudent {
  readonly name: string;
  /** As the teacher writes it. */
  readonly instrument: string;
}

/** A new student: a first name and an instrument are enough. */
export const addStudent = command({
  asks: () => ({ students: 'all' }),
  run: (stored, { name, instrument }: AddStudent, { newId }) => {
    const called = name.trim();
    if (called === '') return fail('no-name', 'A first name or initials are needed.');
    const id = newId();
    return ok({
      label: `${called} added`,
      changes: [
        put('students', {
          id,
          name: called,
          ...instrumentFromWords(instrument),
          age: '',
          handSpanInSemitones: null,
          breathSpanInSeconds: null,
          minutesPerDay: [...USUAL_MINUTES],
          order: Math.max(0, ...stored.students.map((s) => s.order)) + 1,
        }),
      ],
      made: id,
    });
  },
});
