import { ok } from '../../result';
import type { ProposedSection } from '../../sections';
import type { Score } from '../../score';
import { markId, type NewMark, type Section } from '../../studio';
import type { WayStep } from '../../way';
import { command, put, type RowChange, type RowToPut } from '../command';
import { gone } from '../refusals';
import { acceptSections } from '../sections/accept-sections';
import { takeWay } from '../way/take-way';

export interface PreparePiece {
  readonly pieceId: string;
  readonly score: Score;
  /** What is taken of the whole proposal; what is left out stays a proposal in its stage. */
  readonly sections: readonly ProposedSection[];
  readonly marks: readonly NewMark[];
  readonly steps: readonly Pick<WayStep, 'chunk' | 'why' | 'rungs'>[];
}

const counted = (n: number, one: string): readonly string[] => (n === 0 ? [] : [`${n} ${one}${n === 1 ? '' : 's'}`]);

/** Rows of sections that are put by some changes. */
const sectionsIn = (changes: readonly RowChange[], now: string): readonly Section[] =>
  changes.flatMap((c) => (c.table === 'sections' && 'put' in c ? [{ ...c.put, updatedAt: now } as Section] : []));

/**
 * Takes what was ticked of a whole proposal in one step: sections, marks at their notes, the way through them. What the
 * teacher has already is left as it is.
 */
export const preparePiece = command({
  asks: ({ pieceId }: PreparePiece) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    marks: { pieceId },
    ladders: { pieceId },
    ways: { pieceId },
  }),
  run: (stored, { pieceId, score, sections, marks, steps }: PreparePiece, moment) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const accepted = acceptSections.run(
      stored,
      { pieceId, score, proposed: sections, chosen: sections.map((_, i) => i) },
      moment,
    );
    if (!accepted.ok) return accepted;
    const made = accepted.value.changes ?? [];
    const way =
      steps.length === 0
        ? null
        : takeWay.run(
            { ...stored, sections: [...stored.sections, ...sectionsIn(made, moment.now)] },
            { pieceId, score, steps },
            moment,
          );
    if (way && !way.ok) return way;
    const there = new Set(stored.marks.map((m) => m.id));
    const fresh = new Map(marks.map((m) => [markId(m), m] as const).filter(([id]) => !there.has(id)));
    const says = [
      ...counted(made.length, 'section'),
      ...counted(fresh.size, 'mark'),
      ...(way ? [`a way of ${steps.length} steps`] : []),
    ];
    return ok({
      label: `${piece.title} prepared`,
      changes: [
        ...made,
        ...[...fresh].map(([id, m]) => put('marks', { ...m, id } as RowToPut<'marks'>)),
        ...(way?.value.changes ?? []),
      ],
      says: says.length === 0 ? 'Nothing was ticked that is not there already.' : `Taken: ${says.join(', ')}.`,
    });
  },
});
