/** What a teacher does next for a student and a piece: one sentence, and one thing that can be done about it. */
import type { ToHear } from './to-hear';

/** What the judgement looks at; names as they are said. */
export interface NextFacts {
  readonly pieces: number;
  readonly students: number;
  /** The piece in hand. */
  readonly piece: {
    readonly title: string;
    /** It has sections. */
    readonly isDivided: boolean;
    /** Its steps are in order: it has a way, or it is an exercise and needs none. */
    readonly isOrdered: boolean;
    /** Students who have it in work. */
    readonly players: number;
  } | null;
  /** The student in hand. */
  readonly student: {
    readonly name: string;
    /** Pieces in work. */
    readonly inWork: number;
    /** Whether the piece in hand is among them. */
    readonly hasPiece: boolean;
    readonly lessonGoesOn: boolean;
    /** Something was heard since the week was given last. */
    readonly heardSinceWeek: boolean;
    /** The last minutes of the lesson have begun. */
    readonly lessonEnds: boolean;
  } | null;
  /** What is heard first of the student's, of the piece in hand where there is one; null where nothing is left. */
  readonly toHear: { readonly name: string; readonly title: string; readonly state: ToHear['state'] } | null;
  /** Of everyone: who has most that is due, on the piece in hand where there is one. */
  readonly waiting: { readonly name: string; readonly due: number } | null;
}

export type NextKind =
  'bring' | 'add-student' | 'prepare' | 'order' | 'give' | 'hear' | 'week' | 'lesson-of' | 'choose-piece' | 'rest';

export interface NextThing {
  readonly kind: NextKind;
  /** Why, as a sentence. */
  readonly says: string;
  /** What the button does; null where there is nothing to press. */
  readonly does: string | null;
}

const thing = (kind: NextKind, says: string, does: string | null): NextThing => ({ kind, says, does });

/** Why a place is heard, after its name. */
const WHY: Readonly<Record<ToHear['state'], string>> = {
  assigned: 'was given for this week',
  'at-risk': 'is likely to have faded',
  due: 'is due for a check',
  next: 'comes next on the way',
  new: 'was not heard yet',
  fresh: 'is fresh',
};

/** What has to be there before anything is heard. */
function beginning({ pieces, students, piece, student }: NextFacts): NextThing | null {
  if (pieces === 0) return thing('bring', 'The shelf is empty.', 'Bring in a piece');
  if (piece && !piece.isDivided) return thing('prepare', `${piece.title} is not prepared yet.`, 'Look at the proposal');
  if (students === 0) return thing('add-student', 'There is no student yet.', 'Add a student');
  if (piece && !piece.isOrdered)
    return thing('order', `The steps of ${piece.title} are in no order yet.`, 'Order them');
  if (piece && student && !student.hasPiece)
    return thing('give', `${student.name} does not have ${piece.title} in work.`, `Give it to ${student.name}`);
  if (piece && !student && piece.players === 0) return thing('give', `Nobody plays ${piece.title} yet.`, 'Give it out');
  return null;
}

function forStudent(student: NonNullable<NextFacts['student']>, { piece, toHear }: NextFacts): NextThing {
  const { name } = student;
  if (student.inWork === 0) return thing('choose-piece', `${name} has no piece in work.`, 'Choose a piece');
  const give = thing('week', `${name} has been heard; the week is not given yet.`, 'Give the week');
  if (student.heardSinceWeek && student.lessonEnds) return give;
  // What is new can wait: a lesson ends with the week, not with the last section of the piece.
  const waits = toHear === null || toHear.state === 'fresh' || (toHear.state === 'new' && student.heardSinceWeek);
  if (toHear && !waits) {
    const of = piece?.title === toHear.title ? '' : ` of ${toHear.title}`;
    return thing('hear', `${name}: ${toHear.name}${of} ${WHY[toHear.state]}.`, 'Hear it');
  }
  if (student.heardSinceWeek) return give;
  return student.lessonGoesOn
    ? thing('week', `Nothing more is due in this lesson with ${name}.`, 'Look at the week')
    : thing('rest', `Nothing of ${name}’s is due.`, 'To the board');
}

/**
 * The next thing to do for who and what is in hand. First what has to be there before anything is heard, then what is
 * to be heard, then the week.
 *
 * @example
 * nextThing({ pieces: 0, students: 0, piece: null, student: null, toHear: null, waiting: null }).kind // → 'bring'
 */
export function nextThing(facts: NextFacts): NextThing {
  const first = beginning(facts);
  if (first) return first;
  const { student, waiting } = facts;
  if (student) return forStudent(student, facts);
  if (waiting && waiting.due > 0)
    return thing(
      'lesson-of',
      `${waiting.name} has ${waiting.due} ${waiting.due === 1 ? 'section' : 'sections'} due.`,
      `To ${waiting.name}`,
    );
  return thing('rest', 'Nothing is due.', 'To the board');
}
