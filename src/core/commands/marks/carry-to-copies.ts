import { fail, ok } from '../../result';
import { placeSections } from '../../sections';
import type { Score } from '../../score';
import { carryMarks, type Mark, type Section } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';

export interface CarryToCopies {
  readonly pieceId: string;
  readonly score: Score;
  readonly from: string;
  /** Sections that get the marks; all that are linked to it where none are named. */
  readonly to?: readonly string[];
}

/**
 * Sections that are the same as this one: linked to it, or linked to what it is linked to.
 *
 * @example
 * copiesOf(section('a', 0, 3), [section('b', 4, 7, { likeId: 'a' }), section('c', 4, 7)]).map((s) => s.id) // → ['b']
 */
export const copiesOf = (section: Section, all: readonly Section[]): Section[] =>
  all.filter(
    (s) =>
      s.id !== section.id &&
      (s.likeId === section.id || section.likeId === s.id || (s.likeId !== null && s.likeId === section.likeId)),
  );

/** The marks of a section onto the notes of its copies that are the same; marks already there stay. */
export const carryToCopies = command({
  asks: ({ pieceId }: CarryToCopies) => ({ marks: { pieceId }, sections: { pieceId } }),
  run: (stored, { score, from, to }: CarryToCopies) => {
    const section = stored.sections.find((s) => s.id === from);
    if (!section) return gone('section');
    const targets =
      to === undefined ? copiesOf(section, stored.sections) : stored.sections.filter((s) => to.includes(s.id));
    const [model] = placeSections(score, [section]);
    if (!model) return fail('not-in-piece', 'The section is not in this edition of the piece.');
    const fresh: Mark[] = [];
    for (const copy of placeSections(score, targets))
      fresh.push(...carryMarks(score, [...stored.marks, ...fresh], [model.from, model.to], [copy.from, copy.to]));
    const letters = targets.map((t) => t.letter).join(', ');
    if (fresh.length === 0)
      return fail('nothing-to-carry', `No marks of ${section.letter} that ${letters || 'its copies'} lacks.`);
    return ok({
      label: `marks of ${section.letter} carried to ${letters}`,
      changes: fresh.map((m) => put('marks', m)),
      says: `${fresh.length} ${fresh.length === 1 ? 'mark' : 'marks'} carried to ${letters}.`,
    });
  },
});
