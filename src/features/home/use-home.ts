import { useMemo } from 'react';
import { currentAssignment, practiceOf } from '@/core/mastery';
import { dayTasks, type DayTask } from '@/core/plan';
import { weekdayOf, type AssignmentEvent, type PracticeEvent, type Student } from '@/core/studio';
import { useStudentEvents, useStudents, useStudio } from '@/store';

export interface HomeModel {
  readonly student: Student;
  readonly assignment: AssignmentEvent | null;
  readonly today: string;
  readonly tasks: readonly DayTask[];
  /** What was practised today, as it was put down. */
  readonly logs: readonly PracticeEvent[];
  /** Minutes that were practised today, of so many. */
  readonly minutes: number;
  readonly asked: number;
}

/** A day at home of one student; `undefined` while loading, `null` where there is no such student. */
export function useHome(studentId: string | null): HomeModel | null | undefined {
  const studio = useStudio();
  const students = useStudents();
  const events = useStudentEvents(studentId);
  const today = studio.today();
  return useMemo(() => {
    if (!students) return undefined;
    const student = students.find((s) => s.id === studentId);
    if (!student) return null;
    if (!events) return undefined;
    const assignment = currentAssignment(events);
    const logs = practiceOf(events);
    const ofToday = logs.filter((l) => l.day === today);
    return {
      student,
      assignment,
      today,
      tasks: dayTasks(assignment, today, logs),
      logs: ofToday,
      minutes: Math.round(ofToday.reduce((sum, l) => sum + l.minutes, 0)),
      asked: student.minutesPerDay[weekdayOf(today)] ?? 0,
    };
  }, [students, events, studentId, today]);
}
