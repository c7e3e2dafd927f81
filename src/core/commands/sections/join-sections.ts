import { fail, ok } from '../../result';
import { joinSections as joined, placeSections } from '../../sections';
import type { Score } from '../../score';
import { ladderFor, ladderId, type Ladder, type Rung, type Section } from '../../studio';
import { command, put, remove, type RowChange } from '../command';
import { gone } from '../refusals';
import { nextSection } from './move-cut';

export interface JoinSections {
  readonly pieceId: string;
  readonly score: Score;
  /** The section that takes in the one after it. */
  readonly sectionId: string;
}

/** Rungs of a section that became part of a larger one: they say which bars they are of. */
const ofBars = (rungs: readonly Rung[], bars: readonly [string, string]): Rung[] =>
  rungs.map((r) => ({ ...r, bars: r.bars ?? [...bars] }));

/** For every player and student with a ladder of either section: that of the second on top of that of the first. */
function laddersJoined(ladders: readonly Ladder[], first: Section, second: Section): readonly RowChange[] {
  const of = ladders.filter((l) => l.sectionId === first.id || l.sectionId === second.id);
  const owners = new Map(of.map((l) => [`${l.player ?? ''} ${l.studentId ?? ''}`, l] as const));
  return [...owners.values()].flatMap((owner): readonly RowChange[] => {
    // Their own of a section, else everyone's.
    const a = ladderFor(ladders, first.id, owner.player, owner.studentId);
    const b = ladderFor(ladders, second.id, owner.player, owner.studentId);
    if (!b) return [];
    const { updatedAt: _, touched: __, ...row } = owner;
    const rungs = [
      ...ofBars(a?.rungs ?? [], [first.fromBar, first.toBar]),
      ...ofBars(b.rungs, [second.fromBar, second.toBar]),
    ];
    const id = ladderId(first.id, owner.player, owner.studentId);
    const gone = b.studentId === owner.studentId ? [remove('ladders', b.id)] : [];
    return [put('ladders', { ...row, removed: a?.removed ?? [], id, sectionId: first.id, rungs }), ...gone];
  });
}

/**
 * Joins a section with the next one. Nothing of the second is lost: its rungs stand on top of those of the first, what
 * was a copy of it is no copy any more, and until the whole is heard a student stands where the weaker of the two
 * stood. What that means is said.
 */
export const joinSections = command({
  asks: ({ pieceId }: JoinSections) => ({
    sections: { pieceId },
    ladders: { pieceId },
    standings: { pieceId },
    students: 'all',
  }),
  run: (stored, { pieceId, score, sectionId }: JoinSections, { now, newId }) => {
    const all = placeSections(score, stored.sections);
    const first = all.find((p) => p.section.id === sectionId);
    if (!first) return gone('section');
    const second = nextSection(first, all);
    if (!second) return fail('section-no-neighbour', 'No section begins right after this one.');
    const result = joined(first, second);
    if (!result.ok) return result;
    // The whole is no copy of what it took in.
    const whole = { ...result.value, likeId: result.value.likeId === second.section.id ? null : result.value.likeId };
    const others = stored.sections.filter((s) => s.id !== first.section.id && s.id !== second.section.id);
    const copies = others.filter((s) => s.likeId === second.section.id);
    const inside = others.filter((s) => s.parentId === second.section.id);
    const heard = stored.standings.filter((s) => s.sectionId === second.section.id && s.level !== null);
    const changes: RowChange[] = [
      put('sections', whole),
      remove('sections', second.section.id),
      ...others
        .filter((s) => copies.includes(s) || inside.includes(s))
        .map((s) =>
          put('sections', {
            ...s,
            likeId: copies.includes(s) ? null : s.likeId,
            parentId: inside.includes(s) ? first.section.id : s.parentId,
          }),
        ),
    ];
    const onTop = stored.ladders.filter((l) => l.sectionId === second.section.id);
    changes.push(...laddersJoined(stored.ladders, first.section, second.section));
    const rungsOnTop = Math.max(0, ...onTop.map((l) => l.rungs.length));
    const names = stored.students.flatMap((s) => (heard.some((h) => h.studentId === s.id) ? [s.name] : []));
    const said = [
      rungsOnTop > 0 ? `the ${rungsOnTop} rungs of ${second.section.letter} stand on top` : '',
      copies.length > 0
        ? `${copies.map((s) => s.letter).join(', ')} ${copies.length === 1 ? 'is' : 'are'} no copy any more`
        : '',
      names.length > 0
        ? `${names.join(', ')} ${names.length === 1 ? 'stands' : 'stand'} where the weaker of the two stood until the whole is heard`
        : '',
    ].filter((s) => s !== '');
    return ok({
      label: `sections ${first.section.letter} and ${second.section.letter} joined`,
      changes,
      records: [
        { id: newId(), at: now, kind: 'section-joined', pieceId, sectionId: second.section.id, into: sectionId },
      ],
      ...(said.length > 0 ? { says: `Joined: ${said.join('; ')}.` } : {}),
      made: sectionId,
    });
  },
});
