import { analysisOf } from '../../analysis';
import { buildLadder, describeCopy, type CopyOf, type LadderScope, type StudentLevel } from '../../ladder';
import { playerChoices, playerKey, whoByName } from '../../players';
import type { PlacedSection } from '../../sections';
import type { Score } from '../../score';
import {
  ladderId,
  ladderPlayer,
  playerFor,
  type Mark,
  type Piece,
  type Rung,
  type Student,
  type Teaching,
  withTargetOf,
} from '../../studio';
import { isSection, kindOf } from '../../way';
import type { RowToPut } from '../command';

/** What building a ladder looks at besides what is stored. */
export interface LadderSetting {
  readonly score: Score;
  /** For whom it is: what is changed then is changed for this student alone; everyone's where there is none. */
  readonly student?: Pick<Student, 'id' | 'players' | 'tempos'> | null;
  /** How it is taught to whom it is built for. */
  readonly teaching: Teaching;
  readonly level: StudentLevel;
}

/** The same for everyone who plays the student's part: without the student's own target. */
export const forEveryone = <S extends LadderSetting>(setting: S): S =>
  setting.student ? { ...setting, student: { ...setting.student, tempos: {} } } : setting;

/** What a linked section is a copy of; null for one that is not linked. */
function copyOf(score: Score, all: readonly PlacedSection[], placed: PlacedSection): CopyOf | null {
  const model = all.find((p) => p.section.id === placed.section.likeId);
  return model
    ? describeCopy(score, model.section.letter || model.section.name, [model.from, model.to], [placed.from, placed.to])
    : null;
}

const PARTNERS = { teacher: 'the teacher', student: 'the other student' } as const;

/** Who plays with this player, as the teacher said it or the names say: a teacher before another student. */
function partnerOf(score: Score, piece: Piece, mine: string): { readonly partner?: string } {
  const others = playerChoices(score).flatMap(({ key, name, player }) =>
    key === mine || player.line !== undefined ? [] : [piece.parts?.[key]?.who ?? whoByName(name)],
  );
  const partner = others.includes('teacher') ? PARTNERS.teacher : others.includes('student') ? PARTNERS.student : null;
  return partner === null ? {} : { partner };
}

/** What its ladder is for: a section whose chunks are on the way has left their rungs to them. */
function scopeOf({ section }: PlacedSection, all: readonly PlacedSection[]): LadderScope {
  const kind = kindOf(section);
  switch (kind) {
    case 'chunk':
      return 'unit';
    case 'section': {
      const inside = all.filter((p) => p.section.parentId === section.id && !isSection(p.section));
      if (inside.length === 0) return 'section';
      return inside.some((p) => p.section.kind === 'phrase') ? 'whole' : 'line';
    }
    case 'join':
    case 'phrase':
    case 'piece':
      return kind;
  }
}

/** The rungs a section comes to, before any change of the teacher's. */
export function builtRungs(
  piece: Piece,
  placed: PlacedSection,
  all: readonly PlacedSection[],
  marks: readonly Mark[],
  { score, teaching, level, student = null }: LadderSetting,
  targetTempo: number | null = withTargetOf(piece, student).targetTempo,
): Rung[] {
  const player = playerFor(score, piece, student);
  const { played, difficulties, entries, accompanied } = analysisOf(score, player);
  const own = ladderPlayer(piece, student);
  return buildLadder({
    score: played,
    from: placed.from,
    to: placed.to,
    instrument: player.instrument ?? piece.instrument,
    targetTempo,
    teaching,
    level,
    marks,
    copyOf: copyOf(played, all, placed),
    difficulties,
    company: { entries, accompanied, ...partnerOf(score, piece, playerKey(player)) },
    // Rungs of another part are other rungs: what was climbed on one is not climbed on the other.
    ...(piece.exercise ? { exercise: piece.exercise } : {}),
    scope: scopeOf(placed, all),
    hand: placed.section.hand,
    sectionId: own === undefined ? placed.section.id : `${placed.section.id} ${own}`,
  });
}

/** Whose ladder it is: of which player, and of which student alone. */
export interface LadderOwner {
  readonly player?: string | undefined;
  readonly studentId?: string | undefined;
}

/** Of whom what is changed for a student is; of everyone who plays the part where there is no student. */
export const ownerOf = (piece: Piece, { student = null }: Pick<LadderSetting, 'student'>): LadderOwner => ({
  player: ladderPlayer(piece, student),
  studentId: student?.id,
});

/** The ladder of a section as it is kept. */
export const ladderRow = (
  section: { readonly id: string; readonly pieceId: string },
  rungs: readonly Rung[],
  removed: readonly string[] = [],
  { player, studentId }: LadderOwner = {},
): RowToPut<'ladders'> => ({
  id: ladderId(section.id, player, studentId),
  sectionId: section.id,
  pieceId: section.pieceId,
  ...(player === undefined ? {} : { player }),
  ...(studentId === undefined ? {} : { studentId }),
  rungs: [...rungs],
  ...(removed.length > 0 ? { removed: [...new Set(removed)] } : {}),
});
