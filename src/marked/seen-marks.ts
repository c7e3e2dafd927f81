import type { FingeredNote } from '@/core/fingering';
import { countStaff, type BarCount } from '@/core/rhythm';
import type { Score } from '@/core/score';
import {
  countingWay,
  fingersSeen,
  FULL_FINGERING,
  marksFor,
  teachingFor,
  type FingerMark,
  type Mark,
  type PencilMark,
  type Piece,
  type Settings,
  type Student,
} from '@/core/studio';
import type { LaneText } from '@/ui';
import { fingerLane, usualView, type FingerView } from './finger-view';
import { noteAtOnset } from './note-at-onset';
import { ownTexts } from './own-texts';

/** Everything that stands at the music of some bars, for one student or for everyone. */
export interface SeenMarks {
  readonly view: FingerView;
  /** The teacher's fingers, by note id. */
  readonly fingers: ReadonlyMap<string, FingerMark>;
  readonly level: readonly LaneText[];
  readonly breath: readonly LaneText[];
  readonly cue: readonly LaneText[];
  /** The student's own words instead of counts, by note id. */
  readonly words: ReadonlyMap<string, string>;
  readonly counts: readonly BarCount[];
  readonly onsets: ReadonlyMap<number, string>;
  /** Written in pencil on the picture of a page. */
  readonly pencil: readonly PencilMark[];
}

/** Whose marks are seen at which bars. */
export interface SeenBy {
  readonly piece: Pick<Piece, 'id' | 'teaching'>;
  readonly student: Student | null;
  readonly settings: Pick<Settings, 'teaching'> | null;
  /** The score of the player alone. */
  readonly played: Score;
  readonly from: number;
  readonly to: number;
}

const WEDGE = { crescendo: 'cresc.', diminuendo: 'dim.' } as const;

/** The fingers of a student in the variant that this student sees. */
export const fingersOfStudent = (
  marks: readonly Mark[],
  { piece, student }: Pick<SeenBy, 'piece' | 'student'>,
): ReadonlyMap<string, FingerMark> => fingersSeen(marks, student?.variants?.[piece.id] ?? FULL_FINGERING);

/** What stands at the music: what is to be loud or soft, where to breathe and bow, what to think of, how to count. */
export function seenMarks(marks: readonly Mark[], by: SeenBy): SeenMarks {
  const { piece, student, settings, played, from, to } = by;
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const seen = marksFor(marks, student);
  const part = played.parts[0];
  return {
    view: student?.density ?? usualView(teaching),
    fingers: fingersOfStudent(marks, by),
    // Hairpins in a row of their own: they begin where a level stands.
    level: [
      ...ownTexts(seen, (m) => (m.kind === 'dynamic' ? m.level : null)),
      ...ownTexts(seen, (m) => (m.kind === 'wedge' ? WEDGE[m.role] : null)).map((t) => ({ ...t, row: 1 })),
    ],
    breath: ownTexts(seen, (m) =>
      m.kind === 'breath' ? (m.catch ? '(’)' : '’') : m.kind === 'bow' ? (m.direction === 'down' ? '⊓' : '∨') : null,
    ),
    cue: ownTexts(seen, (m) => (m.kind === 'cue' ? m.text : null)),
    words: new Map(seen.flatMap((m) => (m.kind === 'syllable' ? [[m.noteId, m.text] as const] : []))),
    counts:
      part && student?.level === 'beginner' ? countStaff(played, part.id, 1, from, to, countingWay(teaching)) : [],
    onsets: noteAtOnset(played, from, to),
    pencil: seen.flatMap((m) => (m.kind === 'pencil' ? [m] : [])),
  };
}

const NOTHING_PROPOSED: ReadonlyMap<string, FingeredNote> = new Map();
const NOTHING_REFUSED: ReadonlySet<string> = new Set();

/** The fingers of one staff among some notes, as the student sees them. */
export function fingersOfStaff(
  { view, fingers }: Pick<SeenMarks, 'view' | 'fingers'>,
  played: Score,
  staff: number,
  isHere: (noteId: string) => boolean,
): ReturnType<typeof fingerLane> {
  const part = played.parts[0];
  const notes = played.notes.filter((n) => n.part === part?.id && n.staff === staff && isHere(n.id));
  return fingerLane(notes, view, fingers, NOTHING_PROPOSED, NOTHING_REFUSED, null);
}
