'use client';

import { toast } from 'sonner';
import { add, beatOnsets, compare, fraction, subtract, type Fraction, type Score } from '@/core/score';
import {
  joinSections,
  moveCut,
  moveEnds,
  nextLetter,
  offsetQuarters,
  placeSections,
  splitSection,
  type PlacedSection,
  type ProposedSection,
} from '@/core/sections';
import { carryMarks, type Mark, type Section } from '@/core/studio';
import type { PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { rowChange, storedRow, useLadders, useMarks, useStudio } from '@/store';

export const proposalKey = (score: Score, p: Pick<ProposedSection, 'from' | 'to'>): string =>
  `section ${score.bars[p.from]?.id ?? ''} ${score.bars[p.to]?.id ?? ''}`;

/** Where a proposed section begins and ends as it is kept: an upbeat lies in the bar before. */
function edges(score: Score, p: ProposedSection): Pick<Section, 'fromBar' | 'fromOffset' | 'toBar' | 'toOffset'> | null {
  const inBarBefore = (bar: number, upbeat: string): { readonly bar: string; readonly offset: string } | null => {
    const before = score.bars[bar - 1];
    if (upbeat === '0' || !before) return null;
    const offset = subtract(fraction(before.length, score.ticksPerQuarter), offsetQuarters(upbeat));
    return { bar: before.id, offset: offset.d === 1 ? String(offset.n) : `${offset.n}/${offset.d}` };
  };
  const from = score.bars[p.from];
  const to = score.bars[p.to];
  if (!from || !to) return null;
  const start = inBarBefore(p.from, p.upbeatQuarters);
  const end = inBarBefore(p.to + 1, p.endUpbeatQuarters);
  return { fromBar: start?.bar ?? from.id, fromOffset: start?.offset ?? '0', toBar: to.id, toOffset: end?.offset ?? null };
}

/** Moves by a beat wait for one another. */
let queue: Promise<void> = Promise.resolve();

/** Everything a teacher does to the sections of a piece; each is one change that can be undone. */
export function useSectionActions({ piece, score, sections, section }: PieceContext) {
  const studio = useStudio();
  const where = useWhere();
  const ladders = useLadders(piece.id) ?? [];
  const marks = useMarks(piece.id) ?? [];
  const at = studio.now;
  const all = sections.map((p) => p.section);
  const bars = where.bars;
  const say = (message: string): void => void toast(message);
  const save = (label: string, before: Section | null, after: Section | null): Promise<void> => studio.commit(label, [rowChange('sections', before, after)]);

  const nextOf = (placed: PlacedSection): PlacedSection | undefined =>
    sections.find(
      (p) =>
        p.section.id !== placed.section.id &&
        p.section.parentId === placed.section.parentId &&
        (p.from === placed.to + 1 || (p.from === placed.to && placed.section.toOffset !== null)),
    );

  const toBeat = async (by: 1 | -1): Promise<void> => {
    if (!section) return;
    const following = nextOf(section);
    if (!following) return say('No section begins right after this one.');
    // Keys may come faster than the screen follows: the cut is taken from where it is stored now.
    const rows = await Promise.all([section.section.id, following.section.id].map((id) => storedRow(studio.db, 'sections', id)));
    const [placed, next] = rows.flatMap((row) => (row ? placeSections(score, [row]) : []));
    if (!placed || !next) return;
    // All beats from the start of this section to the end of the next, in order.
    const beats = score.bars
      .slice(placed.from, next.to + 1)
      .flatMap((bar) => beatOnsets(bar, score.ticksPerQuarter).map((b) => ({ bar: bar.index as number, at: fraction(b.at, score.ticksPerQuarter) })));
    const offset: Fraction = offsetQuarters(next.section.fromOffset);
    const here = beats.findIndex((b) => b.bar === next.from && compare(b.at, offset) >= 0);
    const target = beats[here + by];
    if (!target) return say('The section would be empty.');
    const moved = moveCut(score, placed, next, target.bar, target.at);
    if (!moved.ok) return say(moved.issue.message);
    const [first, second] = moved.value;
    await studio.commit(`end of ${first.letter} moved by a beat`, [
      rowChange('sections', placed.section, { ...first, updatedAt: at() }),
      rowChange('sections', next.section, { ...second, updatedAt: at() }),
    ]);
  };
  const endByBeat = (by: 1 | -1): Promise<void> => {
    queue = queue.then(() => toBeat(by));
    return queue;
  };

  return {
    make: async (): Promise<void> => {
      if (!bars) return say('Choose bars on the strip first.');
      const from = score.bars[bars[0]];
      const to = score.bars[Math.min(bars[1], score.bars.length - 1)];
      if (!from || !to) return;
      const fresh: Section = {
        id: studio.newId(),
        pieceId: piece.id,
        name: '',
        letter: nextLetter(all),
        fromBar: from.id,
        toBar: to.id,
        fromOffset: '0',
        toOffset: null,
        parentId: null,
        likeId: null,
        hand: 'all',
        order: bars[0],
        updatedAt: at(),
      };
      await save(`section ${fresh.letter} made`, null, fresh);
      where.change({ sectionId: fresh.id, bars });
    },
    /** Takes proposals over as sections; copies are linked to what they are like. */
    accept: async (chosen: readonly ProposedSection[], list: readonly ProposedSection[]): Promise<void> => {
      const ids = new Map<number, string>();
      list.forEach((p, i) => {
        const kept = sections.find((s) => s.from === p.from && s.to === p.to);
        ids.set(i, kept?.section.id ?? studio.newId());
      });
      const fresh = chosen.flatMap((p): Section[] => {
        const edge = edges(score, p);
        const id = ids.get(list.indexOf(p));
        if (!edge || !id || all.some((s) => s.id === id)) return [];
        const like = p.like === null ? null : (ids.get(p.like) ?? null);
        const likeIsKept = like !== null && (all.some((s) => s.id === like) || chosen.some((c) => ids.get(list.indexOf(c)) === like));
        return [
          {
            id,
            pieceId: piece.id,
            name: p.name,
            letter: p.letter,
            ...edge,
            parentId: null,
            likeId: likeIsKept ? like : null,
            hand: 'all',
            order: p.from,
            updatedAt: at(),
          },
        ];
      });
      if (fresh.length === 0) return;
      await studio.commit(
        fresh.length === 1 ? `section ${fresh[0]?.letter ?? ''} accepted` : `${fresh.length} sections accepted`,
        fresh.map((s) => rowChange('sections', null, s)),
      );
      const [first] = chosen;
      if (first && fresh[0]) where.change({ sectionId: fresh[0].id, bars: [first.from, first.to] });
    },
    refuse: async (p: ProposedSection): Promise<void> => {
      const mark: Mark = {
        id: studio.newId(),
        pieceId: piece.id,
        studentId: null,
        source: 'teacher',
        updatedAt: at(),
        kind: 'refused',
        what: proposalKey(score, p),
      };
      await studio.commit(`proposal ${p.letter} refused`, [rowChange('marks', null, mark)]);
    },
    edit: (placed: PlacedSection, change: Partial<Pick<Section, 'name' | 'letter' | 'hand' | 'likeId' | 'parentId'>>): Promise<void> =>
      save(`section ${placed.section.letter} changed`, placed.section, { ...placed.section, ...change, updatedAt: at() }),
    move: async (fromBy: number, toBy: number): Promise<void> => {
      if (!section) return;
      const moved = moveEnds(score, section.section, section.from + fromBy, section.to + toBy);
      if (!moved.ok) return say(moved.issue.message);
      await save(`section ${section.section.letter} moved`, section.section, { ...moved.value, updatedAt: at() });
      where.change({ sectionId: section.section.id, bars: [section.from + fromBy, section.to + toBy] });
    },
    /** An end dragged to a bar; the neighbour that met it there gives way. */
    dragEnd: async (id: string, end: 'first' | 'last', bar: number): Promise<void> => {
      const placed = sections.find((p) => p.section.id === id);
      if (!placed) return;
      const from = end === 'first' ? bar : placed.from;
      const to = end === 'last' ? bar : placed.to;
      const moved = moveEnds(score, placed.section, from, to);
      if (!moved.ok) return say(moved.issue.message);
      const neighbour = end === 'last' ? sections.find((p) => p.from === placed.to + 1) : sections.find((p) => p.to === placed.from - 1);
      const given = neighbour ? moveEnds(score, neighbour.section, end === 'last' ? to + 1 : neighbour.from, end === 'last' ? neighbour.to : from - 1) : null;
      await studio.commit(`section ${placed.section.letter} moved`, [
        rowChange('sections', placed.section, { ...moved.value, updatedAt: at() }),
        ...(neighbour && given?.ok ? [rowChange('sections', neighbour.section, { ...given.value, updatedAt: at() })] : []),
      ]);
      where.change({ sectionId: id, bars: [from, to] });
    },
    endByBeat,
    split: async (): Promise<void> => {
      if (!section || !bars) return say('Choose a bar inside the section to split before it.');
      const result = splitSection(score, section, bars[0], { id: studio.newId(), letter: nextLetter(all) });
      if (!result.ok) return say(result.issue.message);
      const [first, second] = result.value;
      await studio.commit(`section ${first.letter} split`, [
        rowChange('sections', section.section, { ...first, updatedAt: at() }),
        rowChange('sections', null, { ...second, updatedAt: at() }),
      ]);
      where.change({ sectionId: second.id });
    },
    join: async (): Promise<void> => {
      if (!section) return;
      const next = nextOf(section);
      if (!next) return say('No section begins right after this one.');
      const result = joinSections(section, next);
      if (!result.ok) return say(result.issue.message);
      await studio.commit(`sections ${section.section.letter} and ${next.section.letter} joined`, [
        rowChange('sections', section.section, { ...result.value, updatedAt: at() }),
        rowChange('sections', next.section, null),
      ]);
      where.change({ sectionId: section.section.id, bars: [section.from, next.to] });
    },
    remove: async (): Promise<void> => {
      if (!section) return;
      const ladder = ladders.find((l) => l.sectionId === section.section.id);
      await studio.commit(`section ${section.section.letter} removed`, [
        rowChange('sections', section.section, null),
        ...all
          .filter((s) => s.likeId === section.section.id || s.parentId === section.section.id)
          .map((s) =>
            rowChange('sections', s, {
              ...s,
              likeId: s.likeId === section.section.id ? null : s.likeId,
              parentId: s.parentId === section.section.id ? null : s.parentId,
              updatedAt: at(),
            }),
          ),
        ...(ladder ? [rowChange('ladders', ladder, null)] : []),
      ]);
      where.change({ sectionId: null });
    },
    /** The teacher's marks of the model onto the notes of a copy that are the same; marks already there stay. */
    carryMarks: async (model: PlacedSection, copy: PlacedSection): Promise<void> => {
      const fresh = carryMarks(score, marks, [model.from, model.to], [copy.from, copy.to], studio.newId, at());
      if (fresh.length === 0) return say(`No marks of ${model.section.letter} that ${copy.section.letter} lacks.`);
      await studio.commit(
        `marks of ${model.section.letter} carried to ${copy.section.letter}`,
        fresh.map((m) => rowChange('marks', null, m)),
      );
      say(`${fresh.length} ${fresh.length === 1 ? 'mark' : 'marks'} carried over to ${copy.section.letter}.`);
    },
    rate: async (barId: string, score10: number | null): Promise<void> => {
      const before = marks.find((m) => m.kind === 'rating' && m.barId === barId) ?? null;
      const after: Mark | null =
        score10 === null
          ? null
          : { id: before?.id ?? studio.newId(), pieceId: piece.id, studentId: null, source: 'teacher', updatedAt: at(), kind: 'rating', barId, score: score10 };
      await studio.commit('own rating of a bar', [rowChange('marks', before, after)]);
    },
  };
}

/** `5, beat 3`: where a section really begins. */
export function startInWords(score: Score, placed: PlacedSection): string {
  const offset = offsetQuarters(placed.section.fromOffset);
  const bar = score.bars[placed.from];
  if (offset.n === 0 || !bar) return bar?.number ?? '';
  const beats = beatOnsets(bar, score.ticksPerQuarter);
  const at = (add(offset, fraction(0)).n * score.ticksPerQuarter) / offset.d;
  const beat = beats.filter((b) => b.at <= at).length;
  return `${bar.number}, beat ${beat}`;
}
