import { fail, ok } from '../../result';
import { ladderPlayer, wayId, type Aside, type Piece, type StoredWay, type Student } from '../../studio';
import { command, put, rowOf, type RowToPut } from '../command';
import { gone } from '../refusals';

export type WayEdit =
  /** To stand right before another place; at the end for null. */
  | { readonly kind: 'move'; readonly sectionId: string; readonly before: string | null }
  /** Out of the order of learning, for everyone or one student; back in for null. */
  | { readonly kind: 'aside'; readonly sectionId: string; readonly as: Aside | null }
  /** A student's own way given up: as the piece's again. */
  | { readonly kind: 'as-the-piece' };

export interface ArrangeWay {
  readonly pieceId: string;
  /** Whose way; null for everyone's. */
  readonly studentId: string | null;
  readonly edit: WayEdit;
}

const LABEL: Readonly<Record<Aside, string>> = {
  skipped: 'left out of the way',
  later: 'put off',
  known: 'known already',
};

type Way = Omit<StoredWay, 'updatedAt' | 'touched'>;

const emptyWay = (piece: Piece, player: string | undefined, studentId: string | null): Way => ({
  id: wayId(piece.id, player, studentId),
  pieceId: piece.id,
  ...(player === undefined ? {} : { player }),
  studentId,
  steps: null,
  own: false,
  aside: {},
  removed: [],
});

type Steps = NonNullable<Way['steps']>;

/** The order with one place moved; null where it is not in it. */
function moved(steps: Steps, sectionId: string, before: string | null): Steps | null {
  const step = steps.find((s) => s.sectionId === sectionId);
  if (!step) return null;
  const rest = steps.filter((s) => s !== step);
  const at = before === null ? rest.length : rest.findIndex((s) => s.sectionId === before);
  return at < 0 ? null : [...rest.slice(0, at), step, ...rest.slice(at)];
}

/** What stands aside, with one more word; the same word as everyone's is none of its own. */
function setAside(way: Way, base: Way, sectionId: string, as: Aside | null): Way['aside'] {
  const others = Object.fromEntries(Object.entries(way.aside).filter(([id]) => id !== sectionId));
  const isEveryones = way.studentId === null;
  if (as === null) return others;
  return !isEveryones && base.aside[sectionId] === as ? others : { ...others, [sectionId]: as };
}

/** Changes the order of the way or what of it is asked of whom, as it is stored at that moment. */
export const arrangeWay = command({
  asks: ({ pieceId, studentId }: ArrangeWay) => ({
    pieces: { ids: [pieceId] },
    ways: { pieceId },
    sections: { pieceId },
    students: { ids: studentId === null ? [] : [studentId] },
  }),
  run: (stored, { studentId, edit }: ArrangeWay) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const student: Student | null = stored.students[0] ?? null;
    if (studentId !== null && !student) return gone('student');
    const player = ladderPlayer(piece, student);
    const of = (id: string | null) => stored.ways.find((w) => w.studentId === id && w.player === player);
    const base = of(null);
    if (!base?.steps) return fail('no-way', 'There is no way through this piece yet: take the proposed one first.');
    const way: Way = studentId === null ? base : (of(studentId) ?? emptyWay(piece, player, studentId));
    const name = student ? ` for ${student.name}` : '';
    const result = (changes: Partial<Way>, label: string) =>
      ok({ label: `${label}${name}`, changes: [put('ways', { ...way, ...changes } as RowToPut<'ways'>)] });
    switch (edit.kind) {
      case 'move': {
        const steps = moved(way.steps ?? base.steps, edit.sectionId, edit.before);
        return steps ? result({ steps, own: true }, 'chunk moved') : gone('chunk');
      }
      case 'aside':
        return result(
          { aside: setAside(way, base, edit.sectionId, edit.as) },
          edit.as === null
            ? 'back on the way'
            : `${rowOf(stored.sections, edit.sectionId)?.name ?? ''} ${LABEL[edit.as]}`.trim(),
        );
      case 'as-the-piece':
        return studentId === null
          ? fail('no-own-way', 'This is the way of the piece itself.')
          : result({ steps: null, own: false, aside: {} }, 'way as for everyone');
    }
  },
});
