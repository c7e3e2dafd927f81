import type { PracticeEvent } from '../studio';

/** So many minutes practised on a day. */
export const practised = (day: string, minutes: number): PracticeEvent => ({
  id: day,
  at: `${day}T17:00:00.000Z`,
  kind: 'practice',
  studentId: 's',
  pieceId: 'p',
  sectionId: null,
  day,
  minutes,
  times: 1,
  tempo: null,
  note: '',
});
