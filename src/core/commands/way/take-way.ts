import { ok } from '../../result';
import { placeSections } from '../../sections';
import type { Score } from '../../score';
import { ladderFor, ladderPlayer, rungId, wayId, type Rung, type StoredWay, type Student } from '../../studio';
import { isSection, mergeWay, placeRows, type WayStep } from '../../way';
import { command, put, remove, rowOf, type RowChange, type RowToPut, type StoredNow } from '../command';
import { ladderRow } from '../ladder/ladder-context';
import { gone } from '../refusals';

export interface TakeWay {
  readonly pieceId: string;
  readonly score: Score;
  /** For whom it is, where they play a part of their own. */
  readonly student?: Pick<Student, 'players'> | null;
  /** As it was proposed for the sections that are kept. */
  readonly steps: readonly Pick<WayStep, 'chunk' | 'why' | 'rungs'>[];
}

/** The rungs of a step as those of its row: the same rung of a later build has the same id. */
const rungsFor = (rowId: string, own: string | undefined, rungs: readonly Rung[]): readonly Rung[] =>
  rungs.map((r) => ({ ...r, id: rungId(own === undefined ? rowId : `${rowId} ${own}`, r.key ?? r.id) }));

/**
 * Takes a proposed way over: a row and a ladder for each of its places, in order. What the teacher made, moved, named
 * or took away stays so; ladders that are there already are left as they are.
 */
export const takeWay = command({
  asks: ({ pieceId }: TakeWay) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    ways: { pieceId },
  }),
  run: (stored, { pieceId, score, steps, student = null }: TakeWay) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const player = ladderPlayer(piece, student);
    const kept = placeSections(score, stored.sections).filter((p) => isSection(p.section));
    const rows = placeRows(
      score,
      pieceId,
      kept,
      steps.map((s) => s.chunk),
    );
    const there = stored.ways.find((w) => w.studentId === null && w.player === player) ?? null;
    const merged = mergeWay(
      there,
      rows.map((row, i) => ({ sectionId: row.id, why: steps[i]?.why ?? '' })),
      (id) => rowOf(stored.sections, id)?.own === true,
    );
    const wanted = new Set(merged.map((s) => s.sectionId));
    const isMine = (id: string): boolean => rowOf(stored.sections, id)?.own === true;
    const changes = rows.flatMap((row, i): readonly RowChange[] => {
      if (!wanted.has(row.id)) return [];
      const ladder = ladderFor(stored.ladders, row.id, player);
      const stands = isSection(row) || isMine(row.id);
      return [
        ...(stands ? [] : [put('sections', row)]),
        ...(ladder
          ? []
          : [put('ladders', ladderRow(row, rungsFor(row.id, player, steps[i]?.rungs ?? []), [], { player }))]),
      ];
    });
    const way: RowToPut<'ways'> = {
      id: wayId(pieceId, player, null),
      pieceId,
      ...(player === undefined ? {} : { player }),
      studentId: null,
      steps: [...merged],
      own: there?.own ?? false,
      aside: there?.aside ?? {},
      removed: there?.removed ?? [],
    };
    return ok({
      label: 'way taken over',
      changes: [...changes, ...leftBehind(stored, way), put('ways', way)],
    });
  },
});

/** Rows of the way there was that no way holds any more, unless the teacher made them. Records stay. */
function leftBehind(
  { ways, sections, ladders }: Pick<StoredNow, 'ways' | 'sections' | 'ladders'>,
  now: Pick<StoredWay, 'id' | 'steps'>,
): readonly RowChange[] {
  const used = new Set(
    [...ways.filter((w) => w.id !== now.id), now].flatMap((w) => w.steps ?? []).map((s) => s.sectionId),
  );
  const before = new Set(
    ways
      .filter((w) => w.id === now.id)
      .flatMap((w) => w.steps ?? [])
      .map((s) => s.sectionId),
  );
  const gone = new Set(
    sections.filter((s) => before.has(s.id) && !used.has(s.id) && s.own !== true && !isSection(s)).map((s) => s.id),
  );
  return [
    ...[...gone].map((id) => remove('sections', id)),
    ...ladders.filter((l) => gone.has(l.sectionId)).map((l) => remove('ladders', l.id)),
  ];
}
