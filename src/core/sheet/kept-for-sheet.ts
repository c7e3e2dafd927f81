import type { AssignmentEvent, Day, Ladder, Mark, Piece, Section, Settings, Student, Zone } from '../studio';

/** Everything that is kept about the week of a student. */
export interface SheetStudio {
  readonly student: Student;
  readonly assignment: AssignmentEvent;
  /** Days of the lessons so far. */
  readonly lessonDays: readonly Day[];
  readonly pieces: readonly Piece[];
  readonly places: readonly Section[];
  readonly ladders: readonly Ladder[];
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
  readonly zone: Zone;
}

/** Everything that is kept about a piece, for one student or for everyone. */
export interface PieceStudio {
  readonly piece: Piece;
  readonly student: Student | null;
  readonly sections: readonly Section[];
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
}
