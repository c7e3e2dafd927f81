import { fillTray, type Candidate } from '@/core/plan';
import { weekdayOf, type Assigned, type AssignmentEvent, type Day, type PracticeEvent, type Rung } from '@/core/studio';
import type { DemoLesson } from './demo-lesson';
import type { SectionAtWork } from './demo-work';

const kindOf = (rung: Rung): Candidate['kind'] =>
  rung.kind === 'corner' ? 'corner' : rung.kind === 'warm-up' ? 'technique' : 'rung';

/** The next rung of a section as something to do at home; the first section heard comes first. */
function candidateOf(lesson: DemoLesson, w: SectionAtWork, i: number): Candidate[] {
  const { rungs } = w.section;
  const rung = rungs[Math.min(rungs.length - 1, w.climbed)];
  if (!rung) return [];
  return [
    {
      key: `${lesson.id}-${i}`,
      kind: kindOf(rung),
      pieceId: w.piece.id,
      sectionId: w.section.id,
      what: `${w.piece.title}, ${w.section.letter}: ${rung.what}`,
      tempo: rung.tempo,
      minutes: Math.max(2, Math.min(10, Math.round(rung.minutes ?? 4))),
      days: 5 - i,
      timesADay: rung.kind === 'tempo' ? 1 : Math.min(6, rung.times),
      by: i === 0 ? 'midweek' : 'lesson',
      why: rung.why,
      weight: 10 - i,
    },
  ];
}

/** The week that was given at the end of a lesson. */
export function weekGiven(lesson: DemoLesson, heard: readonly SectionAtWork[]): AssignmentEvent {
  const { minutes } = lesson.student;
  const tray = fillTray(
    heard.flatMap((w, i) => candidateOf(lesson, w, i)),
    minutes,
  );
  return {
    id: `${lesson.id}-given`,
    at: lesson.at(28),
    kind: 'assignment',
    studentId: lesson.student.id,
    lessonId: lesson.id,
    items: tray.items.map(({ key, kind, pieceId, sectionId, what, tempo, minutes: each, on, timesADay, by, why }) => ({
      id: key,
      kind,
      pieceId,
      sectionId,
      what,
      tempo,
      minutes: each,
      days: [...on],
      timesADay,
      by,
      cue: '',
      why,
    })),
    leftOut: tray.leftOut.map((l) => ({ what: l.what, minutes: l.minutes })),
    cue: '',
    minutesAvailable: minutes.reduce((a, b) => a + b, 0),
  };
}

/** What was practised on one day, `ahead` days after the lesson; not everything that was given is done. */
export function practiceOn(
  lesson: DemoLesson,
  items: readonly Assigned[],
  { day, ahead, at }: { readonly day: Day; readonly ahead: number; readonly at: (minute: number) => string },
): PracticeEvent[] {
  const weekday = weekdayOf(day);
  const { chance, student } = lesson;
  return items.flatMap((item, i): PracticeEvent[] => {
    if (!item.days.includes(weekday) || chance() > student.diligence || item.pieceId === null) return [];
    return [
      {
        id: `${lesson.id}-p${ahead}-${i}`,
        at: at(i * 10),
        kind: 'practice',
        studentId: student.id,
        pieceId: item.pieceId,
        sectionId: item.sectionId,
        day,
        minutes: Math.max(1, Math.round(item.minutes * (0.6 + chance() * 0.7))),
        times: item.timesADay,
        tempo: item.tempo,
        note: '',
      },
    ];
  });
}
